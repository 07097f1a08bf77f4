package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Lettering;
import loesscape.core.model.Node;
import loesscape.core.model.Overlay;
import loesscape.core.model.Overlay.OverlayShape;
import loesscape.core.model.Page;
import loesscape.core.model.Place;
import loesscape.core.model.Problem;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Edits of what stands where on pages of a PDF. */
class PlacingTest {

    private static final SheetPage A4 = new SheetPage("sheet.pdf", 0, 21_000, 29_700, "");

    private static final Template FORM = Template.of(
            "Form",
            List.of(
                    new Page(
                            "first",
                            "First",
                            null,
                            A4,
                            List.of(
                                    Place.of("owner", 2_000, 3_000, 6_000, 700),
                                    Place.of("purpose", 2_000, 5_000, 500, 500).ofChoice("field"),
                                    Place.of("purpose", 4_000, 5_000, 500, 500).ofChoice("yard")),
                            List.of(Section.of(
                                    "questions",
                                    "Questions",
                                    List.of(
                                            Field.of("owner", "Owner", new FieldKind.Text("", 0)),
                                            Field.of(
                                                    "purpose",
                                                    "Purpose",
                                                    FieldKind.OneChoice.of(List.of(
                                                            Choice.of("field", "Field"),
                                                            Choice.of("yard", "Yard")))))))),
                    new Page("second", "Second", null, A4, List.of(Place.of("owner", 0, 0, 6_000, 700)), List.of()),
                    new Page("third", "Third", null, List.of(Section.of("flowing", "Flowing", List.of())))));

    private static List<Place> places(Template template, int page) {
        return template.pages().get(page).places();
    }

    @Test
    void placesAreSetAndTakenBack() {
        List<Place> moved = List.of(Place.of("owner", 100, 200, 300, 400));
        Template edited = Editing.apply(FORM, new Edit.SetPlaces("first", moved));
        assertThat(places(edited, 0)).isEqualTo(moved);
        assertThat(places(edited, 1)).isEqualTo(places(FORM, 1));
        Change change = Change.between(TemplateIndex.of(FORM), TemplateIndex.of(edited));
        assertThat(ChangeWords.of(change)).isEqualTo("Places on “First”");
        assertThat(change.reversed().applyTo(edited)).isEqualTo(FORM);
    }

    @Test
    void aKeyThatIsRenamedKeepsItsPlaces() {
        Template edited = Editing.apply(FORM, new Edit.RenameKey("owner", "holder"));
        assertThat(places(edited, 0).getFirst().item()).isEqualTo("holder");
        assertThat(places(edited, 1).getFirst().item()).isEqualTo("holder");
    }

    @Test
    void placesGoWithWhatStandsThere() {
        Template without = Editing.apply(FORM, new Edit.Delete(List.of("owner"), true));
        assertThat(places(without, 0)).extracting(Place::item).containsExactly("purpose", "purpose");
        assertThat(places(without, 1)).isEmpty();
        Template fewer = Editing.apply(FORM, new Edit.RemoveChoice("purpose", "yard", true));
        assertThat(places(fewer, 0)).extracting(Place::choice).containsExactly("", "field");
        Template text = Editing.apply(FORM, new Edit.SetKind("purpose", new FieldKind.Text("", 0)));
        assertThat(places(text, 0)).extracting(Place::item).containsExactly("owner");
    }

    @Test
    void aPageThatIsCopiedHasPlacesForWhatWasCopiedWithIt() {
        Template copied = Editing.apply(FORM, new Edit.Duplicate(List.of("first"), null, null));
        assertThat(places(copied, 1)).extracting(Place::item).containsExactly("owner_2", "purpose_2", "purpose_2");
        assertThat(places(copied, 0)).isEqualTo(places(FORM, 0));
    }

    @Test
    void somethingNewIsPutWhereItWasDrawn() {
        Place drawn = Place.of("", 1_000, 9_000, 4_000, 800).withLettering(Lettering.ofLines());
        Template edited = Editing.apply(FORM, new Edit.AddAt(Edit.Novelty.LONG_TEXT, "Remarks", "first", drawn));
        assertThat(edited.fields()).extracting(Field::key).containsExactly("owner", "purpose", "remarks");
        assertThat(places(edited, 0).getLast()).isEqualTo(drawn.ofItem("remarks"));
    }

