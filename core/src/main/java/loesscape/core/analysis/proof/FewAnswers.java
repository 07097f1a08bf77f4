package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Standing;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Tree;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Formulas over so few answers that all of them can be gone through: over yes or no, choices, ratings, and numbers of which a
 * field takes a handful. What each gives is worked out by the evaluation, in a document of these fields alone, where nothing
 * folds; so what is said of such a formula is exact. One that loops is left alone, for how much it may do hangs on what else
 * there is.
 */
final class FewAnswers {

    /** How many sets of answers are gone through for one formula, and for all of a template. */
    private static final int MOST_EACH = 512;

    private static final int MOST = 4_000;

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

    /** Whether a formula is met that stands in no row; null where it is not over few answers. */
    @Nullable
    Integer met(String formula) {
        int[] known = variables.known(encoding.basis(formula, "met"), () -> seenMet(formula));
        return known == null ? null : known[0];
    }

    private int @Nullable [] seenMet(String formula) {
        List<Source> sources = sources(formula);
        if (sources == null) {
            return null;
        }
        Condition condition = new Condition.Written(formula);
        List<Integer> any = new ArrayList<>();
        see(sources, null, (standing, gate) -> {
            if (standing.holds(condition, null, "")) {
                any.add(gate);
            }
        });
        return new int[] {gates.or(any)};
    }

    /** Which region of a field a formula gives; null where that is not over few answers. */
    int @Nullable [] given(Field field, String formula, List<Region> regions) {
        return variables.known(
                encoding.basis(formula, "given", field.key(), field.kind()), () -> seenGiven(field, formula, regions));
    }

    private int @Nullable [] seenGiven(Field field, String formula, List<Region> regions) {
        List<Source> sources = isOfRegions(field) ? sources(formula) : null;
        if (sources == null) {
            return null;
        }
        Field alone =
                Field.of(field.key(), field.label(), field.kind()).withValue(new FieldValue.WorkedOut(formula, false));
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
        int position = -1;
        if (point != null) {
            int below = 0;
            while (below < edges.size() && edges.get(below).compareTo(point) < 0) {
                below++;
            }
            boolean isEdge = below < edges.size() && edges.get(below).compareTo(point) == 0;
            position = 2 * below + (isEdge ? 1 : 0);
        }
        for (int i = 0; i < regions.size(); i++) {
            Region region = regions.get(i);
            if (point == null ? value.equals(region.value()) : region.position() == position) {
                return i;
            }
        }
        return -1;
    }

    /** What a formula names; null where that is anything but fields of few answers, or it is too much. */
    private @Nullable List<Source> sources(String formula) {
        if (!isPlain(formula)) {
            return null;
        }
        List<Source> sources = new ArrayList<>();
        long ways = 1;
        for (var use : symbols.uses(formula)) {
            Field field = symbols.field(use.name());
            if (field == null || symbols.rowsAround(field.key()) != null) {
                return null;
            }
            if (sources.stream().anyMatch(source -> source.field().equals(field))) {
                continue;
            }
            Source source = source(field);
            ways *= source == null ? MOST_EACH + 1L : source.regions().size();
            if (source == null || ways > MOST_EACH) {
                return null;
            }
            sources.add(source);
        }
        if (gone + ways > MOST) {
            return null;
        }
        gone += (int) ways;
        return sources;
    }

    private static boolean isPlain(String formula) {
        try {
            return isPlain(Formula.tree(formula));
        } catch (FormulaProblem notUnderstood) {
            return false;
        }
    }

    private static boolean isPlain(Tree tree) {
        return !(tree instanceof Tree.For)
                && !(tree instanceof Tree.Quantified)
                && !(tree instanceof Tree.FunctionOf)
                && tree.children().stream().allMatch(FewAnswers::isPlain);
    }

    private @Nullable Source source(Field field) {
        FieldKind kind = field.kind();
        boolean isFew = kind instanceof FieldKind.YesNo
                || (kind instanceof FieldKind.OneChoice it && !it.other())
                || kind.isNumeric();
        if (!isFew || !(variables.regions(field.key()) instanceof FieldRegions.OneOf(var regions))) {
            return null;
        }
        boolean isEachOne = regions.stream()
                .allMatch(region -> region.isBlank()
                        || (region.value() != null && (!field.kind().isNumeric() || region.isSingle())));
        return isEachOne ? new Source(field, regions, encoding.counting(field)) : null;
    }

    private void see(List<Source> sources, @Nullable Field told, Sight sight) {
        CompiledTemplate alone = alone(sources, told);
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
                    alone.standing(new Answers(answers), new Context(variables.today(), Stage.FILLING, "")),
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

    /** A document of these fields alone, where all that is typed counts; no field has a key with a capital. */
    private CompiledTemplate alone(List<Source> sources, @Nullable Field told) {
        List<Item> items = new ArrayList<>();
        for (Source source : sources) {
            Field field = source.field();
            FieldKind kind = field.kind() instanceof FieldKind.Choosing it ? it.withOffer(null) : field.kind();
            items.add(Field.of(field.key(), field.label(), kind));
        }
        if (told != null) {
            items.add(told);
        }
        Template template = prepared.template();
        return CompiledTemplate.ofValid(new Template(
                "Few answers",
                "",
                List.of(new Page("Page", "", null, List.of(Section.of("Section", "", items)))),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                template.pageSettings(),
                List.of(),
                List.of()));
    }
}
