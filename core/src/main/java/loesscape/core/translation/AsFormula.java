package loesscape.core.translation;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import loesscape.core.evaluation.TypedNumber;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Names;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Tree.Operation;
import loesscape.core.expression.Tree.Test;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/**
 * Writes conditions as formulas of the same meaning. {@link AsCondition} reads them back: what comes back is the
 * condition itself, up to brackets that mean nothing.
 */
public final class AsFormula {

    private final SymbolTable symbols;

    public AsFormula(PreparedTemplate prepared) {
        this.symbols = prepared.symbols();
    }

    /** A condition of a valid template as a formula. */
    public String of(Condition condition) {
        return Formula.text(tree(condition));
    }

    private Tree tree(Condition condition) {
        return switch (condition) {
            case Condition.Always() -> Trees.TRUE;
            case Condition.Never() -> Trees.FALSE;
            case Condition.All(var parts) -> Trees.and(trees(parts));
            case Condition.Any(var parts) -> Trees.or(trees(parts));
            case Condition.None(var parts) -> Trees.choose(Trees.or(trees(parts)), false, Trees.TRUE);
            case Condition.AtLeast(var count, var parts) -> {
                Tree met = new Tree.Filter(
                        new Tree.ListOf(trees(parts)), Trees.compare(Test.EQUAL, Trees.ITEM, Trees.TRUE));
                yield Trees.compare(Test.AT_LEAST, Trees.call(CountLeaves.COUNT, met), Trees.number(count));
            }
            case Condition.Written(var formula) -> parsed(formula);
            case Condition.StageIs(var stages) ->
                oneOf(
                        Trees.name(Names.STAGE),
                        stages.stream()
                                .map(stage -> Trees.literal(stage.word()))
                                .toList());
            case Condition.RoleIs(var roles) ->
                oneOf(Trees.name(Names.ROLE), roles.stream().map(Trees::literal).toList());
            case Condition.Shared(var key) -> Trees.name(key);
            case Condition.RowCount(var section, var test, var count) ->
                Trees.compare(test(test), Trees.call(CountLeaves.COUNT, Trees.name(section)), Trees.number(count));
            case Condition.OfRows it -> ofRows(it);
            case Condition.Total it -> {
                String section = Objects.requireNonNull(symbols.rowsAround(it.field()), it.field());
                yield comparison(Trees.total(section, it.field()), it.test(), it.to(), it.metWhenBlank());
            }
            case Clause clause -> clause(clause);
        };
    }

    private List<Tree> trees(List<Condition> parts) {
        return parts.stream().map(this::tree).toList();
    }

    private Tree parsed(String formula) {
        try {
            return Formula.tree(formula);
        } catch (FormulaProblem problem) {
            throw new IllegalArgumentException("Not the condition of a valid template", problem);
        }
    }

    private static Tree oneOf(Tree value, List<Tree> values) {
        return values.size() == 1 ? Trees.compare(Test.EQUAL, value, values.getFirst()) : new Tree.In(value, values);
    }

    private Tree ofRows(Condition.OfRows it) {
        Tree all = Trees.call(CountLeaves.COUNT, Trees.name(it.section()));
        Tree met = Trees.call(CountLeaves.COUNT, Trees.rows(it.section(), tree(it.condition())));
        Tree asked = switch (it.quantity()) {
            case ANY -> Trees.compare(Test.MORE, met, Trees.number(0));
            case EVERY -> Trees.compare(Test.EQUAL, met, all);
            case NO -> Trees.compare(Test.EQUAL, met, Trees.number(0));
        };
        boolean gives = it.quantity() != Condition.OfRows.Quantity.ANY;
        return it.metWhenBlank() == gives
                ? asked
                : Trees.choose(Trees.compare(Test.EQUAL, all, Trees.number(0)), it.metWhenBlank(), asked);
    }

