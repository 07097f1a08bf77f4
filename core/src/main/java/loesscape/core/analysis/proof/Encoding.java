package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.evaluation.Reading;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.Limits;
import org.jspecify.annotations.Nullable;

/**
 * A template as gates over the regions of its fields: what is typed, what of it counts, what is shown, which conditions are
 * met. A rule that is out of reach is a gate of its own that can be either, so that nothing is ever wrongly ruled out; what
 * stands in rows is looked at in one row that stands for any of them, the first. Where something is asked of all rows, there
 * are as many others as can be needed to say what is so of some row ({@link RowWitnesses}), each encoded by itself.
 */
final class Encoding {

    private final SymbolTable symbols;
    private final ClauseMeaning meaning;
    private final AnswerVariables variables;
    private final Gates gates;

    private final StateGates states;

    private final Map<String, String> holders = new HashMap<>();
    private final Map<String, Node> nodes = new LinkedHashMap<>();
    private final Map<String, Integer> shown = new HashMap<>();
    private final Map<Asked, Integer> met = new HashMap<>();
    private final Map<String, int[]> counting = new HashMap<>();
    private final Map<String, AnswerVariables.Typed> typed = new HashMap<>();
    private final Basis basis;
    private final FewAnswers fewAnswers;

    /** What stands outside of the row that is encoded here; null where it is the document. */
    private final @Nullable Encoding document;

    /** The repeating section whose row is encoded here, and which of its rows it is; empty and 0 for the document. */
    private final String section;

    private final int row;

    /** By the section: its rows but for the first. */
    private final Map<String, List<Encoding>> rows = new HashMap<>();

    private record Asked(Condition condition, @Nullable String within) {}

    Encoding(PreparedTemplate prepared, AnswerVariables variables) {
        this.symbols = prepared.symbols();
        this.variables = variables;
        this.gates = variables.gates();
        this.meaning = new ClauseMeaning(symbols);
        this.basis = new Basis(prepared, this, variables);
        this.fewAnswers = new FewAnswers(prepared, this, variables);
        this.document = null;
        this.section = "";
        this.row = 0;
        for (Page page : prepared.template().pages()) {
            enter(page, "");
            page.sections().forEach(section -> enter(section, page.key()));
        }
        this.states = new StateGates(prepared, this, variables);
        for (String key : variables.witnesses().sections()) {
            if (symbols.repeating(key) != null) {
                List<Encoding> others = new ArrayList<>();
                for (int other = 1; other < variables.witnesses().rows(key); other++) {
                    others.add(new Encoding(prepared, variables, this, key, other));
                }
                rows.put(key, others);
            }
        }
        // In the order in which they are decided, so that a long chain is not followed in one breath.
        for (String key : prepared.dependencies().order()) {
            shown(key);
            others(key).forEach(row -> row.shown(key));
        }
    }

    /** Another row of a document. */
    private Encoding(PreparedTemplate prepared, AnswerVariables variables, Encoding document, String section, int row) {
        this.symbols = prepared.symbols();
        this.variables = variables;
        this.gates = variables.gates();
        this.meaning = document.meaning;
        this.basis = new Basis(prepared, this, variables);
        this.fewAnswers = document.fewAnswers;
        this.document = document;
        this.section = section;
        this.row = row;
        this.holders.putAll(document.holders);
        this.nodes.putAll(document.nodes);
        this.states = new StateGates(prepared, this, variables);
    }

    /** The other rows that are told apart of those that a node stands in. */
    private List<Encoding> others(String key) {
        String around = symbols.rowsAround(key);
        return around == null ? List.of() : rows.getOrDefault(around, List.of());
    }

    /** What stands outside of the row that is encoded here; null where a node stands in it, or this is the document. */
    private @Nullable Encoding outside(String key) {
        return document == null || section.equals(symbols.rowsAround(key)) ? null : document;
    }

