package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Through an open link nobody has mail sent to others before an address of their own is shown, and not without end. */
class OpenLinksTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static String link(Sent sent, String more) {
        return "/api"
                + sent.author
                        .post(
                                "/api/templates/" + sent.template + "/releases/1/open-links",
                                "{\"message\":\"\",\"dueDays\":14,\"remindDays\":0,\"mayDelegate\":false%s}"
                                        .formatted(more))
                        .ok()
                        .json()
                        .get("path")
                        .stringValue();
    }

    private static String people(String a, String b) {
        return "\"people\":[{\"role\":\"a\",\"name\":\"A\",\"address\":\"%s\"},{\"role\":\"b\",\"name\":\"B\",\"address\":\"%s\"}]"
                .formatted(a, b);
    }

    @Test
    void nothingIsSentToOthersBeforeAnAddressIsShownToBeOnesOwn() {
        Sent sent = Sent.of(SERVER, DispatchesTest.TOGETHER);
        String link = link(sent, "");
        Visitor visitor = SERVER.visitor();
        String others = people("victim@open.example", "other@open.example");
        visitor.post(link, "{%s,\"confirmation\":\"guess\",\"code\":\"123456\"}".formatted(others))
                .problem(403);
        visitor.post(link + "/code", "{\"address\":\"no address\"}").problem(422);

        String confirmation = visitor.post(link + "/code", "{\"address\":\"own@open.example\"}")
                .ok()
                .json()
                .get("confirmation")
                .stringValue();
        String code = sent.code("own@open.example");
        String wrong = code.equals("000000") ? "111111" : "000000";
        for (int i = 0; i < 5; i++) {
            visitor.post(link, "{%s,\"confirmation\":\"%s\",\"code\":\"%s\"}".formatted(others, confirmation, wrong))
                    .problem(403);
        }
        assertThat(visitor.post(
                                link,
                                "{%s,\"confirmation\":\"%s\",\"code\":\"%s\"}".formatted(others, confirmation, code))
                        .problem(403)
                        .text())
                .as("a code that was guessed at is worth nothing")
                .contains("have another sent");

        String shown = sent.shown(visitor, link, "own@open.example");
        assertThat(visitor.post(link, "{%s,%s}".formatted(others, shown))
                        .problem(422)
                        .text())
                .contains("nobody is named with it");
        visitor.post(link, "{%s,%s}".formatted(people("OWN@open.example", "other@open.example"), shown))
                .ok();
        visitor.post(link, "{%s,%s}".formatted(people("own@open.example", "other@open.example"), shown))
                .problem(403);
        assertThat(sent.author.get("/api/outside").ok().text()).doesNotContain("victim@open.example");
    }

    @Test
    void whatIsBegunThroughALinkIsBoundedByTheDay() {
        Sent sent = Sent.of(SERVER, DispatchesTest.TOGETHER);
        String link = link(sent, ",\"mostADay\":2");
        Visitor visitor = SERVER.visitor();
        for (int i = 0; i < 2; i++) {
            String own = "day%d@open.example".formatted(i);
            String shown = sent.shown(visitor, link, own);
            visitor.post(link, "{%s,%s}".formatted(people(own, "other@open.example"), shown))
                    .ok();
        }
        visitor.post(link + "/code", "{\"address\":\"third@open.example\"}").problem(429);
        SERVER.forward(Duration.ofHours(25));
        Visitor author = SERVER.author();
        visitor.post(link + "/code", "{\"address\":\"third@open.example\"}").ok();
        for (int i = 0; i < 4; i++) {
            visitor.post(link + "/code", "{\"address\":\"third@open.example\"}").ok();
        }
        visitor.post(link + "/code", "{\"address\":\"Third@open.example\"}").problem(429);
        author.post(
                        "/api/templates/" + sent.template + "/releases/1/open-links",
                        "{\"message\":\"\",\"dueDays\":-1,\"remindDays\":0,\"mayDelegate\":false}")
                .problem(422);
        author.post(
                        "/api/templates/" + sent.template + "/releases/1/open-links",
                        "{\"message\":\"\",\"dueDays\":2000000000,\"remindDays\":0,\"mayDelegate\":false}")
                .problem(422);
    }

    @Test
    void aLinkOfATurnEndsWithTheDayOnWhichItIsDueWhereTheSenderWantsIt() {
        for (boolean ends : new boolean[] {true, false}) {
            Sent sent = Sent.of(SERVER, DispatchesTest.TOGETHER);
            LocalDate due = LocalDate.now(SERVER.clock()).plusDays(3);
            sent.id = sent.author
                    .post(
                            sent.release(),
                            "{%s,\"answers\":{},\"message\":\"\",\"due\":\"%s\",\"remindDays\":0,\"mayDelegate\":true,\"endsWhenDue\":%s}"
                                    .formatted(people(sent.address("a"), sent.address("b")), due, ends))
                    .ok()
                    .json()
                    .get("id")
                    .stringValue();
            String turn = "/api" + sent.link("a");
            SERVER.visitor().get(turn).ok();
            SERVER.forward(Duration.ofDays(4));
            Visitor.Answer late = SERVER.visitor().get(turn);
            assertThat(late.status()).isEqualTo(ends ? 410 : 200);
        }
        Sent sent = Sent.of(SERVER, DispatchesTest.TOGETHER);
        sent.author
                .post(
                        sent.release(),
                        "{%s,\"answers\":{},\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":true,\"endsWhenDue\":true}"
                                .formatted(people(sent.address("a"), sent.address("b"))))
                .problem(422);
    }
}
