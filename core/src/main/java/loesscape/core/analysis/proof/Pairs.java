package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Program;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Work;
import loesscape.core.model.Field;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/**
 * The rules that look at two fields of many answers together, those with the same quantity in one; and the bands that they
 * tell apart. Along a way on which each of the two answers goes one way, so does the quantity; so the bands of a cell are
 * those between its two corners, and each of them is searched for along two such ways. Where one is not found, nothing is
 * said of these rules.
 */
final class Pairs {

    /** How often formulas are worked out in all, and for one quantity. */
    private static final int MOST_TRIES = 60_000;

    private static final int MOST_EACH = 20_000;

    /** How many sets of other answers are gone through for a rule. */
    private static final int MOST_SETS = 32;

    private static final int MOST_CELLS = 600;
    private static final int MOST_BANDS = 40;

    /** Numbers at which short answers are found. */
    private static final List<Integer> NEAR = List.of(1, 2, 3, 5, 10, 20, 50, 100, 1_000);

    private final Map<Rule, Together> found = new HashMap<>();
    private final SharedVariables shared;
    private int tries;

    /** A rule of a version. */
    private record Rule(PreparedTemplate version, FormulaRule rule) {}

    /**
     * A rule that looks at two fields.
     *
     * @param few the others that it names
     */
    record SeenFormula(PreparedTemplate version, FormulaRule rule, TwoFields fields, List<TurningPoints.Source> few) {}

    private record Quantity(String one, String other, String quantity, boolean isTurned) {}

    private static final class TooMuch extends RuntimeException {

        TooMuch() {
            super(null, null, false, false);
        }
    }

    /**
     * @param seen the rules that look at two fields
     * @param cutting which has cut all fields
     * @param shared what was found of other revisions
     */
    Pairs(List<SeenFormula> seen, Cutting cutting, SharedVariables shared) {
        this.shared = shared;
        Map<Quantity, List<SeenFormula>> groups = new LinkedHashMap<>();
        for (SeenFormula each : seen) {
            TwoFields fields = each.fields();
            groups.computeIfAbsent(
                            new Quantity(fields.one(), fields.other(), fields.quantity(), fields.turned()),
                            ignored -> new ArrayList<>())
                    .add(each);
        }
        groups.values().forEach(group -> {
            if (group.stream().anyMatch(each -> each.rule().hasFormula())) {
                Together together = together(group, cutting);
                if (together != null) {
                    group.forEach(each -> found.put(new Rule(each.version(), each.rule()), together));
                }
            }
        });
    }

    /** The two fields that a rule looks at, as far as it and others tell their answers apart; null where that is not known. */
    @Nullable
    Together of(PreparedTemplate version, FormulaRule rule) {
        return found.get(new Rule(version, rule));
    }

    private @Nullable Together together(List<SeenFormula> group, Cutting cutting) {
        TwoFields fields = group.getFirst().fields();
        Together.Edge one = edge(fields.one(), cutting);
        Together.Edge other = edge(fields.other(), cutting);
        if (one == null
                || other == null
                || (long) one.extents().size() * other.extents().size() > MOST_CELLS) {
            return null;
        }
        try {
            return remembered(new Search(group, one, other, fields.turned(), cutting));
        } catch (FormulaProblem | TooMuch | Work.TooMuchWork notFound) {
            return null;
        }
    }

    private @Nullable Together remembered(Search search) {
        SharedVariables.Sought<Together> before = shared.together(search.identity);
        if (before != null) {
            return before.found();
        }
        int begun = tries;
        try {
            Together found = search.together();
            shared.setTogether(search.identity, found);
            return found;
        } catch (TooMuch notFound) {
            // What was left to others may do the next time, when these are remembered.
            if (tries <= MOST_TRIES || tries - begun > MOST_EACH) {
                shared.setTogether(search.identity, null);
            }
            throw notFound;
        }
    }

    private static Together.@Nullable Edge edge(String key, Cutting cutting) {
        if (!(cutting.of(key) instanceof FieldRegions.OneOf(var regions))) {
            return null;
        }
        Field field = cutting.field(key);
        SizeLine line = SizeLine.of(field.kind());
        Halving halving = new Halving(line);
        List<BigDecimal> edges = cutting.allEdges(key);
        List<Together.Extent> extents = new ArrayList<>();
        for (int i = 1; i < regions.size(); i++) {
            int position = regions.get(i).position();
            BigDecimal plain = Objects.requireNonNull(
                    SizeLine.point(Objects.requireNonNull(regions.get(i).value())));
            if (regions.get(i).isEdge()) {
                BigDecimal at = edges.get(position / 2);
                extents.add(new Together.Extent(i, at, at, at));
            } else {
                BigDecimal first = line.first(position == 0 ? null : edges.get(position / 2 - 1));
                BigDecimal last = line.last(position / 2 == edges.size() ? null : edges.get(position / 2));
                extents.add(new Together.Extent(
                        i, first == null ? halving.lowest() : first, last == null ? halving.highest() : last, plain));
            }
        }
        return new Together.Edge(field, line, extents);
    }

