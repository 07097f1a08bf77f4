package loesscape.formats.answers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Reading;
import loesscape.core.form.FillableForm;
import loesscape.core.model.Field;
import loesscape.core.model.FieldValue;
import loesscape.core.model.PreparedTemplate;
import loesscape.formats.docx.FillableDocx;
import loesscape.formats.fillable.FillablePdf;
import loesscape.formats.paper.Theme;
import loesscape.formats.template.TemplateFile;
import loesscape.formats.testing.DemoDocuments;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.fdf.FDFDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Answers from elsewhere, and the questions they belong to. */
class AnswersBroughtTest {

    private static final PreparedTemplate TEMPLATE = PreparedTemplate.of(TemplateFile.read("""
            {"formatVersion": 2, "title": "Wells", "pages": [{"key": "page", "title": "", "sections": [
              {"key": "section", "title": "", "items": [
                {"type": "field", "key": "owner", "label": "Name of the owner", "kind": {"type": "text"}},
                {"type": "field", "key": "depth", "label": "Depth", "kind": {"type": "number", "unit": "m"}},
                {"type": "field", "key": "dry", "label": "Is it dry?", "kind": {"type": "yesNo"}},
                {"type": "field", "key": "drilled", "label": "Drilled on", "kind": {"type": "date"}},
                {"type": "field", "key": "purpose", "label": "Purpose", "kind": {"type": "oneChoice", "other": true,
                  "choices": [{"id": "c1", "label": "Irrigation", "stored": "IRR"}, {"id": "c2", "label": "Cattle"}]}},
                {"type": "field", "key": "near", "label": "What is near?", "kind": {"type": "severalChoices",
                  "choices": [{"id": "dike", "label": "Dike"}, {"id": "main", "label": "Gas main"}]}}]},
              {"key": "samples", "title": "", "rows": {"most": 9}, "items": [
                {"type": "field", "key": "ph", "label": "pH", "kind": {"type": "number", "decimals": 1}}]}]}]}
            """));

    private static Map<String, String> matched(String file) {
        return AnswerMatching.of(TEMPLATE)
                .match(AnswersBrought.read(file.getBytes(StandardCharsets.UTF_8))
                        .getFirst())
                .answers()
                .typed();
    }

    private static List<String> unmatched(String file) {
        return AnswerMatching.of(TEMPLATE)
                .match(AnswersBrought.read(file.getBytes(StandardCharsets.UTF_8))
                        .getFirst())
                .unmatched();
    }

    /** The shape of the examples of ISO 19444-1, 6.2 (from memory): fields in fields, several values, rich text beside. */
    @Test
    void xfdfGivesNestedFieldsAndSeveralValues() {
        String file = """
                <?xml version="1.0" encoding="UTF-8"?>
                <xfdf xml:space="preserve"><f href="well.pdf"/><fields>
                <field name="owner"><value>Femke &amp; sons</value><value-richtext><p>x</p></value-richtext></field>
                <field name="near"><field name="dike"><value>Yes</value></field><field name="main"><value>Off</value></field></field>
                <field name="dry"><value>Yes</value></field>
                <field name="nobody"><value>1</value></field></fields></xfdf>""";
        assertThat(matched(file)).isEqualTo(Map.of("owner", "Femke & sons", "near", "dike", "dry", "yes"));
        assertThat(unmatched(file)).containsExactly("“nobody” is no question of this document.");
        assertThat(
                        matched(
                                "<xfdf><fields><field name=\"near\"><value>Dike</value><value>main</value></field></fields></xfdf>"))
                .isEqualTo(Map.of("near", "dike,main"));
    }

