package loesscape.core.translation;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import loesscape.core.evaluation.TypedNumber;
import loesscape.core.expression.Formula;
import loesscape.core.expression.Names;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Tree.Operation;
import loesscape.core.expression.Tree.Test;
import loesscape.core.model.Band;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Condition.OfRows.Quantity;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/**
 * Reads formulas as conditions of the same meaning, as far as clauses reach; what they do not reach stays a formula in its
 * place.
 */
public final class AsCondition {

    private final SymbolTable symbols;

    public AsCondition(PreparedTemplate prepared) {
        this.symbols = prepared.symbols();
    }

    /**
     * A formula as a condition.
     *
     * @throws FormulaProblem where it is not understood
     */
    public Condition of(String formula) {
        return condition(Formula.tree(formula));
    }

    private Condition condition(Tree tree) {
        return switch (tree) {
            case Tree.Literal(Boolean truth) -> truth ? new Condition.Always() : new Condition.Never();
            case Tree.And ignored -> {
                List<Condition> parts = mergedEdges(spine(tree));
                yield parts.size() == 1 ? parts.getFirst() : new Condition.All(parts);
            }
            case Tree.Or ignored -> any(spine(tree));
            case Tree.If it -> chosen(it);
            default -> {
                Condition leaf = leaf(tree);
                yield leaf == null || isUnruled(leaf) ? new Condition.Written(Formula.text(tree)) : leaf;
            }
        };
    }

    /** The parts of a chain of “and” or “or”; brackets on the right keep what they hold together. */
    private static List<Tree> spine(Tree tree) {
        List<Tree> parts = new ArrayList<>();
        Tree rest = tree;
        while (true) {
            if (rest instanceof Tree.And(var left, var right) && tree instanceof Tree.And) {
                parts.addFirst(right);
                rest = left;
            } else if (rest instanceof Tree.Or(var left, var right) && tree instanceof Tree.Or) {
                parts.addFirst(right);
                rest = left;
            } else {
                parts.addFirst(rest);
                return parts;
            }
        }
    }

