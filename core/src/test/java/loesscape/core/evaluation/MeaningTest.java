package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** The meaning of a document, over random templates and answers. */
class MeaningTest {

    @Test
    void stateIsWhatTheDefinitionSays() {
        Cases.check("state against its definition, ten sets of answers each", 10_000, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            for (int i = 0; i < 10; i++) {
                Answers answers = RandomTemplates.answers(random, template);
                Context context = RandomTemplates.context(random);
                compare(template, compiled.evaluate(answers, context), new NaiveEvaluation(template, answers, context));
            }
        });
    }

    private static void compare(Template template, State state, NaiveEvaluation naive) {
        for (Node node : template.nodes()) {
            NodeState stands = state.of(node.key());
            same(node, "shown", stands.shown(), naive.shown(node));
            if (node instanceof Field field && stands instanceof NodeState.FieldState it) {
                same(node, "value", it.value(), naive.counting(field));
                same(node, "editable", it.editable(), naive.editable(field));
                same(node, "required", it.required(), naive.required(field));
                same(node, "band", it.band(), naive.band(field));
            }
            if (node instanceof Indicator indicator && stands instanceof NodeState.IndicatorState it) {
                same(node, "band", it.band(), naive.band(indicator));
            }
        }
    }

    private static void same(Node node, String what, @Nullable Object is, @Nullable Object wanted) {
        if (!Objects.equals(is, wanted)) {
            assertThat(is).as("%s of %s", what, node).isEqualTo(wanted);
        }
    }

    @Test
    void stateDoesNotDependOnTheOrderOfAnswering() {
        Cases.check("order of answering", 2_000, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            Answers answers = RandomTemplates.answers(random, template);
            List<Map.Entry<String, String>> typed =
                    new ArrayList<>(answers.typed().entrySet());
            Collections.shuffle(typed, new Random(random.nextLong()));
            Answers again = Answers.NONE;
            for (var entry : typed) {
                again = again.with(entry.getKey(), "something else").with(entry.getKey(), entry.getValue());
            }
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            assertThat(compiled.evaluate(again)).isEqualTo(compiled.evaluate(answers));
        });
    }

    @Test
    void oneAnswerAfterTheOtherGivesWhatTheWholeWouldAndTellsExactlyWhatChanged() {
        Cases.check("sessions", 3_000, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            Context context = RandomTemplates.context(random);
            Session session = compiled.session(RandomTemplates.answers(random, template), context);
            List<Field> fields = template.fields();
            State before = session.state();
            for (int i = 0; i < 20 && !fields.isEmpty(); i++) {
                Field field = fields.get(random.nextInt(fields.size()));
                Map<String, NodeState> changed =
                        session.answer(field.key(), RandomTemplates.typed(random, field.kind()));
                State whole = compiled.evaluate(session.answers(), context);
                assertThat(session.state()).isEqualTo(whole);
                assertThat(changed).isEqualTo(whole.changedSince(before));
                before = whole;
            }
        });
    }

    @Test
    void answersThatDoNotCountChangeNothing() {
        Cases.check("answers that do not count", 2_000, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            Answers answers = RandomTemplates.answers(random, template);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            State state = compiled.evaluate(answers);
            assertThat(compiled.evaluate(state.counted(answers))).isEqualTo(state);
        });
    }
}
