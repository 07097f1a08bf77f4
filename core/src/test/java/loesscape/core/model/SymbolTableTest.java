package loesscape.core.model;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.UnaryOperator;
import loesscape.core.expression.Names;
import loesscape.core.expression.Type;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What a template's names mean, asked in whatever order. */
class SymbolTableTest {

    private static final Condition DEEP = new Condition.Written("depth > 5");
    private static final Template TEMPLATE = Documents.listing(
            Documents.sharing(
                    Documents.of(
                            yesNo("b"),
                            number("n"),
                            field("size", new FieldKind.Lookup("sizes", "width", Map.of())),
                            field("name", new FieldKind.Lookup("sizes", "name", Map.of())),
                            field("lost", new FieldKind.Lookup("nowhere", "name", Map.of())),
                            field("blind", new FieldKind.Lookup("sizes", "nowhere", Map.of())),
                            field("use", FieldKind.OneChoice.of(List.of(Choice.of("a", "A"), Choice.of("c", "C")))),
                            rows(
                                    "wells",
                                    0,
                                    5,
                                    number("depth"),
                                    text("remark"),
                                    Notice.of("words", "Words"),
                                    Section.of("inner", "", List.of(number("wide")))),
                            rows("pumps", 0, 5, number("power"))),
                    new SharedCondition("deep", "Deep", DEEP),
                    new SharedCondition("through", "Through", new Condition.Shared("deep")),
                    new SharedCondition("strong", "Strong", new Clause.Answered("power")),
                    new SharedCondition("wanted", "Wanted", new Clause.Answered("b"))),
            new LookupList(
                    "sizes",
                    "Sizes",
                    List.of(
                            new LookupList.Column("width", "Width", true),
                            new LookupList.Column("name", "Name", false)),
                    List.of(List.of("7.5", "Small"), List.of("10", " "), List.of("")),
                    null));
    private static final SymbolTable SYMBOLS = SymbolTable.of(TEMPLATE);

    private static Field of(String key) {
        return Objects.requireNonNull(SYMBOLS.field(key));
    }

    private static Condition compared(String field, Operand to) {
        return new Clause.Comparison(field, OrderTest.LESS, to, null);
    }

    @Test
    void theLanguageIsEnglishWhereNoneIsSaid() {
        assertThat(SYMBOLS.language()).isEqualTo(Locale.ENGLISH);
        PageSettings dutch = new PageSettings(
                PageSettings.Spacing.NORMAL, PageSettings.Paper.A4, PageSettings.Numbering.SECTIONS, "nl-BE");
        Template template = new Template(
                "T", "", TEMPLATE.pages(), List.of(), List.of(), List.of(), List.of(), dutch, List.of(), List.of());
        assertThat(SymbolTable.of(template).language()).isEqualTo(Locale.forLanguageTag("nl-BE"));
    }

    @Test
    void whatStandsInRowsKnowsItsSection() {
        assertThat(SYMBOLS.rowsAround("depth")).isEqualTo("wells");
        assertThat(SYMBOLS.rowsAround("words")).isEqualTo("wells");
        assertThat(SYMBOLS.rowsAround("inner")).isEqualTo("wells");
        assertThat(SYMBOLS.rowsAround("wide")).isEqualTo("wells");
        assertThat(SYMBOLS.rowsAround("power")).isEqualTo("pumps");
        assertThat(SYMBOLS.rowsAround("wells")).isNull();
        assertThat(SYMBOLS.rowsAround("n")).isNull();
        assertThat(SYMBOLS.fieldsOfRows("wells")).containsExactly("depth", "remark", "wide");
        assertThat(SYMBOLS.fieldsOfRows("pumps")).containsExactly("power");
        assertThat(SYMBOLS.fieldsOfRows("n")).isEmpty();
        assertThat(SYMBOLS.repeating("wells")).isNotNull();
        assertThat(SYMBOLS.repeating("inner")).isNull();
    }

    @Test
    void ofTwoThingsWithOneNameTheFirstCounts() {
        Template twice = Documents.of(number("x"), rows("r", 0, 5, text("x"), text("y")));
        SymbolTable symbols = SymbolTable.of(twice);
        assertThat(symbols.field("x")).isEqualTo(number("x"));
        assertThat(symbols.fieldsOfRows("r")).containsExactly("y");
    }

    @Test
    void choicesOfALookupAreTheCellsOfItsColumn() {
        assertThat(SYMBOLS.choices(of("size"))).containsExactly("7.5", "10");
        assertThat(SYMBOLS.choices(of("name"))).containsExactly("Small");
        assertThat(SYMBOLS.choices(of("lost"))).isEmpty();
        assertThat(SYMBOLS.choices(of("blind"))).isEmpty();
        assertThat(SYMBOLS.choices(of("use"))).containsExactly("a", "c");
        assertThat(SYMBOLS.isNumberColumn(of("size"))).isTrue();
        assertThat(SYMBOLS.isNumberColumn(of("name"))).isFalse();
        assertThat(SYMBOLS.isNumberColumn(of("lost"))).isFalse();
        assertThat(SYMBOLS.isNumberColumn(of("blind"))).isFalse();
        assertThat(SYMBOLS.isNumberColumn(of("use"))).isFalse();
    }

