package loesscape.core.evaluation;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.text;
import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Look;
import loesscape.core.model.LookupList;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.testing.Documents;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What clauses say of values, one by one: as docs/meaning.md has it. */
class ClauseMeaningTest {

    private static final List<Choice> ABC = List.of(Choice.of("a", "A"), Choice.of("b", "B"), Choice.of("c", "C"));
    private static final Template TEMPLATE = Documents.listing(
            Documents.of(
                    number("n")
                            .withBands(List.of(
                                    Band.of("low", "", Look.PLAIN, new Bound(new BigDecimal("5"), true)),
                                    Band.of("high", "", Look.PLAIN, null))),
                    number("o"),
                    text("t"),
                    field("one", FieldKind.OneChoice.of(ABC)),
                    field("several", FieldKind.SeveralChoices.of(ABC)),
                    field("size", new FieldKind.Lookup("sizes", "width", Map.of())),
                    field("name", new FieldKind.Lookup("sizes", "name", Map.of()))),
            new LookupList(
                    "sizes",
                    "Sizes",
                    List.of(
                            new LookupList.Column("width", "Width", true),
                            new LookupList.Column("name", "Name", false)),
                    List.of(List.of("7.50", "7.50"), List.of("10", "10")),
                    null));
    private static final ClauseMeaning MEANING = new ClauseMeaning(SymbolTable.of(TEMPLATE));

    static Stream<Clause.TextualClause> textual() {
        return Stream.concat(
                Arrays.stream(TextTest.values()).map(it -> new Clause.TextClause("t", it, "loess", false, true)),
                Arrays.stream(OrderTest.values()).map(it -> new Clause.LengthClause("t", it, 5, true)));
    }

    /** Every text meets a clause or its opposite, and none meets both. */
    @ParameterizedTest
    @MethodSource("textual")
    void oppositeIsMetByAllOtherTexts(Clause.TextualClause clause) {
        Clause.TextualClause opposite = clause.opposite();
        assertThat(opposite == null)
                .isEqualTo(clause instanceof Clause.TextClause it
                        && Set.of(TextTest.STARTS_WITH, TextTest.ENDS_WITH, TextTest.MATCHES)
                                .contains(it.test()));
        if (opposite != null) {
            assertThat(opposite.opposite()).isEqualTo(clause);
            assertThat(opposite.metWhenBlank()).isTrue();
            assertThat(List.of("loess", "LOESS", "loesses", "clay", "silt and loess", "brick"))
                    .allSatisfy(text -> assertThat(meets(opposite, new Value.Text(text)))
                            .as(text)
                            .isNotEqualTo(meets(clause, new Value.Text(text))));
        }
    }

    private static boolean meets(Clause clause, Value value, Value... others) {
        return MEANING.meets(clause, value, List.of(others));
    }

    private static Value of(@Nullable String number) {
        return number == null ? Value.blank() : new Value.Number(new BigDecimal(number));
    }

    private static Value chosen(String choices) {
        return new Value.ChosenSet(List.of(choices.split(" ", -1)), "");
    }

    private static Clause.Operand operand(boolean canBeBlank) {
        return canBeBlank ? new Clause.Operand.FieldOperand("o") : new Clause.Operand.NumberOperand(BigDecimal.ONE);
    }

    @ParameterizedTest
    @CsvSource({
        "EQUAL, 5, 5.0, true", "EQUAL, 5, 6, false", "NOT_EQUAL, 5, 5.0, false", "NOT_EQUAL, 5, 6, true",
        "LESS, 5, 5, false", "LESS, 4, 5, true", "AT_MOST, 5, 5, true", "AT_MOST, 6, 5, false",
        "MORE, 5, 5, false", "MORE, 6, 5, true", "AT_LEAST, 5, 5, true", "AT_LEAST, 4, 5, false",
    })
    void numbersAreComparedByTheirSize(OrderTest test, String value, String other, boolean isMet) {
        assertThat(meets(new Clause.Comparison("n", test, operand(true), null), of(value), of(other)))
                .isEqualTo(isMet);
    }

    @ParameterizedTest
    @CsvSource({
        // The value is blank: what the clause says of blanks.
        ", 5, true, true, true",
        ", 5, false, true, false",
        ", , true, true, true",
        // What it is compared with is blank: the same, where that is an answer.
        "5, , true, true, true",
        "5, , false, true, false",
        "5, , true, false, false",
        "5, , false, false, false",
    })
    void aBlankMeetsWhatIsSaidOfBlanks(
            @Nullable String value, @Nullable String other, boolean whenBlank, boolean isAnswer, boolean isMet) {
        Clause clause = new Clause.Comparison("n", OrderTest.EQUAL, operand(isAnswer), whenBlank);
        assertThat(meets(clause, of(value), of(other))).isEqualTo(isMet);
    }

