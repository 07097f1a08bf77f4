package loesscape.core.analysis;

import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import loesscape.core.analysis.VersionDifference.Rewritten;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Notice;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.Phrase;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What a later version says or asks otherwise, whatever is answered: of each sort of node, and of nothing that stayed. */
class RewrittenTest {

    private static final LocalDate TODAY = LocalDate.of(2028, 2, 28);

    private static VersionDifference difference(Template before, Template after) {
        return VersionComparison.of(before, after, Map.of(), TODAY);
    }

    private static List<String> rewritten(Template before, Template after) {
        return difference(before, after).rewritten().stream()
                .map(each -> "%s of %s: %s, now %s".formatted(each.what(), each.key(), each.before(), each.after()))
                .toList();
    }

    private static List<String> rewritten(Item before, Item after) {
        return rewritten(Documents.of(before), Documents.of(after));
    }

    private static Field field(FieldKind kind) {
        return Documents.field("f", kind);
    }

    private static Field whole(Bound lower, Bound upper) {
        return field(new FieldKind.Number(0, "m", lower, upper));
    }

    private static Bound bound(int at) {
        return new Bound(BigDecimal.valueOf(at), true);
    }

    @Test
    void whatAFieldIsCalledAndSays() {
        assertThat(rewritten(text("f"), text("f").withLabel("Owner"))).containsExactly("label of f: f, now Owner");
        assertThat(rewritten(text("f"), text("f").withHelp("In full."))).containsExactly("help of f: , now In full.");
        assertThat(rewritten(text("f"), text("f"))).isEmpty();
    }

    @Test
    void whoAnswersIt() {
        Role role = new Role("r", "Owner", 1, null);
        assertThat(rewritten(
                        Documents.forRoles(Documents.of(text("f")), role),
                        Documents.forRoles(Documents.of(text("f").withRole("r")), role)))
                .containsExactly("answered by of f: whoever fills in, now Owner");
    }

    @Test
    void whatItBeginsWith() {
        Field seven = text("f").withValue(new FieldValue.Starting("7"));
        assertThat(rewritten(text("f"), seven)).containsExactly("starting value of f: blank, now 7");
        assertThat(rewritten(seven, text("f"))).containsExactly("starting value of f: 7, now blank");
        assertThat(rewritten(seven, seven)).isEmpty();
        // What is worked out in both is tried, and not told as something written otherwise.
        Field one = whole(bound(0), bound(9)).withValue(new FieldValue.WorkedOut("1", false));
        Field two = whole(bound(0), bound(9)).withValue(new FieldValue.WorkedOut("2", false));
        assertThat(rewritten(one, two)).isEmpty();
        // What was typed before is something else.
        assertThat(rewritten(whole(bound(0), bound(9)), one)).isEmpty();
    }

    @Test
    void whatItTakes() {
        assertThat(rewritten(whole(bound(0), bound(9)), whole(bound(0), bound(5))))
                .containsExactly("limits of f: at least 0 m and at most 9 m, now at least 0 m and at most 5 m");
        FieldKind two = FieldKind.OneChoice.of(List.of(Choice.of("a", "Clay"), Choice.of("b", "Sand")));
        FieldKind three = FieldKind.OneChoice.of(
                List.of(Choice.of("a", "Clay"), Choice.of("b", "Sand"), Choice.of("c", "Loess")));
        assertThat(rewritten(field(two), field(three)))
                .containsExactly("choices of f: Clay, Sand, now Clay, Sand, Loess");
        assertThat(rewritten(field(two), field(two))).isEmpty();
        Field banded = whole(bound(0), bound(9))
                .withBands(List.of(
                        Band.of("low", "Low", Look.PLAIN, bound(3)), Band.of("high", "High", Look.PLAIN, null)));
        assertThat(rewritten(whole(bound(0), bound(9)), banded)).containsExactly("bands of f: , now ");
    }

