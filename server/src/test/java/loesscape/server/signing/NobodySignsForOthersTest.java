package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** A signature is made by the person whose turn it is, and by nobody before, after or beside them. */
class NobodySignsForOthersTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final RunningServer OWN = RunningServer.empty();

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Signed by oneself","pages":[{"key":"p","sections":[{"key":"s","items":[
              {"type":"field","key":"name","label":"Name","role":"a","kind":{"type":"text"}},
              {"type":"field","key":"sign","label":"A signs","role":"a","kind":{"type":"signature"}},
              {"type":"field","key":"initials","label":"Initials of A","role":"a","kind":{"type":"initials"}},
              {"type":"field","key":"day","label":"Signed on","role":"a","kind":{"type":"dateSigned"}},
              {"type":"field","key":"fee","label":"Fee","role":"a","kind":{"type":"payment","currency":"EUR","amount":"10"}},
              {"type":"field","key":"b_sign","label":"B signs","role":"b","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1},{"key":"b","name":"B","order":2}]}""";

    private static String wanted(Sent sent, String answers, String name, String address) {
        return "{\"people\":[{\"role\":\"a\",\"name\":\"%s\",\"address\":\"%s\"},{\"role\":\"b\",\"name\":\"B\",\"address\":\"%s\"}],\"answers\":%s,\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":true}"
                .formatted(name, address, sent.address("b"), answers);
    }

    @Test
    void whatIsGivenBeforehandHoldsNoSignatureAndNoPayment() {
        Sent sent = Sent.of(SERVER, DOCUMENT);
        for (String field : List.of("sign", "initials", "day", "fee", "b_sign")) {
            assertThat(sent.author
                            .post(
                                    sent.release(),
                                    wanted(sent, "{\"%s\":\"M1 1L2 2\"}".formatted(field), "A", sent.address("a")))
                            .problem(422)
                            .text())
                    .contains("(%s) cannot be given beforehand".formatted(field));
        }
        String table =
                "{\"table\":\"a.name,a.address,b.name,b.address,sign\\nA,a@x.example,B,b@x.example,Femke\",\"send\":true,\"common\":{\"people\":[],\"answers\":{},\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":true}}";
        assertThat(sent.author.post(sent.release() + "/table", table).ok().text())
                .contains("\"accepted\":0", "(sign) cannot be given beforehand");
    }

    @Test
    void namesAreOneLineThatSaysWhatItSeemsToSay() {
        Sent sent = Sent.of(SERVER, DOCUMENT);
        for (String name :
                List.of("Femke\\nIlse", "Femke\\u202eesreveR", "\\u2066x", "Femke\\u0000", "x".repeat(201), " ")) {
            sent.author
                    .post(sent.release(), wanted(sent, "{}", name, sent.address("a")))
                    .problem(422);
        }
        for (String address : List.of("nowhere", "a b@x.example", "a@x..example", "a@x.example\\nBcc: b@x.example")) {
            sent.author.post(sent.release(), wanted(sent, "{}", "A", address)).problem(422);
        }
        sent.author
                .post(sent.release(), wanted(sent, "{}", "Fémke ’t Oosterláan", sent.address("a")))
                .ok();
        sent.author
                .post(
                        "/api/accounts",
                        "{\"name\":\"Two\\nlines\",\"password\":\"long enough words\",\"role\":\"author\"}")
                .problem(422);
    }

    @Test
    void everySignatureMadeOrTakenBackIsAnEvent() {
        Sent sent = Sent.of(SERVER, DOCUMENT).send("{}", "a", "b");
        Sent.Turn a = sent.turn("a");
        a.sign("sign").sign("sign").answer("sign", "").answer("sign", "Femke").answer("name", "Femke");
        assertThat(sent.trail().split("Signed “A signs” as A")).hasSize(3);
        assertThat(sent.trail()).contains("The signature “A signs” of A was taken back.");
    }

    @Test
    void whoHandsTheTurnOnTakesTheirSignaturesAlong() {
        Sent sent = Sent.of(SERVER, DOCUMENT).send("{}", "a", "b");
        Sent.Turn a = sent.turn("a").answer("name", "Femke").sign("sign").sign("initials");
        String other = "cousin" + sent.address("a");
        a.visitor
                .post(
                        a.path + "/delegate",
                        "{\"name\":\"Cousin\",\"address\":\"%s\",\"because\":\"On leave\"}".formatted(other))
                .ok();
        String path = "/api" + sent.mail(other).get("path").stringValue();
        Visitor cousin = SERVER.visitor();
        JsonNode answers = cousin.get(path).ok().json().at("/sheet/answers");
        assertThat(answers.get("name").stringValue()).isEqualTo("Femke");
        assertThat(answers.get("sign").stringValue()).isEmpty();
        assertThat(answers.get("initials").stringValue()).isEmpty();
        assertThat(sent.trail())
                .contains("The signature “A signs” of A was taken back, because the turn passed to somebody else.")
                .contains("The signature “Initials of A” of A was taken back");
    }

    @Test
    void theDeskIsNotToldTheSecretOfWhoPays() {
        Sent sent = Sent.of(SERVER, DOCUMENT).send("{}", "a", "b");
        Sent.Turn a = sent.turn("a");
        String desk = a.visitor
                .post(a.path + "/payments/fee", null)
                .ok()
                .json()
                .get("path")
                .stringValue();
        assertThat(SERVER.visitor().get("/api" + desk).ok().text())
                .doesNotContain("back", "/sign/", a.path.substring("/api/sign/".length()));
    }

    @Test
    void outsideTheDemoNobodySeesTheLinksOfOthers() {
        Visitor author = OWN.visitor();
        author.post(
                        "/api/setup",
                        "{\"link\":\"%s\",\"name\":\"Mira\",\"password\":\"long enough words\"}"
                                .formatted(OWN.setupLink()))
                .ok();
        String id = author.post("/api/templates/import", DOCUMENT)
                .ok()
                .json()
                .get("id")
                .stringValue();
        assertThat(author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                        .problem(422)
                        .text())
                .as("nobody approves their own payment where there is no desk")
                .contains("this server has no payment desk");
        author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\",\"accepted\":\"Tried\"}")
                .ok();
        Sent sent = Sent.in(OWN, author, id).send("{}", "a", "b");
        assertThat(sent.mail(sent.address("a"), "fill in and sign").get("path").stringValue())
                .isEmpty();
    }
}
