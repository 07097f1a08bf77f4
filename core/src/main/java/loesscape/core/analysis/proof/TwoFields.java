package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.expression.Formula;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Tree.Operation;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/**
 * How a rule looks at two fields of many answers at once: at how far they lie apart, at their product, or at whatever else goes
 * one way in each of them. All that it decides is decided by steps, each of which is taken or not as that grows.
 *
 * @param one the key of the first field
 * @param other the key of the second
 * @param quantity what of the two is looked at: of rules with the same quantity, one step is taken before another for all
 *     answers alike
 * @param turned whether the quantity falls while the second field grows; it grows with the first
 * @param sides what is compared, growing with the quantity where {@code grows}
 * @param places where the result goes, each edge that it passes being a step, too; null where it is no step
 * @param alone what is compared with one of the fields and not the other, so that its answers alone are cut there
 */
record TwoFields(
        String one,
        String other,
        String quantity,
        boolean turned,
        List<Side> sides,
        @Nullable Slope places,
        List<FormulaRule.Met> alone) {

    /** Numbers as people give them, of which no digits are lost. */
    private static final BigDecimal MOST = BigDecimal.TEN.pow(15);

    /**
     * Two sides that are compared.
     *
     * @param tests what is to be known of them where the one that grows is on the left
     * @param grows whether the first outgrows the second as the quantity grows
     */
    record Side(Tree first, Tree second, Set<Tree.Test> tests, boolean grows) {}

    /**
     * How a rule looks at two fields; null where it does not go one way in each.
     *
     * @param lines of the two fields, by their keys
     * @param few how great a number can be in each of the other fields that it names
     */
    static @Nullable TwoFields of(FormulaRule rule, Map<String, SizeLine> lines, Map<String, BigDecimal> few) {
        List<Tree> trees = rule.trees();
        Map<String, Integer> signs = new HashMap<>();
        Map<String, BigDecimal> sizes = new HashMap<>(few);
        for (Map.Entry<String, SizeLine> each : lines.entrySet()) {
            SizeLine line = each.getValue();
            if (!line.isOfDays()) {
                if (line.lowest() == null || line.highest() == null) {
                    return null;
                }
                if (line.lowest().signum() >= 0) {
                    signs.put(each.getKey(), 1);
                } else if (line.highest().signum() <= 0) {
                    signs.put(each.getKey(), -1);
                }
                BigDecimal size = line.lowest().abs().max(line.highest().abs());
                if (size.compareTo(MOST) > 0) {
                    return null;
                }
                sizes.put(each.getKey(), size);
            } else {
                sizes.put(each.getKey(), BigDecimal.ZERO);
            }
        }
        List<String> keys = lines.keySet().stream().sorted().toList();
        return trees == null ? null : new Reader(keys.getFirst(), keys.getLast(), lines, signs, sizes).of(rule, trees);
    }

    /** The numbers that have no limits, for want of which it is not known how a rule looks at two fields; none for any other rule. */
    static List<Field> limitsWanted(FormulaRule rule, SymbolTable symbols) {
        Map<String, SizeLine> lines = new HashMap<>();
        Map<String, BigDecimal> few = new HashMap<>();
        List<Field> wanted = new ArrayList<>();
        for (String name : rule.names(symbols)) {
            Field field = symbols.field(name);
            if (field == null || field.value() instanceof FieldValue.WorkedOut || symbols.rowsAround(name) != null) {
                return List.of();
            }
            SizeLine line = SizeLine.of(field.kind());
            switch (field.kind()) {
                case FieldKind.YesNo ignored -> few.put(name, BigDecimal.ZERO);
                case FieldKind.OneChoice ignored -> few.put(name, BigDecimal.ZERO);
                case FieldKind.Date ignored -> lines.put(name, line);
                case FieldKind kind
                when kind.isNumeric() && !line.few().isEmpty() ->
                    few.put(
                            name,
                            line.few().getLast().abs().max(line.few().getFirst().abs()));
                case FieldKind kind
                when kind.isNumeric() -> {
                    lines.put(name, line.limited(MOST));
                    if (line.lowest() == null || line.highest() == null) {
                        wanted.add(field);
                    }
                }
                default -> {
                    return List.of();
                }
            }
        }
        return lines.size() == 2 && of(rule, lines, few) != null ? wanted : List.of();
    }

    /** Whether it is how far they lie apart. */
    boolean isDifference() {
        return quantity.equals(apart(one, other));
    }

    private static String apart(String one, String other) {
        return one + " - " + other;
    }

    /** Reads the trees of a rule. */
    private record Reader(
            String one,
            String other,
            Map<String, SizeLine> lines,
            Map<String, Integer> signs,
            Map<String, BigDecimal> sizes) {

        @Nullable
        TwoFields of(FormulaRule rule, List<Tree> trees) {
            List<OneWay.Turn> found = OneWay.turns(trees, one, without(one));
            List<OneWay.Turn> same = OneWay.turns(trees, other, without(other));
            if (found == null || same == null) {
                return null;
            }
            List<OneWay.Turn> single = new ArrayList<>(found);
            single.removeAll(same);
            same.stream().filter(each -> !found.contains(each)).forEach(single::add);
            if (single.stream().anyMatch(this::hasBoth)) {
                return null;
            }
            List<FormulaRule.Met> alone = single.stream().map(Reader::alone).toList();
            List<OneWay.Turn> both =
                    found.stream().filter(same::contains).distinct().toList();
            List<Slant> slants = new ArrayList<>();
            List<Side> sides = new ArrayList<>();
            for (OneWay.Turn each : both) {
                Slant slant = slant(each.one(), each.other());
                if (slant == null) {
                    return null;
                }
                slants.add(slant);
                boolean grows = slant.first() == Slope.UP;
                sides.add(new Side(each.one(), each.other(), tests(rule, trees, each, grows), grows));
            }
            Slope places = null;
            if (rule instanceof FormulaRule.Given && !isStepped(trees.getFirst())) {
                Tree nothing = new Tree.Literal(BigDecimal.ZERO);
                Slant slant = sides.isEmpty() ? slant(trees.getFirst(), nothing) : null;
                if (slant == null) {
                    return null;
                }
                slants.add(slant);
                places = slant.first();
            }
            if (slants.isEmpty()) {
                return new TwoFields(one, other, "", false, sides, places, alone);
            }
            Slant first = slants.getFirst();
            if (!slants.stream().allMatch(slant -> slant.isTurned() == first.isTurned())) {
                return null;
            }
            boolean areAlike =
                    slants.stream().allMatch(slant -> slant.quantity().equals(first.quantity()));
            return !areAlike || first.quantity().isEmpty()
                    ? null
                    : new TwoFields(one, other, first.quantity(), first.isTurned(), sides, places, alone);
        }

        private boolean hasBoth(OneWay.Turn turn) {
            Tree whole = new Tree.Comparison(Tree.Test.AT_MOST, turn.one(), turn.other());
            return whole.mentions(one) && whole.mentions(other);
        }

        private static FormulaRule.Met alone(OneWay.Turn turn) {
            return new FormulaRule.Met(new Condition.Written(
                    Formula.text(new Tree.Comparison(Tree.Test.AT_MOST, turn.one(), turn.other()))));
        }

        /** Whether it matters that one side is more than the other, or as much, or both. */
        private static Set<Tree.Test> tests(FormulaRule rule, List<Tree> trees, OneWay.Turn turn, boolean grows) {
            Set<Tree.Test> asked = EnumSet.noneOf(Tree.Test.class);
            if (rule instanceof FormulaRule.Met(Clause clause)) {
                // What a clause compares stands outermost; what stands inside compares as it is written.
                for (Tree tree : trees) {
                    if (tree instanceof Tree.Comparison(var ignored, var left, var right)
                            && turn.equals(new OneWay.Turn(left, right))) {
                        asked.add(clause instanceof Clause.Comparison it ? test(it.test()) : Tree.Test.EQUAL);
                    }
                    tree.children().forEach(child -> asked(child, turn, asked));
                }
            } else {
                trees.forEach(tree -> asked(tree, turn, asked));
            }
            Set<Tree.Test> tests = EnumSet.noneOf(Tree.Test.class);
            for (Tree.Test test : asked.isEmpty() ? EnumSet.of(Tree.Test.EQUAL) : asked) {
                switch (test) {
                    case EQUAL, NOT_EQUAL -> tests.addAll(EnumSet.of(Tree.Test.AT_LEAST, Tree.Test.MORE));
                    case LESS, AT_LEAST -> tests.add(grows ? Tree.Test.AT_LEAST : Tree.Test.MORE);
                    case AT_MOST, MORE -> tests.add(grows ? Tree.Test.MORE : Tree.Test.AT_LEAST);
                }
            }
            return tests;
        }

        private static Tree.Test test(Clause.Comparison.OrderTest test) {
            return switch (test) {
                case EQUAL -> Tree.Test.EQUAL;
                case NOT_EQUAL -> Tree.Test.NOT_EQUAL;
                case LESS -> Tree.Test.LESS;
                case AT_MOST -> Tree.Test.AT_MOST;
                case MORE -> Tree.Test.MORE;
                case AT_LEAST -> Tree.Test.AT_LEAST;
            };
        }

        /** How two sides are compared in a tree; as being the same where they are in more than by a sign. */
        private static void asked(Tree tree, OneWay.Turn turn, Set<Tree.Test> asked) {
            switch (tree) {
                case Tree.Comparison(var test, var left, var right)
                when left.equals(turn.one()) && right.equals(turn.other()) -> asked.add(test);
                case Tree.Between(var value, var ignored, var ignoredToo)
                when value.equals(turn.one()) -> asked.add(Tree.Test.EQUAL);
                case Tree.In(var value, var ignored) when value.equals(turn.one()) -> asked.add(Tree.Test.EQUAL);
                default -> {}
            }
            tree.children().forEach(child -> asked(child, turn, asked));
        }

        private Map<String, BigDecimal> without(String field) {
            Map<String, BigDecimal> others = new HashMap<>(sizes);
            others.remove(field);
            return others;
        }

        /** Whether what comes of it changes only where something in it turns. */
        private boolean isStepped(Tree tree) {
            return switch (tree) {
                case Tree.Comparison ignored -> true;
                case Tree.Between ignored -> true;
                case Tree.In ignored -> true;
                case Tree.And ignored -> true;
                case Tree.Or ignored -> true;
                case Tree.If it -> isStepped(it.one()) && isStepped(it.other());
                default -> !tree.mentions(one) && !tree.mentions(other);
            };
        }

        /**
         * @param first where it goes with the first field
         * @param second where it goes with the second
         */
        private record Slant(String quantity, Slope first, Slope second) {

            boolean isTurned() {
                return first != second;
            }
        }

        private @Nullable Slant slant(Tree left, Tree right) {
            Slope first = slope(left, right, one);
            Slope second = slope(left, right, other);
            return first == null || second == null || first == Slope.LEVEL || second == Slope.LEVEL
                    ? null
                    : new Slant(quantity(left, right), first, second);
        }

        /** Of two sides at most one of which has the field. */
        private @Nullable Slope slope(Tree left, Tree right, String field) {
            Slope slope = Slope.of(left, field, signs);
            if (right.mentions(field)) {
                Slope its = Slope.of(right, field, signs);
                return slope != Slope.LEVEL || its == null ? null : its.turned();
            }
            return slope;
        }

        /** What of the two fields is compared; empty where that hangs on the answers to others, too. */
        private String quantity(Tree left, Tree right) {
            Map<String, Integer> times = new HashMap<>();
            List<Tree> rest = new ArrayList<>();
            boolean isSum = terms(left, 1, times, rest) && terms(right, -1, times, rest);
            boolean isApart = isSum && Objects.equals(times.get(one), 1) && Objects.equals(times.get(other), -1);
            boolean isTurnedApart = isSum && Objects.equals(times.get(one), -1) && Objects.equals(times.get(other), 1);
            boolean areDays = Objects.requireNonNull(lines.get(one)).isOfDays();
            if ((isApart || isTurnedApart) && (!areDays || rest.stream().allMatch(Reader::isOfDays))) {
                return apart(one, other);
            }
            Tree whole = new Tree.Comparison(Tree.Test.AT_MOST, left, right);
            Tree core = core(whole);
            if (core instanceof Tree.Arithmetic(var operation, Tree.Name ignored, Tree.Name ignoredToo)
                    && operation == Operation.SUBTRACT) {
                return apart(one, other);
            }
            Tree quantity = isAlone(whole, core) ? core : whole;
            boolean isOfOthers = sizes.keySet().stream()
                    .anyMatch(name -> !name.equals(one) && !name.equals(other) && quantity.mentions(name));
            return isOfOthers ? "" : Formula.text(quantity);
        }

        /** The smallest part of a tree that has both fields in it. */
        private Tree core(Tree tree) {
            for (Tree child : tree.children()) {
                if (child.mentions(one) && child.mentions(other)) {
                    return core(child);
                }
            }
            return tree;
        }

        /** Whether the fields stand nowhere but in this part of a tree. */
        private boolean isAlone(Tree tree, Tree part) {
            return tree.equals(part)
                    || (!tree.equals(new Tree.Name(one))
                            && !tree.equals(new Tree.Name(other))
                            && tree.children().stream().allMatch(child -> isAlone(child, part)));
        }

        /** Takes a sum apart: how often each of the fields stands in it, and what else does; whether that could be done. */
        private boolean terms(Tree tree, int sign, Map<String, Integer> times, List<Tree> rest) {
            switch (tree) {
                case Tree.Name(var name)
                when name.equals(one) || name.equals(other) -> times.merge(name, sign, Integer::sum);
                case Tree.Minus(var operand) -> {
                    return terms(operand, -sign, times, rest);
                }
                case Tree.Arithmetic(var operation, var left, var right)
                when operation == Operation.ADD -> {
                    return terms(left, sign, times, rest) && terms(right, sign, times, rest);
                }
                case Tree.Arithmetic(var operation, var left, var right)
                when operation == Operation.SUBTRACT -> {
                    return terms(left, sign, times, rest) && terms(right, -sign, times, rest);
                }
                default -> {
                    rest.add(tree);
                    return !tree.mentions(one) && !tree.mentions(other);
                }
            }
            return true;
        }

        private static boolean isOfDays(Tree tree) {
            return OneWay.span(tree) != null
                    || (tree instanceof Tree.If it && isOfDays(it.one()) && isOfDays(it.other()));
        }
    }
}
