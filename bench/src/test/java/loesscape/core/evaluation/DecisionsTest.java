package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import loesscape.core.model.Node;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

/** What is measured is worth measuring: generated code decides what evaluation does. */
class DecisionsTest {

    @Test
    void generatedCodeDecidesWhatEvaluationDoes() {
        int[] decided = {0};
        Cases.check("generated code, ten sets of answers each", 1_500, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            Context context = RandomTemplates.context(random);
            Decisions.of(compiled, context).ifPresent(decisions -> {
                for (int i = 0; i < 10; i++) {
                    State state = compiled.evaluate(RandomTemplates.answers(random, template), context);
                    template.fields().forEach(field -> decisions.answer(field.key(), state.counting(field.key())));
                    decisions.decide();
                    compare(template, state, decisions);
                    decided[0]++;
                }
            });
        });
        assertThat(decided[0]).isGreaterThan(1_000);
    }

    private static void compare(Template template, State state, Decisions decisions) {
        for (Node node : template.nodes()) {
            NodeState stands = state.of(node.key());
            same(node, "shown", decisions.isShown(node.key()), stands.shown());
            if (stands instanceof NodeState.FieldState it) {
                same(node, "value", decisions.counting(node.key()), it.value());
                same(node, "editable", decisions.isEditable(node.key()), it.editable());
                same(node, "required", decisions.isRequired(node.key()), it.required());
            }
        }
    }

    private static void same(Node node, String what, Object is, Object wanted) {
        assertThat(is).as("%s of %s", what, node.key()).isEqualTo(wanted);
    }
}
