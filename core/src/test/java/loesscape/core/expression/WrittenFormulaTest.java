package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Formulas written again: with other names, and from what they are made of; and how one is made ready for many rows. */
class WrittenFormulaTest {

    private static final Map<String, Type> NAMES = Map.of(
            "depth",
            Type.Simple.NUMBER,
            "width",
            Type.Simple.NUMBER,
            Names.previous("depth"),
            Type.Simple.NUMBER,
            Names.list("pumps"),
            new Type.ListOf(new Type.Context(Map.of("power", Type.Simple.NUMBER))),
            "wells",
            new Type.ListOf(new Type.Context(Map.of("depth", Type.Simple.NUMBER), true)));

    private static String renamed(String formula) {
        return Formula.renamed(formula, NAMES, name -> switch (name) {
            case "depth" -> "deepness";
            case "pumps", "list(pumps)" -> Names.isList(name) ? Names.list("engines") : "engines";
            default -> name;
        });
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "depth | deepness",
                "depth+depth  *  width | deepness+deepness  *  width",
                "max( depth , 3 ) | max( deepness , 3 )",
                "\"depth\" + string(depth) | \"depth\" + string(deepness)",
                "width | width",
                "for x in 1..3 return x * depth | for x in 1..3 return x * deepness",
                "previous(depth) + 1 | previous(deepness) + 1",
                "sum(wells.depth) | sum(wells.deepness)",
                "wells[depth > 3][1].depth | wells[deepness > 3][1].deepness",
                "list(\"pumps\")[power > 3][1].power | list(\"engines\")[power > 3][1].power",
                "{depth: 1}.depth | {depth: 1}.depth",
            })
    void onlyWhatIsMeantGetsItsOtherName(String formula, String written) {
        assertThat(renamed(formula)).isEqualTo(written);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "for deepness in 1..3 return deepness * depth",
                "{deepness: 1, all: deepness + depth}",
                "some deepness in [1, 2] satisfies deepness > depth",
            })
    void aNameThatTheFormulaBindsItselfIsRefused(String formula) {
        assertThatThrownBy(() -> renamed(formula))
                .isInstanceOf(Formula.NameIsBound.class)
                .hasMessage(formula);
    }

    @Test
    void whatIsNotUnderstoodIsNotRenamed() {
        assertThatThrownBy(() -> renamed("depth +")).isInstanceOf(FormulaProblem.class);
        assertThatThrownBy(() -> renamed("unknown + depth")).isInstanceOf(FormulaProblem.class);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "( depth )+1 | depth + 1",
                "(depth + 1) * 2 | (depth + 1) * 2",
                "if(depth>1)then(2)else(3) | if depth > 1 then 2 else 3",
                "max(1,2) | max(1, 2)",
            })
    void aTreeIsWrittenWithNoMoreThanItNeeds(String formula, String written) {
        assertThat(Formula.text(Formula.tree(formula))).isEqualTo(written);
        assertThat(Formula.of(formula, NAMES).text()).isEqualTo(written);
        assertThat(Formula.of(formula, NAMES).tree()).isEqualTo(Formula.tree(written));
    }

    @Test
    void usesAreToldWithTheirPlaces() {
        List<NameUse> uses = Formula.of("depth + max(width, depth)", NAMES).uses();
        assertThat(uses).extracting(NameUse::name).containsExactly("depth", "width", "depth");
        assertThat(uses).extracting(NameUse::at).containsExactly(0, 12, 19);
        assertThat(uses).extracting(NameUse::end).containsExactly(5, 17, 24);
    }

    @Test
    void aTreeKnowsWhetherANameStandsInIt() {
        Tree tree = Formula.tree("if a > 1 then b[item.c = d] else max(e, f in (g, h))");
        for (String name : List.of("a", "b", "item", "d", "e", "f", "g", "h")) {
            assertThat(tree.mentions(name)).as(name).isTrue();
        }
        assertThat(tree.mentions("c")).as("a part of what is there").isFalse();
        assertThat(tree.mentions("z")).isFalse();
        assertThat(Formula.tree("for x in a..b return c").children())
                .containsExactly(new Tree.Name("a"), new Tree.Name("b"), new Tree.Name("c"));
        assertThat(Formula.tree("v in (p, q)").children().getFirst()).isEqualTo(new Tree.Name("v"));
    }

    @Test
    void whatIsTheSameForAllRowsIsWorkedOutOnce() {
        Formula formula = Formula.of("depth * sum(for i in 1..500 return width * i)", NAMES);
        List<String> names = List.of("depth", "width");
        Program varying = formula.compile(names, Set.of("depth"), Locale.ENGLISH);
        assertThat(varying.keeps()).isTrue();
        assertThat(varying.names()).isEqualTo(names);
        assertThat(formula.compile(names).keeps()).isFalse();

        Work work = new Work();
        Program.SharedParts kept = varying.kept(work);
        BigDecimal width = BigDecimal.TWO;
        for (int row = 1; row <= 3; row++) {
            BigDecimal depth = BigDecimal.valueOf(row);
            assertThat(varying.run(work, kept, depth, width))
                    .isEqualTo(formula.compile(names).run(depth, width));
        }
        assertThat(varying.run(work, kept, BigDecimal.ONE, BigDecimal.TEN))
                .as("what was worked out is kept, for the same answers are told")
                .isEqualTo(formula.compile(names).run(BigDecimal.ONE, width));
    }
}
