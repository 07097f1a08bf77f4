package loesscape.server.launch;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.Findings;
import loesscape.core.analysis.LogicFindings;
import loesscape.core.analysis.PromiseVerdict;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.Example;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Template;
import loesscape.core.wording.PromiseSentences;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonWriter;

/**
 * {@code check TEMPLATE.loess.json}: whether a template file can be taken, all that is wrong with it if not, what its author
 * probably did not mean, and whether what was promised is so.
 */
public final class CheckTemplate {

    private static final String USAGE =
            "check needs one file: TEMPLATE.loess.json; besides it takes --json, and --today 2026-11-24 for the day on which examples are tried";

    private CheckTemplate() {}

    /**
     * A template that can be taken.
     *
     * @param findings what its author probably did not mean
     * @param promises whether what is promised is so
     */
    public record Checked(String title, int fields, List<Finding> findings, List<CheckedPromise> promises) {}

    /** A promise as a sentence, and whether it is so for all answers. */
    public record CheckedPromise(String sentence, PromiseVerdict verdict) {}

    /**
     * A line about a template that can be taken, its findings and promises; it ends with 1 where a promise is broken, or a
     * finding that is not accepted keeps the template from being released without a reason.
     *
     * @throws LaunchProblem with a line for each thing that is wrong where it cannot be taken
     */
    public static CommandResult run(List<String> arguments) {
        List<String> files = new ArrayList<>(arguments);
        boolean isJson = files.remove("--json");
        LocalDate today = DayOption.take(files, USAGE);
        if (files.size() != 1 || files.getFirst().startsWith("--")) {
            throw new LaunchProblem(2, USAGE);
        }
        Template template = Evaluate.template(files.getFirst());
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        EveryFilling every = EveryFilling.of(compiled, today);
        List<Finding> findings = Stream.concat(
                        Findings.of(compiled.prepared()).stream(), LogicFindings.of(every).stream())
                .toList();
        PromiseSentences sentences = new PromiseSentences(compiled.prepared());
        List<CheckedPromise> promises = template.promises().stream()
                .map(rule -> new CheckedPromise(sentences.of(rule).text(), PromiseVerdict.of(rule, every)))
                .toList();
        boolean isTrouble = findings.stream().anyMatch(Finding::holdsUp)
                || promises.stream().anyMatch(each -> each.verdict() instanceof PromiseVerdict.Broken);
        return new CommandResult(
                isJson
                        ? Json.pretty(JsonWriter.full(
                                new Checked(template.title(), template.fields().size(), findings, promises),
                                Checked.class))
                        : words(template, findings, promises),
                isTrouble ? 1 : 0);
    }

    private static String words(Template template, List<Finding> findings, List<CheckedPromise> promises) {
        StringBuilder words = new StringBuilder("“%s” can be taken: %d fields in %d pages, sections and items.%n"
                .formatted(
                        template.title(),
                        template.fields().size(),
                        template.nodes().size()));
        for (Finding finding : findings) {
            words.append(finding.key().isEmpty() ? "" : finding.key() + ": ").append(finding.message());
            words.append(finding.accepted().isEmpty() ? "" : " Accepted: " + finding.accepted());
            Example example = finding.example();
            words.append(example == null ? "" : " For example: " + ExampleWords.of(example) + ".");
            words.append(System.lineSeparator());
        }
        for (CheckedPromise promise : promises) {
            words.append(
                    switch (promise.verdict()) {
                        case PromiseVerdict.Kept(var isIdle) -> isIdle ? "kept, for it is about nothing: " : "kept: ";
                        case PromiseVerdict.Broken ignored -> "BROKEN: ";
                        case PromiseVerdict.Open ignored -> "not decided: ";
                    });
            words.append(promise.sentence());
            words.append(
                    switch (promise.verdict()) {
                        case PromiseVerdict.Kept ignored -> "";
                        case PromiseVerdict.Broken(var example, var hint) ->
                            " Not so for: " + ExampleWords.of(example) + "." + (hint.isEmpty() ? "" : " " + hint);
                        case PromiseVerdict.Open(var because) -> " Out of reach: " + String.join("; ", because) + ".";
                    });
            words.append(System.lineSeparator());
        }
        return words.toString();
    }
}