    @ParameterizedTest
    @CsvSource({
        // from included, to included, outside: met at 4, 5, 6, 9, 10 and 11 of 5 to 10
        "true, true, false, -xxxx-", "false, true, false, --xxx-", "true, false, false, -xxx--",
        "false, false, false, --xx--", "true, true, true, xx--xx", "false, true, true, x---xx",
        "true, false, true, xx---x", "false, false, true, x----x",
    })
    void edgesBelongToARangeWhereItSaysSo(boolean from, boolean to, boolean outside, String met) {
        Clause clause = new Clause.Between("n", outside, operand(true), from, operand(true), to, null);
        StringBuilder told = new StringBuilder();
        for (String value : List.of("4", "5", "6", "9", "10", "11")) {
            told.append(meets(clause, of(value), of("5"), of("10")) ? 'x' : '-');
        }
        assertThat(told).hasToString(met);
    }

    @ParameterizedTest
    @CsvSource({
        "true, , 10, true, false, true", "true, , 10, false, true, false", "true, 5, , false, true, true",
        "true, 5, , true, false, false", "true, , , true, true, true", "false, , , true, true, false",
        "false, , 10, true, false, false", "true, , , false, false, false",
    })
    void aBlankEdgeMeetsWhatIsSaidOfBlanksWhereItIsAnAnswer(
            boolean whenBlank,
            @Nullable String low,
            @Nullable String high,
            boolean isLowAnAnswer,
            boolean isHighAnAnswer,
            boolean isMet) {
        Clause clause =
                new Clause.Between("n", false, operand(isLowAnAnswer), true, operand(isHighAnAnswer), true, whenBlank);
        assertThat(meets(clause, of("7"), of(low), of(high))).isEqualTo(isMet);
    }

    @ParameterizedTest
    @CsvSource({
        // a chosen; a and b chosen; a, b and c chosen; c chosen
        "INCLUDES, xxx-",
        "DOES_NOT_INCLUDE, ---x",
        "INCLUDES_ALL, -xx-",
        "IS_EXACTLY, -x--",
    })
    void setsAreComparedAsSets(SetTest test, String met) {
        Clause clause = new Clause.SetClause("several", test, List.of("b", "a"), null);
        StringBuilder told = new StringBuilder();
        for (String set : List.of("a", "a b", "a b c", "c")) {
            told.append(meets(clause, chosen(set)) ? 'x' : '-');
        }
        assertThat(told).hasToString(met);
    }

    @Test
    void choicesAreCounted() {
        Clause two = new Clause.CountClause("several", OrderTest.AT_LEAST, 2, null);
        assertThat(meets(two, chosen("a"))).isFalse();
        assertThat(meets(two, chosen("a b"))).isTrue();
        assertThat(meets(two, of("5"))).isFalse();
    }

    @Test
    void aChoiceIsOneOfThoseNamed() {
        List<Boolean> told = new ArrayList<>();
        for (ChoiceTest test : List.of(ChoiceTest.IS, ChoiceTest.IS_NOT)) {
            Clause clause = new Clause.ChoiceClause("one", test, List.of("a", "b"), null);
            told.add(meets(clause, new Value.Chosen("b")));
            told.add(meets(clause, new Value.Chosen("c")));
            // What is no choice at all, as where a field was of another kind when it was answered.
            told.add(meets(clause, of("5")));
        }
        assertThat(told).containsExactly(true, false, false, false, true, false);
    }

    @Test
    void yesAndNoAreChoices() {
        Clause yes = new Clause.ChoiceClause("one", ChoiceTest.IS, List.of(FieldKind.YesNo.YES), null);
        assertThat(meets(yes, new Value.YesNo(true))).isTrue();
        assertThat(meets(yes, new Value.YesNo(false))).isFalse();
    }

    @Test
    void whatIsLookedUpInAColumnOfNumbersIsComparedByItsSize() {
        assertThat(meets(
                        new Clause.ChoiceClause("size", ChoiceTest.IS, List.of("7.5"), null), new Value.Chosen("7.50")))
                .isTrue();
        assertThat(meets(
                        new Clause.ChoiceClause("size", ChoiceTest.IS, List.of("7.50"), null), new Value.Chosen("7.5")))
                .isTrue();
        assertThat(meets(
                        new Clause.ChoiceClause("name", ChoiceTest.IS, List.of("7.5"), null), new Value.Chosen("7.50")))
                .isFalse();
        assertThat(meets(
                        new Clause.ChoiceClause("name", ChoiceTest.IS, List.of("7.50"), null),
                        new Value.Chosen("7.50")))
                .isTrue();
    }

    @Test
    void charactersAreCountedAsPeopleCountThem() {
        Clause three = new Clause.LengthClause("t", OrderTest.EQUAL, 3, null);
        assertThat(meets(three, Value.Text.of("abc"))).isTrue();
        assertThat(meets(three, Value.Text.of("🌱🌱🌱"))).isTrue();
        assertThat(meets(three, Value.Text.of("abcd"))).isFalse();
        assertThat(meets(three, of("123"))).isFalse();
    }

    @Test
    void aNumberLiesInOneBand() {
        Clause low = new Clause.BandClause("n", List.of("low"), null);
        assertThat(meets(low, of("5"))).isTrue();
        assertThat(meets(low, of("5.1"))).isFalse();
        assertThat(meets(new Clause.BandClause("n", List.of("low", "high"), null), of("5.1")))
                .isTrue();
    }
}
