package loesscape.server.forms;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Files with answers that come back: looked at, and taken into the records, each once. */
class ReturnedFormsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String WELL = """
            {"formatVersion":1,"title":"Well","pages":[{"key":"p","sections":[
             {"key":"s","title":"Well","items":[
              {"type":"field","key":"owner","label":"Owner","kind":{"type":"text"},"required":{"type":"always"},
               "editable":{"type":"choice","field":"sure","test":"isNot","choices":["yes"],"whenBlank":true}},
              {"type":"field","key":"depth","label":"Depth","kind":{"type":"number","decimals":1,"upper":{"at":300,"included":true}}},
              {"type":"field","key":"sure","label":"Sure?","kind":{"type":"yesNo"}},
              {"type":"field","key":"office","label":"Office","kind":{"type":"text"},"editable":{"type":"never"},
               "value":{"type":"starting","answer":"North"}}]},
             {"key":"rows","title":"Layers","rows":{"most":9},"items":[
              {"type":"field","key":"soil","label":"Soil","kind":{"type":"text"}}]}]}]}""";

    private Visitor author = SERVER.author();
    private String template = "";

    @BeforeEach
    void release() {
        author = SERVER.author();
        template = released(WELL);
    }

    private String released(String document) {
        String id = author.post("/api/templates/import", document)
                .ok()
                .json()
                .get("id")
                .stringValue();
        author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .ok();
        return id;
    }

    private String at(String path) {
        return "/api/templates/" + template + path;
    }

    private JsonNode look(byte[] file) {
        return author.upload(at("/answers"), file).ok().json();
    }

    private JsonNode take(String name, byte[] file) {
        return author.upload(at("/records?name=" + name), file).ok().json();
    }

    private static byte[] csv(String... lines) {
        return String.join("\r\n", lines).getBytes(UTF_8);
    }

    private static List<String> texts(JsonNode list) {
        List<String> texts = new ArrayList<>();
        list.forEach(each -> texts.add(each.stringValue()));
        return texts;
    }

    private int records() {
        return author.get(at("/records")).ok().json().get("total").intValue();
    }

    private byte[] filled(Map<String, String> answers) throws IOException {
        byte[] form = author.get(at("/releases/1/form.pdf")).ok().response().body();
        try (PDDocument document = Loader.loadPDF(form)) {
            PDAcroForm fields = document.getDocumentCatalog().getAcroForm(null);
            for (Map.Entry<String, String> each : answers.entrySet()) {
                fields.getField(each.getKey()).setValue(each.getValue());
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    @Test
    void aFilledFormBecomesARecordOnce() throws IOException {
        byte[] file = filled(Map.of("owner", "Ilse Löwe", "depth", "84.5", "soil@r1", "loess", "soil@r3", "marl"));
        JsonNode seen = look(file);
        assertThat(seen.get("release").intValue()).isEqualTo(1);
        assertThat(seen.at("/forms/0/inTheWay")).isEmpty();
        assertThat(seen.at("/forms/0/notTaken")).isEmpty();
        assertThat(seen.at("/forms/0/record").isNull()).isTrue();
        assertThat(seen.at("/first/owner").stringValue()).isEqualTo("Ilse Löwe");
        assertThat(records()).as("nothing is kept by looking").isZero();

        assertThat(take("well.pdf", file).at("/forms/0/record").intValue()).isEqualTo(1);
        assertThat(take("the-same.pdf", file).at("/forms/0/record").intValue()).isEqualTo(1);
        assertThat(look(file).at("/forms/0/record").intValue()).isEqualTo(1);
        assertThat(records()).isEqualTo(1);

        JsonNode record = author.get(at("/records/1")).ok().json();
        assertThat(record.at("/broughtIn/name").stringValue()).isEqualTo("well.pdf");
        assertThat(record.at("/broughtIn/kept").booleanValue()).isTrue();
        assertThat(record.get("content").toString()).contains("Ilse Löwe", "84.5", "loess", "marl");
        assertThat(author.get(at("/records/1/returned")).ok().response().body()).isEqualTo(file);
        author.get(at("/records/1/record.pdf")).ok();
    }

    @Test
    void ofATableWhatIsWholeIsTakenAndTheOthersAreTold() {
        byte[] table = csv("Owner,Depth,Colour", "Ada,12,red", ",13,", "Bo,301,", "Cy,9,");
        JsonNode taken = take("wells.csv", table);
        List<String> records = new ArrayList<>();
        taken.get("forms").forEach(form -> records.add(form.get("record").asString()));
        assertThat(records).containsExactly("1", "", "", "2");
        assertThat(texts(taken.at("/forms/0/notTaken"))).containsExactly("“Colour” is no question of this document.");
        assertThat(texts(taken.at("/forms/1/inTheWay"))).containsExactly("Not answered yet: “Owner”.");
        assertThat(texts(taken.at("/forms/2/inTheWay")).getFirst()).startsWith("“Depth” (“301”): ");
        // What holds answers of others is not kept beside a record.
        assertThat(author.get(at("/records/2"))
                        .ok()
                        .json()
                        .at("/broughtIn/kept")
                        .booleanValue())
                .isFalse();
        author.get(at("/records/2/returned")).problem(404);

        JsonNode mended = take("wells.csv", csv("Owner,Depth", "Bo,300"));
        assertThat(mended.at("/forms/0/record").intValue()).isEqualTo(3);
    }

    @Test
    void whatIsLockedIsNotTakenButWhereItStandsThereAlready() {
        String form = "<xfdf><fields>%s</fields></xfdf>";
        String field = "<field name=\"%s\"><value>%s</value></field>";
        // Whoever says that they are sure can change nothing above; before that they could.
        String plain = field.formatted("owner", "Ada") + field.formatted("sure", "yes");
        JsonNode same =
                look(form.formatted(plain + field.formatted("office", "North")).getBytes(UTF_8));
        assertThat(same.at("/forms/0/notTaken")).isEmpty();
        assertThat(same.at("/forms/0/inTheWay")).isEmpty();
        JsonNode other =
                look(form.formatted(plain + field.formatted("office", "South")).getBytes(UTF_8));
        assertThat(texts(other.at("/forms/0/notTaken"))).containsExactly("“Office”: This field is locked.");
        assertThat(other.at("/first/office").isMissingNode()).isTrue();
    }

    @Test
    void nobodySignsThroughAFile() {
        template = released(WELL.replace(
                "{\"type\":\"field\",\"key\":\"depth\"",
                "{\"type\":\"field\",\"key\":\"signed\",\"label\":\"Signed\",\"kind\":{\"type\":\"signature\"},"
                        + "\"required\":{\"type\":\"always\"}},{\"type\":\"field\",\"key\":\"depth\""));
        JsonNode seen = take("signed.json", "{\"owner\":\"Ada\",\"signed\":\"Ada\"}".getBytes(UTF_8));
        assertThat(texts(seen.at("/forms/0/notTaken")))
                .containsExactly("“Signed”: Nobody signs through a file; send it to whoever is to sign.");
        assertThat(texts(seen.at("/forms/0/inTheWay")))
                .hasSize(1)
                .first()
                .asString()
                .isEqualTo("Not answered yet: “Signed”.");
        assertThat(seen.at("/forms/0/record").isNull()).isTrue();
    }

    @Test
    void theReleaseIsTheOneThatTheAnswersBelongTo() {
        author.post(
                        at("/draft/edits"),
                        "{\"revision\":0,\"edit\":{\"type\":\"renameKey\",\"key\":\"depth\",\"to\":\"deep\"}}")
                .ok();
        int revision = author.get(at("/draft")).ok().json().get("revision").intValue();
        author.post(
                        at("/draft/edits"),
                        "{\"revision\":%d,\"edit\":{\"type\":\"relabel\",\"key\":\"deep\",\"label\":\"Deep\"}}"
                                .formatted(revision))
                .ok();
        author.post(at("/releases"), "{\"revision\":%d,\"notes\":\"\"}".formatted(revision + 1))
                .ok();
        byte[] older = csv("owner,depth", "Ada,3");
        byte[] newer = csv("owner,deep", "Ada,3");
        assertThat(look(older).get("release").intValue()).isEqualTo(1);
        assertThat(look(newer).get("release").intValue()).isEqualTo(2);
        assertThat(look(csv("owner", "Ada")).get("release").intValue()).isEqualTo(2);
        assertThat(look(newer).get("releases").toString()).isEqualTo("[2,1]");
        JsonNode chosen = author.upload(at("/answers?release=1"), newer).ok().json();
        assertThat(texts(chosen.at("/forms/0/notTaken"))).containsExactly("“deep” is no question of this document.");
        author.upload(at("/answers?release=7"), newer).problem(404);
    }

    @Test
    void whatCannotBeReadIsSaidInASentence() {
        author.upload(at("/answers"), "{\"owner\"".getBytes(UTF_8)).problem(422);
        author.upload(at("/answers"), csv("owner")).problem(422);
        author.upload(at("/answers"), "%PDF-1.7 broken".getBytes(UTF_8)).problem(422);
        assertThat(author.upload(at("/records"), new byte[0])
                        .problem(400)
                        .json()
                        .get("detail")
                        .stringValue())
                .startsWith("What was sent is empty");
        author.upload(at("/records"), csv("owner", "")).problem(422);
        String empty = author.post("/api/templates", "{\"title\":\"Nothing yet\"}")
                .ok()
                .json()
                .get("id")
                .stringValue();
        author.upload("/api/templates/" + empty + "/answers", csv("owner", "Ada"))
                .problem(404);
    }

    @Test
    void theFileGoesWithItsRecord() {
        byte[] file = "{\"owner\":\"Ada\"}".getBytes(UTF_8);
        take("ada.json", file);
        author.post(at("/records/1/delete"), "{\"because\":\"Asked for\"}").ok();
        author.get(at("/records/1/returned")).problem(404);
        assertThat(take("ada.json", file).at("/forms/0/record").intValue()).isEqualTo(2);
    }
}
