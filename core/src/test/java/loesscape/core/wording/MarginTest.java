package loesscape.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Condition.OfRows.Quantity;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Phrase;
import loesscape.core.model.Picture;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Sign;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** All that stands in the margin beside a page, a section, a field, a text, a picture, an indicator, a role. */
class MarginTest {

    private static final List<Choice> USES = List.of(Choice.of("home", "Household"), Choice.of("field", "Irrigation"));
    private static final Field USE = Field.of("use", "Use", FieldKind.OneChoice.of(USES));
    private static final Field DEPTH = Field.of("depth", "Depth", new FieldKind.Number(1, "m", null, null));
    private static final Field NAME = Field.of("name", "Name", new FieldKind.Text("", 0));
    private static final Field FEE = Field.of("fee", "Fee", new FieldKind.Payment("EUR", "depth * 2"));
    private static final Field SCAN = Field.of("scan", "Scan", new FieldKind.Picture(5));
    private static final Section WELLS = Section.of(
                    "wells", "Wells", List.of(Field.of("yield", "Yield", new FieldKind.Number(0, "l/s", null, null))))
            .withRows(new Section.Rows(0, 5));
    private static final Clause DEEP = new Clause.Comparison(
            "depth", OrderTest.MORE, new Clause.Operand.NumberOperand(BigDecimal.valueOf(30)), null);
    private static final Clause AT_HOME = new Clause.ChoiceClause("use", ChoiceTest.IS, List.of("home"), null);
    private static final Look CLAY = Look.of(Look.Shade.CLAY, true, Look.Mark.NONE);

    private static final Role OWNER = new Role("owner", "Landowner", 1, null);
    private static final Role DRILLER = new Role("driller", "Driller", 2, DEEP);

    private static Template template(Item... more) {
        LookupList pumps = new LookupList(
                "pumps",
                "Pumps",
                List.of(new LookupList.Column("maker", "Maker", false), new LookupList.Column("name", "Name", false)),
                List.of(List.of("Aldo", "Hand")),
                null);
        List<Item> items = new ArrayList<>(List.of(USE, DEPTH, NAME, FEE, SCAN));
        items.addAll(List.of(more));
        return new Template(
                "T",
                "",
                List.of(new Page("p", "", null, List.of(Section.of("s", "", items), WELLS))),
                List.of(OWNER, DRILLER),
                List.of(
                        new SharedCondition("deep", "Deep well", DEEP),
                        new SharedCondition("unnamed", "", new Condition.Any(List.of(DEEP, AT_HOME)))),
                List.of(pumps),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of(),
                List.of());
    }

    private static final Sentences SENTENCES = new Sentences(PreparedTemplate.of(template()));

    private static List<String> margin(Node node) {
        return SENTENCES.of(node).stream().map(Sentence::text).toList();
    }

    private static String when(Condition condition) {
        return String.join("", SENTENCES.of(condition).stream().map(Part::text).toList());
    }

    @Test
    void aFieldSaysWhoAnswersWhatItBeginsAsAndWhatIsRefused() {
        assertThat(margin(USE.withRole("driller").withValue(new FieldValue.Starting("field"))))
                .containsExactly("Answered by Driller.", "Begins as Irrigation.");
        assertThat(margin(NAME.withValue(new FieldValue.Starting("None")))).containsExactly("Begins as None.");
        assertThat(margin(NAME.withValue(new FieldValue.WorkedOut("depth * 2", false))))
                .containsExactly("Worked out: depth * 2.");
        assertThat(margin(NAME.withValue(new FieldValue.WorkedOut("depth * 2", true))))
                .containsExactly("Worked out: depth * 2; it can be typed over.");
        assertThat(margin(NAME.withChecks(List.of(new Check(DEEP, "Too deep."), new Check(AT_HOME, "Not here.")))))
                .containsExactly(
                        "Refused when Depth is more than 30 m: “Too deep.”",
                        "Refused when Use is Household: “Not here.”");
    }

    @Test
    void aFieldSaysWhereItsChoicesComeFrom() {
        Offer offer = new Offer("use", Map.of("home", List.of("home")));
        FieldKind.OneChoice follows =
                new FieldKind.OneChoice(USES, FieldKind.ChoiceLayout.MARKS, FieldKind.ChoiceStyle.PLAIN, false, offer);
        assertThat(margin(Field.of("kind", "Kind", follows))).containsExactly("Choices follow Use.");
        assertThat(margin(Field.of("pump", "Pump", new FieldKind.Lookup("pumps", "name", Map.of()))))
                .containsExactly("Choices from Pumps.");
        assertThat(margin(Field.of("pump", "Pump", new FieldKind.Lookup("pumps", "name", Map.of("maker", "name")))))
                .containsExactly("Choices from Pumps that fit Name.");
        assertThat(margin(Field.of(
                        "pump", "Pump", new FieldKind.Lookup("pumps", "name", Map.of("maker", "name", "name", "use")))))
                .containsExactly("Choices from Pumps that fit Name and Use.");
        assertThat(margin(FEE)).containsExactly("To be paid: depth * 2.");
    }

