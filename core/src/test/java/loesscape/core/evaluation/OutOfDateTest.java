package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Answers that no longer fit what others say never lock a document up. */
class OutOfDateTest {

    private static final List<Choice> SOILS =
            List.of(Choice.of("clay", "Clay"), Choice.of("sand", "Sand"), Choice.of("loess", "Loess"));
    private static final Offer BY_PLACE = new Offer(
            "place", Map.of("hill", List.of("loess", "sand"), "shore", List.of("sand", "clay"), "sea", List.of()));

    private static CompiledTemplate compiled(Item... items) {
        LookupList empty = new LookupList(
                "empty", "Empty", List.of(new LookupList.Column("name", "Name", false)), List.of(), null);
        return CompiledTemplate.compile(new Template(
                "Out of date",
                "",
                List.of(new Page("page", "", null, List.of(Section.of("main", "", List.of(items))))),
                List.of(),
                List.of(),
                List.of(empty),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of()));
    }

    private static Field place() {
        return Field.of(
                "place",
                "Place",
                FieldKind.OneChoice.of(
                        List.of(Choice.of("hill", "Hill"), Choice.of("shore", "Shore"), Choice.of("sea", "Sea"))));
    }

    private static NodeState.FieldState state(CompiledTemplate of, String key, Map<String, String> typed) {
        return (NodeState.FieldState)
                of.evaluate(new Answers(typed), new Context(LocalDate.of(2026, 11, 27), Stage.FILLING, ""))
                        .of(key);
    }

    private static Field soils(boolean other) {
        FieldKind.SeveralChoices kind = FieldKind.SeveralChoices.of(SOILS);
        return Field.of(
                        "soils",
                        "Soils",
                        new FieldKind.SeveralChoices(
                                kind.choices(), kind.layout(), kind.style(), other, BY_PLACE, 0, 0))
                .withRequired(new Condition.Always());
    }

    @Test
    void onlyWhatIsNoLongerOfferedStopsCounting() {
        CompiledTemplate of = compiled(place(), soils(false));
        NodeState.FieldState both = state(of, "soils", Map.of("place", "hill", "soils", "loess,sand"));
        assertThat(both.value()).isEqualTo(new Value.ChosenSet(List.of("sand", "loess"), ""));
        NodeState.FieldState one = state(of, "soils", Map.of("place", "shore", "soils", "loess,sand"));
        assertThat(one.problem()).isNull();
        assertThat(one.missing()).isFalse();
        assertThat(one.value()).isEqualTo(new Value.ChosenSet(List.of("sand"), ""));
        NodeState.FieldState none = state(of, "soils", Map.of("place", "shore", "soils", "loess"));
        assertThat(none.problem()).isNull();
        assertThat(none.missing()).as("it is asked for anew").isTrue();
        assertThat(state(of, "soils", Map.of("place", "hill", "soils", "loess,granite"))
                        .problem())
                .as("what never was a choice is none")
                .isNotNull();
    }

    @Test
    void ownWordsThatAreNoLongerTakenStopCountingToo() {
        CompiledTemplate of = compiled(place(), soils(true));
        assertThat(state(of, "soils", Map.of("place", "hill", "soils", "loess,=Peat"))
                        .value())
                .isEqualTo(new Value.ChosenSet(List.of("loess", Choice.OTHER), "Peat"));
        NodeState.FieldState nowhere = state(of, "soils", Map.of("soils", "loess,=Peat"));
        assertThat(nowhere.value().isBlank()).isTrue();
        assertThat(nowhere.problem()).isNull();
    }

    @Test
    void oneChoiceWhereNothingIsOfferedCountsAndAsksForNothing() {
        FieldKind.OneChoice plain = FieldKind.OneChoice.of(SOILS);
        Field soil = Field.of(
                        "soil",
                        "Soil",
                        new FieldKind.OneChoice(plain.choices(), plain.layout(), plain.style(), false, BY_PLACE))
                .withRequired(new Condition.Always());
        CompiledTemplate of = compiled(place(), soil);
        assertThat(of.evaluate(new Answers(Map.of("place", "sea", "soil", "loess")))
                        .obstacles())
                .isEmpty();
        assertThat(state(of, "soil", Map.of("place", "sea", "soil", "loess"))
                        .value()
                        .isBlank())
                .isTrue();
        assertThat(state(of, "soil", Map.of("place", "shore", "soil", "loess")).problem())
                .isEqualTo("This choice is not offered; choose another.");
    }

