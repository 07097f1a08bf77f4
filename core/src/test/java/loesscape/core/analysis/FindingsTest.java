package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Band;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Folding;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Picture;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
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

    private static List<String> told(Template template) {
        return Findings.of(PreparedTemplate.of(template)).stream()
                .map(finding -> finding.key() + ": " + finding.message())
                .toList();
    }

    private static final Field NAMED = Field.of("named", "Named", new FieldKind.Text("", 0));

    @Test
    void whatIsNotFinishedIsToldOf() {
        assertThat(told(Documents.of(NAMED))).isEmpty();
        assertThat(told(Documents.of(Field.of("f", " ", new FieldKind.Text("", 0)))))
                .containsExactly("f: The field has no label; nobody can know what is asked.");
        assertThat(told(Documents.of(NAMED, Field.of("f", "F", FieldKind.OneChoice.of(List.of())))))
                .containsExactly("f: There is nothing to choose from.");
        assertThat(told(Documents.of(NAMED, Notice.of("n", " ")))).containsExactly("n: The notice says nothing.");
        assertThat(told(Documents.of(NAMED, new Picture("p1", "", "", "", null, Folding.PLAIN))))
                .containsExactly("p1: No picture was chosen yet.");
        assertThat(told(Documents.of(NAMED, new Picture("p1", "", "plan.png", "", null, Folding.PLAIN))))
                .isEmpty();
    }

    @Test
    void aListWithoutRowsIsToldOf() {
        LookupList.Column column = new LookupList.Column("code", "Code", false);
        Template template = Documents.of(Field.of("f", "F", new FieldKind.Lookup("soils", "code", Map.of())));
        assertThat(told(Documents.listing(template, new LookupList("soils", "Soils", List.of(column), List.of()))))
                .containsExactly("f: The list “Soils” has no rows.");
        assertThat(told(Documents.listing(
                        template, new LookupList("soils", "Soils", List.of(column), List.of(List.of("L"))))))
                .isEmpty();
    }

    @Test
    void coloursThatAreHardToReadAreToldOfWithTheirReason() {
        Look pale = new Look(
                Look.Shade.PLAIN,
                false,
                Look.Mark.NONE,
                false,
                "",
                new Look.Colours("#888888", "#999999", "", "The house style asks for it."));
        Look fine = new Look(
                Look.Shade.PLAIN, false, Look.Mark.NONE, false, "", new Look.Colours("#000000", "#ffffff", "", ""));
        String message =
                "named: Text in #888888 on #999999 has a contrast of 1.24 to 1, less than WCAG 2.2 asks for, because: The house style asks for it.";
        assertThat(told(Documents.of(
                        NAMED.withLooks(List.of(new LookRule(new Condition.Always(), pale, LookRule.Extent.ITEM))))))
                .containsExactly(message);
        assertThat(told(Documents.of(
                        NAMED.withLooks(List.of(new LookRule(new Condition.Always(), fine, LookRule.Extent.ITEM))))))
                .isEmpty();
        Field banded = Field.of("named", "Named", NUMBER).withBands(List.of(Band.of("all", "All", pale, null)));
        assertThat(told(Documents.of(banded))).containsExactly(message);
    }

    @Test
    void aSharedConditionIsUsedWhereverItStands() {
        SharedCondition deep = new SharedCondition("deep", "Deep", compared(OrderTest.MORE, 100));
        Condition shared = new Condition.Shared("deep");
        Field depth = Field.of("depth", "Depth", NUMBER);
        Template plain = Documents.sharing(Documents.of(depth, NAMED), deep);
        assertThat(told(plain)).containsExactly(": The shared condition “Deep” is not used.");
        assertThat(told(Documents.sharing(Documents.of(depth, NAMED.withShown(shared)), deep)))
                .isEmpty();
        assertThat(told(Documents.sharing(
                        Documents.of(
                                depth,
                                Field.of("fee", "Fee", NUMBER)
                                        .withValue(new FieldValue.WorkedOut("if deep then 1 else 2", false))),
                        deep)))
                .isEmpty();
        assertThat(told(Documents.finishing(plain, new FinishRule(shared, "Dig deeper."))))
                .isEmpty();
        assertThat(told(Documents.sharing(
                        plain, deep, new SharedCondition("dry", "", new Condition.None(List.of(shared))))))
                .isEmpty();
        assertThat(told(Documents.forRoles(plain, new Role("r", "R", 1, shared))))
                .noneMatch(message -> message.contains("is not used"));
    }
}