    @Test
    void whatASectionIsCalledAndHowManyRowsItHas() {
        Section plain = Section.of("r", "Samples", List.of(text("f")));
        assertThat(rewritten(Documents.onePage(plain), Documents.onePage(plain.withTitle("Cores"))))
                .containsExactly("title of r: Samples, now Cores");
        assertThat(rewritten(Documents.onePage(plain), Documents.onePage(plain.withHelp("All of them."))))
                .containsExactly("help of r: , now All of them.");
        Section rows = plain.withRows(new Section.Rows(1, 5));
        assertThat(rewritten(Documents.onePage(rows), Documents.onePage(rows.withRows(new Section.Rows(0, 9)))))
                .containsExactly("rows of r: 1 to 5, now 0 to 9");
    }

    @Test
    void whatAPageIsCalled() {
        Template plain = Documents.of(text("f"));
        Page page = plain.pages().getFirst();
        assertThat(rewritten(plain, plain.withPages(List.of(page.withTitle("The site")))))
                .containsExactly("title of p: , now The site");
    }

    @Test
    void whatATextSays() {
        assertThat(rewritten(Notice.of("n", "Dig."), Notice.of("n", "Drill.")))
                .containsExactly("text of n: Dig., now Drill.");
    }

    private static Template told(Phrase... phrases) {
        return Documents.of(
                yesNo("dry"), Notice.of("n", "Dig. [fast: Fast.] [slow: Slow.]").withPhrases(List.of(phrases)));
    }

    private static Condition dry(String choice) {
        return new Clause.ChoiceClause("dry", Clause.ChoiceClause.ChoiceTest.IS, List.of(choice), null);
    }

    @Test
    void whenItsPhrasesAreSaid() {
        Phrase fast = new Phrase("fast", dry("yes"));
        Phrase slow = new Phrase("slow", dry("no"));
        assertThat(rewritten(told(fast, slow), told(fast, slow))).isEmpty();
        // Written otherwise, and met by the same answers.
        assertThat(rewritten(told(fast, slow), told(fast, new Phrase("slow", new Condition.All(List.of(dry("no")))))))
                .isEmpty();
        assertThat(rewritten(told(fast, slow), told(fast, new Phrase("slow", new Clause.IsBlank("dry")))))
                .containsExactly("phrases of n: , now ");
        assertThat(rewritten(told(fast, slow), told(new Phrase("fast", dry("no")), slow)))
                .containsExactly("phrases of n: , now ");
    }

    @Test
    void whatAnIndicatorTells() {
        Field depth = whole(bound(0), bound(9));
        Indicator plain = Indicator.of(
                "i",
                "Class",
                "f",
                List.of(Band.of("low", "Low", Look.PLAIN, bound(3)), Band.of("high", "High", Look.PLAIN, null)));
        Indicator other = Indicator.of(
                "i",
                "Class",
                "f",
                List.of(Band.of("low", "Low", Look.PLAIN, bound(4)), Band.of("high", "High", Look.PLAIN, null)));
        Indicator named = Indicator.of("i", "Kind", "f", plain.bands());
        assertThat(rewritten(Documents.of(depth, plain), Documents.of(depth, plain)))
                .isEmpty();
        assertThat(rewritten(Documents.of(depth, plain), Documents.of(depth, other)))
                .containsExactly("what it tells of i: , now ");
        assertThat(rewritten(Documents.of(depth, plain), Documents.of(depth, named)))
                .containsExactly("label of i: Class, now Kind");
        Field second = Documents.field("g", depth.kind());
        assertThat(rewritten(
                        Documents.of(depth, second, plain),
                        Documents.of(depth, second, Indicator.of("i", "Class", "g", plain.bands()))))
                .containsExactly("what it tells of i: , now ");
    }

    // What changes by what is answered is told with an example, in words.

