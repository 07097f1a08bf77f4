package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Whoever has the link of somebody else does not get in where the sender asked for more. */
class IdentityTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Shown who one is","pages":[{"key":"p","sections":[{"key":"s","items":[
              {"type":"field","key":"name","label":"Name","role":"a","kind":{"type":"text"}},
              {"type":"field","key":"map","label":"Map","role":"a","kind":{"type":"attachment","most":1,"largest":1}},
              {"type":"field","key":"fee","label":"Fee","role":"a","kind":{"type":"payment","currency":"EUR","amount":"10"}},
              {"type":"field","key":"sign","label":"A signs","role":"a","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1}]}""";

    private static String person(Sent sent, String check) {
        return "{\"role\":\"a\",\"name\":\"Femke Oosterlaan\",\"address\":\"%s\",%s}"
                .formatted(sent.address("a"), check);
    }

    private static Visitor.Answer sending(Sent sent, String check) {
        return sent.author.post(
                sent.release(),
                "{\"people\":[%s],\"answers\":{},\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":true}"
                        .formatted(person(sent, check)));
    }

    private static Sent asking(String check) {
        Sent sent = Sent.of(SERVER, DOCUMENT);
        sent.id = sending(sent, check).ok().json().get("id").stringValue();
        return sent;
    }

    private static Visitor.Answer give(Visitor visitor, String path, String given) {
        return visitor.post(path + "/identity", "{\"given\":\"%s\"}".formatted(given));
    }

    private static String code(Sent sent, String to) {
        return sent.mail(to, "With this code").get("code").stringValue();
    }

    private static String other(String code) {
        return code.equals("000000") ? "111111" : "000000";
    }

    private static Visitor.Answer notIdentified(Visitor.Answer answer) {
        assertThat(answer.problem(403).json().get("type").stringValue()).isEqualTo("/problems/not-identified");
        return answer;
    }

    @Test
    void aLinkAloneOpensNothingWhereACodeIsAskedFor() throws IOException {
        Sent sent = asking("\"check\":\"mailCode\"");
        String path = "/api" + sent.link("a");
        Visitor thief = SERVER.visitor();
        notIdentified(thief.get(path));
        for (String act : List.of("opened", "consent", "finish", "payments/fee")) {
            notIdentified(thief.post(path + "/" + act, null));
        }
        notIdentified(thief.put(path + "/answers/name", "{\"typed\":\"x\"}"));
        notIdentified(thief.post(path + "/decline", "{\"because\":\"x\"}"));
        notIdentified(thief.post(
                path + "/delegate", "{\"name\":\"x\",\"address\":\"x@veldhollow.example\",\"because\":\"x\"}"));
        notIdentified(thief.upload(path + "/files?name=a.txt", "a".getBytes(StandardCharsets.UTF_8)));
        notIdentified(thief.get(path + "/files/x"));
        notIdentified(thief.get(path + "/pictures/x"));

        JsonNode asked = thief.get(path + "/identity").ok().json();
        assertThat(asked.get("isSent").booleanValue()).isFalse();
        assertThat(asked.toString())
                .as("nothing is told of person and document")
                .doesNotContain("Femke", "Shown", sent.address("a"))
                .contains("a•••@");

        Visitor femke = SERVER.visitor();
        femke.post(path + "/identity/code", null).ok();
        String code = code(sent, sent.address("a"));
        assertThat(code).matches("\\d{6}");
        assertThat(give(femke, path, other(code)).ok().json().get("problem").stringValue())
                .isEqualTo("This is not the code; you can try 4 times more.");
        assertThat(give(femke, path, code).ok().json().get("shown").booleanValue())
                .isTrue();
        femke.post(path + "/consent", null).ok();
        femke.put(path + "/answers/sign", "{\"typed\":\"M1 1L40 40\"}").ok();
        notIdentified(thief.get(path));
        give(thief, path, code).problem(422);
        femke.post(path + "/finish", null).ok();

        byte[] sealed = sent.sealed();
        assertThat(sent.trail())
                .contains("(asked for a code sent by mail)")
                .contains("A code was sent to A by mail to " + sent.address("a"))
                .contains("Showed to be the person named as A, by the code sent by mail to " + sent.address("a"))
                .doesNotContain(code);
        try (PDDocument pdf = Loader.loadPDF(sealed)) {
            assertThat(new PDFTextStripper().getText(pdf).replaceAll("\\s+", " "))
                    .contains(
                            "Followed a link that was sent to this address, and showed to be this person by a code sent by mail.");
        }
    }

    @Test
    void fiveWrongCodesCloseItAndACodeEndsAfterTenMinutes() {
        Sent sent = asking("\"check\":\"textCode\",\"phone\":\"+44 7700 900456\"");
        String path = "/api" + sent.link("a");
        Visitor visitor = SERVER.visitor();
        give(visitor, path, "123456").problem(422);
        visitor.post(path + "/identity/code", null).ok();
        String first = code(sent, "+44 7700 900456");
        IntStream.range(0, 5).forEach(i -> give(visitor, path, other(first)).ok());
        give(visitor, path, first).problem(429);
        assertThat(sent.trail()).contains("Somebody who followed the link of A gave a wrong code five times.");

        assertThat(visitor.post(path + "/identity/code", null)
                        .ok()
                        .json()
                        .get("to")
                        .stringValue())
                .doesNotContain("7700", "900")
                .startsWith("+")
                .endsWith("56");
        String second = newer(sent, "+44 7700 900456", 2);
        SERVER.forward(Duration.ofMinutes(11));
        give(visitor, path, second).problem(422);
        visitor.post(path + "/identity/code", null).ok();
        assertThat(give(visitor, path, newer(sent, "+44 7700 900456", 3))
                        .ok()
                        .json()
                        .get("shown")
                        .booleanValue())
                .isTrue();
        SERVER.forward(Duration.ofHours(13));
        notIdentified(visitor.get(path));
    }

    /** The code in the newest message, once so many have come. */
    private static String newer(Sent sent, String to, int count) {
        for (int i = 0; i < 100; i++) {
            List<String> codes = sent.author
                    .get("/api/outside")
                    .ok()
                    .json()
                    .get("mail")
                    .valueStream()
                    .filter(message -> message.get("address").stringValue().equals(to)
                            && !message.get("delivered").isNull())
                    .map(message -> message.get("code").stringValue())
                    .toList();
            if (codes.size() == count) {
                return codes.getFirst();
            }
            Sent.pause();
        }
        throw new AssertionError("There are not " + count + " messages to " + to);
    }

    @Test
    void codesAreNotSentWithoutEnd() {
        Sent sent = asking("\"check\":\"mailCode\"");
        String path = "/api" + sent.link("a");
        Visitor visitor = SERVER.visitor();
        IntStream.range(0, 5)
                .forEach(i -> visitor.post(path + "/identity/code", null).ok());
        visitor.post(path + "/identity/code", null).problem(429);
        SERVER.forward(Duration.ofMinutes(61));
        visitor.post(path + "/identity/code", null).ok();
    }

    @Test
    void whoGuessesManyAtOnceHasNoMoreThanFive() {
        Sent sent = asking("\"check\":\"phrase\",\"phrase\":\"herons over the weir\"");
        String path = "/api" + sent.link("a");
        List<Visitor> guessers = Stream.generate(SERVER::visitor).limit(16).toList();
        List<CompletableFuture<Integer>> guesses = guessers.stream()
                .map(guesser -> CompletableFuture.supplyAsync(
                        () -> give(guesser, path, "not the phrase").status(),
                        runnable -> Thread.ofVirtual().start(runnable)))
                .toList();
        assertThat(guesses.stream().map(CompletableFuture::join).filter(status -> status == 200))
                .hasSize(5);
        give(SERVER.visitor(), path, "herons over the weir").problem(429);
        SERVER.forward(Duration.ofMinutes(11));
        assertThat(give(SERVER.visitor(), path, "  Herons  over the WEIR ")
                        .ok()
                        .json()
                        .get("shown")
                        .booleanValue())
                .as("what is agreed by telephone is written in many ways")
                .isTrue();
    }

    @Test
    void aPhraseIsKeptAsAHashAndStandsNowhere() throws IOException {
        Sent sent = asking("\"check\":\"phrase\",\"phrase\":\"zebras below gravel\"");
        String path = "/api" + sent.link("a");
        Visitor visitor = SERVER.visitor();
        give(visitor, path, "zebras below gravel").ok();
        visitor.post(path + "/consent", null).ok();
        assertThat(sent.page().toString()).doesNotContain("zebras");
        assertThat(visitor.get(path).ok().text()).doesNotContain("zebras");
        visitor.post(
                        path + "/delegate",
                        "{\"name\":\"Cousin\",\"address\":\"cousin@veldhollow.example\",\"because\":\"On leave\"}")
                .problem(409);
        assertThat(Files.readString(SERVER.data().resolve("loesscape.mv.db"), StandardCharsets.ISO_8859_1))
                .doesNotContain("zebras");
    }

    @Test
    void whoTakesTheTurnOverIsAskedAnew() {
        Sent sent = asking("\"check\":\"textCode\",\"phone\":\"+44 7700 900789\"");
        String path = "/api" + sent.link("a");
        Visitor femke = SERVER.visitor();
        femke.post(path + "/identity/code", null).ok();
        give(femke, path, code(sent, "+44 7700 900789")).ok();
        String cousin = "cousin" + sent.address("a");
        String handedOn = "{\"name\":\"Cousin\",\"address\":\"%s\",\"because\":\"On leave\"%s}";
        femke.post(path + "/delegate", handedOn.formatted(cousin, "")).problem(422);
        femke.post(path + "/delegate", handedOn.formatted(cousin, ",\"phone\":\"+44 7700 900790\""))
                .ok();
        String taken = "/api"
                + sent.mail(cousin, "This link is for you alone").get("path").stringValue();
        Visitor other = SERVER.visitor();
        notIdentified(other.get(taken));
        other.post(taken + "/identity/code", null).ok();
        give(other, taken, code(sent, "+44 7700 900790")).ok();
        other.get(taken).ok();
    }

    @Test
    void whatIsAskedHasToFit() {
        Sent sent = Sent.of(SERVER, DOCUMENT);
        sending(sent, "\"check\":\"textCode\"").problem(422);
        sending(sent, "\"check\":\"textCode\",\"phone\":\"0612345678\"").problem(422);
        sending(sent, "\"check\":\"phrase\",\"phrase\":\"short\"").problem(422);
        sending(sent, "\"check\":\"mailCode\",\"phrase\":\"long enough words\"").problem(422);
        sending(sent, "\"check\":\"retina\"").problem(400);
        sent.author
                .post(
                        "/api/dispatches/" + asking("\"check\":\"mailCode\"").id + "/correct",
                        "{\"role\":\"a\",\"name\":\"B\",\"address\":\"b@veldhollow.example\"}")
                .ok();
    }

    @Test
    void tablesAndOpenLinksAskToo() {
        Sent sent = Sent.of(SERVER, DOCUMENT);
        String table = "a.name,a.address,a.check,a.phone\\n"
                + "Ann,ann@veldhollow.example,mail,\\n"
                + "Ben,ben@veldhollow.example,,+44 7700 900321\\n"
                + "Cas,cas@veldhollow.example,phrase,\\n"
                + "Dot,dot@veldhollow.example,text,\\n"
                + "Eef,eef@veldhollow.example,,";
        JsonNode report = sent.author
                .post(
                        sent.release() + "/table",
                        "{\"table\":\"%s\",\"common\":{\"people\":[],\"answers\":{},\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":false},\"send\":true}"
                                .formatted(table))
                .ok()
                .json();
        assertThat(report.get("accepted").intValue()).isEqualTo(3);
        assertThat(report.get("refused").valueStream().map(it -> it.get("line").intValue()))
                .containsExactly(3, 4);

        String open = sent.author
                .post(
                        "/api/templates/" + sent.template + "/releases/1/open-links",
                        "{\"message\":\"\",\"dueDays\":0,\"remindDays\":0,\"mayDelegate\":false,\"mailCode\":true}")
                .ok()
                .json()
                .get("path")
                .stringValue();
        Visitor visitor = SERVER.visitor();
        String shown = sent.shown(visitor, "/api" + open, sent.address("a"));
        visitor.post("/api" + open, "{\"people\":[%s],%s}".formatted(person(sent, "\"check\":\"link\""), shown))
                .ok();
        notIdentified(SERVER.visitor().get("/api" + sent.link("a")));
    }
}
