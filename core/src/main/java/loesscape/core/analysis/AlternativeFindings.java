package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.FieldRegions;
import loesscape.core.analysis.proof.Region;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Node;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Looks at items beside each other that are shown for ranges of the same answer: whether at an edge between two of them none is
 * shown, or both are.
 */
final class AlternativeFindings {

    private final EveryFilling every;
    private final SymbolTable symbols;
    private final List<Finding> found = new ArrayList<>();

    private AlternativeFindings(EveryFilling every) {
        this.every = every;
        this.symbols = every.compiled().symbols();
    }

    static List<Finding> of(EveryFilling every) {
        AlternativeFindings findings = new AlternativeFindings(every);
        findings.groups().forEach((beside, nodes) -> {
            if (nodes.size() > 1) {
                findings.look(beside.field(), nodes);
            }
        });
        return findings.found;
    }

    /** What stands in the same place and follows the same field. */
    private record Beside(String holder, String field) {}

    private Map<Beside, List<Node>> groups() {
        Map<Beside, List<Node>> groups = new LinkedHashMap<>();
        for (Node node : every.compiled().template().nodes()) {
            Condition shown = node.shown();
            if (shown == null || symbols.rowsAround(node.key()) != null) {
                continue;
            }
            Set<String> sources = symbols.sources(shown);
            String key = sources.size() == 1 ? sources.iterator().next() : "";
            Field field = symbols.field(key);
            if (field != null && field.kind().isOrdered() && symbols.rowsAround(key) == null) {
                groups.computeIfAbsent(
                                new Beside(every.compiled().holder(node.key()), key), ignored -> new ArrayList<>())
                        .add(node);
            }
        }
        return groups;
    }

    private void look(String key, List<Node> nodes) {
        if (!(every.regions(key) instanceof FieldRegions.OneOf(var regions))) {
            return;
        }
        Field field = Objects.requireNonNull(symbols.field(key), key);
        List<Region> answered = regions.subList(1, regions.size());
        List<List<Node>> shown =
                answered.stream().map(region -> shown(field, region, nodes)).toList();
        for (int i = 1; i + 1 < answered.size(); i++) {
            // A whole stretch without anything is most often meant; one answer alone, between two that have something,
            // is not.
            if (!answered.get(i).isSingle()) {
                continue;
            }
            List<Node> below = shown.get(i - 1);
            List<Node> above = shown.get(i + 1);
            boolean isGap = shown.get(i).isEmpty() && !below.isEmpty() && !above.isEmpty();
            boolean isOverlap = shown.get(i).size() == 2
                    && below.size() == 1
                    && above.size() == 1
                    && !below.getFirst().key().equals(above.getFirst().key());
            if (isGap) {
                report(
                        field,
                        answered.get(i),
                        below.getFirst(),
                        "Where %s, neither “%s” nor “%s” is shown; let one of them take the edge."
                                .formatted(
                                        words(field, answered.get(i)),
                                        below.getFirst().name(),
                                        above.getFirst().name()),
                        EdgeMends.taking(field, answered.get(i), List.of(below.getFirst(), above.getFirst())));
            } else if (isOverlap) {
                report(
                        field,
                        answered.get(i),
                        above.getFirst(),
                        "Where %s, both “%s” and “%s” are shown; let the edge belong to one of them."
                                .formatted(
                                        words(field, answered.get(i)),
                                        below.getFirst().name(),
                                        above.getFirst().name()),
                        EdgeMends.leaving(field, answered.get(i), List.of(below.getFirst(), above.getFirst())));
            }
        }
    }

    private static String words(Field field, Region region) {
        return Boundaries.words(field, region.typed());
    }

    private List<Node> shown(Field field, Region region, List<Node> nodes) {
        Claim given = given(field, region);
        return given == null
                ? List.of()
                : nodes.stream()
                        .filter(node -> !every.isImpossible(
                                List.of(given, new Claim.Meets(Objects.requireNonNull(node.shown()), null, true))))
                        .toList();
    }

    private static @Nullable Claim given(Field field, Region region) {
        Operand at = switch (region.value()) {
            case Value.Number(var number) -> new Operand.NumberOperand(number);
            case Value.Date(var date) -> new Operand.DateOperand(date);
            case Value.Time(var time) -> new Operand.TimeOperand(time);
            case null, default -> null;
        };
        return at == null
                ? null
                : new Claim.Meets(new Clause.Comparison(field.key(), OrderTest.EQUAL, at, null), null, true);
    }

    /** Told only with an example in which the place of the items is there. */
    private void report(Field field, Region region, Node node, String message, List<Mend> mends) {
        Claim given = given(field, region);
        if (given != null
                && every.decide(List.of(new Claim.Stands(node.key()), given))
                        instanceof Decision.Possible(var example)) {
            found.add(new Finding(FindingTopic.LOGIC, node.key(), message, example, mends));
        }
    }
}
