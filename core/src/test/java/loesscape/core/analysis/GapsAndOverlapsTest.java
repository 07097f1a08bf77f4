package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.State;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** Gaps and overlaps between items for ranges of one answer, against going through all its answers one by one. */
class GapsAndOverlapsTest {

    /** An answer at which it is so, and the items that leave it out, or both take it. */
    private record At(BigDecimal answer, Set<String> items) {}

    private static final List<String> NOTES = List.of("n0", "n1", "n2", "n3");

    @Test
    void whatIsFoundIsWhatAllAnswersShow() {
        int[] told = new int[2];
        Cases.check("gaps and overlaps, all answers gone through", 1_000, (random, size) -> {
            int decimals = random.nextInt(2);
            BigDecimal step = BigDecimal.ONE.movePointLeft(decimals);
            int least = random.nextInt(3) - 1;
            int most = 4 + random.nextInt(3);
            Template template = template(random, decimals, least, most);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            List<At> expected = expected(compiled, BigDecimal.valueOf(least), BigDecimal.valueOf(most), step);
            Map<BigDecimal, At> found = new TreeMap<>();
            for (Finding finding : LogicFindings.of(EveryFilling.of(compiled, LocalDate.of(2026, 11, 29)))) {
                if (finding.message().startsWith("Where Depth is ")) {
                    Map<String, String> answers =
                            Objects.requireNonNull(finding.example()).answers();
                    BigDecimal answer = new BigDecimal(Objects.requireNonNull(answers.get("depth")));
                    Set<String> items = NOTES.stream()
                            .filter(note -> finding.message().contains("“" + note + "”"))
                            .collect(Collectors.toCollection(TreeSet::new));
                    found.put(answer, new At(answer, items));
                }
            }
            assertThat(found.keySet())
                    .as("%s", template)
                    .isEqualTo(expected.stream().map(At::answer).collect(Collectors.toCollection(TreeSet::new)));
            for (At at : expected) {
                // A gap may lie between several; it is told of one on each side.
                assertThat(at.items())
                        .as("%s at %s", template, at.answer())
                        .containsAll(
                                Objects.requireNonNull(found.get(at.answer())).items());
            }
            told[expected.isEmpty() ? 0 : 1]++;
        });
        assertThat(told).doesNotContain(0);
    }

    private static List<At> expected(CompiledTemplate compiled, BigDecimal least, BigDecimal most, BigDecimal step) {
        List<At> all = new ArrayList<>();
        for (BigDecimal at = least.add(step); at.compareTo(most) < 0; at = at.add(step)) {
            Set<String> below = shown(compiled, at.subtract(step));
            Set<String> here = shown(compiled, at);
            Set<String> above = shown(compiled, at.add(step));
            Set<String> around = new TreeSet<>(below);
            around.addAll(above);
            boolean isGap = here.isEmpty() && !below.isEmpty() && !above.isEmpty();
            boolean isOverlap = here.size() == 2 && below.size() == 1 && above.size() == 1 && !below.equals(above);
            if (isGap || isOverlap) {
                all.add(new At(at.stripTrailingZeros().add(BigDecimal.ZERO), around));
            }
        }
        return all.stream()
                .map(at -> new At(new BigDecimal(at.answer().toPlainString()), at.items()))
                .toList();
    }

    private static Set<String> shown(CompiledTemplate compiled, BigDecimal depth) {
        State state = compiled.evaluate(new Answers(Map.of("depth", depth.toPlainString())));
        return NOTES.stream()
                .filter(note ->
                        state.nodes().containsKey(note) && state.of(note).shown())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Template template(RandomGenerator random, int decimals, int least, int most) {
        List<Item> items = new ArrayList<>();
        items.add(Field.of(
                "depth",
                "Depth",
                new FieldKind.Number(
                        decimals,
                        "",
                        new Bound(BigDecimal.valueOf(least), true),
                        new Bound(BigDecimal.valueOf(most), true))));
        for (int i = 0; i < 2 + random.nextInt(3); i++) {
            items.add(Field.of(NOTES.get(i), NOTES.get(i), new FieldKind.Text("", 0))
                    .withShown(condition(random, decimals)));
        }
        return Documents.onePage(Section.of("s", "S", items));
    }

    private static Condition condition(RandomGenerator random, int decimals) {
        return switch (random.nextInt(4)) {
            case 0 -> {
                BigDecimal one = edge(random, decimals);
                BigDecimal other = edge(random, decimals);
                boolean isOne = one.compareTo(other) == 0;
                yield new Clause.Between(
                        "depth",
                        false,
                        new Operand.NumberOperand(one.min(other)),
                        isOne || random.nextBoolean(),
                        new Operand.NumberOperand(one.max(other)),
                        isOne || random.nextBoolean(),
                        null);
            }
            case 1 -> new Condition.Any(List.of(compared(random, decimals), compared(random, decimals)));
            default -> compared(random, decimals);
        };
    }

    private static Condition compared(RandomGenerator random, int decimals) {
        OrderTest[] tests = OrderTest.values();
        return new Clause.Comparison(
                "depth", tests[random.nextInt(tests.length)], new Operand.NumberOperand(edge(random, decimals)), null);
    }

    /** Edges that lie on each other, beside each other, and between two answers. */
    private static BigDecimal edge(RandomGenerator random, int decimals) {
        BigDecimal whole = BigDecimal.valueOf(1 + random.nextInt(3));
        return switch (random.nextInt(3)) {
            case 0 -> whole.add(new BigDecimal("0.5"));
            case 1 -> whole.add(BigDecimal.ONE.movePointLeft(decimals));
            default -> whole;
        };
    }
}