    /** Two edges of one band stand side by side. */
    private List<Condition> mergedEdges(List<Tree> parts) {
        List<Condition> conditions = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Clause band = i + 1 < parts.size() ? band(new Tree.And(parts.get(i), parts.get(i + 1))) : null;
            if (band != null) {
                conditions.add(band);
                i++;
            } else {
                conditions.add(condition(parts.get(i)));
            }
        }
        return conditions;
    }

    private Condition any(List<Tree> parts) {
        List<Condition> conditions = new ArrayList<>();
        for (Tree part : parts) {
            Clause edges = band(part);
            Condition next = edges == null ? condition(part) : edges;
            boolean joins = next instanceof Clause.BandClause band
                    && !conditions.isEmpty()
                    && conditions.getLast() instanceof Clause.BandClause last
                    && last.field().equals(band.field())
                    && last.whenBlank() == null
                    && band.whenBlank() == null;
            if (joins) {
                Clause.BandClause last = (Clause.BandClause) conditions.removeLast();
                List<String> both = new ArrayList<>(last.bands());
                both.addAll(((Clause.BandClause) next).bands());
                conditions.add(new Clause.BandClause(last.field(), both, null));
            } else {
                conditions.add(next);
            }
        }
        return conditions.size() == 1 ? conditions.getFirst() : new Condition.Any(conditions);
    }

    /** “if … then true else …” says what a clause says of a blank, or that none of some conditions holds. */
    private Condition chosen(Tree.If it) {
        if (it.one().equals(Trees.FALSE) && it.other().equals(Trees.TRUE)) {
            Condition met = condition(it.condition());
            return new Condition.None(met instanceof Condition.Any(var parts) ? parts : List.of(met));
        }
        if (it.one() instanceof Tree.Literal(Boolean whenBlank)) {
            Condition inner = inner(it.other());
            Condition ruled = inner == null ? null : ruled(inner, it.condition(), whenBlank);
            if (ruled != null) {
                return ruled;
            }
        }
        return new Condition.Written(Formula.text(it));
    }

    private @Nullable Condition inner(Tree tree) {
        return switch (tree) {
            case Tree.And it -> {
                Clause band = band(tree);
                yield band == null ? decided(it) : band;
            }
            case Tree.Or ignored -> any(spine(tree));
            default -> {
                Condition leaf = leaf(tree);
                yield leaf == null || leavesOpen(leaf) ? null : leaf;
            }
        };
    }

    /** Whether “!=” or “not” would hold of what a formula or a day that is not there gives, which decides nothing. */
    private static boolean leavesOpen(Condition leaf) {
        return switch (leaf) {
            case Clause.Comparison it -> it.test() == Clause.Comparison.OrderTest.NOT_EQUAL && isOpen(it.to());
            case Condition.Total it -> it.test() == Clause.Comparison.OrderTest.NOT_EQUAL && isOpen(it.to());
            case Clause.Between it -> it.outside() && (isOpen(it.from()) || isOpen(it.to()));
            default -> false;
        };
    }

    private static boolean isOpen(Operand operand) {
        return !operand.canBeBlank() && !AsFormula.isFixed(operand);
    }

    /** What is decided only where the ends it names are there: {@code x != null and a != x}; null where it is something else. */
    private @Nullable Condition decided(Tree.And it) {
        List<Tree> there = spine(it.left());
        Condition leaf = leaf(it.right());
        if (leaf == null) {
            return null;
        }
        List<Operand> operands = operands(leaf);
        List<Operand> open = new ArrayList<>();
        for (Operand operand : operands) {
            Tree named = tree(operand);
            boolean isNamed = named != null && there.contains(AsFormula.isThere(named));
            open.add(
                    isNamed && operand instanceof Operand.FieldOperand(var key)
                            ? new Operand.FormulaOperand(key)
                            : operand);
        }
        Condition result = withOperands(leaf, open);
        List<Tree> expected = open.stream()
                .filter(AsCondition::isOpen)
                .map(operand -> AsFormula.isThere(Objects.requireNonNull(tree(operand))))
                .toList();
        return leavesOpen(result) && expected.equals(there) ? result : null;
    }

    /** The other sides of a condition. */
    private static List<Operand> operands(Condition leaf) {
        return switch (leaf) {
            case Clause.Comparison it -> List.of(it.to());
            case Condition.Total it -> List.of(it.to());
            case Clause.Between it -> List.of(it.from(), it.to());
            default -> List.of();
        };
    }

    private static Condition withOperands(Condition leaf, List<Operand> operands) {
        return switch (leaf) {
            case Clause.Comparison it ->
                new Clause.Comparison(it.field(), it.test(), operands.getFirst(), it.whenBlank());
            case Condition.Total it -> new Condition.Total(it.field(), it.test(), operands.getFirst(), it.whenBlank());
            case Clause.Between it ->
                new Clause.Between(
                        it.field(),
                        it.outside(),
                        operands.getFirst(),
                        it.fromIncluded(),
                        operands.getLast(),
                        it.toIncluded(),
                        it.whenBlank());
            default -> leaf;
        };
    }

    /** What stands for an operand in a formula; null for what is fixed. */
    private static @Nullable Tree tree(Operand operand) {
        return switch (operand) {
            case Operand.FieldOperand(var key) -> Trees.name(key);
            case Operand.TodayOperand(var days) -> AsFormula.today(days);
            case Operand.FormulaOperand(var formula) -> Formula.tree(formula);
            case Operand.NumberOperand ignored -> null;
            case Operand.DateOperand ignored -> null;
            case Operand.TimeOperand ignored -> null;
        };
    }

    /** Two blanks are equal to a formula, but tell a clause nothing; so the rule for blanks has to be said. */
    private static boolean isUnruled(Condition leaf) {
        return switch (leaf) {
            case Clause.Comparison it -> isUnruled(it.test(), it.to());
            case Condition.Total it -> isUnruled(it.test(), it.to());
            case Clause.Between it -> it.outside() && !(AsFormula.isFixed(it.from()) && AsFormula.isFixed(it.to()));
            default -> false;
        };
    }

    private static boolean isUnruled(Clause.Comparison.OrderTest test, Operand to) {
        return !AsFormula.isFixed(to)
                && (test == Clause.Comparison.OrderTest.EQUAL || test == Clause.Comparison.OrderTest.NOT_EQUAL);
    }

    /** A condition with its rule for blanks, if that is what is asked; null if it is something else. */
    private @Nullable Condition ruled(Condition inner, Tree asked, boolean whenBlank) {
        List<Tree> blanks = asked instanceof Tree.Or ? spine(asked) : List.of(asked);
        return switch (inner) {
            case Condition.OfRows it -> {
                Tree none = Trees.compare(Test.EQUAL, Trees.call("count", Trees.name(it.section())), Trees.number(0));
                Boolean rule = whenBlank == (it.quantity() == Quantity.NO) ? null : whenBlank;
                yield asked.equals(none)
                        ? new Condition.OfRows(it.section(), it.quantity(), it.condition(), rule)
                        : null;
            }
            case Condition.Total it -> {
                String section = Objects.requireNonNull(symbols.rowsAround(it.field()), it.field());
                Boolean rule = whenBlank == (it.test() == Clause.Comparison.OrderTest.NOT_EQUAL) ? null : whenBlank;
                Operand to = to(Trees.total(section, it.field()), it.to(), blanks);
                yield to == null ? null : new Condition.Total(it.field(), it.test(), to, rule);
            }
            case Clause clause -> ruled(clause, blanks, whenBlank);
            default -> null;
        };
    }

    private static List<Tree> blanks(Tree subject, List<Operand> operands) {
        List<Tree> blanks = new ArrayList<>();
        blanks.add(Trees.isBlank(subject));
        for (Operand operand : operands) {
            if (operand instanceof Operand.FieldOperand(var key)) {
                blanks.add(Trees.isBlank(Trees.name(key)));
            }
        }
        return blanks;
    }

    /**
     * The other side of a comparison whose rule is for some blanks: an answer where it is named among them, what a formula
     * gives where not; null where they are others.
     */
    private static @Nullable Operand to(Tree subject, Operand operand, List<Tree> blanks) {
        Operand open = operand instanceof Operand.FieldOperand(var key) ? new Operand.FormulaOperand(key) : operand;
        return blanks.equals(blanks(subject, List.of(operand)))
                ? operand
                : blanks.equals(blanks(subject, List.of(open))) ? open : null;
    }

    private static @Nullable Condition ruled(Clause clause, List<Tree> asked, boolean whenBlank) {
        Tree subject = Trees.name(clause.field());
        Clause meant = switch (clause) {
            case Clause.Comparison it -> {
                Operand to = to(subject, it.to(), asked);
                yield to == null ? null : new Clause.Comparison(it.field(), it.test(), to, it.whenBlank());
            }
            case Clause.Between it -> asked.equals(blanks(subject, List.of(it.from(), it.to()))) ? it : null;
            // They speak of nothing but blanks, so that there is no rule beside.
            case Clause.Answered ignored -> null;
            case Clause.IsBlank ignored -> null;
            default -> asked.equals(blanks(subject, List.of())) ? clause : null;
        };
        if (meant == null || (leavesOpen(meant) && !leavesOpen(clause))) {
            return null;
        }
        Clause plain = withRule(meant, null);
        return plain.metWhenBlank() == whenBlank ? plain : withRule(meant, whenBlank);
    }

    private static Clause withRule(Clause clause, @Nullable Boolean rule) {
        return switch (clause) {
            case Clause.Answered it -> it;
            case Clause.IsBlank it -> it;
            case Clause.ChoiceClause it -> new Clause.ChoiceClause(it.field(), it.test(), it.choices(), rule);
            case Clause.SetClause it -> new Clause.SetClause(it.field(), it.test(), it.choices(), rule);
            case Clause.CountClause it -> new Clause.CountClause(it.field(), it.test(), it.count(), rule);
            case Clause.TextClause it -> new Clause.TextClause(it.field(), it.test(), it.text(), it.matchCase(), rule);
            case Clause.LengthClause it -> new Clause.LengthClause(it.field(), it.test(), it.length(), rule);
            case Clause.BandClause it -> new Clause.BandClause(it.field(), it.bands(), rule);
            case Clause.Comparison it -> new Clause.Comparison(it.field(), it.test(), it.to(), rule);
            case Clause.Between it ->
                new Clause.Between(
                        it.field(), it.outside(), it.from(), it.fromIncluded(), it.to(), it.toIncluded(), rule);
        };
    }

    private @Nullable Condition leaf(Tree tree) {
        return switch (tree) {
            case Tree.Name(var name) -> named(name);
            case Tree.Comparison it -> comparison(it);
            case Tree.In it -> in(it, false);
            case Tree.Between(var value, var low, var high) -> between(value, false, low, true, high, true);
            case Tree.Quantified it -> quantified(it);
            case Tree.Call it -> call(it);
            default -> null;
        };
    }

    private @Nullable Condition named(String name) {
        if (symbols.shared(name) != null) {
            return new Condition.Shared(name);
        }
        Field field = symbols.field(name);
        return field != null && field.kind() instanceof FieldKind.YesNo
                ? choice(name, true, List.of(FieldKind.YesNo.YES))
                : null;
    }

    private static Clause choice(String field, boolean is, List<String> choices) {
        return new Clause.ChoiceClause(
                field, is ? Clause.ChoiceClause.ChoiceTest.IS : Clause.ChoiceClause.ChoiceTest.IS_NOT, choices, null);
    }

    private @Nullable Condition comparison(Tree.Comparison it) {
        boolean equality = it.test() == Test.EQUAL || it.test() == Test.NOT_EQUAL;
        boolean is = it.test() == Test.EQUAL;
        Tree left = it.left();
        Tree right = it.right();
        if (equality
                && right.equals(Trees.NULL)
                && left instanceof Tree.Name(var name)
                && symbols.field(name) != null) {
            return is ? new Clause.IsBlank(name) : new Clause.Answered(name);
        }
        if (equality && left instanceof Tree.Name(var name) && (name.equals(Names.STAGE) || name.equals(Names.ROLE))) {
            return is ? standing(name, List.of(right)) : null;
        }
        Clause band = band(it);
        if (band != null) {
            return band;
        }
        Tree.Call count = Trees.callOf(left, "count", 1);
        if (count != null) {
            return counted(it.test(), count.arguments().getFirst(), right);
        }
        Tree.Call length = Trees.callOf(left, "string length", 1);
        if (length != null && length.arguments().getFirst() instanceof Tree.Name(var name) && isText(name)) {
            Integer number = whole(right);
            return number == null ? null : new Clause.LengthClause(name, AsFormula.test(it.test()), number, null);
        }
        if (equality) {
            Condition clause = equality(is, left, right);
            if (clause != null) {
                return clause;
            }
        }
        return ordered(it.test(), left, right);
    }

    private @Nullable Condition standing(String name, List<Tree> values) {
        List<String> texts = new ArrayList<>();
        for (Tree value : values) {
            if (!(AsFormula.fixed(value) instanceof String text)) {
                return null;
            }
            texts.add(text);
        }
        if (name.equals(Names.ROLE)) {
            return texts.stream().allMatch(text -> symbols.role(text) != null) ? new Condition.RoleIs(texts) : null;
        }
        List<Stage> stages = new ArrayList<>();
        for (String text : texts) {
            for (Stage stage : Stage.values()) {
                if (stage.word().equals(text)) {
                    stages.add(stage);
                }
            }
        }
        return stages.size() == texts.size() ? new Condition.StageIs(stages) : null;
    }

    private boolean isText(String name) {
        Field field = symbols.field(name);
        return field != null && field.kind().isText();
    }

    private static @Nullable Integer whole(Tree tree) {
        try {
            return AsFormula.fixed(tree) instanceof BigDecimal number && number.signum() >= 0
                    ? number.intValueExact()
                    : null;
        } catch (ArithmeticException e) {
            return null;
        }
    }

    /** The number of rows, of rows with something, of chosen ones, or of conditions that hold. */
    private @Nullable Condition counted(Test test, Tree what, Tree right) {
        Integer number = whole(right);
        if (what instanceof Tree.Name(var name)) {
            Field field = symbols.field(name);
            if (number != null && field != null && field.kind() instanceof FieldKind.SeveralChoices) {
                return new Clause.CountClause(name, AsFormula.test(test), number, null);
            }
            return number != null && symbols.repeating(name) != null
                    ? new Condition.RowCount(name, AsFormula.test(test), number)
                    : null;
        }
        if (!(what instanceof Tree.Filter(var list, var asked))) {
            return null;
        }
        if (list instanceof Tree.ListOf(var parts)
                && asked.equals(Trees.compare(Test.EQUAL, Trees.ITEM, Trees.TRUE))
                && test == Test.AT_LEAST
                && number != null
                && number >= 1
                && number <= parts.size()) {
            return new Condition.AtLeast(
                    number, parts.stream().map(this::condition).toList());
        }
        if (!(list instanceof Tree.Name(var section)) || symbols.repeating(section) == null) {
            return null;
        }
        boolean none = number != null && number == 0;
        if (none && test == Test.MORE) {
            return new Condition.OfRows(section, Quantity.ANY, condition(asked), null);
        }
        if (none && test == Test.EQUAL) {
            return new Condition.OfRows(section, Quantity.NO, condition(asked), null);
        }
        return test == Test.EQUAL && right.equals(Trees.call("count", Trees.name(section)))
                ? new Condition.OfRows(section, Quantity.EVERY, condition(asked), true)
                : null;
    }

    private @Nullable Condition equality(boolean is, Tree left, Tree right) {
        Tree.Call folded = Trees.callOf(left, "upper case", 1);
        Tree.Call sought = Trees.callOf(right, "upper case", 1);
        if (folded != null && sought != null) {
            return text(is ? TextTest.IS : TextTest.IS_NOT, left, right);
        }
        String choice = choiceField(left);
        if (choice != null) {
            String id = identity(choice, right);
            return id == null ? null : choice(choice, is, List.of(id));
        }
        if (left instanceof Tree.Name(var name) && isText(name)) {
            return text(is ? TextTest.IS : TextTest.IS_NOT, left, right);
        }
        if (is && left instanceof Tree.Name(var name) && right instanceof Tree.ListOf(var elements)) {
            Field field = symbols.field(name);
            List<String> ids = field == null || !(field.kind() instanceof FieldKind.SeveralChoices)
                    ? null
                    : identities(name, elements);
            boolean inOrder = ids != null
                    && !ids.isEmpty()
                    && symbols.choices(Objects.requireNonNull(field)).stream()
                            .filter(ids::contains)
                            .toList()
                            .equals(ids);
            return ids != null && inOrder ? new Clause.SetClause(name, SetTest.IS_EXACTLY, ids, null) : null;
        }
        return null;
    }

    /** The field of one choice that a tree stands for; null where it stands for none. */
    private @Nullable String choiceField(Tree tree) {
        if (tree instanceof Tree.Name(var name)) {
            Field field = symbols.field(name);
            return field != null && field.kind().isOneChoice() && !(field.kind() instanceof FieldKind.Lookup)
                    ? name
                    : null;
        }
        if (tree instanceof Tree.Path(Tree.Name(var name), var column)) {
            Field field = symbols.field(name);
            return field != null
                            && field.kind() instanceof FieldKind.Lookup lookup
                            && lookup.column().equals(column)
                    ? name
                    : null;
        }
        return null;
    }

    /** The identity of a choice of a field that a tree stands for; null where it is none of them. */
    private @Nullable String identity(String key, Tree tree) {
        Field field = Objects.requireNonNull(symbols.field(key), key);
        Object value = AsFormula.fixed(tree);
        if (field.kind() instanceof FieldKind.YesNo) {
            return value instanceof Boolean yes ? (yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO) : null;
        }
        if (symbols.isNumberColumn(field)) {
            return symbols.choices(field).stream()
                    .filter(cell -> value instanceof BigDecimal number
                            && TypedNumber.isNumber(cell)
                            && TypedNumber.of(cell).compareTo(number) == 0)
                    .findFirst()
                    .orElse(null);
        }
        return value instanceof String text && symbols.choices(field).contains(text) ? text : null;
    }

    private @Nullable List<String> identities(String key, List<Tree> trees) {
        List<String> ids = new ArrayList<>();
        for (Tree tree : trees) {
            String id = identity(key, tree);
            if (id == null) {
                return null;
            }
            ids.add(id);
        }
        return ids;
    }

    private @Nullable Condition ordered(Test test, Tree left, Tree right) {
        Clause.Comparison.OrderTest order = AsFormula.test(test);
        String total = totalled(left);
        if (total != null) {
            Operand operand = operand(total, right);
            return operand == null ? null : new Condition.Total(total, order, operand, null);
        }
        if (!(left instanceof Tree.Name(var name)) || !isOrdered(name)) {
            return null;
        }
        Operand operand = operand(name, right);
        return operand == null ? null : new Clause.Comparison(name, order, operand, null);
    }

    private boolean isOrdered(String name) {
        Field field = symbols.field(name);
        return field != null && field.kind().isOrdered();
    }

    /** The field whose total over all rows a tree is; null where it is none. */
    private @Nullable String totalled(Tree tree) {
        if (tree instanceof Tree.Call(var function, var arguments, var ignored)
                && function.equals("sum")
                && arguments.size() == 1
                && arguments.getFirst() instanceof Tree.Filter(Tree.Path(Tree.Name(var section), var key), var filter)
                && section.equals(symbols.rowsAround(key))
                && tree.equals(Trees.total(section, key))) {
            Field field = symbols.field(key);
            return field != null && field.kind().isNumeric() ? key : null;
        }
        return null;
    }

    /** The other side of a comparison with a field; null where it is of another kind. */
    private @Nullable Operand operand(String key, Tree tree) {
        FieldKind kind = Objects.requireNonNull(symbols.field(key), key).kind();
        Object fixed = AsFormula.fixed(tree);
        if (fixed != null) {
            return switch (fixed) {
                case BigDecimal number when kind.isNumeric() -> new Operand.NumberOperand(number);
                case LocalDate date when kind.isDay() -> new Operand.DateOperand(date);
                case LocalTime time when kind instanceof FieldKind.Time -> new Operand.TimeOperand(time);
                default -> null;
            };
        }
        if (tree.equals(Trees.NULL)) {
            return null;
        }
        if (kind.isDay()) {
            Integer days = today(tree);
            if (days != null) {
                return new Operand.TodayOperand(days);
            }
        }
        if (tree instanceof Tree.Name(var name)) {
            Field other = symbols.field(name);
            if (other != null) {
                return kind.isComparableWith(other.kind()) ? new Operand.FieldOperand(name) : null;
            }
        }
        return new Operand.FormulaOperand(Formula.text(tree));
    }

    /** How many days after today a tree means; null where it means something else. */
    private static @Nullable Integer today(Tree tree) {
        if (tree.equals(Trees.name(Names.TODAY))) {
            return 0;
        }
        if (tree instanceof Tree.Arithmetic(var operation, var left, Tree.Literal(Duration duration))
                && left.equals(Trees.name(Names.TODAY))
                && (operation == Operation.ADD || operation == Operation.SUBTRACT)
                && duration.equals(Duration.ofDays(duration.toDays()))
                && Math.abs(duration.toDays()) <= 100_000) {
            int days = (int) duration.toDays();
            return operation == Operation.ADD ? days : -days;
        }
        return null;
    }

    private @Nullable Condition in(Tree.In it, boolean negated) {
        List<Tree> tests = it.tests();
        if (it.value() instanceof Tree.Name(var name) && (name.equals(Names.STAGE) || name.equals(Names.ROLE))) {
            return negated ? null : standing(name, tests);
        }
        String choice = choiceField(it.value());
        if (choice != null) {
            List<String> ids = identities(choice, tests);
            return ids == null ? null : choice(choice, !negated, ids);
        }
        if (tests.size() == 1
                && tests.getFirst() instanceof Tree.RangeOf range
                && (!negated || AsFormula.isRange(range.low(), range.high()))) {
            return between(
                    it.value(),
                    negated,
                    range.low(),
                    range.lowIncluded() != negated,
                    range.high(),
                    range.highIncluded() != negated);
        }
        return null;
    }

    private @Nullable Condition between(
            Tree value, boolean outside, Tree low, boolean lowIncluded, Tree high, boolean highIncluded) {
        if (!(value instanceof Tree.Name(var name)) || !isOrdered(name)) {
            return null;
        }
        Operand from = operand(name, low);
        Operand to = operand(name, high);
        if (from == null || to == null) {
            return null;
        }
        Clause.Between between = new Clause.Between(name, outside, from, lowIncluded, to, highIncluded, null);
        return between.isEmpty() ? null : between;
    }

    private @Nullable Condition quantified(Tree.Quantified it) {
        if (it.bindings().size() != 1
                || !it.bindings().getFirst().name().equals(Trees.CHOICE)
                || it.bindings().getFirst().to() != null) {
            return null;
        }
        Tree in = it.bindings().getFirst().in();
        Tree each = Trees.name(Trees.CHOICE);
        if (in instanceof Tree.Name(var name) && isSeveral(name)) {
            if (!it.every() && it.condition() instanceof Tree.In(var value, var tests) && value.equals(each)) {
                List<String> ids = identities(name, tests);
                return ids == null ? null : new Clause.SetClause(name, SetTest.INCLUDES, ids, null);
            }
            Tree.Call not = Trees.callOf(it.condition(), "not", 1);
            if (it.every()
                    && not != null
                    && not.arguments().getFirst() instanceof Tree.In(var value, var tests)
                    && value.equals(each)) {
                List<String> ids = identities(name, tests);
                // Of a blank it says nothing; the rule for blanks is around it.
                return ids == null ? null : new Clause.SetClause(name, SetTest.DOES_NOT_INCLUDE, ids, false);
            }
        }
        Tree.Call contains = Trees.callOf(it.condition(), "list contains", 2);
        if (it.every()
                && in instanceof Tree.ListOf(var elements)
                && contains != null
                && contains.arguments().get(0) instanceof Tree.Name(var name)
                && contains.arguments().get(1).equals(each)
                && isSeveral(name)) {
            List<String> ids = identities(name, elements);
            return ids == null || ids.isEmpty() ? null : new Clause.SetClause(name, SetTest.INCLUDES_ALL, ids, null);
        }
        return null;
    }

    private boolean isSeveral(String name) {
        Field field = symbols.field(name);
        return field != null && field.kind() instanceof FieldKind.SeveralChoices;
    }

    private @Nullable Condition call(Tree.Call it) {
        List<Tree> arguments = it.arguments();
        if (!it.names().isEmpty()) {
            return null;
        }
        return switch (it.function()) {
            case "all", "any" ->
                arguments.size() == 1
                                && arguments.getFirst() instanceof Tree.ListOf(var parts)
                                && parts.size() > Trees.LONGEST_CHAIN
                        ? listed(it.function().equals("all"), parts)
                        : null;
            case "not" -> arguments.size() == 1 ? negated(arguments.getFirst()) : null;
            case "contains" -> texts(TextTest.CONTAINS, arguments);
            case "starts with" -> texts(TextTest.STARTS_WITH, arguments);
            case "ends with" -> texts(TextTest.ENDS_WITH, arguments);
            case "matches" -> matches(arguments);
            case "list contains" -> {
                if (arguments.size() == 2 && arguments.get(0) instanceof Tree.Name(var name) && isSeveral(name)) {
                    String id = identity(name, arguments.get(1));
                    yield id == null ? null : new Clause.SetClause(name, SetTest.INCLUDES, List.of(id), null);
                }
                yield null;
            }
            default -> null;
        };
    }

    /** Many parts, which stand in a list rather than in a chain. */
    private Condition listed(boolean all, List<Tree> parts) {
        return all ? new Condition.All(mergedEdges(parts)) : any(parts);
    }

    private @Nullable Condition negated(Tree tree) {
        if (tree instanceof Tree.In in) {
            return in(in, true);
        }
        if (tree instanceof Tree.And(Tree.Comparison low, Tree.Comparison high)
                && low.left().equals(high.left())
                && (low.test() == Test.MORE || low.test() == Test.AT_LEAST)
                && (high.test() == Test.LESS || high.test() == Test.AT_MOST)) {
            return AsFormula.isRange(low.right(), high.right())
                    ? null
                    : between(
                            low.left(),
                            true,
                            low.right(),
                            low.test() == Test.MORE,
                            high.right(),
                            high.test() == Test.LESS);
        }
        if (tree instanceof Tree.Name(var name) && choiceField(tree) != null) {
            Field field = Objects.requireNonNull(symbols.field(name), name);
            return field.kind() instanceof FieldKind.YesNo ? choice(name, true, List.of(FieldKind.YesNo.NO)) : null;
        }
        Tree.Call contains = Trees.callOf(tree, "contains", 2);
        // Of a blank it says nothing; the rule for blanks is around it.
        return contains != null
                        && texts(TextTest.DOES_NOT_CONTAIN, contains.arguments()) instanceof Clause.TextClause clause
                ? withRule(clause, false)
                : null;
    }

    private @Nullable Condition texts(TextTest test, List<Tree> arguments) {
        return arguments.size() == 2 ? text(test, arguments.get(0), arguments.get(1)) : null;
    }

    private @Nullable Condition text(TextTest test, Tree left, Tree right) {
        Tree.Call folded = Trees.callOf(left, "upper case", 1);
        Tree.Call sought = Trees.callOf(right, "upper case", 1);
        boolean matchCase = folded == null && sought == null;
        Tree subject = folded == null ? left : folded.arguments().getFirst();
        Tree other = sought == null ? right : sought.arguments().getFirst();
        boolean both = matchCase || (folded != null && sought != null);
        return both
                        && subject instanceof Tree.Name(var name)
                        && isText(name)
                        && AsFormula.fixed(other) instanceof String text
                        && isPlain(text)
                ? new Clause.TextClause(name, test, text, matchCase, null)
                : null;
    }

    /** Whether a text is as answers are: composed, trimmed and not blank. Any other is found by no answer. */
    private static boolean isPlain(String text) {
        return !text.isBlank()
                && Normalizer.normalize(text, Normalizer.Form.NFC).strip().equals(text);
    }

    private @Nullable Condition matches(List<Tree> arguments) {
        boolean ignoresCase = arguments.size() == 3 && "i".equals(AsFormula.fixed(arguments.get(2)));
        return (arguments.size() == 2 || ignoresCase)
                        && arguments.get(0) instanceof Tree.Name(var name)
                        && isText(name)
                        && AsFormula.fixed(arguments.get(1)) instanceof String pattern
                        && !pattern.isBlank()
                ? new Clause.TextClause(name, TextTest.MATCHES, pattern, !ignoresCase, null)
                : null;
    }

    /** The band whose edges a tree names, the edges on the left; null where it names none. */
    private @Nullable Clause band(Tree tree) {
        Tree first = tree instanceof Tree.And(var left, var ignored) ? left : tree;
        if (!(first instanceof Tree.Comparison(var test, var edge, Tree.Name(var name)))
                || AsFormula.fixed(edge) == null) {
            return null;
        }
        Field field = symbols.field(name);
        if (field == null) {
            return null;
        }
        for (Band band : field.bands()) {
            if (AsFormula.band(field.bands(), Trees.name(name), band.id()).equals(tree)) {
                return new Clause.BandClause(name, List.of(band.id()), null);
            }
        }
        return null;
    }
}
