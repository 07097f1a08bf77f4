package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import javax.imageio.ImageIO;
import javax.sql.DataSource;
import loesscape.formats.evidence.Trail;
import loesscape.formats.evidence.TrailEntry;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** What is kept is what the trail says, or it is told and not sealed; and what cannot be sealed holds up nothing else. */
class EvidenceTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Evident","pages":[{"key":"p","sections":[{"key":"s","items":[
              {"type":"field","key":"note","label":"Note","role":"a","kind":{"type":"text"}},
              {"type":"field","key":"sign","label":"A signs","role":"a","kind":{"type":"signature"}},
              {"type":"field","key":"b_sign","label":"B signs","role":"b","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1},{"key":"b","name":"B","order":2}]}""";

    private static JdbcTemplate database() {
        return new JdbcTemplate(SERVER.part("dataSource", DataSource.class));
    }

    private static Sent sent() {
        Sent sent = Sent.of(SERVER, DOCUMENT).send("{}", "a", "b");
        sent.turn("a").answer("note", "a dry hill").sign("sign").finished();
        return sent;
    }

    private static String broken(Sent sent) {
        return sent.page().get("broken").stringValue();
    }

    @Test
    void allDispatchesOfTheDemoHoldTogether() {
        Visitor author = SERVER.author();
        JsonNode dispatches = author.get("/api/dispatches").ok().json().get("dispatches");
        assertThat(dispatches).hasSizeGreaterThan(4);
        for (JsonNode row : dispatches) {
            assertThat(author.get("/api/dispatches/" + row.get("id").stringValue())
                            .ok()
                            .json()
                            .get("broken")
                            .stringValue())
                    .isEmpty();
        }
    }

    @Test
    void whateverIsChangedInTheDatabaseIsToldOnThePageOfTheDispatch() {
        for (String change : List.of(
                "UPDATE trail SET text = REPLACE(text, 'Person a', 'Person x') WHERE dispatch_id = ? AND number = 1",
                "UPDATE trail SET text = '{' WHERE dispatch_id = ? AND number = 3",
                "DELETE FROM trail WHERE dispatch_id = ? AND number = 2",
                "UPDATE party SET name = 'Somebody else' WHERE dispatch_id = ? AND role = 'b'",
                "UPDATE dispatch SET status = 'WITHDRAWN' WHERE id = ?",
                "UPDATE turn_snapshot SET content = REPLACE(content, 'dry', 'wet') WHERE dispatch_id = ?",
                "DELETE FROM turn_snapshot WHERE dispatch_id = ?")) {
            Sent sent = sent();
            assertThat(broken(sent)).isEmpty();
            database().update(change, UUID.fromString(sent.id));
            assertThat(broken(sent)).as(change).isNotEmpty();
        }
    }

    @Test
    void whatItsTrailDoesNotBearOutIsNotSealed() {
        Sent sent = sent();
        Sent other = sent();
        database()
                .update(
                        "UPDATE turn_snapshot SET content = REPLACE(content, 'dry', 'wet') WHERE dispatch_id = ?",
                        UUID.fromString(sent.id));
        sent.turn("b").sign("b_sign").finished();
        other.turn("b").sign("b_sign").finished();
        assertThat(other.sealed()).as("nobody else waits").isNotEmpty();
        for (int i = 0; i < 100 && sent.page().get("notSealed").stringValue().isEmpty(); i++) {
            Sent.pause();
        }
        assertThat(sent.page().get("notSealed").stringValue()).contains("What was given in the turn that entry");
        assertThat(sent.standing()).isEqualTo("sealing");
        database()
                .update(
                        "UPDATE turn_snapshot SET content = REPLACE(content, 'wet', 'dry') WHERE dispatch_id = ?",
                        UUID.fromString(sent.id));
        sent.author.post("/api/dispatches/" + sent.id + "/seal", null).ok();
        assertThat(sent.sealed()).isNotEmpty();
        sent.author.post("/api/dispatches/" + sent.id + "/seal", null).problem(409);
    }

    @Test
    void aFileThatWasHandedInIsNamedByItsHashAndMissedWhenItChanges() {
        Sent sent = Sent.of(
                        SERVER,
                        DOCUMENT.replace(
                                "\"label\":\"Note\",\"role\":\"a\",\"kind\":{\"type\":\"text\"}",
                                "\"label\":\"Map\",\"role\":\"a\",\"kind\":{\"type\":\"attachment\",\"most\":1,\"largest\":1}"))
                .send("{}", "a", "b");
        Sent.Turn a = sent.turn("a");
        byte[] map = "%PDF-1.7".getBytes(StandardCharsets.US_ASCII);
        String file = a.visitor
                .upload(a.path + "/files?name=map.pdf", map)
                .ok()
                .json()
                .get("id")
                .stringValue();
        a.answer("note", file + " 8 map.pdf").sign("sign").finished();
        assertThat(database()
                        .queryForObject(
                                "SELECT content FROM turn_snapshot WHERE dispatch_id = ?",
                                String.class,
                                UUID.fromString(sent.id)))
                .contains("\"files\":{\"%s\":\"%s\"}".formatted(file, Trail.digest(map)));
        assertThat(file).as("the answer says what was handed in").endsWith("." + Trail.digest(map));
        assertThat(broken(sent)).isEmpty();
        database().update("UPDATE handed_in SET content = X'00' WHERE id = ?", file);
        assertThat(broken(sent)).contains("A file that was handed in", file);
    }

    private static Sent whole() {
        Sent sent = sent();
        sent.turn("b").sign("b_sign").finished();
        sent.sealed();
        assertThat(broken(sent)).isEmpty();
        assertThat(recordBroken(sent)).isEmpty();
        return sent;
    }

    private static String recordBroken(Sent sent) {
        return sent.author
                .get("/api/templates/" + sent.template + "/records/1")
                .ok()
                .json()
                .get("broken")
                .stringValue();
    }

    @Test
    void aRecordIsComparedWithWhatWasSealedEachTimeItIsLookedAt() {
        for (String change : List.of(
                "UPDATE dispatch SET sealed = X'00' WHERE id = ?",
                "UPDATE dispatch SET sealed = NULL WHERE id = ?",
                "UPDATE record SET answers = REPLACE(answers, 'dry', 'wet') WHERE (template_id, number) IN (SELECT template_id, record FROM dispatch WHERE id = ?)")) {
            Sent sent = whole();
            database().update(change, UUID.fromString(sent.id));
            assertThat(broken(sent)).as(change).isNotEmpty();
            assertThat(recordBroken(sent)).as(change).isEqualTo(broken(sent));
        }
    }

    @Test
    void aTrailMadeAnewIsNotTheOneInTheSealedDocument() {
        Sent sent = whole();
        UUID id = UUID.fromString(sent.id);
        Trail trail = SERVER.part("dispatchStore", DispatchStore.class).trail(id);
        Trail anew = Trail.EMPTY;
        for (TrailEntry entry : trail.entries()) {
            String who = entry.who().replace("Person a", "Person x");
            anew = anew.with(entry.at(), who, entry.from(), Objects.requireNonNull(entry.event()));
        }
        assertThat(anew.firstBroken()).isZero();
        anew.entries()
                .forEach(entry -> database()
                        .update(
                                "UPDATE trail SET text = ?, hash = ? WHERE dispatch_id = ? AND number = ?",
                                entry.text(),
                                entry.hash(),
                                id,
                                entry.number()));
        assertThat(broken(sent)).isEqualTo("The trail in the sealed document is not the one that is kept.");
        assertThat(recordBroken(sent)).isEqualTo(broken(sent));
    }

    @Test
    void whatAnAuthorTriesADocumentWithGoesToNobody() throws IOException {
        Sent sent = Sent.of(
                        SERVER,
                        DOCUMENT.replaceFirst(
                                "\\}$",
                                ",\"trials\":[{\"name\":\"Mine\",\"answers\":{\"note\":\"for the author alone\"}}]}"))
                .send("{}", "a", "b");
        assertThat(sent.author
                        .get("/api/templates/" + sent.template + "/draft")
                        .ok()
                        .text())
                .contains("Mine");
        sent.turn("a").answer("note", "a dry hill").sign("sign").finished();
        sent.turn("b").sign("b_sign").finished();
        try (PDDocument pdf = Loader.loadPDF(sent.sealed())) {
            var inside = pdf.getDocumentCatalog().getNames().getEmbeddedFiles().getNames();
            assertThat(Objects.requireNonNull(inside.get("template.loess.json"))
                            .getEmbeddedFile()
                            .toByteArray())
                    .asString(StandardCharsets.UTF_8)
                    .contains("A signs")
                    .doesNotContain("Mine", "for the author alone");
        }
    }

    @Test
    void filesThatWereHandedInAreInsideTheDocumentOrListedInIt() throws IOException {
        String document = DOCUMENT.replace(
                "\"label\":\"Note\",\"role\":\"a\",\"kind\":{\"type\":\"text\"}",
                "\"label\":\"Map\",\"role\":\"a\",\"kind\":{\"type\":\"attachment\",\"most\":1,\"largest\":1}");
        String digest = Trail.digest("a map".getBytes(StandardCharsets.UTF_8));
        for (boolean isInside : List.of(true, false)) {
            Sent made = Sent.of(SERVER, document);
            Sent sent = isInside ? made.sendWithFilesInside("a", "b") : made.send("{}", "a", "b");
            Sent.Turn a = sent.turn("a");
            a.handIn("not used.txt", "taken back");
            a.answer("note", a.handIn("map.txt", "a map")).sign("sign").finished();
            sent.turn("b").sign("b_sign").finished();
            try (PDDocument pdf = Loader.loadPDF(sent.sealed())) {
                assertThat(new PDFTextStripper().getText(pdf))
                        .contains("Files that were handed in", "SHA-256 " + digest)
                        .doesNotContain("not used.txt");
                var inside =
                        pdf.getDocumentCatalog().getNames().getEmbeddedFiles().getNames();
                assertThat(inside.containsKey("file-1-map.txt")).isEqualTo(isInside);
                if (isInside) {
                    assertThat(Objects.requireNonNull(inside.get("file-1-map.txt"))
                                    .getEmbeddedFile()
                                    .toByteArray())
                            .asString()
                            .isEqualTo("a map");
                }
            }
            assertThat(broken(sent)).isEmpty();
        }
    }

    @Test
    void whoSignedHoldsTheHashOfTheTrail() {
        Sent sent = sent();
        JsonNode receipt = sent.mail(sent.address("a"), "has this hash");
        JsonNode trail = sent.page().get("trail");
        String hash = "";
        for (JsonNode line : trail) {
            if (line.get("words").stringValue().startsWith("Finished the turn of A")) {
                hash = line.get("hash").stringValue();
            }
        }
        assertThat(hash).hasSize(64);
        assertThat(receipt.get("body").stringValue()).contains("the turn of A in", hash);
        sent.turn("b").sign("b_sign").finished();
        assertThat(sent.mail(sent.address("a"), "the turn of B in").get("body").stringValue())
                .contains("has this hash");
    }

    private static String picture(byte[] content) {
        return "data:image/png;base64," + Base64.getEncoder().encodeToString(content);
    }

    private static byte[] png() throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(60, 20, BufferedImage.TYPE_INT_ARGB), "png", png);
        return png.toByteArray();
    }

    @Test
    void aPictureWithASoundHeadAndRubbishBehindItIsNoSignature() throws Exception {
        Sent sent = Sent.of(SERVER, DOCUMENT).send("{}", "a", "b");
        Sent.Turn a = sent.turn("a");
        byte[] rubbish = Arrays.copyOf(png(), 400);
        Arrays.fill(rubbish, 40, 400, (byte) 7);
        a.visitor
                .put(a.path + "/answers/sign", "{\"typed\":\"%s\"}".formatted(picture(rubbish)))
                .problem(422);
        byte[] more = Arrays.copyOf(png(), 600);
        a.answer("sign", picture(more));
        String kept =
                a.visitor.get(a.path).ok().json().at("/sheet/answers/sign").stringValue();
        assertThat(kept).startsWith("data:image/png;base64,").isNotEqualTo(picture(more));
    }

    @Test
    void oneThatCannotBeMadeIsToldAndTriedAgainWhileOthersAreSealed() {
        Sent poisoned = sent();
        poisoned.turn("b").sign("b_sign");
        database()
                .update(
                        "UPDATE answer SET typed = 'data:image/png;base64,iVBORw0KGgo=' WHERE item = 'b_sign' AND filling_id = (SELECT filling_id FROM dispatch WHERE id = ?)",
                        UUID.fromString(poisoned.id));
        poisoned.turn("b").finished();
        Sent other = sent();
        other.turn("b").sign("b_sign").finished();
        assertThat(other.sealed()).isNotEmpty();
        for (int i = 0;
                i < 100 && poisoned.page().get("notSealed").stringValue().isEmpty();
                i++) {
            Sent.pause();
        }
        assertThat(poisoned.page().get("notSealed").stringValue()).contains("could not be made");
    }
}
