package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.starting;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The first author, accounts, sharing, and what comes to an end, in the pages. */
class DoorsJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final RunningServer EMPTY = RunningServer.empty();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    @Test
    void theLinkOnTheConsoleMakesTheFirstAuthor() {
        Page page = BROWSER.desktop();
        page.navigate(EMPTY.address() + "/");
        assertThat(page.getByText("is on the console")).isVisible();
        assertThat(page.getByLabel("Name")).isHidden();
        Browser.isAccessible(page);
        page.navigate(EMPTY.address() + "/setup/" + EMPTY.setupLink());
        page.getByLabel("Name").fill("Mira Tensen");
        page.getByLabel("Password").fill("Password123!");
        page.getByRole(AriaRole.BUTTON, named("Begin")).click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("So many people use this password");
        Browser.isAccessible(page);
        page.getByLabel("Password").fill("loess on the hill");
        page.getByRole(AriaRole.BUTTON, named("Begin")).click();
        assertThat(page.getByRole(AriaRole.LINK, named("Mira Tensen"))).isVisible();
    }

    @Test
    void anAccountIsAddedSharedWithAndSetsItsPassword() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.getByLabel("Sign-in name").fill("Bas Verhoeve");
        author.getByLabel("Password").fill("long enough words");
        author.locator("form select").last().selectOption("reader");
        author.getByRole(AriaRole.BUTTON, named("Add an account")).click();
        author.getByRole(AriaRole.BUTTON, named("New password for Bas Verhoeve"))
                .click();
        String reset = author.getByLabel("Link for a new password").inputValue();
        Browser.isAccessible(author);

        Page reader = BROWSER.desktop();
        reader.navigate(reset);
        reader.getByLabel("New password for Bas Verhoeve").fill("water under the chalk");
        Browser.isAccessible(reader);
        reader.getByRole(AriaRole.BUTTON, named("Keep it and sign in")).click();
        assertThat(reader.getByRole(AriaRole.LINK, named("Soil sample series"))).isVisible();

        Steps.open(author, "Soil sample series");
        author.getByRole(AriaRole.LINK, named("Release")).click();
        author.getByRole(AriaRole.BUTTON, named("Take away from everybody")).click();
        assertThat(author.getByText("Nobody.")).isVisible();
        reader.reload();
        assertThat(reader.getByRole(AriaRole.LINK, named("Borehole and well permit")))
                .isVisible();
        assertThat(reader.getByRole(AriaRole.LINK, named("Soil sample series"))).hasCount(0);
        author.getByLabel("With whom").selectOption("Bas Verhoeve");
        author.getByRole(AriaRole.BUTTON, named("Share")).click();
        assertThat(author.getByLabel("What Bas Verhoeve may do")).isVisible();
        Browser.isAccessible(author);
        reader.reload();
        assertThat(reader.getByRole(AriaRole.LINK, named("Soil sample series"))).isVisible();

        reader.getByRole(AriaRole.LINK, named("Bas Verhoeve")).click();
        reader.getByLabel("So far").fill("water under the chalk");
        reader.getByLabel("From now on").fill("a well in the loam");
        reader.getByRole(AriaRole.BUTTON, named("Change the password")).click();
        assertThat(reader.getByText("The password is changed")).isVisible();
        Browser.isAccessible(reader);
    }

    @Test
    void aLinkClosesARecordIsDeletedAndAPersonIsFound() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        Steps.open(author, "Equipment loan agreement");
        author.getByRole(AriaRole.LINK, named("Release")).click();
        author.getByRole(AriaRole.BUTTON, named("New link")).click();
        String link = author.getByLabel("Address of the link").inputValue();
        Page filler = BROWSER.phone();
        filler.navigate(link);
        assertThat(filler.locator("h1")).containsText("Equipment loan agreement");
        author.getByRole(AriaRole.BUTTON, starting("Times")).first().click();
        author.getByLabel("Closes").fill("2020-01-01T10:00");
        author.locator("section", new Page.LocatorOptions().setHasText("Links"))
                .getByRole(
                        AriaRole.BUTTON,
                        new com.microsoft.playwright.Locator.GetByRoleOptions()
                                .setName("Keep")
                                .setExact(true))
                .first()
                .click();
        assertThat(author.getByText("closed 1 Jan 2020")).isVisible();
        Browser.isAccessible(author);
        filler.reload();
        assertThat(filler.locator("body")).containsText("This closed on");

        author.getByRole(AriaRole.BUTTON, starting("End the link")).first().click();
        assertThat(author.getByRole(AriaRole.ALERTDIALOG)).containsText("End this link for good?");
        assertThat(author.getByRole(AriaRole.BUTTON, named("Leave it as it is")))
                .isFocused();
        Browser.isAccessible(author);
        author.keyboard().press("Escape");
        assertThat(author.getByRole(AriaRole.ALERTDIALOG)).isHidden();
        author.getByRole(AriaRole.BUTTON, starting("End the link")).first().click();
        author.getByRole(AriaRole.BUTTON, named("End the link")).click();
        assertThat(author.getByRole(AriaRole.REGION, named("Links"))).containsText("ended");

        author.getByRole(AriaRole.LINK, named("Records")).click();
        author.getByRole(AriaRole.LINK, named("1")).first().click();
        author.getByRole(AriaRole.BUTTON, named("Delete …")).click();
        author.getByLabel("Why is record 1 deleted?").fill("Filled in twice");
        Browser.isAccessible(author);
        author.getByRole(AriaRole.BUTTON, named("Delete it for good")).click();
        assertThat(author.getByText("1 records")).isVisible();

        author.navigate(SERVER.address() + "/people");
        author.getByLabel("E-mail address").fill("nobody@veldhollow.example");
        author.getByRole(AriaRole.BUTTON, named("Find")).click();
        assertThat(author.getByText("Nothing is kept of this address.")).isVisible();
        Browser.isAccessible(author);
    }

    @Test
    void aStrangerBeginsThroughAnOpenLinkWithACode() {
        Sent sent = Sent.agreement(SERVER);
        String path = sent.author
                .post(
                        "/api/templates/" + sent.template + "/releases/1/open-links",
                        "{\"message\":\"\",\"dueDays\":14,\"remindDays\":0,\"mayDelegate\":false}")
                .ok()
                .json()
                .get("path")
                .stringValue();
        Page stranger = BROWSER.phone();
        stranger.navigate(SERVER.address() + path);
        String[] addresses = {"own@begin.example", "driller@begin.example", "hydrologist@begin.example"};
        for (int i = 0; i < addresses.length; i++) {
            stranger.getByLabel("Name").nth(i).fill("Person " + i);
            stranger.getByLabel("E-mail").nth(i).fill(addresses[i]);
        }
        stranger.getByLabel("Which of these addresses is yours?").selectOption("own@begin.example");
        Browser.isAccessible(stranger);
        stranger.getByRole(AriaRole.BUTTON, named("Send me a code")).click();
        stranger.getByLabel("The code that was sent to own@begin.example").fill("000000");
        Browser.isAccessible(stranger);
        String code = sent.code("own@begin.example");
        stranger.getByLabel("The code that was sent to").fill(code);
        stranger.getByRole(AriaRole.BUTTON, named("Begin")).click();
        assertThat(stranger.getByText("has a message with a link")).isVisible();
    }

    @Test
    void aPasskeyIsAddedSignsInAndIsRemoved() {
        SERVER.author()
                .post(
                        "/api/accounts",
                        "{\"name\":\"Ike Sandvoort\",\"password\":\"water under the chalk\",\"role\":\"sender\"}")
                .ok();
        Page page = BROWSER.desktop();
        virtualDevice(page);
        page.navigate(SERVER.address() + "/sign-in");
        page.getByLabel("Name").fill("Ike Sandvoort");
        page.getByLabel("Password").fill("water under the chalk");
        page.getByRole(AriaRole.BUTTON, named("Sign in")).click();
        page.getByRole(AriaRole.LINK, named("Ike Sandvoort")).click();
        page.getByRole(AriaRole.BUTTON, named("Add a passkey …")).click();
        page.getByLabel("What the device is called").fill("Work laptop");
        page.getByLabel("Your password, once more").fill("something else");
        page.getByRole(AriaRole.BUTTON, named("Add it")).click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("not your password");
        Browser.isAccessible(page);
        page.getByLabel("Your password, once more").fill("water under the chalk");
        page.getByRole(AriaRole.BUTTON, named("Add it")).click();
        assertThat(page.getByText("“Work laptop” opens your account")).isVisible();
        Browser.isAccessible(page);
        page.getByRole(AriaRole.BUTTON, named("Add a passkey …")).click();
        page.getByLabel("What the device is called").fill("The same again");
        page.getByLabel("Your password, once more").fill("water under the chalk");
        page.getByRole(AriaRole.BUTTON, named("Add it")).click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("has a passkey of yours already");

        page.context().clearCookies();
        page.navigate(SERVER.address() + "/sign-in");
        page.getByRole(AriaRole.BUTTON, named("Sign in with a passkey")).click();
        page.getByRole(AriaRole.LINK, named("Ike Sandvoort")).click();
        assertThat(page.getByRole(AriaRole.ROW, starting("Work laptop"))).not().containsText("never");
        page.getByRole(AriaRole.BUTTON, named("Remove Work laptop")).click();
        assertThat(page.getByText("opens nothing any more")).isVisible();

        page.context().clearCookies();
        page.navigate(SERVER.address() + "/sign-in");
        page.getByRole(AriaRole.BUTTON, named("Sign in with a passkey")).click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("opens nothing here");
        Browser.isAccessible(page);
    }

    /** A device in the browser that makes passkeys and unlocks itself (W3C, Web Authentication Level 3, 11). */
    private static void virtualDevice(Page page) {
        CDPSession session = page.context().newCDPSession(page);
        session.send("WebAuthn.enable");
        JsonObject options = new JsonObject();
        options.addProperty("protocol", "ctap2");
        options.addProperty("transport", "internal");
        options.addProperty("hasResidentKey", true);
        options.addProperty("hasUserVerification", true);
        options.addProperty("isUserVerified", true);
        options.addProperty("automaticPresenceSimulation", true);
        JsonObject wanted = new JsonObject();
        wanted.add("options", options);
        session.send("WebAuthn.addVirtualAuthenticator", wanted);
    }
}
