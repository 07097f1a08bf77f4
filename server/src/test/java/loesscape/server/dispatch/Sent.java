package loesscape.server.dispatch;

import java.util.Arrays;
import java.util.stream.Collectors;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import tools.jackson.databind.JsonNode;

/** A dispatch as its people see it: what their links are is read from the simulated mailbox. */
final class Sent {

    private static final String PEN = "M10 80L40 20L70 80";
    private static final int PATIENCE = 150;

    private final RunningServer server;
    final Visitor author;
    final String template;
    String id = "";

    private Sent(RunningServer server, String template) {
        this.server = server;
        this.author = server.author();
        this.template = template;
    }

    /** The drilling agreement, which three roles sign, the last of them for deep wells only. */
    static Sent agreement(RunningServer server) {
        return new Sent(server, server.author().template("Drilling agreement"));
    }

    /** A template from its file, released. */
    static Sent of(RunningServer server, String templateFile) {
        Sent sent = new Sent(server, "");
        String id = sent.author
                .post("/api/templates/import", templateFile)
                .ok()
                .json()
                .get("id")
                .stringValue();
        sent.author
                .post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .ok();
        return new Sent(server, id);
    }

    String release() {
        return "/api/templates/" + template + "/releases/1/dispatches";
    }

    /** Sends to one person for each role, {@code role@… .example}. */
    Sent send(String answers, String... roles) {
        return send(answers, true, roles);
    }

    Sent send(String answers, boolean mayDelegate, String... roles) {
        String people = Arrays.stream(roles)
                .map(role -> "{\"role\":\"%s\",\"name\":\"Person %s\",\"address\":\"%s\"}"
                        .formatted(role, role, address(role)))
                .collect(Collectors.joining(","));
        id = author.post(
                        release(),
                        "{\"people\":[%s],\"answers\":%s,\"message\":\"Please look at it.\",\"due\":null,\"remindDays\":0,\"mayDelegate\":%s}"
                                .formatted(people, answers, mayDelegate))
                .ok()
                .json()
                .get("id")
                .stringValue();
        return this;
    }

    String address(String role) {
        return role + "@" + Integer.toHexString(System.identityHashCode(this)) + ".example";
    }

    /** The path in the newest message to a role, once it is delivered. */
    String link(String role) {
        return mail(address(role)).get("path").stringValue();
    }

    JsonNode mail(String address) {
        return mail(address, "");
    }

    /** The newest message to an address that says something, once it is delivered. */
    JsonNode mail(String address, String saying) {
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

    static void pause() {
        try {
            Thread.sleep(100);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The turn of a role, opened and consented to, in a browser of its own. */
    Turn turn(String role) {
        Turn turn = new Turn(server.visitor(), "/api" + link(role));
        turn.visitor.get(turn.path).ok();
        turn.visitor.post(turn.path + "/consent", null).ok();
        return turn;
    }

    JsonNode page() {
        return author.get("/api/dispatches/" + id).ok().json();
    }

    String standing() {
        return page().at("/dispatch/standing").stringValue();
    }

    /** The sealed document, once there is one. */
    byte[] sealed() {
        for (int i = 0; i < PATIENCE && !standing().equals("finished"); i++) {
            pause();
        }
        return author.get("/api/dispatches/" + id + "/document.pdf")
                .ok()
                .response()
                .body();
    }

    String trail() {
        StringBuilder words = new StringBuilder();
        page().get("trail")
                .forEach(line -> words.append(line.get("words").stringValue()).append('\n'));
        return words.toString();
    }

    /** A turn of one person. */
    static final class Turn {

        final Visitor visitor;
        final String path;

        Turn(Visitor visitor, String path) {
            this.visitor = visitor;
            this.path = path;
        }

        Turn answer(String field, String typed) {
            visitor.put(path + "/answers/" + field, "{\"typed\":\"%s\"}".formatted(typed))
                    .ok();
            return this;
        }

        Turn sign(String field) {
            return answer(field, PEN);
        }

        JsonNode finish() {
            return visitor.post(path + "/finish", null).ok().json();
        }

        void finished() {
            JsonNode ended = finish();
            if (!ended.get("finished").booleanValue()) {
                throw new AssertionError("Not finished: " + ended);
            }
        }

        String text() {
            return visitor.get(path).ok().text();
        }
    }
}
