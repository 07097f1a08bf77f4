package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Supplier;
import loesscape.core.evaluation.WorkedOut;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Program;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Work;
import loesscape.core.model.Field;
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

    /** What took more than this would not be found the next time either, however little else there is. */
    private static final int MANY_TRIES = MOST_TRIES / 2;

    private final SharedVariables shared;
    private int tries;

    /**
     * @param shared what was found of other revisions
     */
    TurningPoints(SharedVariables shared) {
        this.shared = shared;
    }

    /** How often formulas were worked out. */
    int tried() {
        return tries;
    }

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
            SizeLine line,
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
        List<Object> identity = new ArrayList<>(List.of(
                rule instanceof FormulaRule.Given(var told, var formula)
                        ? List.of(told.key(), told.kind(), formula)
                        : rule,
                followed.key(),
                line,
                edges,
                prepared.symbols().language()));
        sources.forEach(source ->
                identity.add(List.of(source.field().key(), source.field().kind(), source.regions())));
        SharedVariables.Sought<Along> before = shared.along(identity);
        return before != null
                ? before.found()
                : found(
                        identity,
                        () -> new Hunt(prepared, rule, List.copyOf(sources), followed, line, edges, turns).along());
    }

    private @Nullable Along found(Object identity, Supplier<Along> hunt) {
        int begun = tries;
        Along found = null;
        try {
            found = hunt.get();
        } catch (FormulaProblem | Work.TooMuchWork | TooManyPoints notFound) {
            // It is remembered that nothing is.
        } catch (TooManyTries notFound) {
            if (tries - begun <= MANY_TRIES) {
                // What was left to others may do the next time, when these are remembered.
                return null;
            }
        }
        shared.setAlong(identity, found);
        return found;
    }

    /** How great a number can be in some regions. */
    static BigDecimal size(List<Region> regions) {
        BigDecimal size = BigDecimal.ZERO;
        for (Region region : regions) {
            if (region.value() instanceof Value.Number(var number)) {
                size = size.max(number.abs());
            }
        }
        return size;
    }

    /** What a value is to a formula. */
    static @Nullable Object given(Value value) {
        return switch (value) {
            case Value.Number(var number) -> number;
            case Value.YesNo(var yes) -> yes;
            case Value.Date(var date) -> date;
            case Value.Chosen(var choice, var ignored) -> choice;
            case Value.Blank ignored -> null;
            default -> throw new IllegalArgumentException("No answer to a field of few: " + value);
        };
    }

    /** Where what a formula gives lies among some edges; where it lies nowhere, what it is. */
    static Object place(Field field, @Nullable Object result, List<BigDecimal> edges) {
        Value value = switch (result) {
            case BigDecimal number
            when field.kind().isNumeric() ->
                WorkedOut.number(number, field.kind().mostDecimals());
            case LocalDate day -> new Value.Date(day);
            case null, default -> Value.blank();
        };
        BigDecimal point = SizeLine.point(value);
        return point != null
                ? SizeLine.position(point, edges)
                : Objects.requireNonNullElse(result instanceof BigDecimal ? null : result, "");
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

    private static final class TooManyPoints extends RuntimeException {

        TooManyPoints() {
            super(null, null, false, false);
        }
    }

    /** The search for the points of one rule. */
    private final class Hunt {

        private final List<Source> sources;
        private final Field followed;
        private final SizeLine line;
        private final Halving halving;
        private final List<Watched> watched = new ArrayList<>();
        private final TreeSet<BigDecimal> points = new TreeSet<>();
        /** What stands for the names of the sources, and last for the field that is followed. */
        private final @Nullable Object[] values;

        Hunt(
                PreparedTemplate prepared,
                FormulaRule rule,
                List<Source> sources,
                Field followed,
                SizeLine line,
                List<BigDecimal> edges,
                List<OneWay.Turn> turns) {
            this.sources = sources;
            this.followed = followed;
            this.line = line;
            this.halving = new Halving(line);
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
            BigDecimal lowest = halving.lowest();
            BigDecimal highest = halving.highest();
            if (lowest.compareTo(highest) > 0) {
                return;
            }
            BigDecimal nearest = lowest.max(highest.min(BigDecimal.ZERO));
            TreeSet<BigDecimal> starts =
                    new TreeSet<>(List.of(lowest, halving.floor(nearest).max(lowest)));
            for (Watched each : watched) {
                List<BigDecimal> pieces = new ArrayList<>(starts);
                for (int i = 0; i < pieces.size(); i++) {
                    if (i + 1 == pieces.size()) {
                        turns(each, pieces.get(i), highest, starts);
                    } else {
                        BigDecimal last = halving.before(pieces.get(i + 1));
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
            BigDecimal middle = halving.middle(from, to);
            if (middle.compareTo(from) <= 0) {
                starts.add(to);
                points.add(plainer(from, to));
                if (points.size() > MOST_POINTS) {
                    throw new TooManyPoints();
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
