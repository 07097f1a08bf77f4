package loesscape.formats.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.LogicFindings;
import loesscape.core.analysis.PromiseVerdict;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Change;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.TemplateIndex;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.prose.Prose;
import loesscape.core.trial.TrialRun;
import loesscape.formats.json.JsonProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Templates and changes as they were kept once are read for good: the history of a template stands in them. */
class StoredFormsTest {

    private static final Path GOLDEN = Path.of("src/test/resources/loesscape/formats/template");
    private static final Path EXAMPLES = Path.of("../docs/examples");
    private static final Template EMPTY = Template.of(
            "Empty", List.of(new Page("blank_page", "", null, List.of(Section.of("blank", "", List.of())))));

    private static Template example(String name) throws IOException {
        return TemplateFile.read(Files.readAllBytes(EXAMPLES.resolve(name + ".loess.json")));
    }

    private static Change change(String name) throws IOException {
        return Change.between(TemplateIndex.of(EMPTY), TemplateIndex.of(example(name)));
    }

    /** Those that were kept in the second form. */
    static Stream<String> ofTheSecondForm() {
        return Stream.of(
                "roles",
                "rows",
                "looks",
                "lookup",
                "shared-condition",
                "pages-and-trials",
                "formulas",
                "promises",
                "accepted");
    }

    /** Between them they have everything that a template can have. */
    static Stream<String> examples() {
        return Stream.concat(ofTheSecondForm(), Stream.of("texts"));
    }

    @ParameterizedTest
    @MethodSource("examples")
    void aChangeIsWrittenAsItAlwaysWas(String name) throws IOException {
        Path golden = GOLDEN.resolve("change-3-" + name + ".json");
        String text = ChangeFile.write(change(name));
        if (Boolean.getBoolean("loesscape.make")) {
            Files.createDirectories(GOLDEN);
            Files.writeString(golden, text);
        }
        String kept = Files.readString(golden);
        assertThat(text).isEqualTo(kept);
        Change read = ChangeFile.read(kept);
        assertThat(read.applyTo(EMPTY)).isEqualTo(example(name));
        assertThat(read.reversed().applyTo(example(name))).isEqualTo(EMPTY);
    }

    @ParameterizedTest
    @MethodSource("examples")
    void aTemplateIsWrittenAsItAlwaysWas(String name) throws IOException {
        Path golden = GOLDEN.resolve("template-3-" + name + ".json");
        String text = TemplateFile.compact(example(name));
        if (Boolean.getBoolean("loesscape.make")) {
            Files.createDirectories(GOLDEN);
            Files.writeString(golden, text);
        }
        assertThat(text).isEqualTo(Files.readString(golden));
        assertThat(TemplateFile.read(Files.readString(golden))).isEqualTo(example(name));
    }

    /** Those of the second form are kept as they were written then, too. */
    @ParameterizedTest
    @MethodSource("ofTheSecondForm")
    void whatWasKeptInTheSecondFormIsRead(String name) throws IOException {
        assertThat(TemplateFile.read(Files.readString(GOLDEN.resolve("template-2-" + name + ".json"))))
                .isEqualTo(example(name));
        assertThat(ChangeFile.read(Files.readString(GOLDEN.resolve("change-2-" + name + ".json"))))
                .isEqualTo(change(name));
    }

    /** There were no tables in the second form: bars stood for themselves, but for those within phrases. */
    @Test
    void aTextOfTheSecondFormHasNoTable() {
        String text = "| Fee | 25 |\n| Due | 12 |\n\n  | alone\n\n[late: more\n| less] | x\n- | point";
        String second =
                "{\"formatVersion\":2,\"title\":\"T\",\"pages\":[{\"key\":\"p\",\"sections\":[{\"key\":\"s\",\"items\":[{\"type\":\"notice\",\"key\":\"n\",\"text\":\"%s\"}]}]}]}"
                        .formatted(text.replace("\n", "\\n"));
        Prose prose = Prose.of(notice(TemplateFile.read(second)).text());
        assertThat(prose.blocks()).hasSize(4).allMatch(Prose.Paragraph.class::isInstance);
        assertThat(prose.runs().stream().map(Prose::plain))
                .containsExactly("| Fee | 25 |\n| Due | 12 |", "| alone", "more\n | x", "| point");
        assertThat(prose.bracketed()).hasSize(1);
        assertThat(notice(TemplateFile.read(second.replace(":2,", ":3,"))).text())
                .isEqualTo(text);
        assertThat(Prose.of(text).blocks().getFirst()).isInstanceOf(Prose.Table.class);
    }

    /** Those of the first form are kept as they were written then, and mean now what they meant. */
    @ParameterizedTest
    @ValueSource(strings = {"roles", "rows", "looks", "lookup", "shared-condition", "pages-and-trials", "formulas"})
    void whatWasKeptInTheFirstFormIsRead(String name) throws IOException {
        assertThat(TemplateFile.read(Files.readString(GOLDEN.resolve("template-1-" + name + ".json"))))
                .isEqualTo(example(name));
        assertThat(ChangeFile.read(Files.readString(GOLDEN.resolve("change-1-" + name + ".json"))))
                .isEqualTo(change(name));
    }

