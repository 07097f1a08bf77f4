package loesscape.formats.answers;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Settled;
import loesscape.core.evaluation.State;
import loesscape.core.form.FillableForm;
import loesscape.core.model.Stage;
import loesscape.formats.docx.FillableDocx;
import loesscape.formats.docx.FinishedDocx;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.fillable.FillablePdf;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.paper.Theme;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.table.CommaSeparated;
import loesscape.formats.template.TemplateArchive;

/**
 * Documents of a template, one for each set of answers. What is finished needs all that is asked for; what is to be filled in
 * further takes what there is.
 *
 * <pre>{@code
 * Merging merging = new Merging(archive, Theme.PLAIN, Merging.Making.PDF, today, now);
 * Merging.Made made = merging.make(1, given);
 * }</pre>
 */
public final class Merging {

    /** The longest name a file takes from its first answer. */
    private static final int LONGEST_NAME = 40;

    /** What is made. */
    public enum Making {
        PDF("pdf", true),
        DOCX("docx", true),
        FILLABLE("pdf", false),
        FILLABLE_DOCX("docx", false);

        private final String ending;
        private final boolean isFinished;

        Making(String ending, boolean isFinished) {
            this.ending = ending;
            this.isFinished = isFinished;
        }
    }

    /**
     * What came of one set of answers.
     *
     * @param name of the file
     * @param file itself; empty where it could not be made
     * @param problems a sentence each: why it could not be made, or what was not taken
     */
    public record MergedFile(String name, Optional<byte[]> file, List<String> problems) {

        public MergedFile {
            problems = List.copyOf(problems);
        }
    }

    private final CompiledTemplate template;
    private final AnswerMatching matching;
    private final Theme theme;
    private final Making making;
    private final LocalDate today;
    private final Instant now;
    private final Map<String, SafePicture> pictures = new HashMap<>();
    private final Map<String, byte[]> sheets = new HashMap<>();

    /**
     * @param today the day conditions are asked on
     * @param now when the documents are said to be finished
     */
    public Merging(TemplateArchive archive, Theme theme, Making making, LocalDate today, Instant now) {
        this.template = CompiledTemplate.compile(archive.template());
        this.matching = AnswerMatching.of(template.prepared());
        this.theme = theme;
        this.making = making;
        this.today = today;
        this.now = now;
        archive.pictures().forEach(picture -> pictures.put(picture.name(), picture));
        archive.sheets().forEach(sheet -> sheets.put(sheet.name(), sheet.content()));
    }

    /**
     * Makes one document.
     *
     * @param number counts them from 1
     */
    public MergedFile make(int number, GivenAnswers given) {
        AnswerMatching.Matched matched = matching.match(given);
        List<String> problems = new ArrayList<>(matched.unmatched());
        Answers answers = matched.answers();
        State filling = template.evaluate(answers, new Context(today, Stage.FILLING, ""));
        List<State.Obstacle> obstacles = filling.obstacles().stream()
                .filter(obstacle -> making.isFinished || isAnswered(answers, obstacle.key()))
                .toList();
        problems.addAll(InTheWay.told(template.symbols(), obstacles, answers));
        boolean isRefused = making.isFinished && !obstacles.isEmpty();
        String name = "%04d%s.%s".formatted(number, called(given), making.ending);
        return new MergedFile(name, isRefused ? Optional.empty() : Optional.of(file(number, answers)), problems);
    }

    private static boolean isAnswered(Answers answers, String address) {
        return !answers.typed().getOrDefault(address, "").isBlank();
    }

    /** The first answer, as far as it can be a part of the name of a file everywhere. */
    private static String called(GivenAnswers given) {
        String first =
                given.values().values().stream().findFirst().map(List::getFirst).orElse("");
        String plain = first.replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-+|-+$", "");
        int end = plain.offsetByCodePoints(0, Math.min(LONGEST_NAME, plain.codePointCount(0, plain.length())));
        return plain.isEmpty() ? "" : "-" + plain.substring(0, end);
    }

    private byte[] file(int number, Answers answers) {
        return switch (making) {
            case PDF -> FinishedPdf.write(printed(number, answers, false));
            case DOCX -> FinishedDocx.write(printed(number, answers, true));
            case FILLABLE ->
                FillablePdf.of(form(answers), theme, this::picture, name -> Optional.ofNullable(sheets.get(name)))
                        .file();
            case FILLABLE_DOCX -> FillableDocx.write(form(answers), theme, this::picture);
        };
    }

    private Optional<SafePicture> picture(String name) {
        return Optional.ofNullable(pictures.get(name));
    }

    private FillableForm form(Answers answers) {
        return FillableForm.of(template.prepared(), answers);
    }

    /** What lies on pages of a PDF file is told as questions where there are no such pages. */
    private PrintedRecord printed(int number, Answers answers, boolean isFlowing) {
        State state = template.evaluate(answers, new Context(today, Stage.FINISHED, ""));
        Content content = Content.of(template.template(), state);
        if (isFlowing && !content.filled().isEmpty()) {
            content = Content.asked(template.template(), state, Settled.NOTHING);
        }
        return new PrintedRecord(
                content,
                new RecordHeading(number, 0, now),
                theme,
                PrintedRecord.Pictures.of(
                        content,
                        this::picture,
                        file -> Optional.empty(),
                        name -> Optional.ofNullable(sheets.get(name))),
                "",
                null);
    }

    /** What came of all of them, as a table: number, file, and what was wrong. */
    public static String report(Map<Integer, MergedFile> all) {
        List<List<String>> lines = new ArrayList<>();
        lines.add(List.of("number", "file", "problems"));
        all.forEach((number, made) -> lines.add(List.of(
                number.toString(),
                made.file().isPresent() ? made.name() : "",
                CommaSeparated.harmless(String.join(" ", made.problems())))));
        return CommaSeparated.write(lines);
    }
}
