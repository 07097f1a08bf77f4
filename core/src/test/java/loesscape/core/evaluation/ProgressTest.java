package loesscape.core.evaluation;

import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Notice;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** How far a document has come, section by section. */
class ProgressTest {

    private static final Condition ALWAYS = new Condition.Always();

    private static Section section(String key, Item... items) {
        return Section.of(key, key.toUpperCase(Locale.ROOT), List.of(items));
    }

    private static List<String> told(Answers answers, Section... sections) {
        Template template = Documents.onePage(sections);
        return Progress.of(template, CompiledTemplate.compile(template).evaluate(answers)).stream()
                .map(it -> it.key() + " " + it.title() + ": " + it.needed() + " of " + it.asked())
                .toList();
    }

    @Test
    void whatIsRequiredIsAskedAndNeededUntilItIsAnswered() {
        Section section = section(
                "a", text("x").withRequired(ALWAYS), text("y").withRequired(ALWAYS), text("z"), text("unasked"));
        assertThat(told(Answers.NONE, section)).containsExactly("a A: 2 of 2");
        assertThat(told(Answers.NONE.with("x", "1"), section)).containsExactly("a A: 1 of 2");
        assertThat(told(Answers.NONE.with("x", "1").with("y", "2"), section)).containsExactly("a A: 0 of 2");
        assertThat(told(Answers.NONE.with("z", "3"), section)).containsExactly("a A: 2 of 3");
    }

    @Test
    void whatIsNotAcceptedIsNeededThoughNobodyAskedForIt() {
        Section section = section("a", number("n"), yesNo("b"));
        assertThat(told(Answers.NONE, section)).containsExactly("a A: 0 of 0");
        assertThat(told(Answers.NONE.with("n", "many"), section)).containsExactly("a A: 1 of 1");
        assertThat(told(Answers.NONE.with("n", "7"), section)).containsExactly("a A: 0 of 1");
    }

    @Test
    void whatIsFoldedIsNotCountedAndSectionsWithoutFieldsAreNotTold() {
        Condition yes =
                new Clause.ChoiceClause("b", Clause.ChoiceClause.ChoiceTest.IS, List.of(FieldKind.YesNo.YES), null);
        Section first = section("a", yesNo("b"), text("x").withShown(yes).withRequired(ALWAYS));
        Section second = section("c", text("y").withRequired(ALWAYS)).withShown(yes);
        Section third = section("d", Notice.of("words", "Words"), new Divider("line", null));
        Section fourth = section("e", text("z").withShown(yes));
        assertThat(told(Answers.NONE, first, second, third, fourth)).containsExactly("a A: 0 of 0");
        assertThat(told(Answers.NONE.with("b", "yes"), first, second, third, fourth))
                .containsExactly("a A: 1 of 2", "c C: 1 of 1", "e E: 0 of 0");
    }

    @Test
    void whatStandsInASectionInItIsCountedWithIt() {
        Section inner = section("inner", text("y").withRequired(ALWAYS), text("z"));
        Section outer = section("outer", text("x").withRequired(ALWAYS), inner);
        assertThat(told(Answers.NONE.with("z", "1"), outer)).containsExactly("outer OUTER: 2 of 3");
    }

    @Test
    void eachRowCountsAndOneTooManyIsNeededToo() {
        Section inner = section("inner", text("y").withRequired(ALWAYS));
        Section visits = rows("visits", 1, 2, text("x").withRequired(ALWAYS), inner);
        assertThat(told(Answers.NONE, visits)).containsExactly("visits : 2 of 2");
        assertThat(told(Answers.NONE.with("visits", "r1,r2").with("x@r2", "there"), visits))
                .containsExactly("visits : 3 of 4");
        assertThat(told(Answers.NONE.with("visits", "r1,r2,r3"), visits)).containsExactly("visits : 7 of 7");
        Section words = rows("words", 0, 2, Notice.of("n", "N"));
        assertThat(told(Answers.NONE.with("words", "r1,r2,r3"), section("b", words)))
                .containsExactly("b B: 1 of 1");
    }
}
