package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** A reader is told what they may see: nothing of what is folded, and nothing of what is for another role only. */
class DisclosureTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Told","pages":[{"key":"p","sections":[{"key":"s","title":"Well","items":[
             {"type":"field","key":"well","label":"Is there a well?","role":"a","kind":{"type":"yesNo"}},
             {"type":"field","key":"secretdepth","label":"Secretdepth","help":"Secrethelp","role":"a",
              "kind":{"type":"number"},"shown":{"type":"choice","field":"well","test":"is","choices":["yes"]}},
             {"type":"notice","key":"secretnotice","text":"Secretnotice of {well}",
              "shown":{"type":"choice","field":"well","test":"is","choices":["yes"]}},
             {"type":"notice","key":"secretplace","text":"Secretplace",
              "folding":{"keepsSpace":true},"shown":{"type":"choice","field":"well","test":"is","choices":["yes"]}},
             {"type":"field","key":"soil","label":"Soil","role":"a","kind":{"type":"oneChoice",
              "choices":[{"id":"c1","label":"Loam"},{"id":"c2","label":"Secretclay"}],
              "offer":{"parent":"well","perAnswer":{"yes":["c1","c2"],"no":["c1"]}}}},
             {"type":"notice","key":"secretof_b","text":"Secretforb","shown":{"type":"roleIs","roles":["b"]}},
             {"type":"field","key":"a_sign","label":"A signs","role":"a","kind":{"type":"signature"}}]},
             {"key":"secretsection","title":"Secretsection","shown":{"type":"roleIs","roles":["b"]},"items":[
             {"type":"field","key":"b_sign","label":"Secretsign","role":"b","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1},{"key":"b","name":"B","order":2}]}""";

    @Test
    void aSignerIsToldNothingOfWhatIsFoldedOrForOthers() {
        Sent sent = Sent.of(SERVER, DOCUMENT).send("{}", "a", "b");
        Sent.Turn a = sent.turn("a");
        a.answer("well", "no");
        assertThat(a.text())
                .doesNotContainIgnoringCase("secretnotice", "secretdepth", "secrethelp", "secretforb")
                .doesNotContain("Secretplace", "Secretclay", "Secretsection", "Secretsign", "secretsection")
                .as("what keeps its place says nothing")
                .contains("xxxxxxxxxxx")
                .contains("Loam");

        JsonNode opened = a.visitor
                .put(a.path + "/answers/well", "{\"typed\":\"yes\"}")
                .ok()
                .json();
        assertThat(opened.at("/nodes/secretdepth/label").stringValue()).isEqualTo("Secretdepth");
        assertThat(opened.at("/states/secretplace/text/0/spans/0/text").stringValue())
                .isEqualTo("Secretplace");
        assertThat(opened.at("/states/secretnotice/text/0/spans/0/text").stringValue())
                .isEqualTo("Secretnotice of Yes");
        assertThat(opened.at("/nodes/soil/kind/choices").size()).isEqualTo(2);
        assertThat(opened.at("/held/s").toString()).contains("secretdepth", "secretnotice");
        assertThat(opened.toString()).doesNotContainIgnoringCase("secretforb").doesNotContain("Secretsection");

        JsonNode closed = a.visitor
                .put(a.path + "/answers/well", "{\"typed\":\"no\"}")
                .ok()
                .json();
        assertThat(closed.at("/states/secretdepth/shown").booleanValue()).isFalse();
        assertThat(closed.at("/held/s").toString()).doesNotContain("secretdepth");
        assertThat(closed.get("nodes").propertyNames()).doesNotContain("secretdepth", "secretnotice");
    }

    /** What is told after each answer, laid over what was told first, is what somebody is told who opens it then. */
    @Test
    void whatIsToldBitByBitIsWhatIsToldAtOnce() {
        Visitor author = SERVER.author();
        String id = author.template("Borehole and well permit");
        String path = "/api"
                + author.post("/api/templates/" + id + "/releases/1/links", null)
                        .ok()
                        .json()
                        .get("path")
                        .stringValue();
        Visitor filler = SERVER.visitor();
        tools.jackson.databind.node.ObjectNode told =
                (tools.jackson.databind.node.ObjectNode) filler.get(path).ok().json();
        int appeared = 0;
        for (String[] answer : List.of(
                new String[] {"purpose", "irrigation"},
                new String[] {"planned_depth", "130"},
                new String[] {"night_watering", "yes"},
                new String[] {"purpose", "livestock"},
                new String[] {"animals", "other"},
                new String[] {"planned_depth", "12"},
                new String[] {"applicant_type", "tenant"},
                new String[] {"purpose", "household"},
                new String[] {"household_exempt", "yes"},
                new String[] {"purpose", ""},
                new String[] {"planned_depth", "95"})) {
            Visitor.Answer kept = filler.put(path + "/answers/" + answer[0], "{\"typed\":\"%s\"}".formatted(answer[1]))
                    .ok();
            appeared += kept.json().get("nodes").size();
            for (String part : List.of("held", "nodes", "states")) {
                ((tools.jackson.databind.node.ObjectNode) told.get(part))
                        .setAll((tools.jackson.databind.node.ObjectNode)
                                kept.json().get(part));
            }
            JsonNode whole = filler.get(path).ok().json();
            for (String key : whole.get("nodes").propertyNames()) {
                assertThat(told.get("nodes").get(key))
                        .as(key)
                        .isEqualTo(whole.get("nodes").get(key));
            }
            for (String address : whole.get("states").propertyNames()) {
                assertThat(told.get("states").get(address))
                        .as(address)
                        .isEqualTo(whole.get("states").get(address));
            }
            for (String holder : whole.get("held").propertyNames()) {
                assertThat(told.get("held").get(holder))
                        .as(holder)
                        .isEqualTo(whole.get("held").get(holder));
            }
        }
        assertThat(appeared).as("what was told on the way").isGreaterThan(10);
    }
}
