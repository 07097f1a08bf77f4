package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.Standing;
import loesscape.core.expression.Tree;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
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

    /** A field that a formula names, and the answers that count in it, blank first. */
    private record Source(Field field, List<Region> regions, int[] counting) {}

    /** What a formula is asked, and where what counts is the answer of each region. */
    private interface Sight {

        void see(Standing standing, int gate);
    }

    /** Whether a condition is met that stands in no row; null where it hangs on no formula over few answers. */
    @Nullable
    Integer met(Condition.Leaf leaf) {
        FormulaRule.Met rule = FormulaRule.of(leaf);
        int[] known = rule == null ? null : variables.known(encoding.basis(leaf, "met"), () -> seenMet(rule));
        return known == null ? null : known[0];
    }

    private int @Nullable [] seenMet(FormulaRule.Met rule) {
        List<Source> sources = sources(rule);
        if (sources == null) {
            return null;
        }
        List<Integer> any = new ArrayList<>();
        see(sources, null, (standing, gate) -> {
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
                encoding.basis(rule.formula(), "given", field.key(), field.kind(), regions),
                () -> seenGiven(rule, regions));
    }

    private int @Nullable [] seenGiven(FormulaRule.Given rule, List<Region> regions) {
        Field field = rule.field();
        List<Source> sources = isOfRegions(field) ? sources(rule) : null;
        if (sources == null) {
            return null;
        }
        Field alone = Field.of(field.key(), field.label(), field.kind())
                .withValue(new FieldValue.WorkedOut(rule.formula(), false));
        List<BigDecimal> edges = variables.cutting().allEdges(field.key());
        List<List<Integer>> given = new ArrayList<>();
        regions.forEach(region -> given.add(new ArrayList<>()));
        boolean[] isLost = new boolean[1];
        see(sources, alone, (standing, gate) -> {
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
                        parent -> source(parent, isFew(parent) || isCellByCell(parent)))
                : null;
        if (sources == null) {
            return null;
        }
        Map<String, List<Integer>> left = new HashMap<>();
        see(sources, Field.of(field.key(), field.label(), kind), (standing, gate) -> {
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
        BigDecimal point = value.isBlank() ? null : Line.point(value);
        int position = point == null ? -1 : Line.position(point, edges);
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
        return sources(rule.names(symbols), field -> {
            boolean isFollowed = variables.cutting().isAlong(prepared, rule, field.key());
            return source(field, isFew(field) || isFollowed);
        });
    }

    /** Some fields with what counts in each; null where one of them is none, or stands in rows, or it is too much. */
    private @Nullable List<Source> sources(Collection<String> names, Function<Field, @Nullable Source> source) {
        List<Source> sources = new ArrayList<>();
        long ways = 1;
        for (String name : names) {
            Field field = symbols.field(name);
            Source each = field == null || symbols.rowsAround(name) != null ? null : source.apply(field);
            ways *= each == null ? MOST_EACH + 1L : each.regions().size();
            if (each == null || ways > MOST_EACH) {
                return null;
            }
            sources.add(each);
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
                ? new Source(field, regions, encoding.counting(field))
                : null;
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

    private void see(List<Source> sources, @Nullable Field told, Sight sight) {
        FormulaDocument alone = new FormulaDocument(
                prepared.template(),
                variables.today(),
                sources.stream().map(Source::field).toList(),
                told == null ? List.of() : List.of(told));
        int[] at = new int[sources.size()];
        while (true) {
            Map<String, String> answers = new TreeMap<>();
            int[] counts = new int[at.length];
            for (int i = 0; i < at.length; i++) {
                Source source = sources.get(i);
                answers.put(source.field().key(), source.regions().get(at[i]).typed());
                counts[i] = source.counting()[at[i]];
            }
            sight.see(
                    alone.standing(answers),
                    gates.and(Arrays.stream(counts).boxed().toList()));
            int next = 0;
            while (next < at.length && ++at[next] == sources.get(next).regions().size()) {
                at[next++] = 0;
            }
            if (next == at.length) {
                return;
            }
        }
    }
}
