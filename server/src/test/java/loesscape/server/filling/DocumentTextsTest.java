package loesscape.server.filling;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What whoever fills in is told of texts, and the document that can be read before it is finished. */
class DocumentTextsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String FILE = """
            {"formatVersion":2,"title":"%s","pages":[
             {"key":"questions","title":"Questions","sections":[
              {"key":"asked","title":"Asked","items":[
               {"type":"field","key":"name","label":"Name","kind":{"type":"text"},"medium":"filling"},
               {"type":"field","key":"late","label":"Late?","kind":{"type":"yesNo"}},
               {"type":"notice","key":"hint","text":"Dear {name}[secret_phrase: , hidden words | , other words].",
                "phrases":[{"name":"secret_phrase","when":{"type":"choice","field":"late","test":"is","choices":["yes"]}}]},
               {"type":"notice","key":"more","text":"See {ref:clause_key}."}]}]},
             {"key":"paper_page","title":"Paper page","sections":[
              {"key":"told_section","title":"Told section","medium":"document","items":[
               {"type":"notice","key":"clause_key","text":"**{name}** agrees.","clause":1}]}]}],
             "pageSettings":{"numbering":"shownSections"}}
            """;

    private static String words(Visitor visitor, String paper) throws IOException {
        try (PDDocument document =
                Loader.loadPDF(visitor.get(paper + "/pdf").ok().response().body())) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void ofPhrasesThatDoNotStandThereNothingIsTold() {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(FILE.formatted("Told"));
        Visitor filler = SERVER.visitor();
        String sheet = filler.get(path).ok().text();
        assertThat(sheet)
                .contains("other words", "See ", "2.1")
                .doesNotContain("hidden words", "secret_phrase", "clause_key", "agrees", "told_section", "Paper page");
        assertThat(filler.get(path).ok().json().get("hasOwnText").booleanValue())
                .isTrue();
        String kept =
                filler.put(path + "/answers/late", "{\"typed\":\"yes\"}").ok().text();
        assertThat(kept).contains("hidden words").doesNotContain("other words", "secret_phrase", "clause_key");
    }

    @Test
    void theDocumentCanBeReadBeforeItIsFinished() throws IOException {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(FILE.formatted("Read"));
        Visitor filler = SERVER.visitor();
        String paper = path + "/paper";
        String before = filler.get(paper).ok().json().get("version").stringValue();
        filler.put(path + "/answers/name", "{\"typed\":\"Tessel Aarden\"}").ok();
        assertThat(filler.get(paper).ok().json().get("version").stringValue()).isNotEqualTo(before);
        assertThat(filler.get(paper).ok().json().get("pages").intValue()).isEqualTo(1);
        assertThat(words(filler, paper))
                .contains("2.1", "Tessel Aarden agrees.", "Dear Tessel Aarden, other words.", "See 2.1.")
                .doesNotContain("Name");
        assertThat(filler.get(paper + "/pages/1").ok().response().body()).startsWith(0x89, 'P', 'N', 'G');
        filler.get(paper + "/pages/2").problem(404);
        filler.get(paper + "/pages/0").problem(404);
        // Whoever has the link alone reads nothing of what others typed.
        assertThat(words(SERVER.visitor(), paper)).doesNotContain("Tessel");
        SERVER.visitor().get("/api/fill/nothing-of-the-kind/paper").problem(404);
        filler.post(path + "/finish", null).ok();
        String id = author.template("Read");
        assertThat(author.get("/api/templates/" + id + "/records/1").ok().text())
                .contains("Tessel Aarden");
        assertThat(author.get("/api/templates/" + id + "/records.json")
                        .ok()
                        .json()
                        .at("/0/answers/name")
                        .stringValue())
                .isEqualTo("Tessel Aarden");
    }

    @Test
    void whoSignsReadsTheDocumentAsFarAsItStands() throws IOException {
        Sent sent = Sent.of(SERVER, """
                {"formatVersion":2,"title":"Signed texts","pages":[{"key":"page","sections":[
                 {"key":"asked","title":"Asked","medium":"filling","items":[
                  {"type":"field","key":"price","label":"Price","role":"owner","kind":{"type":"money","currency":"EUR"}}]},
                 {"key":"told","title":"Agreement","items":[
                  {"type":"notice","key":"pays","text":"The owner pays {price}.","clause":1,"medium":"document"},
                  {"type":"field","key":"signature","label":"Signature","role":"owner","kind":{"type":"signature"}}]}]}],
                 "roles":[{"key":"owner","name":"Owner","order":1}]}
                """).send("{}", "owner");
        Sent.Turn turn = sent.turn("owner");
        turn.answer("price", "1250");
        assertThat(words(turn.visitor, turn.path + "/paper")).contains("The owner pays € 1,250.00.");
    }
}
