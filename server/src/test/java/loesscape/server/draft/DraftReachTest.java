package loesscape.server.draft;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** What the answers to a field reach, asked of the server: what is asked for, what is refused, what is set. */
class DraftReachTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String PERMIT = "Borehole and well permit";

    private static String draft(Visitor author, String title) {
        return "/api/templates/" + author.template(title) + "/draft";
    }

    private static List<String> lines(JsonNode view) {
        return StreamSupport.stream(view.at("/table/rows").spliterator(), false)
                .map(row -> row.get("words").stringValue())
                .toList();
    }

    /** A comma in an edge is the comma of a number, not one between two edges. */
    @Test
    void anEdgeMayBeTypedWithADecimalComma() {
        Visitor author = SERVER.author();
        String reach = draft(author, PERMIT) + "/reach/planned_depth";
        assertThat(lines(author.get(reach + "?edge=2,5").ok().json()))
                .contains("exactly 2.5 m")
                .doesNotContain("exactly 2 m", "exactly 5 m");
        assertThat(lines(author.get(reach + "?edge=2&edge=7.5").ok().json())).contains("exactly 2 m", "exactly 7.5 m");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    planned_depth?edge=deep                | “deep” is no answer to “Planned depth”
                    planned_depth?edge=                    | at which answer
                    purpose?edge=30                        | are all told apart
                    gone                                   | no longer in the document
                    planned_depth/examples?revision={now}&row=99&column=0 | changed in the meantime
                    planned_depth/examples?revision={now}&row=0&column=-1 | changed in the meantime
                    planned_depth/across/gone?revision={now}&column=0 | changed in the meantime
                    planned_depth/across/planned_depth?revision={now}&column=0 | changed in the meantime
                    """)
    void whatCannotBeAskedIsRefusedInWords(String asked, String words) {
        Visitor author = SERVER.author();
        String draft = draft(author, PERMIT);
        String revision = author.get(draft).ok().json().get("revision").toString();
        assertThat(author.get(draft + "/reach/" + asked.replace("{now}", revision))
                        .problem(422)
                        .json()
                        .get("detail")
                        .stringValue())
                .contains(words);
    }

    /** Entries of a list are told apart by name, texts too, though nothing in the document names them. */
    @Test
    void entriesOfAListAndTextsAreToldApart() {
        Visitor author = SERVER.author();
        String loan = draft(author, "Equipment loan agreement") + "/reach/";
        assertThat(lines(author.get(loan + "borrower_name?edge=Ida%20Lind").ok().json()))
                .containsExactly("blank", "“Ida Lind”", "anything else");
        assertThat(lines(author.get(loan + "equipment_kind?edge=Auger").ok().json()))
                .contains("Auger");
        assertThat(author.get(loan + "equipment_kind?edge=Nowhere")
                        .problem(422)
                        .json()
                        .get("detail")
                        .stringValue())
                .contains("“Nowhere” is not in the list of “");
    }

    @Test
    void tooManyEdgesAreRefused() {
        Visitor author = SERVER.author();
        String edges =
                IntStream.rangeClosed(1, 51).mapToObj(edge -> "edge=" + edge).collect(Collectors.joining("&"));
        author.get(draft(author, PERMIT) + "/reach/planned_depth?" + edges).problem(422);
    }

    /** Of what was looked at before somebody else edited nothing is set. */
    @Test
    void whatIsSetIsOneEditOfTheDocumentThatWasLookedAt() {
        Visitor author = SERVER.author();
        String draft = draft(author, "Soil sample sheet (single)");
        JsonNode before = author.get(draft + "/reach/ph").ok().json();
        int revision = before.get("revision").intValue();
        int blank = lines(before).indexOf("blank");
        String set = """
                {"revision": %d, "edges": [], "strokes": [
                 {"key": "notes", "aspect": {"type": "ofNode", "aspect": "shown"}, "rows": [%d], "is": false}]}
                """;
        JsonNode change = author.post(draft + "/reach/ph", set.formatted(revision, blank))
                .ok()
                .json();
        assertThat(change.get("revision").intValue()).isEqualTo(revision + 1);
        assertThat(change.at("/nodes/notes/node/shown/type").stringValue()).isEqualTo("answered");
        author.post(draft + "/reach/ph", set.formatted(revision, blank)).problem(409);
        author.post(draft + "/reach/ph", "{\"revision\": %d, \"strokes\": []}".formatted(revision + 1))
                .problem(422);
        author.post(draft + "/undo", null).ok();
        assertThat(author.get(draft).ok().json().at("/nodes/notes/node/shown").isNull())
                .isTrue();
    }

    /** A line and a column are those of the table that was read, not of one that has come since. */
    @Test
    void examplesAreThoseOfTheDocumentThatWasLookedAt() {
        Visitor author = SERVER.author();
        String draft = draft(author, PERMIT);
        int revision = author.get(draft).ok().json().get("revision").intValue();
        String examples = draft + "/reach/planned_depth/examples?reading=ALL&row=0&column=0&revision=";
        String across = draft + "/reach/planned_depth/across/purpose?column=0&revision=";
        author.get(examples + revision).ok();
        author.get(across + revision).ok();
        author.post(
                        draft + "/edits",
                        "{\"revision\":%d,\"edit\":{\"type\":\"relabel\",\"key\":\"nearest_log\",\"label\":\"Nearest\"}}"
                                .formatted(revision))
                .ok();
        for (String asked : List.of(examples, across)) {
            assertThat(author.get(asked + revision)
                            .problem(422)
                            .json()
                            .get("detail")
                            .stringValue())
                    .contains("changed in the meantime");
            author.get(asked + (revision + 1)).ok();
        }
        author.post(draft + "/undo", null).ok();
    }

    /** Cells that begin like a formula are texts in whatever program opens the table. */
    @Test
    void theTableIsSavedForOtherPrograms() {
        Visitor author = SERVER.author();
        String draft = draft(author, PERMIT);
        int revision = author.get(draft).ok().json().get("revision").intValue();
        author.post(
                        draft + "/edits",
                        "{\"revision\":%d,\"edit\":{\"type\":\"relabel\",\"key\":\"nearest_log\",\"label\":\"=1+1\"}}"
                                .formatted(revision))
                .ok();
        Visitor.Answer table =
                author.get(draft + "/reach/planned_depth/table.csv").ok();
        assertThat(table.response().headers().firstValue("Content-Type").orElse(""))
                .startsWith("text/csv");
        assertThat(table.text())
                .contains("\"'=1+1: shown\"")
                .contains("\"exactly 30 m\"")
                .contains("\"not accepted\"");
        author.post(draft + "/undo", null).ok();
    }
}
