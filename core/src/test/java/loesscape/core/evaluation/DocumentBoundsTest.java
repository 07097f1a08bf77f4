package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import org.junit.jupiter.api.Test;

/** Documents at the limits of what a template may be: each is looked at soon, or refused with a sentence. */
class DocumentBoundsTest {

    /** What should take a second, on a machine that is busy with other things. */
    private static final Duration SOON = Duration.ofSeconds(20);

    private static final FieldKind NUMBER = new FieldKind.Number(2, "", null, null);
    private static final FieldKind TEXT = new FieldKind.LongText("", 0);
    private static final Context TODAY = Context.filling(LocalDate.of(2026, 11, 27));

    private static Template template(List<LookupList> lists, Section... sections) {
        return new Template(
                "Bounds",
                "",
                List.of(new Page("page", "", null, List.of(sections))),
                List.of(),
                List.of(),
                lists,
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }

    private static Map<String, String> rows(String section, int count, String key, String answer) {
        Map<String, String> answers = new HashMap<>();
        List<String> names =
                IntStream.rangeClosed(1, count).mapToObj(i -> "r" + i).toList();
        answers.put(section, String.join(",", names));
        names.forEach(name -> answers.put(key + "@" + name, answer));
        return answers;
    }

    private static Condition.OfRows any(Condition condition) {
        return new Condition.OfRows("rows", Condition.OfRows.Quantity.EVERY, condition, null);
    }

    @Test
    void rowsInRowsAreLookedThroughOnce() {
        Condition deep = new Clause.Answered("a");
        for (int i = 0; i < 31; i++) {
            deep = any(deep);
        }
        Section rows =
                Section.of("rows", "", List.of(Field.of("a", "A", NUMBER))).withRows(new Section.Rows(0, 1_000));
        Section main =
                Section.of("main", "", List.of(Field.of("told", "Told", TEXT).withShown(deep)));
        Template template = template(List.of(), rows, main);
        assertTimeoutPreemptively(SOON, () -> {
            State state =
                    CompiledTemplate.compile(template).evaluate(new Answers(rows("rows", 1_000, "a", "1")), TODAY);
            assertThat(state.of("told").shown()).isTrue();
        });
    }

    @Test
    void aSumOverRowsIsWorkedOutOncePerColumn() {
        List<Item> items = new ArrayList<>(List.of(Field.of("a", "A", NUMBER)));
        for (int i = 0; i < 49; i++) {
            items.add(Field.of("share" + i, "Share", NUMBER)
                    .withValue(new FieldValue.WorkedOut("decimal(100 * a / sum(rows.a), 2) + " + i, false)));
        }
        Section rows = Section.of("rows", "", items).withRows(new Section.Rows(0, 1_000));
        Template template = template(List.of(), rows);
        assertTimeoutPreemptively(SOON, () -> {
            State state =
                    CompiledTemplate.compile(template).evaluate(new Answers(rows("rows", 1_000, "a", "2")), TODAY);
            assertThat(state.counting("share48@r1000").toString()).contains("48.1");
        });
    }

    @Test
    void oneListInManyFieldsIsIndexedOnce() {
        List<List<String>> cells = IntStream.range(0, 20_000)
                .mapToObj(i -> List.of("Valley " + i % 100, "Village " + i))
                .toList();
        LookupList places = new LookupList(
                "places",
                "Places",
                List.of(
                        new LookupList.Column("valley", "Valley", false),
                        new LookupList.Column("village", "Village", false)),
                cells,
                null);
        List<Item> items = new ArrayList<>(
                List.of(Field.of("valley", "Valley", new FieldKind.Lookup("places", "valley", Map.of()))));
        for (int i = 0; i < 300; i++) {
            items.add(Field.of(
                    "village" + i, "Village", new FieldKind.Lookup("places", "village", Map.of("valley", "valley"))));
        }
        items.add(Field.of("told", "Told", TEXT)
                .withValue(new FieldValue.WorkedOut("string(count(list(\"places\")))", false)));
        Template template = template(List.of(places), Section.of("main", "", items));
        assertTimeoutPreemptively(SOON, () -> {
            State state = CompiledTemplate.compile(template)
                    .evaluate(new Answers(Map.of("valley", "Valley 7", "village299", "Village 107")), TODAY);
            assertThat(state.counting("village299").isBlank()).isFalse();
            assertThat(state.counting("told").toString()).contains("20000");
        });
    }

    @Test
    void allFormulasTogetherDoNoMoreThanADocumentMay() {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < 1_000; i++) {
            items.add(Field.of("n" + i, "N", NUMBER)
                    .withValue(new FieldValue.WorkedOut("count(for i in 1..1900000 return i)", false)));
        }
        items.add(Field.of("light", "Light", NUMBER).withValue(new FieldValue.WorkedOut("count([1, 2])", false)));
        Template template = template(List.of(), Section.of("main", "", items));
        assertTimeoutPreemptively(SOON, () -> {
            State state = CompiledTemplate.compile(template).evaluate(Answers.NONE, TODAY);
            assertThat(state.counting("n0").isBlank()).isTrue();
            assertThat(state.counting("light").isBlank()).isFalse();
        });
    }

    @Test
    void aLongAnswerIsShortenedWhereItIsPutIntoTexts() {
        List<Item> items = new ArrayList<>(List.of(Field.of("story", "Story", TEXT)));
        for (int i = 0; i < 1_000; i++) {
            items.add(Notice.of("notice" + i, "Told: {story}"));
        }
        Template template = template(List.of(), Section.of("main", "", items));
        String story = "loess ".repeat(20_000).strip();
        assertTimeoutPreemptively(SOON, () -> {
            State state = CompiledTemplate.compile(template).evaluate(new Answers(Map.of("story", story)), TODAY);
            long characters = state.nodes().values().stream()
                    .mapToLong(node -> node.toString().length())
                    .sum();
            assertThat(characters).isLessThan(3_000_000);
            assertThat(state.of("notice7").toString()).contains("Told: loess").contains("…");
        });
    }

    @Test
    void manyClausesOnOneLongTextFoldItOnce() {
        List<Condition> clauses = new ArrayList<>();
        for (int i = 0; i < 500; i++) {
            clauses.add(new Clause.TextClause("story", Clause.TextClause.TextTest.CONTAINS, "word" + i, false, null));
        }
        List<Item> items = new ArrayList<>(List.of(Field.of("story", "Story", TEXT)));
        for (int i = 0; i < 4; i++) {
            items.add(Field.of("told" + i, "Told", TEXT).withShown(new Condition.Any(clauses)));
        }
        Template template = template(List.of(), Section.of("main", "", items));
        String story = "é".repeat(100_000);
        assertTimeoutPreemptively(SOON, () -> {
            State state = CompiledTemplate.compile(template).evaluate(new Answers(Map.of("story", story)), TODAY);
            assertThat(state.of("told3").shown()).isFalse();
        });
    }

    @Test
    void placesInRowsAreCountedForTheWholeDocument() {
        Section one = Section.of("one", "", List.of(Field.of("a", "A", NUMBER))).withRows(new Section.Rows(0, 1_000));
        List<Item> many = new ArrayList<>();
        for (int i = 0; i < 50; i++) {
            many.add(Field.of("b" + i, "B", NUMBER));
        }
        Section other = Section.of("other", "", many).withRows(new Section.Rows(0, 1_000));
        assertThat(Validation.of(template(List.of(), other))).isEmpty();
        assertThat(Validation.of(template(List.of(), one, other)))
                .singleElement()
                .satisfies(problem -> assertThat(problem.message()).contains("of a document together"));
    }
}
