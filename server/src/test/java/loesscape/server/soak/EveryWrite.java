package loesscape.server.soak;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import loesscape.formats.json.Json;
import loesscape.server.templates.FlatForm;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.TestDevice;
import loesscape.server.testing.Visitor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Does every kind of write there is once, through HTTP, as the people of a demo do. */
final class EveryWrite {

    private static final byte[] LOGO =
            "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 10 10\"><circle cx=\"5\" cy=\"5\" r=\"4\"/></svg>"
                    .getBytes(UTF_8);

    private static final String DOCUMENT = """
            {"formatVersion":1,"title":"Soak","pages":[{"key":"p","sections":[
             {"key":"s","title":"Well","items":[
              {"type":"field","key":"depth","label":"Depth","role":"a","kind":{"type":"number","decimals":1}},
              {"type":"field","key":"map","label":"Map","role":"a","kind":{"type":"attachment","most":1,"largest":1}},
              {"type":"field","key":"fee","label":"Fee","role":"a","kind":{"type":"payment","currency":"EUR","amount":"10"},
               "shown":{"type":"comparison","field":"depth","test":"more","to":{"type":"number","number":99}}},
              {"type":"field","key":"a_sign","label":"A signs","role":"a","kind":{"type":"signature"}},
              {"type":"field","key":"b_sign","label":"B signs","role":"b","kind":{"type":"signature"}}]}]}],
             "roles":[{"key":"a","name":"A","order":1},{"key":"b","name":"B","order":2}],
             "trials":[{"name":"Deep","answers":{"depth":"120"}}]}""";

    private final RunningServer server;
    private final Visitor author;
    private final String name;
    private String template = "";
    private int revision;

    EveryWrite(RunningServer server, String name) {
        this.server = server;
        this.author = server.author();
        this.name = name;
    }

    void run() {
        signIn();
        organisation();
        lookups();
        template = create("/api/templates/import", DOCUMENT);
        draft();
        blocks();
        release();
        fill();
        dispatches();
    }

    private static String id(Visitor.Answer answer) {
        return answer.ok().json().get("id").stringValue();
    }

    private String create(String path, String json) {
        return id(author.post(path, json));
    }

    private void signIn() {
        String account = "{\"name\":\"Writer %s\",\"password\":\"long enough words\"%%s}".formatted(name);
        author.post("/api/accounts", account.formatted(",\"role\":\"author\"")).ok();
        Visitor writer = server.visitor();
        writer.post("/api/session", account.formatted("")).ok();
        create("/api/templates", "{\"title\":\"Empty %s\"}".formatted(name));
        passkey(writer);
        writer.send("DELETE", "/api/session/others", null).ok();
        writer.put("/api/session/password", "{\"before\":\"long enough words\",\"after\":\"other long words\"}")
                .ok();
        writer.send("DELETE", "/api/session", null).ok();
        String of = "/api/accounts/" + accountId("Writer " + name);
        author.put(of + "/role", "{\"role\":\"sender\"}").ok();
        author.post(of + "/end-sessions", null).ok();
        String reset = path(author.post(of + "/reset", null)).substring("/reset/".length());
        String wanted = "{\"link\":\"%s\",\"password\":\"third long words\"}".formatted(reset);
        writer.post("/api/session/reset", wanted).ok();
        writer.put("/api/session/reset", wanted).ok();
        author.send("DELETE", of, null).ok();
    }

    private void passkey(Visitor writer) {
        TestDevice device = new TestDevice(server.address());
        device.credential = ("the credential of " + name).getBytes(UTF_8);
        String asked = options(writer.post("/api/session/passkeys/asked", "{\"password\":\"long enough words\"}"));
        String made = "{\"label\":\"Phone\",\"credential\":%s}".formatted(quoted(device.make(asked)));
        JsonNode list = writer.post("/api/session/passkeys", made).ok().json().get("passkeys");
        String signed = device.sign(options(writer.post("/api/session/passkey/asked", null)));
        writer.post("/api/session/passkey", "{\"credential\":%s}".formatted(quoted(signed)))
                .ok();
        writer.send("DELETE", "/api/session/passkeys/" + list.get(0).get("id").intValue(), null)
                .ok();
    }

    private static String options(Visitor.Answer answer) {
        return answer.ok().json().get("options").stringValue();
    }

    private static String quoted(String text) {
        return Json.compact(JsonNodeFactory.instance.stringNode(text));
    }

    private int accountId(String called) {
        for (JsonNode account : author.get("/api/accounts").ok().json().get("accounts")) {
            if (account.get("name").stringValue().equals(called)) {
                return account.get("id").intValue();
            }
        }
        throw new AssertionError(called);
    }

