package loesscape.server.lookups;

import static org.assertj.core.api.Assertions.assertThat;

import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The lookup lists of the organisation: versions, and how templates take them over. */
class LookupsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static JsonNode made(Visitor author, String table) {
        return author.post("/api/lookups", "{\"name\":\"Yards\",\"table\":\"%s\"}".formatted(table))
                .ok()
                .json();
    }

    @Test
    void aTableBecomesAListAndEditsBecomeVersions() {
        Visitor author = SERVER.author();
        author.post("/api/lookups", "{\"name\":\"Bad\",\"table\":\"A,A\\nx,y\"}")
                .problem(422);
        author.post("/api/lookups", "{\"name\":\"Bad\",\"table\":\"A,B\\nx,y,z\"}")
                .problem(422);
        JsonNode first = made(author, "Yard,Day rate\\n\\\"North, old\\\",4.50\\nSouth,22");
        assertThat(first.at("/list/rows/0/0").stringValue()).isEqualTo("North, old");
        assertThat(first.at("/list/columns/1/number").booleanValue()).isTrue();
        assertThat(first.at("/list/columns/1/key").stringValue()).isEqualTo("day_rate");
        String path = "/api/lookups/" + first.get("id").stringValue();
        String next =
                "{\"version\":1,\"name\":\"Yards\",\"table\":\"\",\"lines\":[[\"Yard\",\"Day rate\"],[\"North\",\"5\"]]}";
        assertThat(author.put(path, next).ok().json().get("version").intValue()).isEqualTo(2);
        author.put(path, next).problem(409);
        assertThat(author.get(path + "?version=1").ok().json().at("/list/rows").size())
                .as("versions are never changed")
                .isEqualTo(2);
    }

    @Test
    void aTemplateTakesAListAndLaterVersionsOnlyWhenItsAuthorSaysSo() {
        Visitor author = SERVER.author();
        JsonNode list = made(author, "Yard;Rate\\nNorth;4,5\\nSouth;+22");
        assertThat(list.at("/list/rows").toString()).isEqualTo("[[\"North\",\"4.5\"],[\"South\",\"22\"]]");
        String id = list.get("id").stringValue();
        String template = author.post("/api/templates", "{\"title\":\"Yards\"}")
                .ok()
                .json()
                .get("id")
                .stringValue();
        String draft = "/api/templates/" + template + "/draft";
        JsonNode taken = author.post(draft + "/lookups", "{\"revision\":0,\"lookup\":\"%s\"}".formatted(id))
                .ok()
                .json();
        assertThat(taken.at("/settings/lists/0/source/version").intValue()).isEqualTo(1);
        author.put(
                        "/api/lookups/" + id,
                        "{\"version\":1,\"name\":\"Yards\",\"table\":\"Yard,Rate\\nEast,9\",\"lines\":[]}")
                .ok();
        assertThat(author.get(draft + "/lists/yards").ok().json().get("rows").size())
                .isEqualTo(2);
        author.post(draft + "/lookups", "{\"revision\":1,\"lookup\":\"%s\"}".formatted(id))
                .ok();
        JsonNode now = author.get(draft + "/lists/yards").ok().json();
        assertThat(now.at("/rows/0/0").stringValue()).isEqualTo("East");
        assertThat(now.at("/source/version").intValue()).isEqualTo(2);
        assertThat(author.get("/api/templates/" + template + "/file").ok().text())
                .as("the template file is whole")
                .contains("East");
    }

    @Test
    void theDirectoryAnswersByKeyAndWhereItDoesNotTheListStays() {
        Visitor author = SERVER.author();
        String ask = "{\"key\":\"drillers\"}";
        JsonNode drillers = author.post("/api/lookups/registers", ask).ok().json();
        assertThat(drillers.toString()).contains("Bronwater Drilling");
        author.post("/api/lookups/registers", "{\"key\":\"nobody\"}").problem(404);
        author.put("/api/outside", "{\"service\":\"directory\",\"failing\":true,\"delay\":0}")
                .ok();
        author.post("/api/lookups/registers", ask).problem(503);
        author.put("/api/outside", "{\"service\":\"directory\",\"failing\":false,\"delay\":300}")
                .ok();
        assertThat(author.post("/api/lookups/registers", ask)
                        .ok()
                        .json()
                        .get("version")
                        .intValue())
                .as("what has not changed is no new version")
                .isEqualTo(1);
    }

    @Test
    void oneEntryIsAskedForByItsKeyAndTakesItsPlace() {
        Visitor author = SERVER.author();
        String entries = "/api/lookups/registers/drillers/entries";
        JsonNode list = author.post(entries, "{\"key\":\" dr-2046\"}").ok().json();
        int version = list.get("version").intValue();
        assertThat(list.at("/list/rows").toString())
                .as("as it is there already")
                .contains("[\"DR-2046\",\"Hallema Wells\",\"Veldhollow\",\"150\"]");
        String path = "/api/lookups/" + list.get("id").stringValue();
        author.put(
                        path,
                        "{\"version\":%d,\"name\":\"Licensed drillers\",\"table\":\"\",\"lines\":[[\"Licence\",\"Note\",\"Firm\"],[\"DR-1180\",\"old\",\"Changed\"]]}"
                                .formatted(version))
                .ok();
        assertThat(author.post(entries, "{\"key\":\"DR-1180\"}")
                        .ok()
                        .json()
                        .at("/list/rows")
                        .toString())
                .isEqualTo("[[\"DR-1180\",\"old\",\"Kolder & Vos\"]]");
        assertThat(author.post(entries, "{\"key\":\"DR-3309\"}")
                        .ok()
                        .json()
                        .at("/list/rows/1")
                        .toString())
                .isEqualTo("[\"DR-3309\",\"\",\"Brink Boring\"]");
        assertThat(author.post(entries, "{\"key\":\"DR-0\"}").problem(404).text())
                .contains("knows no “DR-0”");
        author.post("/api/lookups/registers/nothing/entries", "{\"key\":\"x\"}").problem(404);
    }
}
