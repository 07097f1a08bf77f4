package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What is noticed in a template, and that nothing is noticed wrongly. */
class FindingsTest {

    private static final FieldKind NUMBER = new FieldKind.Number(1, "m", null, null);

    private static Condition compared(OrderTest test, int to) {
        return new Clause.Comparison("depth", test, new Clause.Operand.NumberOperand(BigDecimal.valueOf(to)), null);
    }

    private static Condition is(String choice) {
        return new Clause.ChoiceClause("use", ChoiceTest.IS, List.of(choice), null);
    }

    private static List<String> found(Condition shown) {
        FieldKind uses = FieldKind.OneChoice.of(List.of(Choice.of("a", "A"), Choice.of("b", "B")));
        Section section = Section.of(
                "s",
                "S",
                List.of(
                        Field.of("depth", "Depth", NUMBER),
                        Field.of("use", "Use", uses),
                        Field.of("note", "Note", new FieldKind.Text("", 0)).withShown(shown)));
        return found(Documents.onePage(section)).stream().map(Finding::key).toList();
    }

    private static List<Finding> found(Template template) {
        return LogicFindings.of(EveryFilling.of(CompiledTemplate.compile(template), LocalDate.of(2026, 11, 1)));
    }

    private static Condition all(Condition... parts) {
        return new Condition.All(List.of(parts));
    }

    @Test
    void aSharedConditionThatNobodyUsesIsTakenAwayWithOneClick() {
        Template plain = Documents.onePage(Section.of("s", "S", List.of(Field.of("depth", "Depth", NUMBER))));
        Template template = Editing.apply(plain, new Edit.NewShared("Deep", compared(OrderTest.MORE, 100)));
        List<Finding> found = Findings.of(PreparedTemplate.of(template));
        assertThat(found).extracting(Finding::message).containsExactly("The shared condition “Deep” is not used.");
        Template mended =
                Editing.apply(template, found.getFirst().mends().getFirst().edit());
        assertThat(mended).isEqualTo(plain);
    }

    @Test
    void turnsThatCannotGoAsMeantAreFound() {
        Field depth = Field.of("depth", "Depth", NUMBER).withRole("second");
        Field sign = Field.of("sign", "Sign", new FieldKind.Signature())
                .withRole("first")
                .withShown(compared(OrderTest.LESS, 30));
        Template template = new Template(
                "T",
                "",
                List.of(new Page("p", "", null, List.of(Section.of("s", "S", List.of(depth, sign))))),
                List.of(
                        new Role("first", "First", 1, null),
                        new Role("second", "Second", 1, null),
                        new Role("third", "Third", 2, all(compared(OrderTest.LESS, 30), compared(OrderTest.MORE, 30)))),
                List.of(),
                List.of(),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
        assertThat(Findings.of(PreparedTemplate.of(template)).stream().map(Finding::message))
                .containsExactly(
                        "“Second” signs nothing: no signature is given to this role.",
                        "“Third” has nothing to do: no field is given to this role.",
                        "Whether “Sign” is shown hangs on “Depth”, which “Second” answers at the same time: what “First” gives here may not be asked for any more when all have signed. It stays in the document, marked as answered before.");
        assertThat(found(template).stream().map(Finding::message))
                .containsExactly(
                        "“Third” can never take part, whatever is answered, so what it signs is never reached.");
        // So the page of signers shows them, and no other.
        assertThat(Findings.of(PreparedTemplate.of(template)))
                .extracting(Finding::topic)
                .containsOnly(FindingTopic.SIGNING);
        assertThat(found(template)).extracting(Finding::topic).containsOnly(FindingTopic.SIGNING);
    }

    @Test
    void partsThatExcludeEachOtherAreFound() {
        assertThat(found(all(is("a"), is("b")))).containsExactly("note");
        assertThat(found(all(compared(OrderTest.LESS, 30), compared(OrderTest.AT_LEAST, 30))))
                .containsExactly("note");
        assertThat(found(all(new Clause.IsBlank("depth"), compared(OrderTest.AT_LEAST, 30))))
                .containsExactly("note");
        assertThat(found(new Condition.Any(List.of(all(is("a"), is("b")), new Condition.Never()))))
                .containsExactly("note");
    }

    @Test
    void partsThatMeetAtAnEdgeAreNot() {
        assertThat(found(all(compared(OrderTest.AT_MOST, 30), compared(OrderTest.AT_LEAST, 30))))
                .isEmpty();
        assertThat(found(new Condition.Any(List.of(is("a"), is("b"))))).isEmpty();
    }

    @Test
    void anEmptySectionIsToldOfUnlessTheWholeDocumentIsOnlyJustBegun() {
        Section empty = Section.of("empty", "Empty", List.of());
        Template begun = Documents.onePage(empty);
        assertThat(Findings.of(PreparedTemplate.of(begun))).isEmpty();
        Section asked = Section.of("asked", "Asked", List.of(Field.of("name", "Name", new FieldKind.Text("", 0))));
        Template further = Documents.onePage(asked, empty);
        assertThat(Findings.of(PreparedTemplate.of(further)))
                .extracting(Finding::key, Finding::message)
                .contains(org.assertj.core.groups.Tuple.tuple("empty", "This section holds nothing yet."));
    }
}