    private void enter(Section section, String holder) {
        enter((Node) section, holder);
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                enter(inner, section.key());
            } else {
                enter(item, section.key());
            }
        }
    }

    private void enter(Node node, String holder) {
        nodes.put(node.key(), node);
        holders.put(node.key(), holder);
    }

    int claim(Claim claim) {
        return switch (claim) {
            case Claim.Stands(var key) -> stands(key);
            case Claim.Shows(var key, var is) -> is ? shown(key) : gates.and(placed(key), -shown(key));
            case Claim.Is(var key, var aspect, var is) -> {
                int gate = states.is(node(key), aspect);
                yield is ? gate : gates.and(placed(key), -gate);
            }
            case Claim.Looks(var key, var look, var is) -> {
                int gate = states.looks(node(key), look);
                yield gates.and(placed(key), is ? gate : -gate);
            }
            case Claim.InTurn(var key) -> states.isInTurn(Objects.requireNonNull(symbols.field(key), key));
            case Claim.SomeShown(var keys, var count, var is) -> {
                int gate = states.someShown(keys, count);
                yield gates.and(placed(keys.getFirst()), is ? gate : -gate);
            }
            case Claim.Refuses(var key, var is) -> {
                int gate = states.refuses(Objects.requireNonNull(symbols.field(key), key));
                yield is ? gate : gates.and(placed(key), -gate);
            }
            case Claim.TakesPart(var role, var is) -> is ? states.takesPart(role) : -states.takesPart(role);
            case Claim.IsHeldUp(var is) -> is ? states.isHeldUp() : -states.isHeldUp();
            case Claim.Meets(var condition, var within, var is) ->
                gates.and(
                        within == null ? Gates.TRUE : row(within),
                        is ? met(condition, within) : -met(condition, within));
            case Claim.Differ(var one, var other, var within) ->
                gates.and(within == null ? Gates.TRUE : row(within), -gates.same(met(one, within), met(other, within)));
            case Claim.Offers(var field, var choice, var is) -> {
                int offered = offered(Objects.requireNonNull(symbols.field(field), field), choice);
                yield gates.and(shown(field), is ? offered : -offered);
            }
        };
    }

    private Node node(String key) {
        return Objects.requireNonNull(nodes.get(key), key);
    }

    /** Whether what holds a node is shown, with a row in it. */
    private int stands(String key) {
        String holder = Objects.requireNonNull(holders.get(key), key);
        if (holder.isEmpty()) {
            return Gates.TRUE;
        }
        Node around = Objects.requireNonNull(nodes.get(holder));
        return around instanceof Section repeating && repeating.isRepeating() ? row(holder) : shown(holder);
    }

    /** Whether a node has an address at all: in rows only where there is a row. */
    private int placed(String key) {
        String around = symbols.rowsAround(key);
        if (around == null) {
            return Gates.TRUE;
        }
        return row(around);
    }

    /** Whether a section is shown and has the row that is encoded here. */
    int row(String section) {
        return gates.and(shown(section), hasRow(Objects.requireNonNull(symbols.repeating(section), section)));
    }

    private int hasRow(Section section) {
        int[] counted = variables.rowsOf(section).variables();
        int[] counts = variables.rowCounts(section.key());
        List<Integer> any = new ArrayList<>();
        for (int i = 0; i < counts.length; i++) {
            if (counts[i] <= row) {
                any.add(counted[i]);
            }
        }
        return -gates.or(any);
    }

    int shown(String key) {
        Encoding outside = outside(key);
        if (outside != null) {
            return outside.shown(key);
        }
        Integer before = shown.get(key);
        if (before != null) {
            return before;
        }
        Condition own = Objects.requireNonNull(nodes.get(key), key).shown();
        int fresh = own == null ? stands(key) : gates.and(stands(key), met(own, symbols.rowsAround(key)));
        shown.put(key, fresh);
        return fresh;
    }

    int met(Condition condition, @Nullable String within) {
        if (document != null && !section.equals(within)) {
            return document.met(condition, within);
        }
        Asked asked = new Asked(condition, within);
        Integer before = met.get(asked);
        if (before != null) {
            return before;
        }
        int fresh = switch (condition) {
            case Condition.Always() -> Gates.TRUE;
            case Condition.Never() -> Gates.FALSE;
            case Condition.All(var all) -> gates.and(met(all, within));
            case Condition.Any(var any) -> gates.or(met(any, within));
            case Condition.None(var none) -> -gates.or(met(none, within));
            case Condition.AtLeast(var count, var some) -> gates.atLeast(count, met(some, within));
            case Condition.Written it -> formula(it, within);
            case Condition.StageIs(var wanted) -> variables.stage(wanted);
            case Condition.RoleIs(var wanted) -> variables.role(wanted);
            case Condition.Shared(var key) ->
                met(Objects.requireNonNull(symbols.shared(key), key).condition(), within);
            case Condition.OfRows it -> document == null ? ofRows(it, within) : document.met(it, null);
            case Condition.RowCount it -> rowCount(it);
            case Condition.Total ignored -> unknown(condition, within);
            case Clause clause -> clause(clause, within);
        };
        met.put(asked, fresh);
        return fresh;
    }

    /** Whether a condition is met that hangs on a formula. */
    private int formula(Condition.Leaf condition, @Nullable String within) {
        Integer known = fewAnswers.met(condition);
        return known == null ? unknown(condition, within) : known;
    }

    private int[] met(List<Condition> conditions, @Nullable String within) {
        return conditions.stream().mapToInt(each -> met(each, within)).toArray();
    }

    private int ofRows(Condition.OfRows it, @Nullable String within) {
        int none = -row(it.section());
        int met;
        if (variables.witnesses().hasFor(it)) {
            boolean isEvery = it.quantity() == Condition.OfRows.Quantity.EVERY;
            List<Integer> some = new ArrayList<>();
            for (Encoding each : allRows(it.section())) {
                int own = each.met(it.condition(), it.section());
                some.add(gates.and(each.row(it.section()), isEvery ? -own : own));
            }
            met = it.quantity() == Condition.OfRows.Quantity.ANY ? gates.or(some) : -gates.or(some);
        } else {
            met = unknown(it, within);
        }
        return gates.or(gates.and(none, it.metWhenBlank() ? Gates.TRUE : Gates.FALSE), gates.and(-none, met));
    }

    /** All rows of a section that are told apart, of the document. */
    private List<Encoding> allRows(String section) {
        List<Encoding> all = new ArrayList<>(List.of(this));
        all.addAll(rows.getOrDefault(section, List.of()));
        return all;
    }

    /** The gates of a node in all rows that are told apart; in the document itself where it stands in none. */
    List<StateGates> everywhere(String key) {
        List<StateGates> all = new ArrayList<>(List.of(states));
        others(key).forEach(other -> all.add(other.states));
        return all;
    }

    private int rowCount(Condition.RowCount it) {
        Section section = Objects.requireNonNull(symbols.repeating(it.section()), it.section());
        int[] counted = variables.rowsOf(section).variables();
        int[] counts = variables.rowCounts(it.section());
        int isThere = shown(it.section());
        List<Integer> any = new ArrayList<>();
        if (holds(it.test(), 0, it.count())) {
            any.add(-isThere);
        }
        for (int i = 0; i < counts.length; i++) {
            if (holds(it.test(), counts[i], it.count())) {
                any.add(gates.and(isThere, counted[i]));
            }
        }
        return gates.or(any);
    }

    private static boolean holds(OrderTest test, int left, int right) {
        int order = Integer.compare(left, right);
        return switch (test) {
            case EQUAL -> order == 0;
            case NOT_EQUAL -> order != 0;
            case LESS -> order < 0;
            case AT_MOST -> order <= 0;
            case MORE -> order > 0;
            case AT_LEAST -> order >= 0;
        };
    }

    /** A rule that is out of reach, and so may be met or not; of two that rest on the same, both are met or neither. */
    private int unknown(Condition condition, @Nullable String within) {
        return variables.unknown(
                new OutOfReach.Rule(condition),
                basis.of(
                        List.of(condition, within == null ? "" : within, row),
                        symbols.sources(condition),
                        symbols.sharedIn(condition)));
    }

    /** What is typed into a field, or worked out for it. */
    private AnswerVariables.Typed typed(Field field) {
        Encoding outside = outside(field.key());
        if (outside != null) {
            return outside.typed(field);
        }
        AnswerVariables.Typed known = typed.get(field.key());
        if (known != null) {
            return known;
        }
        AnswerVariables.Typed own =
                field.value() instanceof FieldValue.WorkedOut it ? workedOut(field, it) : variables.typed(field, row);
        typed.put(field.key(), own);
        return own;
    }

    private AnswerVariables.Typed workedOut(Field field, FieldValue.WorkedOut it) {
        if (!it.overtypable()
                && symbols.rowsAround(field.key()) == null
                && variables.regions(field.key()) instanceof FieldRegions.OneOf(var regions)) {
            int[] given = fewAnswers.given(new FormulaRule.Given(field, it.formula()), regions);
            if (given != null) {
                return new AnswerVariables.Typed(
                        field.key() + "=" + Arrays.toString(given), field, 0, variables.regions(field.key()), given);
            }
        }
        return variables.workedOut(field, row, basis(it.formula(), it.overtypable(), row));
    }

    /** Whether the same is worked out for a field as another version does, of the same. */
    boolean isWorkedOutAs(String field, Encoding other) {
        Field own = Objects.requireNonNull(symbols.field(field), field);
        Field theirs = Objects.requireNonNull(other.symbols.field(field), field);
        return typed(own).name().equals(other.typed(theirs).name());
    }

    /** Whether something is to be paid, or something else was paid, which hangs on a formula. */
    int amount(Field field, String what) {
        String formula = field.kind() instanceof FieldKind.Payment(var ignored, var amount) ? amount : "";
        return variables.unknown(new OutOfReach.Amount(field.key()), basis(formula, what, row));
    }

    /** All that decides what comes of a formula where something is asked of it. */
    Object basis(String formula, Object... asked) {
        return basis(new Condition.Written(formula), asked);
    }

    /** All that decides whether a condition is met where something is asked of it. */
    Object basis(Condition.Leaf condition, Object... asked) {
        List<Object> written = new ArrayList<>(List.of(asked));
        written.add(condition);
        return basis.of(written, symbols.sources(condition), symbols.sharedIn(condition));
    }

    /** Whether what is worked out for a field is beyond its limits; what is typed never is, or it would not be accepted. */
    int isBeyondLimits(Field field) {
        if (!(field.value() instanceof FieldValue.WorkedOut(var formula, var ignored))) {
            return Gates.FALSE;
        }
        if (field.kind() instanceof FieldKind.Textual) {
            return Limits.words(field.kind()).isEmpty()
                    ? Gates.FALSE
                    : variables.unknown(new OutOfReach.WorkedOut(field.key()), basis(formula, field.kind(), row));
        }
        return field.kind().isNumeric() || field.kind().isDay() || field.kind() instanceof FieldKind.Time
                ? counts(field, value -> !Reading.isAccepted(field.kind(), value))
                : Gates.FALSE;
    }

    /**
     * Which regions of a field, or which of its choices, count; what is typed counts where the field is shown and it is
     * offered. Of regions, blank stands first, and counts where nothing else does.
     */
    int[] counting(Field field) {
        Encoding outside = outside(field.key());
        if (outside != null) {
            return outside.counting(field);
        }
        int[] before = counting.get(field.key());
        if (before != null) {
            return before;
        }
        AnswerVariables.Typed own = typed(field);
        int isShown = shown(field.key());
        int[] fresh = switch (own.regions()) {
            case FieldRegions.OneOf(var regions) -> {
                int[] counts = new int[regions.size()];
                for (int i = 1; i < counts.length; i++) {
                    counts[i] = gates.and(isShown, own.variables()[i], offered(field, choice(regions.get(i))));
                }
                counts[0] = -gates.or(Arrays.copyOfRange(counts, 1, counts.length));
                yield counts;
            }
            case FieldRegions.AnyOf(var choices, var ignored, var ignoredToo) -> {
                int[] counts = new int[choices.size()];
                for (int i = 0; i < counts.length; i++) {
                    counts[i] = gates.and(isShown, own.variables()[i], offered(field, choices.get(i)));
                }
                yield counts;
            }
        };
        counting.put(field.key(), fresh);
        return fresh;
    }

    private static String choice(Region region) {
        return region.value() instanceof Value.Chosen(var choice, var ignored) ? choice : "";
    }

    int offered(Field field, String choice) {
        return switch (field.kind()) {
            case FieldKind.Choosing it -> {
                Offer offer = it.offer();
                yield offer == null ? Gates.TRUE : offered(offer, choice);
            }
            case FieldKind.Lookup it -> it.filters().isEmpty() ? Gates.TRUE : filtered(field, it, choice);
            case FieldKind.Payment ignored -> Gates.TRUE;
            case FieldKind.SelfContained ignored -> Gates.TRUE;
        };
    }

    private int offered(Offer offer, String choice) {
        Field parent = Objects.requireNonNull(symbols.field(offer.parent()), offer.parent());
        List<Integer> any = new ArrayList<>();
        offer.perAnswer().forEach((answer, offered) -> {
            if (offered.contains(choice) || choice.equals(Choice.OTHER)) {
                any.add(counts(parent, value -> chosen(value).equals(answer)));
            }
        });
        return gates.or(any);
    }

    private static String chosen(Value value) {
        return switch (value) {
            case Value.Chosen(var choice, var ignored) -> choice;
            case Value.YesNo(var yes) -> yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO;
            default -> "";
        };
    }

    /** Whether a list leaves a cell for the answers of others; where these are not few, all that is known is that a blank leaves none. */
    private int filtered(Field field, FieldKind.Lookup kind, String cell) {
        if (variables.regions(field.key()) instanceof FieldRegions.OneOf(var regions)) {
            int[] offered = fewAnswers.offered(field, kind, regions);
            for (int i = 1; offered != null && i < offered.length; i++) {
                if (choice(regions.get(i)).equals(cell)) {
                    return offered[i];
                }
            }
        }
        List<Integer> all = new ArrayList<>();
        for (String key : kind.filters().values()) {
            all.add(answered(Objects.requireNonNull(symbols.field(key), key)));
        }
        all.add(variables.unknown(new OutOfReach.Cells(field.key()), offering(kind, cell, row)));
        return gates.and(all);
    }

    /** All that decides what a list leaves. */
    Object offering(FieldKind.Lookup kind, Object... asked) {
        List<Object> written = new ArrayList<>(List.of(asked));
        written.add(kind);
        written.add(Objects.requireNonNull(symbols.list(kind.list()), kind.list()));
        return basis.of(written, kind.filters().values(), Set.of());
    }

    /** Holds where the counting value of a field of regions is one of some, none of them blank. */
    private int counts(Field field, Predicate<Value> wanted) {
        if (!(typed(field).regions() instanceof FieldRegions.OneOf(var regions))) {
            throw new IllegalArgumentException("Has no regions: " + field.key());
        }
        int[] counting = counting(field);
        List<Integer> any = new ArrayList<>();
        for (int i = 1; i < counting.length; i++) {
            Value value = regions.get(i).value();
            if (value != null && wanted.test(value)) {
                any.add(counting[i]);
            }
        }
        return gates.or(any);
    }

    int answered(Field field) {
        return switch (typed(field).regions()) {
            case FieldRegions.OneOf ignored -> -counting(field)[0];
            case FieldRegions.AnyOf ignored -> gates.or(counting(field));
        };
    }

    private int clause(Clause clause, @Nullable String within) {
        Field field = symbols.field(clause.field());
        if (field == null) {
            return unknown(clause, within);
        }
        int answered = answered(field);
        int whenBlank = clause.metWhenBlank() ? -answered : Gates.FALSE;
        return switch (clause) {
            case Clause.Answered ignored -> answered;
            case Clause.IsBlank ignored -> -answered;
            case Clause.SetClause it -> gates.or(whenBlank, gates.and(answered, set(field, it, within)));
            case Clause.CountClause it -> gates.or(whenBlank, gates.and(answered, count(field, it)));
            case Clause.Comparison it -> gates.or(whenBlank, gates.and(answered, compared(field, it, it.to(), within)));
            case Clause.Between it -> gates.or(whenBlank, gates.and(answered, between(field, it, within)));
            case Clause.ChoiceClause it -> gates.or(whenBlank, fixed(field, it, List.of(), within));
            case Clause.TextualClause it -> gates.or(whenBlank, fixed(field, it, List.of(), within));
            case Clause.BandClause it -> gates.or(whenBlank, fixed(field, it, List.of(), within));
        };
    }

    /** What a clause says of the regions of its field, where its other sides are known. */
    private int fixed(Field field, Clause clause, List<Value> others, @Nullable String within) {
        if (!(typed(field).regions() instanceof FieldRegions.OneOf(var regions))) {
            return unknown(clause, within);
        }
        int known = counts(field, value -> meaning.meets(clause, value, others));
        for (int i = 1; i < regions.size(); i++) {
            if (regions.get(i).value() == null) {
                return gates.or(known, gates.and(counting(field)[i], unknown(clause, within)));
            }
        }
        return known;
    }

    private int set(Field field, Clause.SetClause it, @Nullable String within) {
        if (!(typed(field).regions() instanceof FieldRegions.AnyOf(var choices, var ignored, var ignoredToo))) {
            return unknown(it, within);
        }
        int[] counting = counting(field);
        List<Integer> named = new ArrayList<>();
        List<Integer> rest = new ArrayList<>();
        for (int i = 0; i < counting.length; i++) {
            (it.choices().contains(choices.get(i)) ? named : rest).add(counting[i]);
        }
        boolean areAllThere = choices.containsAll(it.choices());
        int all = areAllThere ? gates.and(named) : Gates.FALSE;
        return switch (it.test()) {
            case INCLUDES -> gates.or(named);
            case DOES_NOT_INCLUDE -> -gates.or(named);
            case INCLUDES_ALL -> all;
            case IS_EXACTLY -> gates.and(all, -gates.or(rest));
        };
    }

    private int count(Field field, Clause.CountClause it) {
        int[] counting = counting(field);
        int enough = gates.atLeast(it.count(), counting);
        int more = it.count() < counting.length ? gates.atLeast(it.count() + 1, counting) : Gates.FALSE;
        return switch (it.test()) {
            case EQUAL -> gates.and(enough, -more);
            case NOT_EQUAL -> -gates.and(enough, -more);
            case LESS -> -enough;
            case AT_MOST -> -more;
            case MORE -> more;
            case AT_LEAST -> enough;
        };
    }

    private int compared(Field field, Clause.Comparison it, Operand to, @Nullable String within) {
        if (to instanceof Operand.FieldOperand(var other)) {
            Integer known = fewAnswers.met(it);
            return known != null
                    ? known
                    : fields(field, Objects.requireNonNull(symbols.field(other), other), it, within);
        }
        Value fixed = fixed(field, to);
        return fixed == null ? formula(it, within) : fixed(field, it, List.of(fixed), within);
    }

    /** A range whose sides are neither known nor the answers of other fields is out of reach. */
    private int between(Field field, Clause.Between it, @Nullable String within) {
        Value from = fixed(field, it.from());
        Value to = fixed(field, it.to());
        if (from != null && to != null) {
            return fixed(field, it, List.of(from, to), within);
        }
        if ((from == null && !(it.from() instanceof Operand.FieldOperand))
                || (to == null && !(it.to() instanceof Operand.FieldOperand))) {
            return formula(it, within);
        }
        Integer known = fewAnswers.met(it);
        if (known != null) {
            return known;
        }
        // Outside, an edge that is “in” belongs to what lies outside.
        OrderTest above = it.fromIncluded() != it.outside() ? OrderTest.AT_LEAST : OrderTest.MORE;
        OrderTest below = it.toIncluded() != it.outside() ? OrderTest.AT_MOST : OrderTest.LESS;
        int inside = gates.and(
                compared(field, new Clause.Comparison(field.key(), above, it.from(), null), it.from(), within),
                compared(field, new Clause.Comparison(field.key(), below, it.to(), null), it.to(), within));
        int blank = gates.or(isBlank(it.from()), isBlank(it.to()));
        return gates.or(
                gates.and(-blank, it.outside() ? -inside : inside),
                gates.and(blank, it.metWhenBlank() ? Gates.TRUE : Gates.FALSE));
    }

    private int isBlank(Operand side) {
        return side instanceof Operand.FieldOperand(var other)
                ? -answered(Objects.requireNonNull(symbols.field(other), other))
                : Gates.FALSE;
    }

    /** The other side where it is the same whatever is answered, and on whichever day; null where it is not. */
    private @Nullable Value fixed(Field field, Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand(var number) -> new Value.Number(number);
            case Operand.DateOperand(var date) -> new Value.Date(date);
            case Operand.TimeOperand(var time) -> new Value.Time(time);
            case Operand.TodayOperand(var days) ->
                variables.isSameEveryDay(field.key())
                        ? new Value.Date(variables.today().plusDays(days))
                        : null;
            case Operand.FieldOperand ignored -> null;
            case Operand.FormulaOperand ignored -> null;
        };
    }

    /** Two fields that are cut at the same places: which is more is known, unless both lie between the same two. */
    private int fields(Field one, Field other, Clause.Comparison it, @Nullable String within) {
        if (one.key().equals(other.key())) {
            return meaning.meets(it, SAME, List.of(SAME)) ? Gates.TRUE : Gates.FALSE;
        }
        if (!(typed(one).regions() instanceof FieldRegions.OneOf(var ours))
                || !(typed(other).regions() instanceof FieldRegions.OneOf(var theirs))) {
            return unknown(it, within);
        }
        int[] mine = counting(one);
        int[] yours = counting(other);
        int otherBlank = it.metWhenBlank() ? yours[0] : Gates.FALSE;
        // What lies further on than each region, made of what lies further on than the next.
        int[] further = new int[theirs.size() + 1];
        further[theirs.size()] = Gates.FALSE;
        for (int j = theirs.size() - 1; j >= 1; j--) {
            further[j] = gates.or(yours[j], further[j + 1]);
        }
        List<Integer> any = new ArrayList<>();
        any.add(otherBlank);
        int j = 1;
        for (int i = 1; i < ours.size(); i++) {
            int position = ours.get(i).position();
            while (j < theirs.size() && theirs.get(j).position() < position) {
                j++;
            }
            boolean isBeside = j < theirs.size() && theirs.get(j).position() == position;
            int beside = isBeside ? yours[j] : Gates.FALSE;
            int more = further[isBeside ? j + 1 : j];
            int less = gates.and(-yours[0], -beside, -more);
            List<Integer> met = new ArrayList<>();
            if (holds(it.test(), -1, 0)) {
                met.add(more);
            }
            if (holds(it.test(), 1, 0)) {
                met.add(less);
            }
            if (isBeside && !ours.get(i).isEdge()) {
                met.add(gates.and(beside, betweenEdges(one, other, it)));
            } else if (holds(it.test(), 0, 0)) {
                met.add(beside);
            }
            any.add(gates.and(mine[i], gates.or(met)));
        }
        return gates.or(any);
    }

    private static final Value SAME = new Value.Number(BigDecimal.ONE);

    /** How two fields compare that lie between the same edges: less, the same or more, in all clauses alike. */
    private int betweenEdges(Field one, Field other, Clause.Comparison it) {
        String mine = typed(one).name();
        String yours = typed(other).name();
        boolean isTurned = mine.compareTo(yours) > 0;
        String pair = isTurned ? yours + " " + mine : mine + " " + yours;
        int[] order = variables.order(pair).variables();
        int less = isTurned ? order[2] : order[0];
        int same = order[1];
        int more = isTurned ? order[0] : order[2];
        return switch (it.test()) {
            case EQUAL -> same;
            case NOT_EQUAL -> -same;
            case LESS -> less;
            case AT_MOST -> -more;
            case MORE -> more;
            case AT_LEAST -> -less;
        };
    }
}
