package loesscape.server.forms;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import loesscape.core.model.Field;
import loesscape.formats.word.ImportedDocument;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Releases as files to be filled in, and records as files for word processors. */
class FormsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static List<String> asked(byte[] docx) {
        return ImportedDocument.read(docx, "A form").template().fields().stream()
                .map(Field::label)
                .toList();
    }

    @Test
    void aReleaseGoesOutForWordProcessors() {
        Visitor author = SERVER.author();
        String template = author.template("Borehole and well permit");
        byte[] form = author.get("/api/templates/" + template + "/releases/1/form.docx")
                .ok()
                .response()
                .body();
        assertThat(asked(form)).contains("Name of the applicant", "Planned depth", "Irrigated area");
        author.get("/api/templates/" + template + "/releases/9/form.docx").problem(404);
    }

    @Test
    void aReleaseGoesOutAsAPdfFormWithWhatItsScriptLeavesOut() throws IOException {
        Visitor author = SERVER.author();
        String release = "/api/templates/" + author.template("Drainage consent") + "/releases/1";
        try (PDDocument form =
                Loader.loadPDF(author.get(release + "/form.pdf").ok().response().body())) {
            assertThat(form.getDocumentCatalog().getAcroForm(null).getField("owner"))
                    .isNotNull();
        }
        assertThat(author.get(release + "/form.json").ok().json().get("leftOut").toString())
                .contains("is not known to the script", "is not drawn on its page");
        author.get("/api/templates/" + author.template("Drainage consent") + "/releases/9/form.json")
                .problem(404);
    }

    @Test
    void aRecordGoesOutForWordProcessorsAlsoFromPagesOfAPdf() {
        Visitor author = SERVER.author();
        for (String title : List.of("Borehole and well permit", "Drainage consent")) {
            String template = author.template(title);
            byte[] record = author.get("/api/templates/" + template + "/records/1/record.docx")
                    .ok()
                    .response()
                    .body();
            assertThat(ImportedDocument.read(record, "").template().title()).isEqualTo(title);
        }
    }
}
