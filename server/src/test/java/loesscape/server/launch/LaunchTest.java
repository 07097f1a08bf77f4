package loesscape.server.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import loesscape.formats.json.Json;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** What can go wrong on the command line is said in one sentence. */
class LaunchTest {

    @TempDir
    private Path folder = Path.of("");

    private static Options options(Path data, int port) {
        return new Options(true, false, port, "127.0.0.1", data);
    }

    @Test
    void optionsAreReadOrRefused() {
        Options options = Options.parse(true, List.of("--port", "9000", "--data", "/tmp/x", "--reset"));
        assertThat(options).isEqualTo(new Options(true, true, 9000, "127.0.0.1", Path.of("/tmp/x")));
        assertThat(Options.parse(false, List.of()).data().toString()).endsWith("data/own");
        for (List<String> wrong : List.of(
                List.of("--port", "http"), List.of("--port", "70000"), List.of("--port"), List.of("--colour", "red"))) {
            assertThat(catchThrowableOfType(LaunchProblem.class, () -> Options.parse(true, wrong))
                            .exitCode())
                    .isEqualTo(2);
        }
        assertThatThrownBy(() -> Options.parse(false, List.of("--reset")))
                .hasMessage("--reset is for demo only; start never throws data away.");
    }

    @Test
    void aTakenPortIsSaid() throws IOException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            assertThatThrownBy(() -> Preflight.check(options(folder, taken.getLocalPort())))
                    .isInstanceOf(LaunchProblem.class)
                    .hasMessageContaining("Port " + taken.getLocalPort() + " on 127.0.0.1 cannot be used")
                    .hasMessageContaining("--port N");
        }
    }

    @Test
    void aFolderThatCannotBeWrittenIsSaid() throws IOException {
        Path file = Files.writeString(folder.resolve("file"), "in the way");
        assertThatThrownBy(() -> Preflight.check(options(file, 0)))
                .hasMessage("The folder %s cannot be written to; choose another with --data DIR.".formatted(file));
    }

    @Test
    void dataInUseIsSaidAndNeverThrownAway() throws IOException {
        Path database = folder.resolve("loesscape.mv.db");
        Preflight.check(options(folder, 0));
        Options reset = new Options(true, true, 0, "127.0.0.1", folder);
        try (FileChannel other = FileChannel.open(database, StandardOpenOption.WRITE);
                FileLock lock = other.lock()) {
            assertThat(lock.isValid()).isTrue();
            for (Options each : List.of(options(folder, 0), reset)) {
                assertThatThrownBy(() -> Preflight.check(each)).hasMessageContaining("in use by another Loesscape");
            }
        }
        assertThat(database).exists();
        Preflight.check(reset);
        assertThat(database).doesNotExist();
    }

    @Test
    void onlyWhatADemoMadeIsThrownAway() throws IOException {
        Preflight.check(new Options(false, false, 0, "127.0.0.1", folder));
        Options reset = new Options(true, true, 0, "127.0.0.1", folder);
        assertThatThrownBy(() -> Preflight.check(reset))
                .isInstanceOf(LaunchProblem.class)
                .hasMessageContaining("was not made by a demo");
        Preflight.check(options(folder, 0));
        assertThatThrownBy(() -> Preflight.check(reset)).hasMessageContaining("was not made by a demo");
        assertThat(folder.resolve("loesscape.mv.db")).exists();
    }

    @Test
    void theFolderItsSecretAndTheDatabaseAreForTheirOwnerAlone() throws Exception {
        Preflight.check(options(folder, 0));
        assertThat(Files.getPosixFilePermissions(folder)).hasSize(3);
        Path secret = folder.resolve("secret");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(secret)))
                .isEqualTo("rw-------");
        assertThat(Files.readString(secret)).hasSizeGreaterThan(30);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(folder.resolve("loesscape.mv.db"))))
                .isEqualTo("rw-------");
        String url = options(folder, 0).databaseUrl();
        assertThatThrownBy(() -> DriverManager.getConnection(url, "", ""))
                .isInstanceOf(SQLException.class)
                .hasMessageContaining("Wrong user name or password");
        Preflight.check(options(folder, 0));
        Files.writeString(secret, "another");
        assertThatThrownBy(() -> Preflight.check(options(folder, 0)))
                .isInstanceOf(LaunchProblem.class)
                .hasMessageContaining("cannot be opened");
    }

    @Test
    void dataThatIsBrokenIsSaidAndCanBeThrownAway() throws IOException {
        Preflight.check(options(folder, 0));
        Path database = Files.writeString(folder.resolve("loesscape.mv.db"), "no database at all".repeat(500));
        assertThatThrownBy(() -> Preflight.check(options(folder, 0))).hasMessageContaining("cannot be opened");
        Preflight.check(new Options(true, true, 0, "127.0.0.1", folder));
        assertThat(database).doesNotExist();
    }

    @Test
    void formulaPrintsItsValueOrWhereItIsNotUnderstood() throws IOException {
        Path values = java.nio.file.Files.writeString(
                folder.resolve("v.json"),
                "{\"depth\": 80, \"rows\": [{\"amount\": 0.1}, {\"amount\": 0.2}], \"none\": null}");
        assertThat(WorkOut.run(List.of("if depth > 50 then 120 + 2 * (depth - 50) else 120", values.toString())))
                .isEqualTo("180\n");
        assertThat(WorkOut.run(List.of("sum(rows.amount)", values.toString()))).isEqualTo("0.3\n");
        assertThat(WorkOut.run(List.of("none + 1", values.toString()))).isEqualTo("null\n");
        assertThat(WorkOut.run(List.of("date(\"2026-11-24\") + duration(\"P1D\")")))
                .isEqualTo("\"2026-11-25\"\n");
        assertThat(WorkOut.run(List.of("today() + duration(\"P30D\")", "--today", "2026-11-24")))
                .isEqualTo("\"2026-12-24\"\n");
        assertThatThrownBy(() -> WorkOut.run(List.of("today()")))
                .hasMessage("The formula asks for today(); say which day that is: --today 2026-11-24");
        assertThatThrownBy(() -> WorkOut.run(List.of("1 +\n  deep", values.toString())))
                .hasMessage("At character 7: There is no field “deep”.%n    deep%n    ^^^^".formatted());
    }

    @Test
    void formulaSeesWhatItWouldSeeInATemplate() throws IOException {
        Path template = java.nio.file.Files.writeString(folder.resolve("t.loess.json"), """
                {"formatVersion": 1, "title": "T", "pages": [{"key": "p", "sections": [
                  {"key": "s", "title": "S", "items": [
                    {"type": "field", "key": "start", "label": "Start", "kind": {"type": "date"}},
                    {"type": "field", "key": "purpose", "label": "Purpose", "kind": {"type": "oneChoice", "choices": [
                      {"id": "irrigation", "label": "Irrigation of fields"}, {"id": "well", "label": "House well"}]}}]},
                  {"key": "bills", "title": "Bills", "rows": {"least": 0, "most": 9}, "items": [
                    {"type": "field", "key": "amount", "label": "Amount", "kind": {"type": "number", "decimals": 2}}]}]}]}
                """);
        Path answers = java.nio.file.Files.writeString(
                folder.resolve("a.json"),
                "{\"start\": \"2026-11-24\", \"purpose\": \"irrigation\", \"bills\": [{\"amount\": 0.1}, {}, {\"amount\": \"0,2\"}]}");
        List<String> rest = List.of(answers.toString(), "--template", template.toString());
        assertThat(worked("start + @\"P30D\"", rest)).isEqualTo("\"2026-12-24\"\n");
        assertThat(worked("label(purpose)", rest)).isEqualTo("\"Irrigation of fields\"\n");
        assertThat(worked("total(bills.amount)", rest)).isEqualTo("0.3\n");
        assertThat(worked("sum(bills.amount)", rest)).isEqualTo("null\n");
        assertThat(worked("count(bills)", rest)).isEqualTo("3\n");
        assertThat(worked("weekday name(start)", rest)).isEqualTo("\"Tuesday\"\n");
        assertThatThrownBy(() -> worked("purpose = \"house\"", rest)).hasMessageContaining("none of the choices");
        assertThatThrownBy(() -> worked("strat + 1", rest)).hasMessageContaining("Did you mean “start”?");
        assertThatThrownBy(() -> worked("today()", rest)).hasMessageContaining("--today");
        assertThatThrownBy(() -> WorkOut.run(List.of("1", "--template"))).hasMessageContaining("--template TEMPLATE");
        assertThatThrownBy(() -> WorkOut.run(List.of("1", "--templat", "x"))).hasMessageContaining("formula needs");
    }

    private static String worked(String formula, List<String> rest) {
        List<String> arguments = new ArrayList<>(List.of(formula));
        arguments.addAll(rest);
        return WorkOut.run(arguments);
    }

    @Test
    void checkSaysAllThatIsWrongWithItsPlace() throws IOException {
        Path good = java.nio.file.Files.writeString(
                folder.resolve("good.json"), "{\"formatVersion\":1,\"title\":\"T\",\"pages\":[{\"key\":\"p\"}]}");
        assertThat(CheckTemplate.run(List.of(good.toString())).text()).startsWith("“T” can be taken");
        Path bad = java.nio.file.Files.writeString(
                folder.resolve("bad.json"),
                "{\"formatVersion\":1,\"title\":\"\",\"pages\":[{\"key\":\"p\"},{\"key\":\"p\"}]}");
        assertThatThrownBy(() -> CheckTemplate.run(List.of(bad.toString())))
                .hasMessageContaining("/title: The document has no title")
                .hasMessageContaining("/pages/1/key: The key “p” is already used");
    }

    @Test
    void evaluatePrintsTheStateOfEveryItem() throws IOException {
        Path template = Files.writeString(folder.resolve("t.loess.json"), """
                {"formatVersion":1,"title":"T","pages":[{"key":"p","sections":[{"key":"s","items":[
                 {"type":"field","key":"depth","label":"Depth","kind":{"type":"number","decimals":1}},
                 {"type":"field","key":"why","label":"Why?","kind":{"type":"text"},"required":{"type":"always"},
                  "shown":{"type":"comparison","field":"depth","test":"atLeast","to":{"type":"number","number":30}}}]}]}]}
                """);
        Path answers = Files.writeString(folder.resolve("a.json"), "{\"depth\": 30.0}");
        JsonNode state = Json.parse(Evaluate.run(List.of(template.toString(), answers.toString())));
        assertThat(state.findValue("why").get("shown").booleanValue()).isTrue();
        assertThat(state.findValue("why").get("missing").booleanValue()).isTrue();
        assertThat(state.findValue("depth").get("value").decimalValue()).isEqualByComparingTo("30");
        Path blank = Files.writeString(folder.resolve("b.json"), "{}");
        JsonNode why = Json.parse(Evaluate.run(List.of(template.toString(), blank.toString(), "--why", "why")));
        assertThat(why.at("/reasons/0/says/text").stringValue()).isEqualTo("Depth is at least 30");
        assertThat(why.at("/ways/0/changes/0/words").stringValue()).isEqualTo("Depth is 30");
        assertThatThrownBy(() -> Evaluate.run(List.of(template.toString(), answers.toString(), "--role", "driller")))
                .hasMessage("“--role driller”: there is no such role; this template has none.");
        assertThatThrownBy(() -> Evaluate.run(List.of("nowhere.json", answers.toString())))
                .hasMessage("The file nowhere.json cannot be read.");
        assertThatThrownBy(() -> Evaluate.run(List.of(answers.toString(), answers.toString())))
                .hasMessageContaining("/formatVersion");
    }
}
