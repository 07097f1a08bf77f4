package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static java.nio.charset.StandardCharsets.UTF_8;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.starting;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Forms and tables that were filled in elsewhere: dropped onto Records, and made into documents under Send. */
class ReturnedFormsJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static final String WELL = """
            {"formatVersion":1,"title":"Well","pages":[{"key":"p","sections":[
             {"key":"s","title":"Well","items":[
              {"type":"field","key":"owner","label":"Owner","kind":{"type":"text"},"required":{"type":"always"}},
              {"type":"field","key":"depth","label":"Depth","kind":{"type":"number"}}]}]}]}""";

    private static final FilePayload TABLE =
            new FilePayload("wells.csv", "text/csv", "Owner,Depth\r\nAda,12\r\n,13\r\nCy,9\r\n".getBytes(UTF_8));

    private static String released() {
        Visitor author = SERVER.author();
        String id =
                author.post("/api/templates/import", WELL).ok().json().get("id").stringValue();
        author.post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .ok();
        return "/templates/" + id;
    }

    @Test
    void whatIsDroppedOnRecordsIsTakenIntoThem() {
        String template = released();
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.navigate(SERVER.address() + template + "/records");
        assertThat(author.getByText("Nothing has come in yet")).isVisible();
        author.evaluate("""
                text => {
                  const held = new DataTransfer();
                  held.items.add(new File([text], "wells.csv", { type: "text/csv" }));
                  document.querySelector("main").dispatchEvent(
                    new DragEvent("drop", { bubbles: true, cancelable: true, dataTransfer: held }));
                }""", "Owner,Depth\r\nAda,12\r\n,13\r\nCy,9\r\n");
        assertThat(author.getByText("Not answered yet: “Owner”.")).isVisible();
        author.getByRole(AriaRole.BUTTON, named("Take 2 into the records")).click();
        assertThat(author.getByText("2 records")).isVisible();
        assertThat(author.getByRole(AriaRole.CELL, named("Ada"))).isVisible();
        Browser.isAccessible(author);
        author.locator(".returned").getByRole(AriaRole.LINK, Steps.within("2")).click();
        assertThat(author.getByText("Made of “wells.csv”, document 3")).isVisible();
        Browser.isAccessible(author);
    }

    @Test
    void documentsAreMadeOfATable() throws IOException {
        String template = released();
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.navigate(SERVER.address() + template + "/send");
        author.getByRole(AriaRole.BUTTON, named("Documents from a table")).click();
        author.getByLabel("Make").selectOption("DOCX");
        author.locator("main section input[type=file]").first().setInputFiles(TABLE);
        assertThat(author.getByText("2 of 3 made")).isVisible();
        assertThat(author.getByText("Not answered yet: “Owner”.")).isVisible();
        Browser.isAccessible(author);
        Download saved = author.waitForDownload(
                () -> author.getByRole(AriaRole.LINK, starting("Save all")).click());
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(Files.newInputStream(saved.path()))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names).containsExactly("0001-Ada.docx", "0003-Cy.docx", "report.csv");
        author.getByRole(AriaRole.BUTTON, starting("Throw away")).click();
        assertThat(author.getByText("2 of 3 made")).hasCount(0);
    }

    @Test
    void answersOfAFileAreSentBeforehand() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        String template = SERVER.author().template("Drilling agreement");
        author.navigate(SERVER.address() + "/templates/" + template + "/send");
        author.getByRole(AriaRole.BUTTON, named("Answers from a file"))
                .locator("xpath=following-sibling::input")
                .setInputFiles(
                        new FilePayload("agreement.json", "application/json", "{\"nothing\":\"x\"}".getBytes(UTF_8)));
        assertThat(author.getByText("“nothing” is no question of this document."))
                .isVisible();
        Browser.isAccessible(author);
    }
}
