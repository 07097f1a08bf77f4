package loesscape.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What an accepted finding hangs on, and what it does not. */
class SubjectTest {

    private static Clause deeperThan(int depth) {
        return new Clause.Comparison(
                "depth", OrderTest.MORE, new Clause.Operand.NumberOperand(BigDecimal.valueOf(depth)), null);
    }

    private static final Field DEPTH = Field.of("depth", "Depth", new FieldKind.Number(1, "m", null, null));
    private static final Field USE = Field.of(
            "use",
            "Use",
            FieldKind.OneChoice.of(List.of(Choice.of("home", "Household"), Choice.of("field", "Irrigation"))));
    private static final Field CASING =
            Field.of("casing", "Casing", new FieldKind.Text("", 0)).withShown(new Condition.Shared("deep"));
    private static final Field GROUT =
            Field.of("grout", "Grout", new FieldKind.Text("", 0)).withRequired(new Clause.Answered("use"));
    private static final Field LETTER = Field.of("letter", "Letter", new FieldKind.Text("", 0));

    private static final List<Item> ITEMS = List.of(DEPTH, USE, CASING, GROUT, LETTER);

    private static Template template(List<Item> items) {
        return new Template(
                "T",
                "",
                List.of(new Page("p", "Wells", deeperThan(1), List.of(Section.of("s", "Pipes", items)))),
                List.of(new Role("owner", "Landowner", 1, null)),
                List.of(
                        new SharedCondition("deep", "Deep well", new Condition.Shared("deeper")),
                        new SharedCondition("deeper", "Deeper well", deeperThan(30)),
                        new SharedCondition("other", "Other", deeperThan(7))),
                List.of(),
                List.of(new FinishRule(new Clause.Answered("depth"), "Say how deep.")),
                PageSettings.PLAIN,
                List.of(),
                List.of(),
                List.of());
    }

    private static final Template BEFORE = template(ITEMS);

    private static Template with(String key, UnaryOperator<Field> change) {
        List<Item> items = new ArrayList<>(ITEMS);
        items.replaceAll(item -> item instanceof Field it && it.key().equals(key) ? change.apply(it) : item);
        return template(items);
    }

    private static Template with(
            List<Page> pages, List<Role> roles, List<SharedCondition> conditions, List<FinishRule> finish) {
        return new Template(
                "T",
                "",
                pages,
                roles,
                conditions,
                List.of(),
                finish,
                PageSettings.PLAIN,
                List.of(),
                List.of(),
                List.of());
    }

    private static Template withShared(String key, SharedCondition changed) {
        return with(
                BEFORE.pages(),
                BEFORE.roles(),
                BEFORE.conditions().stream()
                        .map(it -> it.key().equals(key) ? changed : it)
                        .toList(),
                BEFORE.finish());
    }

    static Stream<Arguments> changes() {
        String plain = "It is never answered.";
        String naming = "It excludes “Letter”.";
        Template otherRole = with(
                BEFORE.pages(), List.of(new Role("owner", "Landowner", 2, null)), BEFORE.conditions(), BEFORE.finish());
        Template otherFinish = with(
                BEFORE.pages(),
                BEFORE.roles(),
                BEFORE.conditions(),
                List.of(new FinishRule(new Clause.Answered("depth"), "Say it.")));
        Template otherPage = with(
                List.of(new Page(
                        "p", "Holes", deeperThan(1), BEFORE.pages().getFirst().sections())),
                BEFORE.roles(),
                BEFORE.conditions(),
                BEFORE.finish());
        return Stream.of(
                Arguments.of("casing", plain, with("casing", it -> it.withLabel("Pipe")), true),
                Arguments.of("casing", plain, with("casing", it -> it.withRequired(deeperThan(2))), true),
                Arguments.of("casing", plain, with("casing", it -> it.withKind(new FieldKind.LongText("", 0))), true),
                Arguments.of("casing", plain, with("letter", it -> it.withLabel("Note")), false),
                Arguments.of("casing", plain, with("letter", it -> it.withRequired(deeperThan(2))), false),
                // What it looks at, and how: by a condition that is shared, which is one that is shared.
                Arguments.of("casing", plain, with("depth", it -> it.withLabel("How deep")), true),
                Arguments.of(
                        "casing",
                        plain,
                        withShared("deeper", new SharedCondition("deeper", "Deeper well", deeperThan(31))),
                        true),
                Arguments.of(
                        "casing",
                        plain,
                        withShared("deep", new SharedCondition("deep", "Deep", new Condition.Shared("deeper"))),
                        true),
                Arguments.of(
                        "casing",
                        plain,
                        withShared("other", new SharedCondition("other", "Other", deeperThan(8))),
                        false),
                // The choices of what it looks at.
                Arguments.of(
                        "grout",
                        plain,
                        with(
                                "use",
                                it -> it.withKind(FieldKind.OneChoice.of(
                                        List.of(Choice.of("home", "House"), Choice.of("field", "Irrigation"))))),
                        true),
                Arguments.of("grout", plain, with("depth", it -> it.withBands(List.of())), false),
                // What holds it, and who answers.
                Arguments.of("grout", plain, otherPage, true),
                Arguments.of("grout", plain, otherRole, true),
                Arguments.of("p", plain, otherRole, false),
                // What the message names.
                Arguments.of("casing", naming, with("letter", it -> it.withLabel("Note")), true),
                Arguments.of("casing", naming, with("letter", it -> it.withRequired(deeperThan(2))), true),
                // The document as a whole.
                Arguments.of("", plain, otherFinish, true),
                Arguments.of("", plain, otherRole, true),
                Arguments.of(
                        "", plain, withShared("other", new SharedCondition("other", "Other", deeperThan(8))), true),
                Arguments.of("", plain, with("letter", it -> it.withLabel("Note")), false),
                Arguments.of("casing", plain, otherFinish, false));
    }

    @ParameterizedTest
    @MethodSource("changes")
    void isAnotherWhereSomethingElseIsSaidThere(String key, String message, Template after, boolean isAnother) {
        String was = new Subject(PreparedTemplate.of(BEFORE)).fingerprint(key, message);
        String is = new Subject(PreparedTemplate.of(after)).fingerprint(key, message);
        assertThat(is.equals(was)).isEqualTo(!isAnother);
    }

    /** It is stored: with other words in the margin, what was accepted would be told again in every template. */
    @Test
    void staysWhatItIs() {
        Subject subject = new Subject(PreparedTemplate.of(BEFORE));
        assertThat(subject.fingerprint("casing", "It is never answered."))
                .isEqualTo("ead02b25ba0b3f0239f1a54e19c53c48f2faa7dd0c31e418f856715dbf44f864");
        assertThat(subject.fingerprint("", ""))
                .isEqualTo("b7d74f36e0398946986396825f316631a77d10d43d5b637efb6a2736ece80ff9");
    }
}
