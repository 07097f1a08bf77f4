package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Tree;
import org.jspecify.annotations.Nullable;

/** Where what a formula gives goes while one field in it grows and all else stays. */
enum Slope {
    UP,
    DOWN,
    LEVEL;

    /** The other way. */
    Slope turned() {
        return switch (this) {
            case UP -> DOWN;
            case DOWN -> UP;
            case LEVEL -> LEVEL;
        };
    }

    /** Of the sum of two; null where they go against each other. */
    private static @Nullable Slope sum(@Nullable Slope one, @Nullable Slope other) {
        if (one == null || other == null) {
            return null;
        }
        return one == LEVEL || one == other ? other : other == LEVEL ? one : null;
    }

    private static @Nullable Slope less(@Nullable Slope one, @Nullable Slope other) {
        return sum(one, other == null ? null : other.turned());
    }

    /**
     * The slope of a formula, which is the same wherever the field and all else stands; null where it is not, or is not known.
     *
     * @param field the key of the field that grows
     * @param signs by the name of what is named: 1 where it is never below nought, -1 where it is never above
     */
    static @Nullable Slope of(Tree tree, String field, Map<String, Integer> signs) {
        if (!tree.mentions(field)) {
            return LEVEL;
        }
        return switch (tree) {
            case Tree.Name ignored -> UP;
            case Tree.Minus(var operand) -> less(LEVEL, of(operand, field, signs));
            case Tree.Arithmetic(var operation, var left, var right) ->
                switch (operation) {
                    case ADD -> sum(of(left, field, signs), of(right, field, signs));
                    case SUBTRACT -> less(of(left, field, signs), of(right, field, signs));
                    case MULTIPLY ->
                        right.mentions(field)
                                ? times(of(right, field, signs), sign(left, signs))
                                : times(of(left, field, signs), sign(right, signs));
                    case DIVIDE ->
                        right instanceof Tree.Literal(BigDecimal ignored)
                                ? times(of(left, field, signs), sign(right, signs))
                                : OneWay.isSpan(right) ? of(left, field, signs) : null;
                    case RAISE -> null;
                };
            case Tree.If(var condition, var one, var other) ->
                condition.mentions(field) ? null : sum(of(one, field, signs), of(other, field, signs));
            case Tree.Call it -> of(it, field, signs);
            case Tree.Path(var of, var part) -> OneWay.WHOLE_PARTS.contains(part) ? of(of, field, signs) : null;
            case Tree.Literal ignored -> LEVEL;
            case Tree.Comparison ignored -> null;
            case Tree.Between ignored -> null;
            case Tree.In ignored -> null;
            case Tree.UnaryTest ignored -> null;
            case Tree.And ignored -> null;
            case Tree.Or ignored -> null;
            case Tree.For ignored -> null;
            case Tree.Quantified ignored -> null;
            case Tree.Filter ignored -> null;
            case Tree.ListOf ignored -> null;
            case Tree.Context ignored -> null;
            case Tree.RangeOf ignored -> null;
            case Tree.InstanceOf ignored -> null;
            case Tree.FunctionOf ignored -> null;
        };
    }

    private static @Nullable Slope of(Tree.Call it, String field, Map<String, Integer> signs) {
        if (!it.names().isEmpty()) {
            return null;
        }
        if (OneWay.BETWEEN_DAYS.contains(it.function()) && it.arguments().size() == 2) {
            return less(
                    of(it.arguments().getLast(), field, signs),
                    of(it.arguments().getFirst(), field, signs));
        }
        boolean isRounded = OneWay.ROUNDING.contains(it.function());
        if (!isRounded && !OneWay.EXTREMES.contains(it.function())) {
            return null;
        }
        Slope all = LEVEL;
        for (Tree each : isRounded ? it.arguments().subList(0, 1) : elements(it)) {
            all = sum(all, of(each, field, signs));
        }
        return all;
    }

    private static List<Tree> elements(Tree.Call it) {
        return it.arguments().size() == 1 && it.arguments().getFirst() instanceof Tree.ListOf(var elements)
                ? elements
                : it.arguments();
    }

    private static @Nullable Slope times(@Nullable Slope slope, @Nullable Integer sign) {
        return slope == null || sign == null ? null : sign > 0 ? slope : slope.turned();
    }

    /** 1 where something is never below nought, -1 where it is never above; null where that is not known. */
    private static @Nullable Integer sign(Tree tree, Map<String, Integer> signs) {
        return switch (tree) {
            case Tree.Literal(BigDecimal number) -> number.signum() < 0 ? -1 : 1;
            case Tree.Name(var name) -> signs.get(name);
            case Tree.Minus(var operand) -> turned(sign(operand, signs));
            case Tree.Arithmetic(var operation, var left, var right) -> {
                Integer one = sign(left, signs);
                Integer other = sign(right, signs);
                yield one == null || other == null
                        ? null
                        : switch (operation) {
                            case ADD -> one.equals(other) ? one : null;
                            case SUBTRACT -> one.equals(other) ? null : one;
                            case MULTIPLY, DIVIDE -> one * other;
                            case RAISE -> null;
                        };
            }
            case Tree.If(var ignored, var one, var other) -> {
                Integer sign = sign(one, signs);
                yield sign != null && sign.equals(sign(other, signs)) ? sign : null;
            }
            case Tree.Call it
            when OneWay.EXTREMES.contains(it.function()) -> {
                List<Tree> all = elements(it);
                Integer sign = all.isEmpty() ? null : sign(all.getFirst(), signs);
                yield sign != null && all.stream().allMatch(each -> sign.equals(sign(each, signs))) ? sign : null;
            }
            // Of others it may be known too, but is not asked.
            default -> null;
        };
    }

    private static @Nullable Integer turned(@Nullable Integer sign) {
        return sign == null ? null : -sign;
    }
}
