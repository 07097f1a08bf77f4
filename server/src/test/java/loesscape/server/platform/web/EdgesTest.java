package loesscape.server.platform.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What is too long, too large or nowhere is refused in a sentence, and breaks nothing. */
class EdgesTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String SIGNED_BY = """
            {"formatVersion":1,"title":"Named","pages":[{"key":"p","sections":[{"key":"s","items":[
             {"type":"field","key":"sign","label":"Sign","role":"a","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"%s","order":1}]}""";

    @Test
    void aRoleHasANameThatADispatchCanTake() {
        Visitor author = SERVER.author();
        author.post("/api/templates/import", SIGNED_BY.formatted("A".repeat(201)))
                .problem(422);
        Sent sent = Sent.of(SERVER, SIGNED_BY.formatted("A".repeat(200))).send("{}", "a");
        sent.turn("a").sign("sign").finished();
    }

    @Test
    void whatNoDeskTakesIsNotBegun() {
        String document = """
                {"formatVersion":1,"title":"Dear","pages":[{"key":"p","sections":[{"key":"s","items":[
                 {"type":"field","key":"fee","label":"Fee","role":"a",
                  "kind":{"type":"payment","currency":"EUR","amount":"10 ** 15"}},
                 {"type":"field","key":"sign","label":"Sign","role":"a","kind":{"type":"signature"}}]}]}],
                 "roles":[{"key":"a","name":"A","order":1}]}""";
        Sent.Turn turn = Sent.of(SERVER, document).send("{}", "a").turn("a");
        Visitor.Answer refused = turn.visitor.post(turn.path + "/payments/fee", null);
        refused.problem(422);
        assertThat(refused.text()).contains("cannot be paid at once");
    }

    @Test
    void webhooksAreOfATemplateAndAtAnAddressThatCanBeKept() {
        Visitor author = SERVER.author();
        String id = author.template("Drilling agreement");
        author.put(
                        "/api/templates/" + id + "/webhook",
                        "{\"address\":\"https://hooks.example/%s\"}".formatted("x".repeat(1_000)))
                .problem(422);
        author.put("/api/templates/" + UUID.randomUUID() + "/webhook", "{\"address\":\"https://hooks.example/\"}")
                .problem(404);
    }

    @Test
    void addressesThatLeadNowhereSayThatTheyDo() {
        Visitor visitor = SERVER.visitor();
        visitor.post("/api/fill/%E2%82%AC/again", null).problem(404);
        visitor.post("/api/fill/nowhere/again", null).problem(404);
        visitor.get("/api/fill/%E2%82%AC").problem(404);
        visitor.get("/error").problem(404);
    }

    @Test
    void aTrialUnderAKeyThatIsNotThereIsRefusedAndTheDraftOpens() {
        Visitor author = SERVER.author();
        String draft = "/api/templates/" + author.template("Drilling agreement") + "/draft";
        for (String key : new String[] {"k".repeat(1_500), "nowhere", "s@" + "r".repeat(200)}) {
            author.put(draft + "/answers", "{\"key\":\"%s\",\"typed\":\"x\"}".formatted(key))
                    .problem(404);
        }
        author.get(draft).ok();
    }

    @Test
    void theDemoIsNobodysToClaim() {
        SERVER.visitor()
                .post("/api/setup", "{\"link\":\"x\",\"name\":\"Eve\",\"password\":\"long enough words\"}")
                .problem(404);
    }
}
