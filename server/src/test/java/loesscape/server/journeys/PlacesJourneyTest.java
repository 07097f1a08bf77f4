package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.within;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.io.InputStream;
import java.util.regex.Pattern;
import loesscape.server.demo.DemoWorld;
import loesscape.server.templates.FlatForm;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** An office's PDF form brought on the start page, tried out on its own pages, its places moved, and filled in on a phone. */
class PlacesJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static byte[] form() throws IOException {
        try (InputStream file = DemoWorld.class.getResourceAsStream("drainage-consent.pdf")) {
            return file == null ? new byte[0] : file.readAllBytes();
        }
    }

    private static Page brought() throws IOException {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.locator(".bring input[type=file]")
                .setInputFiles(new FilePayload("consent.pdf", "application/pdf", form()));
        Locator told = author.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("consent.pdf"));
        assertThat(told).containsText("is not run");
        Browser.isAccessible(author);
        author.getByRole(AriaRole.LINK, named("Open it")).click();
        assertThat(author.getByAltText("Page 1, as it is printed")).isVisible();
        return author;
    }

    private static Locator on(Page author, String label) {
        return author.getByRole(AriaRole.TEXTBOX, named(label)).first();
    }

    @Test
    void aFormIsTriedOutOnItsOwnPages() throws IOException {
        Page author = brought();
        on(author, "Name of the owner of the land").fill("Tessel Aarden");
        assertThat(author.getByRole(AriaRole.TEXTBOX, named("Name of the owner of the land"))
                        .nth(1))
                .hasValue("Tessel Aarden");
        Locator yard = author.getByRole(AriaRole.RADIO, named("What is drained?: A yard or a road"));
        yard.click();
        assertThat(yard).isChecked();
        assertThat(author.locator(".margin").getByText("the file had a script here"))
                .isVisible();
        // What has no room on the paper opens beneath it, and stands there then.
        author.locator("#i-into_which_water").click();
        author.locator("#i-into_which_water select").selectOption("mill_stream");
        assertThat(author.locator("#i-into_which_water .opens")).containsText("Mill Stream");
        // Marks are as small as they are printed; whoever cannot hit one has the usual ones beneath it.
        Browser.isAccessible(author, ".mark");
        author.getByRole(AriaRole.RADIO, named("What is drained?: A field")).focus();
        author.locator("#i-what_is_drained .below").getByText("A building").click();
        assertThat(author.getByRole(AriaRole.RADIO, named("What is drained?: A building")))
                .isChecked();
    }

    @Test
    void placesAreMovedByKeyboardAndMouseAndTakenBack() throws IOException {
        Page author = brought();
        author.getByRole(AriaRole.BUTTON, named("Places")).first().click();
        Locator tools = author.getByRole(AriaRole.REGION, named("Places")).first();
        assertThat(tools).containsText("18 places on this page");
        Locator address = author.locator("#desk").getByRole(AriaRole.BUTTON, within("Address"));
        address.focus();
        author.keyboard().press("Enter");
        assertThat(address).hasAttribute("aria-pressed", "true");
        // Places are as small as they are on paper; all that is done with them is done by keyboard too.
        Browser.isAccessible(author, ".place");
        // It is taken back as soon as it is done, though it is the first edit of all and still on its way.
        author.route("**/draft/edits", edit -> {
            author.waitForTimeout(500);
            edit.resume();
        });
        author.keyboard().press("Delete");
        assertThat(tools).containsText("17 places on this page");
        author.keyboard().press("Control+z");
        assertThat(tools).containsText("18 places on this page");
        assertThat(address).hasCount(1);
        address.focus();
        author.keyboard().press("Enter");
        assertThat(address).hasAttribute("aria-pressed", "true");
        String before = address.getAttribute("style");
        author.keyboard().press("ArrowRight");
        author.keyboard().press("Shift+ArrowDown");
        assertThat(address).not().hasAttribute("style", before);
        assertThat(address).hasAttribute("style", Pattern.compile("left: 9\\.886%; top: 23\\.195"));

        BoundingBox paper = author.locator(".paper").first().boundingBox();
        author.mouse().move(paper.x + paper.width * 0.6, paper.y + 12);
        author.mouse().down();
        author.mouse().move(paper.x + paper.width * 0.8, paper.y + 30);
        author.mouse().up();
        Locator fresh = author.getByRole(AriaRole.FORM, named("What stands here"));
        fresh.getByRole(AriaRole.TEXTBOX).fill("Received on");
        assertThat(fresh.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("Kind"))))
                .isVisible();
        fresh.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Add").setExact(true))
                .click();
        assertThat(tools).containsText("19 places on this page");
        author.keyboard().press("Control+z");
        assertThat(tools).containsText("18 places on this page");
        author.getByRole(AriaRole.BUTTON, named("Places")).first().click();
        assertThat(on(author, "Address")).isVisible();
    }

    @Test
    void whatIsFoundOnAFormWithoutFieldsIsTakenAndLeft() throws IOException {
        Page author = Steps.signedIn(SERVER, BROWSER);
        byte[] flat = FlatForm.of(
                "Name: ______________",
                "Begin: ____________",
                "Kind: ______________",
                "Costs .............................");
        author.locator(".bring input[type=file]").setInputFiles(new FilePayload("flat.pdf", "application/pdf", flat));
        author.getByRole(AriaRole.LINK, named("Open it")).click();
        Locator proposed = author.getByRole(AriaRole.REGION, named("Proposed places"));
        assertThat(proposed).containsText("4 places are proposed");
        Browser.isAccessible(author);
        // One with a click on the page, one left from the list by keyboard, the rest by the way they were found.
        author.getByRole(AriaRole.BUTTON, named("Take: Name")).first().click();
        assertThat(proposed).containsText("3 places are proposed");
        proposed.locator("[aria-expanded]").first().click();
        Locator leave = proposed.getByRole(AriaRole.BUTTON, within("Leave: Kind"));
        leave.focus();
        author.keyboard().press("Enter");
        assertThat(proposed).containsText("2 places are proposed");
        proposed.getByRole(AriaRole.BUTTON, within("Take all: On underscores")).click();
        assertThat(proposed).containsText("1 place is proposed");
        author.keyboard().press("Control+z");
        assertThat(proposed).containsText("2 places are proposed");
        author.getByRole(AriaRole.BUTTON, named("Propose them again")).click();
        assertThat(proposed).containsText("3 places are proposed");
        proposed.getByRole(AriaRole.BUTTON, within("Take all")).first().click();
        assertThat(proposed).hasCount(0);
        author.getByRole(AriaRole.BUTTON, named("Places")).first().click();
        on(author, "Name").fill("Tessel Aarden");
        assertThat(on(author, "Name")).hasValue("Tessel Aarden");
        assertThat(author.locator("#i-begin")).isVisible();
        assertThat(author.locator("#i-costs")).isVisible();
    }

    @Test
    void onAPhoneItIsAskedAsQuestionsAndItsPageCanBeLookedAt() {
        Visitor author = SERVER.author();
        String id = author.template("Drainage consent");
        String path = Steps.fillingLink(author, id);
        Page filler = BROWSER.phone();
        filler.navigate(SERVER.address() + path);
        filler.getByLabel("Name of the owner of the land").fill("Tessel Aarden");
        filler.getByText("A yard or a road").click();
        assertThat(filler.getByLabel("What is the yard used for?")).isVisible();
        assertThat(filler.getByLabel("Area of the field")).hasCount(0);
        filler.getByRole(AriaRole.BUTTON, named("Look at the page")).click();
        assertThat(filler.getByAltText(Pattern.compile("Tessel Aarden"))).isVisible();
        Browser.isAccessible(filler);
        filler.getByRole(AriaRole.BUTTON, named("Close the page")).click();
        assertThat(filler.getByAltText(Pattern.compile("Tessel Aarden"))).isHidden();
        assertThat((Integer) filler.evaluate("document.documentElement.scrollWidth"))
                .isLessThanOrEqualTo(390);
    }
}
