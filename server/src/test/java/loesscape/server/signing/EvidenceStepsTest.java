package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import loesscape.server.launch.CommandResult;
import loesscape.server.launch.Verify;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;

/** The steps that docs/evidence.md tells an expert, and the same in one command: both run as they stand there. */
class EvidenceStepsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Proved","pages":[{"key":"p","sections":[{"key":"s","items":[
              {"type":"field","key":"note","label":"Note","role":"a","kind":{"type":"text"}},
              {"type":"field","key":"map","label":"Map","role":"a","kind":{"type":"attachment","most":2,"largest":1}},
              {"type":"field","key":"sign","label":"A signs","role":"a","kind":{"type":"signature"}},
              {"type":"field","key":"b_sign","label":"B signs","role":"b","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1},{"key":"b","name":"B","order":2}]}""";

    @TempDir
    private Path folder = Path.of("");

    private byte[] sealed = {};

    private void prepare() throws Exception {
        Sent sent = Sent.of(SERVER, DOCUMENT).sendWithFilesInside("a", "b");
        Sent.Turn a = sent.turn("a");
        a.answer("note", "≥ 30 m")
                .answer("map", a.handIn("map of the parcel.txt", "a map"))
                .sign("sign");
        a.finished();
        sent.turn("b").sign("b_sign").finished();
        sealed = sent.sealed();
        Files.write(folder.resolve("sealed.pdf"), sealed);
        Files.write(
                folder.resolve("root.pem"),
                sent.author.get("/api/outside/root.pem").ok().response().body());
        fetchList();
    }

    private void fetchList() throws Exception {
        Files.write(
                folder.resolve("root.crl"),
                SERVER.author().get("/api/outside/root.crl").ok().response().body());
    }

    private int steps() throws Exception {
        String page = Files.readString(Path.of("../docs/evidence.md"));
        String steps = page.replaceFirst("(?s).*?```bash\n(.*?)```.*", "$1");
        Process process = new ProcessBuilder("bash", "-euo", "pipefail", "-c", steps)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return process.waitFor();
    }

    private String said = "";

    @Test
    void theStepsOfThePageProveASealedDocument() throws Exception {
        prepare();
        assertThat(steps()).as(said).isZero();
        assertThat(said).contains("The trail is whole");
        assertThat(folder.resolve("file-1-map of the parcel.txt")).hasContent("a map");
        sealed[sealed.length / 4] ^= 1;
        Files.write(folder.resolve("sealed.pdf"), sealed);
        assertThat(steps()).as(said).isNotZero();
    }

    @Test
    void theCommandSaysTheSameWithoutAServer() throws Exception {
        prepare();
        String file = folder.resolve("sealed.pdf").toString();
        String root = folder.resolve("root.pem").toString();
        CommandResult whole = Verify.run(List.of(file, "--root", root));
        assertThat(whole.exitCode()).isZero();
        assertThat(whole.text())
                .startsWith("Whole, and sealed under this root.")
                .contains("Signed “A signs” as A");
        assertThat(Verify.run(List.of(file)).exitCode()).isEqualTo(1);
        String list = folder.resolve("root.crl").toString();
        assertThat(Verify.run(List.of(file, "--root", root, "--crl", list)).exitCode())
                .isZero();
        assertThatThrownBy(() -> Verify.run(List.of(file, "--root", root, "--crl", file)))
                .hasMessageContaining("holds no list of revoked certificates");
        assertThat(Verify.run(List.of("--json", file, "--root", root)).text())
                .contains("\"verdict\" : \"sealed_here\"");
        sealed[sealed.length / 4] ^= 1;
        Files.write(folder.resolve("sealed.pdf"), sealed);
        assertThat(Verify.run(List.of(file, "--root", root)).exitCode()).isEqualTo(2);
    }

    @Test
    void whatWasSealedBeforeACertificateWasCalledBackStaysSealed() throws Exception {
        prepare();
        String file = folder.resolve("sealed.pdf").toString();
        String root = folder.resolve("root.pem").toString();
        String list = folder.resolve("root.crl").toString();
        SERVER.forward(Duration.ofMinutes(1));
        SERVER.author().post("/api/outside/authority/renew", null).ok();
        fetchList();
        assertThat(steps())
                .as("the expert is told that the certificate is on the list")
                .isNotZero();
        assertThat(Verify.run(List.of(file, "--root", root, "--crl", list)).exitCode())
                .as("and that it was sealed before")
                .isZero();
        prepare();
        assertThat(steps()).as(said).isZero();
        assertThat(Verify.run(List.of(file, "--root", root, "--crl", list)).exitCode())
                .isZero();
        SERVER.restart();
        assertThat(SERVER.visitor().upload("/api/verify", sealed).ok().text()).contains("sealedHere");
    }
}
