package loesscape.server.merging;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.sql.DataSource;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Documents of a table of answers: made while nobody waits, stopped, saved together with a report, thrown away. */
class MergeRunsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final Duration PATIENCE = Duration.ofSeconds(60);

    private static final String WELL = """
            {"formatVersion":1,"title":"Well","pages":[{"key":"p","sections":[
             {"key":"s","title":"Well","items":[
              {"type":"field","key":"owner","label":"Owner","kind":{"type":"text"},"required":{"type":"always"}},
              {"type":"field","key":"depth","label":"Depth","kind":{"type":"number","upper":{"at":300,"included":true}}}]}]}]}""";

    private Visitor author = SERVER.author();
    private String merges = "";

    @BeforeEach
    void release() {
        author = SERVER.author();
        String id =
                author.post("/api/templates/import", WELL).ok().json().get("id").stringValue();
        author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .ok();
        merges = "/api/templates/" + id + "/merges";
    }

    private static byte[] csv(String... lines) {
        return String.join("\r\n", lines).getBytes(UTF_8);
    }

    private JsonNode begin(String making, byte[] file) {
        return author.upload(merges + "?release=1&making=" + making + "&name=wells.csv", file)
                .ok()
                .json()
                .at("/runs/0");
    }

    private JsonNode run() {
        return author.get(merges).ok().json().at("/runs/0");
    }

    private JsonNode ended() {
        until(() -> !run().get("ended").isNull());
        return run();
    }

    private static void until(BooleanSupplier happened) {
        long end = System.nanoTime() + PATIENCE.toNanos();
        while (!happened.getAsBoolean()) {
            assertThat(System.nanoTime()).as("it happens in time").isLessThan(end);
            LockSupport.parkNanos(Duration.ofMillis(20).toNanos());
        }
    }

    private Map<String, byte[]> saved(JsonNode run) throws IOException {
        byte[] zip = author.get(merges + "/" + run.get("id").stringValue() + "/documents.zip")
                .ok()
                .response()
                .body();
        Map<String, byte[]> files = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    @Test
    void eachLineBecomesADocumentAndWhatCannotKeepsNoOther() throws IOException {
        JsonNode begun = begin("PDF", csv("Owner,Depth,River", "Ada,12,Loam", ",13,", "Bo,301,", "Cy,9,"));
        assertThat(begun.get("documents").intValue()).isEqualTo(4);
        JsonNode run = ended();
        assertThat(run.get("tried").intValue()).isEqualTo(4);
        assertThat(run.get("made").intValue()).isEqualTo(2);
        assertThat(run.get("remarked").toString())
                .contains("“River” is no question of this document.", "Not answered yet: “Owner”.", "“Depth” (“301”): ")
                .doesNotContain("\"number\":4");
        Map<String, byte[]> files = saved(run);
        assertThat(files).containsOnlyKeys("0001-Ada.pdf", "0004-Cy.pdf", "report.csv");
        try (PDDocument document = Loader.loadPDF(files.get("0001-Ada.pdf"))) {
            assertThat(new PDFTextStripper().getText(document)).contains("Ada", "12");
        }
        assertThat(new String(files.get("report.csv"), UTF_8))
                .contains(
                        "\"1\",\"0001-Ada.pdf\"",
                        "\"2\",\"\",\"Not answered yet: “Owner”.\"",
                        "\"4\",\"0004-Cy.pdf\",\"\"");
    }

    @Test
    void aRunIsStoppedAndWhatWasMadeStaysUntilItIsThrownAway() throws IOException {
        String[] lines = new String[500];
        lines[0] = "Owner,Depth";
        for (int i = 1; i < lines.length; i++) {
            lines[i] = "Owner %d,%d".formatted(i, i % 300);
        }
        JsonNode begun = begin("PDF", csv(lines));
        String path = merges + "/" + begun.get("id").stringValue();
        until(() -> run().get("made").intValue() > 0);
        author.post(path + "/stop", null).ok();
        JsonNode stopped = run();
        int made = stopped.get("made").intValue();
        assertThat(made).isBetween(1, 498);
        // One that was being made then may still be kept.
        assertThat(saved(stopped)).hasSizeBetween(made + 1, made + 2).containsKey("report.csv");
        assertThat(author.send("DELETE", path, null).ok().json().get("runs")).isEmpty();
        author.get(path + "/documents.zip").problem(404);
    }

    @Test
    void aServerThatWasStoppedGoesOnWhereItWas() throws IOException {
        String[] lines = new String[60];
        Arrays.fill(lines, "Ada,12");
        lines[0] = "Owner,Depth";
        begin("DOCX", csv(lines));
        until(() -> run().get("made").intValue() > 0);
        SERVER.restart();
        author = SERVER.author();
        JsonNode run = ended();
        assertThat(run.get("made").intValue()).isEqualTo(59);
        assertThat(saved(run)).hasSize(60);
    }

    @Test
    void aRunThatCannotGoOnIsEndedAndKeepsNoOther() {
        begin("DOCX", csv("Owner", "Ada"));
        String good = ended().get("id").stringValue();
        new JdbcTemplate(SERVER.part("dataSource", DataSource.class)).update("""
                INSERT INTO merge_run (id, template_id, release, making, name, answers, documents, account_id, begun)
                SELECT random_uuid(), template_id, release, making, 'broken', CAST(X'7b' AS BLOB), 3, account_id,
                       DATEADD(DAY, -1, begun)
                FROM merge_run WHERE id = ?
                """, java.util.UUID.fromString(good));
        assertThat(begin("DOCX", csv("Owner", "Bo")).get("ended").isNull()).isTrue();
        assertThat(ended().get("made").intValue()).isEqualTo(1);
        JsonNode oldest = author.get(merges).ok().json().at("/runs/2");
        assertThat(oldest.get("name").stringValue()).isEqualTo("broken");
        assertThat(oldest.get("ended").isNull()).isFalse();
        assertThat(oldest.get("tried").intValue()).isZero();
    }

    @Test
    void twoRunsOfAnAccountGoOnAtATime() {
        String[] many = new String[1_500];
        Arrays.fill(many, "Ada");
        many[0] = "Owner";
        begin("PDF", csv(many));
        begin("PDF", csv(many));
        author.upload(merges + "?release=1&making=PDF", csv("Owner", "Bo")).problem(409);
        for (JsonNode run : author.get(merges).ok().json().get("runs")) {
            author.post(merges + "/" + run.get("id").stringValue() + "/stop", null)
                    .ok();
        }
        begin("DOCX", csv("Owner", "Bo"));
        assertThat(ended().get("made").intValue()).isEqualTo(1);
    }

    @Test
    void everyKindOfDocumentIsMade() throws IOException {
        for (String making : new String[] {"DOCX", "FILLABLE", "FILLABLE_DOCX"}) {
            begin(making, csv("Owner", "Ada"));
            assertThat(saved(ended()).keySet()).anyMatch(name -> name.startsWith("0001-Ada."));
        }
    }

    @Test
    void runsAreOfThoseWhoBeganThem() {
        JsonNode begun = begin("DOCX", csv("Owner", "Ada"));
        String path = merges + "/" + begun.get("id").stringValue();
        author.post("/api/accounts", "{\"name\":\"Other hand\",\"password\":\"long enough words\",\"role\":\"author\"}")
                .ok();
        author.put(merges.replace("/merges", "/access"), "{\"shared\":[{\"name\":\"Other hand\",\"may\":\"write\"}]}")
                .ok();
        Visitor other = SERVER.visitor();
        other.get("/api/session").ok();
        other.post("/api/session", "{\"name\":\"Other hand\",\"password\":\"long enough words\"}")
                .ok();
        assertThat(other.get(merges).ok().json().get("runs")).isEmpty();
        other.get(path + "/documents.zip").problem(404);
        other.post(path + "/stop", null).problem(404);
        other.send("DELETE", path, null).problem(404);
        ended();
    }

    @Test
    void whatCannotBeBegunIsSaidInASentence() {
        author.upload(merges + "?release=1&making=PDF", csv("Owner")).problem(422);
        author.upload(merges + "?release=1&making=PDF", "{\"a\"".getBytes(UTF_8))
                .problem(422);
        author.upload(merges + "?release=9&making=PDF", csv("Owner", "Ada")).problem(404);
        author.upload(merges + "?release=1&making=STONE", csv("Owner", "Ada")).problem(400);
        String[] many = new String[2_002];
        Arrays.fill(many, "Ada");
        author.upload(merges + "?release=1&making=PDF", csv(many)).problem(422);
        assertThat(author.get(merges).ok().json().get("runs")).isEmpty();
    }
}