    @Test
    void aPageWithoutQuestionsGetsASectionForThem() {
        Template edited =
                Editing.apply(FORM, new Edit.AddAt(Edit.Novelty.DATE, "Day", "second", Place.of("", 0, 0, 900, 900)));
        assertThat(edited.pages().get(1).sections()).extracting(Section::title).containsExactly("Second");
        assertThat(places(edited, 1)).extracting(Place::item).containsExactly("owner", "day");
    }

    @Test
    void theChoicesOfSomethingNewGetAMarkEachOnThePage() {
        Template edited = Editing.apply(
                FORM,
                new Edit.AddAt(
                        Edit.Novelty.ONE_CHOICE,
                        "Which? Pump / Ditch / Drain",
                        "first",
                        Place.of("", 1_000, 28_800, 4_000, 900)));
        List<Place> marks = places(edited, 0).subList(3, 6);
        assertThat(marks).extracting(Place::choice).containsExactly("pump", "ditch", "drain");
        assertThat(marks)
                .allSatisfy(mark -> assertThat(mark.top() + mark.height()).isLessThanOrEqualTo(29_700));
    }

    private static Edit.PrintedQuestion asked(
            Edit.Novelty what, String label, String heading, int top, String... marks) {
        List<Edit.PrintedMark> marked = new ArrayList<>();
        for (String mark : marks) {
            marked.add(new Edit.PrintedMark(mark, Place.of("", 1_000 + marked.size() * 2_000, top, 400, 400)));
        }
        return new Edit.PrintedQuestion(what, label, heading, Place.of("", 1_000, top, 4_000, 700), marked);
    }

    @Test
    void whatAPrintedPageAsksIsAddedUnderItsHeadingsInReadingOrder() {
        Template edited = Editing.apply(
                FORM,
                new Edit.AddPrinted(
                        "second",
                        List.of(
                                asked(Edit.Novelty.TEXT, "Town", "The owner", 6_000),
                                asked(Edit.Novelty.DATE, "Begin", "The works", 9_000),
                                asked(Edit.Novelty.TEXT, "Street", "The owner", 5_000),
                                asked(Edit.Novelty.TEXT, "Country", "The owner", 7_000))));
        List<Section> sections = edited.pages().get(1).sections();
        assertThat(sections).extracting(Section::title).containsExactly("The owner", "The works");
        assertThat(sections.getFirst().items()).extracting(Node::key).containsExactly("street", "town", "country");
        assertThat(places(edited, 1))
                .extracting(Place::item)
                .containsExactly("owner", "town", "begin", "street", "country");
        assertThat(Validation.of(edited)).isEmpty();
    }

    @Test
    void marksOfAPrintedPageAreTheChoicesOfTheirQuestion() {
        Template edited = Editing.apply(
                FORM,
                new Edit.AddPrinted(
                        "second",
                        List.of(
                                asked(
                                        Edit.Novelty.SEVERAL_CHOICES,
                                        "Used for",
                                        "",
                                        5_000,
                                        "Cattle",
                                        "Drinking",
                                        "",
                                        "Cattle"),
                                asked(Edit.Novelty.ONE_CHOICE, "Kind", "", 6_000, "bored", "dug"),
                                asked(Edit.Novelty.YES_NO, "Fence?", "", 7_000, "Yes", "No"),
                                asked(Edit.Novelty.YES_NO, "I have read it", "", 8_000, "I have read it"))));
        assertThat(places(edited, 1).stream().skip(1).map(place -> place.item() + " " + place.choice()))
                .containsExactly(
                        "used_for cattle",
                        "used_for drinking",
                        "used_for choice_3",
                        "used_for cattle_2",
                        "kind bored",
                        "kind dug",
                        "fence yes",
                        "fence no",
                        "i_have_read_it yes");
        Field used = edited.fields().stream()
                .filter(it -> it.key().equals("used_for"))
                .findFirst()
                .orElseThrow();
        assertThat(((FieldKind.Choosing) used.kind()).choices())
                .extracting(Choice::label)
                .containsExactly("Cattle", "Drinking", "Choice 3", "Cattle");
    }

    @Test
    void whatIsNotAnsweredByMarksHasNone() {
        for (Edit.PrintedQuestion wrong : List.of(
                asked(Edit.Novelty.DATE, "Day", "", 5_000, "Monday"),
                asked(Edit.Novelty.YES_NO, "Fence?", "", 5_000, "Yes", "No", "Perhaps"),
                asked(Edit.Novelty.SECTION, "A part", "", 5_000))) {
            assertThatThrownBy(() -> Editing.apply(FORM, new Edit.AddPrinted("second", List.of(wrong))))
                    .isInstanceOf(Refusal.class);
        }
        assertThatThrownBy(() -> Editing.apply(FORM, new Edit.AddPrinted("third", List.of())))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("is not a page of a PDF");
    }

