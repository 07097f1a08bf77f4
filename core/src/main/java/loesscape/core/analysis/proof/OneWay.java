package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.Duration;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import loesscape.core.expression.Tree;
import org.jspecify.annotations.Nullable;

/**
 * How a formula follows one field while all else in it stays: it goes one way, up or down or not at all, between the answers
 * at which something in it turns that is compared. So it does where the field stands once on either side of whatever is
 * compared, and is only added to, multiplied, rounded and the like; each of these goes one way, in decimals of 34 digits too,
 * for rounding does.
 */
final class OneWay {

    /** Numbers of a document are far from where decimals end; what is not is left alone. */
    private static final BigDecimal FAR = BigDecimal.TEN.pow(30);

    /** No part of a day or a duration is as great. */
    private static final BigDecimal LONGEST = BigDecimal.TEN.pow(12);

    private static final MathContext ROUGHLY = MathContext.DECIMAL32;

    /** Functions of one thing that go one way in it; all others in them stay. */
    static final Set<String> ROUNDING =
            Set.of("floor", "ceiling", "round up", "round down", "round half up", "round half down");

    static final Set<String> EXTREMES = Set.of("min", "max");
    static final Set<String> BETWEEN_DAYS = Set.of("years and months duration");

    /** What of something written is a day or a duration. */
    private static final Set<String> FIXED = Set.of("date", "duration");

    /** Parts of days and durations that never go back while these go on. */
    static final Set<String> WHOLE_PARTS = Set.of("year", "years", "days");

    private final String line;
    private final Map<String, BigDecimal> others;
    private final List<Turn> turns = new ArrayList<>();
    private final IdentityHashMap<Tree, Optional<Shape>> known = new IdentityHashMap<>();

    /** Two sides of which one follows the field: it turns where they are the same. What stands inside others comes first. */
    record Turn(Tree one, Tree other) {}

    /**
     * @param moves whether it follows the field
     * @param size how great its number can be where the field is 0; null where that is not known
     */
    private record Shape(boolean moves, @Nullable BigDecimal size) {}

    private static final Shape STAYS = new Shape(false, BigDecimal.ZERO);

    private OneWay(String line, Map<String, BigDecimal> others) {
        this.line = line;
        this.others = others;
    }

    /**
     * Where some formulas can turn that follow a field; null where one of them does not go one way between.
     *
     * @param line the key of the field that is followed
     * @param others by the name of all else that they look at: how great its number can be
     */
    static @Nullable List<Turn> turns(List<Tree> trees, String line, Map<String, BigDecimal> others) {
        OneWay oneWay = new OneWay(line, others);
        for (Tree tree : trees) {
            if (oneWay.shape(tree) == null) {
                return null;
            }
        }
        return oneWay.turns;
    }

    private @Nullable Shape shape(Tree tree) {
        Optional<Shape> before = known.get(tree);
        if (before == null) {
            before = Optional.ofNullable(fresh(tree));
            known.put(tree, before);
        }
        return before.orElse(null);
    }

    private @Nullable Shape fresh(Tree tree) {
        return switch (tree) {
            case Tree.Literal(BigDecimal number) -> near(new Shape(false, number.abs()));
            case Tree.Literal ignored -> STAYS;
            case Tree.Name(var name) -> {
                BigDecimal size = others.get(name);
                yield name.equals(line)
                        ? new Shape(true, BigDecimal.ZERO)
                        : size == null ? null : near(new Shape(false, size));
            }
            case Tree.Minus(var operand) -> shape(operand);
            case Tree.Arithmetic it -> arithmetic(it);
            case Tree.If it -> either(it);
            case Tree.Call it -> call(it);
            case Tree.Path(var of, var name) -> {
                Shape shape = shape(of);
                yield shape == null || (shape.moves() && !WHOLE_PARTS.contains(name))
                        ? null
                        : new Shape(shape.moves(), shape.moves() ? LONGEST : null);
            }
            case Tree.Comparison(var ignored, var left, var right) -> turning(left, List.of(right));
            case Tree.Between(var value, var low, var high) -> turning(value, List.of(low, high));
            case Tree.In(var value, var tests) -> in(value, tests);
            case Tree.And(var left, var right) -> all(List.of(left, right));
            case Tree.Or(var left, var right) -> all(List.of(left, right));
            case Tree.InstanceOf ignored -> staying(tree);
            case Tree.ListOf ignored -> staying(tree);
            case Tree.RangeOf ignored -> staying(tree);
            case Tree.UnaryTest ignored -> null;
            case Tree.For ignored -> null;
            case Tree.Quantified ignored -> null;
            case Tree.Filter ignored -> null;
            case Tree.Context ignored -> null;
            case Tree.FunctionOf ignored -> null;
        };
    }

    private static @Nullable Shape near(Shape shape) {
        BigDecimal size = shape.size();
        return size != null && size.compareTo(FAR) > 0 ? null : shape;
    }

    /** Something of which nothing is known but that the field has nothing to do with it. */
    private @Nullable Shape staying(Tree tree) {
        for (Tree child : tree.children()) {
            Shape shape = shape(child);
            if (shape == null || shape.moves()) {
                return null;
            }
        }
        return new Shape(false, null);
    }

    private @Nullable Shape all(List<Tree> decided) {
        for (Tree each : decided) {
            Shape shape = shape(each);
            if (shape == null || shape.moves()) {
                return null;
            }
        }
        return STAYS;
    }

