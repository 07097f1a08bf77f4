package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import loesscape.core.analysis.VersionDifference.OnlyInOne;
import loesscape.core.analysis.VersionDifference.Rewritten;
import loesscape.core.editing.Change;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Renames;
import loesscape.core.editing.TemplateIndex;
import loesscape.core.model.Aspect;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What a later version of a template does otherwise, told to those who release it. */
class VersionComparisonTest {

    private static final LocalDate TODAY = LocalDate.of(2028, 2, 28);

    private final Template well = Template.of(
            "Well",
            List.of(new Page(
                    "page",
                    "",
                    null,
                    List.of(
                            Section.of(
                                    "well",
                                    "The well",
                                    List.of(
                                            Field.of("depth", "Depth", new FieldKind.Number(0, "m", null, null)),
                                            Field.of("casing", "Casing", new FieldKind.Text("", 0))
                                                    .withShown(least("depth", "30")),
                                            Field.of("cost", "Cost", new FieldKind.Number(0, "", null, null))
                                                    .withValue(new FieldValue.WorkedOut("depth * 3", false)),
                                            Field.of("dear", "Why so dear?", new FieldKind.Text("", 0))
                                                    .withShown(least("cost", "100")))),
                            Section.of(
                                            "layers",
                                            "Layers",
                                            List.of(
                                                    Field.of(
                                                            "thickness",
                                                            "Thickness",
                                                            new FieldKind.Number(0, "m", null, null)),
                                                    Field.of("rock", "Rock", new FieldKind.Text("", 0))
                                                            .withShown(least("thickness", "5"))))
                                    .withRows(new Section.Rows(0, 5))))));

    private static Condition least(String field, String number) {
        return new Clause.Comparison(
                field, OrderTest.AT_LEAST, new Operand.NumberOperand(new BigDecimal(number)), null);
    }

    private static Edit shown(String key, @org.jspecify.annotations.Nullable Condition condition) {
        return new Edit.SetCondition(List.of(key), List.of(Aspect.SHOWN), condition);
    }

    private Template edited(Edit... edits) {
        Template edited = well;
        for (Edit edit : edits) {
            edited = Editing.apply(edited, edit);
        }
        return edited;
    }

    private VersionDifference difference(Edit... edits) {
        return VersionComparison.of(well, edited(edits), Map.of(), TODAY);
    }

    private static Stream<String> told(VersionDifference difference) {
        return difference.changed().stream()
                .map(each -> "%s %s at %s: %s, now %s"
                        .formatted(each.name(), each.what(), each.example().answers(), each.before(), each.after()));
    }

    @Test
    void anotherEdgeIsToldWithTheAnswerBetweenTheTwo() {
        assertThat(told(difference(shown("casing", least("depth", "31")))))
                .containsExactly("Casing shown at {depth=30}: shown, now folded");
    }

    @Test
    void anExampleIsToldInTheWordsOfTheDocument() {
        Template method = edited(new Edit.Add(Edit.Novelty.ONE_CHOICE, "How is it made? Dug / Drilled", "well", null));
        String key = method.fields().stream()
                .filter(field -> field.kind() instanceof FieldKind.Choosing)
                .map(Field::key)
                .findFirst()
                .orElseThrow();
        Template later = Editing.apply(
                method,
                shown(
                        "casing",
                        new Condition.All(List.of(
                                least("depth", "30"),
                                new Clause.ChoiceClause(
                                        key, Clause.ChoiceClause.ChoiceTest.IS_NOT, List.of("dug"), null)))));
        assertThat(VersionComparison.of(method, later, Map.of(), TODAY).changed())
                .extracting(VersionDifference.Changed::answers)
                .containsExactly("Depth: 35 m · How is it made?: Dug");
    }

    @Test
    void whatIsWrittenOtherwiseAndMeansTheSameIsNoDifference() {
        Condition more =
                new Clause.Comparison("depth", OrderTest.MORE, new Operand.NumberOperand(new BigDecimal("29")), null);
        assertThat(difference(shown("casing", new Condition.Any(List.of(more, least("depth", "44")))))
                        .isNothing())
                .isTrue();
    }

