package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.LogicFindings;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;

/** What is remembered from one revision to the next, against looking at each anew, and against all its fillings. */
class RevisionsTest {

    @Test
    void whatIsRememberedIsWhatIsFoundAnew() {
        Cases.check("findings of revisions", 60, (random, size) -> {
            Template template = SmallTemplates.withRoles(random).template();
            EveryFilling every = EveryFilling.of(CompiledTemplate.compile(template), SmallTemplates.TODAY);
            for (int i = 0; i < 5; i++) {
                // Sometimes another one altogether, whose fields have the same keys and are otherwise.
                template = random.nextInt(4) == 0
                        ? SmallTemplates.withRoles(random).template()
                        : edited(random, template);
                CompiledTemplate compiled = CompiledTemplate.compile(template);
                every = every.next(compiled, SmallTemplates.TODAY);
                assertThat(told(LogicFindings.of(every)))
                        .as("%s", template)
                        .isEqualTo(told(LogicFindings.of(EveryFilling.of(compiled, SmallTemplates.TODAY))));
            }
        });
    }

    @Test
    void whatIsRememberedIsWhatAllFillingsSay() {
        Cases.check("revisions, all fillings gone through", 60, (random, size) -> {
            EveryFilling every = null;
            for (int i = 0; i < 4; i++) {
                SmallTemplates.Small small = SmallTemplates.template(random, true);
                CompiledTemplate compiled = CompiledTemplate.compile(small.template());
                every = every == null
                        ? EveryFilling.of(compiled, SmallTemplates.TODAY)
                        : every.next(compiled, SmallTemplates.TODAY);
                List<Standing> all = new ArrayList<>();
                small.all()
                        .forEach(answers -> all.add(
                                compiled.standing(new Answers(answers), Context.filling(SmallTemplates.TODAY))));
                for (Node node : compiled.template().nodes()) {
                    for (boolean is : new boolean[] {true, false}) {
                        Claim claim = new Claim.Shows(node.key(), is);
                        boolean isSo = all.stream().anyMatch(standing -> Replay.isSo(claim, compiled, standing));
                        assertThat(every.isImpossible(List.of(claim)))
                                .as("%s of %s", claim, small.template())
                                .isEqualTo(!isSo);
                        assertThat(every.decide(List.of(claim)))
                                .as("%s of %s", claim, small.template())
                                .isInstanceOf(isSo ? Decision.Possible.class : Decision.Impossible.class);
                    }
                }
            }
        });
    }

    /** Gates that were made are made again, so that what does not change costs nothing: here all of it, back and forth. */
    @Test
    void whatWasThereBeforeTakesNoMoreRoom() {
        Template template = SmallTemplates.withRoles(random()).template();
        EveryFilling every = EveryFilling.of(CompiledTemplate.compile(template), SmallTemplates.TODAY);
        LogicFindings.of(every);
        int gates = every.gates();
        for (int i = 0; i < 3; i++) {
            every = every.next(CompiledTemplate.compile(template), SmallTemplates.TODAY);
            LogicFindings.of(every);
        }
        assertThat(every.gates()).isEqualTo(gates);
        assertThat(every.next(CompiledTemplate.compile(template), SmallTemplates.TODAY.plusDays(1))
                        .gates())
                .as("another day begins anew")
                .isLessThanOrEqualTo(gates);
    }

    private static RandomGenerator random() {
        return RandomGeneratorFactory.of("L64X128MixRandom").create(11);
    }

    private static Set<String> told(List<Finding> findings) {
        Set<String> told = new TreeSet<>();
        findings.forEach(finding -> told.add(finding.key() + ": " + finding.message()));
        return told;
    }

    private static Template edited(RandomGenerator random, Template template) {
        List<Condition> conditions = TemplateConditions.of(template);
        List<Field> fields = template.fields();
        Field field = fields.get(random.nextInt(fields.size()));
        Condition condition = conditions.isEmpty() || random.nextInt(6) == 0
                ? null
                : conditions.get(random.nextInt(conditions.size()));
        Aspect aspect = List.of(Aspect.SHOWN, Aspect.REQUIRED, Aspect.EDITABLE).get(random.nextInt(3));
        try {
            return Editing.apply(template, new Edit.SetCondition(List.of(field.key()), List.of(aspect), condition));
        } catch (Refusal circle) {
            return template;
        }
    }

    /** Where formulas turn is looked for once: an edit of something else costs no try, one of the formula does. */
    @Test
    void whereAFormulaTurnsIsNotLookedForAgain() {
        Template template = formulas("if urgent = true then depth * 3 else depth + 20");
        EveryFilling every = EveryFilling.of(CompiledTemplate.compile(template), SmallTemplates.TODAY);
        assertThat(every.tried()).isPositive();
        Template relabelled = Editing.apply(template, new Edit.Relabel("note", "What else there is to say"));
        EveryFilling next = every.next(CompiledTemplate.compile(relabelled), SmallTemplates.TODAY);
        assertThat(next.tried()).isZero();
        assertThat(next.pieces(Objects.requireNonNull(next.compiled().symbols().field("depth"))))
                .isEqualTo(every.pieces(
                        Objects.requireNonNull(every.compiled().symbols().field("depth"))));
        CompiledTemplate other = CompiledTemplate.compile(formulas("if urgent = true then depth * 4 else depth + 20"));
        EveryFilling changed = next.next(other, SmallTemplates.TODAY);
        assertThat(changed.tried()).isPositive();
        assertThat(told(LogicFindings.of(changed)))
                .isEqualTo(told(LogicFindings.of(EveryFilling.of(other, SmallTemplates.TODAY))));
    }

