package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.named;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import loesscape.server.templates.BroughtDocumentsTest;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * An office's PDF form and a word file of one's own, dropped on the start page: given logic and a signer, released, sent,
 * filled in and signed on a phone, sealed and archived.
 */
class FromFileToArchiveTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static byte[] file(String name) throws IOException {
        if (name.endsWith(".docx")) {
            return BroughtDocumentsTest.document(
                    "The lease of a mill", "Lessee: ____________", "Miller: ____________", "Signed at the dike house.");
        }
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            PDAcroForm form = new PDAcroForm(document);
            form.setDefaultResources(new PDResources());
            document.getDocumentCatalog().setAcroForm(form);
            field(form, page, "Lessee", 700);
            field(form, page, "Miller", 660);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static void field(PDAcroForm form, PDPage page, String label, int top) throws IOException {
        PDTextField field = new PDTextField(form);
        field.setPartialName(label);
        field.setAlternateFieldName(label);
        field.getWidgets().getFirst().setRectangle(new PDRectangle(60, top, 240, 20));
        field.getWidgets().getFirst().setPage(page);
        page.getAnnotations().add(field.getWidgets().getFirst());
        form.getFields().add(field);
    }

    /** The fields of a draft with texts for answers, in the order of the document. */
    private static List<String> texts(JsonNode draft) {
        List<String> texts = new ArrayList<>();
        follow(draft, "", texts);
        return texts;
    }

    private static void follow(JsonNode draft, String holder, List<String> texts) {
        for (JsonNode held : draft.get("held").path(holder)) {
            JsonNode node = draft.get("nodes").get(held.stringValue()).get("node");
            if (node.path("kind").path("type").asString("").equals("text")) {
                texts.add(held.stringValue());
            }
            follow(draft, held.stringValue(), texts);
        }
    }

    private static void edit(Visitor author, String template, String edit) {
        String path = "/api/templates/" + template + "/draft";
        int revision = author.get(path).ok().json().get("revision").intValue();
        author.post(path + "/edits", "{\"revision\":%d,\"edit\":%s}".formatted(revision, edit))
                .ok();
    }

    @ParameterizedTest
    @ValueSource(strings = {"Mill_lease.docx", "Mill_lease.pdf"})
    void aFileBecomesADocumentThatIsSignedSealedAndArchived(String name) throws IOException {
        Page desk = Steps.signedIn(SERVER, BROWSER);
        desk.locator(".bring input[type=file]")
                .setInputFiles(new FilePayload(name, "application/octet-stream", file(name)));
        desk.getByRole(AriaRole.LINK, named("Open it"))
                .or(desk.locator("#desk"))
                .first()
                .waitFor();
        if (desk.getByRole(AriaRole.LINK, named("Open it")).isVisible()) {
            desk.getByRole(AriaRole.LINK, named("Open it")).click();
        }
        desk.waitForURL("**/templates/*-*");
        String template = desk.url().replaceAll(".*/templates/", "").replaceAll("[?#/].*", "");

        Visitor author = SERVER.author();
        JsonNode draft =
                author.get("/api/templates/" + template + "/draft").ok().json();
        List<String> texts = texts(draft);
        String first = texts.get(0);
        String second = texts.get(1);
        edit(author, template, "{\"type\":\"putRole\",\"role\":{\"key\":\"lessee\",\"name\":\"Lessee\",\"order\":1}}");
        edit(
                author,
                template,
                "{\"type\":\"setRole\",\"keys\":[%s],\"role\":\"lessee\"}"
                        .formatted(texts.stream().map("\"%s\""::formatted).collect(Collectors.joining(","))));
        edit(
                author,
                template,
                "{\"type\":\"setCondition\",\"keys\":[\"%s\"],\"aspects\":[\"shown\"],\"condition\":{\"type\":\"answered\",\"field\":\"%s\"}}"
                        .formatted(second, first));
        String holder =
                author.get("/api/templates/" + template + "/draft").ok().json().get("held").properties().stream()
                        .filter(each -> each.getValue().toString().contains("\"" + second + "\""))
                        .map(Map.Entry::getKey)
                        .findFirst()
                        .orElseThrow();
        edit(
                author,
                template,
                "{\"type\":\"add\",\"what\":\"signature\",\"label\":\"Signed by the lessee\",\"holder\":\"%s\",\"after\":\"%s\"}"
                        .formatted(holder, second));
        edit(author, template, "{\"type\":\"setRole\",\"keys\":[\"signed_by_the_lessee\"],\"role\":\"lessee\"}");
        int revision = author.get("/api/templates/" + template + "/draft")
                .ok()
                .json()
                .get("revision")
                .intValue();
        author.post(
                        "/api/templates/" + template + "/releases",
                        "{\"revision\":%d,\"notes\":\"\",\"accepted\":\"Tried\"}".formatted(revision))
                .ok();

        Sent sent = Sent.in(SERVER, author, template).send("{}", "lessee");
        Page phone = BROWSER.phone();
        phone.navigate(SERVER.address() + sent.link("lessee"));
        phone.getByRole(AriaRole.CHECKBOX).check();
        phone.getByRole(AriaRole.BUTTON, named("Open the document")).click();
        Locator asked = phone.locator("#f-" + second);
        assertThat(phone.locator("#f-" + first)).isVisible();
        assertThat(asked).hasCount(0);
        phone.locator("#f-" + first).fill("Tessel Aarden");
        assertThat(asked).isVisible();
        asked.fill("Wieke Molenaar");
        Browser.isAccessible(phone);
        Steps.sign(phone, "#f-signed_by_the_lessee");
        while (phone.getByRole(AriaRole.BUTTON, named("Next page")).isVisible()) {
            phone.getByRole(AriaRole.BUTTON, named("Next page")).click();
        }
        phone.getByRole(AriaRole.BUTTON, named("Finish")).click();
        assertThat(phone.getByRole(AriaRole.HEADING, named("Thank you"))).isVisible();

        byte[] sealed = sent.sealed();
        try (PDDocument document = Loader.loadPDF(sealed)) {
            assertThat(new PDFTextStripper().getText(document)).contains("Tessel Aarden", "Wieke Molenaar");
            String metadata =
                    new String(document.getDocumentCatalog().getMetadata().toByteArray(), StandardCharsets.UTF_8);
            assertThat(metadata).as("for archives").contains("pdfaid");
        }
        assertThat(new String(sealed, StandardCharsets.ISO_8859_1)).contains("ETSI.CAdES.detached");
        JsonNode checked = SERVER.visitor().upload("/api/verify", sealed).ok().json();
        assertThat(checked.get("verdict").stringValue()).isEqualTo("sealedHere");
    }
}
