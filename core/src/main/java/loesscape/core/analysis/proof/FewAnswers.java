package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.Function;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.Standing;
import loesscape.core.expression.Tree;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Formulas over so few answers that all of them can be gone through: over yes or no, choices, ratings, numbers of which a field
 * takes a handful, and one number or day that is cut where the formula turns ({@link TurningPoints}). What each gives is worked out by the evaluation, in a document of these fields alone, where nothing
 * folds; so what is said of such a formula is exact. One that loops is left alone, for how much it may do hangs on what else
 * there is.
 */
final class FewAnswers {

    /** How many sets of answers are gone through for one formula, and for all of a template. */
    private static final int MOST_EACH = 1_024;

    private static final int MOST = 6_000;

    private final PreparedTemplate prepared;
    private final SymbolTable symbols;
    private final Encoding encoding;
    private final AnswerVariables variables;
    private final Gates gates;
    private int gone;

    FewAnswers(PreparedTemplate prepared, Encoding encoding, AnswerVariables variables) {
        this.prepared = prepared;
        this.symbols = prepared.symbols();
        this.encoding = encoding;
        this.variables = variables;
        this.gates = variables.gates();
    }

    /**
     * What a formula names: a field, or two that it looks at together.
     *
     * @param typed answers to them that stand for all
     * @param counting for each of these, where such answers count
     */
    private record Source(List<Field> fields, List<Map<String, String>> typed, int[] counting) {}

    /** What a formula is asked, and where what counts is the answer of each region. */
    private interface Sight {

        void see(Standing standing, int gate);
    }

    /** Whether a condition is met that stands in no row; null where it hangs on no formula over few answers. */
    @Nullable
    Integer met(Condition.Leaf leaf) {
        FormulaRule.Met rule = new FormulaRule.Met(leaf);
        if (!rule.hasFormula() && together(rule) == null) {
            return null;
        }
        int[] known = variables.known(encoding.basis(leaf, "met", bandsOf(rule)), () -> seenMet(rule));
        return known == null ? null : known[0];
    }

    private int @Nullable [] seenMet(FormulaRule.Met rule) {
        List<Source> sources = sources(rule);
        if (sources == null) {
            return null;
        }
        List<Integer> any = new ArrayList<>();
        see(sources, fields -> document(fields, rule), (standing, gate) -> {
            if (standing.holds(rule.leaf(), null, "")) {
                any.add(gate);
            }
        });
        return new int[] {gates.or(any)};
    }

    /** Which region of a field a formula gives; null where that is not over few answers. */
    int @Nullable [] given(FormulaRule.Given rule, List<Region> regions) {
        Field field = rule.field();
        return variables.known(
                encoding.basis(rule.formula(), "given", field.key(), field.kind(), regions, bandsOf(rule)),
                () -> seenGiven(rule, regions));
    }

    private int @Nullable [] seenGiven(FormulaRule.Given rule, List<Region> regions) {
        Field field = rule.field();
        List<Source> sources = isOfRegions(field) ? sources(rule) : null;
        if (sources == null) {
            return null;
        }
        List<BigDecimal> edges = variables.cutting().allEdges(field.key());
        List<List<Integer>> given = new ArrayList<>();
        regions.forEach(region -> given.add(new ArrayList<>()));
        boolean[] isLost = new boolean[1];
        see(sources, fields -> document(fields, rule), (standing, gate) -> {
            int region = region(standing.counting(field.key(), ""), regions, edges);
            if (region < 0) {
                isLost[0] = true;
            } else {
                given.get(region).add(gate);
            }
        });
        return isLost[0] ? null : given.stream().mapToInt(gates::or).toArray();
    }

    /**
     * For which answers of others a list leaves a cell, by the regions of its field; null where these others are not of few
     * answers, or some cells are not told apart.
     */
    int @Nullable [] offered(Field field, FieldKind.Lookup kind, List<Region> regions) {
        return variables.known(
                encoding.offering(kind, "offered", field.key(), regions), () -> seenOffered(field, kind, regions));
    }

