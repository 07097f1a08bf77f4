package loesscape.formats.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Context;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.json.Json;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.paper.Theme;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.template.TemplateFile;

/** The documents of the demo with the answers that are tried out in them, and the paper of its board. */
public final class DemoDocuments {

    /** When their records were finished. */
    public static final Instant FINISHED = Instant.parse("2026-11-27T09:42:00Z");

    private static final Path DEMO = Path.of("../server/src/main/resources/loesscape/server/demo");

    /** The paper of the board, in a typeface that the demo does not use. */
    public static final Theme BOARD = new Theme(
            "Veldhollow Soil and Water Board",
            List.of("Sluice Lane 4", "VH 1170 Veldhollow", "water@veldhollow.example"),
            "Invented for this demo",
            "#1f5f4b",
            Theme.Typeface.SERIF,
            picture("logo.svg"));

    private DemoDocuments() {}

    /** A picture of the demo. */
    public static SafePicture picture(String name) {
        return SafePicture.read(name, bytes("pictures/" + name));
    }

    /** The names of the documents. */
    public static List<String> names() {
        try (Stream<Path> files = Files.list(DEMO)) {
            return files.map(file -> file.getFileName().toString())
                    .filter(name -> name.endsWith(".loess.json"))
                    .map(name -> name.replace(".loess.json", ""))
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A document's template in a language; empty for English. */
    public static Template template(String name, String language) {
        Template template = TemplateFile.read(new String(bytes(name + ".loess.json"), StandardCharsets.UTF_8));
        PageSettings settings = template.pageSettings();
        return new Template(
                template.title(),
                template.subtitle(),
                template.pages(),
                template.roles(),
                template.conditions(),
                template.lists(),
                template.finish(),
                new PageSettings(settings.spacing(), settings.paper(), settings.numbering(), language),
                template.trials(),
                List.of());
    }

    /** What is tried out in a document. */
    public static Answers answers(String name) {
        Map<String, String> typed = new HashMap<>();
        Json.parse(new String(bytes(name + ".answers.json"), StandardCharsets.UTF_8))
                .path("answers")
                .path(0)
                .path("typed")
                .properties()
                .forEach(entry -> typed.put(entry.getKey(), entry.getValue().stringValue()));
        return new Answers(typed);
    }

    /** A picture beside a template of the demo. */
    public static Optional<SafePicture> beside(String name) {
        return Optional.of(picture(name.startsWith("chalk") ? "chalk.svg" : "well.svg"));
    }

    /** A document as a record. */
    public static PrintedRecord printed(String name, String language, Theme theme) {
        Template template = template(name, language);
        Content content = Content.of(
                template,
                CompiledTemplate.compile(template)
                        .evaluate(answers(name), new Context(LocalDate.of(2026, 11, 27), Stage.FINISHED, "")));
        return new PrintedRecord(
                content,
                new RecordHeading(7, 2, FINISHED),
                theme,
                PrintedRecord.Pictures.of(
                        content, DemoDocuments::beside, given -> Optional.empty(), sheet -> Optional.of(sheet(name))),
                "{}",
                null);
    }

    /** The pages that a document is written on. */
    public static byte[] sheet(String name) {
        return ImportedPdf.sheet(bytes(name + ".pdf"));
    }

    private static byte[] bytes(String name) {
        try {
            return Files.readAllBytes(DEMO.resolve(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