    private static List<String> changed(Template before, Template after) {
        return difference(before, after).changed().stream()
                .map(each -> "%s of %s, %s: %s, now %s"
                        .formatted(each.what(), each.key(), each.answers(), each.before(), each.after()))
                .toList();
    }

    private static Template asked(Field follower) {
        return Documents.of(yesNo("dry"), follower);
    }

    @Test
    void eachAspectHasWordsForBothSides() {
        Field log = text("log");
        assertThat(changed(asked(log), asked(log.withShown(dry("yes")))))
                .containsExactly("shown of log, nothing answered: shown, now folded");
        assertThat(changed(asked(log), asked(log.withRequired(new Condition.Always()))))
                .containsExactly("required of log, nothing answered: optional, now required");
        assertThat(changed(asked(log), asked(log.withEditable(dry("yes")))))
                .containsExactly("editable of log, nothing answered: editable, now locked");
        Section section = Section.of("r", "Samples", List.of(text("f")));
        Section first = Section.of("q", "", List.of(yesNo("dry")));
        assertThat(changed(Documents.onePage(first, section), Documents.onePage(first, section.withOpen(dry("yes")))))
                .containsExactly("opened out of r, nothing answered: opened out, now closed");
    }

    @Test
    void anotherLookIsTold() {
        Look moss = Look.of(Look.Shade.MOSS, false, Look.Mark.NONE);
        Field mossy = text("log").withLooks(List.of(new LookRule(dry("yes"), moss, LookRule.Extent.ITEM)));
        assertThat(changed(asked(text("log")), asked(mossy))).containsExactly("look of log, dry: Yes: plain, now moss");
        assertThat(changed(asked(mossy), asked(mossy))).isEmpty();
    }

    @Test
    void otherChoicesOnOfferAreTold() {
        FieldKind.OneChoice soils =
                FieldKind.OneChoice.of(List.of(Choice.of("clay", "Clay"), Choice.of("sand", "Sand")));
        Field offered = Documents.field("soil", soils.withOffer(new Offer("dry", Map.of("yes", List.of("clay")))));
        Field more = Documents.field("soil", soils.withOffer(new Offer("dry", Map.of("yes", List.of("clay", "sand")))));
        assertThat(changed(asked(offered), asked(more)))
                .containsExactly("offers “Sand” of soil, dry: Yes: not offered, now offered");
        assertThat(changed(asked(offered), asked(Documents.field("soil", soils))))
                .hasSize(2)
                .allMatch(line -> line.endsWith("not offered, now offered"));
        assertThat(changed(asked(offered), asked(offered))).isEmpty();
    }

    @Test
    void answersOfExamplesAreToldInWords() {
        FieldKind.SeveralChoices soils =
                FieldKind.SeveralChoices.of(List.of(Choice.of("clay", "Clay"), Choice.of("sand", "Sand")));
        Field several = Documents.field("soil", soils);
        Condition both =
                new Clause.SetClause("soil", Clause.SetClause.SetTest.INCLUDES_ALL, List.of("clay", "sand"), null);
        assertThat(changed(
                        Documents.of(several, text("log")),
                        Documents.of(several, text("log").withShown(new Condition.None(List.of(both))))))
                .containsExactly("shown of log, soil: Clay and Sand: shown, now folded");
    }

    @Test
    void aDifferenceKnowsWhetherItIsOne() {
        assertThat(difference(asked(text("log")), asked(text("log"))).isNothing())
                .isTrue();
        VersionDifference label =
                difference(asked(text("log")), asked(text("log").withLabel("Log")));
        assertThat(label.isNothing()).isFalse();
        assertThat(label.rewritten()).containsExactly(new Rewritten("log", "Log", "label", "log", "Log"));
        assertThat(difference(asked(text("log")), Documents.of(yesNo("dry"))).isNothing())
                .isFalse();
        assertThat(difference(Documents.of(yesNo("dry")), asked(text("log"))).isNothing())
                .isFalse();
    }
}
