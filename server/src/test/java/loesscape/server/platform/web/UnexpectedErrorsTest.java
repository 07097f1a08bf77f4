package loesscape.server.platform.web;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.util.List;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.slf4j.LoggerFactory;
import tools.jackson.databind.JsonNode;

/** What nobody foresaw is told to whoever asked, and said once in the log. */
class UnexpectedErrorsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private final ListAppender<ILoggingEvent> log = new ListAppender<>();
    private final Logger root = (Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);

    @BeforeEach
    void listen() {
        log.start();
        root.addAppender(log);
    }

    @AfterEach
    void hearNoMore() {
        root.detachAppender(log);
    }

    @Test
    void theNumberInTheLogIsTheOneThatIsToldAndTheCauseStandsThereOnce() {
        Visitor author = SERVER.author();
        String draft = "/api/templates/" + author.template("Borehole and well permit") + "/draft";
        String edit = "{\"revision\":%d,\"edit\":{\"type\":\"retitle\",\"title\":\"Sheet\",\"subtitle\":\"\"}}"
                .formatted(author.get(draft).ok().json().get("revision").intValue());
        JsonNode problem = SERVER.without("edit", () -> author.post(draft + "/edits", edit))
                .problem(500)
                .json();
        String number = problem.get("number").stringValue();
        assertThat(problem.get("detail").stringValue()).contains(number, "kept before is still there", "Try again");
        List<ILoggingEvent> said = log.list.stream()
                .filter(line -> line.getThrowableProxy() != null)
                .toList();
        assertThat(said).hasSize(1);
        assertThat(said.getFirst().getFormattedMessage()).contains(number, draft + "/edits");
        assertThat(said.getFirst().getThrowableProxy().getClassName()).contains("BadSqlGrammar");
        author.post(draft + "/edits", edit).ok();
    }

    @Test
    void linksAreNotLogged() {
        Visitor author = SERVER.author();
        String path = "/api" + author.released("{\"formatVersion\":1,\"title\":\"T\",\"pages\":[{\"key\":\"p\"}]}");
        SERVER.without("filling", () -> SERVER.visitor().post(path + "/finish", null))
                .problem(500);
        assertThat(log.list)
                .extracting(ILoggingEvent::getFormattedMessage)
                .anyMatch(line -> line.contains("/api/fill/…/finish"))
                .noneMatch(line -> line.contains(path));
    }

    @Test
    void everyErrorIsAProblemAlsoWhereNoEndpointIs() {
        SERVER.visitor().get("/error").problem(404);
        SERVER.author().send("PATCH", "/api/templates", "{}").problem(405);
        SERVER.author().post("/api//templates", "{}").problem(400);
    }
}