    @Test
    void looksSayWhatTheyCover() {
        LookRule item = new LookRule(DEEP, CLAY, LookRule.Extent.ITEM);
        LookRule row = new LookRule(AT_HOME, Look.PLAIN, LookRule.Extent.ROW);
        assertThat(margin(NAME.withLooks(List.of(item, row))))
                .containsExactly(
                        "Turns clay and bold when Depth is more than 30 m.",
                        "Its row turns plain when Use is Household.");
    }

    @Test
    void bandsThatLookPlainSayNothing() {
        Band low = Band.of("low", "", CLAY, new Bound(BigDecimal.TEN, false));
        Band middle = Band.of("mid", "", Look.PLAIN, new Bound(BigDecimal.valueOf(20), true));
        Band next = Band.of("next", "", CLAY, new Bound(BigDecimal.valueOf(30), true));
        Band high = Band.of("high", "", CLAY, null);
        assertThat(margin(DEPTH.withBands(List.of(low, middle, next, high))))
                .containsExactly(
                        "Turns clay and bold when below 10.",
                        "Turns clay and bold when over 20 up to 30.",
                        "Turns clay and bold when over 30.");
        assertThat(margin(DEPTH.withBands(List.of(high)))).containsExactly("Turns clay and bold when answered.");
    }

    @Test
    void aLookIsNamedByAllThatIsInIt() {
        assertThat(Sentences.look(Look.PLAIN)).isEqualTo("plain");
        assertThat(Sentences.look(Look.of(Look.Shade.PLAIN, false, Look.Mark.WARNING)))
                .isEqualTo("marked");
        assertThat(Sentences.look(new Look(Look.Shade.OCHRE, true, Look.Mark.NONE, true, "", null)))
                .isEqualTo("ochre and bold and italic");
        assertThat(Sentences.look(new Look(Look.Shade.PLAIN, false, Look.Mark.NONE, true, "", null)))
                .isEqualTo("italic");
    }

    @Test
    void pagesAndSectionsNameThemselves() {
        assertThat(margin(new Page("q", "Two", DEEP, List.of())))
                .containsExactly("Page shown when Depth is more than 30 m.");
        assertThat(margin(new Page("q", "Two", new Condition.Always(), List.of())))
                .containsExactly("Always page shown.");
        assertThat(margin(Section.of("t", "T", List.of()).withShown(AT_HOME).withOpen(new Condition.Never())))
                .containsExactly("Section shown when Use is Household.", "Never opened out.");
        assertThat(margin(WELLS)).containsExactly("Repeats: up to 5 rows.");
        assertThat(margin(WELLS.withRows(new Section.Rows(2, 5)))).containsExactly("Repeats: 2 to 5 rows.");
        assertThat(margin(WELLS.withRows(new Section.Rows(0, 1)))).containsExactly("Repeats: up to 1 row.");
        assertThat(margin(WELLS.withRows(null).withMedium(Medium.DOCUMENT))).containsExactly("In the document only.");
        assertThat(margin(WELLS.withRows(null).withMedium(Medium.FILLING))).containsExactly("While filling only.");
    }

    @Test
    void picturesSayWhatTheyShow() {
        Picture plain = new Picture("pic", "", "a.png", "", null, Folding.PLAIN);
        assertThat(margin(plain)).isEmpty();
        assertThat(margin(new Picture("pic", "", "", "scan", null, Folding.PLAIN)))
                .containsExactly("Shows Scan.");
        assertThat(margin(new Picture("pic", "", "a.png", "scan", null, Folding.PLAIN)))
                .containsExactly("Shows Scan, a stand-in while there is none.");
    }

    @Test
    void indicatorsSayWhatTheyFollowAndShow() {
        Indicator plain = Indicator.of("i", "I", "use", List.of());
        assertThat(margin(plain.withPresence(new Indicator.Presence(Sign.saying("Done"), Sign.saying("")))))
                .containsExactly("Follows Use: Done when answered, nothing when blank.");
        assertThat(margin(plain.withChoices(List.of(
                        new Indicator.ChoiceSign("home", Sign.saying("At home")),
                        new Indicator.ChoiceSign("field", Sign.saying(""))))))
                .containsExactly("Follows Use: At home for Household, nothing for Irrigation. Blank shows nothing.");
        List<Band> bands = List.of(
                Band.of("low", "", Look.PLAIN, new Bound(BigDecimal.TEN, false)),
                Band.of("high", "High", Look.PLAIN, null));
        assertThat(margin(Indicator.of("i", "I", "depth", bands)))
                .containsExactly("Follows Depth: nothing below 10, High from 10. Blank shows nothing.");
        assertThat(margin(Indicator.of("i", "I", "depth", bands.subList(1, 2))))
                .containsExactly("Follows Depth: High. Blank shows nothing.");
    }

