package loesscape.server.launch;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.trial.SuggestedTrials;
import loesscape.core.trial.SuggestedTrials.SuggestedTrial;
import loesscape.core.trial.TrialCoverage;
import loesscape.core.trial.TrialOutcome;
import loesscape.core.trial.TrialRun;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonWriter;
import loesscape.formats.template.TemplateFile;

/** {@code trial TEMPLATE.loess.json}: runs the trials of a template, without a server. */
public final class Trials {

    private static final String USAGE =
            "trial needs one file: TEMPLATE.loess.json; besides it takes --json, --junit OUT.xml for build servers, --suggest OUT.loess.json for the template with trials of what was not tried yet, and --today 2026-11-24 for trials that name no day";

    private Trials() {}

    /** What came of the trials of a template, and what of it they have tried. */
    public record Tried(String title, List<TrialOutcome> outcomes, TrialCoverage coverage) {}

    /**
     * A line for each trial, and for each thing that came otherwise than was expected; it ends with 1 where anything did.
     *
     * @throws LaunchProblem where the template cannot be taken, or the report cannot be written
     */
    public static CommandResult run(List<String> arguments) {
        List<String> files = new ArrayList<>(arguments);
        boolean isJson = files.remove("--json");
        String report = option("--junit", files);
        String suggestions = option("--suggest", files);
        LocalDate today = DayOption.take(files, USAGE);
        if (files.size() != 1 || files.getFirst().startsWith("--")) {
            throw new LaunchProblem(2, USAGE);
        }
        Template template = Evaluate.template(files.getFirst());
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        List<TrialOutcome> outcomes = TrialRun.of(compiled, today);
        if (!report.isEmpty()) {
            write(report, TrialReport.of(template.title(), outcomes));
        }
        List<SuggestedTrial> suggested = List.of();
        if (!suggestions.isEmpty()) {
            suggested =
                    SuggestedTrials.of(EveryFilling.of(compiled, today), today).trials();
            List<Trial> trials = suggested.stream().map(SuggestedTrial::trial).toList();
            write(suggestions, TemplateFile.write(Editing.apply(template, new Edit.PutTrials(trials))));
        }
        TrialCoverage coverage = TrialCoverage.of(compiled, today);
        return new CommandResult(
                isJson
                        ? Json.pretty(JsonWriter.full(new Tried(template.title(), outcomes, coverage), Tried.class))
                        : words(outcomes) + words(coverage) + words(suggested, suggestions),
                outcomes.stream().allMatch(TrialOutcome::isPassed) ? 0 : 1);
    }

    private static String option(String name, List<String> files) {
        int at = files.indexOf(name);
        if (at < 0) {
            return "";
        }
        if (at + 1 >= files.size() || files.get(at + 1).startsWith("--")) {
            throw new LaunchProblem(2, USAGE);
        }
        String file = files.get(at + 1);
        files.subList(at, at + 2).clear();
        return file;
    }

    private static void write(String file, String text) {
        try {
            java.nio.file.Files.writeString(Path.of(file), text);
        } catch (IOException e) {
            throw new LaunchProblem(1, "%s cannot be written: %s".formatted(file, FileTrouble.words(e)));
        }
    }

    private static String words(TrialCoverage coverage) {
        return "tried: of %d clauses %d both ways, %d alone deciding both ways; of %d edges %d exactly%n"
                .formatted(
                        coverage.clauses().size(),
                        coverage.bothWays(),
                        coverage.deciding(),
                        coverage.edges().size(),
                        coverage.exactly());
    }

    private static String words(List<SuggestedTrial> suggested, String file) {
        StringBuilder words = new StringBuilder();
        suggested.forEach(
                each -> words.append("suggested: %s%n".formatted(each.trial().name())));
        if (!file.isEmpty()) {
            words.append("%s has the template with %d more trials; look at what they expect.%n"
                    .formatted(file, suggested.size()));
        }
        return words.toString();
    }

    private static String words(List<TrialOutcome> outcomes) {
        if (outcomes.isEmpty()) {
            return "The template has no trials.%n".formatted();
        }
        StringBuilder words = new StringBuilder();
        for (TrialOutcome outcome : outcomes) {
            int expected = outcome.trial().expected().size();
            words.append(
                    outcome.isPassed()
                            ? "passed: %s (%d expected)%n"
                                    .formatted(outcome.trial().name(), expected)
                            : "FAILED: %s (%d of %d otherwise)%n"
                                    .formatted(
                                            outcome.trial().name(),
                                            outcome.missed().size(),
                                            expected));
            for (TrialOutcome.Missed missed : outcome.missed()) {
                words.append("  %s: expected %s, is %s.%s%n"
                        .formatted(
                                missed.about(),
                                missed.expected(),
                                missed.actual(),
                                missed.because().isEmpty() ? "" : " " + missed.because()));
            }
        }
        return words.toString();
    }
}