    /** What the example promises is so, and its trials come as they are expected. */
    @Test
    void theExampleKeepsItsPromises() throws IOException {
        CompiledTemplate compiled = CompiledTemplate.compile(example("promises"));
        EveryFilling every = EveryFilling.of(compiled, LocalDate.of(2028, 2, 28));
        assertThat(compiled.template().promises())
                .hasSize(6)
                .allSatisfy(
                        rule -> assertThat(PromiseVerdict.of(rule, every)).isEqualTo(new PromiseVerdict.Kept(false)));
        assertThat(TrialRun.of(compiled, LocalDate.of(2028, 2, 28)))
                .hasSize(2)
                .allSatisfy(outcome -> assertThat(outcome.missed()).isEmpty());
    }

    /** What the example accepts is found in it, and stays accepted as long as fingerprints are made as they were. */
    @Test
    void whatTheExampleAcceptsStaysQuiet() throws IOException {
        EveryFilling every = EveryFilling.of(CompiledTemplate.compile(example("accepted")), LocalDate.of(2028, 2, 28));
        assertThat(LogicFindings.of(every))
                .extracting(Finding::key, Finding::accepted)
                .containsExactly(tuple("license", "The form of 2019 is filed as it was."), tuple("license_number", ""));
    }

    @Test
    void aTextOfTheFirstFormSaysWhatItSaid() {
        String first =
                "{\"formatVersion\":1,\"title\":\"T\",\"pages\":[{\"key\":\"p\",\"sections\":[{\"key\":\"s\",\"items\":[{\"type\":\"notice\",\"key\":\"n\",\"text\":\"- {fee} *is* {fee:figure} [s: \\\\x]\"}]}]}]}";
        String text = "\\- {fee} \\*is\\* \\{fee:figure\\} \\[s: \\\\x\\]";
        assertThat(notice(TemplateFile.read(first)).text()).isEqualTo(text);
        assertThat(Prose.of(text).plain()).isEqualTo("- {fee} *is* {fee:figure} [s: \\x]");
        String second = TemplateFile.write(TemplateFile.read(first));
        assertThat(second).contains("\"formatVersion\" : 3");
        assertThat(notice(TemplateFile.read(second)).text()).isEqualTo(text);
    }

    private static Notice notice(Template template) {
        return (Notice)
                template.pages().getFirst().sections().getFirst().items().getFirst();
    }

    @ParameterizedTest
    @ValueSource(strings = {"roles", "rows"})
    void aChangeOfBeforeItCarriedANumberIsRead(String name) throws IOException {
        String first =
                Files.readString(GOLDEN.resolve("change-1-" + name + ".json")).replaceFirst("\"formatVersion\":1,", "");
        assertThat(first).doesNotContain("formatVersion");
        assertThat(ChangeFile.read(first)).isEqualTo(change(name));
    }

    @ParameterizedTest
    @ValueSource(strings = {"4", "3000000000", "99999999999999999999999", "0", "-1", "1.5", "\"1\"", "null"})
    void aChangeOfANewerFormIsRefusedWithItsNumber(String version) {
        assertThatThrownBy(() -> ChangeFile.read("{\"formatVersion\":%s,\"nodes\":{},\"held\":{}}".formatted(version)))
                .isInstanceOf(JsonProblem.class)
                .hasMessageMatching(".*(is of format version|is missing or no number).*");
        assertThatThrownBy(() ->
                        TemplateFile.read("{\"formatVersion\":%s,\"title\":\"T\",\"pages\":[]}".formatted(version)))
                .hasMessageMatching("(?s).*(is of format version|is missing or no number).*");
    }

    @Test
    void nothingStandsForWhatIsLeftOut() {
        assertThatThrownBy(
                        () -> TemplateFile.read("{\"formatVersion\":1,\"title\":\"T\",\"subtitle\":null,\"pages\":[]}"))
                .hasMessageContaining("“subtitle” cannot be null; leave it out, or say what it is.");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"number\"},\"value\":{\"type\":\"starting\",\"answer\":\"abc\"}",
                "\"yesNo\"},\"value\":{\"type\":\"starting\",\"answer\":\"perhaps\"}",
                "\"signature\"},\"value\":{\"type\":\"starting\",\"answer\":\"M1 1L2 2\"}",
                "\"attachment\",\"most\":1,\"largest\":1},\"value\":{\"type\":\"starting\",\"answer\":\"a 1 a.txt\"}",
            })
    void aFieldBeginsOnlyWithAnAnswerThatItCouldBeGivenAndWhatWasKeptStaysReadable(String kind) {
        String text =
                "{\"formatVersion\":1,\"title\":\"T\",\"pages\":[{\"key\":\"p\",\"sections\":[{\"key\":\"s\",\"items\":[{\"type\":\"field\",\"key\":\"f\",\"label\":\"Field\",\"kind\":{\"type\":"
                        + kind + "}]}]}]}";
        assertThatThrownBy(() -> TemplateFile.read(text)).hasMessageContaining("cannot begin with");
        assertThat(TemplateFile.kept(text).fields()).hasSize(1);
        assertThatThrownBy(() -> Editing.apply(TemplateFile.kept(text), new Edit.RenameKey("f", "g")))
                .hasMessageContaining("cannot begin with");
    }
}
