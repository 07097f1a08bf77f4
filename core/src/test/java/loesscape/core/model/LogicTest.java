package loesscape.core.model;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import loesscape.core.testing.Documents;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What a node looks at, and what becomes of it when that is exchanged or gone. */
class LogicTest {

    private static final Condition IF_B = new Clause.Answered("b");
    private static final Condition IF_C = new Clause.Answered("c");
    private static final List<Choice> CHOICES = List.of(Choice.of("a", "A"));
    private static final Offer OFFER = new Offer("b", Map.of("yes", List.of("a")));

    private static Field choosing() {
        return field("x", FieldKind.OneChoice.of(CHOICES).withOffer(OFFER));
    }

    private static Field choosingSeveral() {
        return field("x", FieldKind.SeveralChoices.of(CHOICES).withOffer(OFFER));
    }

    private static Field lookup() {
        return field("x", new FieldKind.Lookup("list", "column", Map.of("first", "b", "second", "c")));
    }

    private static Field payment() {
        return field("x", new FieldKind.Payment("EUR", "n + 1"));
    }

    private static Field workedOut(String formula) {
        return number("x").withValue(new FieldValue.WorkedOut(formula, true));
    }

    private static Notice notice() {
        return Notice.of("x", "{n} and {r}, [b: here], [wet: there], see {ref:clause} and {ref:other}")
                .withPhrases(List.of(new Phrase("wet", IF_C)));
    }

    private static Arguments uses(Node node, String... told) {
        return Arguments.of(node, List.of(told));
    }

    static Stream<Arguments> nodes() {
        return Stream.of(
                uses(text("x")),
                uses(text("x").withShown(IF_B), "shown /shown decides [b]"),
                uses(
                        text("x").withRequired(IF_B).withEditable(IF_C),
                        "required /required [b]",
                        "editable /editable [c]"),
                uses(Section.of("x", "", List.of()).withOpen(IF_C), "open /open [c]"),
                uses(
                        text("x").withLooks(List.of(new LookRule(IF_B, Look.PLAIN, LookRule.Extent.ITEM))),
                        "look /looks/0/when [b]"),
                uses(text("x").withChecks(List.of(new Check(IF_C, "No."))), "checks /checks/0/refusedWhen [c]"),
                uses(workedOut("n + sum(r.m)"), "value /value/formula decides [n, r, m]"),
                uses(workedOut("1")),
                uses(choosing(), "choices /kind/offer decides [b]"),
                uses(choosingSeveral(), "choices /kind/offer decides [b]"),
                uses(lookup(), "choices /kind/filters decides [b, c]"),
                uses(field("x", new FieldKind.Lookup("list", "column", Map.of()))),
                uses(payment(), "amount /kind/amount [n]"),
                uses(Indicator.of("x", "", "n", List.of()), "bands /follows [n]"),
                uses(new Picture("x", "", "", "b", null, Folding.PLAIN), "picture /follows [b]"),
                uses(new Picture("x", "", "well.png", "", null, Folding.PLAIN)),
                uses(notice(), "phrase “wet” /phrases/0/when [c]", "text /text [n, r, b, m]"),
                uses(new Divider("x", IF_B), "shown /shown decides [b]"));
    }

    @ParameterizedTest
    @MethodSource("nodes")
    void whatANodeLooksAtIsToldWithItsPlace(Node node, List<String> told) {
        SymbolTable symbols =
                SymbolTable.of(Documents.of(yesNo("b"), text("c"), number("n"), rows("r", 0, 5, number("m"))));
        assertThat(Logic.uses(node, symbols).stream()
                        .map(use -> use.what() + " " + use.path() + (use.decides() ? " decides " : " ")
                                + (use.path().equals("/kind/filters")
                                        ? use.sources().stream().sorted().toList()
                                        : use.sources()))
                        .toList())
                .isEqualTo(told);
    }

