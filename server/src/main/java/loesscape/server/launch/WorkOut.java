package loesscape.server.launch;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Type;
import loesscape.core.expression.Work;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.template.FormulaValues;
import org.jspecify.annotations.Nullable;

/** {@code formula FORMULA [VALUES.json]}: works one formula out and prints its value as JSON, without a server. */
public final class WorkOut {

    private WorkOut() {}

    /** The JSON of the value. */
    public static String run(List<String> arguments) {
        if (arguments.isEmpty() || arguments.size() > 2) {
            throw new LaunchProblem(2, "formula needs a formula and, where it has names, a file: FORMULA VALUES.json");
        }
        String text = arguments.getFirst();
        Map<String, @Nullable Object> values = arguments.size() == 1 ? Map.of() : values(arguments.get(1));
        Map<String, Type> types = new LinkedHashMap<>();
        values.forEach((name, value) -> types.put(name, FormulaValues.type(value)));
        try {
            Object result = Formula.of(text, types)
                    .compile(new ArrayList<>(values.keySet()))
                    .run(values.values().toArray());
            return Json.pretty(FormulaValues.write(result));
        } catch (FormulaProblem problem) {
            throw new LaunchProblem(
                    1,
                    "At character %d: %s%n  %s%n  %s"
                            .formatted(
                                    problem.at() + 1, problem.getMessage(), line(text, problem), mark(text, problem)));
        } catch (Work.TooMuchWork tooMuch) {
            throw new LaunchProblem(1, String.valueOf(tooMuch.getMessage()));
        }
    }

    private static Map<String, @Nullable Object> values(String file) {
        try {
            return FormulaValues.read(Json.parse(Files.read(file)));
        } catch (JsonProblem problem) {
            throw new LaunchProblem(1, "%s: %s: %s".formatted(file, problem.path(), problem.getMessage()));
        }
    }

    private static int lineStart(String text, FormulaProblem problem) {
        return text.lastIndexOf('\n', Math.max(0, Math.min(problem.at(), text.length()) - 1)) + 1;
    }

    private static String line(String text, FormulaProblem problem) {
        int start = lineStart(text, problem);
        int end = text.indexOf('\n', start);
        return shortened(text.substring(start, end < 0 ? text.length() : end));
    }

    private static String mark(String text, FormulaProblem problem) {
        int before = problem.at() - lineStart(text, problem);
        return shortened(" ".repeat(before) + "^".repeat(Math.max(1, problem.end() - problem.at())));
    }

    private static String shortened(String line) {
        return line.length() <= 160 ? line : line.substring(0, 160) + "…";
    }
}
