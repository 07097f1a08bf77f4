package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.FilledPage.Ink;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Folding;
import loesscape.core.model.Item;
import loesscape.core.model.Lettering;
import loesscape.core.model.Look;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Overlay.OverlayShape;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Picture;
import loesscape.core.model.Place;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What stands on pages of a PDF, and what is told besides. */
class FilledPageTest {

    private static final SheetPage A4 = new SheetPage("sheet.pdf", 0, 21_000, 29_700, "");
    private static final Condition PUMPED = new Condition.Written("pumped = true");

    private static Template form(String language, List<Place> places, Item... items) {
        Template plain = Template.of(
                "Form",
                List.of(
                        new Page(
                                "first",
                                "First",
                                null,
                                A4,
                                places,
                                List.of(Section.of("questions", "", List.of(items)))),
                        new Page(
                                "second",
                                "Second",
                                PUMPED,
                                A4,
                                List.of(),
                                List.of(Section.of(
                                        "more", "", List.of(Field.of("pumped", "Pumped", new FieldKind.YesNo())))))));
        // What decides whether a page is there stands on another.
        Template moved = plain.withPages(List.of(
                plain.pages()
                        .getFirst()
                        .withSections(List.of(
                                plain.pages().getFirst().sections().getFirst(),
                                plain.pages().getLast().sections().getFirst())),
                plain.pages().getLast().withSections(List.of())));
        PageSettings settings = new PageSettings(
                PageSettings.Spacing.NORMAL, PageSettings.Paper.A4, PageSettings.Numbering.NONE, language);
        return new Template(
                moved.title(),
                "",
                moved.pages(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                settings,
                List.of(),
                List.of());
    }

    private static Content content(Template template, Map<String, String> typed) {
        State state = CompiledTemplate.compile(template)
                .evaluate(new Answers(typed), new Context(LocalDate.of(2026, 11, 28), Stage.FINISHED, ""));
        return Content.of(template, state);
    }

    private static List<Ink> inks(Template template, Map<String, String> typed) {
        return content(template, typed).filled().getFirst().inks();
    }

    private static List<String> told(Content content) {
        return content.sections().stream()
                .flatMap(block -> block.lines().stream())
                .map(line -> line instanceof Content.Line.Answer it ? it.label() + ": " + it.text() : "")
                .filter(line -> !line.startsWith("Pumped"))
                .toList();
    }

    private static Place at(String item) {
        return Place.of(item, 1_000, 1_000, 5_000, 700);
    }

    private static final Field OWNER = Field.of("owner", "Owner", new FieldKind.Text("", 0));

    @Test
    void oneAnswerStandsAtAllItsPlacesAndIsToldNowhereElse() {
        Place twice = Place.of("owner", 8_000, 1_000, 5_000, 700);
        Content content = content(form("", List.of(at("owner"), twice), OWNER), Map.of("owner", "Ines"));
        assertThat(content.filled().getFirst().inks()).extracting(Ink::place).containsExactly(at("owner"), twice);
        assertThat(told(content)).isEmpty();
    }

    @Test
    void whatHasNoPlaceIsToldBehind() {
        Content content = content(form("", List.of(), OWNER), Map.of("owner", "Ines"));
        assertThat(content.filled().getFirst().inks()).isEmpty();
        assertThat(told(content)).containsExactly("Owner: Ines");
    }

    @Test
    void aBlankAnswerLeavesItsPlaceBlank() {
        Content content = content(form("", List.of(at("owner")), OWNER), Map.of());
        assertThat(content.filled().getFirst().inks()).isEmpty();
        assertThat(told(content)).isEmpty();
    }

    @Test
    void aPageIsThereWhileItsConditionHolds() {
        Template template = form("", List.of(), OWNER);
        assertThat(content(template, Map.of("pumped", "no")).filled())
                .extracting(FilledPage::key)
                .containsExactly("first");
        assertThat(content(template, Map.of("pumped", "yes")).filled())
                .extracting(FilledPage::key)
                .containsExactly("first", "second");
    }

    /** What would stand on a page that is left out is told behind, for it was answered. */
    @Test
    void anAnswerWhosePageIsLeftOutIsToldBehind() {
        Template template = form("", List.of(), OWNER);
        Template placed = template.withPages(
                List.of(template.pages().getFirst(), template.pages().getLast().withPlaces(List.of(at("owner")))));
        assertThat(told(content(placed, Map.of("owner", "Ines", "pumped", "no"))))
                .containsExactly("Owner: Ines");
        assertThat(told(content(placed, Map.of("owner", "Ines", "pumped", "yes"))))
                .isEmpty();
    }

    private static final FieldKind.OneChoice CHOICES = new FieldKind.OneChoice(
            List.of(Choice.of("field", "Field"), Choice.of("yard", "Yard")),
            FieldKind.ChoiceLayout.MARKS,
            FieldKind.ChoiceStyle.PLAIN,
            true,
            null);

    @Test
    void aChoiceIsMarkedWhereItStands() {
        Lettering ringed = Lettering.PLAIN.withTick(Lettering.Tick.RING);
        Place field = at("purpose").ofChoice("field").withLettering(ringed);
        Place yard = at("purpose").ofChoice("yard");
        Template template = form("", List.of(field, yard), Field.of("purpose", "Purpose", CHOICES));
        assertThat(inks(template, Map.of("purpose", "field")))
                .containsExactly(new Ink.Ticked(field, "Purpose", "Field", Lettering.Tick.RING));
        assertThat(inks(template, Map.of())).isEmpty();
    }

    @Test
    void wordsOfOnesOwnAreNotLostAmongMarks() {
        Place field = at("purpose").ofChoice("field");
        Template marks = form("", List.of(field), Field.of("purpose", "Purpose", CHOICES));
        assertThat(told(content(marks, Map.of("purpose", "=a stable")))).containsExactly("Purpose: a stable");
        assertThat(told(content(marks, Map.of("purpose", "yard"))))
                .as("a mark that has no place")
                .hasSize(1);
        assertThat(told(content(marks, Map.of("purpose", "field")))).isEmpty();
        Template words = form("", List.of(field, at("purpose")), Field.of("purpose", "Purpose", CHOICES));
        assertThat(told(content(words, Map.of("purpose", "=a stable")))).isEmpty();
    }

    @Test
    void yesNoAndSeveralChoicesAreMarkedToo() {
        Field both = Field.of(
                "both",
                "Both",
                FieldKind.SeveralChoices.of(List.of(Choice.of("a", "A"), Choice.of("b", "B"), Choice.of("c", "C"))));
        Template template = form(
                "",
                List.of(
                        at("both").ofChoice("a"),
                        at("both").ofChoice("b"),
                        at("both").ofChoice("c"),
                        at("pumped").ofChoice("yes"),
                        at("pumped").ofChoice("no")),
                both);
        assertThat(inks(template, Map.of("both", "a,c", "pumped", "no")))
                .extracting(ink -> ((Ink.Ticked) ink).choice())
                .containsExactly("A", "C", "No");
    }

    @ParameterizedTest
    @CsvSource({
        "'', 8, 28112026",
        "'', 6, 281126",
        "en-US, 8, 11282026",
        "de, 8, 28112026",
        "ja, 8, 20261128",
        "hu, 6, 261128"
    })
    void aDayInCellsIsWrittenInFiguresInTheOrderOfItsLanguage(String language, int cells, String figures) {
        Field day = Field.of("day", "Day", new FieldKind.Date(null, null));
        Template template = form(language, List.of(at("day").withLettering(Lettering.ofCells(cells))), day);
        assertThat(((Ink.Lettered) inks(template, Map.of("day", "2026-11-28")).getFirst()).text())
                .isEqualTo(figures);
    }

    @Test
    void aDayOutsideOfCellsIsWrittenInWords() {
        Field day = Field.of("day", "Day", new FieldKind.Date(null, null));
        assertThat(((Ink.Lettered) inks(form("de", List.of(at("day")), day), Map.of("day", "2026-11-28"))
                                .getFirst())
                        .text())
                .isEqualTo("28. November 2026");
    }

    @Test
    void coversLieUnderWhatIsWrittenAndFollowTheirConditions() {
        Overlay cover = new Overlay("cover", "", OverlayShape.COVER, "not applicable", new Clause.Answered("owner"));
        Overlay stroke = new Overlay("stroke", "Charge", OverlayShape.STROKE, "", null);
        Template template = form("", List.of(at("owner"), at("stroke"), at("cover")), OWNER, stroke, cover);
        assertThat(inks(template, Map.of("owner", "Ines")))
                .containsExactly(
                        new Ink.Drawn(at("cover"), "Cover", OverlayShape.COVER, "not applicable"),
                        new Ink.Lettered(at("owner"), "Owner", "Ines", Look.PLAIN),
                        new Ink.Drawn(at("stroke"), "Charge", OverlayShape.STROKE, ""));
        assertThat(inks(template, Map.of())).hasSize(1);
        assertThat(told(content(template, Map.of())))
                .as("what is drawn says nothing elsewhere")
                .isEmpty();
    }

    @Test
    void textsAndPicturesAreStamps() {
        Notice stamp = Notice.of("stamp", "Copy for {owner}");
        Picture seal = new Picture("seal", "Seal of the Board", "seal.png", "", null, Folding.PLAIN);
        Template template = form("", List.of(at("stamp"), at("seal")), OWNER, stamp, seal);
        assertThat(inks(template, Map.of("owner", "Ines")))
                .containsExactly(
                        new Ink.Lettered(at("stamp"), "", "Copy for Ines", Look.PLAIN),
                        new Ink.PicturedHere(at("seal"), "Seal of the Board", "seal.png", ""));
    }

    @Test
    void signaturesStandAtTheirPlaces() {
        Field signed =
                Field.of("signed", "Signature", new FieldKind.Signature()).withRole("");
        assertThat(inks(form("", List.of(at("signed")), signed), Map.of("signed", "Ines")))
                .containsExactly(new Ink.SignedHere(at("signed"), "Signature", "Ines", ""));
    }

    @Test
    void eachRowHasItsPlaceAndMoreRowsThanPlacesAreToldWhole() {
        Section rows = Section.of("samples", "Samples", List.of(Field.of("depth", "Depth", new FieldKind.Text("", 0))))
                .withRows(new Section.Rows(0, 5));
        Place first = at("depth");
        Place second = new Place("depth", "", 1, 1_000, 2_000, 5_000, 700, Lettering.PLAIN, "", "");
        Template template = form("", List.of(first, second), rows);
        Map<String, String> two = Map.of("samples", "r1,r2", "depth@r1", "3", "depth@r2", "5");
        assertThat(inks(template, two))
                .extracting(ink -> ((Ink.Lettered) ink).text())
                .containsExactly("3", "5");
        assertThat(content(template, two).sections()).allMatch(block -> !(block instanceof Content.Block.Rows));
        Map<String, String> three = Map.of("samples", "r1,r2,r3", "depth@r1", "3", "depth@r2", "5", "depth@r3", "9");
        assertThat(inks(template, three)).hasSize(2);
        assertThat(content(template, three).sections())
                .anyMatch(block ->
                        block instanceof Content.Block.Rows it && it.rows().size() == 3);
    }

    @Test
    void whatWasAskedIsToldWholeWhateverHasAPlace() {
        Template template = form("", List.of(at("owner")), OWNER);
        State state = CompiledTemplate.compile(template)
                .evaluate(
                        new Answers(Map.of("owner", "Ines")),
                        new Context(LocalDate.of(2026, 11, 28), Stage.FINISHED, ""));
        assertThat(told(Content.asked(template, state, Settled.NOTHING))).containsExactly("Owner: Ines");
        assertThat(Content.asked(template, state, Settled.NOTHING).filled()).isEmpty();
    }
}
