package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.IndicatorState;
import loesscape.core.evaluation.NodeState.PlainState;
import loesscape.core.evaluation.Test.Seen;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Condition;
import loesscape.core.model.Dependencies;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.core.model.Value;
import loesscape.core.wording.Reasons;
import org.jspecify.annotations.Nullable;

/**
 * A template made ready to be evaluated. Safe to share between threads.
 *
 * <pre>{@code
 * CompiledTemplate permit = CompiledTemplate.compile(template);
 * State state = permit.evaluate(Answers.NONE.with("purpose", "irrigation"));
 * boolean shown = state.of("irrigated_area").shown();
 * }</pre>
 */
public final class CompiledTemplate {

    private static final int NO_HOLDER = -1;

    private final Template template;
    private final List<Node> nodes;
    private final Map<String, Integer> slots = new HashMap<>();
    private final int[] order;
    private final int[] holders;
    private final @Nullable Test[] shown;
    private final @Nullable Test[] required;
    private final @Nullable Test[] editable;
    /** The tests of conditions that were asked for one by one. */
    private final Map<Condition, Test> tests = new ConcurrentHashMap<>();

    private final ConditionCompiler compiler;
    private volatile @Nullable Waiting waiting;

    private CompiledTemplate(Template template) {
        this.template = template;
        this.nodes = template.nodes();
        for (int slot = 0; slot < nodes.size(); slot++) {
            slots.put(nodes.get(slot).key(), slot);
        }
        this.order =
                Dependencies.of(template).order().stream().mapToInt(this::slot).toArray();
        this.holders = holders();
        this.compiler = new ConditionCompiler(template, this::slot);
        this.shown = tests(Aspect.SHOWN);
        this.required = tests(Aspect.REQUIRED);
        this.editable = tests(Aspect.EDITABLE);
    }

    /**
     * Compiles a template.
     *
     * @throws loesscape.core.model.InvalidTemplate when it breaks a rule, a cycle included
     */
    public static CompiledTemplate compile(Template template) {
        return new CompiledTemplate(Validation.require(template));
    }

    /** The template this was compiled from. */
    public Template template() {
        return template;
    }

    /** How every node stands for these answers while it is filled in on a day that is not told. */
    public State evaluate(Answers answers) {
        return evaluate(answers, Context.UNDATED);
    }

    /** How every node stands for these answers in a context. Answers to unknown fields are passed over. */
    public State evaluate(Answers answers, Context context) {
        Run run = Run.of(nodes.size(), context);
        for (int slot : order) {
            decide(run, slot, answers::of);
        }
        return state(run);
    }

    /**
     * A document while it is being answered: takes one changed answer after the other and tells what changed. Much
     * faster than evaluating all of it each time, and always the same as that.
     */
    public Session session(Answers answers, Context context) {
        Run run = Run.of(nodes.size(), context);
        for (int slot : order) {
            decide(run, slot, answers::of);
        }
        return new Session(this, run, answers);
    }

    /** What an evaluation has found out so far, by slot. */
    record Run(boolean[] isShown, @Nullable Reading[] readings, Seen seen) {

        static Run of(int size, Context context) {
            Value[] counting = new Value[size];
            Arrays.fill(counting, Value.blank());
            return new Run(new boolean[size], new Reading[size], new Seen(counting, context));
        }
    }

    /**
     * Decides whether a node is shown and what counts of its answer; all that it waits for is decided already.
     *
     * @param typed what stands in the field with a key
     */
    void decide(Run run, int slot, UnaryOperator<String> typed) {
        boolean holderShown = holders[slot] == NO_HOLDER || run.isShown()[holders[slot]];
        boolean isShown = holderShown && holds(shown[slot], true, run.seen());
        run.isShown()[slot] = isShown;
        if (nodes.get(slot) instanceof Field field) {
            Reading reading = isShown ? Reading.of(field.kind(), typed.apply(field.key())) : null;
            run.readings()[slot] = reading;
            run.seen().counting()[slot] = reading == null ? Value.blank() : reading.value();
        }
    }

    /** How one node stands when all is decided. */
    NodeState state(Run run, int slot) {
        return state(slot, nodes.get(slot), run.isShown()[slot], run.readings()[slot], run.seen());
    }

