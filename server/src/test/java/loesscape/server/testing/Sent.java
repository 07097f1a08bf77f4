package loesscape.server.testing;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** A dispatch as its people see it: what their links are is read from the simulated mailbox. */
public final class Sent {

    private static final String PEN = "M10 80L40 20L70 80";
    private static final int PATIENCE = 150;

    private final RunningServer server;
    public final Visitor author;
    public final String template;
    public String id = "";

    private Sent(RunningServer server, Visitor author, String template) {
        this.server = server;
        this.author = author;
        this.template = template;
    }

    /** A template that is released already, by an author. */
    public static Sent in(RunningServer server, Visitor author, String template) {
        return new Sent(server, author, template);
    }

    /** The drilling agreement, which three roles sign, the last of them for deep wells only. */
    public static Sent agreement(RunningServer server) {
        Visitor author = server.author();
        return in(server, author, author.template("Drilling agreement"));
    }

    /** A template from its file, released. */
    public static Sent of(RunningServer server, String templateFile) {
        Visitor author = server.author();
        String id = author.post("/api/templates/import", templateFile)
                .ok()
                .json()
                .get("id")
                .stringValue();
        author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\",\"accepted\":\"Tried\"}")
                .ok();
        return in(server, author, id);
    }

    public String release() {
        return "/api/templates/" + template + "/releases/1/dispatches";
    }

    /** Sends to one person for each role, {@code role@… .example}. */
    public Sent send(String answers, String... roles) {
        return send(answers, true, roles);
    }

    public Sent send(String answers, boolean mayDelegate, String... roles) {
        return send(answers, mayDelegate, null, 0, roles);
    }

    /** Sends with a day on which it is due, and reminders every so many days. */
    public Sent send(String answers, boolean mayDelegate, @Nullable LocalDate due, int remindDays, String... roles) {
        id = author.post(
                        release(),
                        "{\"people\":[%s],\"answers\":%s,\"message\":\"Please look at it.\",\"due\":%s,\"remindDays\":%d,\"mayDelegate\":%s}"
                                .formatted(
                                        people(roles),
                                        answers,
                                        due == null ? "null" : "\"" + due + "\"",
                                        remindDays,
                                        mayDelegate))
                .ok()
                .json()
                .get("id")
                .stringValue();
        return this;
    }

    /** Sends so that files that are handed in go into the sealed document. */
    public Sent sendWithFilesInside(String... roles) {
        id = author.post(
                        release(),
                        "{\"people\":[%s],\"answers\":{},\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":true,\"filesInside\":true}"
                                .formatted(people(roles)))
                .ok()
                .json()
                .get("id")
                .stringValue();
        return this;
    }

    private String people(String... roles) {
        return Arrays.stream(roles)
                .map(role -> "{\"role\":\"%s\",\"name\":\"Person %s\",\"address\":\"%s\"}"
                        .formatted(role, role, address(role)))
                .collect(Collectors.joining(","));
    }

    public String address(String role) {
        return role + "@" + Integer.toHexString(System.identityHashCode(this)) + ".example";
    }

    /** Shows that an address is a visitor's own, and tells what is to be sent with the people: the confirmation and the code. */
    public String shown(Visitor visitor, String link, String address) {
        String confirmation = visitor.post(link + "/code", "{\"address\":\"%s\"}".formatted(address))
                .ok()
                .json()
                .get("confirmation")
                .stringValue();
        return "\"confirmation\":\"%s\",\"code\":\"%s\"".formatted(confirmation, code(address));
    }

    /** The code in the newest message to an address, once that is delivered. */
    public String code(String address) {
        for (int i = 0; i < PATIENCE; i++) {
            for (JsonNode message : author.get("/api/outside").ok().json().get("mail")) {
                if (message.get("address").stringValue().equals(address)) {
                    if (!message.get("delivered").isNull()) {
                        return message.get("code").stringValue();
                    }
                    break;
                }
            }
            pause();
        }
        throw new AssertionError("No code came to " + address);
    }

    /** The path in the newest message to a role, once it is delivered. */
    public String link(String role) {
        return mail(address(role), "This link is for you alone").get("path").stringValue();
    }

    public JsonNode mail(String address) {
        return mail(address, "");
    }

    /** The newest message to an address that says something, once it is delivered. */
    public JsonNode mail(String address, String saying) {
        for (int i = 0; i < PATIENCE; i++) {
            for (JsonNode message : author.get("/api/outside").ok().json().get("mail")) {
                if (message.get("address").stringValue().equals(address)
                        && message.get("body").stringValue().contains(saying)
                        && !message.get("delivered").isNull()) {
                    return message;
                }
            }
            pause();
        }
        throw new AssertionError("No such message came to " + address);
    }

    public static void pause() {
        try {
            Thread.sleep(100);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The turn of a role, opened and consented to, in a browser of its own. */
    public Turn turn(String role) {
        Turn turn = new Turn(server.visitor(), "/api" + link(role));
        turn.visitor.get(turn.path).ok();
        turn.visitor.post(turn.path + "/consent", null).ok();
        return turn;
    }

    public JsonNode page() {
        return author.get("/api/dispatches/" + id).ok().json();
    }

    public String standing() {
        return page().at("/dispatch/standing").stringValue();
    }

    /** The sealed document, once there is one. */
    public byte[] sealed() {
        for (int i = 0; i < PATIENCE && !standing().equals("finished"); i++) {
            pause();
        }
        return author.get("/api/dispatches/" + id + "/document.pdf")
                .ok()
                .response()
                .body();
    }

    public String trail() {
        StringBuilder words = new StringBuilder();
        page().get("trail")
                .forEach(line -> words.append(line.get("words").stringValue()).append('\n'));
        return words.toString();
    }

    /** A turn of one person. */
    public static final class Turn {

        public final Visitor visitor;
        public final String path;

        Turn(Visitor visitor, String path) {
            this.visitor = visitor;
            this.path = path;
        }

        public Turn answer(String field, String typed) {
            visitor.put(path + "/answers/" + field, "{\"typed\":\"%s\"}".formatted(typed))
                    .ok();
            return this;
        }

        /** Hands a file in and tells how an answer names it. */
        public String handIn(String name, String content) {
            byte[] bytes = content.getBytes(StandardCharsets.UTF_8);
            String id = visitor.upload(path + "/files?name=" + URLEncoder.encode(name, StandardCharsets.UTF_8), bytes)
                    .ok()
                    .json()
                    .get("id")
                    .stringValue();
            return "%s %d %s".formatted(id, bytes.length, name);
        }

        public Turn sign(String field) {
            return answer(field, PEN);
        }

        public JsonNode finish() {
            return visitor.post(path + "/finish", null).ok().json();
        }

        public void finished() {
            JsonNode ended = finish();
            if (!ended.get("finished").booleanValue()) {
                throw new AssertionError("Not finished: " + ended);
            }
        }

        public String text() {
            return visitor.get(path).ok().text();
        }
    }
}
