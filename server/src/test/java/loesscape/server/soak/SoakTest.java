package loesscape.server.soak;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashSet;
import java.util.Set;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.http.server.PathContainer;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.pattern.PathPattern;
import tools.jackson.databind.JsonNode;

/** A new folder keeps taking every kind of write when all connections it began with are long retired. */
class SoakTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final RunningServer EMPTY = RunningServer.empty();

    /** What can be done only once, at the first start. */
    private static final String SETUP = "POST /api/setup";

    @Test
    void everyKindOfWriteGoesOnWhenAllConnectionsAreRetired() {
        for (String round : new String[] {"first", "second"}) {
            SERVER.succeeded().clear();
            new EveryWrite(SERVER, round).run();
            assertThat(neverDone())
                    .as("writes that were not tried, %s round", round)
                    .containsExactly(SETUP);
            SERVER.retireConnections();
        }
    }

    @Test
    void everyKindOfWriteGoesOnWhenMonthsHavePassed() {
        Sent old = Sent.agreement(SERVER)
                .send(
                        "{}",
                        true,
                        LocalDate.now(ZoneId.systemDefault()).plusDays(40),
                        7,
                        "landowner",
                        "driller",
                        "hydrologist");
        Visitor early = SERVER.author();
        for (int month = 1; month <= 3; month++) {
            SERVER.forward(Duration.ofDays(30));
            SERVER.retireConnections();
            early.get("/api/templates").problem(401);
            new EveryWrite(SERVER, "month " + month).run();
            early = SERVER.author();
        }
        SERVER.forward(Duration.ofHours(11));
        early.get("/api/templates").ok();
        SERVER.forward(Duration.ofHours(11));
        early.get("/api/templates").ok();
        SERVER.forward(Duration.ofHours(13));
        early.get("/api/templates").problem(401);
        JsonNode page = SERVER.author().get("/api/dispatches/" + old.id).ok().json();
        assertThat(page.at("/dispatch/standing").stringValue()).isEqualTo("overdue");
        assertThat(page.get("trail").toString().split("Reminded")).hasSizeGreaterThan(3);
    }

    @Test
    void theFirstAuthorMayComeLate() {
        EMPTY.retireConnections();
        EMPTY.retireConnections();
        EMPTY.visitor()
                .post(
                        "/api/setup",
                        "{\"link\":\"%s\",\"name\":\"Mira\",\"password\":\"long enough words\"}"
                                .formatted(EMPTY.setupLink()))
                .ok();
    }

    /** The endpoints that change something and were not asked with success. */
    private static Set<String> neverDone() {
        Set<String> never = new LinkedHashSet<>();
        SERVER.part("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .keySet()
                .forEach(mapping -> mapping.getMethodsCondition().getMethods().stream()
                        .filter(method -> !method.name().equals("GET"))
                        .forEach(method -> mapping.getPathPatternsCondition().getPatterns().stream()
                                .filter(pattern -> !wasDone(method.name(), pattern))
                                .forEach(pattern -> never.add(method + " " + pattern.getPatternString()))));
        return never;
    }

    private static boolean wasDone(String method, PathPattern pattern) {
        return SERVER.succeeded().stream()
                .anyMatch(done -> done.method().equals(method)
                        && pattern.matches(PathContainer.parsePath(done.uri().getPath())));
    }
}