    @Test
    void jsonGivesAnswersOfOneOrManyWithRows() {
        assertThat(matched("""
                {"owner": "Femke", "depth": 84.5, "dry": true, "purpose": {"other": "ponds"}, "near": ["dike", "Gas main"],
                 "samples": [{"ph": 5.5}, {"ph": 6}]}"""))
                .isEqualTo(Map.of(
                        "owner",
                        "Femke",
                        "depth",
                        "84.5",
                        "dry",
                        "yes",
                        "purpose",
                        "=ponds",
                        "near",
                        "dike,main",
                        "ph@r1",
                        "5.5",
                        "ph@r2",
                        "6",
                        "samples",
                        "r1,r2"));
        assertThat(AnswersBrought.read("[{\"owner\":\"A\"},{\"owner\":\"B\"}]".getBytes(StandardCharsets.UTF_8)))
                .hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Name of the owner   | Femke       | owner   | Femke
            name of the OWNER:  | Femke       | owner   | Femke
            Purpose             | irrigation  | purpose | c1
            purpose             | IRR         | purpose | c1
            purpose             | c2          | purpose | c2
            purpose             | Fish ponds  | purpose | =Fish ponds
            Is it dry?          | No          | dry     | no
            dry                 | perhaps     | dry     | perhaps
            Drilled on          | 3.11.2026   | drilled | 2026-11-03
            drilled             | 2026-11-03  | drilled | 2026-11-03
            drilled             | 11/03/2026  | drilled | 11/03/2026
            near                | Dike; main  | near    | dike,main
            near                | Dike, river | near    | dike,river
            pH (2)              | 5,5         | ph@r2   | 5,5
            """)
    void aNameIsAKeyALabelOrOneInRows(String name, String value, String address, String typed) {
        assertThat(matched("\"%s\"\n\"%s\"\n".formatted(name, value))).containsEntry(address, typed);
    }

    @Test
    void whatBelongsNowhereIsTold() {
        assertThat(unmatched("Depth,ph,owner@2,river\n1,2,3,4\n"))
                .containsExactly(
                        "“ph” stands in rows; say which one, as in ph@1.",
                        "“owner@2” does not stand in rows.",
                        "“river” is no question of this document.");
        assertThat(unmatched("Depth\n1,2\n"))
                .containsExactly("“column 2 without a heading” is no question of this document.");
    }

    @Test
    void aFilledFormComesBackAsItWasFilledInAndSoDoesItsFdf() throws IOException {
        Answers answers = new Answers(Map.of(
                "owner",
                "Femke",
                "depth",
                "84.5",
                "dry",
                "no",
                "drilled",
                "2026-11-03",
                "purpose",
                "=ponds",
                "near",
                "dike,main",
                "samples",
                "r1,r2",
                "ph@r1",
                "5.5",
                "ph@r2",
                "6"));
        byte[] form = FillablePdf.of(
                        FillableForm.of(TEMPLATE, answers),
                        Theme.PLAIN,
                        name -> Optional.empty(),
                        name -> Optional.empty())
                .file();
        AnswerMatching.Matched back =
                AnswerMatching.of(TEMPLATE).match(AnswersBrought.read(form).getFirst());
        assertThat(back.unmatched()).isEmpty();
        assertThat(back.answers().typed()).isEqualTo(answers.typed());
        try (PDDocument document = Loader.loadPDF(form);
                FDFDocument fdf =
                        document.getDocumentCatalog().getAcroForm(null).exportFDF()) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            fdf.save(out);
            assertThat(AnswerMatching.of(TEMPLATE)
                            .match(AnswersBrought.read(out.toByteArray()).getFirst())
                            .answers()
                            .typed())
                    .isEqualTo(answers.typed());
        }
    }

    @Test
    void everyFormOfTheDemoComesBackAsItWent() {
        for (String name : DemoDocuments.names()) {
            PreparedTemplate template = PreparedTemplate.of(DemoDocuments.template(name, ""));
            Answers answers = DemoDocuments.answers(name);
            FillableForm form = FillableForm.of(template, answers);
            byte[] file = FillablePdf.of(
                            form, Theme.PLAIN, DemoDocuments::beside, sheet -> Optional.of(DemoDocuments.sheet(name)))
                    .file();
            AnswerMatching.Matched back =
                    AnswerMatching.of(template).match(AnswersBrought.read(file).getFirst());
            assertThat(back.unmatched()).as(name).isEmpty();
            assertThat(back.answers().typed()).as(name).isNotEmpty();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "de", "ar"})
    void everyFilledDocxOfTheDemoComesBackAsItWent(String language) {
        for (String name : DemoDocuments.names()) {
            PreparedTemplate template = PreparedTemplate.of(DemoDocuments.template(name, language));
            Answers answers = DemoDocuments.answers(name);
            byte[] file = FillableDocx.write(FillableForm.of(template, answers), Theme.PLAIN, DemoDocuments::beside);
            AnswerMatching.Matched back =
                    AnswerMatching.of(template).match(AnswersBrought.read(file).getFirst());
            assertThat(back.unmatched()).as(name).isEmpty();
            for (Field field : template.template().fields()) {
                String typed = answers.typed().getOrDefault(field.key(), "");
                boolean isAsked = field.isTyped()
                        && !(field.value() instanceof FieldValue.WorkedOut)
                        && switch (field.kind().answer()) {
                            case TEXT, NUMBER, YES_NO, CHOICE, CHOICES, DAY, TIME -> true;
                            case SIGNATURE, FILES, PAYMENT -> false;
                        };
                if (!typed.isEmpty() && isAsked) {
                    assertThat(Reading.of(field.kind(), back.answers().typed().getOrDefault(field.key(), "")))
                            .as("%s %s in “%s”", name, field.key(), language)
                            .isEqualTo(Reading.of(field.kind(), typed));
                }
            }
        }
    }

    /** What a word processor does of itself: rows are copied with the names of the first, and days are written anew. */
    @Test
    void rowsThatWereAddedInAWordProcessorAreRowsOfTheirOwn() throws IOException {
        Answers answers = new Answers(Map.of("samples", "r1", "ph@r1", "5.5"));
        byte[] form = FillableDocx.write(FillableForm.of(TEMPLATE, answers), Theme.PLAIN, name -> Optional.empty());
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(form))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                parts.put(entry.getName(), zip.readAllBytes());
            }
        }
        String document = new String(parts.get("word/document.xml"), StandardCharsets.UTF_8);
        Matcher row = Pattern.compile("<w:sdt>(?:(?!<w:sdt>).)*repeatingSectionItem.*?</w:tr></w:sdtContent></w:sdt>")
                .matcher(document);
        assertThat(row.find()).isTrue();
        String second = row.group().replace("5.5", "7.25");
        String twice = document.substring(0, row.end()) + second + document.substring(row.end());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(
                        part.getKey().equals("word/document.xml")
                                ? twice.getBytes(StandardCharsets.UTF_8)
                                : part.getValue());
            }
        }
        Answers back = AnswerMatching.of(TEMPLATE)
                .match(AnswersBrought.read(out.toByteArray()).getFirst())
                .answers();
        assertThat(back.typed())
                .containsEntry("ph@r1", "5.5")
                .containsEntry("ph@r2", "7.25")
                .containsEntry("samples", "r1,r2");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            <html/>                                    | This XML is no XFDF: it begins with “html”.
            <xfdf><fields>                             | The XML cannot be read
            <!DOCTYPE xfdf [<!ENTITY a 'b'>]><xfdf/>   | The XML cannot be read
            [1]                                        | Entry 1 is no object; answers are names with values.
            {"a":                                      | This is not JSON that can be read
            owner                                      | The table has no line below its heading.
            %PDF-1.7 broken                            | PDF
            PK\3\4 broken                    | This archive is no document of a word processor
            %FDF-1.2 broken                            | The FDF file is broken
            """)
    void whatIsNoneIsRefusedInASentence(String file, String message) {
        assertThatThrownBy(() -> AnswersBrought.read(file.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(UnreadableAnswers.class)
                .hasMessageContaining(message);
    }

    @Test
    void columnsWithoutAHeadingOrWithTheSameAreRefused() {
        assertThatThrownBy(() -> AnswersBrought.read("a,\n1,2\n".getBytes(StandardCharsets.UTF_8)))
                .hasMessage("A column of the table has no heading.");
        assertThatThrownBy(() -> AnswersBrought.read("a,a\n1,2\n".getBytes(StandardCharsets.UTF_8)))
                .hasMessage("Two columns of the table are headed “a”; take one of them away.");
    }
}