    private Tree clause(Clause clause) {
        Field field = Objects.requireNonNull(symbols.field(clause.field()), clause.field());
        Tree name = Trees.name(clause.field());
        boolean whenBlank = clause.metWhenBlank();
        return switch (clause) {
            case Clause.Answered ignored -> Trees.compare(Test.NOT_EQUAL, name, Trees.NULL);
            case Clause.IsBlank ignored -> Trees.isBlank(name);
            case Clause.ChoiceClause it -> {
                boolean is = it.test() == Clause.ChoiceClause.ChoiceTest.IS;
                yield blank(name, !is, whenBlank, choice(field, name, is, it.choices()));
            }
            case Clause.SetClause it -> set(field.kind(), name, it, whenBlank);
            case Clause.CountingClause it ->
                blank(name, it.test() == Clause.Comparison.OrderTest.NOT_EQUAL, whenBlank, CountLeaves.tree(it));
            case Clause.TextClause it -> text(name, it, whenBlank);
            case Clause.BandClause it -> blank(name, false, whenBlank, bands(field, name, it.bands()));
            case Clause.Comparison it -> comparison(name, it.test(), it.to(), whenBlank);
            case Clause.Between it -> between(name, it, whenBlank);
        };
    }

    /** A tree that gives {@code gives} for a blank, made to give {@code wanted}. */
    private static Tree blank(Tree subject, boolean gives, boolean wanted, Tree tree) {
        return gives == wanted ? tree : Trees.choose(Trees.isBlank(subject), wanted, tree);
    }

    private Tree choice(Field field, Tree name, boolean is, List<String> choices) {
        FieldKind kind = field.kind();
        boolean isNumber = symbols.isNumberColumn(field);
        Tree value = kind instanceof FieldKind.Lookup lookup ? new Tree.Path(name, lookup.column()) : name;
        List<Tree> values = choices.stream()
                .map(id ->
                        isNumber && TypedNumber.isNumber(id) ? Trees.literal(TypedNumber.of(id)) : identity(kind, id))
                .toList();
        if (values.size() == 1) {
            return Trees.compare(is ? Test.EQUAL : Test.NOT_EQUAL, value, values.getFirst());
        }
        Tree in = new Tree.In(value, values);
        return is ? in : Trees.not(in);
    }

    private static Tree identity(FieldKind kind, String id) {
        return kind instanceof FieldKind.YesNo ? Trees.truth(id.equals(FieldKind.YesNo.YES)) : Trees.literal(id);
    }

    private static Tree set(FieldKind kind, Tree name, Clause.SetClause it, boolean whenBlank) {
        List<Tree> named = it.choices().stream().map(Trees::literal).toList();
        Tree each = Trees.name(Trees.CHOICE);
        return switch (it.test()) {
            case INCLUDES -> {
                Tree any = named.size() == 1
                        ? Trees.call("list contains", name, named.getFirst())
                        : new Tree.Quantified(false, binding(name), new Tree.In(each, named));
                yield blank(name, false, whenBlank, any);
            }
            case DOES_NOT_INCLUDE ->
                Trees.choose(
                        Trees.isBlank(name),
                        whenBlank,
                        new Tree.Quantified(true, binding(name), Trees.not(new Tree.In(each, named))));
            case INCLUDES_ALL ->
                blank(
                        name,
                        false,
                        whenBlank,
                        new Tree.Quantified(
                                true, binding(new Tree.ListOf(named)), Trees.call("list contains", name, each)));
            case IS_EXACTLY -> {
                List<Tree> inOrder = kind.offered().stream()
                        .filter(choice -> it.choices().contains(choice.id()))
                        .map(choice -> Trees.literal(choice.id()))
                        .toList();
                yield blank(name, false, whenBlank, Trees.compare(Test.EQUAL, name, new Tree.ListOf(inOrder)));
            }
        };
    }

    private static List<Tree.Binding> binding(Tree in) {
        return List.of(new Tree.Binding(Trees.CHOICE, in, null));
    }