    @Test
    void formulasStandInFieldsAlone() {
        assertThat(Logic.formulas(workedOut("n + 1"))).containsExactly("n + 1");
        assertThat(Logic.formulas(payment())).containsExactly("n + 1");
        assertThat(Logic.formulas(text("x").withValue(new FieldValue.Starting("n + 1"))))
                .isEmpty();
        assertThat(Logic.formulas(notice())).isEmpty();
    }

    @Test
    void numbersOfOthersAreToldByTextsAlone() {
        assertThat(Logic.references(notice())).containsExactly("clause", "other");
        assertThat(Logic.references(text("x"))).isEmpty();
    }

    /** Every key gets a line behind it, every formula and condition is another; those of {@code gone} are dropped. */
    private static Logic.Mapping mapping(Set<String> gone) {
        return new Logic.Mapping() {
            @Override
            public @Nullable Condition condition(Condition condition) {
                String named = ((Clause.Answered) condition).field();
                return gone.contains(named) ? null : new Clause.Answered(named + "_");
            }

            @Override
            public @Nullable String formula(String formula) {
                return gone.contains("formula") ? null : formula + " + 1";
            }

            @Override
            public @Nullable String field(String key) {
                return gone.contains(key) ? null : key + "_";
            }
        };
    }

    private static Node mapped(Node node, String... gone) {
        return Logic.mapped(node, mapping(Set.of(gone)));
    }

    @Test
    void conditionsOfAllAspectsAreExchangedOrDropped() {
        Field driven = text("x").withShown(IF_B).withRequired(IF_C).withEditable(IF_B);
        assertThat(mapped(driven))
                .isEqualTo(text("x")
                        .withShown(new Clause.Answered("b_"))
                        .withRequired(new Clause.Answered("c_"))
                        .withEditable(new Clause.Answered("b_")));
        assertThat(mapped(driven, "b")).isEqualTo(text("x").withRequired(new Clause.Answered("c_")));
        assertThat(mapped(text("x"))).isEqualTo(text("x"));
        Section section = Section.of("s", "", List.of()).withShown(IF_B).withOpen(IF_C);
        assertThat(mapped(section, "b"))
                .isEqualTo(Section.of("s", "", List.of()).withOpen(new Clause.Answered("c_")));
        assertThat(mapped(new Divider("d", IF_B), "b")).isEqualTo(new Divider("d", null));
        Overlay overlay = new Overlay("o", "", Overlay.OverlayShape.RING, "", IF_B);
        assertThat(mapped(overlay)).isEqualTo(overlay.withShown(new Clause.Answered("b_")));
    }

    @Test
    void looksAndChecksWithoutConditionAreNoMore() {
        List<LookRule> looks = List.of(
                new LookRule(IF_B, Look.PLAIN, LookRule.Extent.ITEM),
                new LookRule(IF_C, Look.of(Look.Shade.MOSS, true, Look.Mark.TICK), LookRule.Extent.ROW));
        List<LookRule> left = List.of(new LookRule(
                new Clause.Answered("c_"), Look.of(Look.Shade.MOSS, true, Look.Mark.TICK), LookRule.Extent.ROW));
        Field looking =
                text("x").withLooks(looks).withChecks(List.of(new Check(IF_B, "Not b."), new Check(IF_C, "Not c.")));
        assertThat(mapped(looking, "b"))
                .isEqualTo(
                        text("x").withLooks(left).withChecks(List.of(new Check(new Clause.Answered("c_"), "Not c."))));
        assertThat(mapped(Section.of("s", "", List.of()).withLooks(looks), "b"))
                .isEqualTo(Section.of("s", "", List.of()).withLooks(left));
        assertThat(mapped(Notice.of("n", "N").withLooks(looks), "b"))
                .isEqualTo(Notice.of("n", "N").withLooks(left));
    }

