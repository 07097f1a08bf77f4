package loesscape.server.launch;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Names;
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
        int option = arguments.indexOf("--today");
        List<String> given = option < 0 ? arguments : arguments.subList(0, option);
        boolean understood = option < 0 || arguments.size() == option + 2;
        if (given.isEmpty() || given.size() > 2 || !understood) {
            throw new LaunchProblem(
                    2,
                    "formula needs a formula and, where it has names, a file: FORMULA VALUES.json [--today 2026-11-24]");
        }
        String text = given.getFirst();
        Map<String, @Nullable Object> values = new LinkedHashMap<>(given.size() == 1 ? Map.of() : values(given.get(1)));
        Map<String, Type> types = new LinkedHashMap<>();
        values.forEach((name, value) -> types.put(name, FormulaValues.type(value)));
        if (option >= 0) {
            values.put(Names.TODAY, day(arguments.get(option + 1)));
            types.put(Names.TODAY, Type.Simple.DATE);
        }
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

    private static LocalDate day(String text) {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeException e) {
            throw new LaunchProblem(2, "“--today %s” is not a day; write it like 2026-11-24.".formatted(text));
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
