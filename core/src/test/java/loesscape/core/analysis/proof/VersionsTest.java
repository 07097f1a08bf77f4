package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import loesscape.core.analysis.VersionComparison;
import loesscape.core.analysis.VersionDifference;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.State;
import loesscape.core.model.Aspect;
import loesscape.core.model.Check;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

/** What another version does otherwise, against all fillings of both gone through one by one. */
class VersionsTest {

    private static final List<Context> CONTEXTS = Stream.of(Stage.values())
            .flatMap(stage ->
                    Stream.of("", "keeper", "witness").map(role -> new Context(SmallTemplates.TODAY, stage, role)))
            .toList();
    private static final String NOT_OFFERED = "This choice is not offered; choose another.";

    @Test
    void whatDiffersIsWhatSomeFillingShows() {
        int[] told = new int[2];
        Cases.check("two versions, all fillings gone through", 60, (random, size) -> {
            SmallTemplates.Small small = SmallTemplates.withRoles(random);
            Template later = edited(random, small.template());
            Set<String> expected = differences(small, later);
            VersionDifference difference =
                    VersionComparison.of(small.template(), later, Map.of(), SmallTemplates.TODAY);
            assertThat(difference.open()).isEmpty();
            assertThat(difference.added()).isEmpty();
            assertThat(difference.removed()).isEmpty();
            Set<String> found = new TreeSet<>();
            difference.changed().forEach(each -> found.add(each.key() + " " + each.what()));
            assertThat(found).as("%s and %s", small.template(), later).containsExactlyElementsOf(expected);
            assertThat(difference.changed())
                    .allSatisfy(each -> assertThat(each.before()).isNotEqualTo(each.after()));
            told[expected.isEmpty() ? 0 : 1]++;
        });
        if (Cases.areAll()) {
            assertThat(told[1]).isGreaterThan(10);
        }
    }

    @Test
    void aVersionIsTheSameAsItself() {
        Cases.check("a version and itself", 60, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            assertThat(VersionComparison.of(template, template, Map.of(), SmallTemplates.TODAY)
                            .isNothing())
                    .isTrue();
            // Compared part by part, so that nothing is told by being the same document; but for what is written
            // otherwise.
            Template retitled = Editing.apply(template, new Edit.Retitle("Another title", template.subtitle()));
            assertThat(VersionComparison.of(template, retitled, Map.of(), SmallTemplates.TODAY))
                    .isEqualTo(new VersionDifference(
                            List.of(),
                            List.of(),
                            List.of(),
                            List.of(new VersionDifference.Rewritten(
                                    "", "Another title", "title", template.title(), "Another title")),
                            List.of()));
        });
    }

    private static Template edited(RandomGenerator random, Template template) {
        Template edited = template;
        for (int i = 1 + random.nextInt(3); i > 0; i--) {
            try {
                edited = Editing.apply(edited, edit(random, edited));
            } catch (Refusal circle) {
                // Another one is made in its place.
            }
        }
        return edited;
    }

    private static Edit edit(RandomGenerator random, Template template) {
        List<Condition> conditions = TemplateConditions.of(template);
        List<Field> fields = template.fields();
        Field field = fields.get(random.nextInt(fields.size()));
        // One that looks at fields before it at most: those of the first section do.
        Condition condition = conditions.isEmpty() || random.nextInt(6) == 0
                ? new Condition.Never()
                : conditions.get(random.nextInt(conditions.size()));
        return switch (random.nextInt(7)) {
            case 0 -> new Edit.SetCondition(List.of(field.key()), List.of(Aspect.SHOWN), condition);
            case 1 -> new Edit.SetCondition(List.of(field.key()), List.of(Aspect.REQUIRED), condition);
            case 2 -> new Edit.SetCondition(List.of(field.key()), List.of(Aspect.EDITABLE), condition);
            case 3 ->
                new Edit.SetLooks(
                        List.of(field.key()),
                        List.of(new LookRule(
                                condition, SmallTemplates.LOOKS.get(random.nextInt(3)), LookRule.Extent.ITEM)));
            case 4 -> new Edit.SetChecks(field.key(), List.of(new Check(condition, "Not so now.")));
            case 5 -> new Edit.SetFinish(List.of(new FinishRule(condition, "Not yet now.")));
            default -> new Edit.SetCondition(List.of("s1"), List.of(Aspect.SHOWN, Aspect.OPEN), condition);
        };
    }

    private static Set<String> differences(SmallTemplates.Small small, Template later) {
        CompiledTemplate before = CompiledTemplate.compile(small.template());
        CompiledTemplate after = CompiledTemplate.compile(later);
        Set<String> found = new TreeSet<>();
        for (Map<String, String> answers : small.all()) {
            for (Context context : CONTEXTS) {
                State was = before.evaluate(new Answers(answers), context);
                State is = after.evaluate(new Answers(answers), context);
                small.template().nodes().forEach(node -> compare(node, before.holder(node.key()), was, is, found));
                if (isHeldUp(was) != isHeldUp(is)) {
                    found.add(" finishing");
                }
                was.takesPart().forEach((role, takes) -> {
                    if (!takes.equals(is.takesPart().get(role))) {
                        found.add(role + " takes part");
                    }
                });
            }
        }
        return found;
    }

    private static void compare(Node node, String holder, State before, State after, Set<String> found) {
        NodeState was = before.of(node.key());
        NodeState is = after.of(node.key());
        List<Aspect> aspects = new ArrayList<>(List.of(Aspect.SHOWN));
        if (node instanceof Field) {
            aspects.addAll(List.of(Aspect.REQUIRED, Aspect.EDITABLE));
        } else if (node instanceof Section) {
            aspects.add(Aspect.OPEN);
        }
        if (!holder.isEmpty() && !(before.of(holder).shown() && after.of(holder).shown())) {
            return;
        }
        boolean isShown = was.shown() && is.shown();
        aspects.forEach(aspect -> {
            if ((aspect == Aspect.SHOWN || isShown) && was.is(aspect) != is.is(aspect)) {
                found.add(node.key() + " " + aspect.words());
            }
        });
        if (!isShown) {
            return;
        }
        if (was.look() != null && !was.look().equals(is.look())) {
            found.add(node.key() + " look");
        }
        if (node instanceof Field field
                && was instanceof NodeState.FieldState one
                && is instanceof NodeState.FieldState other) {
            if (isRefused(one) != isRefused(other)) {
                found.add(node.key() + " checks");
            }
            if (field.kind() instanceof FieldKind.Choosing kind && kind.offer() != null) {
                kind.choices().forEach(choice -> {
                    if (offers(one, choice.id()) != offers(other, choice.id())) {
                        found.add(node.key() + " offers “" + choice.label() + "”");
                    }
                });
            }
        }
    }

    private static boolean offers(NodeState.FieldState state, String choice) {
        List<String> offered = state.offered();
        return state.shown() && (offered == null || offered.contains(choice));
    }

    private static boolean isRefused(NodeState state) {
        return state.problem() != null && !NOT_OFFERED.equals(state.problem());
    }

    private static boolean isHeldUp(State state) {
        return !state.unmet().isEmpty() || state.nodes().values().stream().anyMatch(VersionsTest::isRefused);
    }
}
