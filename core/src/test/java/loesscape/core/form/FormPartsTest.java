package loesscape.core.form;

import static loesscape.core.testing.Documents.text;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Answers;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** Which titles stand in a form, how deep, and when rows are a table. */
class FormPartsTest {

    private static final Condition DRY =
            new Clause.ChoiceClause("dry", Clause.ChoiceClause.ChoiceTest.IS, List.of(FieldKind.YesNo.YES), null);

    private static final Section WELL = Section.of("well", "Well", List.of(Documents.yesNo("dry")));

    private static Page page(String key, String title, Section... sections) {
        return new Page(key, title, null, List.of(sections));
    }

    private static List<FormPart> parts(Page... pages) {
        return FillableForm.of(PreparedTemplate.of(Template.of("Wells", List.of(pages))), Answers.NONE)
                .parts();
    }

    private static List<String> headings(Page... pages) {
        List<String> told = new ArrayList<>();
        for (FormPart part : parts(pages)) {
            if (part instanceof FormPart.Heading it) {
                told.add(it.level() + " " + it.title()
                        + (it.help().isEmpty() ? "" : " (" + it.help() + ")")
                        + (it.onlyWhen().isEmpty() ? "" : ", " + it.onlyWhen()));
            }
        }
        return told;
    }

    @Test
    void theTitleOfOneTitledPageIsNotRepeatedAboveItsSections() {
        assertThat(headings(page("a", "Site", WELL))).containsExactly("1 Well");
        assertThat(headings(page("a", "Site", WELL), page("b", "", Section.of("more", "More", List.of(text("x"))))))
                .containsExactly("1 Well", "1 More");
    }

    @Test
    void titlesOfSeveralPagesStandAboveThoseOfTheirSections() {
        assertThat(headings(
                        page("a", "Site", WELL),
                        page("b", "", Section.of("more", "More", List.of(text("x")))),
                        page("c", "End", Section.of("last", "Last", List.of(text("y"))))))
                .containsExactly("1 Site", "2 Well", "2 More", "1 End", "2 Last");
    }

    @Test
    void aPageThatFollowsAnAnswerSaysSo() {
        Page later =
                page("b", "", Section.of("more", "More", List.of(text("x")))).withShown(DRY);
        assertThat(headings(page("a", "", WELL), later))
                .containsExactly("1 Well", "1 , Only when dry is Yes", "1 More");
        Page always =
                page("b", "", Section.of("more", "More", List.of(text("x")))).withShown(new Condition.Always());
        assertThat(headings(page("a", "", WELL), always)).containsExactly("1 Well", "1 More");
    }

    @Test
    void aPageThatIsNeverShownIsLeftOut() {
        Page never = page("b", "Gone", Section.of("more", "More", List.of(text("x"))))
                .withShown(new Condition.Never());
        assertThat(parts(page("a", "", WELL), never)).hasSize(2);
    }

    @Test
    void aSectionSaysWhatItHasToSay() {
        Section plain = Section.of("plain", "", List.of(text("x")));
        assertThat(headings(page("a", "", WELL, plain))).containsExactly("1 Well");
        assertThat(headings(page("a", "", WELL, plain.withHelp("In ink.")))).containsExactly("1 Well", "1  (In ink.)");
        assertThat(headings(page("a", "", WELL, plain.withShown(DRY))))
                .containsExactly("1 Well", "1 , Only when dry is Yes");
        assertThat(parts(page("a", "", WELL, plain.withItems(List.of()).withTitle("Empty"))))
                .hasSize(2);
    }

    @Test
    void sectionsInSectionsStandDeeper() {
        Section inner = Section.of("inner", "Pump", List.of(text("x")));
        assertThat(headings(page("a", "", Section.of("outer", "Well", List.of(text("y"), inner)))))
                .containsExactly("1 Well", "2 Pump");
    }

    private static Page samples(Item... items) {
        return page("a", "", WELL, Section.of("samples", "", List.of(items)).withRows(new Section.Rows(2, 2)));
    }

    private static Item[] columns(int count) {
        return IntStream.range(0, count).mapToObj(i -> text("x" + i)).toArray(Item[]::new);
    }

    @Test
    void eightAnswersFitBesideEachOtherAndNotNine() {
        assertThat(parts(samples(columns(8))))
                .filteredOn(FormPart.Table.class::isInstance)
                .hasSize(1);
        assertThat(parts(samples(columns(9))))
                .filteredOn(FormPart.Table.class::isInstance)
                .isEmpty();
        assertThat(headings(samples(columns(9)))).containsExactly("1 Well", "2 1", "2 2");
    }

    @Test
    void onlyAnswersThatFitIntoACellMakeATable() {
        for (FieldKind kind : List.of(
                new FieldKind.Signature(),
                new FieldKind.Initials(),
                new FieldKind.Picture(1),
                FieldKind.SeveralChoices.of(List.of()))) {
            assertThat(parts(samples(text("x"), Documents.field("wide", kind))))
                    .as(kind.toString())
                    .noneMatch(FormPart.Table.class::isInstance);
        }
    }

    @Test
    void aTableSaysWhenItsColumnsAreAskedAndLeavesOutThoseThatNeverAre() {
        List<FormPart> parts = parts(samples(
                text("always"), text("dry_only").withShown(DRY), text("never").withShown(new Condition.Never())));
        FormPart.Table table = (FormPart.Table) parts.getLast();
        assertThat(table.fields()).extracting("key").containsExactly("always", "dry_only");
        assertThat(table.onlyWhen()).containsExactly("", "Only when dry is Yes");
        assertThat(table.rows()).hasSize(2);
        assertThat(table.most()).isEqualTo(2);
    }

    @Test
    void aTableHoldsAsManyRowsAsItsSectionMay() {
        Section section = Section.of("samples", "Samples", List.of(text("x"))).withRows(new Section.Rows(0, 40));
        FormPart.Table table = (FormPart.Table) parts(page("a", "", section)).getLast();
        assertThat(table.rows()).hasSize(6);
        assertThat(table.most()).isEqualTo(40);
    }
}
