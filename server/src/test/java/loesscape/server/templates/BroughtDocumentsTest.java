package loesscape.server.templates;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Documents of word processors that somebody brings: made templates, kept as they were brought, released and filled in. */
public class BroughtDocumentsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String IMPORT = "/api/templates/import?name=";

    /** A document with a line for each text. */
    public static byte[] document(String... lines) throws IOException {
        StringBuilder body = new StringBuilder();
        for (String line : lines) {
            body.append("<w:p><w:r><w:t>").append(line).append("</w:t></w:r></w:p>");
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("word/document.xml"));
            zip.write(
                    "<w:document xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"><w:body>%s</w:body></w:document>"
                            .formatted(body)
                            .getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    @Test
    void aDocumentBecomesATemplateAndIsKeptAsItWasBrought() throws IOException {
        Visitor author = SERVER.author();
        byte[] brought = document("Name: ________", "The rent is ______ crowns a year, to be paid in May.");
        JsonNode made = author.upload(IMPORT + "Mill_lease.docx", brought).ok().json();
        assertThat(made.get("remarks").toString()).contains("2 questions were made");
        String id = made.get("id").stringValue();
        JsonNode draft = author.get("/api/templates/" + id + "/draft").ok().json();
        assertThat(draft.get("title").stringValue()).isEqualTo("Mill lease");
        assertThat(draft.get("nodes").propertyNames()).contains("name", "the_rent_is");
        String original = "/api/templates/" + id + "/original";
        assertThat(author.get(original).ok().response().body()).isEqualTo(brought);
        assertThat(author.get(original + "/about").ok().json().get("name").stringValue())
                .isEqualTo("Mill_lease.docx");
        SERVER.visitor().get(original).problem(401);
        author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\",\"accepted\":\"Tried\"}")
                .ok();
    }

    @Test
    void whatIsBegunIsOnThePaperOfTheOrganisation() throws IOException {
        Visitor author = SERVER.author();
        String before = author.post("/api/templates", "{\"title\":\"Begun before\"}")
                .ok()
                .json()
                .get("id")
                .stringValue();
        String stationery = "{\"letterhead\":\"\",\"footer\":\"\",\"typeface\":\"sans\",\"paper\":\"%s\"}";
        author.put("/api/organisation/stationery", stationery.formatted("letter"))
                .ok();
        try {
            assertThat(author.get("/api/organisation/stationery")
                            .ok()
                            .json()
                            .get("paper")
                            .stringValue())
                    .isEqualTo("letter");
            JsonNode begun = author.post("/api/templates", "{\"title\":\"Begun after\"}")
                    .ok()
                    .json();
            JsonNode brought = author.upload(IMPORT + "lease.docx", document("Name: ________"))
                    .ok()
                    .json();
            assertThat(file(author, begun.get("id").stringValue())).contains("\"paper\" : \"letter\"");
            assertThat(file(author, brought.get("id").stringValue())).contains("\"paper\" : \"letter\"");
            assertThat(file(author, before)).doesNotContain("letter");
            // What says its paper itself stays on it.
            JsonNode again = author.post("/api/templates/import", file(author, before))
                    .ok()
                    .json();
            assertThat(file(author, again.get("id").stringValue())).doesNotContain("letter");
            author.put("/api/organisation/stationery", stationery.formatted("a3"))
                    .problem(400);
        } finally {
            author.put("/api/organisation/stationery", stationery.formatted("a4"))
                    .ok();
        }
    }

    private static String file(Visitor author, String template) {
        return author.get("/api/templates/" + template + "/file").ok().text();
    }

    @Test
    void aTemplateThatWasMadeOfNothingHasNoOriginal() {
        Visitor author = SERVER.author();
        String original = "/api/templates/" + author.template("Drilling agreement") + "/original";
        author.get(original).problem(404);
        assertThat(author.get(original + "/about").ok().json().get("name").stringValue())
                .isEmpty();
    }

    @Test
    void aDocumentThatIsBrokenIsRefusedWithASentenceAndLeavesNothing() throws IOException {
        Visitor author = SERVER.author();
        int before = author.get("/api/templates").ok().json().get("templates").size();
        byte[] wrong = document("<w:broken>");
        assertThat(author.upload(IMPORT + "wrong.docx", wrong)
                        .problem(422)
                        .json()
                        .get("detail")
                        .stringValue())
                .contains("word/document.xml");
        assertThat(author.upload(IMPORT + "cut.docx", Arrays.copyOf(document("Name: ____"), 40))
                        .problem(400)
                        .text())
                .contains("cut off or broken");
        assertThat(author.get("/api/templates").ok().json().get("templates").size())
                .isEqualTo(before);
    }
}
