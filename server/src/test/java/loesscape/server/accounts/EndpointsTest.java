package loesscape.server.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashSet;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every endpoint there is, asked by those who may not: strangers, readers and senders. */
class EndpointsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final Pattern FOR_ALL =
            Pattern.compile("/api/(session|setup|fill|sign|signed|open|desk|verify)(/.*)?|/healthz");

    private static final Pattern FOR_READERS =
            Pattern.compile("GET /api/(dispatches.*|templates|templates/[^/]+/records.*|organisation.*)");

    private static final Pattern FOR_SENDERS = Pattern.compile(
            "(GET|POST|DELETE) /api/templates/[^/]+/merges.*|GET /api/templates/[^/]+/(open-links|releases(/[^/]+/(roles|form\\.[a-z]+))?)|POST /api/dispatches/[^/]+/(?!delete).*|POST /api/templates/[^/]+/answers|POST /api/templates/[^/]+/releases/[^/]+/(dispatches.*|open-links)|POST /api/templates/[^/]+/open-links/.*");

    private record Endpoint(String method, String path) {

        boolean fits(Pattern pattern) {
            return pattern.matcher(method + " " + path).matches();
        }
    }

    private static Set<Endpoint> endpoints() {
        Set<Endpoint> endpoints = new LinkedHashSet<>();
        SERVER.part("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .keySet()
                .forEach(mapping -> mapping.getPatternValues()
                        .forEach(pattern -> mapping.getMethodsCondition()
                                .getMethods()
                                .forEach(method -> endpoints.add(new Endpoint(
                                        method.name(),
                                        pattern.replaceAll("\\{(number|release|link)}", "1")
                                                .replaceAll(
                                                        "\\{(id|template|block|run)}",
                                                        UUID.randomUUID().toString())
                                                .replaceAll("\\{[^}]+}", "x"))))));
        endpoints.removeIf(endpoint -> !endpoint.path().startsWith("/api/"));
        return endpoints;
    }

    @Test
    void nobodyMayDoWhatIsNotTheirs() {
        Set<Endpoint> endpoints = endpoints();
        assertThat(endpoints).hasSizeGreaterThan(50);
        Visitor reader = account("reader");
        Visitor sender = account("sender");
        for (Endpoint endpoint : endpoints) {
            if (FOR_ALL.matcher(endpoint.path()).matches()) {
                continue;
            }
            assertThat(status(SERVER.visitor(), endpoint))
                    .as("a stranger, %s", endpoint)
                    .isEqualTo(401);
            boolean forReaders = endpoint.fits(FOR_READERS);
            assertThat(status(reader, endpoint) == 403)
                    .as("a reader, %s", endpoint)
                    .isEqualTo(!forReaders);
            boolean forSenders = forReaders || endpoint.fits(FOR_SENDERS);
            assertThat(status(sender, endpoint) == 403)
                    .as("a sender, %s", endpoint)
                    .isEqualTo(!forSenders);
        }
    }

    private static int status(Visitor visitor, Endpoint endpoint) {
        visitor.get("/api/session").ok();
        return visitor.send(
                        endpoint.method(), endpoint.path(), endpoint.method().equals("GET") ? null : "{}")
                .status();
    }

    private static Visitor account(String role) {
        SERVER.author()
                .post(
                        "/api/accounts",
                        "{\"name\":\"The %s\",\"password\":\"long enough words\",\"role\":\"%s\"}"
                                .formatted(role, role))
                .ok();
        Visitor visitor = SERVER.visitor();
        visitor.get("/api/session").ok();
        visitor.post("/api/session", "{\"name\":\"The %s\",\"password\":\"long enough words\"}".formatted(role))
                .ok();
        return visitor;
    }

    @Test
    void whoGuessesLinksIsSlowedDown() {
        Visitor guesser = SERVER.visitor();
        for (int i = 0; i < 8; i++) {
            guesser.get("/api/sign/guess" + i).problem(404);
        }
        guesser.get("/api/sign/guess").problem(429);
        guesser.get("/api/open/guess").problem(429);
    }
}