    private static Tree text(Tree name, Clause.TextClause it, boolean whenBlank) {
        Tree sought = Trees.literal(
                it.test() == Clause.TextClause.TextTest.MATCHES
                        ? it.text()
                        : Normalizer.normalize(it.text(), Normalizer.Form.NFC).strip());
        Tree left = it.matchCase() ? name : Trees.call("upper case", name);
        Tree right = it.matchCase() ? sought : Trees.call("upper case", sought);
        return switch (it.test()) {
            case IS -> blank(name, false, whenBlank, Trees.compare(Test.EQUAL, left, right));
            case IS_NOT -> blank(name, true, whenBlank, Trees.compare(Test.NOT_EQUAL, left, right));
            case CONTAINS -> blank(name, false, whenBlank, Trees.call("contains", left, right));
            case DOES_NOT_CONTAIN ->
                Trees.choose(Trees.isBlank(name), whenBlank, Trees.not(Trees.call("contains", left, right)));
            case STARTS_WITH -> blank(name, false, whenBlank, Trees.call("starts with", left, right));
            case ENDS_WITH -> blank(name, false, whenBlank, Trees.call("ends with", left, right));
            case MATCHES ->
                blank(
                        name,
                        false,
                        whenBlank,
                        it.matchCase()
                                ? Trees.call("matches", name, sought)
                                : Trees.call("matches", name, sought, Trees.literal("i")));
        };
    }

    /** Bands are told from other comparisons by their edges, which stand on the left. */
    private static Tree bands(Field field, Tree name, List<String> ids) {
        List<Tree> all = new ArrayList<>();
        for (String id : ids) {
            all.add(band(field.bands(), name, id));
        }
        return Trees.or(all);
    }

    private static Tree edge(Bound bound) {
        return Trees.literal(bound.day() == null ? bound.at() : bound.day());
    }

    static Tree band(List<Band> bands, Tree name, String id) {
        List<Tree> edges = new ArrayList<>();
        Bound lower = null;
        for (Band band : bands) {
            if (band.id().equals(id)) {
                if (lower != null) {
                    edges.add(Trees.compare(lower.included() ? Test.LESS : Test.AT_MOST, edge(lower), name));
                }
                Bound upper = band.upTo();
                if (upper != null) {
                    edges.add(Trees.compare(upper.included() ? Test.AT_LEAST : Test.MORE, edge(upper), name));
                }
            }
            lower = band.upTo();
        }
        return edges.isEmpty() ? Trees.compare(Test.NOT_EQUAL, name, Trees.NULL) : Trees.and(edges);
    }

    private Tree comparison(Tree subject, Clause.Comparison.OrderTest test, Operand to, boolean whenBlank) {
        Tree other = operand(to);
        Tree compared = Trees.compare(test(test), subject, other);
        boolean negative = test == Clause.Comparison.OrderTest.NOT_EQUAL;
        boolean equality = negative || test == Clause.Comparison.OrderTest.EQUAL;
        if (isFixed(to)) {
            return blank(subject, negative, whenBlank, compared);
        }
        if (!to.canBeBlank()) {
            // What a formula does not give decides nothing; only “!=” would hold of it.
            Tree decided = negative ? new Tree.And(isThere(other), compared) : compared;
            return !equality && !whenBlank ? compared : Trees.choose(Trees.isBlank(subject), whenBlank, decided);
        }
        // Two blanks are equal to a formula, but tell a clause nothing.
        return !equality && !whenBlank
                ? compared
                : Trees.choose(new Tree.Or(Trees.isBlank(subject), Trees.isBlank(other)), whenBlank, compared);
    }

    static Tree isThere(Tree tree) {
        return Trees.compare(Test.NOT_EQUAL, tree, Trees.NULL);
    }

    static boolean isFixed(Operand operand) {
        return operand instanceof Operand.NumberOperand
                || operand instanceof Operand.DateOperand
                || operand instanceof Operand.TimeOperand;
    }