    private void organisation() {
        author.put("/api/organisation", "{\"name\":\"Board %s\",\"accent\":\"#23483f\"}".formatted(name))
                .ok();
        author.put(
                        "/api/organisation/stationery",
                        "{\"letterhead\":\"Sluice Lane 4\",\"footer\":\"\",\"typeface\":\"serif\",\"paper\":\"letter\"}")
                .ok();
        author.upload("PUT", "/api/organisation/logo?name=logo.svg", LOGO).ok();
        author.send("DELETE", "/api/organisation/logo", null).ok();
    }

    private void lookups() {
        String list =
                create("/api/lookups", "{\"name\":\"Yards %s\",\"table\":\"Yard,Rate\\nNorth,4\"}".formatted(name));
        author.put(
                        "/api/lookups/" + list,
                        "{\"version\":1,\"name\":\"Yards\",\"table\":\"Yard,Rate\\nNorth,5\",\"lines\":[]}")
                .ok();
        author.post("/api/lookups/registers", "{\"key\":\"drillers\"}").ok();
        author.post("/api/lookups/registers/drillers/entries", "{\"key\":\"DR-2046\"}")
                .ok();
        String draft =
                "/api/templates/" + create("/api/templates", "{\"title\":\"Lists %s\"}".formatted(name)) + "/draft";
        author.post(draft + "/lookups", "{\"revision\":0,\"lookup\":\"%s\"}".formatted(list))
                .ok();
    }

    private JsonNode edited(String path, String json) {
        JsonNode change = author.post(draftPath() + path, json).ok().json();
        revision = change.get("revision").intValue();
        return change;
    }

    private String draftPath() {
        return "/api/templates/" + template + "/draft";
    }

    private void draft() {
        edited("/edits", "{\"revision\":0,\"edit\":{\"type\":\"relabel\",\"key\":\"depth\",\"label\":\"How deep\"}}");
        edited("/undo", null);
        edited("/redo", null);
        author.put(draftPath() + "/answers", "{\"key\":\"depth\",\"typed\":\"30\"}")
                .ok();
        author.put(draftPath() + "/seen-as", "{\"stage\":\"reviewing\",\"role\":\"b\"}")
                .ok();
        author.post(draftPath() + "/trial", "{\"name\":\"Deep\"}").ok();
        edited("/trials", "{\"name\":\"As it stands\"}");
        revision = author.put(draftPath() + "/trials", "{\"name\":\"As it stands\"}")
                .ok()
                .json()
                .get("revision")
                .intValue();
        // As it is there already, so that nothing is other for those who fill it in.
        edited("/reach/depth", """
                {"revision":%d,"edges":["12"],"strokes":[
                 {"key":"fee","aspect":{"type":"ofNode","aspect":"shown"},"rows":[5],"is":true}]}
                """.formatted(revision));
        author.post(draftPath() + "/as-condition", "{\"formula\":\"depth > 30\"}")
                .ok();
        author.post(draftPath() + "/check-formula", "{\"formula\":\"depth > 30\"}")
                .ok();
        author.upload(draftPath() + "/files?name=map.pdf", "%PDF-1.7".getBytes(UTF_8))
                .ok();
        author.send("DELETE", draftPath() + "/answers", null).ok();
        leaveProposals();
        author.upload("/api/templates/" + template + "/pictures?name=well.svg", LOGO)
                .ok();
    }

    private void leaveProposals() {
        String form = id(author.upload("/api/templates/import?name=flat.pdf", flat()));
        JsonNode draft = author.get("/api/templates/" + form + "/draft").ok().json();
        String sheet = draft.at("/nodes/page_1/node/sheet/file").stringValue();
        author.put("/api/templates/" + form + "/sheets/" + sheet + "/pages/0/left", "{\"numbers\":[0]}")
                .ok();
    }

