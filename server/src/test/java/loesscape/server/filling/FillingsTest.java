package loesscape.server.filling;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The filler's side of the server. */
class FillingsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static String file(String title) {
        return """
                {"formatVersion":1,"title":"%s","pages":[{"key":"p","sections":[{"key":"s","items":[
                 {"type":"field","key":"well","label":"Well?","kind":{"type":"yesNo"},"required":{"type":"always"}},
                 {"type":"field","key":"depth","label":"Depth","kind":{"type":"number","decimals":1,"unit":"m"},
                  "shown":{"type":"choice","field":"well","test":"is","choices":["yes"]},"required":{"type":"always"}},
                 {"type":"field","key":"note","label":"Note","kind":{"type":"text"},
                  "editable":{"type":"choice","field":"well","test":"is","choices":["yes"]}}]}]}]}
                """.formatted(title);
    }

    private static Visitor.Answer answer(Visitor filler, String path, String key, String typed) {
        return filler.put(path + "/answers/" + key, "{\"typed\":\"%s\"}".formatted(typed));
    }

    @Test
    void whatIsFoldedIsNeitherAskedNorCheckedNorKeptInTheRecord() throws IOException {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(file("Folded"));
        Visitor filler = SERVER.visitor();
        answer(filler, path, "well", "yes").ok();
        answer(filler, path, "depth", "as deep as can be").ok();
        JsonNode refused = filler.post(path + "/finish", null).ok().json();
        assertThat(refused.get("record").isNull()).isTrue();
        assertThat(refused.at("/obstacles/0/key").stringValue()).isEqualTo("depth");
        JsonNode folded = answer(filler, path, "well", "no").ok().json();
        assertThat(folded.get("obstacles").size()).isZero();
        answer(filler, path, "note", "locked").problem(409);
        assertThat(filler.post(path + "/finish", null).ok().json().get("record").intValue())
                .isEqualTo(1);
        String id = author.template("Folded");
        assertThat(author.get("/api/templates/" + id + "/records.json")
                        .ok()
                        .json()
                        .at("/0/answers")
                        .toString())
                .isEqualTo("{\"well\":false,\"note\":null}");
        try (PDDocument pdf =
                Loader.loadPDF(filler.get(path + "/record.pdf").ok().response().body())) {
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("Well?", "No")
                    .doesNotContain("Depth", "as deep");
        }
    }

    @Test
    void answersAreFoundAgainAndComeBackWithTheirField() {
        String path = "/api" + SERVER.author().released(file("Kept"));
        Visitor filler = SERVER.visitor();
        answer(filler, path, "well", "yes").ok();
        answer(filler, path, "depth", "12.50").ok();
        answer(filler, path, "well", "no").ok();
        assertThat(filler.get(path).ok().json().at("/answers/depth").stringValue())
                .isEqualTo("12.50");
        assertThat(answer(filler, path, "well", "yes")
                        .ok()
                        .json()
                        .at("/states/depth/value/number")
                        .stringValue())
                .isEqualTo("12.5");
        answer(filler, path, "nothing", "x").problem(404);
    }

    private static String rows(String title) {
        return """
                {"formatVersion":1,"title":"%s","pages":[{"key":"p","sections":[
                 {"key":"holes","title":"Hole","rows":{"least":1,"most":3},"items":[
                  {"type":"field","key":"depth","label":"Depth","kind":{"type":"number"},"required":{"type":"always"}}]},
                 {"key":"end","items":[
                  {"type":"field","key":"total","label":"Total","kind":{"type":"number"},
                   "value":{"type":"workedOut","formula":"sum(holes.depth[item != null])"}},
                  {"type":"field","key":"map","label":"Map","kind":{"type":"attachment","most":1,"largest":1}},
                  {"type":"field","key":"paid","label":"Fee","kind":{"type":"payment","currency":"EUR","amount":"10"},
                   "shown":{"type":"comparison","field":"total","test":"more","to":{"type":"number","number":99}}}]}]}]}
                """.formatted(title);
    }

    @Test
    void rowsAreAddedTakenAwayAndKeptInTheRecord() {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(rows("Rows"));
        Visitor filler = SERVER.visitor();
        assertThat(filler.get(path).ok().json().at("/states/holes/rows/0").stringValue())
                .isEqualTo("r1");
        answer(filler, path, "depth@r1", "5").ok();
        JsonNode added = answer(filler, path, "holes", "r1,r2").ok().json();
        assertThat(added.at("/states").has("depth@r2")).isTrue();
        assertThat(answer(filler, path, "depth@r2", "7")
                        .ok()
                        .json()
                        .at("/states/total/value/number")
                        .stringValue())
                .isEqualTo("12");
        answer(filler, path, "depth@r9", "7").problem(404);
        JsonNode fewer = answer(filler, path, "holes", "r2").ok().json();
        assertThat(fewer.at("/states/total/value/number").stringValue()).isEqualTo("7");
        answer(filler, path, "holes", "r2,r1").ok();
        answer(filler, path, "total", "99").problem(409);
        assertThat(filler.post(path + "/finish", null).ok().json().get("record").intValue())
                .isEqualTo(1);
        String id = author.template("Rows");
        assertThat(author.get("/api/templates/" + id + "/records.json")
                        .ok()
                        .json()
                        .at("/0/answers")
                        .toString())
                .isEqualTo("{\"holes\":[{\"depth\":7},{\"depth\":5}],\"total\":12,\"map\":null}");
    }

    @Test
    void filesBelongToWhomHandedThemInAndWhatTheServerGivesCannotBeTyped() {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(rows("Files"));
        Visitor filler = SERVER.visitor();
        answer(filler, path, "depth@r1", "5").ok();
        String id = filler.upload(path + "/files?name=a%20map.pdf", "%PDF-1.7 …".getBytes(StandardCharsets.UTF_8))
                .ok()
                .json()
                .get("id")
                .stringValue();
        answer(filler, path, "map", id + " 5 a map.pdf").problem(422);
        answer(filler, path, "map", id + " 12 a map.pdf").ok();
        answer(filler, path, "paid", "10 forged").problem(409);
        assertThat(filler.get(path + "/files/" + id).ok().response().headers().firstValue("Content-Disposition"))
                .hasValueSatisfying(value -> assertThat(value).startsWith("attachment"));
        Visitor other = SERVER.visitor();
        answer(other, path, "depth@r1", "5").ok();
        other.get(path + "/files/" + id).problem(404);
        answer(other, path, "map", id + " 12 a map.pdf").problem(422);
        filler.upload(path + "/files?name=well.png", "no picture".getBytes(StandardCharsets.UTF_8))
                .problem(422);
        assertThat(filler.post(path + "/finish", null).ok().json().get("record").intValue())
                .isEqualTo(1);
        String template = "/api/templates/" + author.template("Files");
        assertThat(author.get(template + "/records/1/files/" + id).ok().text()).startsWith("%PDF");
        filler.get(template + "/records/1/files/" + id).problem(401);
        filler.upload(path + "/files?name=late.pdf", new byte[] {1}).problem(409);
    }

    @Test
    void aDocumentIsFinishedOnceHoweverOftenItIsAsked() throws Exception {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(file("Once"));
        Visitor filler = SERVER.visitor();
        answer(filler, path, "well", "no").ok();
        Callable<Integer> finish = () ->
                filler.post(path + "/finish", null).ok().json().get("record").intValue();
        try (var both = Executors.newFixedThreadPool(4)) {
            for (var result : both.invokeAll(List.of(finish, finish, finish, finish))) {
                assertThat(result.get()).isEqualTo(1);
            }
        }
        String id = author.template("Once");
        assertThat(author.get("/api/templates/" + id + "/records")
                        .ok()
                        .json()
                        .get("total")
                        .intValue())
                .isEqualTo(1);
        answer(filler, path, "well", "yes").problem(409);
        filler.post(path + "/again", null).ok();
        answer(filler, path, "well", "no").ok();
        assertThat(filler.post(path + "/finish", null).ok().json().get("record").intValue())
                .isEqualTo(2);
    }

    @Test
    void theLinkServesTheReleaseWhileEditingGoesOn() {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(file("Frozen"));
        String id = author.template("Frozen");
        author.post(
                        "/api/templates/" + id + "/draft/edits",
                        "{\"revision\":0,\"edit\":{\"type\":\"delete\",\"keys\":[\"note\"],\"dropFollowers\":false}}")
                .ok();
        assertThat(SERVER.visitor().get(path).ok().text()).contains("\"note\"");
        author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .problem(409);
        author.post("/api/templates/" + id + "/releases", "{\"revision\":1,\"notes\":\"no note\"}")
                .ok();
        assertThat(SERVER.visitor().get(path).ok().text()).contains("\"note\"");
    }

    @Test
    void recordsAreSortedFilteredAndExported() {
        Visitor author = SERVER.author();
        String records = "/api/templates/" + author.template("Borehole and well permit") + "/records";
        JsonNode table = author.get(records).ok().json();
        int total = table.get("total").intValue();
        assertThat(total).isGreaterThan(2);
        JsonNode sorted = author.get(records + "?sort=planned_depth&descending=false")
                .ok()
                .json()
                .get("rows");
        double last = Double.NEGATIVE_INFINITY;
        for (JsonNode row : sorted) {
            JsonNode cell = row.at("/cells/planned_depth");
            if (!cell.isMissingNode()) {
                double depth = Double.parseDouble(cell.stringValue().replace(" m", ""));
                assertThat(depth).isGreaterThanOrEqualTo(last);
                last = depth;
            }
        }
        assertThat(author.get(records + "?filter=no-such-text-anywhere")
                        .ok()
                        .json()
                        .get("rows")
                        .size())
                .isZero();
        assertThat(author.get(records + ".csv").ok().text().lines().count()).isGreaterThan(total);
        author.get(records + "/999").problem(404);
    }
}