    @Test
    void namesAreKnownWhereTheyMeanSomething() {
        Set<String> outside = SYMBOLS.types(null).keySet();
        assertThat(outside)
                .contains("b", "n", "size", "wells", "pumps", "wanted", Names.list("sizes"), Names.TODAY)
                .doesNotContain("depth", "deep", "through", "strong", Names.ROW_NUMBER, Names.previous("depth"));
        Set<String> inWells = SYMBOLS.types("wells").keySet();
        assertThat(inWells)
                .contains("b", "depth", "wide", "deep", "through", "wanted", Names.ROW_NUMBER)
                .contains(Names.previous("depth"), Names.runningTotal("depth"), Names.previous("remark"))
                .doesNotContain("power", "strong", Names.runningTotal("remark"), Names.previous("n"));
        assertThat(SYMBOLS.types("wells").get("depth")).isEqualTo(Type.Simple.NUMBER);
        assertThat(SYMBOLS.types("wells").get("deep")).isEqualTo(Type.Simple.YES_NO);
        assertThat(SYMBOLS.types(null).get("wells"))
                .isInstanceOfSatisfying(
                        Type.ListOf.class,
                        list -> assertThat(list.element())
                                .isInstanceOfSatisfying(
                                        Type.Context.class,
                                        row -> assertThat(row.entries().keySet())
                                                .containsExactlyInAnyOrder(
                                                        "depth", "remark", "wide", "deep", "through")));
        assertThat(SYMBOLS.types(null).get(Names.list("sizes")))
                .isInstanceOfSatisfying(
                        Type.ListOf.class,
                        list -> assertThat(list.element())
                                .isInstanceOfSatisfying(
                                        Type.Context.class,
                                        row -> assertThat(row.entries())
                                                .containsEntry("width", Type.Simple.NUMBER)
                                                .containsEntry("name", Type.Simple.TEXT)));
    }

    @Test
    void aSectionOfARowsWithoutFieldsIsARowStill() {
        SymbolTable symbols = SymbolTable.of(Documents.of(rows("r", 0, 5, Notice.of("x", "X"))));
        assertThat(symbols.types("r")).containsKey(Names.ROW_NUMBER);
        assertThat(symbols.types(null)).containsKey("r");
    }

    @Test
    void sourcesAreFoundThroughSharedConditionsAndFormulas() {
        assertThat(SYMBOLS.sources((Condition) null)).isEmpty();
        assertThat(SYMBOLS.sources(new Condition.Shared("through"))).containsExactly("depth");
        assertThat(SYMBOLS.sources(new Condition.Shared("nowhere"))).isEmpty();
        assertThat(SYMBOLS.sources(new Condition.Written("wanted and n > 1"))).containsExactly("b", "n");
        assertThat(SYMBOLS.sources(compared("n", new Operand.FieldOperand("size"))))
                .containsExactly("n", "size");
        assertThat(SYMBOLS.sources(compared("n", new Operand.FormulaOperand("count(wells)"))))
                .containsExactly("n", "wells");
        assertThat(SYMBOLS.sources(new Condition.Total("depth", OrderTest.LESS, new Operand.FieldOperand("n"), null)))
                .containsExactly("depth", "wells", "n");
        assertThat(SYMBOLS.sources(new Condition.Total("n", OrderTest.LESS, new Operand.FieldOperand("n"), null)))
                .containsExactly("n");
        assertThat(SYMBOLS.sources(new Condition.RowCount("wells", OrderTest.LESS, 1)))
                .containsExactly("wells");
        assertThat(SYMBOLS.sources(new Condition.StageIs(List.of(Stage.PRINT)))).isEmpty();
        assertThat(SYMBOLS.sources("wanted and n > 1")).containsExactly("b", "n");
        assertThat(SYMBOLS.sources("n +")).isEmpty();
        assertThat(SYMBOLS.direct(new Condition.Any(List.of(new Condition.Shared("wanted"), new Clause.Answered("n")))))
                .containsExactly("n");
    }

    @Test
    void aFormulaNamesColumnsConditionsAndLists() {
        assertThat(SYMBOLS.columns("wells", "sum(wells.depth) + n")).containsExactly("depth");
        assertThat(SYMBOLS.columns("pumps", "sum(wells.depth) + n")).isEmpty();
        assertThat(SYMBOLS.sharedOfRows("wells", "count(wells[deep])")).containsExactly("deep");
        assertThat(SYMBOLS.sharedOfRows("pumps", "count(wells[deep])")).isEmpty();
        String list = "count(list(\"sizes\"))";
        assertThat(SYMBOLS.listsNamed(list + " + n")).containsExactly("sizes");
        assertThat(SYMBOLS.listsNamed("n + 1")).isEmpty();
        assertThat(SYMBOLS.listsNamed(new Condition.Written(list + " > 1"))).containsExactly("sizes");
        assertThat(SYMBOLS.listsNamed(compared("n", new Operand.FormulaOperand(list))))
                .containsExactly("sizes");
        assertThat(SYMBOLS.listsNamed(compared("n", new Operand.FieldOperand("size"))))
                .isEmpty();
    }

