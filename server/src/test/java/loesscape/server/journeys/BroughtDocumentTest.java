package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.named;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Files;
import loesscape.server.templates.BroughtDocumentsTest;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** A word processor's document brought on the start page, tried out, saved again as it was, and filled in on a phone. */
class BroughtDocumentTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static final String DOCX = "application/vnd.openxmlformats-officedocument.wordprocessingml.document";

    @Test
    void aDocumentIsBroughtTriedOutAndFilledInOnAPhone() throws IOException {
        byte[] brought = BroughtDocumentsTest.document(
                "Lessee: ____________ Begin of the lease, date: ____________",
                "Kind of mill: ☐ water ☐ wind",
                "The rent is ______ crowns a year, to be paid in May.");
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.locator(".bring input[type=file]").setInputFiles(new FilePayload("Mill_lease.docx", DOCX, brought));
        assertThat(author.getByText("4 questions were made")).isVisible();
        author.getByRole(AriaRole.LINK, named("Open it")).click();
        author.getByLabel("Lessee").fill("Tessel Aarden");
        author.getByText("wind", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(author.locator("#desk")).containsText("crowns a year");
        author.getByRole(AriaRole.BUTTON, named("The document as a whole …")).click();
        Download saved = author.waitForDownload(
                () -> author.getByText("Mill_lease.docx, as it was brought").click());
        assertThat(Files.readAllBytes(saved.path())).isEqualTo(brought);

        Visitor release = SERVER.author();
        String id = author.url().replaceAll(".*/", "").replaceAll("[?#].*", "");
        release.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\",\"accepted\":\"Tried\"}")
                .ok();
        String path = Steps.fillingLink(release, id);
        Page filler = BROWSER.phone();
        filler.navigate(SERVER.address() + path);
        filler.getByLabel("Lessee").fill("Tessel Aarden");
        filler.getByText("water", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(filler.getByText("crowns a year")).hasCount(0);
        Browser.isAccessible(filler);
        assertThat((Integer) filler.evaluate("document.documentElement.scrollWidth"))
                .isLessThanOrEqualTo(390);
    }
}
