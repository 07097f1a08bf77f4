package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import loesscape.core.model.Aspect;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What the history of a template says that an edit did. */
class ChangeWordsTest {

    private static final Condition ANSWERED = new Clause.Answered("depth");
    private static final Template WELL = Template.of(
            "Well",
            List.of(new Page(
                    "page",
                    "",
                    null,
                    List.of(Section.of(
                            "well",
                            "The well",
                            List.of(
                                    Field.of("depth", "Depth", new FieldKind.Number(0, "m", null, null)),
                                    Field.of("pump", "Pump", new FieldKind.Text("", 0)),
                                    Field.of(
                                            "soil",
                                            "Soil",
                                            FieldKind.OneChoice.of(List.of(
                                                    Choice.of("loam", "Loam"), Choice.of("clay", "Clay"))))))))));
    private static final LookupList RATES = new LookupList(
            "rates", "Rates", List.of(new LookupList.Column("rate", "Rate", false)), List.of(List.of("one")));

    static Stream<Arguments> edits() {
        List<String> pump = List.of("pump");
        return Stream.of(
                Arguments.of("Title", new Edit.Retitle("Wells", "")),
                Arguments.of("Title", new Edit.Retitle("Well", "form W2")),
                Arguments.of("Added “Yield”", new Edit.Add(Edit.Novelty.NUMBER, "Yield", "well", null)),
                Arguments.of("Deleted “Pump”", new Edit.Delete(pump, false)),
                Arguments.of("Key of “Pump”", new Edit.RenameKey("pump", "lift")),
                Arguments.of("Words of “Pumps”", new Edit.Relabel("pump", "Pumps")),
                Arguments.of("Moved", new Edit.Move("pump", "well", null)),
                Arguments.of("When to show “Pump”", new Edit.SetCondition(pump, List.of(Aspect.SHOWN), ANSWERED)),
                Arguments.of("When to require “Pump”", new Edit.SetCondition(pump, List.of(Aspect.REQUIRED), ANSWERED)),
                Arguments.of("When to lock “Pump”", new Edit.SetCondition(pump, List.of(Aspect.EDITABLE), ANSWERED)),
                Arguments.of(
                        "When to open out “The well”",
                        new Edit.SetCondition(
                                List.of("well"), List.of(Aspect.OPEN), new Condition.StageIs(List.of(Stage.PRINT)))),
                Arguments.of(
                        "Looks of “Pump”",
                        new Edit.SetLooks(
                                pump,
                                List.of(new LookRule(
                                        ANSWERED,
                                        Look.of(Look.Shade.MOSS, true, Look.Mark.NONE),
                                        LookRule.Extent.ITEM)))),
                Arguments.of(
                        "Limits or choices of “Pump”", new Edit.SetKind("pump", new FieldKind.Text("such as", 40))),
                Arguments.of("Kind of “Pump”", new Edit.SetKind("pump", new FieldKind.LongText("", 0))),
                Arguments.of("Limits or choices of “Soil”", new Edit.RelabelChoice("soil", "clay", "Heavy clay")),
                Arguments.of("Changed “Pump”", new Edit.SetHelp("pump", "As on its plate")),
                Arguments.of("Role “Driller”", new Edit.PutRole(new Role("", "Driller", 1, null))),
                Arguments.of("Shared condition “Deep”", new Edit.NewShared("Deep", ANSWERED)),
                Arguments.of("Lookup list “Rates”", new Edit.PutList(RATES)),
                Arguments.of(
                        "Trial “Deep one”", new Edit.PutTrials(List.of(Trial.of("Deep one", Map.of("depth", "40"))))),
                Arguments.of(
                        "When it can be finished",
                        new Edit.SetFinish(List.of(new FinishRule(ANSWERED, "Say how deep it is.")))),
                Arguments.of(
                        "Page settings",
                        new Edit.SetPageSettings(new PageSettings(
                                PageSettings.Spacing.ROOMY,
                                PageSettings.PLAIN.paper(),
                                PageSettings.PLAIN.numbering(),
                                PageSettings.PLAIN.language()))));
    }

    @ParameterizedTest
    @MethodSource("edits")
    void anEditIsTold(String words, Edit edit) {
        assertThat(told(WELL, Editing.apply(WELL, edit))).isEqualTo(words);
    }

    @Test
    void whatIsTakenAwayAgainIsToldByItsName() {
        Template with = Editing.apply(WELL, new Edit.PutRole(new Role("driller", "Driller", 1, null)));
        assertThat(told(with, WELL)).isEqualTo("Role “Driller”");
    }

    @Test
    void ofManyOnlySomeAreNamed() {
        Template now = WELL;
        for (String label : List.of("One", "Two", "Three", "Four", "Five")) {
            now = Editing.apply(now, new Edit.Add(Edit.Novelty.TEXT, label, "well", null));
        }
        assertThat(told(WELL, now)).matches("Added “\\w+”, “\\w+”, “\\w+” and 2 more");
    }

    @Test
    void severalThingsAreToldBesideEachOther() {
        Template now = Editing.apply(
                Editing.apply(WELL, new Edit.Retitle("Wells", "")), new Edit.Relabel("depth", "Depth of it"));
        assertThat(told(WELL, now)).isEqualTo("Title; words of “Depth of it”");
    }

    @Test
    void aLongNameIsCutWhereItsBeginningTells() {
        assertThat(told(WELL, Editing.apply(WELL, new Edit.Relabel("well", "p".repeat(61)))))
                .isEqualTo("Words of “" + "p".repeat(59) + "…”");
        assertThat(told(WELL, Editing.apply(WELL, new Edit.Relabel("well", "p".repeat(60)))))
                .isEqualTo("Words of “" + "p".repeat(60) + "”");
    }

    /** What is too long to be a name is called by its key; its words changed all the same. */
    @Test
    void wordsThatAreNoNameAreWordsToo() {
        Template longer = Editing.apply(WELL, new Edit.Relabel("pump", "p".repeat(200)));
        assertThat(told(WELL, longer)).isEqualTo("Words of “Pump”");
        assertThat(told(longer, Editing.apply(longer, new Edit.Relabel("pump", "q".repeat(200)))))
                .isEqualTo("Words of “Pump”");
    }

    @Test
    void whatChangesNothingSaysSo() {
        assertThat(told(WELL, WELL)).isEqualTo("Nothing");
    }

    private static String told(Template before, Template now) {
        return ChangeWords.of(Change.between(TemplateIndex.of(before), TemplateIndex.of(now)));
    }
}
