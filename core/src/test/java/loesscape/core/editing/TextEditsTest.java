package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.IntStream;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Phrase;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Texts, their phrases and references, through edits of what they name. */
class TextEditsTest {

    private static final Condition DEEP = new Clause.Answered("depth");

    private static final Template AGREEMENT = Template.of(
            "Agreement",
            List.of(new Page(
                    "page",
                    "",
                    null,
                    List.of(
                            Section.of(
                                    "asked",
                                    "Asked",
                                    List.of(
                                            Field.of("depth", "Depth", new FieldKind.Number(0, "m", null, null)),
                                            Field.of("signature", "Signature", new FieldKind.Signature()))),
                            Section.of("tools", "Tools", List.of(Field.of("tool", "Tool", new FieldKind.Text("", 0))))
                                    .withRows(new Section.Rows(0, 9)),
                            Section.of(
                                    "terms",
                                    "Terms",
                                    List.of(
                                            Notice.of("goal", "The depth is {depth}.")
                                                    .withClause(1),
                                            Notice.of(
                                                            "rest",
                                                            "See {ref:goal}[deep: , so {depth:figure}]. \\{depth} [tools: {tool}]")
                                                    .withClause(1)
                                                    .withPhrases(List.of(new Phrase("deep", DEEP)))))))));

    private static Notice notice(Template template, String key) {
        return (Notice) template.nodes().stream()
                .filter(node -> node.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static String text(Template template) {
        return notice(template, "rest").text();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "depth | level    | See {ref:goal}[deep: , so {level:figure}]. \\{depth} [tools: {tool}]",
                "goal  | aim      | See {ref:aim}[deep: , so {depth:figure}]. \\{depth} [tools: {tool}]",
                "tools | machines | See {ref:goal}[deep: , so {depth:figure}]. \\{depth} [machines: {tool}]",
                "tool  | machine  | See {ref:goal}[deep: , so {depth:figure}]. \\{depth} [tools: {machine}]",
            })
    void aKeyIsChangedInTextsToo(String key, String to, String expected) {
        Template renamed = Editing.apply(AGREEMENT, new Edit.RenameKey(key, to));
        assertThat(text(renamed)).isEqualTo(expected);
        assertThat(Editing.apply(renamed, new Edit.RenameKey(to, key))).isEqualTo(AGREEMENT);
    }

    @Test
    void aPhraseIsNotTheThingOfItsName() {
        assertThatThrownBy(() -> Editing.apply(AGREEMENT, new Edit.RenameKey("depth", "deep")))
                .isInstanceOf(Refusal.class)
                .hasMessage("The key “deep” is already used by “a phrase of a text”.");
        Template asked = Editing.apply(AGREEMENT, new Edit.Add(Edit.Novelty.YES_NO, "Deep", "asked", null));
        assertThat(asked.fields()).extracting(Field::key).contains("deep_2").doesNotContain("deep");
        isRefused(
                new Edit.SetText("goal", "x", List.of(new Phrase("depth", DEEP))),
                "“depth” is the key of something else; call the phrase otherwise.");
    }

    @Test
    void whatATextNamesIsNotDeletedUnasked() {
        assertThatThrownBy(() -> Editing.apply(AGREEMENT, new Edit.Delete(List.of("goal"), false)))
                .isInstanceOfSatisfying(
                        Refusal.class,
                        refused -> assertThat(refused.followers())
                                .containsExactly(new Refusal.Follower(
                                        "rest", "See {goal}, so {depth}. {depth} {tool}", "reference")));
        Template without = Editing.apply(AGREEMENT, new Edit.Delete(List.of("goal"), true));
        assertThat(text(without)).isEqualTo("See [deep: , so {depth:figure}]. \\{depth} [tools: {tool}]");
        Template withoutRows = Editing.apply(AGREEMENT, new Edit.Delete(List.of("tools"), true));
        assertThat(text(withoutRows)).endsWith("\\{depth} ");
        Template withoutDepth = Editing.apply(AGREEMENT, new Edit.Delete(List.of("depth"), true));
        assertThat(text(withoutDepth)).startsWith("See {ref:goal}[deep: , so ].");
        assertThat(notice(withoutDepth, "rest").phrases())
                .as("words whose condition is gone stand there always")
                .containsExactly(new Phrase("deep", new Condition.Always()));
    }

    @Test
    void aCopyRefersToTheCopy() {
        Template copied = Editing.apply(AGREEMENT, new Edit.Duplicate(List.of("terms"), null, null));
        Notice copy = notice(copied, "rest_2");
        assertThat(copy.text()).startsWith("See {ref:goal_2}[deep: ");
        assertThat(copy.phrases()).containsExactly(new Phrase("deep", DEEP));
        assertThat(text(copied)).isEqualTo(text(AGREEMENT));
    }

    @Test
    void aTextIsRewrittenWithItsPhrases() {
        List<Phrase> phrases = List.of(new Phrase("late", DEEP));
        Template written = Editing.apply(AGREEMENT, new Edit.SetText("goal", " New[late: , late] ", phrases));
        assertThat(notice(written, "goal").text()).isEqualTo("New[late: , late]");
        assertThat(notice(written, "goal").phrases()).isEqualTo(phrases);
        Change change = Change.between(TemplateIndex.of(AGREEMENT), TemplateIndex.of(written));
        assertThat(change.reversed().applyTo(written)).isEqualTo(AGREEMENT);
    }

    private static void isRefused(Edit edit, String message) {
        assertThatThrownBy(() -> Editing.apply(AGREEMENT, edit))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(message);
    }

    @Test
    void whatCannotBeIsRefused() {
        List<Phrase> many = IntStream.range(0, 51)
                .mapToObj(i -> new Phrase("p" + i, new Condition.Always()))
                .toList();
        isRefused(new Edit.SetText("goal", "x", many), "phrases");
        isRefused(
                new Edit.SetText("goal", "x".repeat(20_001), List.of()),
                "The text has 20001 characters; the most is 20000.");
        isRefused(new Edit.SetText("depth", "x", List.of()), "“Depth” is not a text.");
        isRefused(new Edit.SetClause(List.of("goal"), 4), "Clauses are counted up to 3 deep.");
        isRefused(new Edit.SetClause(List.of("depth"), 1), "“Depth” is not a text.");
        isRefused(new Edit.SetMedium(List.of("depth"), Medium.DOCUMENT), "nobody could answer it");
        isRefused(
                new Edit.SetMedium(List.of("signature"), Medium.FILLING),
                "what is signed has to stand in the document");
        isRefused(new Edit.SetMedium(List.of("asked"), Medium.FILLING), "what is signed has to stand in the document");
        isRefused(new Edit.SetMedium(List.of("page"), Medium.FILLING), "is said by its section");
    }

    @Test
    void aNoticeIsCalledByItsWords() {
        Node rest = notice(AGREEMENT, "rest");
        assertThat(rest.name()).isEqualTo("See {goal}, so {depth}. {depth} {tool}");
        assertThat(Notice.of("n", "**One** *two* three four five six seven").name())
                .isEqualTo("One two three four five six …");
        assertThat(Notice.of("n", " ").name()).isEqualTo("Empty notice");
    }
}