    @Test
    void whatIsDrawnOverAPageIsAddedAndChanged() {
        Template drawn = Editing.apply(
                FORM, new Edit.AddAt(Edit.Novelty.STROKE, "No charge", "first", Place.of("", 0, 0, 900, 300)));
        Template covered =
                Editing.apply(drawn, new Edit.SetOverlay("no_charge", OverlayShape.COVER, " not applicable "));
        assertThat(covered.nodes())
                .contains(new Overlay("no_charge", "No charge", OverlayShape.COVER, "not applicable", null));
        assertThat(Editing.apply(covered, new Edit.Relabel("no_charge", "Free")).nodes())
                .contains(new Overlay("no_charge", "Free", OverlayShape.COVER, "not applicable", null));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    nobody  |       | 0 | 0     | 0      | 900    | 900   | Nothing called “nobody” can stand
                    flowing |       | 0 | 0     | 0      | 900    | 900   | Nothing called “flowing” can stand
                    first   |       | 0 | 0     | 0      | 900    | 900   | Nothing called “first” can stand
                    purpose | barn  | 0 | 0     | 0      | 900    | 900   | has no choice “barn”
                    owner   | field | 0 | 0     | 0      | 900    | 900   | has no choice “field”
                    owner   |       | 0 | -1    | 0      | 900    | 900   | does not lie on its page
                    owner   |       | 0 | 0     | 29000  | 900    | 900   | does not lie on its page
                    owner   |       | 0 | 20500 | 0      | 900    | 900   | does not lie on its page
                    owner   |       | 0 | 2147483647 | 0 | 900    | 900   | does not lie on its page
                    owner   |       | 0 | 0     | 0      | 49     | 900   | less than half a millimetre
                    owner   |       | 1000 | 0  | 0      | 900    | 900   | Rows are counted from 0
                    """)
    void whatCannotBeIsRefused(
            String item, String choice, int row, int left, int top, int width, int height, String words) {
        Place place =
                new Place(item, choice == null ? "" : choice, row, left, top, width, height, Lettering.PLAIN, "", "");
        // What is not there any more goes by itself when it is edited; files are told.
        Template wrong = FORM.withPages(List.of(
                FORM.pages().getFirst().withPlaces(List.of(place)),
                FORM.pages().get(1),
                FORM.pages().get(2)));
        assertThat(Validation.of(wrong)).extracting(Problem::message).anyMatch(message -> message.contains(words));
    }

    @Test
    void aPageThatIsSetFromItsItemsHasNoPlaces() {
        assertThatThrownBy(() -> Editing.apply(FORM, new Edit.SetPlaces("third", List.of())))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("is not a page of a PDF");
        assertThatThrownBy(() -> Editing.apply(
                        FORM, new Edit.AddAt(Edit.Novelty.TEXT, "A", "owner", Place.of("", 0, 0, 900, 900))))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> Editing.apply(FORM, new Edit.SetOverlay("owner", OverlayShape.RING, "")))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("is not drawn over a page");
    }

    @Test
    void lettersAndPagesHaveBounds() {
        List<Lettering> wrong = List.of(
                new Lettering(39, 0, false, Lettering.Alignment.START, Lettering.Tick.CROSS),
                new Lettering(721, 0, false, Lettering.Alignment.START, Lettering.Tick.CROSS),
                Lettering.ofCells(201),
                Lettering.ofCells(-1));
        for (Lettering lettering : wrong) {
            List<Place> places = List.of(Place.of("owner", 0, 0, 900, 900).withLettering(lettering));
            assertThatThrownBy(() -> Editing.apply(FORM, new Edit.SetPlaces("first", places)))
                    .as(lettering.toString())
                    .isInstanceOf(Refusal.class);
        }
        for (SheetPage sheet : List.of(
                new SheetPage("../etc", 0, 100, 100, ""),
                new SheetPage("a.pdf", -1, 100, 100, ""),
                new SheetPage("a.pdf", 0, 0, 100, ""),
                new SheetPage("a.pdf", 0, 100, 508_001, ""))) {
            Template template = FORM.withPages(List.of(new Page("p", "", null, sheet, List.of(), List.of())));
            assertThat(Validation.of(template)).as(sheet.toString()).hasSize(1);
        }
    }
}
