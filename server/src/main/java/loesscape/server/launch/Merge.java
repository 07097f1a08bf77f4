package loesscape.server.launch;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import loesscape.core.model.InvalidTemplate;
import loesscape.formats.answers.AnswersBrought;
import loesscape.formats.answers.GivenAnswers;
import loesscape.formats.answers.Merging;
import loesscape.formats.answers.Merging.Making;
import loesscape.formats.answers.Merging.MergedFile;
import loesscape.formats.answers.UnreadableAnswers;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.paper.Theme;
import loesscape.formats.template.TemplateArchive;

/** {@code merge TEMPLATE ANSWERS OUTDIR}: a document for each set of answers, without a server, and a report of all. */
public final class Merge {

    private static final String USAGE =
            "merge needs a template, answers and a folder: TEMPLATE.loess[.json] ANSWERS.csv OUTDIR [--pdf|--docx|--fillable|--fillable-docx] [--today DATE]";
    private static final int TOLD_EVERY = 100;

    private Merge() {}

    /**
     * Makes the documents.
     *
     * @param out where it is told how far it is and what was wrong
     * @return 0 where every document was made, 1 where some were not
     * @throws LaunchProblem where nothing can be made at all
     */
    public static int run(List<String> arguments, PrintStream out) {
        List<String> rest = new ArrayList<>(arguments);
        LocalDate today = today(rest);
        Making making = making(rest);
        if (rest.size() != 3) {
            throw new LaunchProblem(2, USAGE);
        }
        TemplateArchive archive = archive(rest.get(0));
        tellPictures(archive, out);
        Merging merging = new Merging(archive, Theme.PLAIN, making, today, Instant.now());
        List<GivenAnswers> all = answers(rest.get(1));
        Path folder = folder(rest.get(2));
        Map<Integer, MergedFile> report = new TreeMap<>();
        int made = 0;
        for (int number = 1; number <= all.size(); number++) {
            MergedFile each = merging.make(number, all.get(number - 1));
            each.file().ifPresent(file -> write(folder.resolve(each.name()), file));
            made += each.file().isPresent() ? 1 : 0;
            report.put(number, new MergedFile(each.name(), each.file().map(file -> new byte[0]), each.problems()));
            for (String problem : each.problems()) {
                out.printf("%d: %s%n", number, problem);
            }
            if (number % TOLD_EVERY == 0) {
                out.printf("%,d of %,d%n", number, all.size());
            }
        }
        write(folder.resolve("report.csv"), Merging.report(report).getBytes(StandardCharsets.UTF_8));
        out.printf("%,d of %,d documents made in %s; what was wrong stands in report.csv.%n", made, all.size(), folder);
        return made == all.size() ? 0 : 1;
    }

    private static void tellPictures(TemplateArchive archive, PrintStream out) {
        List<String> missing = archive.template().pictures().stream()
                .filter(name -> archive.pictures().stream()
                        .noneMatch(picture -> picture.name().equals(name)))
                .toList();
        if (!missing.isEmpty()) {
            out.printf(
                    "These pictures are not in the template file, so they are left out: %s. An archive (.loess) has them.%n",
                    String.join(", ", missing));
        }
    }

    private static LocalDate today(List<String> rest) {
        int at = rest.indexOf("--today");
        if (at < 0) {
            return LocalDate.now(ZoneId.systemDefault());
        }
        try {
            LocalDate today = LocalDate.parse(at + 1 < rest.size() ? rest.get(at + 1) : "");
            rest.subList(at, at + 2).clear();
            return today;
        } catch (DateTimeException e) {
            throw new LaunchProblem(2, "--today takes a day, like --today 2026-11-28.");
        }
    }

    private static Making making(List<String> rest) {
        Making making = Making.PDF;
        for (Making each : Making.values()) {
            if (rest.remove("--" + each.name().toLowerCase(Locale.ROOT).replace('_', '-'))) {
                making = each;
            }
        }
        return making;
    }

    private static TemplateArchive archive(String file) {
        byte[] content = Files.read(file);
        try {
            TemplateArchive archive = TemplateArchive.read(content);
            List<String> missing = archive.template().sheets().stream()
                    .filter(name -> archive.sheets().stream()
                            .noneMatch(sheet -> sheet.name().equals(name)))
                    .toList();
            if (!missing.isEmpty()) {
                throw new LaunchProblem(
                        1,
                        "The template is written on pages of %s, which is not in %s; export it as an archive (.loess)."
                                .formatted(String.join(", ", missing), file));
            }
            return archive;
        } catch (InvalidTemplate | JsonProblem e) {
            throw new LaunchProblem(1, "The template %s cannot be taken: %s".formatted(file, e.getMessage()));
        }
    }

    private static List<GivenAnswers> answers(String file) {
        try {
            return AnswersBrought.read(Files.read(file));
        } catch (UnreadableAnswers e) {
            throw new LaunchProblem(1, "The answers %s cannot be read: %s".formatted(file, e.getMessage()));
        }
    }

    private static Path folder(String name) {
        Path folder = Path.of(name).toAbsolutePath().normalize();
        try {
            java.nio.file.Files.createDirectories(folder);
            return folder;
        } catch (IOException e) {
            throw new LaunchProblem(1, "The folder %s cannot be made: %s.".formatted(folder, FileTrouble.words(e)));
        }
    }

    /** Nothing that was there is written over. */
    private static void write(Path file, byte[] content) {
        try {
            java.nio.file.Files.write(file, content, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        } catch (FileAlreadyExistsException e) {
            throw new LaunchProblem(1, "%s is there already; name an empty folder.".formatted(file));
        } catch (IOException e) {
            throw new LaunchProblem(1, "%s cannot be written: %s.".formatted(file, FileTrouble.words(e)));
        }
    }
}