    private static Template formulas(String formula) {
        FieldKind number = new FieldKind.Number(
                0, "m", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.valueOf(500), true));
        return Template.of(
                "Worked out",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "S",
                                List.of(
                                        Field.of("depth", "Depth", number),
                                        Field.of("urgent", "Urgent", new FieldKind.YesNo()),
                                        Field.of("fee", "Fee", new FieldKind.Number(0, "", null, null))
                                                .withValue(new FieldValue.WorkedOut(formula, false)),
                                        Field.of("note", "Note", new FieldKind.Text("", 0))
                                                .withShown(new Condition.Written("fee > 130"))))))));
    }

    /** A formula may name a shared condition, which is edited elsewhere. */
    @Test
    void aFormulaOfASharedConditionIsTriedAnewWhereThatChanges() {
        List<Integer> never = List.of(5, 0, 0, 0, 0, 2, 0);
        List<Integer> sometimes = List.of(5, 0, 0, 0, 0, 0, 0);
        EveryFilling every = EveryFilling.of(CompiledTemplate.compile(chained(never)), SmallTemplates.TODAY);
        assertThat(told(LogicFindings.of(every))).noneMatch(finding -> finding.contains("gives nothing"));
        EveryFilling next = every.next(CompiledTemplate.compile(chained(sometimes)), SmallTemplates.TODAY);
        assertThat(told(LogicFindings.of(next))).anyMatch(finding -> finding.contains("gives nothing"));
    }

    /** Documents that work out one thing of another, edited in all that a finding of a formula can hang on. */
    @Test
    void whatIsRememberedOfFormulasIsWhatIsFoundAnew() {
        int[] several = new int[1];
        Cases.check("findings of formulas in revisions", 120, (random, size) -> {
            List<Integer> ways = new ArrayList<>(Collections.nCopies(WAYS.size(), 0));
            EveryFilling every = null;
            for (int i = 0; i < 8; i++) {
                int way = random.nextInt(ways.size());
                ways.set(way, random.nextInt(WAYS.get(way)));
                CompiledTemplate compiled = CompiledTemplate.compile(chained(ways));
                every = every == null
                        ? EveryFilling.of(compiled, SmallTemplates.TODAY)
                        : every.next(compiled, SmallTemplates.TODAY);
                List<Finding> found = LogicFindings.of(every);
                assertThat(told(found))
                        .as("%s", ways)
                        .isEqualTo(told(LogicFindings.of(EveryFilling.of(compiled, SmallTemplates.TODAY))));
                several[0] +=
                        found.stream().anyMatch(finding -> finding.message().contains("worked out")) ? 1 : 0;
            }
        });
        if (Cases.areAll()) {
            assertThat(several[0]).isGreaterThan(100);
        }
    }

    private static final List<Integer> WAYS = List.of(6, 4, 3, 3, 3, 3, 2);

    private static Condition urgent(Clause.ChoiceClause.ChoiceTest test) {
        return new Clause.ChoiceClause("urgent", test, List.of("yes"), null);
    }

    private static Template chained(List<Integer> ways) {
        String first = List.of(
                        "depth * 2",
                        "100 / (depth - 3)",
                        "depth + length",
                        "if urgent = true then depth else null",
                        "length - depth",
                        "if hurried then 100 / depth else depth")
                .get(ways.get(0));
        String second =
                List.of("fee + 1", "fee * length", "10 / fee", "depth - fee").get(ways.get(1));
        Bound upper = List.of(
                        new Bound(BigDecimal.valueOf(40), true),
                        new Bound(BigDecimal.valueOf(3), true),
                        new Bound(BigDecimal.valueOf(2), true))
                .get(ways.get(2));
        Condition shown = List.<Condition>of(
                        new Condition.Always(), new Condition.Shared("hurried"), new Clause.Answered("length"))
                .get(ways.get(3));
        Condition required = List.<Condition>of(
                        new Condition.Never(), new Condition.Always(), new Condition.Shared("hurried"))
                .get(ways.get(4));
        Condition hurried = List.<Condition>of(
                        urgent(Clause.ChoiceClause.ChoiceTest.IS),
                        urgent(Clause.ChoiceClause.ChoiceTest.IS_NOT),
                        // Never met, over the same fields as the others.
                        new Condition.All(List.of(
                                urgent(Clause.ChoiceClause.ChoiceTest.IS),
                                urgent(Clause.ChoiceClause.ChoiceTest.IS_NOT))))
                .get(ways.get(5));
        FieldKind number = new FieldKind.Number(0, "m", new Bound(BigDecimal.ZERO, true), upper);
        FieldKind open = new FieldKind.Number(0, "", ways.get(6) == 0 ? null : new Bound(BigDecimal.ONE, true), null);
        Template plain = Template.of(
                "Chained",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "S",
                                List.of(
                                        Field.of("urgent", "Urgent", new FieldKind.YesNo()),
                                        Field.of("length", "Length", number).withRequired(required),
                                        Field.of("depth", "Depth", number).withShown(shown),
                                        Field.of("fee", "Fee", open).withValue(new FieldValue.WorkedOut(first, false)),
                                        Field.of("sum", "Sum", open)
                                                .withValue(new FieldValue.WorkedOut(second, false))))))));
        return new Template(
                plain.title(),
                plain.subtitle(),
                plain.pages(),
                plain.roles(),
                List.of(new SharedCondition("hurried", "hurried", hurried)),
                plain.lists(),
                plain.finish(),
                plain.pageSettings(),
                plain.trials(),
                plain.promises());
    }
}