    @Test
    void rowsAreComparedInOneThatStandsForAny() {
        assertThat(told(difference(shown("rock", least("thickness", "6")))))
                .containsExactly("Rock shown at {layers=r1, thickness@r1=5}: shown, now folded");
    }

    @Test
    void anotherFormulaIsTriedAndWhatFollowsItToo() {
        VersionDifference difference =
                difference(new Edit.SetValue("cost", new FieldValue.WorkedOut("depth * 4", false)));
        assertThat(difference.changed())
                .extracting(VersionDifference.Changed::name)
                .contains("Cost");
        assertThat(difference.changed().getFirst().what()).isEqualTo("value");
        // What follows it is told where an answer was found for it, and named where it cannot be said.
        assertThat(Stream.concat(
                        difference.changed().stream().map(VersionDifference.Changed::name),
                        difference.open().stream().map(VersionDifference.Undecided::name)))
                .contains("Why so dear?");
    }

    @Test
    void ofAFormulaThatStayedNothingIsOpen() {
        assertThat(difference(new Edit.Relabel("casing", "Casing tube")))
                .isEqualTo(new VersionDifference(
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(new Rewritten("casing", "Casing tube", "label", "Casing", "Casing tube")),
                        List.of()));
    }

    @Test
    void whatOnlyOneOfThemHasIsNamed() {
        VersionDifference difference = difference(
                new Edit.Add(Edit.Novelty.TEXT, "Driller", "well", null),
                new Edit.Delete(List.of("casing"), true),
                new Edit.PutRole(new Role("", "Witness", 1, null)));
        assertThat(difference.added()).extracting(OnlyInOne::name).containsExactly("Driller", "Witness");
        assertThat(difference.removed()).containsExactly(new OnlyInOne("casing", "Casing"));
    }

    @Test
    void aRoleThatIsTheOnlyDifferenceIsNamedOnItsSide() {
        Template witnessed = edited(new Edit.PutRole(new Role("witness", "Witness", 1, null)));
        VersionDifference more = VersionComparison.of(well, witnessed, Map.of(), TODAY);
        VersionDifference fewer = VersionComparison.of(witnessed, well, Map.of(), TODAY);
        OnlyInOne witness = new OnlyInOne("witness", "Witness");
        assertThat(more.added()).containsExactly(witness);
        assertThat(more.removed()).isEmpty();
        assertThat(fewer.added()).isEmpty();
        assertThat(fewer.removed()).containsExactly(witness);
    }

    @Test
    void anotherKindOfAnswerIsAnotherField() {
        VersionDifference difference = difference(
                shown("casing", null),
                new Edit.Delete(List.of("depth"), true),
                new Edit.Add(Edit.Novelty.TEXT, "Depth", "well", null));
        assertThat(difference.removed()).extracting(OnlyInOne::key).contains("depth");
        assertThat(difference.added()).extracting(OnlyInOne::key).contains("depth");
    }

    @Test
    void narrowerLimitsAreToldAndAnswersAreLookedAtThatBothAccept() {
        Edit narrower =
                new Edit.SetKind("depth", new FieldKind.Number(0, "m", null, new Bound(new BigDecimal("50"), true)));
        VersionDifference limits = difference(narrower);
        assertThat(limits.rewritten()).extracting(Rewritten::what).containsExactly("limits");
        assertThat(limits.changed()).isEmpty();
        // Beyond 50 m the two would differ, but nobody can answer that any more.
        assertThat(difference(
                                narrower,
                                shown(
                                        "casing",
                                        new Clause.Between(
                                                "depth",
                                                false,
                                                new Operand.NumberOperand(new BigDecimal("30")),
                                                true,
                                                new Operand.NumberOperand(new BigDecimal("60")),
                                                true,
                                                null)))
                        .changed())
                .isEmpty();
    }

    @Test
    void whoTakesPartAndWhatHoldsUpIsCompared() {
        Template before =
                Editing.apply(well, new Edit.PutRole(new Role("witness", "Witness", 1, least("depth", "30"))));
        Template after =
                Editing.apply(before, new Edit.PutRole(new Role("witness", "Witness", 1, least("depth", "20"))));
        assertThat(told(VersionComparison.of(before, after, Map.of(), TODAY)))
                .containsExactly("Witness takes part at {depth=20}: takes no part, now takes part");
    }