    /** Something that grows by steps. */
    private interface Steps {

        int at(Object one, Object other);
    }

    /** The search for the bands of one quantity. */
    private final class Search {

        private final Together.Edge one;
        private final Together.Edge other;
        private final boolean isTurned;
        private final Cutting cutting;
        private final boolean goesStepByStep;
        private int triedHere;
        private final Map<Object, Steps> steps = new LinkedHashMap<>();
        private final List<Object> identity = new ArrayList<>();
        private final Map<Together.Cell, NavigableMap<Integer, Together.Point>> levels = new LinkedHashMap<>();

        Search(List<SeenFormula> group, Together.Edge one, Together.Edge other, boolean isTurned, Cutting cutting) {
            this.one = one;
            this.other = other;
            this.isTurned = isTurned;
            this.goesStepByStep = group.getFirst().fields().isDifference()
                    && one.line().step().compareTo(other.line().step()) == 0;
            this.cutting = cutting;
            identity.add("together");
            identity.add(List.of(
                    one.field().key(), one.line(), cutting.of(one.field().key())));
            identity.add(List.of(
                    other.field().key(), other.line(), cutting.of(other.field().key())));
            group.forEach(this::steps);
        }

        private void steps(SeenFormula seen) {
            List<String> names = new ArrayList<>(
                    seen.few().stream().map(source -> source.field().key()).toList());
            names.add(one.field().key());
            names.add(other.field().key());
            SymbolTable symbols = seen.version().symbols();
            Map<String, Program> programs = new LinkedHashMap<>();
            for (TwoFields.Side side : seen.fields().sides()) {
                Tree greater = side.grows() ? side.first() : side.second();
                Tree less = side.grows() ? side.second() : side.first();
                for (Tree.Test test : side.tests()) {
                    String formula = Formula.text(new Tree.Comparison(test, greater, less));
                    identity.add(formula);
                    programs.put(
                            formula,
                            Formula.of(formula, symbols.types(null)).compile(names, Set.of(), symbols.language()));
                }
            }
            identity.add(List.of(seen.rule(), seen.few()));
            for (List<Object> few : sets(seen)) {
                programs.forEach((formula, program) -> steps.putIfAbsent(
                        List.of(formula, named(formula, seen, few)),
                        (first, second) -> Boolean.TRUE.equals(run(program, few, first, second)) ? 1 : 0));
                Slope places = seen.fields().places();
                if (places != null && seen.rule() instanceof FormulaRule.Given(var field, var formula)) {
                    Program program =
                            Formula.of(formula, symbols.types(null)).compile(names, Set.of(), symbols.language());
                    List<BigDecimal> edges = cutting.allEdges(field.key());
                    identity.add(edges);
                    int sign = places == Slope.UP ? 1 : -1;
                    steps.putIfAbsent(
                            List.of(formula, named(formula, seen, few), edges, field.kind()),
                            (first, second) -> sign * place(field, run(program, few, first, second), edges));
                }
            }
        }

        /** The answers among some that a formula looks at. */
        private static List<Object> named(String formula, SeenFormula seen, List<Object> few) {
            Tree tree = Formula.tree(formula);
            List<Object> named = new ArrayList<>();
            for (int i = 0; i < few.size(); i++) {
                if (tree.mentions(seen.few().get(i).field().key())) {
                    named.add(few.get(i));
                }
            }
            return named;
        }

        private int place(Field field, @Nullable Object result, List<BigDecimal> edges) {
            if (TurningPoints.place(field, result, edges) instanceof Integer place) {
                return place;
            }
            throw new TooMuch();
        }

        private @Nullable Object run(Program program, List<Object> few, Object first, Object second) {
            @Nullable Object[] values = new Object[few.size() + 2];
            for (int i = 0; i < few.size(); i++) {
                values[i] = few.get(i) == NOTHING ? null : few.get(i);
            }
            values[few.size()] = first;
            values[few.size() + 1] = second;
            return program.run(values);
        }

        Together together() {
            for (Together.Extent first : one.extents()) {
                for (Together.Extent second : other.extents()) {
                    cell(first, second);
                }
            }
            int lowest = levels.values().stream()
                    .mapToInt(NavigableMap::firstKey)
                    .min()
                    .orElse(0);
            int highest = levels.values().stream()
                    .mapToInt(NavigableMap::lastKey)
                    .max()
                    .orElse(0);
            if (highest - lowest >= MOST_BANDS) {
                throw new TooMuch();
            }
            Map<Together.Cell, NavigableMap<Integer, Together.Point>> cells = new LinkedHashMap<>();
            levels.forEach((cell, some) -> {
                NavigableMap<Integer, Together.Point> own = new TreeMap<>();
                some.forEach((level, point) -> own.put(level - lowest, point));
                cells.put(cell, own);
            });
            return new Together(
                    one,
                    other,
                    isTurned,
                    identity,
                    highest - lowest + 1,
                    cells,
                    (first, second) -> level(first, second) - lowest);
        }

