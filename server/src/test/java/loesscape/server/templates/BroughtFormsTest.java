package loesscape.server.templates;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.zip.ZipInputStream;
import loesscape.formats.paper.PageImages;
import loesscape.server.demo.DemoWorld;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** PDF forms that somebody brings: made templates, released, filled in, read, signed, and saved again. */
class BroughtFormsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final String IMPORT = "/api/templates/import?name=";

    private static byte[] form() throws IOException {
        try (InputStream file = DemoWorld.class.getResourceAsStream("drainage-consent.pdf")) {
            return file == null ? new byte[0] : file.readAllBytes();
        }
    }

    private static String brought(Visitor author, String name) throws IOException {
        return author.upload(IMPORT + name, form()).ok().json().get("id").stringValue();
    }

    /** What the draft tells of a page. */
    private static JsonNode page(Visitor author, String template, String page) {
        return author.get("/api/templates/" + template + "/draft")
                .ok()
                .json()
                .get("nodes")
                .get(page)
                .get("node");
    }

    private static String sheet(Visitor author, String template) {
        return page(author, template, "page_1").get("sheet").get("file").stringValue();
    }

    private static String words(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void aFormThatIsBroughtBecomesATemplateWithItsPagesBesideIt() throws IOException {
        Visitor author = SERVER.author();
        JsonNode made = author.upload(IMPORT + "consent.pdf", form()).ok().json();
        assertThat(made.get("remarks").toString()).contains("is not run");
        String id = made.get("id").stringValue();
        assertThat(author.get("/api/templates/" + id + "/draft")
                        .ok()
                        .json()
                        .get("title")
                        .stringValue())
                .isEqualTo("Drainage consent");
        String base = "/api/templates/" + id + "/sheets/" + sheet(author, id);
        assertThat(author.get(base + "/pages/0").ok().response().body()).startsWith(0x89, 'P', 'N', 'G');
        assertThat(author.get(base + "/pages/0").ok().response().body())
                .isEqualTo(author.get(base + "/pages/0").ok().response().body());
        author.get(base + "/pages/3").problem(404);
        author.get(base + "/pages/-1").problem(404);
        author.get("/api/templates/" + id + "/sheets/other.pdf/pages/0").problem(404);
        assertThat(author.get(base + "/original").ok().response().body()).isEqualTo(form());
        SERVER.visitor().get(base + "/pages/0").problem(401);
        SERVER.visitor().get(base + "/original").problem(401);
    }

    @Test
    void whatIsNoFormIsRefusedWithASentenceAndLeavesNothing() throws IOException {
        Visitor author = SERVER.author();
        int before = author.get("/api/templates").ok().json().get("templates").size();
        byte[] cut = Arrays.copyOf(form(), 4_000);
        assertThat(author.upload(IMPORT + "cut.pdf", cut)
                        .problem(422)
                        .json()
                        .get("detail")
                        .stringValue())
                .contains("broken");
        byte[] locked = locked();
        JsonNode asked =
                author.upload(IMPORT + "locked.pdf", locked).problem(422).json();
        assertThat(asked.get("type").stringValue()).isEqualTo("/problems/password");
        assertThat(asked.get("detail").stringValue()).contains("opens with a password");
        assertThat(author.get("/api/templates").ok().json().get("templates").size())
                .isEqualTo(before);
    }

    private static byte[] locked() throws IOException {
        try (PDDocument document = Loader.loadPDF(form())) {
            document.protect(new StandardProtectionPolicy("owner", "grüße", new AccessPermission()));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    @Test
    void whatIsFoundOnAFormWithoutFieldsIsProposedAndRemembersWhatIsLeft() throws IOException {
        Visitor author = SERVER.author();
        byte[] flat = FlatForm.of("Name: ______________", "Begin: ____________", "Kind: ______________");
        JsonNode made = author.upload(IMPORT + "flat.pdf", flat).ok().json();
        assertThat(made.get("remarks").toString()).contains("3 places that look as if they were to be filled in");
        String id = made.get("id").stringValue();
        String page = "/api/templates/" + id + "/sheets/" + sheet(author, id) + "/pages/0";
        JsonNode found = author.get(page + "/found").ok().json();
        assertThat(found.get("page").get("proposals").findValuesAsString("label"))
                .containsExactly("Name", "Begin", "Kind");
        assertThat(found.get("left")).isEmpty();
        assertThat(author.put(page + "/left", "{\"numbers\":[1,1,77]}")
                        .ok()
                        .json()
                        .get("left")
                        .toString())
                .isEqualTo("[1]");
        assertThat(author.get(page + "/found").ok().json().get("left").toString())
                .isEqualTo("[1]");
        author.get(page.replace("pages/0", "pages/1") + "/found").problem(404);
        author.get(page.replace("sheet-", "other-") + "/found").problem(404);
        SERVER.visitor().get(page + "/found").problem(401);
        SERVER.visitor().put(page + "/left", "{\"numbers\":[]}").problem(401);

        // Beside a copy only the pages are kept: what is printed on them is found there anew.
        byte[] archive =
                author.get("/api/templates/" + id + "/file").ok().response().body();
        String again = author.upload(IMPORT + "again.zip", archive)
                .ok()
                .json()
                .get("id")
                .stringValue();
        String there = "/api/templates/" + again + "/sheets/" + sheet(author, again) + "/pages/0/found";
        assertThat(author.get(there).ok().json().get("page").get("proposals")).hasSize(3);
    }

    @Test
    void aTemplateGoesIntoAFileAndComesBackWithItsPages() throws IOException {
        Visitor author = SERVER.author();
        String id = brought(author, "back.pdf");
        byte[] archive =
                author.get("/api/templates/" + id + "/file").ok().response().body();
        List<String> entries = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries.add(entry.getName());
            }
        }
        assertThat(entries).containsExactly("template.loess.json", "sheets/" + sheet(author, id));
        String again = author.upload("/api/templates/import", archive)
                .ok()
                .json()
                .get("id")
                .stringValue();
        author.get("/api/templates/" + again + "/sheets/" + sheet(author, again) + "/pages/2")
                .ok();
        author.get("/api/templates/" + again + "/sheets/" + sheet(author, again) + "/original")
                .problem(404);
    }

    @Test
    void placesAreEditedLikeAnythingElse() throws IOException {
        Visitor author = SERVER.author();
        String id = brought(author, "edited.pdf");
        String draft = "/api/templates/" + id + "/draft";
        String place = """
                {"item":"","choice":"","row":0,"left":1000,"top":26000,"width":5000,"height":700,
                 "lettering":{"size":0,"cells":0,"lines":false,"alignment":"start","tick":"cross"},"source":"","script":""}
                """;
        JsonNode changed = author.post(
                        draft + "/edits",
                        "{\"revision\":0,\"edit\":{\"type\":\"addAt\",\"what\":\"date\",\"label\":\"Day\",\"page\":\"page_1\",\"place\":%s}}"
                                .formatted(place))
                .ok()
                .json();
        assertThat(changed.get("nodes").toString()).contains("\"label\":\"Day\"");
        assertThat(page(author, id, "page_1").get("places").toString()).contains("\"top\":26000");
        author.post(
                        draft + "/edits",
                        "{\"revision\":1,\"edit\":{\"type\":\"setPlaces\",\"page\":\"page_1\",\"places\":[%s]}}"
                                .formatted(place.replace("\"left\":1000", "\"left\":20000")
                                        .replace("\"item\":\"\"", "\"item\":\"address\"")))
                .problem(422);
        author.post(draft + "/undo", null).ok();
        assertThat(page(author, id, "page_1").get("places").toString()).doesNotContain("\"top\":26000");
    }

    @Test
    void whoeverFillsInSeesThePagesFillAndNothingOfWhatIsNotTheirs() throws IOException {
        Visitor author = SERVER.author();
        String id = brought(author, "filled.pdf");
        String other = brought(author, "hidden.pdf");
        String link = "/api"
                + author.post("/api/templates/" + id + "/releases", "{\"notes\":\"\",\"revision\":0}")
                        .ok()
                        .json()
                        .get("path")
                        .stringValue();
        Visitor filler = SERVER.visitor();
        String told = filler.get(link).ok().text();
        assertThat(told).contains("\"sheet\":{").doesNotContain("getField", "\"source\":\"owner\"");
        filler.put(link + "/answers/name_of_the_owner_of_the_land", "{\"typed\":\"Tessel Aarden\"}")
                .ok();
        filler.put(link + "/answers/what_is_drained", "{\"typed\":\"yard\"}").ok();
        JsonNode pages = filler.get(link + "/filled").ok().json().get("pages");
        assertThat(pages.size()).isEqualTo(3);
        assertThat(pages.get(0).get("inks").toString()).contains("Tessel Aarden", "A yard or a road");
        assertThat(pages.get(2).get("inks").toString()).contains("Tessel Aarden");
        assertThat(SERVER.visitor().get(link + "/filled").ok().text()).doesNotContain("Tessel");
        String sheet = sheet(author, id);
        assertThat(filler.get(link + "/sheets/" + sheet + "/pages/1")
                        .ok()
                        .response()
                        .body())
                .startsWith(0x89, 'P', 'N', 'G');
        filler.get(link + "/sheets/nothing.pdf/pages/0").problem(404);
        filler.get(link + "/sheets/" + sheet + "/pages/7").problem(404);
        SERVER.visitor()
                .get("/api/fill/nothing-of-the-kind/sheets/" + sheet + "/pages/0")
                .problem(404);
        SERVER.visitor().get("/api/fill/nothing-of-the-kind/filled").problem(404);
        assertThat(other).isNotEqualTo(id);
        byte[] pdf = filler.get(link + "/paper/pdf").ok().response().body();
        assertThat(PageImages.count(pdf)).isEqualTo(3);
        assertThat(words(pdf)).contains("Whoever lets water", "Tessel Aarden");
    }

    @Test
    void theConsentOfTheDemoIsSignedByTwoOnItsOwnPages() throws IOException {
        Visitor author = SERVER.author();
        Sent sent = Sent.in(SERVER, author, author.template("Drainage consent")).send("{}", "owner_role", "board");
        Sent.Turn owner = sent.turn("owner_role")
                .answer("owner", "Tessel Aarden")
                .answer("address", "Marl Road 3")
                .answer("parcel", "VH 11704")
                .answer("drained", "yard")
                .answer("yard_use", "Parking")
                .answer("water", "mill_stream")
                .answer("flow", "0.5")
                .answer("pumped", "no");
        String now = owner.visitor.get(owner.path + "/filled").ok().text();
        assertThat(now).contains("Tessel Aarden", "not applicable", "Charge struck");
        String sheet = owner.visitor
                .get(owner.path + "/filled")
                .ok()
                .json()
                .get("pages")
                .get(0)
                .get("sheet")
                .get("file")
                .stringValue();
        owner.visitor.get(owner.path + "/sheets/" + sheet + "/pages/0").ok();
        owner.visitor.get(owner.path + "/sheets/other.pdf/pages/0").problem(404);
        owner.sign("signed").finished();
        Sent.Turn board =
                sent.turn("board").answer("decision", "granted").answer("conditions", "The outfall is kept free.");
        board.sign("signed_board").finished();
        byte[] sealed = sent.sealed();
        String words = words(sealed);
        assertThat(words).contains("Tessel Aarden", "not applicable", "The outfall is kept free.");
        assertThat(words).as("page 3 is left out where nothing is pumped").doesNotContain("7  Pump");
        assertThat(new String(sealed, StandardCharsets.ISO_8859_1)).contains("ETSI.CAdES.detached");
    }
}
