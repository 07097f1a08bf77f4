package loesscape.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.TypedText;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Numbers;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.core.model.Value;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Formulas in scripts give what they give in the evaluation, to the last of 34 digits, and for blanks. */
class ScriptFormulasTest {

    private static final List<String> NUMBERS = List.of("", "0", "1", "-2.5", "3", "7.25", "1000000.01", "0.3");
    private static final List<String> TEXTS = List.of("", "Clay", "clay and silt", "straße");
    private static final List<String> DAYS = List.of("", "2028-02-28", "2028-03-01");

    private final RandomGenerator random;
    private final long seed = Long.getLong("cases.seed", System.nanoTime());

    ScriptFormulasTest() {
        random = RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private String number(int depth) {
        if (depth == 0) {
            return pick(List.of("a", "b", "2", "0.7", "100", "3.14159", "row_total", "null"));
        }
        String one = number(depth - 1);
        String two = number(depth - 1);
        return switch (random.nextInt(16)) {
            case 0, 1 -> "(" + one + " + " + two + ")";
            case 2 -> "(" + one + " - " + two + ")";
            case 3, 4 -> "(" + one + " * " + two + ")";
            case 5, 6 -> "(" + one + " / " + two + ")";
            case 7 -> pick(List.of("min", "max", "sum", "total")) + "(" + one + ", " + two + ")";
            case 8 -> "abs(" + one + ")";
            case 9 ->
                pick(List.of(
                                "floor",
                                "ceiling",
                                "round half up",
                                "round half down",
                                "decimal",
                                "round up",
                                "round down"))
                        + "(" + one + ", " + random.nextInt(3) + ")";
            case 10, 11 -> "(if " + truth(depth - 1) + " then " + one + " else " + two + ")";
            case 12 -> "sum(rows.x[item != null])";
            case 13 ->
                pick(List.of(
                        "count(rows.x[item > 1])",
                        "count(rows)",
                        "count(rows[x < a])",
                        "sum(rows[x != null and x > b].x)",
                        "mean(rows.x[item != null])",
                        "(e - d) / duration(\"P1D\")",
                        "(d + duration(\"P2D\") - e) / duration(\"PT1H\")"));
            case 14 -> "string length(t)";
            default -> "-" + one;
        };
    }

    private String truth(int depth) {
        if (depth == 0) {
            return pick(List.of("y", "z", "a > b", "t = u", "d < e", "a = null", "y = null", "d = @\"2028-02-28\""));
        }
        return switch (random.nextInt(9)) {
            case 0 -> "(" + truth(depth - 1) + " and " + truth(depth - 1) + ")";
            case 1 -> "(" + truth(depth - 1) + " or " + truth(depth - 1) + ")";
            case 2 -> "not(" + truth(depth - 1) + ")";
            case 3 ->
                "(" + number(depth - 1) + " " + pick(List.of("<", "<=", ">", ">=", "=", "!=")) + " " + number(depth - 1)
                        + ")";
            case 4 -> "(a between " + number(depth - 1) + " and " + number(depth - 1) + ")";
            case 5 -> "(a in [1..7.25))";
            case 6 -> "(b in (1, 3, < 0))";
            case 7 -> pick(List.of("contains(t, u)", "starts with(t, \"Cl\")", "ends with(upper case(t), \"SSE\")"));
            default -> "(t in [\"Clay\", u])";
        };
    }

    private Template template(List<String> formulas) {
        List<Item> items = new ArrayList<>(List.of(
                Field.of("a", "A", number()),
                Field.of("b", "B", number()),
                Field.of("t", "T", new FieldKind.Text("", 0)),
                Field.of("u", "U", new FieldKind.Text("", 0)),
                Field.of("y", "Y", new FieldKind.YesNo()),
                Field.of("z", "Z", new FieldKind.YesNo()),
                Field.of("d", "D", new FieldKind.Date(null, null)),
                Field.of("e", "E", new FieldKind.Date(null, null)),
                Field.of("row_total", "Total", number()).withValue(new FieldValue.WorkedOut("total(rows.x)", false))));
        for (int i = 0; i < formulas.size(); i++) {
            String formula = formulas.get(i);
            boolean isTruth = formula.startsWith("?");
            items.add(Field.of("f" + i, "F", isTruth ? new FieldKind.YesNo() : number())
                    .withValue(new FieldValue.WorkedOut(isTruth ? formula.substring(1) : formula, false)));
        }
        Section rows = Section.of("rows", "Rows", List.of(Field.of("x", "X", number())))
                .withRows(new Section.Rows(0, 3));
        return Template.of("Formulas", List.of(new Page("p", "", null, List.of(rows, Section.of("s", "S", items)))));
    }

    private static FieldKind number() {
        return new FieldKind.Number(10, "", null, null);
    }

    /** A formula that is refused while it is written is none. */
    private static boolean isTaken(Template template) {
        return Validation.of(template).isEmpty();
    }

    @Test
    void theyGiveTheSame() {
        List<String> formulas = new ArrayList<>();
        while (formulas.size() < 300) {
            String formula = random.nextInt(3) == 0 ? "?" + truth(2) : number(3);
            if (isTaken(template(List.of(formula)))) {
                formulas.add(formula);
            }
        }
        CompiledTemplate compiled = CompiledTemplate.compile(template(formulas));
        DocumentScript script = DocumentScript.of(compiled.prepared(), Map.of("rows", 3));
        assertThat(script.leftOut()).isEmpty();
        StringBuilder program = new StringBuilder(script.text());
        List<Answers> all = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            Map<String, String> typed = new HashMap<>();
            List.of("a", "b", "x@r1", "x@r2").forEach(key -> typed.put(key, pick(NUMBERS)));
            List.of("t", "u").forEach(key -> typed.put(key, pick(TEXTS)));
            List.of("y", "z").forEach(key -> typed.put(key, pick(List.of("", "yes", "no"))));
            List.of("d", "e").forEach(key -> typed.put(key, pick(DAYS)));
            StringBuilder given = new StringBuilder("{");
            typed.forEach((key, text) -> given.append(ScriptText.of(key))
                    .append(':')
                    .append(ScriptText.of(text))
                    .append(','));
            program.append("(function(){var typed=")
                    .append(given)
                    .append("};var r=loess.evaluate(function(a){return typed[a]},null);")
                    .append("for(var i=0;i<")
                    .append(formulas.size())
                    .append(";i++)console.log('['+r.nodes['f'+i].value+']');})();\n");
            boolean second = !typed.getOrDefault("x@r2", "").isEmpty();
            boolean first = second || !typed.getOrDefault("x@r1", "").isEmpty();
            typed.put("rows", second ? "r1,r2" : first ? "r1" : "");
            all.add(new Answers(typed));
        }
        List<String> told = RunInNode.lines(program.toString());
        int line = 0;
        for (Answers answers : all) {
            var state = compiled.evaluate(answers, Context.UNDATED);
            for (int i = 0; i < formulas.size(); i++) {
                Value value = state.counting("f" + i);
                String expected =
                        value instanceof Value.Number(var number) ? Numbers.plain(number) : TypedText.of(value);
                assertThat(told.get(line++))
                        .as("seed %d: %s with %s", seed, formulas.get(i), answers.typed())
                        .isEqualTo("[" + expected + "]");
            }
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            a ** 2                              | powers
            spell out(a)                        | spell out()
            some x in rows.x satisfies x > 1    | “some” and “every”
            d + duration("P1M")                 | durations of months
            (for x in rows.x return x)[1]       | filters of lists
            rows.x[2]                           | places in lists
            """)
    void whatIsNotWrittenIsTold(String formula, String what) {
        boolean isTruth = formula.startsWith("some");
        boolean isDay = formula.startsWith("d ");
        boolean isText = formula.startsWith("spell");
        Field field = Field.of(
                        "f",
                        "The field",
                        isTruth
                                ? new FieldKind.YesNo()
                                : isDay
                                        ? new FieldKind.Date(null, null)
                                        : isText ? new FieldKind.Text("", 0) : number())
                .withValue(new FieldValue.WorkedOut(formula, false));
        Field follower = Field.of("g", "Its follower", number()).withShown(new Clause.Answered("f"));
        Template plain = template(List.of());
        List<Item> items =
                new ArrayList<>(plain.pages().getFirst().sections().getLast().items());
        items.add(field);
        items.add(follower);
        Template template = plain.withPages(List.of(plain.pages()
                .getFirst()
                .withSections(List.of(
                        plain.pages().getFirst().sections().getFirst(),
                        plain.pages().getFirst().sections().getLast().withItems(items)))));
        DocumentScript script = DocumentScript.of(PreparedTemplate.of(template), Map.of());
        assertThat(script.undecided()).containsExactlyInAnyOrder("f", "g");
        assertThat(script.leftOut().getFirst().sentence())
                .isEqualTo("“The field” is not worked out: no script is written for " + what + ".");
        assertThat(script.leftOut().getLast().sentence())
                .isEqualTo("“Its follower” does not fold: it hangs on “The field”, which is not known there.");
    }
}
