package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.stream.Stream;
import loesscape.core.signing.Dispatch;
import loesscape.formats.evidence.Trail;
import loesscape.formats.json.Json;
import loesscape.formats.seal.Authority;
import loesscape.formats.seal.SealCheck;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Dispatches over HTTP: turns, ends, evidence. */
class DispatchesTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    static final String TOGETHER = """
            {"formatVersion":1,"title":"Together","pages":[{"key":"p","sections":[{"key":"s","items":[
              {"type":"field","key":"secret","label":"Secret","role":"a","kind":{"type":"text"},
               "shown":{"type":"choice","field":"tells","test":"is","choices":["yes"]}},
              {"type":"field","key":"tells","label":"Tells","role":"a","kind":{"type":"yesNo"}},
              {"type":"field","key":"open","label":"Open","role":"a","kind":{"type":"text"}},
              {"type":"field","key":"a_sign","label":"A signs","role":"a","kind":{"type":"signature"},"required":{"type":"always"}},
              {"type":"field","key":"b_sign","label":"B signs","role":"b","kind":{"type":"signature"},"required":{"type":"always"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1},{"key":"b","name":"B","order":1}]}""";

    private static Sent.Turn owner(Sent sent, String depth, String advance) {
        Sent.Turn owner = sent.turn("landowner");
        owner.answer("owner_name", "Femke Oosterlaan")
                .answer("owner_phone", "0612345678")
                .answer("district", "hill")
                .answer("soil", "chalk")
                .answer("depth", depth)
                .answer("diameter", "d160")
                .answer("access", "track")
                .answer("start_day", "2027-03-01")
                .answer("end_day", "2027-03-12")
                .answer("advance_agreed", advance)
                .sign("owner_initials")
                .sign("owner_signature");
        return owner;
    }

    private static Sent.Turn driller(Sent sent) {
        Sent.Turn driller = sent.turn("driller");
        driller.answer("driller_name", "Bronwater Drilling")
                .answer("licence", "DR-4471")
                .answer("insured", "no")
                .answer("crew_name@r1", "Jorn")
                .answer("crew_hours@r1", "8")
                .answer("metre_price", "62.50")
                .sign("driller_initials")
                .sign("driller_signature");
        return driller;
    }

    @Test
    void rolesSignInOrderOneIsSkippedAndTheSealedDocumentProvesIt() {
        Sent sent = Sent.agreement(SERVER).send("{\"district\":\"north\"}", "landowner", "driller", "hydrologist");
        Sent.Turn owner = owner(sent, "24", "");
        assertThat(owner.finish().get("obstacles")).isEmpty();
        owner.visitor.post(owner.path + "/finish", null).problem(410);
        owner.visitor.get(owner.path).problem(410);

        Sent.Turn driller = driller(sent);
        driller.visitor
                .put(driller.path + "/answers/depth", "{\"typed\":\"400\"}")
                .problem(409);
        assertThat(driller.text()).contains("Femke Oosterlaan").doesNotContain("takesPart\":{");
        driller.finished();

        byte[] sealed = sent.sealed();
        assertThat(sent.trail())
                .contains("Hydrologist does not take part, because Agreed depth is 24 m")
                .contains("Agreed to sign electronically as Landowner")
                .contains("Finished the turn of Driller with")
                .contains("Signed: Initials of the driller, Signature of the driller.");
        JsonNode checked = SERVER.visitor().upload("/api/verify", sealed).ok().json();
        assertThat(checked.get("verdict").stringValue()).isEqualTo("sealedHere");
        assertThat(checked.get("brokenAt").intValue()).isZero();
        assertThat(checked.get("trail").toString()).contains("All have signed");
        for (int at : new int[] {200, sealed.length / 2, sealed.length - 2_000}) {
            byte[] changed = sealed.clone();
            changed[at] ^= 1;
            assertThat(SERVER.visitor()
                            .upload("/api/verify", changed)
                            .ok()
                            .json()
                            .get("verdict")
                            .stringValue())
                    .as("byte %d", at)
                    .isNotEqualTo("sealedHere");
        }
        assertThat(sent.author
                        .get("/api/dispatches/" + sent.id + "/document.pdf")
                        .ok()
                        .response()
                        .body())
                .as("the signed bytes never change")
                .isEqualTo(sealed);
        String signed =
                sent.mail(sent.address("landowner"), "have signed").get("path").stringValue();
        assertThat(signed).startsWith("/signed/");
        assertThat(SERVER.visitor()
                        .get("/api" + signed + "/document.pdf")
                        .ok()
                        .response()
                        .body())
                .isEqualTo(sealed);
        int record = sent.page().at("/dispatch/record").intValue();
        assertThat(sent.author
                        .get("/api/templates/" + sent.template + "/records/" + record)
                        .ok()
                        .text())
                .contains("Bronwater Drilling");
        Trail trail =
                SealCheck.of(sealed, Authority.make("x", Instant.now()).root()).trail();
        assertThat(Dispatch.of(Objects.requireNonNull(trail).events()).status()).isEqualTo(Dispatch.Status.FINISHED);
    }

    @Test
    void twoAtTheSameTimeSeeNothingThatIsHiddenAndFinishOnceHoweverOftenTheyPress() throws Exception {
        Sent sent = Sent.of(SERVER, TOGETHER).send("{}", "a", "b");
        Sent.Turn a = sent.turn("a");
        a.answer("open", "a tale of a dry hill");
        a.answer("tells", "yes").answer("secret", "the well is dry").answer("tells", "no");
        Sent.Turn b = sent.turn("b");
        assertThat(a.text()).contains("the well is dry");
        assertThat(b.text()).doesNotContain("the well is dry");
        a.sign("a_sign");
        b.sign("b_sign");
        assertThat(b.visitor
                        .put(b.path + "/answers/a_sign", "{\"typed\":\"B\"}")
                        .problem(409)
                        .text())
                .contains("for somebody else");
        try (var threads = Executors.newFixedThreadPool(8)) {
            List<Callable<Integer>> presses = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                Sent.Turn turn = i % 2 == 0 ? a : b;
                presses.add(() -> turn.visitor.post(turn.path + "/finish", null).status());
            }
            List<Integer> statuses = new ArrayList<>();
            for (var press : threads.invokeAll(presses)) {
                statuses.add(press.get());
            }
            assertThat(statuses).filteredOn(status -> status == 200).hasSize(2);
            assertThat(statuses).as("an ended link, or a turn that is over").containsOnly(200, 410);
        }
        byte[] sealed = sent.sealed();
        assertThat(sent.trail().split("All have signed")).hasSize(2);
        assertThat(read(sealed)).contains("a tale of a dry hill").doesNotContain("the well is dry");
        assertThat(sent.page().get("trail").size())
                .isEqualTo(sent.page()
                        .get("trail")
                        .get(sent.page().get("trail").size() - 1)
                        .get("number")
                        .intValue());
    }

    /** All that stands in a document: its pages and what is attached. */
    private static String read(byte[] sealed) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(sealed)) {
            StringBuilder text = new StringBuilder(new PDFTextStripper().getText(pdf));
            var attached =
                    pdf.getDocumentCatalog().getNames().getEmbeddedFiles().getNames();
            for (PDComplexFileSpecification file : attached.values()) {
                text.append(new String(file.getEmbeddedFile().toByteArray(), StandardCharsets.UTF_8));
            }
            assertThat(text).as("the trail").contains("consented");
            return text.toString();
        }
    }

    @Test
    void aTurnIsDeclinedWithAReasonAndEverybodysLinkEnds() {
        Sent sent = Sent.of(SERVER, TOGETHER).send("{}", "a", "b");
        Sent.Turn a = sent.turn("a");
        Sent.Turn b = sent.turn("b");
        a.visitor.post(a.path + "/decline", "{\"because\":\" \"}").problem(422);
        a.visitor.post(a.path + "/decline", "{\"because\":\"Not my land\"}").ok();
        assertThat(sent.standing()).isEqualTo("declined");
        assertThat(b.visitor.get(b.path).problem(410).text()).contains("was declined");
        assertThat(sent.mail(sent.address("b"), "Not my land").get("path").stringValue())
                .isEmpty();
        sent.author
                .post("/api/dispatches/" + sent.id + "/withdraw", "{\"because\":\"x\"}")
                .problem(409);
    }

    @Test
    void aTurnIsHandedOnAnAddressCorrectedAndTheOldLinksEnd() {
        Sent sent = Sent.agreement(SERVER).send("{}", "landowner", "driller", "hydrologist");
        Sent.Turn owner = sent.turn("landowner");
        owner.answer("owner_name", "Femke");
        owner.visitor
                .post(
                        owner.path + "/delegate",
                        "{\"name\":\"Cousin\",\"address\":\"cousin@%s\",\"because\":\"On leave\"}"
                                .formatted(sent.address("x").substring(2)))
                .ok();
        assertThat(owner.visitor.get(owner.path).problem(410).text()).contains("newer message");
        String cousin = "/api"
                + sent.mail("cousin@" + sent.address("x").substring(2), "Cousin")
                        .get("path")
                        .stringValue();
        Visitor visitor = SERVER.visitor();
        assertThat(visitor.get(cousin).ok().json().at("/name").stringValue()).isEqualTo("Cousin");
        assertThat(sent.trail().split("Opened the document as Landowner"))
                .as("whoever only looks where a link leads opens nothing")
                .hasSize(2);
        visitor.post(cousin + "/opened", null).ok();
        visitor.post(cousin + "/opened", null).ok();
        assertThat(sent.trail().split("Opened the document as Landowner")).hasSize(3);
        sent.author
                .post(
                        "/api/dispatches/" + sent.id + "/correct",
                        "{\"role\":\"driller\",\"name\":\"Other driller\",\"address\":\"other@driller.example\"}")
                .ok();
        sent.author
                .post(
                        "/api/dispatches/" + sent.id + "/correct",
                        "{\"role\":\"landowner\",\"name\":\"X\",\"address\":\"x@x.example\"}")
                .problem(409);
        sent.author
                .post("/api/dispatches/" + sent.id + "/remind", "{\"role\":\"landowner\"}")
                .ok();
        SERVER.visitor().get(cousin).problem(410);
        sent.author
                .post("/api/dispatches/" + sent.id + "/withdraw", "{\"because\":\"Wrong parcel\"}")
                .ok();
        assertThat(sent.trail()).contains("Handed the turn of Landowner on to Cousin", "“Wrong parcel”");
    }

    @Test
    void aPaymentIsRefusedThenApprovedAndOnlyThenTheTurnEnds() {
        Sent sent = Sent.agreement(SERVER).send("{}", "landowner", "driller", "hydrologist");
        Sent.Turn owner = owner(sent, "24", "500");
        assertThat(owner.finish().get("obstacles").toString()).contains("\"deposit\"");
        owner.visitor
                .put(owner.path + "/answers/deposit", "{\"typed\":\"500 me\"}")
                .problem(409);
        String refused = pay(owner);
        SERVER.visitor().post("/api" + refused, "{\"approved\":false}").ok();
        assertThat(owner.finish().get("finished").booleanValue()).isFalse();
        String desk = pay(owner);
        assertThat(pay(owner)).as("nobody pays twice").isEqualTo(desk);
        owner.answer("advance_agreed", "600");
        assertThat(pay(owner)).isNotEqualTo(desk);
        SERVER.visitor().post("/api" + desk, "{\"approved\":true}").ok();
        assertThat(sent.trail()).as("what is not due any more is not taken").doesNotContain("Paid €");
        owner.answer("advance_agreed", "500");
        desk = paidWhileTheDeskIsSlow(sent, owner);
        assertThat(SERVER.visitor().get("/api" + desk).ok().json().get("amount").stringValue())
                .isEqualTo("€ 500.00");
        SERVER.visitor().post("/api" + desk, "{\"approved\":true}").ok();
        SERVER.visitor().post("/api" + desk, "{\"approved\":true}").ok();
        owner.visitor.post(owner.path + "/payments/deposit", null).problem(409);
        assertThat(owner.finish().get("obstacles").toString()).contains("payment_signature");
        owner.sign("payment_signature").finished();
        assertThat(sent.trail()).contains("A payment was not made: the desk refused it", "Paid € 500.00");
        assertThat(sent.trail().split("Paid €")).hasSize(2);
    }

    private static String paidWhileTheDeskIsSlow(Sent sent, Sent.Turn owner) {
        set(sent.author, "payments", false, 2_000);
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            List<CompletableFuture<String>> presses = Stream.of(1, 2)
                    .map(press -> CompletableFuture.supplyAsync(() -> pay(owner), threads))
                    .toList();
            Sent.pause();
            owner.answer("owner_phone", "0687654321");
            assertThat(presses).as("nobody waits for the desk but the payer").noneMatch(CompletableFuture::isDone);
            assertThat(presses.get(0).join())
                    .as("pressed twice, begun once")
                    .isEqualTo(presses.get(1).join());
            return presses.get(0).join();
        } finally {
            set(sent.author, "payments", false, 0);
        }
    }

    private static String pay(Sent.Turn owner) {
        return owner.visitor
                .post(owner.path + "/payments/deposit", null)
                .ok()
                .json()
                .get("path")
                .stringValue();
    }

    @Test
    void aTableIsLookedAtAndSentWithoutItsBadLines() {
        Sent sent = Sent.of(SERVER, TOGETHER);
        StringBuilder table = new StringBuilder("a.name,a.address,b.name,b.address,due,tells\\n");
        for (int i = 1; i <= 50; i++) {
            String address = i == 7 ? "nowhere" : "a%d@table.example".formatted(i);
            String due = i == 20 ? "soon" : "2099-01-01";
            String tells = i == 33 ? "perhaps" : "yes";
            table.append("A %d,%s,B %d,b%d@table.example,%s,%s\\n".formatted(i, address, i, i, due, tells));
        }
        String body =
                "{\"table\":\"%s\",\"common\":{\"people\":[],\"answers\":{},\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":false},\"send\":%s}";
        int before = count(sent.author);
        JsonNode looked = sent.author
                .post(sent.release() + "/table", body.formatted(table, false))
                .ok()
                .json();
        assertThat(looked.get("accepted").intValue()).isEqualTo(47);
        assertThat(looked.get("refused"))
                .extracting(line -> line.get("line").intValue())
                .containsExactly(7, 20, 33);
        assertThat(count(sent.author)).isEqualTo(before);
        sent.author.post(sent.release() + "/table", body.formatted(table, true)).ok();
        assertThat(count(sent.author)).isEqualTo(before + 47);
    }

    @Test
    void rowsAreAnsweredBeforehandToo() {
        Sent sent = Sent.of(SERVER, """
                {"formatVersion":1,"title":"Layers","pages":[{"key":"p","sections":[{"key":"s","items":[
                  {"type":"field","key":"a_sign","label":"A signs","role":"a","kind":{"type":"signature"}}]},
                 {"key":"layers","title":"Layers","rows":{"most":5},"items":[
                  {"type":"field","key":"soil","label":"Soil","role":"a","kind":{"type":"text"}}]}]}],
                 "roles":[{"key":"a","name":"A","order":1}]}""");
        String wanted =
                "{\"people\":[{\"role\":\"a\",\"name\":\"A\",\"address\":\"a@x.example\"}],\"answers\":{\"layers\":\"r1,r2\",\"soil@r1\":\"loess\",\"soil@r2\":\"marl\"},\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":true}";
        String id =
                sent.author.post(sent.release(), wanted).ok().json().get("id").stringValue();
        assertThat(sent.author.get("/api/dispatches/" + id).ok().text()).contains("with 2 answers given beforehand");
        sent.author
                .post(sent.release(), wanted.replace("\"layers\":", "\"s\":"))
                .problem(422);
    }

    private static int count(Visitor author) {
        return author.get("/api/dispatches").ok().json().get("dispatches").size();
    }

    @Test
    void whoFollowsAnOpenLinkNamesThePeople() {
        Sent sent = Sent.of(SERVER, TOGETHER);
        String link = "/api"
                + sent.author
                        .post(
                                "/api/templates/" + sent.template + "/releases/1/open-links",
                                "{\"message\":\"\",\"dueDays\":14,\"remindDays\":0,\"mayDelegate\":false}")
                        .ok()
                        .json()
                        .get("path")
                        .stringValue();
        Visitor stranger = SERVER.visitor();
        assertThat(stranger.get(link).ok().json().get("roles")).hasSize(2);
        String shown = sent.shown(stranger, link, sent.address("a"));
        stranger.post(
                        link,
                        "{\"people\":[{\"role\":\"a\",\"name\":\"A\",\"address\":\"%s\"}],%s}"
                                .formatted(sent.address("a"), shown))
                .problem(422);
        stranger.post(
                        link,
                        "{\"people\":[{\"role\":\"a\",\"name\":\"A\",\"address\":\"%s\"},{\"role\":\"b\",\"name\":\"B\",\"address\":\"%s\"}],%s}"
                                .formatted(sent.address("a"), sent.address("b"), shown))
                .ok();
        sent.turn("a").sign("a_sign").finished();
        String links = "/api/templates/" + sent.template + "/open-links";
        JsonNode made = sent.author.get(links).ok().json().get("links").get(0);
        assertThat(made.get("begun").intValue()).isEqualTo(1);
        String end = links + "/" + made.get("id").intValue() + "/end";
        sent.author.post(end, null).ok();
        sent.author.post(end, null).problem(404);
        stranger.get(link).problem(404);
    }

    @Test
    void whatFailsOutsideIsTriedAgain() {
        Sent sent = Sent.of(SERVER, TOGETHER);
        set(sent.author, "mail", true, 0);
        set(sent.author, "authority", true, 0);
        sent.send("{}", "a", "b");
        Sent.pause();
        set(sent.author, "mail", false, 0);
        sent.turn("a").sign("a_sign").finished();
        sent.turn("b").sign("b_sign").finished();
        assertThat(sent.standing()).isEqualTo("sealing");
        set(sent.author, "authority", false, 0);
        assertThat(sent.sealed()).isNotEmpty();
    }

    @Test
    void whatTakesLongKeepsNothingElseWaiting() {
        Sent sealing = Sent.of(SERVER, TOGETHER);
        set(sealing.author, "authority", false, 10_000);
        sealing.send("{}", "a", "b");
        sealing.turn("a").sign("a_sign").finished();
        sealing.turn("b").sign("b_sign").finished();
        try {
            Sent other = Sent.in(SERVER, sealing.author, sealing.template).send("{}", "a", "b");
            assertThat(other.link("a")).startsWith("/sign/");
            assertThat(sealing.standing()).isEqualTo("sealing");
        } finally {
            set(sealing.author, "authority", false, 0);
        }
        assertThat(sealing.sealed()).isNotEmpty();
    }

    private static void set(Visitor author, String service, boolean failing, int delay) {
        author.put(
                        "/api/outside",
                        "{\"service\":\"%s\",\"failing\":%s,\"delay\":%d}".formatted(service, failing, delay))
                .ok();
    }

    @Test
    void endsAreToldToAnAddressSignedAndAgainUntilTheyAreTaken() throws Exception {
        List<String> told = new CopyOnWriteArrayList<>();
        List<String> signatures = new CopyOnWriteArrayList<>();
        HttpServer receiver = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        receiver.createContext("/", exchange -> {
            signatures.add(exchange.getRequestHeaders().getFirst("Loesscape-Signature"));
            told.add(new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
            exchange.sendResponseHeaders(told.size() == 1 ? 503 : 204, -1);
            exchange.close();
        });
        receiver.start();
        Sent sent = Sent.of(SERVER, TOGETHER);
        String hook = "/api/templates/" + sent.template + "/webhook";
        sent.author.put(hook, "{\"address\":\"ftp://x\"}").problem(422);
        String secret = sent.author
                .put(
                        hook,
                        "{\"address\":\"http://127.0.0.1:%d/\"}"
                                .formatted(receiver.getAddress().getPort()))
                .ok()
                .json()
                .at("/target/secret")
                .stringValue();
        sent.send("{}", "a", "b");
        sent.turn("a")
                .answer("tells", "yes")
                .answer("secret", "dry")
                .answer("tells", "no")
                .sign("a_sign")
                .finished();
        sent.turn("b").sign("b_sign").finished();
        for (int i = 0; i < 100 && told.size() < 2; i++) {
            Sent.pause();
        }
        receiver.stop(0);
        assertThat(told).hasSize(2);
        assertThat(told.get(1))
                .isEqualTo(told.get(0))
                .contains("\"event\":\"finished\"")
                .doesNotContain("dry");
        JsonNode delivery = sent.author.get(hook).ok().json().at("/deliveries/0");
        assertThat(Json.parse(told.get(0)).get("delivery")).isEqualTo(delivery.get("delivery"));
        assertThat(Json.parse(told.get(0)).get("at").stringValue()).isNotEmpty();
        assertThat(sent.author.get(hook).ok().text())
                .as("a secret is told once")
                .doesNotContain(secret);
        String at = signatures.get(1).replaceFirst("t=(\\d+),.*", "$1");
        assertThat(signatures.get(1))
                .isEqualTo("t=%s,v1=%s".formatted(at, Webhooks.signature(secret, at + "." + told.get(1))));
    }
}
