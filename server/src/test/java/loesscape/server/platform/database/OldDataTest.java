package loesscape.server.platform.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/**
 * The demo as an earlier version laid it out (tables of V7, November 2026; trails of the first form) opens, and its trails
 * and sealed documents check as they did.
 */
class OldDataTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.withOldData("/old/data-of-schema-7.mv.db.gz");

    @Test
    void trailsSealsAndRecordsOfBeforeAreWhole() {
        Visitor author = SERVER.author();
        List<String> standings = new ArrayList<>();
        for (JsonNode row : author.get("/api/dispatches").ok().json().get("dispatches")) {
            String path = "/api/dispatches/" + row.get("id").stringValue();
            JsonNode page = author.get(path).ok().json();
            standings.add(row.get("standing").stringValue());
            assertThat(page.get("trail")).isNotEmpty();
            assertThat(page.get("broken").stringValue()).isEmpty();
            assertThat(page.get("trail").toString()).doesNotContain("cannot be read");
            if (!row.get("standing").stringValue().equals("finished")) {
                continue;
            }
            byte[] sealed = author.get(path + "/document.pdf").ok().response().body();
            JsonNode checked =
                    SERVER.visitor().upload("/api/verify", sealed).ok().json();
            assertThat(checked.get("verdict").stringValue()).isEqualTo("sealedHere");
            assertThat(checked.get("brokenAt").intValue()).isZero();
            assertThat(checked.get("trail"))
                    .hasSameSizeAs(page.get("trail")
                            .valueStream()
                            .limit(page.get("trail").size() - 1L)
                            .toList());
        }
        assertThat(standings).contains("finished", "waiting");
        String permit = author.template("Borehole and well permit");
        assertThat(author.get("/api/templates/" + permit + "/records.csv")
                        .ok()
                        .text()
                        .lines())
                .hasSizeGreaterThan(1);
        author.get("/api/templates/" + permit + "/draft").ok();
    }
}
