package loesscape.core.trial;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.evaluation.TypedText;
import loesscape.core.model.Aspect;
import loesscape.core.model.Expectation;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.Node;
import loesscape.core.model.Role;
import loesscape.core.model.Sign;
import loesscape.core.model.Trial;
import loesscape.core.model.Value;
import loesscape.core.trial.TrialOutcome.Missed;
import loesscape.core.wording.Display;
import loesscape.core.wording.Sentence;
import loesscape.core.wording.Sentences;
import org.jspecify.annotations.Nullable;

/**
 * Runs trials of a template, each by evaluating its answers once. Not for several threads at once.
 *
 * <pre>{@code
 * for (TrialOutcome outcome : TrialRun.of(compiled, today)) {
 *     outcome.missed().forEach(it -> ...); // expected beside actual, and the sentence that decides it
 * }
 * }</pre>
 */
public final class TrialRun {

    private final CompiledTemplate compiled;
    private final Sentences sentences;
    private final LocalDate today;

    private TrialRun(CompiledTemplate compiled, LocalDate today) {
        this.compiled = compiled;
        this.sentences = new Sentences(compiled.prepared());
        this.today = today;
    }

    /**
     * Runs all trials of a template, by name.
     *
     * @param today the day for those that name none
     */
    public static List<TrialOutcome> of(CompiledTemplate compiled, LocalDate today) {
        TrialRun run = new TrialRun(compiled, today);
        return compiled.template().trials().stream().map(run::outcome).toList();
    }

    private TrialOutcome outcome(Trial trial) {
        LocalDate day = trial.day() == null ? today : trial.day();
        State state = compiled.evaluate(new Answers(trial.answers()), new Context(day, trial.stage(), trial.role()));
        List<Missed> missed = new ArrayList<>();
        for (Expectation expectation : trial.expected()) {
            Missed otherwise = missed(expectation, state);
            if (otherwise != null) {
                missed.add(otherwise);
            }
        }
        return new TrialOutcome(trial, missed);
    }

    private @Nullable Missed missed(Expectation expectation, State state) {
        return switch (expectation) {
            case Expectation.Is(var address, var aspect, var is) -> {
                NodeState stands = state.nodes().get(address);
                yield of(
                        expectation,
                        words(aspect, is),
                        stands == null ? null : words(aspect, stands.is(aspect)),
                        aspectSentence(address, aspect, state));
            }
            case Expectation.Counts(var address, var typed) ->
                state.nodes().get(address) instanceof FieldState it
                        ? counts(expectation, typed, it)
                        : of(expectation, value(field(address), typed), null, "");
            case Expectation.Offered(var address, var choices) ->
                of(
                        expectation,
                        choices(address, choices),
                        state.nodes().get(address) instanceof FieldState it
                                ? it.offered() == null ? "all choices" : choices(address, it.offered())
                                : null,
                        strong(address, "Choices"));
            case Expectation.Looks(var address, var look) -> {
                NodeState stands = state.nodes().get(address);
                Look now = stands == null ? null : stands.look();
                yield look.equals(now)
                        ? null
                        : of(
                                expectation,
                                Sentences.look(look),
                                now == null ? null : otherwise(Sentences.look(look), Sentences.look(now)),
                                strong(address, "Turns"));
            }
            case Expectation.Tells(var address, var sign) ->
                of(
                        expectation,
                        sign(address, sign),
                        state.nodes().get(address) instanceof NodeState.IndicatorState it
                                ? sign(address, it.band() == null ? Indicator.NOTHING : it.band())
                                : null,
                        strong(address, "Follows"));
            case Expectation.Refuses(var address, var is) -> {
                NodeState stands = state.nodes().get(address);
                String problem = stands == null ? null : stands.problem();
                yield of(
                        expectation,
                        is ? "refused" : "accepted",
                        stands == null ? null : problem == null ? "accepted" : "refused",
                        problem == null ? strong(address, "Refused") : problem);
            }
            case Expectation.TakesPart(var role, var is) -> {
                Boolean now = state.takesPart().get(role);
                yield of(expectation, takesPart(is), now == null ? null : takesPart(now), roleSentence(role));
            }
            case Expectation.Finishes(var is) ->
                of(
                        expectation,
                        finishes(is),
                        finishes(state.obstacles().isEmpty()),
                        state.obstacles().stream()
                                .map(State.Obstacle::message)
                                .findFirst()
                                .orElse(""));
        };
    }

