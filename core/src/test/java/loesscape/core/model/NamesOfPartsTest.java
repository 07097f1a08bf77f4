package loesscape.core.model;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import loesscape.core.model.Promised.HowMany;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What the parts of a template are called, and what they tell of themselves. */
class NamesOfPartsTest {

    private static final Sign HERE = Sign.saying("Here");
    private static final Sign GONE = Sign.saying("Gone");

    private static Arguments called(Node node, String name) {
        return Arguments.of(node, name);
    }

    static Stream<Arguments> nodes() {
        return Stream.of(
                called(text("x").withLabel("A label of 28 characters...."), "A label of 28 characters...."),
                called(
                        field("irrigated_area", new FieldKind.YesNo()).withLabel("A label of 29 characters, and"),
                        "Irrigated area"),
                called(Section.of("s", "Title", List.of()), "Title"),
                called(new Page("p", "", null, List.of()), "Page"),
                called(new Page("p", "First", null, List.of()), "First"),
                called(Notice.of("n", ""), "Empty notice"),
                called(Notice.of("n", "One **two** three"), "One two three"),
                called(Notice.of("n", "One two three four five six"), "One two three four five six"),
                called(Notice.of("n", "One two three four five six seven"), "One two three four five six …"),
                called(Indicator.of("i", "", "x", List.of()), "Indicator"),
                called(Indicator.of("i", "Depth", "x", List.of()), "Depth"),
                called(new Picture("i", "", "", "", null, Folding.PLAIN), "Picture"),
                called(new Picture("i", "Well", "", "", null, Folding.PLAIN), "Well"),
                called(new Divider("d", null), "Divider"),
                called(new Overlay("o", "", Overlay.OverlayShape.STROKE, "", null), "Stroke"),
                called(new Overlay("o", "", Overlay.OverlayShape.RING, "", null), "Ring"),
                called(new Overlay("o", "", Overlay.OverlayShape.COVER, "", null), "Cover"),
                called(new Overlay("o", "Not applicable", Overlay.OverlayShape.COVER, "", null), "Not applicable"));
    }