        /** Which levels there are in a cell; where one is missed between two, nothing is known of all. */
        private void cell(Together.Extent first, Together.Extent second) {
            NavigableMap<Integer, Together.Point> own = new TreeMap<>();
            levels.put(new Together.Cell(first.region(), second.region()), own);
            BigDecimal lowest = isTurned ? second.last() : second.first();
            BigDecimal highest = isTurned ? second.first() : second.last();
            BigDecimal plain = first.plain();
            note(new Together.Point(plain, second.plain()), own);
            note(new Together.Point(first.first(), lowest), own);
            note(new Together.Point(first.last(), highest), own);
            if (own.size() == 1) {
                // Between two corners of one level there is no other.
                return;
            }
            BigDecimal atOther = second.plain();
            alongOther(plain, second, own);
            alongOne(first, atOther, own);
            alongOne(first, lowest, own);
            alongOther(first.last(), second, own);
            List<BigDecimal> further = further(one.line(), first);
            for (int i = 0; i < further.size() && isMissed(own); i++) {
                alongOther(further.get(i), second, own);
            }
            if (isMissed(own)) {
                throw new TooMuch();
            }
        }

        /** Whether there may be more; not where two differ, for they do so step by step. */
        private boolean isMissed(NavigableMap<Integer, Together.Point> own) {
            return !goesStepByStep && own.lastKey() - own.firstKey() >= own.size();
        }

        /** Some answers in a region, short ones first. */
        private static List<BigDecimal> further(SizeLine line, Together.Extent extent) {
            List<BigDecimal> all = new ArrayList<>();
            for (int near : NEAR) {
                BigDecimal number = BigDecimal.valueOf(near);
                if (number.compareTo(extent.first()) > 0 && number.compareTo(extent.last()) < 0) {
                    all.add(number);
                }
            }
            Halving halving = new Halving(line);
            BigDecimal from = extent.first();
            BigDecimal to = extent.last();
            for (int i = 0; i < NEAR.size() && from.compareTo(to) < 0; i++) {
                BigDecimal middle = halving.middle(from, to);
                all.add(middle);
                to = middle;
            }
            return all;
        }

        private void note(Together.Point point, NavigableMap<Integer, Together.Point> own) {
            own.putIfAbsent(level(point.one(), point.other()), point);
        }

        private void alongOne(Together.Extent extent, BigDecimal at, NavigableMap<Integer, Together.Point> own) {
            halve(new Halving(one.line()), extent.first(), extent.last(), point -> new Together.Point(point, at), own);
        }

        private void alongOther(BigDecimal at, Together.Extent extent, NavigableMap<Integer, Together.Point> own) {
            halve(
                    new Halving(other.line()),
                    extent.first(),
                    extent.last(),
                    point -> new Together.Point(at, point),
                    own);
        }

        private void halve(
                Halving halving,
                BigDecimal from,
                BigDecimal to,
                Function<BigDecimal, Together.Point> at,
                NavigableMap<Integer, Together.Point> own) {
            Together.Point low = at.apply(from);
            Together.Point high = at.apply(to);
            note(low, own);
            note(high, own);
            if (from.compareTo(to) >= 0 || level(low.one(), low.other()) == level(high.one(), high.other())) {
                return;
            }
            BigDecimal middle = halving.middle(from, to);
            if (middle.compareTo(from) > 0) {
                halve(halving, from, middle, at, own);
                halve(halving, middle, to, at, own);
            }
        }

        private int level(BigDecimal first, BigDecimal second) {
            Object left = Objects.requireNonNull(TurningPoints.given(one.line().value(first)));
            Object right =
                    Objects.requireNonNull(TurningPoints.given(other.line().value(second)));
            int level = 0;
            for (Steps each : steps.values()) {
                count();
                level += each.at(left, right);
            }
            return level;
        }

        private void count() {
            if (++tries > MOST_TRIES || ++triedHere > MOST_EACH) {
                throw new TooMuch();
            }
        }
    }

    private static final Object NOTHING = new Object();

    /** All sets of answers to the fields of few. */
    private static List<List<Object>> sets(SeenFormula seen) {
        return gone(seen).stream()
                .map(set -> set.stream()
                        .map(region -> Objects.requireNonNullElse(
                                TurningPoints.given(Objects.requireNonNull(region.value())), NOTHING))
                        .toList())
                .toList();
    }

    private static List<List<Region>> gone(SeenFormula seen) {
        List<List<Region>> sets = List.of(List.of());
        for (TurningPoints.Source source : seen.few()) {
            List<List<Region>> longer = new ArrayList<>();
            for (List<Region> set : sets) {
                for (Region region : source.regions()) {
                    List<Region> more = new ArrayList<>(set);
                    more.add(region);
                    longer.add(more);
                }
            }
            sets = longer;
            if (sets.size() > MOST_SETS) {
                throw new TooMuch();
            }
        }
        return sets;
    }
}
