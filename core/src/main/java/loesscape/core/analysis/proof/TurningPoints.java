package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import loesscape.core.evaluation.WorkedOut;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Program;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Work;
import loesscape.core.model.Bound;
import loesscape.core.model.Field;
import loesscape.core.model.Numbers;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Where a formula turns that looks at one number or day, and at few answers else: the answers of the one field at which what
 * comes of it changes, for any of the others. They are searched for by working the formula out, which finds them all where it
 * goes one way between ({@link OneWay}).
 */
final class TurningPoints {

    /** How many sets of the other answers are gone through for a formula, and how often formulas are worked out in all. */
    private static final int MOST_SETS = 64;

    private static final int MOST_TRIES = 400_000;

    /** How many answers of the one field may tell something apart. */
    private static final int MOST_POINTS = 60;

    /** The greatest number that can be typed; and one near nought, where most formulas turn. */
    private static final BigDecimal FARTHEST =
            BigDecimal.TEN.pow(Numbers.MOST_DIGITS).subtract(BigDecimal.ONE);

    private static final BigDecimal SOON = BigDecimal.valueOf(100);

    private int tries;

    /**
     * @param key of the field that is followed
     * @param points where what comes of the formula changes, in their order
     */
    record Along(String key, List<BigDecimal> points) {}

    /** What of a field is known before anything is cut. */
    record Source(Field field, List<Region> regions) {}

    /**
     * The points of a rule; null where it is not such a formula, or one for which too much had to be tried.
     *
     * @param sources what it names besides the one field, each of few answers
     * @param followed the one field
     * @param line how the answers to the one field lie
     * @param edges where the field is cut for which something is worked out; empty for a condition
     */
    @Nullable
    Along of(
            PreparedTemplate prepared,
            FormulaRule rule,
            Collection<Source> sources,
            Field followed,
            Line line,
            List<BigDecimal> edges) {
        List<Tree> trees = rule.trees();
        Map<String, BigDecimal> sizes = new HashMap<>();
        sources.forEach(source -> sizes.put(source.field().key(), size(source.regions())));
        List<OneWay.Turn> turns = trees == null ? null : OneWay.turns(trees, followed.key(), sizes);
        long sets = sources.stream()
                .mapToLong(source -> source.regions().size())
                .reduce(1, (a, b) -> Math.min(a * b, MOST_SETS + 1));
        if (turns == null || sets > MOST_SETS) {
            return null;
        }
        try {
            return new Hunt(prepared, rule, List.copyOf(sources), followed, line, edges, turns).along();
        } catch (FormulaProblem | TooManyTries | Work.TooMuchWork notFound) {
            return null;
        }
    }

    private static BigDecimal size(List<Region> regions) {
        BigDecimal size = BigDecimal.ZERO;
        for (Region region : regions) {
            if (region.value() instanceof Value.Number(var number)) {
                size = size.max(number.abs());
            }
        }
        return size;
    }

    /** What a value is to a formula. */
    private static @Nullable Object given(Value value) {
        return switch (value) {
            case Value.Number(var number) -> number;
            case Value.YesNo(var yes) -> yes;
            case Value.Date(var date) -> date;
            case Value.Chosen(var choice, var ignored) -> choice;
            case Value.Blank ignored -> null;
            default -> throw new IllegalArgumentException("No answer to a field of few: " + value);
        };
    }

    /** Something that comes of the answers, and how it is now. */
    private interface Watched {

        Object state();
    }

    private static final class TooManyTries extends RuntimeException {

        TooManyTries() {
            super(null, null, false, false);
        }
    }

    /** The search for the points of one rule. */
    private final class Hunt {

        private final List<Source> sources;
        private final Field followed;
        private final Line line;
        private final List<Watched> watched = new ArrayList<>();
        private final TreeSet<BigDecimal> points = new TreeSet<>();
        /** What stands for the names of the sources, and last for the field that is followed. */
        private final @Nullable Object[] values;

        Hunt(
                PreparedTemplate prepared,
                FormulaRule rule,
                List<Source> sources,
                Field followed,
                Line line,
                List<BigDecimal> edges,
                List<OneWay.Turn> turns) {
            this.sources = sources;
            this.followed = followed;
            this.line = line;
            this.values = new Object[sources.size() + 1];
            for (OneWay.Turn turn : turns) {
                // Both, for the two sides may be the same for some answers between.
                for (Tree.Test test : List.of(Tree.Test.AT_MOST, Tree.Test.AT_LEAST)) {
                    Program program =
                            program(prepared, Formula.text(new Tree.Comparison(test, turn.one(), turn.other())));
                    watched.add(() -> Objects.requireNonNullElse(program.run(values), ""));
                }
            }
            if (rule instanceof FormulaRule.Given(var field, var formula)) {
                Program program = program(prepared, formula);
                watched.add(() -> place(field, program.run(values), edges));
            }
        }

        private Program program(PreparedTemplate prepared, String formula) {
            List<String> names = new ArrayList<>(
                    sources.stream().map(source -> source.field().key()).toList());
            names.add(followed.key());
            SymbolTable symbols = prepared.symbols();
            return Formula.of(formula, symbols.types(null)).compile(names, Set.of(), symbols.language());
        }

