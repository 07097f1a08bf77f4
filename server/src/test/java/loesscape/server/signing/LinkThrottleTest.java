package loesscape.server.signing;

import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Whoever guesses links is slowed down, and nobody else is. */
class LinkThrottleTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @Test
    void guessesCloseNoLinkThatLeadsSomewhereAndNamesCloseNone() {
        Sent sent = Sent.of(SERVER, DispatchesTest.TOGETHER);
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
        for (int i = 0; i < 9; i++) {
            stranger.post("/api/session", "{\"name\":\"link from 127.0.0.1\",\"password\":\"guess %d\"}".formatted(i));
            stranger.post("/api/session", "{\"name\":\"127.0.0.1\",\"password\":\"guess %d\"}".formatted(i));
        }
        stranger.get("/api/open/guess").problem(404);
        for (int i = 0; i < 7; i++) {
            stranger.get("/api/open/guess" + i).problem(404);
        }
        stranger.get("/api/open/guess").problem(429);
        stranger.get(link).ok();
    }
}
