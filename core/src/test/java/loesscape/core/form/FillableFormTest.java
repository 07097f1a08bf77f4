package loesscape.core.form;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Lettering;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Place;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.junit.jupiter.api.Test;

/** A template as a form: all that may be asked, in reading order, with what it follows in words. */
class FillableFormTest {

    private static final Condition DRY =
            new Clause.ChoiceClause("dry", Clause.ChoiceClause.ChoiceTest.IS, List.of(FieldKind.YesNo.YES), null);

    private static Field text(String key, String label) {
        return Field.of(key, label, new FieldKind.Text("", 0));
    }

    private static FillableForm form(Answers answers, Section... sections) {
        return FillableForm.of(
                PreparedTemplate.of(Template.of("Wells", List.of(new Page("page", "Page", null, List.of(sections))))),
                answers);
    }

    private static List<String> told(FillableForm form) {
        List<String> told = new ArrayList<>();
        for (FormPart part : form.parts()) {
            told.add(
                    switch (part) {
                        case FormPart.Heading it -> "# " + it.number() + " " + it.title() + when(it.onlyWhen());
                        case FormPart.Question it -> it.address() + when(it.onlyWhen());
                        case FormPart.Table it -> it.section() + " " + it.rows() + " " + it.onlyWhen();
                        case FormPart.Told it ->
                            it.number() + " “" + it.notice().text() + "”" + when(it.onlyWhen());
                        case FormPart.Indicated it -> it.indicator().key();
                        case FormPart.Illustrated it -> it.picture().key();
                        case FormPart.Ruled it -> it.key();
                    });
        }
        return told;
    }

    private static String when(String words) {
        return words.isEmpty() ? "" : ", " + words;
    }

    private static final Section WELL = Section.of(
            "well",
            "The well",
            List.of(
                    Field.of("dry", "Is it dry?", new FieldKind.YesNo()),
                    text("reason", "Why?").withShown(DRY),
                    text("gone", "Never asked").withShown(new Condition.Never()),
                    Notice.of("told", "See {ref:law}.").withShown(DRY)));

    @Test
    void whatIsFoldedStandsThereWithWhatItFollows() {
        assertThat(told(form(Answers.NONE, WELL)))
                .containsExactly(
                        "# 1 The well",
                        "dry",
                        "reason, Only when Is it dry? is Yes",
                        " “See {ref:law}.”, Only when Is it dry? is Yes");
    }

    @Test
    void whatIsAnsweredStandsThereAlsoWhereItDoesNotCount() {
        FillableForm form = form(new Answers(Map.of("dry", "no", "reason", "sand")), WELL);
        assertThat(form.value("reason")).isEqualTo(Value.Text.of("sand"));
        assertThat(form.value("dry")).isEqualTo(new Value.YesNo(false));
    }

    @Test
    void textsReferToTheNumbersThatAllHaveThatStand() {
        Section law = Section.of(
                "law_section",
                "Law",
                List.of(Notice.of("law", "Keep it.").withClause(1).withShown(DRY)));
        FillableForm form = form(Answers.NONE, WELL, law);
        assertThat(form.reference("law")).isEqualTo("2.1");
        assertThat(form.reference("nothing")).isEmpty();
        assertThat(told(form)).contains("# 2 Law", "2.1 “Keep it.”, Only when Is it dry? is Yes");
    }

    private static Section samples(Section.Rows rows, Item... items) {
        return Section.of("samples", "Samples", List.of(items)).withRows(rows);
    }

    @Test
    void rowsHaveRoomForMoreAndAreCountedAnew() {
        FillableForm form = form(
                new Answers(Map.of("samples", "ax3,b7", "ph@ax3", "5", "ph@b7", "6")),
                samples(new Section.Rows(0, 40), text("ph", "pH")));
        assertThat(told(form)).containsExactly("# 1 Samples", "samples [r1, r2, r3, r4, r5, r6] []");
        assertThat(form.rooms()).isEqualTo(Map.of("samples", 6));
        assertThat(form.value("ph@r1")).isEqualTo(Value.Text.of("5"));
        assertThat(form.value("ph@r2")).isEqualTo(Value.Text.of("6"));
    }

    @Test
    void thereIsRoomForAllRowsThatHavePlaces() {
        Section section = samples(new Section.Rows(0, 40), text("ph", "pH"));
        Place tenth = new Place("ph", "", 9, 0, 0, 1_000, 500, Lettering.PLAIN, "", "");
        SheetPage sheet = new SheetPage("sheet.pdf", 0, 21_000, 29_700, "");
        Section others =
                Section.of("others", "Others", List.of(text("note", "Note"))).withRows(new Section.Rows(0, 40));
        Page page = new Page("page", "", null, sheet, List.of(tenth), List.of(section, others));
        FillableForm form = FillableForm.of(PreparedTemplate.of(Template.of("Samples", List.of(page))), Answers.NONE);
        assertThat(form.rooms()).isEqualTo(Map.of("samples", 10, "others", 6));
    }

    @Test
    void noMoreRowsThanASectionTakesAndNoneThatBeginWithAnAnswer() {
        Field begun = text("ph", "pH").withValue(new FieldValue.Starting("7"));
        FillableForm form = form(Answers.NONE, samples(new Section.Rows(1, 3), begun));
        assertThat(form.rooms()).isEqualTo(Map.of("samples", 3));
        assertThat(form.value("ph@r1")).isEqualTo(Value.Text.of("7"));
        assertThat(form.value("ph@r2").isBlank()).isTrue();
    }

    @Test
    void rowsThatDoNotFitBesideEachOtherAreAskedOneByOne() {
        FillableForm form = form(
                Answers.NONE,
                samples(
                        new Section.Rows(2, 2),
                        text("ph", "pH"),
                        Field.of("seen", "Seen by", new FieldKind.Signature())));
        assertThat(told(form))
                .containsExactly("# 1 Samples", "#  Samples 1", "ph@r1", "seen@r1", "#  Samples 2", "ph@r2", "seen@r2");
    }
}
