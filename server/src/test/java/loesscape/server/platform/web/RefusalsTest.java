package loesscape.server.platform.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Why something was refused is told by the type of the problem: a locked field is not one that somebody else changed. */
class RefusalsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Refused","pages":[{"key":"p","sections":[{"key":"s","items":[
             {"type":"field","key":"well","label":"Well?","kind":{"type":"yesNo"}},
             {"type":"field","key":"note","label":"Note","kind":{"type":"text"},
              "editable":{"type":"choice","field":"well","test":"is","choices":["yes"]}},
             {"type":"field","key":"day","label":"Signed on","kind":{"type":"dateSigned"}},
             {"type":"field","key":"sign","label":"Signature","kind":{"type":"signature"}},
             {"type":"field","key":"map","label":"Map","kind":{"type":"attachment","most":1,"largest":1}}]}]}]}""";

    private static void refused(Visitor.Answer answer, int status, String type, String title) {
        JsonNode problem = answer.problem(status).json();
        assertThat(problem.get("type").stringValue()).isEqualTo("/problems/" + type);
        assertThat(problem.get("title").stringValue()).isEqualTo(title);
    }

    @Test
    void eachCauseHasItsTypeAndStatus() {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(DOCUMENT);
        Visitor filler = SERVER.visitor();
        filler.put(path + "/answers/well", "{\"typed\":\"no\"}").ok();
        record Case(String key, String typed, int status, String type, String title) {}
        for (Case it : List.of(
                new Case("note", "x", 409, "locked", "Locked"),
                new Case("day", "2026-01-01", 409, "locked", "Locked"),
                new Case("sign", "x".repeat(300), 422, "not-valid", "Not done"),
                new Case("sign", "data:image/png;base64,AAAA", 422, "not-valid", "Not done"),
                new Case("well", "x".repeat(200_001), 422, "not-valid", "Not done"),
                new Case("map", "abc 5 map.pdf", 422, "not-valid", "Not done"))) {
            refused(
                    filler.put(path + "/answers/" + it.key(), "{\"typed\":\"%s\"}".formatted(it.typed())),
                    it.status(),
                    it.type(),
                    it.title());
        }
        refused(filler.upload(path + "/files?name=a.pdf", new byte[0]), 422, "not-valid", "Not done");
        filler.post(path + "/finish", null).ok();
        refused(filler.put(path + "/answers/well", "{\"typed\":\"yes\"}"), 409, "not-now", "Not now");
        String id = author.template("Refused");
        String edit = "{\"revision\":0,\"edit\":{\"type\":\"retitle\",\"title\":\"%s\",\"subtitle\":\"\"}}";
        author.post("/api/templates/" + id + "/draft/edits", edit.formatted("Once"))
                .ok();
        refused(
                author.post("/api/templates/" + id + "/draft/edits", edit.formatted("Twice")),
                409,
                "changed",
                "Changed in the meantime");
        refused(
                author.post(
                        "/api/templates/" + id + "/draft/edits",
                        edit.formatted("").replace(":0", ":1")),
                422,
                "not-valid",
                "Not done");
    }
}