    /** How every node stands when all is decided. */
    State state(Run run) {
        Map<String, NodeState> states = LinkedHashMap.newLinkedHashMap(nodes.size());
        for (int slot = 0; slot < nodes.size(); slot++) {
            states.put(nodes.get(slot).key(), state(run, slot));
        }
        return new State(java.util.Collections.unmodifiableMap(states));
    }

    /** Who waits for whom; worked out when it is first asked for. */
    Waiting waiting() {
        Waiting known = waiting;
        if (known == null) {
            known = Waiting.of(nodes, holders, order, slots);
            waiting = known;
        }
        return known;
    }

    /** The key of the node in a slot. */
    String key(int slot) {
        return nodes.get(slot).key();
    }

    /** The slot of a field; -1 where there is no such field. */
    int fieldSlot(String key) {
        Integer slot = slots.get(key);
        return slot != null && nodes.get(slot) instanceof Field ? slot : -1;
    }

    /** A state of this template in a context, as reasons look at it. */
    public Reasons.Standing standing(State state, Context context) {
        Value[] counting = new Value[nodes.size()];
        for (int slot = 0; slot < counting.length; slot++) {
            counting[slot] = state.counting(nodes.get(slot).key());
        }
        Seen seen = new Seen(counting, context);
        return new Reasons.Standing() {
            @Override
            public boolean shown(String key) {
                return state.of(key).shown();
            }

            @Override
            public Value counting(String key) {
                return state.counting(key);
            }

            @Override
            public boolean holds(Condition condition) {
                return tests.computeIfAbsent(condition, compiler::compile).holds(seen);
            }
        };
    }

    private NodeState state(int slot, Node node, boolean isShown, @Nullable Reading reading, Seen seen) {
        List<Aspect> met = met(slot, seen);
        return switch (node) {
            case Field field -> fieldState(slot, field, met, isShown, reading, seen);
            case Indicator indicator ->
                new IndicatorState(isShown, met, band(indicator.bands(), seen.counting()[slot(indicator.follows())]));
            default -> new PlainState(isShown, met);
        };
    }

    private FieldState fieldState(
            int slot, Field field, List<Aspect> met, boolean isShown, @Nullable Reading reading, Seen seen) {
        Value value = seen.counting()[slot];
        boolean isEditable = isShown && holds(editable[slot], true, seen);
        boolean isRequired = isEditable && holds(required[slot], false, seen);
        String problem = switch (reading) {
            case null -> null;
            case Reading.Unreadable(var message) -> message;
            case Reading.Read(var read) -> Checks.problem(field.kind(), read);
        };
        boolean missing = isRequired && reading instanceof Reading.Read && value.isBlank();
        return new FieldState(
                isShown, met, isEditable, isRequired, missing, value, band(field.bands(), value), problem);
    }

    private static @Nullable String band(List<Band> bands, Value value) {
        return value instanceof Value.Number(var number)
                ? Band.of(bands, number).map(Band::id).orElse(null)
                : null;
    }

    private List<Aspect> met(int slot, Seen seen) {
        List<Aspect> met = new ArrayList<>(1);
        addIfMet(met, Aspect.SHOWN, shown[slot], seen);
        addIfMet(met, Aspect.REQUIRED, required[slot], seen);
        addIfMet(met, Aspect.EDITABLE, editable[slot], seen);
        return met;
    }

    private static void addIfMet(List<Aspect> met, Aspect aspect, @Nullable Test test, Seen seen) {
        if (test != null && test.holds(seen)) {
            met.add(aspect);
        }
    }

    private static boolean holds(@Nullable Test test, boolean plainDefault, Seen seen) {
        return test == null ? plainDefault : test.holds(seen);
    }

    private @Nullable Test[] tests(Aspect aspect) {
        @Nullable Test[] tests = new Test[nodes.size()];
        for (int slot = 0; slot < tests.length; slot++) {
            var condition = aspect.of(nodes.get(slot));
            tests[slot] = condition == null ? null : compiler.compile(condition);
        }
        return tests;
    }

    private int[] holders() {
        int[] found = new int[nodes.size()];
        Arrays.fill(found, NO_HOLDER);
        for (Page page : template.pages()) {
            for (Section section : page.sections()) {
                found[slot(section.key())] = slot(page.key());
                section.items().forEach(item -> found[slot(item.key())] = slot(section.key()));
            }
        }
        return found;
    }

    private int slot(String key) {
        Integer slot = slots.get(key);
        if (slot == null) {
            throw new IllegalArgumentException("No node has the key " + key);
        }
        return slot;
    }
}
