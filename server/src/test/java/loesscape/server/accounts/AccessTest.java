package loesscape.server.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.HttpCookie;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Who may call what. */
class AccessTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final RunningServer EMPTY = RunningServer.empty();

    @Test
    void nothingOfTheAuthorsIsOpenToStrangers() {
        String id = SERVER.author().template("Borehole and well permit");
        Visitor stranger = SERVER.visitor();
        String template = "/api/templates/" + id;
        for (String path : List.of(
                "/api/templates",
                template + "/draft",
                template + "/file",
                template + "/releases",
                template + "/records",
                template + "/records/1",
                template + "/records/1/record.pdf",
                template + "/records.csv",
                template + "/records.json")) {
            stranger.get(path).problem(401);
        }
        for (String path : List.of(
                "/api/templates",
                "/api/templates/import",
                template + "/draft/edits",
                template + "/draft/undo",
                template + "/draft/redo",
                template + "/releases",
                template + "/releases/1/links")) {
            stranger.post(path, "{}").problem(401);
        }
        stranger.put(template + "/draft/answers", "{}").problem(401);
        stranger.send("DELETE", template + "/draft/answers", null).problem(401);
    }

    @Test
    void aRequestWithoutTheTokenIsRefused() {
        Visitor author = SERVER.author();
        author.send("POST", "/api/templates", "{\"title\":\"Forged\"}", null).problem(403);
        author.send("POST", "/api/templates", "{\"title\":\"Forged\"}", "guessed")
                .problem(403);
        assertThat(author.get("/api/templates").ok().text()).doesNotContain("Forged");
    }

    @Test
    void linksAreUnguessableAndKeptOnlyAsHashes() throws Exception {
        Visitor author = SERVER.author();
        String id = author.template("Borehole and well permit");
        String path = author.post("/api/templates/" + id + "/releases/1/links", null)
                .ok()
                .json()
                .get("path")
                .stringValue();
        String secret = path.substring("/fill/".length());
        assertThat(secret).hasSizeGreaterThanOrEqualTo(22); // 128 bits in 6-bit characters
        SERVER.visitor().get("/api" + path).ok();
        SERVER.visitor().get("/api/fill/" + "x".repeat(secret.length())).problem(404);
        String database = Files.readString(SERVER.data().resolve("loesscape.mv.db"), StandardCharsets.ISO_8859_1);
        assertThat(database).as("what is kept as text can be read in the file").contains("Ilse Maarwick");
        assertThat(database).doesNotContain(secret);
    }

    @Test
    void anotherBrowserOnTheSameLinkSeesNothingOfMine() {
        Visitor author = SERVER.author();
        String id = author.template("Borehole and well permit");
        String path = "/api"
                + author.post("/api/templates/" + id + "/releases/1/links", null)
                        .ok()
                        .json()
                        .get("path")
                        .stringValue();
        Visitor mine = SERVER.visitor();
        mine.put(path + "/answers/applicant_name", "{\"typed\":\"Ilvo Branders\"}")
                .ok();
        assertThat(mine.get(path).ok().text()).contains("Ilvo Branders");
        assertThat(SERVER.visitor().get(path).ok().text()).doesNotContain("Ilvo Branders");
        SERVER.visitor().get(path + "/record.pdf").problem(404);
        assertThat(mine.cookies())
                .filteredOn(cookie -> cookie.getName().equals("filling"))
                .allMatch(HttpCookie::isHttpOnly);
    }

    @Test
    void theFillerIsToldNoLogic() {
        Visitor author = SERVER.author();
        String id = author.template("Borehole and well permit");
        String path = author.post("/api/templates/" + id + "/releases/1/links", null)
                .ok()
                .json()
                .get("path")
                .stringValue();
        assertThat(SERVER.visitor().get("/api" + path).ok().text()).doesNotContain("\"conditions\"", "\"test\":\"is\"");
    }

    @Test
    void theFirstStartAsksForTheFirstAuthorAndOnlyOnce() {
        Visitor first = EMPTY.visitor();
        assertThat(first.get("/api/session").ok().json().get("needsSetup").booleanValue())
                .isTrue();
        first.post("/api/session/demo", null).problem(404);
        String link = EMPTY.setupLink();
        first.post("/api/setup", "{\"link\":\"guess\",\"name\":\"Mira\",\"password\":\"long enough words\"}")
                .problem(404);
        first.post("/api/setup", "{\"link\":\"%s\",\"name\":\"Mira\",\"password\":\"short\"}".formatted(link))
                .problem(422);
        first.post(
                        "/api/setup",
                        "{\"link\":\"%s\",\"name\":\"Mira\",\"password\":\"long enough words\"}".formatted(link))
                .ok();
        first.get("/api/templates").ok();
        Visitor second = EMPTY.visitor();
        second.post(
                        "/api/setup",
                        "{\"link\":\"%s\",\"name\":\"Eve\",\"password\":\"long enough words\"}".formatted(link))
                .problem(409);
        second.post("/api/session", "{\"name\":\"Mira\",\"password\":\"wrong\"}")
                .problem(401);
        second.post("/api/session", "{\"name\":\"mira\",\"password\":\"long enough words\"}")
                .ok();
        second.send("DELETE", "/api/session", null).ok();
        second.get("/api/templates").problem(401);

        // Passwords of any script and length; what is longer than any name is nobody's, and nothing is kept of it.
        Visitor third = EMPTY.visitor();
        third.post(
                        "/api/session",
                        "{\"name\":\"%s\",\"password\":\"long enough words\"}".formatted("M".repeat(900_000)))
                .problem(401);
        for (String password :
                List.of("é".repeat(72), "löss und lehm ".repeat(70).strip())) {
            String account = "{\"name\":\"Ada %d\",\"password\":\"%s\",\"role\":\"reader\"}"
                    .formatted(password.length(), password);
            first.post("/api/accounts", account).ok();
            third.post("/api/session", account.replace(",\"role\":\"reader\"", ""))
                    .ok();
            third.send("DELETE", "/api/session", null).ok();
            third.post(
                            "/api/session",
                            account.replace(",\"role\":\"reader\"", "")
                                    .replace("é\"}", "e\"}")
                                    .replace("lehm\"}", "lehn\"}"))
                    .problem(401);
        }
    }

    @Test
    void pagesSendAPolicyAndUnknownPathsAreNotPages() {
        Visitor stranger = SERVER.visitor();
        assertThat(stranger.get("/templates/x/records").ok().text()).contains("id=\"app\"");
        assertThat(stranger.get("/").response().headers().firstValue("Content-Security-Policy"))
                .hasValueSatisfying(
                        policy -> assertThat(policy).contains("default-src 'self'", "frame-ancestors 'none'"));
        SERVER.author().get("/api/unknown").problem(404);
        assertThat(stranger.get("/assets/none.js").status()).isEqualTo(404);
    }

    /** What carries the hash of its content in its name is fetched once; a page that names it is asked for each time. */
    @Test
    void whatNeverChangesIsFetchedOnce() {
        Visitor stranger = SERVER.visitor();
        for (String path : List.of("/", "/fill/any")) {
            Visitor.Answer page = stranger.get(path).ok();
            assertThat(page.response().headers().firstValue("Cache-Control")).hasValue("no-cache");
            List<String> named = Pattern.compile("/assets/[\\w.-]+")
                    .matcher(page.text())
                    .results()
                    .map(MatchResult::group)
                    .distinct()
                    .toList();
            assertThat(named).isNotEmpty();
            assertThat(named)
                    .allSatisfy(asset -> assertThat(stranger.get(asset)
                                    .ok()
                                    .response()
                                    .headers()
                                    .firstValue("Cache-Control"))
                            .hasValue("max-age=31536000, private, immutable"));
        }
        assertThat(stranger.get("/assets/none.js").response().headers().firstValue("Cache-Control"))
                .hasValueSatisfying(value -> assertThat(value).doesNotContain("immutable"));
    }
}