    @Test
    void sharedConditionsAreFoundThroughOthers() {
        assertThat(SYMBOLS.sharedIn(null)).isEmpty();
        assertThat(SYMBOLS.sharedIn(new Condition.Shared("through"))).containsExactly("through", "deep");
        assertThat(SYMBOLS.sharedIn(new Condition.Written("wanted and b"))).containsExactly("wanted");
        assertThat(SYMBOLS.sharedIn(compared("n", new Operand.FormulaOperand("if wanted then 1 else 2"))))
                .containsExactly("wanted");
        assertThat(SYMBOLS.sharedIn(new Condition.Shared("nowhere"))).isEmpty();
        assertThat(SYMBOLS.sharedNamed(new Condition.Shared("through"))).containsExactly("through");
    }

    @Test
    void aConditionIsAskedOfTheRowsOfWhatItLooksAt() {
        assertThat(SYMBOLS.rowsLookedAt(null)).isEmpty();
        assertThat(SYMBOLS.rowsLookedAt(new Condition.Always())).isEmpty();
        assertThat(SYMBOLS.rowsLookedAt(new Clause.Answered("depth"))).containsExactly("wells");
        assertThat(SYMBOLS.rowsLookedAt(new Clause.Answered("n"))).isEmpty();
        assertThat(SYMBOLS.rowsLookedAt(new Condition.Any(List.of(
                        new Clause.Answered("n"), new Clause.Answered("power"), new Condition.Shared("through")))))
                .containsExactly("pumps", "wells");
        assertThat(SYMBOLS.rowsLookedAt(compared("n", new Operand.FieldOperand("power"))))
                .containsExactly("pumps");
        assertThat(SYMBOLS.rowsLookedAt(compared("n", new Operand.FormulaOperand("depth + 1"))))
                .containsExactly("wells");
        assertThat(SYMBOLS.rowsLookedAt(new Condition.Written("sum(wells.depth) > 1")))
                .isEmpty();
        assertThat(SYMBOLS.rowsLookedAt(DEEP)).containsExactly("wells");
        assertThat(SYMBOLS.rowsLookedAt(
                        new Condition.Total("depth", OrderTest.LESS, new Operand.FieldOperand("power"), null)))
                .containsExactly("pumps");
        assertThat(SYMBOLS.rowsLookedAt(new Condition.OfRows(
                        "wells", Condition.OfRows.Quantity.ANY, new Clause.Answered("depth"), null)))
                .isEmpty();
        assertThat(SYMBOLS.rowsOf(Objects.requireNonNull(SYMBOLS.shared("through"))))
                .isEqualTo("wells");
        assertThat(SYMBOLS.rowsOf(Objects.requireNonNull(SYMBOLS.shared("wanted"))))
                .isNull();
    }

    @Test
    void formulasAreRenamedWhereverTheyStand() {
        UnaryOperator<String> other = key -> key.equals("depth") ? "deepness" : key;
        assertThat(SYMBOLS.renamed("sum(wells.depth) + depth", other)).isEqualTo("sum(wells.deepness) + deepness");
        assertThat(SYMBOLS.renamed("depth +", other)).isEqualTo("depth +");
    }

    /** To know the names at a place asks for those of other places, whatever their keys: some of forty hash alike. */
    @Test
    void whatIsAskedAtOnePlaceMayAskForOthers() {
        for (int i = 0; i < 400; i++) {
            String section = "rows" + Integer.toString(i * 7919, 36);
            Section rows = Section.of(
                            section,
                            "Rows",
                            List.of(Field.of("depth", "Depth", new FieldKind.Number(0, "", null, null))))
                    .withRows(new Section.Rows(0, 5));
            List<SharedCondition> shared = new ArrayList<>();
            for (int j = 0; j < 3; j++) {
                shared.add(new SharedCondition("shared" + j, "Shared", new Condition.Written("depth > " + j)));
            }
            Template template = new Template(
                    "T",
                    "",
                    List.of(new Page("page", "", null, List.of(rows))),
                    List.of(),
                    shared,
                    List.of(),
                    List.of(),
                    PageSettings.PLAIN,
                    List.of(),
                    List.of());
            SymbolTable symbols = SymbolTable.of(template);
            assertThat(symbols.types(section)).containsKey("depth");
            assertThat(symbols.types(null).get(section)).isInstanceOf(Type.ListOf.class);
        }
    }
}