        private static Object place(Field field, @Nullable Object result, List<BigDecimal> edges) {
            Value value = switch (result) {
                case BigDecimal number
                when field.kind().isNumeric() ->
                    WorkedOut.number(number, field.kind().mostDecimals());
                case LocalDate day -> new Value.Date(day);
                case null, default -> Value.blank();
            };
            BigDecimal point = Line.point(value);
            return point != null
                    ? Line.position(point, edges)
                    : Objects.requireNonNullElse(result instanceof BigDecimal ? null : result, "");
        }

        Along along() {
            sets(0);
            return new Along(followed.key(), List.copyOf(points));
        }

        private void sets(int from) {
            if (from == sources.size()) {
                search();
                return;
            }
            for (Region region : sources.get(from).regions()) {
                values[from] = given(Objects.requireNonNull(region.value()));
                sets(from + 1);
            }
        }

        /** What was found of what stands inside others parts the answers for these. */
        private void search() {
            BigDecimal lowest = lowest();
            BigDecimal highest = highest();
            if (lowest.compareTo(highest) > 0) {
                return;
            }
            BigDecimal nearest = lowest.max(highest.min(BigDecimal.ZERO));
            TreeSet<BigDecimal> starts =
                    new TreeSet<>(List.of(lowest, floor(nearest).max(lowest)));
            for (Watched each : watched) {
                List<BigDecimal> pieces = new ArrayList<>(starts);
                for (int i = 0; i < pieces.size(); i++) {
                    if (i + 1 == pieces.size()) {
                        turns(each, pieces.get(i), highest, starts);
                    } else {
                        BigDecimal last = before(pieces.get(i + 1));
                        turns(each, pieces.get(i), last, starts);
                        turns(each, last, pieces.get(i + 1), starts);
                    }
                }
            }
        }

        /** Where something begins to be otherwise that goes one way from one answer to another. */
        private void turns(Watched watched, BigDecimal from, BigDecimal to, Set<BigDecimal> starts) {
            if (from.compareTo(to) >= 0 || at(from, watched).equals(at(to, watched))) {
                return;
            }
            BigDecimal middle = middle(from, to);
            if (middle.compareTo(from) <= 0) {
                starts.add(to);
                points.add(plainer(from, to));
                if (points.size() > MOST_POINTS) {
                    throw new TooManyTries();
                }
                return;
            }
            turns(watched, from, middle, starts);
            turns(watched, middle, to, starts);
        }

        private Object at(BigDecimal point, Watched watched) {
            if (++tries > MOST_TRIES) {
                throw new TooManyTries();
            }
            values[sources.size()] = given(line.value(point));
            return watched.state();
        }

        /** An answer between two, near nought before it is far away; the first of them where there is none between. */
        private BigDecimal middle(BigDecimal from, BigDecimal to) {
            if (from.signum() <= 0 && to.signum() > 0 && to.compareTo(SOON) > 0) {
                return from.signum() < 0 ? floor(BigDecimal.ZERO) : SOON;
            }
            BigDecimal middle = isFar(from, to)
                    ? BigDecimal.TEN.pow((digits(from) + digits(to)) / 2).multiply(BigDecimal.valueOf(to.signum()))
                    : from.add(to).divide(BigDecimal.TWO);
            BigDecimal at = floor(middle);
            return at.compareTo(from) > 0 && at.compareTo(to) < 0
                    ? at
                    : next(from).compareTo(to) < 0 ? next(from) : from;
        }

        private boolean isFar(BigDecimal from, BigDecimal to) {
            return from.signum() == to.signum() && from.signum() != 0 && Math.abs(digits(from) - digits(to)) > 2;
        }

        private BigDecimal floor(BigDecimal point) {
            return line.isOfDays()
                    ? point.setScale(0, RoundingMode.FLOOR)
                    : point.setScale(decimals(point), RoundingMode.FLOOR);
        }

        private BigDecimal next(BigDecimal point) {
            return floor(point).add(BigDecimal.ONE.movePointLeft(decimals(point)));
        }

        private BigDecimal before(BigDecimal point) {
            BigDecimal floor = floor(point);
            return floor.compareTo(point) < 0 ? floor : floor.subtract(BigDecimal.ONE.movePointLeft(decimals(point)));
        }

        /** How many decimals can be typed for a number of this size. */
        private int decimals(BigDecimal point) {
            return Math.max(0, Math.min(line.step().scale(), Numbers.MOST_DIGITS - 1 - digits(point)));
        }

        private BigDecimal lowest() {
            BigDecimal least = line.isOfDays() ? Bound.number(LocalDate.of(1, 1, 1)) : FARTHEST.negate();
            return line.lowest() == null ? least : line.lowest().max(least);
        }

        private BigDecimal highest() {
            BigDecimal most = line.isOfDays() ? Bound.number(LocalDate.of(9999, 12, 31)) : FARTHEST;
            return line.highest() == null ? most : line.highest().min(most);
        }
    }

    /** How many digits stand before the point. */
    private static int digits(BigDecimal number) {
        return Math.max(0, number.precision() - number.scale());
    }

    /** Of two neighbours between which something turns either can be the edge: the one that is written shorter is. */
    private static BigDecimal plainer(BigDecimal one, BigDecimal other) {
        BigDecimal first = one.stripTrailingZeros();
        BigDecimal second = other.stripTrailingZeros();
        int decimals = Integer.compare(Math.max(0, first.scale()), Math.max(0, second.scale()));
        int order = decimals == 0 ? Integer.compare(first.precision(), second.precision()) : decimals;
        return order < 0 ? one : other;
    }
}
