package loesscape.server.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import loesscape.formats.json.Json;
import loesscape.server.platform.doors.Facing;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Who comes in, as whom, and for how long. */
class DoorsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final RunningServer EMPTY = RunningServer.empty();

    @RegisterExtension
    static final RunningServer PUBLIC = RunningServer.facing(new Facing(
            URI.create("https://documents.example"), List.of("127.0.0.0/8", "10.0.0.0/8"), 0, null, "", true, true));

    private static final String PASSWORD = "long enough words";

    private static Visitor account(String name, String role) {
        SERVER.author()
                .post(
                        "/api/accounts",
                        "{\"name\":\"%s\",\"password\":\"%s\",\"role\":\"%s\"}".formatted(name, PASSWORD, role))
                .ok();
        return signedIn(name, PASSWORD);
    }

    private static Visitor signedIn(String name, String password) {
        Visitor visitor = SERVER.visitor();
        visitor.post("/api/session", "{\"name\":\"%s\",\"password\":\"%s\"}".formatted(name, password))
                .ok();
        return visitor;
    }

    private static int id(String name) {
        for (JsonNode account : SERVER.author().get("/api/accounts").ok().json().get("accounts")) {
            if (account.get("name").stringValue().equals(name)) {
                return account.get("id").intValue();
            }
        }
        throw new AssertionError(name);
    }

    @Test
    void manyAtOnceMakeOneFirstAuthor() throws Exception {
        String link = EMPTY.setupLink();
        List<Visitor> visitors =
                List.of(EMPTY.visitor(), EMPTY.visitor(), EMPTY.visitor(), EMPTY.visitor(), EMPTY.visitor());
        int made = 0;
        try (ExecutorService together = Executors.newFixedThreadPool(visitors.size())) {
            List<Future<Integer>> all = together.invokeAll(visitors.stream()
                    .<Callable<Integer>>map(visitor -> () -> visitor.post(
                                    "/api/setup",
                                    "{\"link\":\"%s\",\"name\":\"First %d\",\"password\":\"%s\"}"
                                            .formatted(link, System.identityHashCode(visitor), PASSWORD))
                            .status())
                    .toList());
            for (Future<Integer> each : all) {
                made += each.get() == 200 ? 1 : 0;
            }
        }
        assertThat(made).isEqualTo(1);
    }

    @Test
    void aPasswordIsChangedByItsOwnerAndEndsOtherSessions() {
        Visitor here = account("Runa", "author");
        Visitor there = signedIn("runa", PASSWORD);
        here.put("/api/session/password", "{\"before\":\"wrong\",\"after\":\"other long words\"}")
                .problem(422);
        here.put("/api/session/password", "{\"before\":\"%s\",\"after\":\"password1234\"}".formatted(PASSWORD))
                .problem(422);
        here.put("/api/session/password", "{\"before\":\"%s\",\"after\":\"other long words\"}".formatted(PASSWORD))
                .ok();
        here.get("/api/templates").ok();
        there.get("/api/templates").problem(401);
        SERVER.visitor()
                .post("/api/session", "{\"name\":\"Runa\",\"password\":\"%s\"}".formatted(PASSWORD))
                .problem(401);
        signedIn("ＲＵＮＡ", "other long words");
    }

    @Test
    void whoHasLostAPasswordSetsOneByALinkOnce() {
        Visitor before = account("Lost", "sender");
        Visitor author = SERVER.author();
        String link = author.post("/api/accounts/" + id("Lost") + "/reset", null)
                .ok()
                .json()
                .get("path")
                .stringValue()
                .substring("/reset/".length());
        Visitor visitor = SERVER.visitor();
        String wanted = "{\"link\":\"%s\",\"password\":\"%s\"}";
        assertThat(visitor.post("/api/session/reset", wanted.formatted(link, ""))
                        .ok()
                        .json()
                        .get("name")
                        .stringValue())
                .isEqualTo("Lost");
        visitor.put("/api/session/reset", wanted.formatted("guess", "other long words"))
                .problem(404);
        visitor.put("/api/session/reset", wanted.formatted(link, "1234567890")).problem(422);
        visitor.put("/api/session/reset", wanted.formatted(link, "other long words"))
                .ok();
        visitor.get("/api/dispatches").ok();
        before.get("/api/dispatches").problem(401);
        SERVER.visitor()
                .put("/api/session/reset", wanted.formatted(link, "third long words"))
                .problem(404);
        String late = author.post("/api/accounts/" + id("Lost") + "/reset", null)
                .ok()
                .json()
                .get("path")
                .stringValue()
                .substring("/reset/".length());
        SERVER.forward(Duration.ofHours(25));
        SERVER.visitor()
                .put("/api/session/reset", wanted.formatted(late, "third long words"))
                .problem(404);
    }

    @Test
    void whatAnAccountMayDoIsChangedAtOnceAndARemovedOneIsOut() {
        Visitor visitor = account("Changing", "author");
        String template = visitor.post("/api/templates", "{\"title\":\"Left behind\"}")
                .ok()
                .json()
                .get("id")
                .stringValue();
        Visitor author = SERVER.author();
        author.get("/api/templates/" + template + "/draft").problem(403);
        author.put("/api/accounts/" + id("Changing") + "/role", "{\"role\":\"reader\"}")
                .ok();
        visitor.get("/api/accounts").problem(403);
        visitor.get("/api/templates").ok();
        author.send("DELETE", "/api/accounts/" + id("Changing"), null).ok();
        visitor.get("/api/templates").problem(401);
        author.get("/api/templates/" + template + "/draft").ok();
        account("Changing", "reader").get("/api/templates").ok();

        author.send("DELETE", "/api/accounts/" + id("Ilse Maarwick"), null).problem(422);
    }

    @Test
    void aTemplateIsSeenSentAndWrittenByThoseItIsSharedWith() {
        Visitor owner = account("Owner", "author");
        Visitor writer = account("Writer", "author");
        Visitor sender = account("Sender", "sender");
        Visitor reader = account("Reader", "reader");
        String id = owner.post("/api/templates/import", TOGETHER)
                .ok()
                .json()
                .get("id")
                .stringValue();
        String template = "/api/templates/" + id;
        owner.post(template + "/releases", "{\"revision\":0,\"notes\":\"\"}").ok();
        for (Visitor each : List.of(writer, sender, reader)) {
            assertThat(each.get("/api/templates").ok().text()).doesNotContain(id);
            each.get(template + "/records").problem(403);
            each.put(template + "/access", "{\"shared\":[]}").problem(403);
        }
        writer.get(template + "/draft").problem(403);
        sender.get(template + "/releases").problem(403);

        owner.put(
                        template + "/access",
                        "{\"shared\":[{\"name\":\"Writer\",\"may\":\"write\"},{\"name\":\"Sender\",\"may\":\"write\"},"
                                + "{\"name\":\"Reader\",\"may\":\"see\"}]}")
                .ok();
        writer.get(template + "/draft").ok();
        writer.get(template + "/access").problem(403);
        sender.get(template + "/releases").ok();
        sender.get(template + "/draft").problem(403);
        reader.get(template + "/records").ok();
        reader.get(template + "/releases").problem(403);

        String sent = sender.post(
                        template + "/releases/1/dispatches",
                        "{\"people\":[{\"role\":\"a\",\"name\":\"A\",\"address\":\"a@doors.example\"}],\"answers\":{},"
                                + "\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":false}")
                .ok()
                .json()
                .get("id")
                .stringValue();
        Visitor other = account("Other sender", "sender");
        other.get("/api/dispatches/" + sent).problem(403);
        assertThat(other.get("/api/dispatches").ok().text()).doesNotContain(sent);
        owner.put(
                        template + "/access",
                        "{\"shared\":[{\"name\":\"\",\"may\":\"send\"},{\"name\":\"Writer\",\"may\":\"write\"}]}")
                .ok();
        assertThat(other.get("/api/dispatches").ok().text()).contains(sent);
        other.get("/api/dispatches/" + sent).ok();
        other.post("/api/dispatches/" + sent + "/withdraw", "{\"because\":\"mine\"}")
                .problem(403);
        reader.post("/api/dispatches/" + sent + "/withdraw", "{\"because\":\"mine\"}")
                .problem(403);
        sender.post("/api/dispatches/" + sent + "/remind", "{\"role\":\"a\"}").ok();
        writer.post("/api/dispatches/" + sent + "/withdraw", "{\"because\":\"Sent too early\"}")
                .ok();

        owner.put(template + "/access/owner", "{\"name\":\"Writer\"}").ok();
        writer.get(template + "/access").ok();
        owner.get(template + "/access").problem(403);
        owner.get(template + "/draft").ok();
        writer.put(template + "/access/owner", "{\"name\":\"Reader\"}").problem(422);
        writer.put(template + "/access", "{\"shared\":[{\"name\":\"Nobody\",\"may\":\"see\"}]}")
                .problem(422);
        writer.put(template + "/access", "{\"shared\":[{\"name\":\"Reader\",\"may\":\"own\"}]}")
                .problem(422);
    }

    private static final String TOGETHER = """
            {"formatVersion":1,"title":"Shared","pages":[{"key":"p","sections":[{"key":"s","items":[
             {"type":"field","key":"sign","label":"Sign","role":"a","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1}]}""";

    @Test
    void aTokenOfAnotherSessionIsNone() {
        Visitor author = SERVER.author();
        Visitor other = SERVER.author();
        String stranger = token(SERVER.visitor());
        for (String token : List.of(token(other), stranger, "x." + "y".repeat(43))) {
            author.send("POST", "/api/templates", "{\"title\":\"Forged\"}", token)
                    .problem(403);
        }
        author.post("/api/templates", "{\"title\":\"Mine\"}").ok();
    }

    private static String token(Visitor visitor) {
        return visitor.cookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .findFirst()
                .orElseThrow()
                .getValue();
    }

    /** What comes back for a request as it goes over the wire: names and cookies that a client of Java would not send. */
    private static String raw(String method, String path, Map<String, String> headers) throws IOException {
        try (Socket socket = new Socket(
                InetAddress.getLoopbackAddress(), URI.create(PUBLIC.address()).getPort())) {
            StringBuilder request = new StringBuilder(
                    "%s %s HTTP/1.1\r\nConnection: close\r\nContent-Length: 0\r\n".formatted(method, path));
            headers.forEach((name, value) ->
                    request.append(name).append(": ").append(value).append("\r\n"));
            socket.getOutputStream().write(request.append("\r\n").toString().getBytes(StandardCharsets.US_ASCII));
            BufferedReader answer =
                    new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
            return String.join("\n", answer.lines().toList());
        }
    }

    @Test
    void behindAProxyCookiesAreForTheHostAndTlsAlone() throws IOException {
        Map<String, String> proxied =
                Map.of("Host", "documents.example", "X-Forwarded-For", "198.51.100.7", "X-Forwarded-Proto", "https");
        String session = raw("GET", "/api/session", proxied);
        assertThat(session).startsWith("HTTP/1.1 200").contains("Strict-Transport-Security: max-age=");
        String token = session.lines()
                .filter(line -> line.startsWith("Set-Cookie: __Host-XSRF-TOKEN="))
                .findFirst()
                .orElseThrow();
        assertThat(token).contains("Secure", "Path=/", "SameSite=Lax");
        String value = token.replaceFirst(".*TOKEN=([^;]*).*", "$1");
        String in = raw(
                "POST",
                "/api/session/demo",
                Map.of("Host", "documents.example", "Cookie", "__Host-XSRF-TOKEN=" + value, "X-XSRF-TOKEN", value));
        assertThat(in.lines().filter(line -> line.startsWith("Set-Cookie: __Host-session=")))
                .singleElement()
                .asString()
                .contains("Secure", "HttpOnly", "Path=/", "SameSite=Lax");
    }

    @Test
    void whatIsMeantForAnotherHostIsNotAnswered() throws IOException {
        assertThat(raw("GET", "/api/session", Map.of("Host", "evil.example"))).startsWith("HTTP/1.1 421");
        assertThat(raw("GET", "/api/session", Map.of("Host", "documents.example:8443")))
                .startsWith("HTTP/1.1 421");
        assertThat(raw("GET", "/api/session", Map.of("Host", "localhost", "X-Forwarded-For", "198.51.100.7")))
                .as("through a proxy, by the name of this machine")
                .startsWith("HTTP/1.1 421");
        assertThat(raw("GET", "/api/session", Map.of("Host", "localhost:8080"))).startsWith("HTTP/1.1 200");
    }

    @Test
    void onlyNamedProxiesAreBelieved() throws Exception {
        raw("GET", "/api/open/guess", Map.of("Host", "documents.example", "X-Forwarded-For", "198.51.100.9, 10.1.2.3"));
        Visitor author = PUBLIC.visitor();
        author.post("/api/session/demo", null);
        // What the log tells of a failed sign-in is where it came from.
        for (Map.Entry<String, String> way : Map.of(
                        "198.51.100.9, 10.1.2.3", "198.51.100.9",
                        "6.6.6.6, 203.0.113.4", "203.0.113.4",
                        "<script>", "127.0.0.1")
                .entrySet()) {
            String session = raw("GET", "/api/session", Map.of("Host", "documents.example"));
            String value = session.lines()
                    .filter(line -> line.startsWith("Set-Cookie: __Host-XSRF-TOKEN="))
                    .findFirst()
                    .orElseThrow()
                    .replaceFirst(".*TOKEN=([^;]*).*", "$1");
            raw(
                    "POST",
                    "/api/session/demo",
                    Map.of(
                            "Host",
                            "documents.example",
                            "X-Forwarded-For",
                            way.getKey(),
                            "Cookie",
                            "__Host-XSRF-TOKEN=" + value,
                            "X-XSRF-TOKEN",
                            value));
            List<String> lines = Files.readAllLines(PUBLIC.data().resolve("security.log"));
            assertThat(Json.parse(lines.getLast()).get("from").stringValue()).isEqualTo(way.getValue());
        }
    }

    @Test
    void theSecurityLogTellsWhatWasDoneAndNoSecret() throws IOException {
        Visitor author = SERVER.author();
        String id = author.template("Borehole and well permit");
        String link = author.post("/api/templates/" + id + "/releases/1/links", null)
                .ok()
                .json()
                .get("path")
                .stringValue();
        author.get("/api/templates/" + id + "/records.csv").ok();
        Visitor reader = account("Logged", "reader");
        reader.get("/api/accounts").problem(403);
        SERVER.visitor()
                .post("/api/session", "{\"name\":\"Logged\",\"password\":\"not this one\"}")
                .problem(401);
        Sent sent = Sent.agreement(SERVER);
        assertThat(sent.template).isNotEmpty();
        List<String> lines = Files.readAllLines(SERVER.data().resolve("security.log"));
        List<String> events = lines.stream()
                .map(line -> Json.parse(line).get("event").stringValue())
                .toList();
        assertThat(events).contains("signed in", "account added", "link made", "exported", "refused", "sign in failed");
        assertThat(String.join("\n", lines))
                .contains(id)
                .doesNotContain(link.substring("/fill/".length()), PASSWORD, "not this one");
    }
}