    private static byte[] flat() {
        try {
            return FlatForm.of("Name: ______________");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void blocks() {
        edited("/blocks", "{\"revision\":%d,\"section\":\"s\",\"name\":\"Block %s\"}".formatted(revision, name));
        String block = "";
        for (JsonNode each : author.get("/api/blocks").ok().json().get("blocks")) {
            if (each.get("name").stringValue().equals("Block " + name)) {
                block = each.get("id").stringValue();
            }
        }
        edited(
                "/blocks/use",
                "{\"revision\":%d,\"block\":\"%s\",\"holder\":\"p\",\"after\":\"s\"}".formatted(revision, block));
        edited(
                "/edits",
                "{\"revision\":%d,\"edit\":{\"type\":\"relabel\",\"key\":\"depth\",\"label\":\"Deep\"}}"
                        .formatted(revision));
        edited("/blocks", "{\"revision\":%d,\"section\":\"s\",\"name\":\"\"}".formatted(revision));
        String copy = author.get(draftPath()).ok().json().at("/held/p/1").stringValue();
        edited("/blocks/" + copy, "{\"revision\":%d,\"items\":[]}".formatted(revision));
        author.send("DELETE", "/api/blocks/" + block, null).ok();
    }

    private String releases() {
        return "/api/templates/" + template + "/releases";
    }

    private void release() {
        author.post(releases(), "{\"revision\":%d,\"notes\":\"Soaked\"}".formatted(revision))
                .ok();
    }

    private static String path(Visitor.Answer answer) {
        return answer.ok().json().get("path").stringValue();
    }

    private void fill() {
        String path = "/api" + path(author.post(releases() + "/1/links", null));
        Visitor filler = server.visitor();
        filler.put(path + "/answers/depth", "{\"typed\":\"30\"}").ok();
        String file = id(filler.upload(path + "/files?name=map.pdf", "%PDF-1.7".getBytes(UTF_8)));
        filler.put(path + "/answers/map", "{\"typed\":\"%s 8 map.pdf\"}".formatted(file))
                .ok();
        JsonNode finished = filler.post(path + "/finish", null).ok().json();
        assertThat(finished.get("record").isNull()).as("%s", finished).isFalse();
        filler.post(path + "/again", null).ok();
        String links = "/api/templates/" + template + "/links";
        String link =
                links + "/" + author.get(links).ok().json().at("/links/0/id").intValue();
        author.put(link, "{\"opens\":null,\"closes\":\"2100-01-01T00:00:00Z\"}").ok();
        author.post(link + "/end", null).ok();
        author.put("/api/templates/" + template + "/retention", "{\"days\":36500}")
                .ok();
        author.post("/api/templates/" + template + "/records/1/delete", "{\"because\":\"Soaked\"}")
                .ok();
        mergeRuns();
        byte[] answers = "{\"depth\":\"30\"}".getBytes(UTF_8);
        author.upload("/api/templates/" + template + "/answers", answers).ok();
        author.upload("/api/templates/" + template + "/records?name=well.json", answers)
                .ok();
        String access = "/api/templates/" + template + "/access";
        author.put(access, "{\"shared\":[{\"name\":\"\",\"may\":\"see\"}]}").ok();
        String other = "{\"name\":\"Heir %s\"%s}";
        author.post("/api/accounts", other.formatted(name, ",\"password\":\"long enough words\",\"role\":\"author\""))
                .ok();
        String gift = create("/api/templates", "{\"title\":\"Gift %s\"}".formatted(name));
        author.put("/api/templates/" + gift + "/access/owner", other.formatted(name, ""))
                .ok();
        String person = "{\"address\":\"nobody@x.example\",\"because\":\"Soaked\"}";
        author.post("/api/people/find", "{\"address\":\"nobody@x.example\"}").ok();
        author.post("/api/people/export", "{\"address\":\"nobody@x.example\"}").ok();
        author.post("/api/people/erase", person).ok();
    }

    private void mergeRuns() {
        String merges = "/api/templates/" + template + "/merges";
        String run = author.upload(merges + "?release=1&making=DOCX&name=wells.csv", "depth\n30\n40\n".getBytes(UTF_8))
                .ok()
                .json()
                .at("/runs/0/id")
                .stringValue();
        author.post(merges + "/" + run + "/stop", null).ok();
        author.send("DELETE", merges + "/" + run, null).ok();
    }

    private void dispatches() {
        author.put("/api/outside", "{\"service\":\"payments\",\"failing\":false,\"delay\":0}")
                .ok();
        String webhook = "/api/templates/" + template + "/webhook";
        author.put(webhook, "{\"address\":\"http://127.0.0.1:1/\"}").ok();
        author.post(webhook + "/secret", null).ok();
        signed();
        author.post("/api/outside/authority/renew", null).ok();
        identified();
        ended();
        String people = "[{\"role\":\"a\",\"name\":\"A\",\"address\":\"a@x.example\"},"
                + "{\"role\":\"b\",\"name\":\"B\",\"address\":\"b@x.example\"}]";
        author.post(
                        releases() + "/1/dispatches/table",
                        "{\"table\":\"a.name,a.address,b.name,b.address\\nA,a@x.example,B,b@x.example\",\"send\":true,"
                                + "\"common\":{\"people\":[],\"answers\":{},\"message\":\"\",\"due\":null,\"remindDays\":7,\"mayDelegate\":true}}")
                .ok();
        String link = "/api"
                + path(author.post(
                        releases() + "/1/open-links",
                        "{\"message\":\"\",\"dueDays\":14,\"remindDays\":0,\"mayDelegate\":false}"));
        Visitor visitor = server.visitor();
        String own = "a-%s@x.example".formatted(name.replaceAll("\\W", ""));
        String shown = Sent.in(server, author, template).shown(visitor, link, own);
        visitor.post(link, "{\"people\":%s,%s}".formatted(people.replace("a@x.example", own), shown))
                .ok();
        String links = "/api/templates/" + template + "/open-links";
        JsonNode made = author.get(links).ok().json().get("links").get(0);
        author.post(links + "/" + made.get("id").intValue() + "/end", null).ok();
    }

    /** A dispatch that is paid, signed by both, sealed, checked, and told to a webhook. */
    private void signed() {
        Sent sent = Sent.in(server, author, template).send("{}", "a", "b");
        Sent.Turn a = sent.turn("a");
        a.visitor.post(a.path + "/opened", null).ok();
        a.answer("depth", "120");
        String file = id(a.visitor.upload(a.path + "/files?name=map.pdf", "%PDF-1.7".getBytes(UTF_8)));
        a.answer("map", file + " 8 map.pdf");
        String late = path(a.visitor.post(a.path + "/payments/fee", null));
        server.visitor().post("/api" + late + "/late", null).ok();
        String desk = path(a.visitor.post(a.path + "/payments/fee", null));
        server.visitor().post("/api" + desk, "{\"approved\":true}").ok();
        a.sign("a_sign").finished();
        author.put("/api/outside", "{\"service\":\"authority\",\"failing\":true,\"delay\":0}")
                .ok();
        sent.turn("b").sign("b_sign").finished();
        author.post("/api/dispatches/" + sent.id + "/seal", null).ok();
        author.put("/api/outside", "{\"service\":\"authority\",\"failing\":false,\"delay\":0}")
                .ok();
        assertThat(server.visitor().upload("/api/verify", sent.sealed()).ok().text())
                .contains("sealedHere");
        assertThat(author.get("/api/templates/" + template + "/webhook").ok().text())
                .contains("\"event\":\"finished\"");
    }

    /** A turn of whom a code is asked. */
    private void identified() {
        String address = "code-%s@x.example".formatted(name.replaceAll("\\W", ""));
        Sent sent = Sent.in(server, author, template);
        author.post(
                        sent.release(),
                        "{\"people\":[{\"role\":\"a\",\"name\":\"A\",\"address\":\"%s\",\"check\":\"mailCode\"},{\"role\":\"b\",\"name\":\"B\",\"address\":\"b@x.example\"}],\"answers\":{},\"message\":\"\",\"due\":null,\"remindDays\":0,\"mayDelegate\":true}"
                                .formatted(address))
                .ok();
        Visitor a = server.visitor();
        String path = "/api"
                + sent.mail(address, "This link is for you alone").get("path").stringValue();
        a.post(path + "/identity/code", null).ok();
        String code = sent.mail(address, "With this code").get("code").stringValue();
        a.post(path + "/identity", "{\"given\":\"%s\"}".formatted(code)).ok();
        a.get(path).ok();
    }

    /** Dispatches that are handed on, corrected, reminded, taken back, declined. */
    private void ended() {
        Sent sent = Sent.in(server, author, template).send("{}", "a", "b");
        String dispatch = "/api/dispatches/" + sent.id;
        Sent.Turn a = sent.turn("a");
        a.visitor
                .post(
                        a.path + "/delegate",
                        "{\"name\":\"Cousin\",\"address\":\"cousin@x.example\",\"because\":\"On leave\"}")
                .ok();
        author.post(dispatch + "/correct", "{\"role\":\"b\",\"name\":\"Other\",\"address\":\"other@x.example\"}")
                .ok();
        author.post(dispatch + "/remind", "{\"role\":\"a\"}").ok();
        author.post(dispatch + "/withdraw", "{\"because\":\"Wrong parcel\"}").ok();
        author.post(dispatch + "/delete", "{\"because\":\"Wrong parcel\"}").ok();
        Sent.Turn declining =
                Sent.in(server, author, template).send("{}", "a", "b").turn("a");
        declining
                .visitor
                .post(declining.path + "/decline", "{\"because\":\"Not my land\"}")
                .ok();
    }
}
