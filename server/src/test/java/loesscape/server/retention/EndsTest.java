package loesscape.server.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import javax.sql.DataSource;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Links, records, dispatches and what is kept of people come to an end. */
class EndsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static String id(Visitor author, String title) {
        String id = author.post("/api/templates/import", """
                        {"formatVersion":1,"title":"%s","pages":[{"key":"p","sections":[{"key":"s","items":[
                         {"type":"field","key":"mail","label":"E-mail","kind":{"type":"text"}},
                         {"type":"field","key":"map","label":"Map","kind":{"type":"attachment","most":1,"largest":1}}]}]}]}""".formatted(title))
                .ok()
                .json()
                .get("id")
                .stringValue();
        author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .ok();
        return id;
    }

    private static String link(Visitor author, String template, String opening) {
        return "/api"
                + author.post("/api/templates/" + template + "/releases/1/links", opening)
                        .ok()
                        .json()
                        .get("path")
                        .stringValue();
    }

    private static Visitor finished(String link, String mail) {
        Visitor filler = SERVER.visitor();
        filler.put(link + "/answers/mail", "{\"typed\":\"%s\"}".formatted(mail)).ok();
        filler.upload(link + "/files?name=map.pdf", "%PDF-1.7".getBytes(StandardCharsets.UTF_8))
                .ok();
        assertThat(filler.post(link + "/finish", null).ok().json().get("record").isNull())
                .isFalse();
        return filler;
    }

    private static int rows(String table) {
        return Objects.requireNonNull(new JdbcTemplate(SERVER.part("dataSource", DataSource.class))
                .queryForObject("SELECT count(*) FROM " + table, Integer.class));
    }

    @Test
    void aLinkOpensClosesAndEnds() {
        Visitor author = SERVER.author();
        String template = id(author, "Opening");
        Instant now = SERVER.clock().instant();
        String link = link(
                author,
                template,
                "{\"opens\":\"%s\",\"closes\":\"%s\"}"
                        .formatted(now.plus(Duration.ofHours(1)), now.plus(Duration.ofHours(3))));
        assertThat(SERVER.visitor().get(link).problem(409).text()).contains("This opens on");
        SERVER.visitor().put(link + "/answers/mail", "{\"typed\":\"x\"}").problem(409);
        SERVER.forward(Duration.ofHours(2));
        Visitor done = finished(link, "a@x.example");
        Visitor begun = SERVER.visitor();
        begun.put(link + "/answers/mail", "{\"typed\":\"x\"}").ok();
        SERVER.forward(Duration.ofHours(2));
        assertThat(begun.get(link).problem(410).text()).contains("This closed on");
        begun.put(link + "/answers/mail", "{\"typed\":\"y\"}").problem(410);
        begun.post(link + "/finish", null).problem(410);
        SERVER.visitor().post(link + "/finish", null).problem(410);
        done.get(link).ok();
        done.get(link + "/record.pdf").ok();

        author = SERVER.author();
        JsonNode row =
                author.get("/api/templates/" + template + "/links").ok().json().at("/links/0");
        assertThat(row.get("begun").intValue()).isEqualTo(2);
        assertThat(row.get("finished").intValue()).isEqualTo(1);
        String path = "/api/templates/" + template + "/links/" + row.get("id").intValue();
        author.put(path, "{\"opens\":null,\"closes\":null}").ok();
        begun.put(link + "/answers/mail", "{\"typed\":\"y\"}").ok();
        author.put(path, "{\"opens\":\"2030-01-02T00:00:00Z\",\"closes\":\"2030-01-01T00:00:00Z\"}")
                .problem(422);
        author.post(path + "/end", null).ok();
        author.post(path + "/end", null).problem(404);
        author.put(path, "{\"opens\":null,\"closes\":null}").problem(404);
        assertThat(begun.get(link).problem(410).text()).contains("was ended");
    }

    @Test
    void aRecordIsDeletedWithAReasonAndItsNumberIsNotGivenAgain() {
        Visitor author = SERVER.author();
        String template = id(author, "Deleting");
        String link = link(author, template, "{\"opens\":null,\"closes\":null}");
        finished(link, "first@x.example");
        Visitor second = finished(link, "second@x.example");
        second.get(link + "/record.pdf").ok();
        String records = "/api/templates/" + template + "/records";
        author.post(records + "/2/delete", "{\"because\":\" \"}").problem(422);
        int files = rows("handed_in");
        author.post(records + "/2/delete", "{\"because\":\"Asked for\"}").ok();
        author.post(records + "/2/delete", "{\"because\":\"Asked for\"}").problem(404);
        author.get(records + "/2").problem(404);
        assertThat(rows("handed_in")).isEqualTo(files - 1);
        second.get(link + "/record.pdf").problem(404);
        finished(link, "third@x.example");
        JsonNode newest = author.get(records + "/3").ok().json();
        assertThat(newest.get("older").intValue()).isEqualTo(1);
        assertThat(newest.get("newer").isNull()).isTrue();
        assertThat(author.get("/api/templates/" + template + "/retention")
                        .ok()
                        .json()
                        .at("/deleted/0/what")
                        .stringValue())
                .isEqualTo("Record 2");
    }

    @Test
    void aDispatchIsDeletedOnceItHasEndedAndItsDocumentCanStillBeChecked() {
        Sent sent = Sent.of(SERVER, ONE_SIGNS).send("{}", "a");
        String path = "/api/dispatches/" + sent.id;
        sent.author.post(path + "/delete", "{\"because\":\"Done\"}").problem(409);
        sent.turn("a").sign("sign").finished();
        byte[] sealed = sent.sealed();
        sent.author
                .post("/api/templates/" + sent.template + "/records/1/delete", "{\"because\":\"Done\"}")
                .problem(409);
        sent.author.post(path + "/delete", "{\"because\":\"Done\"}").ok();
        sent.author.get(path).problem(404);
        sent.author.get("/api/templates/" + sent.template + "/records/1").problem(404);
        assertThat(SERVER.visitor().upload("/api/verify", sealed).ok().text()).contains("sealedHere");
        for (String table : new String[] {"party", "trail", "party_link", "turn_snapshot"}) {
            assertThat(rows(table + " WHERE dispatch_id = '%s'".formatted(sent.id)))
                    .as(table)
                    .isZero();
        }
        Sent.of(SERVER, ONE_SIGNS).send("{}", "a").turn("a").sign("sign").finished();
    }

    private static final String ONE_SIGNS = """
            {"formatVersion":1,"title":"One signs","pages":[{"key":"p","sections":[{"key":"s","items":[
             {"type":"field","key":"sign","label":"Sign","role":"a","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1}]}""";

    @Test
    void whatComesInIsDeletedAfterItsTime() {
        Visitor author = SERVER.author();
        String template = id(author, "Retained");
        String link = link(author, template, "{\"opens\":null,\"closes\":null}");
        finished(link, "old@x.example");
        SERVER.visitor().put(link + "/answers/mail", "{\"typed\":\"begun\"}").ok();
        String retention = "/api/templates/" + template + "/retention";
        author.put(retention, "{\"days\":0}").problem(422);
        author.put(retention, "{\"days\":30}").ok();
        Runnable tidy = SERVER.tidying();
        SERVER.forward(Duration.ofDays(29));
        finished(link, "new@x.example");
        tidy.run();
        assertThat(rows("record WHERE template_id = '%s'".formatted(template))).isEqualTo(2);
        SERVER.forward(Duration.ofDays(2));
        tidy.run();
        assertThat(rows("record WHERE template_id = '%s'".formatted(template))).isEqualTo(1);
        author = SERVER.author();
        JsonNode kept = author.get(retention).ok().json();
        assertThat(kept.get("days").intValue()).isEqualTo(30);
        assertThat(kept.get("deleted").size()).isEqualTo(2);
        author.put(retention, "{\"days\":null}").ok();
        SERVER.forward(Duration.ofDays(300));
        tidy.run();
        assertThat(rows("record WHERE template_id = '%s'".formatted(template))).isEqualTo(1);
    }

    @Test
    void allThatIsKeptOfAPersonIsFoundExportedAndErased() {
        Visitor author = SERVER.author();
        String template = id(author, "People");
        String link = link(author, template, "{\"opens\":null,\"closes\":null}");
        finished(link, "Ilvo@People.example");
        SERVER.visitor()
                .put(link + "/answers/mail", "{\"typed\":\"write to ilvo@people.example\"}")
                .ok();
        Sent sent = Sent.of(SERVER, ONE_SIGNS);
        sent.author
                .post(
                        sent.release(),
                        "{\"people\":[{\"role\":\"a\",\"name\":\"Ilvo\",\"address\":\"ilvo@people.example\"}],\"answers\":{},"
                                + "\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":true}")
                .ok();
        sent.mail("ilvo@people.example");
        author.post("/api/people/find", "{\"address\":\"ilvo\"}").problem(422);
        String of = "{\"address\":\"ilvo@people.example\"}";
        JsonNode found = author.post("/api/people/find", of).ok().json();
        assertThat(found.get("erasable").toString()).contains("Record 1 of “People”", "1 begun", "1 message");
        assertThat(found.get("evidence").toString()).contains("“One signs”, as A");
        assertThat(author.post("/api/people/export", of).ok().text()).contains("Ilvo@People.example", "write to ilvo");
        author.post("/api/people/erase", "{\"address\":\"ilvo@people.example\",\"because\":\"\"}")
                .problem(422);
        JsonNode left = author.post(
                        "/api/people/erase", "{\"address\":\"ilvo@people.example\",\"because\":\"Asked for\"}")
                .ok()
                .json();
        assertThat(left.get("erasable").size()).isZero();
        assertThat(left.get("evidence").size()).isEqualTo(1);
        author.get("/api/templates/" + template + "/records/1").problem(404);
    }
}
