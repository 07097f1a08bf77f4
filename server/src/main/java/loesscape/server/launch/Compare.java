package loesscape.server.launch;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.analysis.VersionComparison;
import loesscape.core.analysis.VersionDifference;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonWriter;

/** {@code compare OLD.loess.json NEW.loess.json}: what a later version of a template does otherwise for those who fill it in. */
public final class Compare {

    private static final String USAGE =
            "compare needs two files: OLD.loess.json NEW.loess.json; besides it takes --json, and --today 2026-11-24 for the day on which examples are tried";

    private Compare() {}

    /** A line for each thing that is otherwise; items are matched by their keys. */
    public static String run(List<String> arguments) {
        List<String> files = new ArrayList<>(arguments);
        boolean isJson = files.remove("--json");
        LocalDate today = DayOption.take(files, USAGE);
        if (files.size() != 2 || files.stream().anyMatch(file -> file.startsWith("--"))) {
            throw new LaunchProblem(2, USAGE);
        }
        VersionDifference difference =
                VersionComparison.of(Evaluate.template(files.get(0)), Evaluate.template(files.get(1)), Map.of(), today);
        return isJson ? Json.pretty(JsonWriter.full(difference, VersionDifference.class)) : words(difference);
    }

    private static String words(VersionDifference difference) {
        if (difference.isNothing()) {
            return "For those who fill it in, nothing is otherwise.%n".formatted();
        }
        StringBuilder words = new StringBuilder();
        difference.added().forEach(each -> words.append("added: %s (%s)%n".formatted(each.name(), each.key())));
        difference.removed().forEach(each -> words.append("removed: %s (%s)%n".formatted(each.name(), each.key())));
        difference
                .rewritten()
                .forEach(each -> words.append("%s, %s: %s%n"
                        .formatted(
                                each.name(),
                                each.what(),
                                each.before().isEmpty() && each.after().isEmpty()
                                        ? "written otherwise"
                                        : "“%s” is now “%s”".formatted(each.before(), each.after()))));
        difference
                .changed()
                .forEach(each -> words.append("%s, %s: %s, now %s, for example for: %s%n"
                        .formatted(
                                each.name(),
                                each.what(),
                                each.before(),
                                each.after(),
                                ExampleWords.of(each.example()))));
        difference
                .open()
                .forEach(each -> words.append("%s, %s: not decided; out of reach: %s%n"
                        .formatted(each.name(), each.what(), String.join("; ", each.because()))));
        return words.toString();
    }
}