    private int @Nullable [] seenOffered(Field field, FieldKind.Lookup kind, List<Region> regions) {
        List<Source> sources = variables.cutting().isCellByCell(field.key())
                ? sources(
                        new LinkedHashSet<>(kind.filters().values()),
                        null,
                        parent -> source(parent, isFew(parent) || isCellByCell(parent)))
                : null;
        if (sources == null) {
            return null;
        }
        Map<String, List<Integer>> left = new HashMap<>();
        Field alone = Field.of(field.key(), field.label(), kind);
        see(sources, fields -> document(fields, List.of(alone)), (standing, gate) -> {
            if (standing.state().of(field.key()) instanceof FieldState it && it.offered() != null) {
                it.offered()
                        .forEach(cell -> left.computeIfAbsent(cell, ignored -> new ArrayList<>())
                                .add(gate));
            }
        });
        return regions.stream()
                .mapToInt(region -> gates.or(left.getOrDefault(region.typed(), List.of())))
                .toArray();
    }

    private boolean isCellByCell(Field field) {
        return variables.cutting().isCellByCell(field.key());
    }

    private static boolean isOfRegions(Field field) {
        FieldKind kind = field.kind();
        return kind instanceof FieldKind.YesNo
                || (kind instanceof FieldKind.OneChoice it && it.offer() == null && !it.other())
                || kind.isNumeric()
                || kind instanceof FieldKind.Date
                || kind instanceof FieldKind.Time;
    }

    private static int region(Value value, List<Region> regions, List<BigDecimal> edges) {
        BigDecimal point = value.isBlank() ? null : SizeLine.point(value);
        int position = point == null ? -1 : SizeLine.position(point, edges);
        for (int i = 0; i < regions.size(); i++) {
            Region region = regions.get(i);
            if (point == null ? value.equals(region.value()) : region.position() == position) {
                return i;
            }
        }
        return -1;
    }

    /** What a rule names; null where that is anything but fields of few answers and one that it follows, or it is too much. */
    private @Nullable List<Source> sources(FormulaRule rule) {
        List<Tree> trees = rule.trees();
        if (trees == null || !trees.stream().allMatch(FewAnswers::isPlain)) {
            return null;
        }
        return sources(rule.names(symbols), together(rule), field -> {
            boolean isFollowed = variables.cutting().isAlong(prepared, rule, field.key());
            return source(field, isFew(field) || isFollowed);
        });
    }

    /** Some fields with what counts in each; null where one of them is none, or stands in rows, or it is too much. */
    private @Nullable List<Source> sources(
            Collection<String> names, @Nullable Together together, Function<Field, @Nullable Source> source) {
        List<Source> sources = new ArrayList<>();
        if (together != null) {
            sources.add(source(together));
        }
        for (String name : names) {
            if (together != null
                    && (name.equals(together.one().key())
                            || name.equals(together.other().key()))) {
                continue;
            }
            Field field = symbols.field(name);
            Source each = field == null || symbols.rowsAround(name) != null ? null : source.apply(field);
            if (each == null) {
                return null;
            }
            sources.add(each);
        }
        long ways = 1;
        for (Source each : sources) {
            ways *= each.typed().size();
            if (ways > MOST_EACH) {
                return null;
            }
        }
        if (gone + ways > MOST) {
            return null;
        }
        gone += (int) ways;
        return sources;
    }

    private static boolean isPlain(Tree tree) {
        return !(tree instanceof Tree.For)
                && !(tree instanceof Tree.Quantified)
                && !(tree instanceof Tree.FunctionOf)
                && tree.children().stream().allMatch(FewAnswers::isPlain);
    }

    /** A field with the answers that count in it; null where they are not to be gone through. */
    private @Nullable Source source(Field field, boolean is) {
        return is && variables.regions(field.key()) instanceof FieldRegions.OneOf(var regions)
                ? new Source(
                        List.of(field),
                        regions.stream()
                                .map(region -> Map.of(field.key(), region.typed()))
                                .toList(),
                        encoding.counting(field))
                : null;
    }

