package loesscape.core.evaluation;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import loesscape.core.model.Field;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.core.model.Value;
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

    private final PreparedTemplate prepared;
    private final Template template;
    private final Slots slots;
    private final Run blank;
    private final int[] order;
    private final Rules[] rules;
    private final NodeStates states;
    private final ConditionCompiler conditions;
    private final SymbolTable symbols;
    private final Map<String, CompiledCondition> takesPart = new LinkedHashMap<>();
    private final List<Rules.CompiledCheck> finish;
    private volatile @Nullable Waiting waiting;

    private CompiledTemplate(PreparedTemplate prepared) {
        this.prepared = prepared;
        this.template = prepared.template();
        this.slots = new Slots(template);
        this.order =
                prepared.dependencies().order().stream().mapToInt(slots::of).toArray();
        this.blank = new Run(slots);
        this.symbols = prepared.symbols();
        this.conditions = new ConditionCompiler(symbols, slots);
        RuleCompiler compiler = new RuleCompiler(symbols, slots, conditions);
        this.rules = template.nodes().stream().map(compiler::rules).toArray(Rules[]::new);
        this.states = new NodeStates(slots, rules, takesPart);
        for (Role role : template.roles()) {
            var condition = role.takesPart();
            takesPart.put(role.key(), condition == null ? seen -> true : conditions.compile(condition, null));
        }
        this.finish = template.finish().stream().map(this::finishing).toList();
        conditions.formulas().complete();
    }

    private Rules.CompiledCheck finishing(FinishRule rule) {
        return new Rules.CompiledCheck(conditions.compile(rule.when(), null), rule.message());
    }

    /**
     * Compiles a template.
     *
     * @throws loesscape.core.model.InvalidTemplate when it breaks a rule, a cycle included
     */
    public static CompiledTemplate compile(Template template) {
        PreparedTemplate prepared = PreparedTemplate.of(template);
        Validation.require(prepared);
        return new CompiledTemplate(prepared);
    }

    /**
     * Compiles a template that is known to keep the rules, because it was read from its file or made by an edit; what
     * breaks them fails somewhere in an unhelpful way.
     */
    public static CompiledTemplate ofValid(Template template) {
        return ofValid(PreparedTemplate.of(template));
    }

    /** The same, of a template that was prepared already. */
    public static CompiledTemplate ofValid(PreparedTemplate prepared) {
        return new CompiledTemplate(prepared);
    }

    /** The template this was compiled from, with what was worked out of it. */
    public PreparedTemplate prepared() {
        return prepared;
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
        return evaluate(answers, context, Settled.NOTHING);
    }

    /** How every node stands where some were settled when somebody's turn ended. */
    public State evaluate(Answers answers, Context context, Settled settled) {
        return state(run(answers, context, settled));
    }

    /**
     * A document while it is being answered: takes one changed answer after the other and tells what changed. Much
     * faster than evaluating all of it each time, and always the same as that.
     */
    public Session session(Answers answers, Context context) {
        return session(answers, context, Settled.NOTHING);
    }

    /** The same, where some were settled when somebody's turn ended. */
    public Session session(Answers answers, Context context, Settled settled) {
        return new Session(this, run(answers, context, settled), answers);
    }

    private Run run(Answers answers, Context context, Settled settled) {
        Run run = new Run(blank, context, settled);
        for (int slot : order) {
            decide(run, slot, answers::touched);
        }
        return run;
    }

    /**
     * Decides whether a node is shown and what counts of its answer, in each row where it stands in rows. Nothing is
     * known of it, and all that it waits for is decided already.
     *
     * @param typed what stands at an address; null where it was never touched
     */
    void decide(Run run, int slot, Function<String, @Nullable String> typed) {
        Seen seen = run.seen;
        Rules own = rules[slot];
        if (slots.isInRows(slot)) {
            decideInRows(run, slot, own, typed);
        } else {
            decideOnce(run, slot, own, typed);
        }
        if (own.field() != null) {
            seen.changed();
        } else if (own.node() instanceof Section it && it.rows() != null) {
            seen.rows[slot] = run.isShown(slot) ? RowNames.of(it.rows(), typed.apply(it.key())) : RowNames.first(0);
            seen.changed();
        }
    }

    /** Outside of rows, where nearly all stand, nothing is asked that only rows can tell: all evaluations go through here. */
    private void decideOnce(Run run, int slot, Rules own, Function<String, @Nullable String> typed) {
        String address = slots.key(slot);
        int holder = slots.holder(slot);
        run.seen.row = 0;
        boolean isSettled = run.hasSettled && run.settled.contains(address);
        if (isSettled || ((holder == Slots.NONE || run.isShown(holder)) && Rules.holds(own.shown(), true, run.seen))) {
            run.noteShown(slot);
            Field field = own.field();
            if (field != null) {
                run.noteCounting(slot, value(run, slot, 0, own, field, typed.apply(address), isSettled));
            }
        }
    }

    private void decideInRows(Run run, int slot, Rules own, Function<String, @Nullable String> typed) {
        String[] rows = run.seen.rows[slots.rows(slot)];
        int holder = slots.holder(slot);
        run.prepare(slot, rows.length);
        for (int row = 0; row < rows.length; row++) {
            run.seen.row = row;
            boolean isSettled = run.hasSettled && run.settled.contains(slots.address(slot, rows[row]));
            if (isSettled || (run.isShown(holder, row) && Rules.holds(own.shown(), true, run.seen))) {
                run.noteShown(slot, row);
                Field field = own.field();
                if (field != null) {
                    String text = typed.apply(slots.address(slot, rows[row]));
                    run.noteCounting(slot, row, value(run, slot, row, own, field, text, isSettled));
                }
            }
        }
    }

    private static Value value(
            Run run, int slot, int row, Rules own, Field field, @Nullable String typed, boolean isSettled) {
        Reading reading = isSettled
                ? Reading.settled(field.kind(), typed == null ? "" : typed)
                : own.isOnlyTyped() ? onlyTyped(own, typed) : reading(run, slot, row, own, field, typed);
        if (reading instanceof Reading.Unreadable(var message)) {
            run.noteUnreadable(slot, row, message);
        }
        return reading.value();
    }

    private static Reading onlyTyped(Rules own, @Nullable String typed) {
        return typed == null ? Reading.Read.NOTHING : own.reader().read(typed, Offered.NOTHING);
    }

    private static Reading reading(Run run, int slot, int row, Rules own, Field field, @Nullable String typed) {
        Seen seen = run.seen;
        Offered offered =
                own.offering() == null ? Offered.NOTHING : own.offering().now(seen);
        String text = typed == null ? "" : typed;
        switch (field.value()) {
            case null -> {}
            case FieldValue.Starting(var answer) -> text = typed == null ? answer : typed;
            case FieldValue.WorkedOut(var ignored, var overtypable) -> {
                boolean overtyped = overtypable && !text.isBlank();
                if (overtyped) {
                    run.noteOvertyped(slot, row);
                }
                if (!overtyped && own.workedOut() != null) {
                    return new Reading.Read(
                            WorkedOut.value(field.kind(), own.workedOut().apply(seen), offered));
                }
            }
        }
        return own.reader().read(text, offered);
    }

    /** How every node stands when all is decided. */
    State state(Run run) {
        // As in most documents, of which nothing needs to be gathered then.
        if (takesPart.isEmpty() && finish.isEmpty()) {
            return new State(states.all(run), Map.of(), List.of());
        }
        Map<String, Boolean> roles = new LinkedHashMap<>();
        takesPart.forEach((role, test) -> roles.put(role, test.holds(run.seen)));
        List<String> unmet = finish.stream()
                .filter(rule -> !rule.refusedWhen().holds(run.seen))
                .map(Rules.CompiledCheck::message)
                .toList();
        return new State(states.all(run), Collections.unmodifiableMap(roles), unmet);
    }

    /** How nodes stand, one by one. */
    NodeStates states() {
        return states;
    }

    Slots slots() {
        return slots;
    }

    ConditionCompiler conditions() {
        return conditions;
    }

    /** What names mean in the template. */
    public SymbolTable symbols() {
        return symbols;
    }

    /** The slots of its nodes in the order in which they are decided. */
    int[] order() {
        return order;
    }

    /** The key of the page or section that holds a node; empty for a page. */
    public String holder(String key) {
        int holder = slots.holder(slots.of(key));
        return holder == Slots.NONE ? "" : slots.key(holder);
    }

    /** The node with a key. */
    public Node node(String key) {
        return slots.node(slots.of(key));
    }

    /** Who waits for whom; worked out when it is first asked for. */
    Waiting waiting() {
        Waiting known = waiting;
        if (known == null) {
            known = Waiting.of(slots, order, prepared);
            waiting = known;
        }
        return known;
    }

    /** A document as reasons look at it: how it stands for these answers, and whether conditions hold in it. */
    public Standing standing(Answers answers, Context context) {
        return standing(answers, context, Settled.NOTHING);
    }

    /** The same where some nodes were settled when somebody's turn ended. */
    public Standing standing(Answers answers, Context context, Settled settled) {
        Run run = run(answers, context, settled);
        return new Standing(this, run, state(run));
    }
}
