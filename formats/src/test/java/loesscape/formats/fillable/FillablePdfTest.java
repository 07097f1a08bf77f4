package loesscape.formats.fillable;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.form.FillableForm;
import loesscape.core.form.FormChoices;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Lettering;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.Place;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Template;
import loesscape.core.script.LeftOut;
import loesscape.formats.form.ImportedPdf;
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
        var imported = ImportedPdf.read(
                form("borehole-and-well-permit", "", Answers.NONE).file(), "", "A form");
        List<String> labels =
                imported.template().fields().stream().map(Field::label).toList();
        for (String label : List.of("Planned depth", "Name of the applicant", "Irrigated area")) {
            assertThat(labels).anyMatch(each -> each.startsWith(label));
        }
    }

    /** Rows for which the pages have no places, or not all of them, are typeset behind them: nothing has no field. */
    @Test
    void rowsWithoutPlacesFollowThePages() throws IOException {
        Section wells = Section.of(
                        "wells",
                        "Wells",
                        List.of(
                                Field.of("depth", "Depth", new FieldKind.Text("", 0)),
                                Field.of("name", "Name", new FieldKind.Text("", 0)),
                                Indicator.of("dry", "Dry", "depth", List.of())))
                .withRows(new Section.Rows(0, 9));
        Page page = new Page(
                "page",
                "",
                null,
                new SheetPage("sheet.pdf", 0, 21_000, 29_700, ""),
                List.of(
                        Place.of("depth", 1_000, 1_000, 5_000, 700),
                        Place.of("name", 7_000, 1_000, 5_000, 700),
                        Place.of("dry", 13_000, 1_000, 5_000, 700),
                        row(1, Place.of("depth", 1_000, 2_000, 5_000, 700)),
                        row(7, Place.of("depth", 1_000, 3_000, 5_000, 700))),
                List.of(wells));
        FillablePdf form = FillablePdf.of(
                FillableForm.of(PreparedTemplate.of(Template.of("A form", List.of(page))), Answers.NONE),
                Theme.PLAIN,
                name -> Optional.empty(),
                name -> Optional.of(DemoDocuments.sheet("drainage-consent")));
        try (PDDocument document = Loader.loadPDF(form.file())) {
            Map<String, Integer> pages = new TreeMap<>();
            for (PDField field : fields(document).getFields()) {
                assertThat(field.getWidgets()).as(field.getPartialName()).hasSize(1);
                pages.put(
                        field.getPartialName(),
                        document.getPages()
                                .indexOf(field.getWidgets().getFirst().getPage()));
            }
            for (int row = 1; row <= 8; row++) {
                boolean isDepthPlaced = row == 1 || row == 2 || row == 8;
                assertThat(pages.getOrDefault("depth@r" + row, -1) == 0)
                        .as("depth in row %d", row)
                        .isEqualTo(isDepthPlaced);
                assertThat(pages.getOrDefault("name@r" + row, -1) == 0)
                        .as("name in row %d", row)
                        .isEqualTo(row == 1);
                assertThat(pages.getOrDefault("sign/dry@r" + row, -1) == 0)
                        .as("sign in row %d", row)
                        .isEqualTo(row == 1);
            }
            assertThat(pages).containsKeys("depth@r7", "name@r8", "sign/dry@r8").doesNotContainKey("depth@r9");
        }
        assertThat(form.leftOut()).isEmpty();
    }

    private static Place row(int row, Place place) {
        return new Place(
                place.item(),
                "",
                row,
                place.left(),
                place.top(),
                place.width(),
                place.height(),
                Lettering.PLAIN,
                "",
                "");
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
                List.of(),
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