    @Test
    void whatIsFollowedIsExchangedAndChoicesStayWhenItIsGone() {
        Offer other = new Offer("b_", Map.of("yes", List.of("a")));
        assertThat(mapped(choosing()))
                .isEqualTo(field("x", FieldKind.OneChoice.of(CHOICES).withOffer(other)));
        assertThat(mapped(choosing(), "b")).isEqualTo(field("x", FieldKind.OneChoice.of(CHOICES)));
        assertThat(mapped(choosingSeveral()))
                .isEqualTo(field("x", FieldKind.SeveralChoices.of(CHOICES).withOffer(other)));
        assertThat(mapped(lookup()))
                .isEqualTo(field("x", new FieldKind.Lookup("list", "column", Map.of("first", "b_", "second", "c_"))));
        assertThat(mapped(lookup(), "c"))
                .isEqualTo(field("x", new FieldKind.Lookup("list", "column", Map.of("first", "b_"))));
    }

    @Test
    void formulasAreExchangedAndAnAmountThatIsGoneIsNothing() {
        assertThat(mapped(workedOut("n"))).isEqualTo(workedOut("n + 1"));
        assertThat(mapped(workedOut("n"), "formula")).isEqualTo(number("x"));
        Field starting = text("x").withValue(new FieldValue.Starting("oak"));
        assertThat(mapped(starting, "formula")).isEqualTo(starting);
        assertThat(mapped(payment())).isEqualTo(field("x", new FieldKind.Payment("EUR", "n + 1 + 1")));
        assertThat(mapped(payment(), "formula")).isEqualTo(field("x", new FieldKind.Payment("EUR", "0")));
    }

    @Test
    void indicatorsKeepWhatTheyFollowAndPicturesDoNot() {
        Indicator indicator = Indicator.of("i", "I", "n", List.of());
        assertThat(mapped(indicator)).isEqualTo(indicator.withFollows("n_"));
        assertThat(mapped(indicator, "n")).isEqualTo(indicator);
        Picture picture = new Picture("i", "I", "well.png", "b", null, Folding.PLAIN);
        assertThat(mapped(picture)).isEqualTo(new Picture("i", "I", "well.png", "b_", null, Folding.PLAIN));
        assertThat(mapped(picture, "b")).isEqualTo(new Picture("i", "I", "well.png", "", null, Folding.PLAIN));
        Picture alone = new Picture("i", "I", "well.png", "", null, Folding.PLAIN);
        assertThat(mapped(alone)).isEqualTo(alone);
    }

    @Test
    void textsMergeOthersAndTheirPhrasesStandAlwaysWhenNothingDrivesThem() {
        assertThat(mapped(notice()))
                .isEqualTo(Notice.of("x", "{n_} and {r_}, [b_: here], [wet: there], see {ref:clause_} and {ref:other_}")
                        .withPhrases(List.of(new Phrase("wet", new Clause.Answered("c_")))));
        assertThat(mapped(notice(), "c", "n"))
                .isEqualTo(Notice.of("x", " and {r_}, [b_: here], [wet: there], see {ref:clause_} and {ref:other_}")
                        .withPhrases(List.of(new Phrase("wet", new Condition.Always()))));
    }

    @Test
    void placesFollowTheirItemsAndAreGoneWithThem() {
        Page page = new Page("p", "", null, List.of())
                .withPlaces(List.of(Place.of("b", 1, 2, 3, 4), Place.of("c", 5, 6, 7, 8)));
        assertThat(((Page) mapped(page)).places())
                .containsExactly(Place.of("b_", 1, 2, 3, 4), Place.of("c_", 5, 6, 7, 8));
        assertThat(((Page) mapped(page, "b")).places()).containsExactly(Place.of("c_", 5, 6, 7, 8));
    }

    @Test
    void aSectionKnowsItsBlockByOtherKeys() {
        Section section =
                Section.of("s", "", List.of()).withOrigin(new Origin("block", 3, Map.of("one", "b", "two", "c")));
        assertThat(((Section) mapped(section)).origin())
                .isEqualTo(new Origin("block", 3, Map.of("one", "b_", "two", "c_")));
        assertThat(((Section) mapped(section, "b")).origin()).isEqualTo(new Origin("block", 3, Map.of("two", "c_")));
    }
}
