package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import loesscape.core.model.Field;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** The meaning of a document, over random templates and answers. */
class MeaningTest {

    @Test
    void stateIsWhatTheDefinitionSays() {
        Cases.check("state against its definition, ten sets of answers each", 6_000, (random, size) -> {
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
            Section around = naive.around(node);
            List<String> rows = around == null ? List.of("") : naive.rows(around);
            for (String row : rows) {
                compare(node, row, state.of(row.isEmpty() ? node.key() : RowNames.address(node.key(), row)), naive);
            }
            if (node instanceof Section section && section.isRepeating()) {
                for (String row : naive.rows(section)) {
                    same(node, "row", state.of(RowNames.address(section.key(), row)), row(section, row, naive));
                }
            }
        }
        for (Role role : template.roles()) {
            boolean takesPart = role.takesPart() == null || naive.holds(role.takesPart(), "");
            assertThat(state.takesPart()).containsEntry(role.key(), takesPart);
        }
        List<String> unmet = template.finish().stream()
                .filter(rule -> !naive.holds(rule.when(), ""))
                .map(FinishRule::message)
                .toList();
        assertThat(state.unmet()).isEqualTo(unmet);
    }

    private static NodeState row(Section section, String row, NaiveEvaluation naive) {
        for (Field field : RandomTemplates.fieldsOf(section)) {
            Look look = naive.shown(field, row) ? naive.look(field.looks(), LookRule.Extent.ROW, row) : null;
            if (look != null) {
                return NodeState.RowState.of(look);
            }
        }
        return NodeState.RowState.of(Look.PLAIN);
    }

    private static void compare(Node node, String row, NodeState stands, NaiveEvaluation naive) {
        same(node, "shown", stands.shown(), naive.shown(node, row));
        switch (node) {
            case Field field when stands instanceof NodeState.FieldState it -> compare(field, row, it, naive);
            case Indicator indicator
            when stands instanceof NodeState.IndicatorState it ->
                same(node, "sign", it.band(), naive.sign(indicator, row));
            case Section section
            when stands instanceof NodeState.SectionState it -> {
                same(node, "open", it.open(), section.open() == null || naive.holds(section.open(), row));
                same(node, "rows", it.rows(), section.isRepeating() ? naive.rows(section) : null);
                Look look = naive.look(section.looks(), LookRule.Extent.ITEM, row);
                same(node, "look", it.look(), look == null ? Look.PLAIN : look);
            }
            case Notice notice
            when stands instanceof NodeState.NoticeState it ->
                same(node, "text", Passage.words(it.text()), naive.text(notice, row));
            default -> {}
        }
    }

    private static void compare(Field field, String row, NodeState.FieldState it, NaiveEvaluation naive) {
        same(field, "value", it.value(), naive.counting(field, row));
        same(field, "editable", it.editable(), naive.editable(field, row));
        same(field, "required", it.required(), naive.required(field, row));
        same(field, "band", it.band(), naive.band(field, row));
        Look look = naive.look(field.looks(), LookRule.Extent.ITEM, row);
        if (look != null) {
            same(field, "look", it.look(), look);
        }
        if (it.offered() != null && it.shown()) {
            same(field, "offered", it.offered(), naive.offered(field, row));
        }
        if (!it.shown() || it.value().isBlank()) {
            boolean unread = it.shown() && naive.reading(field, row) instanceof Reading.Unreadable;
            same(field, "problem", it.problem() != null, unread);
        } else if (Checks.of(field.kind()).problem(it.value()) == null) {
            same(field, "problem", it.problem(), naive.refusal(field, row));
        }
    }

    private static void same(Node node, String what, @Nullable Object is, @Nullable Object wanted) {
        if (!Objects.equals(is, wanted)) {
            assertThat(is).as("%s of %s", what, node).isEqualTo(wanted);
        }
    }

    @Test
    void stateDoesNotDependOnTheOrderOfAnswering() {
        Cases.check("order of answering", 1_000, (random, size) -> {
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
        Cases.check("sessions", 1_500, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            Context context = RandomTemplates.context(random);
            Session session = compiled.session(RandomTemplates.answers(random, template), context);
            State before = session.state();
            for (int i = 0; i < 20; i++) {
                Map.Entry<String, String> change = RandomTemplates.change(random, template);
                Map<String, NodeState> changed = session.answer(change.getKey(), change.getValue());
                State whole = compiled.evaluate(session.answers(), context);
                assertThat(session.state()).isEqualTo(whole);
                assertThat(changed).isEqualTo(whole.changedSince(before));
                before = whole;
            }
        });
    }

    @Test
    void answersThatDoNotCountChangeNothing() {
        Cases.check("answers that do not count", 1_000, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            Answers answers = RandomTemplates.answers(random, template);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            State state = compiled.evaluate(answers);
            assertThat(compiled.evaluate(state.counted(answers))).isEqualTo(state);
        });
    }
}
