package loesscape.formats.docx;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Passage;
import loesscape.core.form.FillableForm;
import loesscape.core.model.Field;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Template;
import loesscape.formats.paper.PaperWords;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.paper.Theme;
import loesscape.formats.testing.DemoDocuments;
import loesscape.formats.word.ImportedDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Files for word processors, of every document of the demo, by the published schemas and by a word processor of others. */
class WrittenDocumentsTest {

    private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}\\p{N}]+");

    static Stream<Arguments> documents() {
        return DemoDocuments.names().stream()
                .flatMap(name -> Stream.of("", "de", "he").map(language -> Arguments.of(name, language)));
    }

    private static byte[] finished(String name, String language) {
        return FinishedDocx.write(DemoDocuments.printed(name, language, DemoDocuments.BOARD));
    }

    private static byte[] fillable(String name, String language, Answers answers) {
        Template template = DemoDocuments.template(name, language);
        return FillableDocx.write(
                FillableForm.of(PreparedTemplate.of(template), answers), DemoDocuments.BOARD, DemoDocuments::beside);
    }

    @ParameterizedTest
    @MethodSource("documents")
    void theSchemasFindNothingWrong(String name, String language) {
        assertThat(WordSchema.problems(finished(name, language))).isEmpty();
        assertThat(WordSchema.problems(fillable(name, language, Answers.NONE))).isEmpty();
        assertThat(WordSchema.problems(fillable(name, language, DemoDocuments.answers(name))))
                .isEmpty();
    }

    @Test
    void theSchemasWouldFindAnElementInTheWrongPlace() {
        DocxFile file = new DocxFile();
        DocxElement document = DocxElement.root("w:document");
        document.in("w:body").in("w:p").in("w:tbl");
        assertThat(WordSchema.problems(file.bytes(document, "", "en"))).isNotEmpty();
    }

    @ParameterizedTest
    @MethodSource("documents")
    void theSameDocumentIsTheSameFile(String name, String language) {
        assertThat(finished(name, language)).isEqualTo(finished(name, language));
        assertThat(fillable(name, language, Answers.NONE)).isEqualTo(fillable(name, language, Answers.NONE));
    }

    @Test
    void aWordProcessorShowsEveryWordOfTheFinishedDocuments() throws IOException, InterruptedException {
        assumeTrue(OpenedByOffice.isThere(), "LibreOffice is not installed");
        Map<String, byte[]> files = new LinkedHashMap<>();
        DemoDocuments.names().forEach(name -> files.put(name, finished(name, "")));
        Map<String, String> shown = OpenedByOffice.words(files);
        for (String name : DemoDocuments.names()) {
            PrintedRecord printed = DemoDocuments.printed(name, "", DemoDocuments.BOARD);
            String words = letters(shown.getOrDefault(name, ""));
            for (String said : said(printed.content())) {
                assertThat(words).as(name + ": " + said).contains(letters(said));
            }
        }
    }

    @Test
    void aWordProcessorShowsEveryQuestionOfTheForms() throws IOException, InterruptedException {
        assumeTrue(OpenedByOffice.isThere(), "LibreOffice is not installed");
        Map<String, byte[]> files = new LinkedHashMap<>();
        DemoDocuments.names().forEach(name -> files.put(name, fillable(name, "", Answers.NONE)));
        Map<String, String> shown = OpenedByOffice.words(files);
        for (String name : DemoDocuments.names()) {
            String words = letters(shown.getOrDefault(name, ""));
            for (Field field : DemoDocuments.template(name, "").fields()) {
                assertThat(words).as(name + ": " + field.label()).contains(letters(field.label()));
            }
        }
    }

    /** Line ends, hyphens and marks of lists lie where each program puts them. */
    private static String letters(String text) {
        return NO_LETTERS.matcher(text).replaceAll("");
    }

    private static List<String> said(Content content) {
        List<String> said = new ArrayList<>(List.of(content.title(), content.subtitle()));
        for (Content.Block block : content.sections()) {
            said.add(block.title());
            for (Content.Line line : block.lines()) {
                switch (line) {
                    case Content.Line.Answer it -> {
                        said.add(it.label());
                        if (it.choices().marks().isEmpty()) {
                            said.add(it.text());
                        }
                    }
                    case Content.Line.Signature it -> said.add(it.label());
                    case Content.Line.HandedIn it -> said.add(it.name());
                    case Content.Line.Told it ->
                        it.text().forEach(passage -> said.add(Passage.words(List.of(passage))));
                    case Content.Line.Indicated it -> said.add(it.text());
                    case Content.Line.Noted it -> said.add(it.text());
                    case Content.Line.Pictured ignored -> {}
                    case Content.Line.Ruled() -> {}
                }
            }
        }
        return said.stream()
                .flatMap(each -> Stream.of(each.split("[\\t\\n]", -1)))
                .toList();
    }

    /** What goes out to be filled in can come in again: by the names of its controls, each question is there, of its kind. */
    @ParameterizedTest
    @MethodSource("documents")
    void aFormThatIsBroughtAsksTheSame(String name, String language) {
        List<String> there =
                ImportedDocument.read(fillable(name, language, Answers.NONE), name).template().fields().stream()
                        .map(Field::label)
                        .map(WrittenDocumentsTest::letters)
                        .toList();
        for (Field field : DemoDocuments.template(name, language).fields()) {
            if (field.isTyped() && DocxControls.isOne(field.kind())) {
                assertThat(there).as(field.label()).anyMatch(label -> label.startsWith(letters(field.label())));
            }
        }
    }

    @Test
    void oneAnswerStandsEverywhereItIsMerged() {
        byte[] form = fillable(
                "drilling-agreement", "", new Answers(Map.of("driller_name", "Ketter & Sons", "metre_price", "1250")));
        String document = new String(WordSchema.parts(form).get("word/document.xml"), StandardCharsets.UTF_8);
        String answers = new String(WordSchema.parts(form).get("customXml/item1.xml"), StandardCharsets.UTF_8);
        String bound = "w:xpath=\"/a:answers/a:answer[@key='driller_name']\"";
        assertThat(document.split(Pattern.quote(bound), -1).length - 1).isGreaterThan(1);
        assertThat(answers)
                .contains(
                        "<answer key=\"driller_name\">Ketter &amp; Sons</answer>",
                        "<answer key=\"metre_price\">1250</answer>");
    }

    @Test
    void onlyWhatIsToBeFilledInCanBeChanged() {
        byte[] form = fillable("borehole-and-well-permit", "", Answers.NONE);
        assertThat(new String(WordSchema.parts(form).get("word/settings.xml"), StandardCharsets.UTF_8))
                .contains("<w:documentProtection w:edit=\"forms\" w:enforcement=\"1\"/>");
        byte[] finished = finished("borehole-and-well-permit", "");
        assertThat(new String(WordSchema.parts(finished).get("word/settings.xml"), StandardCharsets.UTF_8))
                .doesNotContain("documentProtection");
    }

    @Test
    void whatPeopleWriteIsTextWhateverItHolds() {
        Content content = new Content(
                "A <w:p> & \"b\" \u0007",
                "",
                List.of(new Content.Block.Lines(
                        "]]>",
                        1,
                        "",
                        List.of(Content.Line.Answer.of(
                                "a", "<script>", "&amp; \u202Eturned\tstop\nline", Look.PLAIN)))),
                PageSettings.PLAIN);
        byte[] file = FinishedDocx.write(
                new PrintedRecord(content, null, Theme.PLAIN, PrintedRecord.Pictures.NONE, "", null));
        assertThat(WordSchema.problems(file)).isEmpty();
        String document = new String(WordSchema.parts(file).get("word/document.xml"), StandardCharsets.UTF_8);
        assertThat(document)
                .contains("&lt;script&gt;", "&amp;amp; turned", "<w:tab/>", "<w:br/>", "\uFFFD")
                .doesNotContain("\u202E");
    }

    @Test
    void theWordsOfEveryLanguageAreThere() {
        String all = Stream.of("ar", "da", "de", "el", "es", "fr", "he", "it", "nl", "pl", "pt", "sv", "")
                .map(language -> new PaperWords(language).of("writeHere"))
                .collect(Collectors.joining("\n"));
        assertThat(all.lines().distinct()).hasSize(13);
    }
}
