package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import loesscape.core.analysis.PromiseVerdict;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Bound;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Look;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;

/** What is said of promises, against all fillings at all stages and by whoever acts, gone through one by one. */
class PromisesTest {

    private static final List<Context> CONTEXTS = Stream.of(Stage.values())
            .flatMap(stage ->
                    Stream.of("", "keeper", "witness").map(role -> new Context(SmallTemplates.TODAY, stage, role)))
            .toList();

    @Test
    void aPromiseIsKeptExactlyWhereNoFillingBreaksIt() {
        int[] told = new int[2];
        Cases.check("promises, all fillings gone through", 150, (random, size) -> {
            SmallTemplates.Small small = SmallTemplates.withRoles(random);
            CompiledTemplate compiled = CompiledTemplate.compile(small.template());
            List<PromiseRule> rules = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                rules.add(rule(random, compiled));
            }
            List<Standing> broken = broken(rules, compiled, small.all());
            EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
            for (int i = 0; i < rules.size(); i++) {
                PromiseRule rule = rules.get(i);
                PromiseVerdict verdict = PromiseVerdict.of(rule, every);
                assertThat(verdict)
                        .as("%s of %s", rule, small.template())
                        .isInstanceOf(broken.get(i) == null ? PromiseVerdict.Kept.class : PromiseVerdict.Broken.class);
                if (verdict instanceof PromiseVerdict.Broken(var example, var ignored)) {
                    Standing standing = compiled.standing(new Answers(example.answers()), example.context());
                    assertThat(isBroken(rule, compiled, standing)).isTrue();
                }
                told[broken.get(i) == null ? 0 : 1]++;
            }
        });
        if (Cases.areAll()) {
            assertThat(told[0]).isGreaterThan(50);
            assertThat(told[1]).isGreaterThan(50);
        }
    }

    /** What is worked out may lie beyond the limits of its field, which keeps the document from being finished. */
    @Test
    void aPromiseIsNeverWronglyKeptWhereSomethingIsWorkedOut() {
        int[] told = new int[3];
        Cases.check("promises of what is worked out, all fillings gone through", 100, (random, size) -> {
            SmallTemplates.Small small = SmallTemplates.withRoles(random);
            CompiledTemplate compiled = CompiledTemplate.compile(withWorkedOut(random, small.template()));
            List<PromiseRule> rules = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                rules.add(rule(random, compiled));
            }
            rules.add(new PromiseRule(new Condition.Always(), new Promised.CanFinish(true)));
            List<Standing> broken = broken(rules, compiled, small.all());
            EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
            for (int i = 0; i < rules.size(); i++) {
                switch (PromiseVerdict.of(rules.get(i), every)) {
                    case PromiseVerdict.Kept ignored -> {
                        assertThat(broken.get(i))
                                .as("%s of %s", rules.get(i), compiled.template())
                                .isNull();
                        told[0]++;
                    }
                    case PromiseVerdict.Broken(var example, var ignored) -> {
                        Standing standing = compiled.standing(new Answers(example.answers()), example.context());
                        assertThat(isBroken(rules.get(i), compiled, standing)).isTrue();
                        told[1]++;
                    }
                    case PromiseVerdict.Open open -> {
                        // Where there are few answers to it, all of what a formula gives is known.
                        assertThat(isFew(compiled))
                                .as("%s of %s", open, compiled.template())
                                .isFalse();
                        told[2]++;
                    }
                }
            }
        });
        if (Cases.areAll()) {
            assertThat(told).doesNotContain(0);
        }
    }

    private static boolean isFew(CompiledTemplate compiled) {
        return compiled.template().fields().getLast().kind() instanceof FieldKind.Number
                && compiled
                        .prepared()
                        .symbols()
                        .sources(((FieldValue.WorkedOut) Objects.requireNonNull(
                                        compiled.template().fields().getLast().value()))
                                .formula())
                        .stream()
                        .allMatch(
                                key -> Objects.requireNonNull(compiled.symbols().field(key))
                                                        .kind()
                                                instanceof FieldKind.Number(var ignored, var also, var lower, var upper)
                                        && lower != null
                                        && upper != null);
    }

    private static Template withWorkedOut(RandomGenerator random, Template template) {
        FieldKind kind = random.nextInt(4) == 0
                ? new FieldKind.Text("", 1 + random.nextInt(3))
                : new FieldKind.Number(
                        0,
                        "",
                        random.nextBoolean() ? new Bound(BigDecimal.ONE, random.nextBoolean()) : null,
                        random.nextBoolean() ? new Bound(BigDecimal.TWO, random.nextBoolean()) : null);
        String formula = template.fields().stream()
                .filter(field -> field.kind() instanceof FieldKind.Number)
                .map(field -> field.key() + " * 2")
                .findFirst()
                .orElse("1 + " + random.nextInt(3));
        Field worked = Field.of("w", "W", kind)
                .withValue(new FieldValue.WorkedOut(
                        kind instanceof FieldKind.Text ? "string(" + formula + ")" : formula, false));
        Page page = template.pages().getFirst();
        List<Section> sections = new ArrayList<>(page.sections());
        sections.add(Section.of("s2", "Worked out", List.of(worked)));
        return template.withPages(List.of(page.withSections(sections)));
    }

    /** For each promise some filling that breaks it; null where none does. */
    private static List<Standing> broken(
            List<PromiseRule> rules, CompiledTemplate compiled, List<Map<String, String>> all) {
        List<Standing> broken = new ArrayList<>(Collections.nCopies(rules.size(), null));
        for (Map<String, String> answers : all) {
            for (Context context : CONTEXTS) {
                Standing standing = compiled.standing(new Answers(answers), context);
                for (int i = 0; i < rules.size(); i++) {
                    if (broken.get(i) == null && isBroken(rules.get(i), compiled, standing)) {
                        broken.set(i, standing);
                    }
                }
            }
            if (!broken.contains(null)) {
                break;
            }
        }
        return broken;
    }

    private static boolean isBroken(PromiseRule rule, CompiledTemplate compiled, Standing standing) {
        return standing.holds(rule.whenever(), null, "")
                && switch (rule.promised()) {
                    case Promised.NodeIs it -> isBroken(it, compiled, standing);
                    case Promised.NodeLooks(var key, var look, var is) ->
                        state(standing, key).shown()
                                && look(state(standing, key)).equals(look) != is;
                    case Promised.SomeShown(var keys, var count) -> {
                        int shown = 0;
                        for (String key : keys) {
                            shown += state(standing, key).shown() ? 1 : 0;
                        }
                        yield switch (count) {
                            case EXACTLY_ONE -> shown != 1;
                            case AT_MOST_ONE -> shown > 1;
                            case AT_LEAST_ONE -> shown < 1;
                        };
                    }
                    case Promised.RoleSigns(var role, var is) ->
                        Objects.requireNonNull(standing.state().takesPart().get(role)) != is;
                    case Promised.CanFinish(var is) ->
                        standing.state().obstacles().stream()
                                        .allMatch(each -> each.message().equals("This still needs an answer.")
                                                || each.message().startsWith("This choice is not offered"))
                                != is;
                    case Promised.IsMet(var condition, var is) -> standing.holds(condition, null, "") != is;
                };
    }

    private static boolean isBroken(Promised.NodeIs it, CompiledTemplate compiled, Standing standing) {
        NodeState state = state(standing, it.key());
        return switch (it.aspect()) {
            case SHOWN -> state.shown() != it.is();
            case OPEN -> state.shown() && state.is(it.aspect()) != it.is();
            case REQUIRED, EDITABLE ->
                isAnswered(standing.context(), (Field) compiled.node(it.key())) && state.is(it.aspect()) != it.is();
        };
    }

    private static boolean isAnswered(Context context, Field field) {
        return (context.stage() == Stage.FILLING || context.stage() == Stage.REVIEWING)
                && (context.role().isEmpty() || context.role().equals(field.role()));
    }

    private static NodeState state(Standing standing, String key) {
        return standing.state().of(key);
    }

    private static Look look(NodeState state) {
        return state instanceof NodeState.FieldState field ? field.look() : ((NodeState.SectionState) state).look();
    }

    private static PromiseRule rule(RandomGenerator random, CompiledTemplate compiled) {
        List<Condition> conditions = TemplateConditions.of(compiled.template());
        Condition whenever = conditions.isEmpty() || random.nextInt(5) == 0
                ? new Condition.Always()
                : conditions.get(random.nextInt(conditions.size()));
        List<Node> nodes = compiled.template().nodes().stream()
                .filter(node -> node instanceof Field || node instanceof Section)
                .toList();
        Node node = nodes.get(random.nextInt(nodes.size()));
        List<Field> fields = compiled.template().fields();
        Field field = fields.get(random.nextInt(fields.size()));
        boolean is = random.nextBoolean();
        Promised promised = switch (random.nextInt(9)) {
            case 0 -> new Promised.NodeIs(node.key(), Aspect.SHOWN, is);
            case 1 -> new Promised.NodeIs(field.key(), Aspect.REQUIRED, is);
            case 2 -> new Promised.NodeIs(field.key(), Aspect.EDITABLE, is);
            case 3 -> new Promised.NodeIs("s" + random.nextInt(2), Aspect.OPEN, is);
            case 4 ->
                new Promised.NodeLooks(
                        node.key(), SmallTemplates.LOOKS.get(random.nextInt(SmallTemplates.LOOKS.size())), is);
            case 5 -> new Promised.RoleSigns(random.nextBoolean() ? "keeper" : "witness", is);
            case 6 -> new Promised.CanFinish(is);
            case 7 ->
                conditions.isEmpty()
                        ? new Promised.CanFinish(is)
                        : new Promised.IsMet(conditions.get(random.nextInt(conditions.size())), is);
            default -> {
                List<String> keys = new ArrayList<>();
                nodes.forEach(each -> {
                    if (random.nextInt(3) == 0) {
                        keys.add(each.key());
                    }
                });
                yield new Promised.SomeShown(
                        keys.size() < 2 ? List.of("s0", "s1") : keys,
                        List.of(Promised.HowMany.values()).get(random.nextInt(3)));
            }
        };
        return new PromiseRule(whenever, promised);
    }
}
