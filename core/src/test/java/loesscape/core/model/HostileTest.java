package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.testing.Documents;
import loesscape.core.wording.Sentences;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/**
 * Templates made to hurt: each is refused with a reason, or evaluated as if nothing were, and neither takes long. The
 * limit of ten seconds tells something exponential from a slow machine; each takes well under one.
 */
@Timeout(value = 10, unit = TimeUnit.SECONDS, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
class HostileTest {

    private static final FieldKind TEXT = new FieldKind.Text("", 0);

    private static Template template(List<SharedCondition> shared, Item... items) {
        Template template = Documents.of(items);
        return new Template(
                template.title(),
                "",
                template.pages(),
                List.of(),
                shared,
                List.of(),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }

    private static List<Choice> choices(int count) {
        List<Choice> choices = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            choices.add(Choice.of("c" + i, "Choice " + i));
        }
        return choices;
    }

    @Test
    void aHundredThousandChoicesAreRefusedAndTenThousandAreNot() {
        Field many = Field.of("many", "Many", FieldKind.OneChoice.of(choices(100_000)));
        assertThat(Validation.of(template(List.of(), many)))
                .extracting(Problem::message)
                .containsExactly("There are 100000 choices; the most is 10000. A longer list can be a lookup list.");
        List<Choice> choices = choices(10_000);
        List<String> all = choices.stream().map(Choice::id).toList();
        Clause names = new Clause.ChoiceClause("few", Clause.ChoiceClause.ChoiceTest.IS, all, null);
        Field few = Field.of("few", "Few", FieldKind.OneChoice.of(choices));
        Field follows =
                Field.of("follows", "Follows", TEXT).withShown(new Condition.Any(Collections.nCopies(100, names)));
        CompiledTemplate compiled = CompiledTemplate.compile(template(List.of(), few, follows));
        assertThat(compiled.evaluate(Answers.NONE.with("few", "c9999"))
                        .of("follows")
                        .shown())
                .isTrue();
    }

    @Test
    void aListOfAHundredThousandRowsIsLookedUp() {
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < 100_000; i++) {
            rows.add(List.of("group " + i % 1_000, "item " + i));
        }
        LookupList list = new LookupList(
                "list",
                "List",
                List.of(new LookupList.Column("a", "A", false), new LookupList.Column("b", "B", false)),
                rows);
        Field group = Field.of("group", "Group", new FieldKind.Lookup("list", "a", Map.of()));
        Field item = Field.of("item_of", "Item", new FieldKind.Lookup("list", "b", Map.of("a", "group")));
        Template plain = template(List.of(), group, item);
        Template template = new Template(
                "T",
                "",
                plain.pages(),
                List.of(),
                List.of(),
                List.of(list),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
        var state = CompiledTemplate.compile(template)
                .evaluate(Answers.NONE.with("group", "group 7").with("item_of", "item 99007"));
        assertThat(state.counting("item_of")).isEqualTo(new Value.Chosen("item 99007"));
        assertThat(state.obstacles()).isEmpty();
    }

    @Test
    void conditionsThatUseEachOtherTwiceAreNotAskedAgainAndAgain() {
        List<SharedCondition> shared = new ArrayList<>();
        shared.add(new SharedCondition("c0", "", new Clause.Answered("name")));
        for (int i = 1; i < 200; i++) {
            Condition before = new Condition.Shared("c" + (i - 1));
            shared.add(new SharedCondition("c" + i, "", new Condition.Any(List.of(before, before))));
        }
        Field name = Field.of("name", "Name", TEXT);
        Field follows = Field.of("follows", "Follows", TEXT).withShown(new Condition.Shared("c199"));
        Template template = template(shared, name, follows);
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        assertThat(compiled.evaluate(Answers.NONE).of("follows").shown()).isFalse();
        assertThat(compiled.evaluate(Answers.NONE.with("name", "x"))
                        .of("follows")
                        .shown())
                .isTrue();
        assertThat(new Sentences(PreparedTemplate.of(template))
                        .of(follows)
                        .getFirst()
                        .text()
                        .length())
                .isLessThan(1_000);
    }

    @Test
    void sharedConditionsThatUseThemselvesAreRefusedWithTheirChain() {
        List<SharedCondition> shared = List.of(
                new SharedCondition("one", "One", new Condition.Shared("other")),
                new SharedCondition("other", "Other", new Condition.Written("one")));
        assertThat(Validation.of(template(shared, Field.of("name", "Name", TEXT))))
                .extracting(Problem::message)
                .singleElement()
                .asString()
                .startsWith("These shared conditions use each other in a circle: ")
                .containsAnyOf("one → other → one", "other → one → other");
    }

    @Test
    void aPatternThatWouldTryEverythingIsMatchedInLinearTime() {
        Clause hostile = new Clause.TextClause("name", Clause.TextClause.TextTest.MATCHES, "^(a+)+$", false, null);
        Field name = Field.of("name", "Name", new FieldKind.LongText("", 0));
        Field follows = Field.of("follows", "Follows", TEXT).withShown(hostile);
        var state = CompiledTemplate.compile(template(List.of(), name, follows))
                .evaluate(Answers.NONE.with("name", "a".repeat(50_000) + "!"));
        assertThat(state.of("follows").shown()).isFalse();
    }

    @Test
    void keysThatCollideInHashTablesAreOnlyKeys() {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < 4_096; i++) {
            StringBuilder key = new StringBuilder();
            for (int bit = 0; bit < 12; bit++) {
                // The hash of “c0” is that of “an”.
                key.append((i >> bit & 1) == 0 ? "c0" : "an");
            }
            items.add(Field.of("k" + key, "K", TEXT));
        }
        assertThat(Validation.of(template(List.of(), items.toArray(Item[]::new))))
                .isEmpty();
    }

    @Test
    void rowsThatWouldFillMemoryAreRefused() {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < 100; i++) {
            items.add(Field.of("f" + i, "F", TEXT));
        }
        Section rows = Section.of("rows", "Rows", items).withRows(new Section.Rows(0, 1_000));
        Template template = Documents.onePage(rows);
        assertThat(Validation.of(template)).extracting(Problem::path).containsExactly("/pages/0/sections/0/rows/most");
    }

    @Test
    void aThousandRowsThatEachAddUpAllRowsAreWorkedOut() {
        Field amount = Field.of("amount", "Amount", new FieldKind.Number(0, "", null, null));
        Field share = Field.of("share", "Share", new FieldKind.Number(4, "", null, null))
                .withValue(new FieldValue.WorkedOut("amount / sum(rows.amount[item != null])", false));
        Section rows = Section.of("rows", "Rows", List.of(amount, share)).withRows(new Section.Rows(0, 1_000));
        Template template = Documents.onePage(rows);
        List<String> names = new ArrayList<>();
        Map<String, String> typed = new HashMap<>();
        for (int i = 0; i < 1_000; i++) {
            names.add("r" + i);
            typed.put("amount@r" + i, "2");
        }
        Answers answers = new Answers(typed).withRows("rows", names);
        assertThat(CompiledTemplate.compile(template).evaluate(answers).counting("share@r999"))
                .isEqualTo(new Value.Number(new BigDecimal("0.001")));
    }

    @Test
    void tenMegabytesOfFormulaAreRefusedAtOnce() {
        Field follows = Field.of("follows", "Follows", TEXT)
                .withShown(new Condition.Written("1 + ".repeat(2_500_000) + "1 = 2"));
        assertThat(Validation.of(template(List.of(), follows)))
                .extracting(Problem::path)
                .containsExactly("/pages/0/sections/0/items/0/shown/formula");
    }
}
