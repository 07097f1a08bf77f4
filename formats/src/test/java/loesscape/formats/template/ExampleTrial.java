package loesscape.formats.template;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Stage;
import loesscape.formats.json.Json;
import tools.jackson.databind.JsonNode;

/** Answers to one of the templates in {@code docs/examples}, and what is said to come of them. */
record ExampleTrial(String says, Answers answers, Context context, JsonNode expected) {

    private static final Path FOLDER = Path.of("../docs/examples");
    private static final String ENDING = ".loess.json";

    /** What the examples are called. */
    static List<String> names() throws IOException {
        try (var files = Files.list(FOLDER)) {
            return files.map(file -> file.getFileName().toString())
                    .filter(file -> file.endsWith(ENDING))
                    .map(file -> file.substring(0, file.length() - ENDING.length()))
                    .sorted()
                    .toList();
        }
    }

    /** The text of an example. */
    static String template(String name) {
        return read(name + ENDING);
    }

    /** The trials of an example. */
    static List<ExampleTrial> of(String name) {
        return Json.parse(read(name + ".trials.json")).values().stream()
                .map(trial -> new ExampleTrial(
                        trial.get("says").stringValue(),
                        AnswersFile.read(trial.get("answers").toString()),
                        context(trial),
                        trial.get("expect")))
                .toList();
    }

    private static Context context(JsonNode trial) {
        JsonNode today = trial.get("today");
        JsonNode stage = trial.get("stage");
        JsonNode role = trial.get("role");
        return new Context(
                today == null ? null : LocalDate.parse(today.stringValue()),
                stage == null
                        ? Stage.FILLING
                        : Stage.valueOf(stage.stringValue().toUpperCase(Locale.ROOT)),
                role == null ? "" : role.stringValue());
    }

    private static String read(String file) {
        try {
            return Files.readString(FOLDER.resolve(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
