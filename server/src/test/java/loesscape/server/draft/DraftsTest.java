package loesscape.server.draft;

import static org.assertj.core.api.Assertions.assertThat;

import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The Draft view's side of the server. */
class DraftsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static String made(Visitor author, String title) {
        String id = author.post("/api/templates", "{\"title\":\"%s\"}".formatted(title))
                .ok()
                .json()
                .get("id")
                .stringValue();
        return "/api/templates/" + id + "/draft";
    }

    private static Visitor.Answer edit(Visitor author, String draft, int revision, String edit) {
        return author.post(draft + "/edits", "{\"revision\":%d,\"edit\":%s}".formatted(revision, edit));
    }

    private static final String ADD_NAME =
            "{\"type\":\"add\",\"what\":\"text\",\"label\":\"Name\",\"holder\":\"section_1\",\"after\":null}";

    @Test
    void editsAreKeptUndoneAndRedoneAlsoAfterARestart() {
        String draft = made(SERVER.author(), "Restarted");
        Visitor author = SERVER.author();
        edit(author, draft, 0, ADD_NAME).ok();
        edit(author, draft, 1, "{\"type\":\"relabel\",\"key\":\"name\",\"label\":\"Full name\"}")
                .ok();
        SERVER.restart();
        author = SERVER.author();
        assertThat(author.get(draft).ok().json().at("/nodes/name/name").stringValue())
                .isEqualTo("Full name");
        author.post(draft + "/undo", null).ok();
        JsonNode undone = author.post(draft + "/undo", null).ok().json();
        assertThat(undone.get("gone").get(0).stringValue()).isEqualTo("name");
        assertThat(undone.get("canUndo").booleanValue()).isFalse();
        author.post(draft + "/undo", null).problem(422);
        author.post(draft + "/redo", null).ok();
        assertThat(author.post(draft + "/redo", null)
                        .ok()
                        .json()
                        .at("/nodes/name/name")
                        .stringValue())
                .isEqualTo("Full name");
        author.post(draft + "/redo", null).problem(422);
    }

    @Test
    void aDocumentOfManyEditsIsReadAsItWasKept() {
        String draft = made(SERVER.author(), "Edited often");
        edit(SERVER.author(), draft, 0, ADD_NAME).ok();
        for (int revision = 1; revision < 70; revision++) {
            String edit = revision % 3 == 0
                    ? ADD_NAME
                    : "{\"type\":\"relabel\",\"key\":\"name\",\"label\":\"Name %d\"}".formatted(revision);
            edit(SERVER.author(), draft, revision, edit).ok();
            if (revision == 31 || revision == 40) {
                JsonNode before = SERVER.author().get(draft).ok().json();
                SERVER.restart();
                assertThat(SERVER.author().get(draft).ok().json()).isEqualTo(before);
            }
        }
    }

    /** What an author types means what the same text means where a filler types it. */
    @Test
    void numbersOfAuthorsAreReadAsThoseOfFillersAndKeepAllTheirDigits() {
        Visitor author = SERVER.author();
        String draft = made(author, "Limits");
        edit(
                        author,
                        draft,
                        0,
                        "{\"type\":\"add\",\"what\":\"number\",\"label\":\"Depth\",\"holder\":\"section_1\",\"after\":null}")
                .ok();
        String limit =
                "{\"type\":\"setKind\",\"key\":\"depth\",\"kind\":{\"type\":\"number\",\"lower\":{\"at\":%s,\"included\":true}}}";
        assertThat(edit(author, draft, 1, limit.formatted("\"1,000\""))
                        .problem(422)
                        .text())
                .contains("This could be 1000 or 1.000; write it one of these ways.");
        edit(author, draft, 1, limit.formatted("\"a few\"")).problem(422);
        assertThat(edit(author, draft, 1, limit.formatted("\"12345678901234567,89\""))
                        .ok()
                        .text())
                .contains("\"at\":\"12345678901234567.89\"");
        assertThat(author.get(draft).ok().text()).contains("\"at\":\"12345678901234567.89\"");
        assertThat(author.get(draft.replace("/draft", "/file")).text()).doesNotContain("\"at\":\"");
    }

    @Test
    void anEditOnAnOldRevisionIsRefusedWithWhatChanged() {
        Visitor author = SERVER.author();
        String draft = made(author, "Two tabs");
        edit(author, draft, 0, ADD_NAME).ok();
        assertThat(edit(author, draft, 0, ADD_NAME).problem(409).text()).contains("“Name”");
        assertThat(author.get(draft).ok().json().get("revision").intValue()).isEqualTo(1);
    }

    @Test
    void typingIntoTheDocumentShowsWhatFollowsAndIsFoundAgain() {
        Visitor author = SERVER.author();
        String draft = made(author, "Tried out");
        edit(
                        author,
                        draft,
                        0,
                        "{\"type\":\"add\",\"what\":\"yesNo\",\"label\":\"Well\",\"holder\":\"section_1\",\"after\":null}")
                .ok();
        edit(
                        author,
                        draft,
                        1,
                        "{\"type\":\"add\",\"what\":\"number\",\"label\":\"Depth, m\",\"holder\":\"section_1\",\"after\":\"well\"}")
                .ok();
        JsonNode folded = edit(
                        author,
                        draft,
                        2,
                        "{\"type\":\"setCondition\",\"keys\":[\"depth\"],\"aspects\":[\"shown\"],\"condition\":"
                                + "{\"type\":\"choice\",\"field\":\"well\",\"test\":\"is\",\"choices\":[\"yes\"]}}")
                .ok()
                .json();
        assertThat(folded.at("/nodes/depth/folded").stringValue()).isEqualTo("Well is blank");
        JsonNode shown = author.put(draft + "/answers", "{\"key\":\"well\",\"typed\":\"yes\"}")
                .ok()
                .json();
        assertThat(shown.at("/nodes/depth/state/shown").booleanValue()).isTrue();
        assertThat(shown.at("/nodes/depth/folded").stringValue()).isEmpty();
        assertThat(shown.get("nodes").propertyNames()).containsExactlyInAnyOrder("well", "depth");
        JsonNode opened = author.get(draft).ok().json();
        assertThat(opened.at("/answers/well").stringValue()).isEqualTo("yes");
        assertThat(opened.at("/nodes/depth/state/shown").booleanValue()).isTrue();
    }

    @Test
    void whatCannotBeDoneIsSaidAndChangesNothing() {
        Visitor author = SERVER.author();
        String draft = made(author, "Refused");
        edit(author, draft, 0, "{\"type\":\"relabel\",\"key\":\"nothing\",\"label\":\"X\"}")
                .problem(422);
        edit(author, draft, 0, "{\"type\":\"explode\"}").problem(400);
        edit(author, draft, 0, "nonsense").problem(400);
        assertThat(author.get(draft).ok().json().get("revision").intValue()).isZero();
        author.get("/api/templates/00000000-0000-0000-0000-000000000000/draft").problem(404);
        author.get("/api/templates/no-uuid/draft").problem(400);
        author.get("/api/templates/00000000-0000-0000-0000-000000000000/pictures/map.png")
                .problem(404);
    }

    @Test
    void aFileThatIsNoTemplateIsRefusedAndChangesNothing() {
        Visitor author = SERVER.author();
        int before = author.get("/api/templates").ok().json().get("templates").size();
        JsonNode problem = author.post("/api/templates/import", "{\"formatVersion\":1,\"title\":5}")
                .problem(422)
                .json();
        assertThat(problem.at("/problems/0/path").stringValue()).isEqualTo("/title");
        author.post("/api/templates/import", " ".repeat(5_000_000)).problem(422);
        author.post("/api/templates/import", " ".repeat(42_000_000)).problem(413);
        author.post("/api/templates", "{\"title\":\"%s\"}".formatted("x".repeat(2_000_000)))
                .problem(413);
        assertThat(author.get("/api/templates").ok().json().get("templates").size())
                .isEqualTo(before);
    }

    @Test
    void anExportedFileImportsAsTheSameTemplate() {
        Visitor author = SERVER.author();
        String file = author.get("/api/templates/" + author.template("Borehole and well permit") + "/file")
                .ok()
                .text();
        String id =
                author.post("/api/templates/import", file).ok().json().get("id").stringValue();
        assertThat(author.get("/api/templates/" + id + "/file").ok().text()).isEqualTo(file);
    }
}