    @Test
    void whatWasRenamedIsStillTheSame() {
        Edit rename = new Edit.RenameKey("depth", "total_depth");
        Edit again = new Edit.RenameKey("total_depth", "depth_m");
        List<Change> history = List.of(change(well, edited(rename)), change(edited(rename), edited(rename, again)));
        assertThat(Renames.of(history)).containsExactly(Map.entry("depth", "depth_m"));
        assertThat(VersionComparison.of(well, edited(rename, again), Renames.of(history), TODAY)
                        .isNothing())
                .isTrue();
        assertThat(VersionComparison.of(well, edited(rename, again), Map.of(), TODAY)
                        .isNothing())
                .isFalse();
        // Back to what it was.
        List<Change> back = List.of(change(well, edited(rename)), change(edited(rename), well));
        assertThat(Renames.of(back)).isEmpty();
    }

    private static Change change(Template before, Template after) {
        return Change.between(TemplateIndex.of(before), TemplateIndex.of(after));
    }

    /** Through a third key, each edit by itself: in the end it is a circle. */
    @Test
    void keysThatWereExchangedAreFollowed() {
        List<Edit> edits = List.of(
                new Edit.RenameKey("casing", "other"),
                new Edit.RenameKey("dear", "casing"),
                new Edit.RenameKey("other", "dear"));
        List<Change> history = new ArrayList<>();
        Template now = well;
        for (Edit edit : edits) {
            Template next = Editing.apply(now, edit);
            history.add(change(now, next));
            now = next;
        }
        Map<String, String> renamed = Renames.of(history);
        assertThat(renamed).containsOnly(Map.entry("casing", "dear"), Map.entry("dear", "casing"));
        assertThat(VersionComparison.of(well, now, renamed, TODAY).isNothing()).isTrue();
        assertThat(VersionComparison.of(well, now, Map.of(), TODAY).isNothing()).isFalse();
    }

    /** What was renamed, taken away and brought back is the same; what comes later under that key is something new. */
    @Test
    void whatWasTakenAwayAndBroughtBackIsFollowed() {
        Template renamed = edited(new Edit.RenameKey("depth", "depth_m"));
        Template without = Editing.apply(renamed, new Edit.Delete(List.of("depth_m"), true));
        List<Change> undone = List.of(change(well, renamed), change(renamed, without), change(without, renamed));
        assertThat(Renames.of(undone)).containsExactly(Map.entry("depth", "depth_m"));
        Template other = Editing.apply(renamed, new Edit.Relabel("depth_m", "How deep it is"));
        List<Change> anew = List.of(change(well, renamed), change(renamed, without), change(without, other));
        assertThat(Renames.of(anew)).isEmpty();
    }

    /** How much is gone through is bounded; what is beyond it in one version only because of others is no difference. */
    @Test
    void formulasOfWhichThereAreTooManyToGoThroughAreTheSameWhereTheyStayed() {
        List<String> answers = List.of("a", "b", "c", "d", "e");
        List<Item> items = new ArrayList<>();
        answers.forEach(key -> items.add(Field.of(key, key, new FieldKind.YesNo())));
        for (int i = 0; i < 20; i++) {
            items.add(Field.of("n" + i, "n" + i, new FieldKind.Text("", 0)).withShown(counting(answers, i)));
        }
        Template before = Documents.onePage(Section.of("s", "S", List.copyOf(items)));
        items.add(5, Field.of("added", "Added", new FieldKind.Text("", 0)).withShown(counting(answers.reversed(), 2)));
        Template after = Documents.onePage(Section.of("s", "S", items));
        VersionDifference difference = VersionComparison.of(before, after, Map.of(), TODAY);
        assertThat(difference.added()).extracting(OnlyInOne::key).containsExactly("added");
        assertThat(difference.changed()).isEmpty();
        assertThat(difference.open()).isEmpty();
    }

    private static Condition counting(List<String> keys, int more) {
        return new Condition.Written("count([" + String.join(", ", keys) + "][item = true]) + " + more + " > 5");
    }
}
