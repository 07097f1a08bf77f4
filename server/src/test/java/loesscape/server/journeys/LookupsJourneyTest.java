package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.line;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.press;
import static loesscape.server.journeys.Steps.starting;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The lookup lists of an organisation, from a file to a choice in a document, in a real browser. */
class LookupsJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    @Test
    void aFileBecomesAListThatTemplatesTakeAndTakeOverAnew() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.getByRole(AriaRole.LINK, named("Lookups")).click();
        byte[] file = "Yard;Gate;Rate\nNorth;A;4,5\nNorth;B;5\n".getBytes(StandardCharsets.UTF_8);
        author.waitForFileChooser(() -> author.getByRole(AriaRole.BUTTON, named("A list from a CSV file"))
                        .click())
                .setFiles(new FilePayload("Yards.csv", "text/csv", file));
        assertThat(author.getByLabel("Name of the list")).hasValue("Yards");
        author.getByLabel("Gate, row 2").fill("Back gate");
        author.getByRole(AriaRole.BUTTON, starting("Licensed drillers")).click();
        assertThat(author.getByLabel("Name of the list")).hasValue("Licensed drillers");
        author.getByRole(AriaRole.BUTTON, starting("Yards")).click();
        assertThat(author.getByLabel("Gate, row 2")).hasValue("Back gate");
        Browser.isAccessible(author);
        author.getByRole(AriaRole.BUTTON, named("Keep as version 2")).click();
        assertThat(author.getByText("Kept as a new version.")).isVisible();

        author.getByRole(AriaRole.LINK, named("Templates")).click();
        Steps.begin(author, "Yard of the day");
        author.getByRole(AriaRole.BUTTON, starting("The document as a whole")).click();
        press(line(author, "Lookup lists"), "“Yards” from Lookups");
        assertThat(line(author, "Lookup lists")).containsText("from Lookups, version 2");

        author.navigate(SERVER.address() + "/lookups");
        author.getByRole(AriaRole.BUTTON, starting("Yards")).click();
        assertThat(author.getByLabel("List", exactly())).containsText("Yard of the day in version 2");
        author.getByRole(AriaRole.BUTTON, named("Add a row")).click();
        author.getByLabel("Yard, row 3").fill("South");
        author.getByRole(AriaRole.BUTTON, named("Keep as version 3")).click();
        assertThat(author.getByLabel("Version", exactly())).containsText("version 3");
        author.getByRole(AriaRole.LINK, named("Yard of the day")).click();
        author.getByRole(AriaRole.BUTTON, starting("The document as a whole")).click();
        press(line(author, "Lookup lists"), "take over version 3");
        assertThat(line(author, "Lookup lists")).containsText("3 rows");
    }

    private static Page.GetByLabelOptions exactly() {
        return new Page.GetByLabelOptions().setExact(true);
    }

    @Test
    void aDirectoryThatDoesNotAnswerIsSaidAndLeavesTheListAsItIs() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.getByRole(AriaRole.LINK, named("Outside")).click();
        author.getByRole(AriaRole.GROUP, starting("Directory"))
                .getByRole(AriaRole.CHECKBOX)
                .check();
        author.getByRole(AriaRole.LINK, named("Lookups")).click();
        author.getByRole(AriaRole.BUTTON, starting("Ask the directory: Licensed drillers"))
                .click();
        assertThat(author.getByRole(AriaRole.ALERT)).containsText("The service does not answer");
        author.getByRole(AriaRole.BUTTON, starting("Licensed drillers")).click();
        assertThat(author.getByLabel("Licence, row 1")).hasValue("DR-1180");
        author.getByRole(AriaRole.LINK, named("Outside")).click();
        author.getByRole(AriaRole.GROUP, starting("Directory"))
                .getByRole(AriaRole.CHECKBOX)
                .uncheck();
        author.getByRole(AriaRole.LINK, named("Lookups")).click();
        author.getByRole(AriaRole.BUTTON, starting("Ask the directory: Wells")).click();
        assertThat(author.getByLabel("Name of the list")).hasValue("Wells of the valley");
        author.getByRole(AriaRole.BUTTON, starting("Ask the directory: Wells")).click();
        assertThat(author.getByLabel("Version", exactly())).not().containsText("version 2");
        author.getByLabel("Licence of one of the Licensed drillers").fill("DR-2046");
        author.keyboard().press("Enter");
        assertThat(author.getByText("DR-2046, as the directory has it now.")).isVisible();
        assertThat(author.getByLabel("Firm, row 2")).hasValue("Hallema Wells");
    }
}
