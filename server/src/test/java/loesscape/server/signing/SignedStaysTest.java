package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What somebody signed is in the sealed document and in the record, over HTTP. */
class SignedStaysTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Stays","pages":[{"key":"p","sections":[
             {"key":"main","title":"Main","items":[
              {"type":"field","key":"owner_name","label":"Name of the owner","role":"owner","kind":{"type":"text"}},
              {"type":"field","key":"owner_sign","label":"Owner signs","role":"owner","kind":{"type":"signature"},
               "shown":{"type":"choice","field":"agreed","test":"isNot","choices":["no"]}},
              {"type":"field","key":"agreed","label":"Agreed by the driller?","role":"driller","kind":{"type":"yesNo"}}]},
             {"key":"crew","title":"Crew","rows":{"least":0,"most":5},"items":[
              {"type":"field","key":"crew_name","label":"Name","role":"owner","kind":{"type":"text"}},
              {"type":"field","key":"crew_checked","label":"Checked","role":"driller","kind":{"type":"text"}}]},
             {"key":"drilling","title":"For the driller","shown":{"type":"roleIs","roles":["driller"]},"items":[
              {"type":"notice","key":"clause","text":"I drill as it was agreed."},
              {"type":"field","key":"licence","label":"Licence","role":"driller","kind":{"type":"text"}},
              {"type":"field","key":"driller_sign","label":"Driller signs","role":"driller","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"owner","name":"Owner","order":1},{"key":"driller","name":"Driller","order":2}]}""";

    private static String read(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    private static void refused(Sent.Turn turn, String rows) {
        turn.visitor
                .put(turn.path + "/answers/crew", "{\"typed\":\"%s\"}".formatted(rows))
                .problem(409);
    }

    @Test
    void aDocumentFromWhichSomethingSignedWouldDropOutIsReleasedOnlyWithAReason() {
        Visitor author = SERVER.author();
        String id = author.post("/api/templates/import", DOCUMENT)
                .ok()
                .json()
                .get("id")
                .stringValue();
        String releases = "/api/templates/" + id + "/releases";
        assertThat(author.post(releases, "{\"revision\":0,\"notes\":\"\"}")
                        .problem(422)
                        .text())
                .contains("“Owner signs”", "“Agreed by the driller?”");
        author.post(releases, "{\"revision\":0,\"notes\":\"\",\"accepted\":\"The driller knows\"}")
                .ok();
        assertThat(author.get(releases).ok().json().at("/releases/0/accepted").stringValue())
                .isEqualTo("The driller knows");
    }

    @Test
    void itStaysWhateverTheOtherAnswersAndWhateverItsOwnConditionsSayAtTheEnd() throws IOException {
        Sent sent = Sent.of(SERVER, DOCUMENT).send("{}", "owner", "driller");
        sent.turn("owner")
                .answer("owner_name", "Femke Oosterlaan")
                .sign("owner_sign")
                .answer("crew", "r1,r2")
                .answer("crew_name@r1", "Jorn")
                .answer("crew_name@r2", "Mira")
                .finished();
        Sent.Turn driller = sent.turn("driller");
        refused(driller, "r2");
        refused(driller, "");
        refused(driller, "r2,r1");
        driller.answer("crew", "r1,r2,r3")
                .answer("crew_checked@r1", "seen")
                .answer("licence", "DR-4471")
                .sign("driller_sign")
                .answer("agreed", "no")
                .finished();
        String sealed = read(sent.sealed());
        for (String wanted : List.of(
                "Femke Oosterlaan",
                "Owner signs",
                "Answered before “Agreed by the driller?” was answered.",
                "For the driller",
                "I drill as it was agreed.",
                "DR-4471",
                "Driller signs",
                "Jorn",
                "Mira")) {
            assertThat(sealed).contains(wanted);
        }
        String records = "/api/templates/" + sent.template + "/records";
        int record = sent.page().at("/dispatch/record").intValue();
        assertThat(sent.author.get(records + "/" + record).ok().text())
                .contains("DR-4471", "Owner signs", "Answered before “Agreed by the driller?”");
        assertThat(sent.author.get(records + ".json").ok().text()).contains("DR-4471");
        assertThat(read(sent.author
                        .get(records + "/" + record + "/record.pdf")
                        .ok()
                        .response()
                        .body()))
                .contains("DR-4471", "Driller signs");
    }
}