    @ParameterizedTest
    @MethodSource("nodes")
    void nodesAreCalledByWhatStandsThere(Node node, String name) {
        assertThat(node.name()).isEqualTo(name);
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "Irrigated area, irrigated_area",
                "Größe in m², grosse_in_m",
                "2. Name, name",
                "'  ', thing",
                "水, thing",
                "if, if_thing",
                "Área, area",
                "Straße, strasse",
                "Œuvre æsthetic, oeuvre_aesthetic",
                "Łódź Øst, lodz_ost",
                "Đorđe þing, dorde_thing",
                "a  -  b, a_b",
                "'This is a question whose words are together much longer than a key can be, so it is cut', this_is_a_question_whose_words_are_together_much_lon",
                "'This is a question whose words are together much l and', this_is_a_question_whose_words_are_together_much_l_a",
                "'This is a question whose words are together much lo and more', this_is_a_question_whose_words_are_together_much_lo",
            })
    void aKeyIsMadeOfALabel(String label, String key) {
        assertThat(Keys.from(label, "thing", taken -> false)).isEqualTo(key);
    }

    @Test
    void aKeyThatIsTakenIsCounted() {
        Set<String> taken = Set.of("area", "area_2", "well_7");
        assertThat(Keys.from("Area", "thing", taken::contains)).isEqualTo("area_3");
        assertThat(Keys.unused("well", taken::contains)).isEqualTo("well");
        assertThat(Keys.unused("well_7", taken::contains)).isEqualTo("well_2");
        assertThat(Keys.words("irrigated_area")).isEqualTo("Irrigated area");
        assertThat(Keys.words("_")).isEqualTo("_");
    }

    @Test
    void anIndicatorKnowsWhatItCanShow() {
        Band low = new Band("low", "Low", Look.of(Look.Shade.MOSS, true, Look.Mark.TICK), "low.svg", null);
        Indicator bands = Indicator.of("i", "", "x", List.of(low));
        assertThat(bands.sign("low")).contains(new Sign("Low", low.look(), "low.svg"));
        assertThat(bands.sign("high")).isEmpty();
        Indicator choices = bands.withBands(List.of()).withChoices(List.of(new Indicator.ChoiceSign("a", HERE)));
        assertThat(choices.sign("a")).contains(HERE);
        assertThat(choices.sign("b")).isEmpty();
        Indicator presence = bands.withPresence(new Indicator.Presence(HERE, GONE));
        assertThat(presence.sign(Indicator.ANSWERED)).contains(HERE);
        assertThat(presence.sign(Indicator.BLANK)).contains(GONE);
    }

    @Test
    void aTemplateKnowsTheFilesBesideIt() {
        Template template = Documents.of(
                text("x"),
                new Picture("i", "", "well.png", "", null, Folding.PLAIN),
                Indicator.of("j", "", "n", List.of(new Band("b", "", Look.PLAIN, "band.svg", null))),
                Indicator.of("k", "", "x", List.of())
                        .withChoices(List.of(new Indicator.ChoiceSign("a", new Sign("", Look.PLAIN, "choice.svg")))),
                Indicator.of("l", "", "x", List.of())
                        .withPresence(new Indicator.Presence(
                                new Sign("", Look.PLAIN, "here.svg"), new Sign("", Look.PLAIN, ""))));
        assertThat(template.pictures()).containsExactly("band.svg", "choice.svg", "here.svg", "well.png");
        assertThat(template.sheets()).isEmpty();
        Page placed = new Page("q", "", null, new SheetPage("form.pdf", 0, 1, 1, ""), List.of(), List.of());
        assertThat(Template.of("T", List.of(template.pages().getFirst(), placed))
                        .sheets())
                .containsExactly("form.pdf");
        assertThat(template.withPaper(PageSettings.Paper.LETTER).pageSettings().paper())
                .isEqualTo(PageSettings.Paper.LETTER);
        assertThat(template.withPaper(PageSettings.Paper.LETTER).pages()).isEqualTo(template.pages());
    }

    @Test
    void aFieldKnowsItsChoicesAndWhoTypesIt() {
        Field one = field("x", FieldKind.OneChoice.of(List.of(new Choice("a", "A", "stored"), Choice.of("b", "B"))));
        assertThat(one.hasChoice("a")).isTrue();
        assertThat(one.hasChoice("c")).isFalse();
        assertThat(one.hasChoice(FieldKind.YesNo.YES)).isFalse();
        assertThat(yesNo("x").hasChoice(FieldKind.YesNo.YES)).isTrue();
        assertThat(yesNo("x").hasChoice(FieldKind.YesNo.NO)).isTrue();
        assertThat(yesNo("x").hasChoice("maybe")).isFalse();
        assertThat(text("x").hasChoice("a")).isFalse();
        assertThat(new Choice("a", "A", "stored").value()).isEqualTo("stored");
        assertThat(Choice.of("b", "B").value()).isEqualTo("B");
        assertThat(text("x").isTyped()).isTrue();
        assertThat(text("x").withValue(new FieldValue.Starting("oak")).isTyped())
                .isTrue();
        assertThat(text("x")
                        .withValue(new FieldValue.WorkedOut("\"oak\"", true))
                        .isTyped())
                .isTrue();
        assertThat(text("x")
                        .withValue(new FieldValue.WorkedOut("\"oak\"", false))
                        .isTyped())
                .isFalse();
        assertThat(field("x", new FieldKind.DateSigned()).isTyped()).isFalse();
        assertThat(new FieldKind.DateSigned().isGiven()).isTrue();
        assertThat(new FieldKind.YesNo().isGiven()).isFalse();
    }

    @Test
    void anOtherChoiceIsOfferedWhereItIsTaken() {
        FieldKind.OneChoice plain = FieldKind.OneChoice.of(List.of(Choice.of("a", "A")));
        assertThat(plain.withOther()).extracting(Choice::id).containsExactly("a");
        FieldKind.OneChoice other = new FieldKind.OneChoice(plain.choices(), plain.layout(), plain.style(), true, null);
        assertThat(other.withOther()).extracting(Choice::id).containsExactly("a", Choice.OTHER);
    }

    @Test
    void aBandIsTheFirstThatHoldsItsNumber() {
        List<Band> bands = List.of(
                Band.of("low", "", Look.PLAIN, new Bound(BigDecimal.ONE, true)),
                Band.of("middle", "", Look.PLAIN, new Bound(BigDecimal.TEN, false)),
                Band.of("high", "", Look.PLAIN, null));
        assertThat(Stream.of("0", "1", "1.1", "9.9", "10")
                        .map(it ->
                                Band.of(bands, new BigDecimal(it)).map(Band::id).orElse("none")))
                .containsExactly("low", "low", "middle", "middle", "high");
        assertThat(Band.of(bands.subList(0, 2), BigDecimal.TEN)).isEqualTo(Optional.empty());
        LocalDate day = LocalDate.of(1970, 1, 11);
        List<Band> days = List.of(Band.of("before", "", Look.PLAIN, Bound.of(day, true)));
        assertThat(Band.of(days, new Value.Date(day)).map(Band::id)).contains("before");
        assertThat(Band.of(days, new Value.Date(day.plusDays(1)))).isEmpty();
        assertThat(Bound.number(day)).isEqualTo(BigDecimal.TEN);
        assertThat(Bound.of(day, true).at()).isEqualTo(BigDecimal.TEN);
    }

    @ParameterizedTest
    @CsvSource({
        "true, 9, true, false",
        "true, 10, true, true",
        "true, 11, false, true",
        "false, 9, true, false",
        "false, 10, false, false",
        "false, 11, false, true"
    })
    void anEdgeBelongsToItsRangeWhereItSaysSo(boolean included, String value, boolean below, boolean above) {
        Bound bound = new Bound(BigDecimal.TEN, included);
        assertThat(bound.holdsBelow(new BigDecimal(value))).isEqualTo(below);
        assertThat(bound.holdsAbove(new BigDecimal(value))).isEqualTo(above);
    }

    @Test
    void soManyAreSoMany() {
        assertThat(Arrays.stream(HowMany.values())
                        .map(it -> it.words() + ": "
                                + LongStream.range(0, 4).filter(it::is).boxed().toList()))
                .containsExactly("exactly one: [1]", "at most one: [0, 1]", "at least one: [1, 2, 3]");
    }

    @ParameterizedTest
    @EnumSource(AnswerFormat.class)
    void formatsAreFoundByWhatTheyAreCalled(AnswerFormat format) {
        assertThat(AnswerFormat.of(format.key())).contains(format);
        assertThat(format.words()).isNotBlank();
        assertThat(AnswerFormat.of("nowhere")).isEmpty();
    }

    @Test
    void formatsFitTheirKinds() {
        Map<String, FieldKind> kinds = Map.of(
                "day", new FieldKind.Date(null, null),
                "number", new FieldKind.Number(2, "", null, null),
                "payment", new FieldKind.Payment("EUR", "1"),
                "text", new FieldKind.Text("", 0),
                "choice", FieldKind.OneChoice.of(List.of()),
                "choices", FieldKind.SeveralChoices.of(List.of()),
                "signature", new FieldKind.Signature());
        assertThat(Arrays.stream(AnswerFormat.values())
                        .map(format -> format.key() + ": "
                                + kinds.entrySet().stream()
                                        .filter(it -> format.fits(it.getValue()))
                                        .map(Map.Entry::getKey)
                                        .sorted()
                                        .collect(Collectors.joining(" "))))
                .containsExactlyInAnyOrder(
                        "short: day",
                        "full: day",
                        "month: day",
                        "year: day",
                        "figure: number payment",
                        "words: number payment",
                        "lower: choice choices text",
                        "upper: choice choices text",
                        "stored: choice choices",
                        "or: choices");
    }

    @Test
    void aspectsAreSaidInWords() {
        assertThat(Arrays.stream(Aspect.values())
                        .map(it ->
                                String.join(", ", it.key(), it.words(), it.verb(), it.nodes(), "" + it.plainDefault())))
                .containsExactly(
                        "shown, shown, show, node, true",
                        "required, required, require, field, false",
                        "editable, editable, lock, field, true",
                        "open, opened out, open out, section, true");
        Field field = text("x");
        Condition always = new Condition.Always();
        assertThat(Aspect.REQUIRED.of(Aspect.REQUIRED.with(field, always))).isEqualTo(always);
        assertThat(Aspect.REQUIRED.of(Aspect.EDITABLE.with(field, always))).isNull();
        assertThat(Aspect.OPEN.of(field)).isNull();
    }

    @Test
    void mediumsAreSaidInWords() {
        assertThat(Arrays.stream(Medium.values())
                        .map(it -> it.key() + ": " + it.words() + ", " + it.isOnScreen() + " " + it.isOnPaper()))
                .containsExactly(
                        "both: while filling and in the document, true true",
                        "filling: while filling only, true false",
                        "document: in the document only, false true");
        assertThat(Medium.of(text("x").withMedium(Medium.FILLING))).isEqualTo(Medium.FILLING);
        assertThat(Medium.of(new Overlay("o", "", Overlay.OverlayShape.RING, "", null)))
                .isEqualTo(Medium.DOCUMENT);
        assertThat(Medium.of(number("n"))).isEqualTo(Medium.BOTH);
        assertThat(Stage.PRINT.word()).isEqualTo("print");
    }

    @ParameterizedTest
    @CsvSource({"ar, true", "he-IL, true", "FA, true", "en, false", "nl-BE, false", "'', false"})
    void someLanguagesAreWrittenFromTheRight(String language, boolean isRightToLeft) {
        assertThat(new PageSettings(
                                PageSettings.Spacing.NORMAL,
                                PageSettings.Paper.A4,
                                PageSettings.Numbering.SECTIONS,
                                language)
                        .isRightToLeft())
                .isEqualTo(isRightToLeft);
    }
}
