package loesscape.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.Objects;
import java.util.Random;
import java.util.stream.Stream;
import javax.sql.DataSource;
import loesscape.server.filling.FillingStore;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.core.JdbcTemplate;

/** Files are bounded for one person, for one link and for all, and pass through on disk. */
class UploadsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo()
            .with(
                    "loesscape.files.filling=300000",
                    "loesscape.files.link=500000",
                    "loesscape.files.installation=900000");

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Files","pages":[{"key":"p","sections":[{"key":"s","items":[
             {"type":"field","key":"map","label":"Map","kind":{"type":"attachment","most":5,"largest":1}}]}]}]}""";

    private static byte[] some(int bytes) {
        byte[] content = new byte[bytes];
        new Random(bytes).nextBytes(content);
        return content;
    }

    @Test
    void eachLimitIsSaidInASentence() throws IOException {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(DOCUMENT);
        String other = "/api" + author.released(DOCUMENT);
        Visitor one = SERVER.visitor();
        byte[] content = some(200_000);
        String id = one.upload(path + "/files?name=map.pdf", content)
                .ok()
                .json()
                .get("id")
                .stringValue();
        assertThat(one.get(path + "/files/" + id).ok().response().body()).isEqualTo(content);
        one.upload(path + "/files?name=map.pdf", content).problem(422);
        SERVER.visitor().get(path + "/files/" + id).problem(404);

        Visitor two = SERVER.visitor();
        two.upload(path + "/files?name=map.pdf", content).ok();
        assertThat(SERVER.visitor()
                        .upload(path + "/files?name=map.pdf", content)
                        .problem(409)
                        .text())
                .contains("Through this link no more files are taken");

        Visitor three = SERVER.visitor();
        three.upload(other + "/files?name=map.pdf", some(250_000)).ok();
        three.upload(other + "/files?name=map.pdf", some(49_000)).ok();
        Visitor four = SERVER.visitor();
        four.upload(other + "/files?name=map.pdf", some(190_000)).ok();
        assertThat(author.upload(
                                "/api/templates/" + author.template("Files") + "/draft/files?name=map.pdf",
                                some(100_000))
                        .problem(409)
                        .text())
                .contains("No more files are taken here");

        one.upload(path + "/files?name=empty.pdf", new byte[0]).problem(422);
        one.upload(path + "/files?name=picture.png", some(100)).problem(422);
        try (Stream<Path> passing = Files.list(SERVER.data().resolve("passing"))) {
            assertThat(passing).as("nothing is left of what passed through").isEmpty();
        }
    }

    private static int count(JdbcTemplate database) {
        return Objects.requireNonNull(database.queryForObject(
                "SELECT count(*) FROM filling WHERE link IS NOT NULL AND finished IS NULL", Integer.class));
    }

    @Test
    void fillingsThatNobodyAnswersAreCleared() {
        Visitor author = SERVER.author();
        String path = "/api" + author.released(DOCUMENT);
        for (int i = 0; i < 5; i++) {
            SERVER.visitor().post(path + "/finish", null);
        }
        SERVER.visitor().put(path + "/answers/nowhere", "{\"typed\":\"x\"}").problem(404);
        Visitor answering = SERVER.visitor();
        answering.put(path + "/answers/map", "{\"typed\":\"\"}").ok();
        JdbcTemplate database = new JdbcTemplate(SERVER.part("dataSource", DataSource.class));
        int before = count(database);
        FillingStore fillings = SERVER.part("fillingStore", FillingStore.class);
        fillings.clearUnanswered(Duration.ofDays(1));
        assertThat(count(database)).isEqualTo(before);
        SERVER.forward(Duration.ofDays(2));
        fillings.clearUnanswered(Duration.ofDays(1));
        assertThat(count(database)).isLessThanOrEqualTo(before - 1);
        assertThat(Arrays.toString(answering.get(path).ok().response().body())).isNotEmpty();
        answering.post(path + "/finish", null).ok();
    }
}
