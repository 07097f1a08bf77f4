package loesscape.core.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.evaluation.TypedText;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Expectation;
import loesscape.core.model.Field;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Role;
import loesscape.core.model.Trial;
import loesscape.core.wording.Display;
import org.jspecify.annotations.Nullable;

/** Records how a document stands as a trial: all that some rule of the template decided is expected again. */
public final class TrialRecording {

    /** Of longer lists it is not recorded what they offer. */
    private static final int MOST_OFFERED = 100;

    private static final int LONGEST_NAME = 60;

    private TrialRecording() {}

    /**
     * A trial of which all is expected that follows from the answers.
     *
     * @param name what it is called
     */
    public static Trial of(String name, CompiledTemplate compiled, Answers answers, Context context) {
        return new Trial(
                name,
                answers.typed(),
                context.stage(),
                context.role(),
                context.today(),
                expected(compiled, compiled.evaluate(answers, context)));
    }

    /** What a trial is called by its answers, in their order in the document, as no other trial of the template is. */
    public static String name(CompiledTemplate compiled, Answers answers, Context context) {
        List<String> words = new ArrayList<>();
        State state = compiled.evaluate(answers, context);
        state.nodes().forEach((address, stands) -> {
            if (stands instanceof NodeState.FieldState it
                    && !it.value().isBlank()
                    && !answers.of(address).isEmpty()
                    && compiled.node(RowNames.key(address)) instanceof Field field
                    && field.isTyped()) {
                words.add(field.name() + " " + Display.of(field.kind(), it.value()));
            }
        });
        String all = words.isEmpty() ? "Nothing answered" : String.join(", ", words);
        String named = all.length() <= LONGEST_NAME
                ? all
                : all.substring(0, LONGEST_NAME).strip() + "…";
        Set<String> taken =
                compiled.template().trials().stream().map(Trial::name).collect(Collectors.toSet());
        String free = named;
        for (int i = 2; taken.contains(free); i++) {
            free = named + " (" + i + ")";
        }
        return free;
    }

    private static List<Expectation> expected(CompiledTemplate compiled, State state) {
        List<Expectation> expected = new ArrayList<>();
        state.nodes().forEach((address, stands) -> {
            if (!(stands instanceof NodeState.RowState)) {
                node(address, compiled.node(RowNames.key(address)), stands, expected);
            }
        });
        for (Role role : compiled.template().roles()) {
            Boolean takesPart = state.takesPart().get(role.key());
            if (role.takesPart() != null && takesPart != null) {
                expected.add(new Expectation.TakesPart(role.key(), takesPart));
            }
        }
        expected.add(new Expectation.Finishes(state.obstacles().isEmpty()));
        return expected;
    }

    private static void node(String address, Node node, NodeState stands, List<Expectation> expected) {
        for (Aspect aspect : Aspect.values()) {
            if (isDecided(aspect.fits(node) ? aspect.of(node) : null) && (aspect == Aspect.SHOWN || stands.shown())) {
                expected.add(new Expectation.Is(address, aspect, stands.is(aspect)));
            }
        }
        if (!stands.shown()) {
            return;
        }
        switch (stands) {
            case NodeState.FieldState it -> field(address, (Field) node, it, expected);
            case NodeState.SectionState it -> {
                if (!Logic.looks(node).isEmpty()) {
                    expected.add(new Expectation.Looks(address, it.look()));
                }
            }
            case NodeState.NoticeState it -> {
                if (!Logic.looks(node).isEmpty()) {
                    expected.add(new Expectation.Looks(address, it.look()));
                }
            }
            case NodeState.IndicatorState it ->
                expected.add(new Expectation.Tells(address, it.band() == null ? Indicator.NOTHING : it.band()));
            case NodeState.PlainState ignored -> {
                // It is shown or not, and that was said.
            }
            case NodeState.RowState ignored -> {
                // What stands in it is told for itself.
            }
        }
    }

    /** Whether it can be one or the other. */
    private static boolean isDecided(@Nullable Condition condition) {
        return condition != null && !(condition instanceof Condition.Always) && !(condition instanceof Condition.Never);
    }

    private static void field(String address, Field field, NodeState.FieldState stands, List<Expectation> expected) {
        if (field.value() instanceof FieldValue.WorkedOut) {
            expected.add(new Expectation.Counts(address, TypedText.of(stands.value())));
        }
        List<String> offered = stands.offered();
        if (offered != null && offered.size() <= MOST_OFFERED) {
            expected.add(new Expectation.Offered(address, offered));
        }
        if (!field.looks().isEmpty() || !field.bands().isEmpty()) {
            expected.add(new Expectation.Looks(address, stands.look()));
        }
        if (!field.checks().isEmpty() && !stands.value().isBlank()) {
            expected.add(new Expectation.Refuses(address, stands.problem() != null));
        }
    }
}