    @Test
    void whatCannotBeAnsweredIsNotAskedFor() {
        Field lookup = Field.of("machine", "Machine", new FieldKind.Lookup("empty", "name", Map.of()))
                .withRequired(new Condition.Always());
        assertThat(compiled(lookup).evaluate(Answers.NONE).obstacles()).isEmpty();
        assertThat(compiled(lookup)
                        .evaluate(new Answers(Map.of("machine", "Auger")))
                        .obstacles())
                .isEmpty();
        Field days = Field.of("days", "Days", new FieldKind.Number(0, "", null, null));
        Field deposit = Field.of("deposit", "Deposit", new FieldKind.Payment("EUR", "10 * days"))
                .withRequired(new Condition.Always())
                .withEditable(new Clause.Answered("days"));
        CompiledTemplate pays = compiled(days, deposit);
        assertThat(pays.evaluate(Answers.NONE).obstacles()).as("nothing is due").isEmpty();
        assertThat(pays.evaluate(new Answers(Map.of("days", "0"))).obstacles()).isEmpty();
        assertThat(pays.evaluate(new Answers(Map.of("days", "3"))).obstacles()).hasSize(1);
        Field locked = deposit.withEditable(new Condition.Never());
        assertThat(compiled(days, locked)
                        .evaluate(new Answers(Map.of("days", "3")))
                        .obstacles())
                .as("it is locked, as its author says")
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"4.5", "4.50", "4,5", " 4.5 ", "04.5"})
    void whatIsFilteredByANumberIsComparedByItsSize(String typed) {
        LookupList rates = new LookupList(
                "empty",
                "Rates",
                List.of(new LookupList.Column("name", "Name", false), new LookupList.Column("rate", "Rate", true)),
                List.of(List.of("Auger", "4.50"), List.of("Pump", "4.05"), List.of("Drill", "4.5")),
                null);
        Field rate = Field.of("rate", "Rate", new FieldKind.Number(2, "", null, null));
        Field machine = Field.of("machine", "Machine", new FieldKind.Lookup("empty", "name", Map.of("rate", "rate")));
        CompiledTemplate of = CompiledTemplate.compile(new Template(
                "Rates",
                "",
                List.of(new Page("page", "", null, List.of(Section.of("main", "", List.of(rate, machine))))),
                List.of(),
                List.of(),
                List.of(rates),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of()));
        assertThat(state(of, "machine", Map.of("rate", typed)).offered()).containsExactly("Auger", "Drill");
    }

    /** White_Space of the Unicode Character Database (PropList.txt), from memory. */
    @ParameterizedTest
    @ValueSource(
            strings = {" ", "\t", "\n", "\u0085", "\u00A0", "\u1680", "\u2003", "\u2028", "\u202F", "\u205F", "\u3000"})
    void whiteSpaceIsNoAnswerAndIsNoPartOfOne(String space) {
        Field name = Field.of("name", "Name", new FieldKind.Text("", 0)).withRequired(new Condition.Always());
        Field days = Field.of("days", "Days", new FieldKind.Number(0, "", null, null));
        CompiledTemplate of = compiled(name, days, place());
        assertThat(state(of, "name", Map.of("name", space + space)).missing()).isTrue();
        assertThat(state(of, "name", Map.of("name", space + "Femke" + space)).value())
                .isEqualTo(new Value.Text("Femke"));
        assertThat(state(of, "days", Map.of("days", "7" + space)).problem()).isNull();
        assertThat(state(of, "place", Map.of("place", "hill" + space)).value()).isEqualTo(new Value.Chosen("hill"));
    }
}
