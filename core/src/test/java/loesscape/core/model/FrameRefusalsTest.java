package loesscape.core.model;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.core.model.Indicator.ChoiceSign;
import loesscape.core.model.Indicator.Presence;
import loesscape.core.testing.Documents;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What pages, sections, items and shared conditions are refused for. Beside each stands the nearest thing that is taken, so
 * that a limit that moves by one is found.
 */
class FrameRefusalsTest {

    private static final Condition ALWAYS = new Condition.Always();
    private static final String LINE = "x".repeat(Template.LONGEST_LINE);
    private static final String PARAGRAPH = "x".repeat(Template.LONGEST_PARAGRAPH);
    private static final String LONG_LINE =
            "The text has %d characters; the most is %d.".formatted(Template.LONGEST_LINE + 1, Template.LONGEST_LINE);
    private static final String LONG_PARAGRAPH = "The text has %d characters; the most is %d."
            .formatted(Template.LONGEST_PARAGRAPH + 1, Template.LONGEST_PARAGRAPH);
    private static final String LOOKED_AT = "/pages/0/sections/0/items/0";

    private static Template titled(String title, String subtitle) {
        Template template = Documents.of(text("x"));
        return new Template(
                title,
                subtitle,
                template.pages(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }

    private static Template of(Page page) {
        return Template.of("T", List.of(page));
    }

    private static Template of(Section section) {
        return of(new Page("p", "", null, List.of(section)));
    }

    private static Section plain() {
        return Section.of("s", "", List.of(text("x")));
    }

    private static Arguments refused(Template taken, Template refused, String path, String message) {
        return Arguments.of(taken, refused, path, message);
    }

    static Stream<Arguments> documentsPagesAndSections() {
        String broken = "This is one line; take out the line break.";
        return Stream.of(
                refused(titled(LINE, ""), titled(LINE + "x", ""), "/title", LONG_LINE),
                refused(titled("T", LINE), titled("T", LINE + "x"), "/subtitle", LONG_LINE),
                refused(titled("T", "a b"), titled("T", "a\nb"), "/subtitle", broken),
                refused(titled("T", "a b"), titled("T", "\na"), "/subtitle", broken),
                refused(titled("T", "a b"), titled("T", "\ra"), "/subtitle", broken),
                refused(titled("T", ""), titled(" ", ""), "/title", "The document has no title; give it one."),
                refused(
                        titled("T", "a\tb"),
                        titled("T", "a\u0007b"),
                        "/subtitle",
                        "The text holds a control character; take it out."),
                refused(
                        of(plain()),
                        Template.of("T", List.of()),
                        "/pages",
                        "The document has no page; it needs at least one."),
                refused(
                        of(new Page("p", LINE, null, List.of(plain()))),
                        of(new Page("p", LINE + "x", null, List.of(plain()))),
                        "/pages/0/title",
                        LONG_LINE),
                refused(
                        of(new Page("p", "", null, List.of(plain()))),
                        of(new Page("P", "", null, List.of(plain()))),
                        "/pages/0/key",
                        "“P” cannot be a key. A key is lower-case letters, digits and _, begins with a letter, has at most 60 characters, and is not a word of the formula language."),
                refused(
                        of(new Page("p", "", null, List.of(plain()))),
                        of(new Page("x", "", null, List.of(plain()))),
                        LOOKED_AT + "/key",
                        "The key “x” is already used at /pages/0; keys are unique."),
                refused(
                        of(plain().withTitle(LINE)),
                        of(plain().withTitle(LINE + "x")),
                        "/pages/0/sections/0/title",
                        LONG_LINE),
                refused(
                        of(plain().withHelp(PARAGRAPH)),
                        of(plain().withHelp(PARAGRAPH + "x")),
                        "/pages/0/sections/0/help",
                        LONG_PARAGRAPH),
                refused(
                        of(plain().withFolding(new Folding(false, Folding.Motion.FADE, 2_000))),
                        of(plain().withFolding(new Folding(false, Folding.Motion.FADE, 2_001))),
                        "/pages/0/sections/0/folding/milliseconds",
                        "A motion takes 0 to 2000 milliseconds."),
                refused(
                        of(plain().withFolding(new Folding(false, Folding.Motion.FADE, 0))),
                        of(plain().withFolding(new Folding(false, Folding.Motion.FADE, -1))),
                        "/pages/0/sections/0/folding/milliseconds",
                        "A motion takes 0 to 2000 milliseconds."),
                refused(
                        of(plain().withOrigin(new Origin("b", 1, keys(10_000)))),
                        of(plain().withOrigin(new Origin("b", 1, keys(10_001)))),
                        "/pages/0/sections/0/origin/keys",
                        "There are 10001 keys; the most is 10000."),
                refused(
                        Documents.of(Section.of("inner", "", List.of(text("x")))),
                        Documents.of(Section.of("inner", "", List.of(Section.of("deeper", "", List.of(text("x")))))),
                        LOOKED_AT + "/items/0",
                        "Sections stand in sections one deep; this one is deeper."),
                refused(
                        of(plain().withLooks(looks(100, LookRule.Extent.ITEM))),
                        of(plain().withLooks(looks(101, LookRule.Extent.ITEM))),
                        "/pages/0/sections/0/looks",
                        "There are 101 looks; the most is 100."),
                refused(
                        Documents.of(rows("r", 0, 5, text("x").withLooks(looks(1, LookRule.Extent.ROW)))),
                        Documents.of(rows("r", 0, 5, text("x")).withLooks(looks(1, LookRule.Extent.ROW))),
                        LOOKED_AT + "/looks/0/extent",
                        "Only a field in rows can give its row a look."),
                refused(
                        Documents.of(text("x").withLooks(looks(1, LookRule.Extent.ITEM))),
                        Documents.of(text("x").withLooks(looks(1, LookRule.Extent.ROW))),
                        LOOKED_AT + "/looks/0/extent",
                        "Only a field in rows can give its row a look."),
                refused(
                        Documents.of(text("x").withLooks(List.of(looking(LINE)))),
                        Documents.of(text("x").withLooks(List.of(looking(LINE + "x")))),
                        LOOKED_AT + "/looks/0/look/words",
                        LONG_LINE));
    }

    private static Map<String, String> keys(int count) {
        Map<String, String> keys = new LinkedHashMap<>();
        for (int i = 0; i < count; i++) {
            keys.put("k" + i, "x");
        }
        return keys;
    }

    private static List<LookRule> looks(int count, LookRule.Extent extent) {
        return Collections.nCopies(count, new LookRule(ALWAYS, Look.PLAIN, extent));
    }

    private static LookRule looking(String words) {
        return new LookRule(
                ALWAYS, new Look(Look.Shade.MOSS, false, Look.Mark.NONE, false, words, null), LookRule.Extent.ITEM);
    }

    static Stream<Arguments> repeatingSections() {
        String count = "A section has 0 to 1000 rows, and the most is not below the least.";
        return Stream.of(
                refused(repeating(0, 1), repeating(0, 0), LOOKED_AT + "/rows", count),
                refused(repeating(0, 1_000), repeating(0, 1_001), LOOKED_AT + "/rows", count),
                refused(repeating(0, 5), repeating(-1, 5), LOOKED_AT + "/rows", count),
                refused(repeating(5, 5), repeating(6, 5), LOOKED_AT + "/rows", count),
                refused(
                        Documents.of(rows("r", 0, 1_000, texts("x", 50))),
                        Documents.of(rows("r", 0, 1_000, texts("x", 51))),
                        LOOKED_AT + "/rows/most",
                        "1000 rows of 51 items are too many; all rows of a document together have at most 50000 places."),
                refused(
                        Documents.of(rows("r", 0, 1_000, texts("x", 25)), rows("q", 0, 1_000, texts("y", 25))),
                        Documents.of(rows("r", 0, 1_000, texts("x", 25)), rows("q", 0, 1_000, texts("y", 26))),
                        "/pages/0/sections/0/items/1/rows/most",
                        "1000 rows of 26 items are too many; all rows of a document together have at most 50000 places."),
                refused(
                        of(rows("r", 0, 1_000, Section.of("inside_it", "", List.of(texts("x", 49))))),
                        of(rows("r", 0, 1_000, Section.of("inside_it", "", List.of(texts("x", 50))))),
                        "/pages/0/sections/0/rows/most",
                        "1000 rows of 51 items are too many; all rows of a document together have at most 50000 places."),
                refused(
                        of(rows("r", 0, 5, Section.of("inside_it", "", List.of(text("x"))))),
                        of(rows("r", 0, 5, rows("inside_it", 0, 5, text("x")))),
                        LOOKED_AT + "/rows",
                        "A section in rows cannot repeat itself."));
    }

    private static Template repeating(int least, int most) {
        return Documents.of(rows("r", least, most, text("x")));
    }

    private static Item[] texts(String key, int count) {
        return IntStream.range(0, count).mapToObj(i -> text(key + i)).toArray(Item[]::new);
    }

    static Stream<Arguments> fields() {
        FieldKind attachment = new FieldKind.Attachment(1, 1, List.of());
        return Stream.of(
                refused(
                        Documents.of(text("x").withLabel(LINE)),
                        Documents.of(text("x").withLabel(LINE + "x")),
                        LOOKED_AT + "/label",
                        LONG_LINE),
                refused(
                        Documents.of(text("x")),
                        Documents.of(text("x").withLabel(" ")),
                        LOOKED_AT + "/label",
                        "The field has no label; give it one."),
                refused(
                        Documents.of(text("x").withHelp(PARAGRAPH)),
                        Documents.of(text("x").withHelp(PARAGRAPH + "x")),
                        LOOKED_AT + "/help",
                        LONG_PARAGRAPH),
                refused(
                        Documents.of(text("x")),
                        Documents.of(text("x").withFolding(new Folding(true, Folding.Motion.NONE, -1))),
                        LOOKED_AT + "/folding/milliseconds",
                        "A motion takes 0 to 2000 milliseconds."),
                refused(
                        Documents.of(text("x")),
                        Documents.of(text("x").withRole("owner")),
                        LOOKED_AT + "/role",
                        "There is no role “owner”."),
                refused(
                        Documents.of(text("x").withChecks(checks(100, "Mend it."))),
                        Documents.of(text("x").withChecks(checks(101, "Mend it."))),
                        LOOKED_AT + "/checks",
                        "There are 101 checks; the most is 100."),
                refused(
                        Documents.of(text("x").withChecks(checks(1, LINE))),
                        Documents.of(text("x").withChecks(checks(1, LINE + "x"))),
                        LOOKED_AT + "/checks/0/message",
                        LONG_LINE),
                refused(
                        Documents.of(text("x").withChecks(checks(1, "Mend it."))),
                        Documents.of(text("x").withChecks(checks(1, " "))),
                        LOOKED_AT + "/checks/0/message",
                        "Say what is to be done; there is no message."),
                refused(
                        Documents.of(number("x").withBands(List.of(band("low", null)))),
                        Documents.of(text("x").withBands(List.of(band("low", null)))),
                        LOOKED_AT + "/bands",
                        "Only numbers, amounts of money, ratings and dates have bands."),
                refused(
                        Documents.of(text("x").withValue(new FieldValue.Starting("oak"))),
                        Documents.of(text("x").withValue(new FieldValue.Starting(" "))),
                        LOOKED_AT + "/value/answer",
                        "Say with which answer the field begins."),
                refused(
                        Documents.of(text("x").withValue(new FieldValue.Starting(PARAGRAPH))),
                        Documents.of(text("x").withValue(new FieldValue.Starting(PARAGRAPH + "x"))),
                        LOOKED_AT + "/value/answer",
                        LONG_PARAGRAPH),
                refused(
                        Documents.of(text("x").withValue(new FieldValue.Starting("oak"))),
                        Documents.of(field("x", attachment).withValue(new FieldValue.Starting("oak"))),
                        LOOKED_AT + "/value/answer",
                        "This field cannot begin with an answer: nobody signs, pays or hands in beforehand."),
                refused(
                        Documents.of(text("x").withValue(new FieldValue.WorkedOut("\"oak\"", false))),
                        Documents.of(field("x", attachment).withValue(new FieldValue.WorkedOut("\"oak\"", false))),
                        LOOKED_AT + "/value",
                        "An answer of this kind cannot be worked out."),
                refused(
                        Documents.of(number("x").withValue(new FieldValue.WorkedOut("1", false))),
                        Documents.of(number("x").withValue(new FieldValue.WorkedOut("\"oak\"", false))),
                        LOOKED_AT + "/value/formula",
                        "This field takes a number; this formula gives text."));
    }

    private static List<Check> checks(int count, String message) {
        return Collections.nCopies(count, new Check(new Clause.Answered("x"), message));
    }

    private static Band band(String id, @Nullable Bound upTo) {
        return Band.of(id, "", Look.PLAIN, upTo);
    }

    private static Bound at(String number) {
        return new Bound(new BigDecimal(number), true);
    }

    private static Template banded(Band... bands) {
        return Documents.of(number("x").withBands(List.of(bands)));
    }

    static Stream<Arguments> bands() {
        Bound day = Bound.of(LocalDate.of(2027, 1, 1), true);
        Band last = band("last", null);
        String at = LOOKED_AT + "/bands";
        Band[] most = manyBands(1_000);
        return Stream.of(
                refused(
                        Documents.of(number("x").withBands(List.of(most))),
                        Documents.of(number("x").withBands(List.of(manyBands(1_001)))),
                        at,
                        "There are 1001 bands; the most is 1000."),
                refused(
                        banded(band("low", at("1")), last),
                        banded(band("Low", at("1")), last),
                        at + "/0/id",
                        "“Low” cannot be an identity; it is spelt like a key."),
                refused(
                        banded(band("low", at("1")), last),
                        banded(band("last", at("1")), last),
                        at + "/1/id",
                        "The identity “last” is used twice."),
                refused(
                        banded(Band.of("low", LINE, Look.PLAIN, at("1")), last),
                        banded(Band.of("low", LINE + "x", Look.PLAIN, at("1")), last),
                        at + "/0/label",
                        LONG_LINE),
                refused(
                        banded(band("low", at("1")), last),
                        banded(band("low", null), last),
                        at + "/0",
                        "Only the last band is without an end; say where this one ends (upTo)."),
                refused(
                        banded(last),
                        banded(band("last", at("1"))),
                        at + "/0/upTo",
                        "The last band has no end; leave out its upTo."),
                refused(
                        banded(band("low", at("9".repeat(34))), last),
                        banded(band("low", at("9".repeat(35))), last),
                        at + "/0/upTo/at",
                        "The number is too long; at most 34 digits."),
                refused(
                        banded(band("low", at("1")), band("high", at("1.1")), last),
                        banded(band("low", at("1")), band("high", at("1.0")), last),
                        at + "/1/upTo/at",
                        "Each band ends above the one before; 1 does not lie above 1."),
                refused(
                        banded(band("low", at("1")), last),
                        banded(band("low", day), last),
                        at + "/0/upTo",
                        "A band of “x” ends at a number."),
                refused(
                        Documents.of(
                                field("x", new FieldKind.Date(null, null)).withBands(List.of(band("low", day), last))),
                        Documents.of(field("x", new FieldKind.Date(null, null))
                                .withBands(List.of(band("low", at("1")), last))),
                        at + "/0/upTo",
                        "A band of “x” ends on a day."),
                refused(
                        banded(new Band("last", "", Look.PLAIN, "well.svg", null)),
                        banded(new Band("last", "", Look.PLAIN, "../well.svg", null)),
                        at + "/0/picture",
                        "“../well.svg” is not the name of a file beside the template."),
                refused(
                        banded(new Band("last", "", looking(LINE).look(), "", null)),
                        banded(new Band("last", "", looking(LINE + "x").look(), "", null)),
                        at + "/0/look/words",
                        LONG_LINE));
    }

    private static Band[] manyBands(int count) {
        Band[] bands = new Band[count];
        for (int i = 0; i < count; i++) {
            bands[i] = band("b" + i, i < count - 1 ? at(String.valueOf(i)) : null);
        }
        return bands;
    }

    private static Template noticed(Notice notice) {
        return Documents.of(notice, text("x"));
    }

    private static Notice phrased(String... names) {
        List<Phrase> phrases = new ArrayList<>();
        for (String name : names) {
            phrases.add(new Phrase(name, ALWAYS));
        }
        return Notice.of("n", "Words").withPhrases(phrases);
    }

    private static Template overlaid(String label, String words) {
        return Documents.of(new Overlay("o", label, Overlay.OverlayShape.COVER, words, null), text("x"));
    }

    static Stream<Arguments> notices() {
        Notice words = Notice.of("n", "Words");
        Template counted = of(Section.of("s", "", List.of(words.withClause(1), text("x"))));
        return Stream.of(
                refused(
                        noticed(words.withText(PARAGRAPH)),
                        noticed(words.withText(PARAGRAPH + "x")),
                        LOOKED_AT + "/text",
                        LONG_PARAGRAPH),
                refused(
                        noticed(words),
                        noticed(words.withFolding(new Folding(false, Folding.Motion.NONE, 2_001))),
                        LOOKED_AT + "/folding/milliseconds",
                        "A motion takes 0 to 2000 milliseconds."),
                refused(
                        noticed(words.withClause(0)),
                        noticed(words.withClause(-1)),
                        LOOKED_AT + "/clause",
                        "Clauses are counted up to %d deep.".formatted(Notice.DEEPEST_CLAUSE)),
                refused(
                        noticed(words.withClause(Notice.DEEPEST_CLAUSE)),
                        noticed(words.withClause(Notice.DEEPEST_CLAUSE + 1)),
                        LOOKED_AT + "/clause",
                        "Clauses are counted up to %d deep.".formatted(Notice.DEEPEST_CLAUSE)),
                refused(
                        counted,
                        of(rows("s", 0, 5, words.withClause(1), text("x"))),
                        LOOKED_AT + "/clause",
                        "A text in rows stands there once for each row, so it cannot carry a number."),
                refused(
                        of(rows("s", 0, 5, words, text("x"))),
                        of(rows("s", 0, 5, words.withClause(2), text("x"))),
                        LOOKED_AT + "/clause",
                        "A text in rows stands there once for each row, so it cannot carry a number."),
                refused(
                        noticed(phrased(names(50))),
                        noticed(phrased(names(51))),
                        LOOKED_AT + "/phrases",
                        "There are 51 phrases; the most is 50."),
                refused(
                        noticed(phrased("wet")),
                        noticed(phrased("Wet")),
                        LOOKED_AT + "/phrases/0/name",
                        "“Wet” cannot be the name of a phrase: lower-case letters, digits and _, a letter first."),
                refused(
                        noticed(phrased("wet", "dry")),
                        noticed(phrased("wet", "wet")),
                        LOOKED_AT + "/phrases/1/name",
                        "There are two phrases “wet” in this text."),
                refused(
                        noticed(phrased("wet")),
                        noticed(phrased("x")),
                        LOOKED_AT + "/phrases/0/name",
                        "“x” is the key of something else; call the phrase otherwise."),
                refused(
                        Documents.of(phrased("wet"), rows("r", 0, 5, text("x"))),
                        Documents.of(phrased("r"), rows("r", 0, 5, text("x"))),
                        LOOKED_AT + "/phrases/0/name",
                        "“r” is the key of something else; call the phrase otherwise."),
                refused(overlaid(LINE, ""), overlaid(LINE + "x", ""), LOOKED_AT + "/label", LONG_LINE),
                refused(overlaid("", PARAGRAPH), overlaid("", PARAGRAPH + "x"), LOOKED_AT + "/words", LONG_PARAGRAPH));
    }

    private static String[] names(int count) {
        return IntStream.range(0, count).mapToObj(i -> "n" + i).toArray(String[]::new);
    }

    private static Indicator banding(String follows) {
        return Indicator.of("i", "", follows, List.of(band("all", null)));
    }

    private static Template indicated(Indicator indicator) {
        return Documents.of(
                indicator,
                number("deep"),
                field("use", FieldKind.OneChoice.of(List.of(Choice.of("a", "A"), Choice.of("b", "B")))),
                rows("r", 0, 5, number("wide")));
    }

    private static Indicator choosing(ChoiceSign... signs) {
        return banding("use").withBands(List.of()).withChoices(List.of(signs));
    }

    private static Indicator presenting(Sign answered, Sign blank) {
        return banding("use").withBands(List.of()).withPresence(new Presence(answered, blank));
    }

    private static Template pictured(String label, String file, String follows) {
        return Documents.of(
                new Picture("i", label, file, follows, null, Folding.PLAIN),
                number("deep"),
                field("photo", new FieldKind.Picture(1)),
                rows("r", 0, 5, field("inside", new FieldKind.Picture(1))));
    }

    static Stream<Arguments> indicatorsAndPictures() {
        String ways = "An indicator shows bands, or choices, or the presence of an answer: one of these.";
        ChoiceSign a = new ChoiceSign("a", Sign.saying("A"));
        Sign sign = Sign.saying("A");
        return Stream.of(
                refused(
                        indicated(banding("deep").withLabel(LINE)),
                        indicated(banding("deep").withLabel(LINE + "x")),
                        LOOKED_AT + "/label",
                        LONG_LINE),
                refused(indicated(banding("deep")), indicated(banding("deep").withBands(List.of())), LOOKED_AT, ways),
                refused(
                        indicated(choosing(a)),
                        indicated(choosing(a).withPresence(new Presence(sign, sign))),
                        LOOKED_AT,
                        ways),
                refused(
                        indicated(banding("deep")),
                        indicated(banding("use")),
                        LOOKED_AT + "/follows",
                        "Bands follow a number or a date; “use” is neither."),
                refused(
                        indicated(banding("deep")),
                        indicated(banding("nowhere")),
                        LOOKED_AT + "/follows",
                        "There is no field “nowhere”."),
                refused(
                        indicated(banding("deep")),
                        indicated(banding("wide")),
                        LOOKED_AT + "/follows",
                        "“wide” stands in rows; only what stands in the same rows can follow it."),
                refused(
                        Documents.of(rows("r", 0, 5, banding("wide"), number("wide"))),
                        Documents.of(rows("q", 0, 5, banding("wide"), text("x")), rows("r", 0, 5, number("wide"))),
                        LOOKED_AT + "/items/0/follows",
                        "“wide” stands in rows; only what stands in the same rows can follow it."),
                refused(
                        indicated(banding("deep").withBands(List.of(band("low", at("1")), band("all", null)))),
                        indicated(banding("deep")
                                .withBands(List.of(
                                        band("low", Bound.of(LocalDate.of(2027, 1, 1), true)), band("all", null)))),
                        LOOKED_AT + "/bands/0/upTo",
                        "A band of “deep” ends at a number."),
                refused(
                        indicated(banding("deep")),
                        indicated(banding("deep").withBands(List.of(band("All", null)))),
                        LOOKED_AT + "/bands/0/id",
                        "“All” cannot be an identity; it is spelt like a key."),
                refused(
                        indicated(choosing(a, new ChoiceSign("b", sign))),
                        indicated(choosing(a, a)),
                        LOOKED_AT + "/choices/1/choice",
                        "This choice is there twice."),
                refused(
                        indicated(choosing(a)),
                        indicated(choosing(new ChoiceSign("c", sign))),
                        LOOKED_AT + "/choices/0/choice",
                        "“use” has no choice “c”."),
                refused(
                        indicated(choosing(new ChoiceSign("a", Sign.saying(LINE)))),
                        indicated(choosing(new ChoiceSign("a", Sign.saying(LINE + "x")))),
                        LOOKED_AT + "/choices/0/sign/label",
                        LONG_LINE),
                refused(
                        indicated(choosing(
                                new ChoiceSign("a", new Sign("", looking(LINE).look(), "")))),
                        indicated(choosing(new ChoiceSign(
                                "a", new Sign("", looking(LINE + "x").look(), "")))),
                        LOOKED_AT + "/choices/0/sign/look/words",
                        LONG_LINE),
                refused(
                        indicated(choosing(new ChoiceSign("a", new Sign("", Look.PLAIN, "well.png")))),
                        indicated(choosing(new ChoiceSign("a", new Sign("", Look.PLAIN, "wells/well.png")))),
                        LOOKED_AT + "/choices/0/sign/picture",
                        "“wells/well.png” is not the name of a file beside the template."),
                refused(
                        indicated(presenting(Sign.saying(LINE), sign)),
                        indicated(presenting(Sign.saying(LINE + "x"), sign)),
                        LOOKED_AT + "/presence/answered/label",
                        LONG_LINE),
                refused(
                        indicated(presenting(sign, Sign.saying(LINE))),
                        indicated(presenting(sign, Sign.saying(LINE + "x"))),
                        LOOKED_AT + "/presence/blank/label",
                        LONG_LINE),
                refused(
                        indicated(banding("deep")),
                        indicated(banding("deep").withFolding(new Folding(false, Folding.Motion.FADE, 2_001))),
                        LOOKED_AT + "/folding/milliseconds",
                        "A motion takes 0 to 2000 milliseconds."),
                refused(
                        pictured(LINE, "well.png", ""),
                        pictured(LINE + "x", "well.png", ""),
                        LOOKED_AT + "/label",
                        LONG_LINE),
                refused(
                        pictured("", "well.png", ""),
                        pictured("", "a/well.png", ""),
                        LOOKED_AT + "/file",
                        "“a/well.png” is not the name of a file beside the template."),
                refused(
                        pictured("", "", "photo"),
                        pictured("", "", "deep"),
                        LOOKED_AT + "/follows",
                        "“deep” does not take a picture."),
                refused(
                        pictured("", "", "photo"),
                        pictured("", "", "inside"),
                        LOOKED_AT + "/follows",
                        "“inside” stands in rows; only what stands in the same rows can follow it."));
    }

    private static Template onlyFor(Medium around, Medium own, Field field) {
        return of(Section.of("s", "", List.of(Section.of("inside_it", "", List.of(field.withMedium(own)))))
                .withMedium(around));
    }

    static Stream<Arguments> mediums() {
        Field signature = field("x", new FieldKind.Signature());
        String at = LOOKED_AT + "/items/0/medium";
        String unasked =
                "“x” stands in the document only, so nobody could answer it; let it be asked while filling too.";
        String unsigned = "“x” is asked while filling only; what is signed has to stand in the document.";
        Field worked = text("x").withValue(new FieldValue.WorkedOut("\"oak\"", false));
        return Stream.of(
                refused(
                        onlyFor(Medium.FILLING, Medium.BOTH, text("x")),
                        onlyFor(Medium.DOCUMENT, Medium.BOTH, text("x")),
                        at,
                        unasked),
                refused(
                        onlyFor(Medium.BOTH, Medium.FILLING, text("x")),
                        onlyFor(Medium.BOTH, Medium.DOCUMENT, text("x")),
                        at,
                        unasked),
                refused(
                        onlyFor(Medium.DOCUMENT, Medium.BOTH, worked),
                        onlyFor(Medium.DOCUMENT, Medium.BOTH, text("x")),
                        at,
                        unasked),
                refused(
                        onlyFor(Medium.BOTH, Medium.BOTH, signature),
                        onlyFor(Medium.FILLING, Medium.BOTH, signature),
                        at,
                        unsigned),
                refused(
                        onlyFor(Medium.BOTH, Medium.BOTH, signature),
                        onlyFor(Medium.BOTH, Medium.FILLING, signature),
                        at,
                        unsigned));
    }

    private static Template sharing(SharedCondition... conditions) {
        return Documents.sharing(
                Documents.of(yesNo("b"), rows("r", 0, 5, number("wide")), rows("q", 0, 5, number("high"))), conditions);
    }

    private static SharedCondition shared(String key, Condition condition) {
        return new SharedCondition(key, "Name", condition);
    }

    static Stream<Arguments> sharedConditions() {
        Condition wide = new Clause.Answered("wide");
        Condition high = new Clause.Answered("high");
        return Stream.of(
                refused(
                        sharing(many(1_000)),
                        sharing(many(1_001)),
                        "/conditions",
                        "There are more than 1000 shared conditions."),
                refused(
                        sharing(shared("one", new Condition.Shared("two")), shared("two", wide)),
                        sharing(shared("one", new Condition.Shared("two")), shared("two", new Condition.Shared("one"))),
                        "/conditions",
                        "These shared conditions use each other in a circle: one → two → one. Take one of them out of another."),
                refused(
                        sharing(shared("one", wide)),
                        sharing(shared("One", wide)),
                        "/conditions/0/key",
                        "“One” cannot be a key. A key is lower-case letters, digits and _, begins with a letter, has at most 60 characters, and is not a word of the formula language."),
                refused(
                        sharing(new SharedCondition("one", LINE, wide)),
                        sharing(new SharedCondition("one", LINE + "x", wide)),
                        "/conditions/0/name",
                        LONG_LINE),
                refused(
                        sharing(shared("one", new Condition.All(List.of(wide, wide)))),
                        sharing(shared("one", new Condition.All(List.of(wide, high)))),
                        "/conditions/0/condition",
                        "This looks at the rows of several sections at once; it can look at one's."),
                refused(
                        sharing(shared("one", new Clause.Answered("b"))),
                        sharing(shared("one", new Clause.Answered("nowhere"))),
                        "/conditions/0/condition/field",
                        "There is no field “nowhere”."));
    }

    private static SharedCondition[] many(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> shared("c" + i, new Clause.Answered("b")))
                .toArray(SharedCondition[]::new);
    }

    static Stream<Arguments> circles() {
        Template inOrder = Documents.of(
                yesNo("b"),
                number("x").withValue(new FieldValue.WorkedOut("1", false)),
                number("y").withValue(new FieldValue.WorkedOut("x + 1", false)));
        Template around = Documents.of(
                yesNo("b"),
                number("x").withValue(new FieldValue.WorkedOut("y + 1", false)),
                number("y").withValue(new FieldValue.WorkedOut("x + 1", false)));
        return Stream.of(refused(
                inOrder,
                around,
                "/pages/0/sections/0/items/1/value/formula",
                Cycles.sentence(around, List.of("x", "y", "x"))));
    }

    @ParameterizedTest
    @MethodSource({
        "documentsPagesAndSections",
        "repeatingSections",
        "fields",
        "bands",
        "notices",
        "indicatorsAndPictures",
        "mediums",
        "sharedConditions",
        "circles"
    })
    void areToldWhereAndInWhichWords(Template taken, Template refused, String path, String message) {
        assertThat(Validation.of(taken)).isEmpty();
        assertThat(Validation.of(refused)).contains(new Problem(path, message));
    }

    @Test
    void aDocumentHasSoManyPartsAndNoMore() {
        List<Page> pages = new ArrayList<>();
        for (int i = 0; i < 10_000; i++) {
            pages.add(new Page("p" + i, "", null, List.of()));
        }
        assertThat(Validation.of(Template.of("T", pages))).isEmpty();
        pages.add(new Page("last", "", null, List.of()));
        assertThat(Validation.of(Template.of("T", pages)))
                .containsExactly(
                        new Problem("/pages", "There are 10001 pages, sections and items; the most is 10000."));
    }

    @Test
    void notMoreProblemsAreToldThanOneCanRead() {
        Item[] unlabelled = IntStream.range(0, 300)
                .mapToObj(i -> text("x" + i).withLabel(""))
                .toArray(Item[]::new);
        assertThat(Validation.of(Documents.of(unlabelled))).hasSize(100);
    }

    @Test
    void whatIsValidIsGivenBackAndAllElseRefused() {
        Template valid = Documents.of(text("x"));
        assertThat(Validation.require(valid)).isSameAs(valid);
        assertThatCode(() -> Validation.require(PreparedTemplate.of(valid))).doesNotThrowAnyException();
        Template invalid = titled("", "");
        assertThatThrownBy(() -> Validation.require(invalid)).isInstanceOfSatisfying(InvalidTemplate.class, refused -> {
            assertThat(refused).hasMessage("/title: The document has no title; give it one.");
            assertThat(refused.problems())
                    .containsExactly(new Problem("/title", "The document has no title; give it one."));
        });
    }
}