    private @Nullable Together together(FormulaRule rule) {
        return variables.cutting().together(prepared, rule);
    }

    /** What says what the bands of a rule are; they are asked for where what hangs on them is remembered too, for examples need them. */
    private Object bandsOf(FormulaRule rule) {
        Together together = together(rule);
        if (together == null) {
            return "";
        }
        variables.bands(together);
        return together.identity();
    }

    /** Two fields that are looked at together: one of them blank, or both, or answers of each band in each pair of regions. */
    private Source source(Together together) {
        Field one = Objects.requireNonNull(symbols.field(together.one().key()));
        Field other = Objects.requireNonNull(symbols.field(together.other().key()));
        int[] mine = encoding.counting(one);
        int[] yours = encoding.counting(other);
        int[] bands = variables.bands(together).variables();
        List<Integer> counting = new ArrayList<>();
        List<Map<String, String>> typed = new ArrayList<>();
        together.cells().forEach((cell, own) -> {
            int here = gates.and(mine[cell.one()], yours[cell.other()]);
            Map<Integer, List<Integer>> standing = new TreeMap<>();
            for (int band = 0; band < bands.length; band++) {
                standing.computeIfAbsent(Together.nearest(own, band), ignored -> new ArrayList<>())
                        .add(bands[band]);
            }
            standing.forEach((band, each) -> {
                Together.Point point = Objects.requireNonNull(own.get(band));
                counting.add(own.size() == 1 ? here : gates.and(here, gates.or(each)));
                typed.add(typed(together, point.one(), point.other()));
            });
        });
        typed.add(typed(together, null, null));
        counting.add(gates.and(mine[0], yours[0]));
        together.someOfOne().forEach((region, point) -> {
            typed.add(typed(together, point, null));
            counting.add(gates.and(mine[region], yours[0]));
        });
        together.someOfOther().forEach((region, point) -> {
            typed.add(typed(together, null, point));
            counting.add(gates.and(mine[0], yours[region]));
        });
        return new Source(
                List.of(one, other),
                typed,
                counting.stream().mapToInt(Integer::intValue).toArray());
    }

    private static Map<String, String> typed(Together together, @Nullable BigDecimal one, @Nullable BigDecimal other) {
        return Map.of(
                together.one().key(),
                one == null ? "" : together.typedOne(one),
                together.other().key(),
                other == null ? "" : together.typedOther(other));
    }

    /** Whether each region of a field is one answer. */
    private boolean isFew(Field field) {
        FieldKind kind = field.kind();
        return switch (variables.regions(field.key())) {
            case FieldRegions.AnyOf ignored -> false;
            case FieldRegions.OneOf(var regions) ->
                kind instanceof FieldKind.YesNo
                        || (kind instanceof FieldKind.OneChoice it && !it.other())
                        || (kind.isNumeric()
                                && regions.stream().allMatch(region -> region.isBlank() || region.isSingle()));
        };
    }

    private FormulaDocument document(List<Field> fields, FormulaRule rule) {
        return FormulaDocument.of(prepared.template(), variables.today(), fields, rule);
    }

    private FormulaDocument document(List<Field> fields, List<Field> told) {
        return new FormulaDocument(prepared.template(), variables.today(), fields, told);
    }

    private void see(List<Source> sources, Function<List<Field>, FormulaDocument> document, Sight sight) {
        FormulaDocument alone = document.apply(
                sources.stream().flatMap(source -> source.fields().stream()).toList());
        int[] at = new int[sources.size()];
        while (true) {
            Map<String, String> answers = new TreeMap<>();
            int[] counts = new int[at.length];
            for (int i = 0; i < at.length; i++) {
                Source source = sources.get(i);
                answers.putAll(source.typed().get(at[i]));
                counts[i] = source.counting()[at[i]];
            }
            sight.see(
                    alone.standing(answers),
                    gates.and(Arrays.stream(counts).boxed().toList()));
            int next = 0;
            while (next < at.length && ++at[next] == sources.get(next).typed().size()) {
                at[next++] = 0;
            }
            if (next == at.length) {
                return;
            }
        }
    }
}
