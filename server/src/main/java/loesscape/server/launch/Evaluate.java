package loesscape.server.launch;

import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import loesscape.core.analysis.Explaining;
import loesscape.core.analysis.Why;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.InvalidTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.json.JsonWriter;
import loesscape.formats.template.AnswersFile;
import loesscape.formats.template.StateFile;
import loesscape.formats.template.TemplateFile;

/** {@code evaluate TEMPLATE.loess.json ANSWERS.json}: the state of every item as JSON, without a server. */
public final class Evaluate {

    private Evaluate() {}

    /** The JSON of the state. */
    public static String run(List<String> arguments) {
        if (arguments.size() < 2) {
            throw new LaunchProblem(2, "evaluate needs two files: TEMPLATE.loess.json ANSWERS.json");
        }
        List<String> options = new ArrayList<>(arguments.subList(2, arguments.size()));
        int why = options.indexOf("--why");
        String address = why >= 0 && why + 1 < options.size() ? options.get(why + 1) : "";
        if (why >= 0) {
            options.subList(why, Math.min(why + 2, options.size())).clear();
        }
        Context context = context(options);
        CompiledTemplate template = CompiledTemplate.compile(template(arguments.get(0)));
        if (!context.role().isEmpty() && template.symbols().role(context.role()) == null) {
            throw new LaunchProblem(
                    2,
                    "“--role %s”: there is no such role; %s."
                            .formatted(
                                    context.role(),
                                    template.template().roles().isEmpty()
                                            ? "this template has none"
                                            : "known are "
                                                    + template.template().roles().stream()
                                                            .map(Role::key)
                                                            .collect(Collectors.joining(", "))));
        }
        Answers answers = answers(arguments.get(1));
        return why < 0
                ? StateFile.write(template.template(), template.evaluate(answers, context))
                : why(template, answers, context, address);
    }

    private static String why(CompiledTemplate template, Answers answers, Context context, String address) {
        if (!template.evaluate(answers, context).nodes().containsKey(address)) {
            throw new LaunchProblem(2, "“--why %s”: there is no such item as things stand.".formatted(address));
        }
        return Json.pretty(JsonWriter.full(new Explaining(template, answers, context).why(address), Why.class));
    }

    private static Context context(List<String> options) {
        LocalDate today = null;
        Stage stage = Stage.FILLING;
        String role = "";
        for (int i = 0; i < options.size(); i += 2) {
            String value = i + 1 < options.size() ? options.get(i + 1) : "";
            try {
                switch (options.get(i)) {
                    case "--today" -> today = LocalDate.parse(value);
                    case "--stage" -> stage = Stage.valueOf(value.toUpperCase(Locale.ROOT));
                    case "--role" -> role = value;
                    default -> throw new IllegalArgumentException("No such option");
                }
            } catch (IllegalArgumentException | DateTimeException e) {
                throw new LaunchProblem(
                        2,
                        "“%s %s” is not understood; known are --today 2026-11-24, --stage filling, reviewing, finished or print, --role with the key of a role, and --why with the key of an item."
                                .formatted(options.get(i), value));
            }
        }
        return new Context(today, stage, role);
    }

    static Template template(String file) {
        try {
            return TemplateFile.read(Files.read(file));
        } catch (InvalidTemplate invalid) {
            throw new LaunchProblem(
                    1,
                    invalid.problems().stream()
                            .map(problem -> file + ": " + problem.path() + ": " + problem.message())
                            .collect(Collectors.joining("\n")));
        }
    }

    static Answers answers(String file) {
        try {
            return AnswersFile.read(new String(Files.read(file), StandardCharsets.UTF_8));
        } catch (JsonProblem problem) {
            throw new LaunchProblem(1, "%s: %s: %s".formatted(file, problem.path(), problem.getMessage()));
        }
    }
}
