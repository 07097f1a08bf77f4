package loesscape.server.launch;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Names;
import loesscape.core.expression.Type;
import loesscape.core.expression.Work;
import loesscape.core.model.Stage;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.template.FormulaValues;
import org.jspecify.annotations.Nullable;

/**
 * {@code formula FORMULA [VALUES.json] [--template TEMPLATE.loess.json] [--today DATE]}: works one formula out and prints
 * its value as JSON, without a server. With a template the values are answers to it, and the formula sees what it would
 * see in it.
 */
public final class WorkOut {

    private static final String USAGE =
            "formula needs a formula and, where it has names, a file: FORMULA VALUES.json [--template TEMPLATE.loess.json] [--today 2026-11-24]";

    private WorkOut() {}

    /** The JSON of the value. */
    public static String run(List<String> arguments) {
        List<String> given = new ArrayList<>(arguments);
        String day = option(given, "--today");
        String file = option(given, "--template");
        if (given.isEmpty() || given.size() > 2 || given.stream().anyMatch(each -> each.startsWith("--"))) {
            throw new LaunchProblem(2, USAGE);
        }
        String text = given.getFirst();
        LocalDate today = day.isEmpty() ? null : day(day);
        if (today == null && Names.in(text).contains(Names.TODAY)) {
            throw new LaunchProblem(2, "The formula asks for today(); say which day that is: --today 2026-11-24");
        }
        String values = given.size() == 1 ? "" : given.get(1);
        try {
            Object result = file.isEmpty() ? alone(text, values, today) : inTemplate(text, file, values, today);
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

    /** Takes an option and its value out of the arguments; empty where it is not there. */
    private static String option(List<String> arguments, String name) {
        int at = arguments.indexOf(name);
        if (at < 0) {
            return "";
        }
        if (at + 1 == arguments.size()) {
            throw new LaunchProblem(2, USAGE);
        }
        arguments.remove(at);
        return arguments.remove(at);
    }

    private static @Nullable Object alone(String text, String file, @Nullable LocalDate today) {
        Map<String, @Nullable Object> values = new LinkedHashMap<>(file.isEmpty() ? Map.of() : values(file));
        Map<String, Type> types = new LinkedHashMap<>();
        values.forEach((name, value) -> types.put(name, FormulaValues.type(value)));
        if (today != null) {
            values.put(Names.TODAY, today);
            types.put(Names.TODAY, Type.Simple.DATE);
        }
        return Formula.of(text, types)
                .compile(new ArrayList<>(values.keySet()))
                .run(values.values().toArray());
    }

    private static @Nullable Object inTemplate(String text, String file, String answers, @Nullable LocalDate today) {
        CompiledTemplate template = CompiledTemplate.ofValid(Evaluate.template(file));
        return template.standing(
                        answers.isEmpty() ? Answers.NONE : Evaluate.answers(answers),
                        new Context(today, Stage.FILLING, ""))
                .gives(text);
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