    private Tree between(Tree name, Clause.Between it, boolean whenBlank) {
        Tree from = operand(it.from());
        Tree to = operand(it.to());
        boolean plain = !it.outside() && it.fromIncluded() && it.toIncluded();
        boolean isRange = !it.outside() || isRange(from, to);
        Tree asked = plain
                ? new Tree.Between(name, from, to)
                : isRange
                        ? new Tree.In(
                                name,
                                List.of(new Tree.RangeOf(
                                        from, it.fromIncluded() != it.outside(), to, it.toIncluded() != it.outside())))
                        : new Tree.And(
                                Trees.compare(it.fromIncluded() ? Test.MORE : Test.AT_LEAST, name, from),
                                Trees.compare(it.toIncluded() ? Test.LESS : Test.AT_MOST, name, to));
        if (it.outside()) {
            asked = Trees.not(asked);
            List<Tree> decided = undecided(it).stream().map(AsFormula::isThere).toList();
            asked = decided.isEmpty() ? asked : new Tree.And(Trees.and(decided), asked);
        }
        boolean needsRule = whenBlank || (it.outside() && !isRange);
        return needsRule ? Trees.choose(Trees.or(blanks(name, it)), whenBlank, asked) : asked;
    }

    /** Whether two ends are fixed, and in order: then they make a range whatever is answered. */
    static boolean isRange(Tree from, Tree to) {
        Object low = fixed(from);
        Object high = fixed(to);
        return switch (low) {
            case BigDecimal number -> high instanceof BigDecimal other && number.compareTo(other) <= 0;
            case LocalDate day -> high instanceof LocalDate other && !day.isAfter(other);
            case LocalTime time -> high instanceof LocalTime other && !time.isAfter(other);
            case null, default -> false;
        };
    }

    /** The ends that may give nothing and then leave it undecided. */
    private List<Tree> undecided(Clause.Between it) {
        return Stream.of(it.from(), it.to())
                .filter(operand -> !operand.canBeBlank() && !isFixed(operand))
                .map(this::operand)
                .toList();
    }

    /** What a clause has its rule for blanks for. */
    private List<Tree> blanks(Tree name, Clause.Between it) {
        List<Tree> blanks = new ArrayList<>(List.of(Trees.isBlank(name)));
        for (Operand operand : List.of(it.from(), it.to())) {
            if (operand.canBeBlank()) {
                blanks.add(Trees.isBlank(operand(operand)));
            }
        }
        return blanks;
    }

    private Tree operand(Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand(var number) -> Trees.literal(number);
            case Operand.DateOperand(var date) -> Trees.literal(date);
            case Operand.TimeOperand(var time) -> Trees.literal(time);
            case Operand.FieldOperand(var key) -> Trees.name(key);
            case Operand.FormulaOperand(var formula) -> parsed(formula);
            case Operand.TodayOperand(var days) -> today(days);
        };
    }

    static Tree today(int days) {
        Tree today = Trees.name(Names.TODAY);
        Tree duration = Trees.literal(Duration.ofDays(Math.abs((long) days)));
        return days == 0 ? today : new Tree.Arithmetic(days > 0 ? Operation.ADD : Operation.SUBTRACT, today, duration);
    }

    /** The tests of clauses and those of formulas. */
    private static final Map<Clause.Comparison.OrderTest, Test> TESTS = Map.of(
            Clause.Comparison.OrderTest.EQUAL, Test.EQUAL,
            Clause.Comparison.OrderTest.NOT_EQUAL, Test.NOT_EQUAL,
            Clause.Comparison.OrderTest.LESS, Test.LESS,
            Clause.Comparison.OrderTest.AT_MOST, Test.AT_MOST,
            Clause.Comparison.OrderTest.MORE, Test.MORE,
            Clause.Comparison.OrderTest.AT_LEAST, Test.AT_LEAST);

    static Test test(Clause.Comparison.OrderTest test) {
        return Objects.requireNonNull(TESTS.get(test));
    }

    /** The test of a clause that is the same as one of a formula. */
    static Clause.Comparison.OrderTest test(Test test) {
        return TESTS.entrySet().stream()
                .filter(entry -> entry.getValue() == test)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
    }

    /** The value of a literal, negative numbers included; null where a tree is none. */
    static @Nullable Object fixed(Tree tree) {
        return switch (tree) {
            case Tree.Literal(var value) -> value;
            case Tree.Minus(Tree.Literal(BigDecimal number)) -> number.negate();
            default -> null;
        };
    }
}