    @Test
    void phrasesAreToldByTheWordsThatStandThere() {
        String more = "no more than that, whatever was said of it before";
        Notice notice = Notice.of("n", "At [a: most **twenty** | least one] wells[b: , but " + more + "].")
                .withPhrases(List.of(
                        new Phrase("a", new Condition.Always()),
                        new Phrase("b", DEEP),
                        new Phrase("c", new Condition.Never())));
        assertThat(margin(notice))
                .containsExactly(
                        "“most twenty” is always there.",
                        "“, but no more than that, whatever was said of i…” is there when Depth is more than 30 m.",
                        "“c” is never there.");
    }

    @Test
    void rolesAndConditionsForFinishingAreSentencesToo() {
        assertThat(SENTENCES.takesPart(OWNER).text()).isEqualTo("Landowner takes part.");
        assertThat(SENTENCES.takesPart(DRILLER).text()).isEqualTo("Driller takes part when Depth is more than 30 m.");
        assertThat(SENTENCES.finishing(new FinishRule(AT_HOME, "Only at home.")).text())
                .isEqualTo("Can be finished when Use is Household: otherwise “Only at home.”");
    }

    @Test
    void conditionsOfRowsStagesAndRolesHaveTheirWords() {
        Clause strong = new Clause.Comparison(
                "yield", OrderTest.MORE, new Clause.Operand.NumberOperand(BigDecimal.valueOf(3)), null);
        assertThat(when(new Condition.OfRows("wells", Quantity.ANY, strong, null)))
                .isEqualTo("any row of Wells has Yield is more than 3 l/s");
        assertThat(when(new Condition.OfRows("wells", Quantity.EVERY, strong, true)))
                .isEqualTo("every row of Wells has Yield is more than 3 l/s, also without any row");
        assertThat(when(new Condition.OfRows("wells", Quantity.NO, strong, false)))
                .isEqualTo("no row of Wells has Yield is more than 3 l/s, and there is a row");
        assertThat(when(new Condition.RowCount("wells", OrderTest.AT_LEAST, 2)))
                .isEqualTo("the number of rows of Wells is at least 2");
        assertThat(when(new Condition.Total(
                        "yield", OrderTest.LESS, new Clause.Operand.NumberOperand(BigDecimal.TEN), true)))
                .isEqualTo("the total of Yield is less than 10 l/s, also when blank");
        assertThat(when(new Condition.StageIs(List.of(Stage.FILLING, Stage.REVIEWING, Stage.FINISHED, Stage.PRINT))))
                .isEqualTo("the document is being filled in or being looked through or finished or printed");
        assertThat(when(new Condition.RoleIs(List.of("owner", "nobody"))))
                .isEqualTo("the acting role is Landowner or nobody");
    }

    @Test
    void sharedConditionsAreNamedAndThoseWithoutANameWrittenOut() {
        assertThat(when(new Condition.Shared("deep"))).isEqualTo("Deep well");
        assertThat(when(new Condition.Shared("unnamed"))).isEqualTo("Depth is more than 30 m or Use is Household");
        assertThat(when(new Condition.All(List.of(new Condition.Shared("unnamed"), AT_HOME))))
                .isEqualTo("(Depth is more than 30 m or Use is Household) and Use is Household");
        assertThat(when(new Condition.All(List.of(new Condition.Any(List.of(DEEP)), AT_HOME))))
                .isEqualTo("Depth is more than 30 m and Use is Household");
    }

    @ParameterizedTest
    @CsvSource({
        "0,today",
        "1,1 day after today",
        "-1,1 day before today",
        "7,7 days after today",
        "-30,30 days before today"
    })
    void daysAreCountedFromToday(int days, String words) {
        Template dated = template(Field.of("start", "Start", new FieldKind.Date(null, null)));
        Condition is = new Clause.Comparison("start", OrderTest.EQUAL, new Clause.Operand.TodayOperand(days), null);
        assertThat(String.join(
                        "",
                        new Sentences(PreparedTemplate.of(dated))
                                .of(is).stream().map(Part::text).toList()))
                .isEqualTo("Start is " + words);
    }

    @Test
    void nodesWithoutAnythingToSayAreLeftOut() {
        assertThat(new Sentences(PreparedTemplate.of(
                                template(NAME.withKey("other").withShown(DEEP))))
                        .all()
                        .keySet())
                .containsExactly("fee", "scan", "other", "wells");
    }
}
