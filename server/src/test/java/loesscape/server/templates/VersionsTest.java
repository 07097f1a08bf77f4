package loesscape.server.templates;

import static org.assertj.core.api.Assertions.assertThat;

import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What changes from one release to the next, and to the draft. */
class VersionsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String SHEET = "Soil sample sheet (single)";

    private final Visitor author = SERVER.author();
    private final String path = "/api/templates/" + author.template(SHEET);

    private void edit(String edit) {
        int revision = author.get(path + "/draft").ok().json().get("revision").intValue();
        author.post(path + "/draft/edits", "{\"revision\": %d, \"edit\": %s}".formatted(revision, edit))
                .ok();
    }

    private void advised(String below) {
        edit("""
                {"type": "setCondition", "keys": ["lime_advised"], "aspects": ["shown"],
                  "condition": {"type": "comparison", "field": "ph", "test": "less",
                    "to": {"type": "number", "number": "%s"}, "whenBlank": null}}
                """.formatted(below));
    }

    private int released() {
        int revision =
                author.get(path + "/releases").ok().json().get("revision").intValue();
        return author.post(path + "/releases", "{\"revision\": %d, \"notes\": \"\"}".formatted(revision))
                .ok()
                .json()
                .get("release")
                .intValue();
    }

    private JsonNode differences(String between) {
        return author.get(path + "/differences?" + between).ok().json().get("difference");
    }

    @Test
    void releasesAndTheDraftAreComparedByWhatTheyDo() {
        int first = released();
        assertThat(differences("from=" + first).get("changed")).isEmpty();
        advised("5.5");
        JsonNode changed = differences("from=" + first).get("changed");
        // What follows it is folded with it.
        assertThat(changed).hasSize(2);
        assertThat(changed.get(0).get("name").stringValue()).isEqualTo("Is liming advised?");
        assertThat(changed.get(0).get("answers").stringValue()).contains("5.5");
        assertThat(changed.get(0).get("after").stringValue()).isEqualTo("folded");
        // Only the key is another: it is still the same question.
        edit("{\"type\": \"renameKey\", \"key\": \"carbonate\", \"to\": \"carbonate_note\"}");
        int second = released();
        JsonNode renamed = differences("from=%d&to=%d".formatted(first, second));
        assertThat(renamed.get("changed")).hasSize(2);
        assertThat(renamed.get("added")).isEmpty();
        assertThat(renamed.get("removed")).isEmpty();
        JsonNode backwards = differences("from=%d&to=%d".formatted(second, first));
        assertThat(backwards.get("changed").get(0).get("after").stringValue()).isEqualTo("shown");
        assertThat(backwards.get("added")).isEmpty();
        assertThat(differences("from=" + second).get("changed")).isEmpty();
    }

    @Test
    void whatIsNotThereIsSaid() {
        assertThat(author.get(path + "/differences?from=99").status()).isEqualTo(404);
        assertThat(author.get(path + "/differences?from=first").status()).isEqualTo(400);
        assertThat(author.get(path + "/differences").status()).isEqualTo(400);
        assertThat(author.get("/api/templates/00000000-0000-0000-0000-000000000000/differences?from=1")
                        .status())
                .isEqualTo(404);
    }
}
