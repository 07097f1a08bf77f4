package loesscape.formats.fillable;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.form.FillableForm;
import loesscape.core.form.FormChoices;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.script.LeftOut;
import loesscape.formats.paper.ArchiveCheck;
import loesscape.formats.paper.Theme;
import loesscape.formats.testing.DemoDocuments;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** PDF forms of the demo's documents: read aloud (ISO 14289-1, by veraPDF), whole (qpdf), the same for the same form. */
class FillablePdfTest {

    static Stream<Arguments> documents() {
        return DemoDocuments.names().stream()
                .flatMap(name -> Stream.of("", "el", "he", "ar").map(language -> Arguments.of(name, language)));
    }

    private static FillablePdf form(String name, String language, Answers answers) {
        PreparedTemplate template = PreparedTemplate.of(DemoDocuments.template(name, language));
        return FillablePdf.of(
                FillableForm.of(template, answers),
                DemoDocuments.BOARD,
                DemoDocuments::beside,
                sheet -> Optional.of(DemoDocuments.sheet(name)));
    }

    @ParameterizedTest
    @MethodSource("documents")
    void everyFormIsReadAloud(String name, String language) {
        assertThat(ArchiveCheck.brokenWhenRead(
                        form(name, language, Answers.NONE).file()))
                .isEmpty();
    }

    @ParameterizedTest
    @MethodSource("documents")
    void theSameFormIsTheSameFile(String name, String language) throws IOException, InterruptedException {
        byte[] form = form(name, language, DemoDocuments.answers(name)).file();
        assertThat(form(name, language, DemoDocuments.answers(name)).file()).isEqualTo(form);
        Path file = Files.createTempFile("form", ".pdf");
        try {
            Files.write(file, form);
            Process check = new ProcessBuilder("qpdf", "--check", file.toString())
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            assertThat(check.waitFor(30, TimeUnit.SECONDS)).isTrue();
            assertThat(check.exitValue()).isZero();
        } finally {
            Files.delete(file);
        }
    }

    private static PDAcroForm fields(PDDocument document) {
        return document.getDocumentCatalog().getAcroForm(null);
    }

    @Test
    void everyQuestionHasAFieldInTheOrderOfReadingUnderItsKey() throws IOException {
        try (PDDocument document = Loader.loadPDF(
                form("borehole-and-well-permit", "", Answers.NONE).file())) {
            List<String> names = new ArrayList<>();
            fields(document).getFields().forEach(field -> names.add(field.getPartialName()));
            List<String> keys = DemoDocuments.template("borehole-and-well-permit", "").fields().stream()
                    .filter(Field::isTyped)
                    .map(Field::key)
                    .toList();
            assertThat(names).containsAll(keys);
            assertThat(names.stream().filter(keys::contains)).containsExactlyElementsOf(keys);
            PDField depth = fields(document).getField("planned_depth");
            assertThat(depth.getAlternateFieldName()).isEqualTo("Planned depth");
        }
    }

    @Test
    void answersThatAreThereStandInTheFields() throws IOException {
        Answers answers = new Answers(
                Map.of("planned_depth", "84.5", "purpose", "irrigation", "applicant_name", "Wilma Терпстра"));
        try (PDDocument document =
                Loader.loadPDF(form("borehole-and-well-permit", "", answers).file())) {
            assertThat(fields(document).getField("planned_depth").getValueAsString())
                    .isEqualTo("84.5");
            assertThat(fields(document).getField("purpose").getValueAsString()).isEqualTo("irrigation");
            assertThat(fields(document).getField("applicant_name").getValueAsString())
                    .isEqualTo("Wilma Терпстра");
        }
    }

    @Test
    void whatIsSignedIsASignatureFieldWithoutASignature() throws IOException {
        try (PDDocument document =
                Loader.loadPDF(form("drainage-consent", "", Answers.NONE).file())) {
            assertThat(fields(document).getField("signed")).isInstanceOf(PDSignatureField.class);
            assertThat(((PDSignatureField) fields(document).getField("signed")).getSignature())
                    .isNull();
        }
    }

    /** ISO 32000-2, 12.7: what goes out comes in again, with its kinds, flags and scripts. */
    @Test
    void aFormThatIsBroughtHasTheSameFields() {
        var imported = loesscape.formats.form.ImportedPdf.read(
                form("borehole-and-well-permit", "", Answers.NONE).file(), "", "A form");
        List<String> labels =
                imported.template().fields().stream().map(Field::label).toList();
        for (String label : List.of("Planned depth", "Name of the applicant", "Irrigated area")) {
            assertThat(labels).anyMatch(each -> each.startsWith(label));
        }
    }

    private static FillablePdf ofOne(Field field, List<LookupList> lists) {
        Template plain = Template.of(
                "A form", List.of(new Page("page", "", null, List.of(Section.of("section", "", List.of(field))))));
        Template template = new Template(
                plain.title(),
                "",
                plain.pages(),
                List.of(),
                List.of(),
                lists,
                List.of(),
                plain.pageSettings(),
                List.of());
        return FillablePdf.of(
                FillableForm.of(PreparedTemplate.of(template), Answers.NONE),
                Theme.PLAIN,
                name -> Optional.empty(),
                name -> Optional.empty());
    }

    @Test
    void aListHoldsNothingThatItDoesNotOfferAndSaysSo() throws IOException {
        FillablePdf form = ofOne(
                Field.of("mark", "Your mark", new FieldKind.Rating(5)).withValue(new FieldValue.Starting("0")),
                List.of());
        try (PDDocument document = Loader.loadPDF(form.file())) {
            assertThat(fields(document).getField("mark").getValueAsString()).isEqualTo("[ ]");
        }
        assertThat(form.leftOut())
                .extracting(LeftOut::sentence)
                .containsExactly("“Your mark” does not begin with “0”, which its list does not offer.");
    }

    @ParameterizedTest
    @ValueSource(ints = {500, 501})
    void whatIsInALongListIsWritten(int entries) throws IOException {
        List<List<String>> rows = IntStream.range(0, entries)
                .mapToObj(each -> List.of("village " + each))
                .toList();
        LookupList list =
                new LookupList("places", "Places", List.of(new LookupList.Column("village", "Village", false)), rows);
        FillablePdf form = ofOne(
                Field.of("village", "Village", new FieldKind.Lookup("places", "village", Map.of())), List.of(list));
        try (PDDocument document = Loader.loadPDF(form.file())) {
            assertThat(fields(document).getField("village"))
                    .isInstanceOf(entries > FormChoices.MOST ? PDTextField.class : PDComboBox.class);
        }
    }
}