    /** What was missed; null where it came as expected. */
    private @Nullable Missed of(Expectation expectation, String expected, @Nullable String actual, String because) {
        if (expected.equals(actual)) {
            return null;
        }
        return new Missed(
                expectation.address(), about(expectation), expected, actual == null ? "not there" : actual, because);
    }

    private @Nullable Missed counts(Expectation expectation, String typed, FieldState stands) {
        if (TypedText.of(stands.value()).equals(typed)) {
            return null;
        }
        Field field = field(expectation.address());
        String expected = value(field, typed);
        String now = stands.value().isBlank() || field == null ? "blank" : Display.of(field.kind(), stands.value());
        return of(expectation, expected, otherwise(expected, now), strong(expectation.address(), "Worked out: "));
    }

    /** Two things that differ are told apart even where their words are the same. */
    private static String otherwise(String expected, String actual) {
        return actual.equals(expected) ? actual + " (another)" : actual;
    }

    private String about(Expectation expectation) {
        return switch (expectation) {
            case Expectation.TakesPart(var role, var ignored) -> role(role);
            case Expectation.Finishes ignored -> "The document";
            default -> {
                String row = RowNames.row(expectation.address());
                Node node = node(expectation.address());
                String name = node == null ? RowNames.key(expectation.address()) : node.name();
                yield row.isEmpty() ? name : "%s in row %s".formatted(name, row);
            }
        };
    }

    private @Nullable Node node(String address) {
        String key = RowNames.key(address);
        return compiled.prepared().template().nodes().stream()
                .filter(node -> node.key().equals(key))
                .findFirst()
                .orElse(null);
    }

    private @Nullable Field field(String address) {
        return compiled.symbols().field(RowNames.key(address));
    }

    private String role(String key) {
        Role role = compiled.symbols().role(key);
        return role == null ? key : role.name();
    }

    private static String words(Aspect aspect, boolean is) {
        return is ? aspect.words() : aspect.otherwise();
    }

    private static String takesPart(boolean is) {
        return is ? "takes part" : "takes no part";
    }

    private static String finishes(boolean is) {
        return is ? "can be finished" : "cannot be finished";
    }

    private static String value(@Nullable Field field, String typed) {
        if (typed.isEmpty()) {
            return "blank";
        }
        return field != null && Reading.of(field.kind(), typed) instanceof Reading.Read(Value value)
                ? Display.of(field.kind(), value)
                : typed;
    }

    private String choices(String address, List<String> choices) {
        Field field = field(address);
        return choices.isEmpty()
                ? "no choices"
                : choices.stream()
                        .map(choice -> field == null ? choice : Display.choice(field.kind(), choice))
                        .collect(Collectors.joining(", "));
    }

    private String sign(String address, String sign) {
        if (sign.equals(Indicator.NOTHING)) {
            return "nothing";
        }
        return node(address) instanceof Indicator indicator
                ? indicator
                        .sign(sign)
                        .map(Sign::label)
                        .filter(label -> !label.isEmpty())
                        .orElse(sign)
                : sign;
    }

    /** The sentence that decides an aspect: that of what holds the node where it is folded with it. */
    private String aspectSentence(String address, Aspect aspect, State state) {
        Node node = node(address);
        while (node != null) {
            String key = node.key();
            NodeState stands = state.nodes().get(key.equals(RowNames.key(address)) ? address : key);
            String holder = compiled.holder(key);
            boolean isFoldedWithHolder = aspect == Aspect.SHOWN
                    && stands != null
                    && !stands.shown()
                    && !holder.isEmpty()
                    && Objects.requireNonNullElse(state.nodes().get(holder), stands)
                                    .shown()
                            == stands.shown();
            if (!isFoldedWithHolder) {
                return sentences.of(node).stream()
                        .filter(sentence -> sentence.aspects().contains(aspect))
                        .map(Sentence::text)
                        .findFirst()
                        .orElse("");
            }
            node = compiled.node(holder);
        }
        return "";
    }

    /** The sentences of a node that begin with some words. */
    private String strong(String address, String words) {
        Node node = node(address);
        return node == null
                ? ""
                : sentences.of(node).stream()
                        .map(Sentence::text)
                        .filter(text -> text.startsWith(words))
                        .collect(Collectors.joining(" "));
    }

    private String roleSentence(String key) {
        Role role = compiled.symbols().role(key);
        return role == null ? "" : sentences.takesPart(role).text();
    }
}