    private @Nullable Shape arithmetic(Tree.Arithmetic it) {
        Shape left = shape(it.left());
        Shape right = shape(it.right());
        if (left == null || right == null || (left.moves() && right.moves())) {
            return null;
        }
        boolean moves = left.moves() || right.moves();
        BigDecimal one = left.size();
        BigDecimal other = right.size();
        if (one == null || other == null) {
            return moves ? null : new Shape(false, null);
        }
        return switch (it.operation()) {
            case ADD, SUBTRACT -> near(new Shape(moves, one.add(other, ROUGHLY)));
            case MULTIPLY -> near(new Shape(moves, one.multiply(other, ROUGHLY)));
            case DIVIDE ->
                it.right() instanceof Tree.Literal(BigDecimal by) && by.signum() != 0
                        ? near(new Shape(moves, one.divide(by.abs(), ROUGHLY)))
                        : moves ? isSpan(it.right()) ? new Shape(true, LONGEST) : null : new Shape(false, null);
            case RAISE -> moves ? null : new Shape(false, null);
        };
    }

    /** Whether a tree is a duration longer than nothing that is written there: so many days in another are a number. */
    static boolean isSpan(Tree tree) {
        Duration span = span(tree);
        return span != null && span.isPositive();
    }

    /** A duration that is written there, without months, which are not always as long; null for anything else. */
    static @Nullable Duration span(Tree tree) {
        return switch (tree) {
            case Tree.Literal(Duration duration) -> duration;
            case Tree.Call(var function, var arguments, var ignored)
            when function.equals("duration")
                    && arguments.size() == 1
                    && arguments.getFirst() instanceof Tree.Literal(String text) -> span(text);
            default -> null;
        };
    }

    private static @Nullable Duration span(String text) {
        try {
            return Duration.parse(text);
        } catch (DateTimeParseException monthsOrYears) {
            return null;
        }
    }

    /** What a condition decides stays between the answers at which it turns, and so only one of two is followed there. */
    private @Nullable Shape either(Tree.If it) {
        Shape condition = shape(it.condition());
        Shape one = shape(it.one());
        Shape other = shape(it.other());
        if (condition == null || condition.moves() || one == null || other == null) {
            return null;
        }
        BigDecimal size =
                one.size() == null || other.size() == null ? null : one.size().max(other.size());
        return new Shape(one.moves() || other.moves(), size);
    }

    private @Nullable Shape call(Tree.Call it) {
        if (ROUNDING.contains(it.function())
                && it.names().isEmpty()
                && !it.arguments().isEmpty()) {
            Shape first = shape(it.arguments().getFirst());
            boolean areFixed = it.arguments().stream().skip(1).allMatch(Tree.Literal.class::isInstance);
            return first == null || !areFixed || first.size() == null
                    ? staying(it)
                    : near(new Shape(first.moves(), first.size().add(BigDecimal.ONE)));
        }
        if (EXTREMES.contains(it.function())) {
            return extreme(it);
        }
        if (BETWEEN_DAYS.contains(it.function()) && it.names().isEmpty()) {
            return oneMoving(it.arguments(), BigDecimal.ZERO);
        }
        return FIXED.contains(it.function()) && it.arguments().stream().allMatch(Tree.Literal.class::isInstance)
                ? STAYS
                : staying(it);
    }

    private @Nullable Shape extreme(Tree.Call it) {
        List<Tree> of = it.arguments().size() == 1 && it.arguments().getFirst() instanceof Tree.ListOf(var elements)
                ? elements
                : it.arguments();
        BigDecimal size = BigDecimal.ZERO;
        for (Tree each : of) {
            Shape shape = shape(each);
            if (shape == null || shape.size() == null) {
                return staying(it);
            }
            size = size.max(shape.size());
        }
        return oneMoving(of, size);
    }

    private @Nullable Shape oneMoving(List<Tree> parts, BigDecimal size) {
        int moving = 0;
        for (Tree part : parts) {
            Shape shape = shape(part);
            if (shape == null) {
                return null;
            }
            moving += shape.moves() ? 1 : 0;
        }
        return moving > 1 ? null : new Shape(moving == 1, size);
    }

    private @Nullable Shape in(Tree value, List<Tree> tests) {
        List<Tree> sides = new ArrayList<>();
        for (Tree test : tests) {
            switch (test) {
                case Tree.UnaryTest(var ignored, var to) -> sides.add(to);
                case Tree.RangeOf(var low, var ignored, var high, var ignoredToo) -> {
                    sides.add(low);
                    sides.add(high);
                }
                case Tree.Literal ignored -> sides.add(test);
                case Tree.Name ignored -> sides.add(test);
                default -> {
                    return staying(new Tree.In(value, tests));
                }
            }
        }
        return turning(value, sides);
    }

    private @Nullable Shape turning(Tree value, List<Tree> sides) {
        Shape own = shape(value);
        if (own == null) {
            return null;
        }
        for (Tree side : sides) {
            Shape other = shape(side);
            if (other == null || (own.moves() && other.moves())) {
                return null;
            }
            if ((own.moves() || other.moves()) && !isNull(side) && !isNull(value)) {
                turns.add(new Turn(value, side));
            }
        }
        return STAYS;
    }

    /** What is compared with nothing never turns: it is answered, or is not. */
    private static boolean isNull(Tree tree) {
        return tree instanceof Tree.Literal(var value) && value == null;
    }
}
