package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.starting;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Documents on their way through their signers, in a real browser: on a phone, and at the sender's desk. */
class SigningTest {

    private static final String DRILLER = "office@bronwater.example";

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    /** The messages in the mailbox that ask somebody to sign, the newest first. */
    private static Locator invitations(Page author, String address) {
        author.getByRole(AriaRole.LINK, named("Outside")).click();
        assertThat(author.getByRole(AriaRole.HEADING, named("Mailbox"))).isVisible();
        author.getByLabel("Filter the mailbox").fill(address + " Please fill in");
        return author.locator("section[aria-labelledby=mailbox] li button");
    }

    /** The address in the newest invitation of somebody, once there are so many. */
    private static String link(Page author, String address, int invitations) {
        Locator letters = invitations(author, address);
        assertThat(letters).hasCount(invitations);
        letters.first().click();
        Locator link = author.getByRole(AriaRole.LINK, named("Open the link"));
        assertThat(link).isVisible();
        return SERVER.address() + link.getAttribute("href");
    }

    @Test
    void aStrangerSignsOnAPhonePaysAndTheAuthorCanProveIt() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        int before = invitations(author, DRILLER).count();
        Page phone = BROWSER.phone();
        phone.navigate(link(author, "femke.oosterlaan@veldhollow.example", 1));
        assertThat(phone.getByText("Please look through the agreement")).isVisible();
        phone.getByRole(AriaRole.BUTTON, named("Open the document")).click();
        assertThat(phone.getByRole(AriaRole.ALERT)).containsText("Tick the box first");
        Browser.isAccessible(phone);
        phone.getByRole(AriaRole.CHECKBOX).check();
        phone.getByRole(AriaRole.BUTTON, named("Open the document")).click();

        phone.locator("#f-owner_phone").fill("0612345678");
        phone.locator("#f-district").selectOption("Zuiderkwelder");
        phone.locator("#f-soil").selectOption("Sea clay");
        phone.locator("#f-depth").fill("24");
        phone.getByText("160 mm").click();
        phone.getByLabel("Paved road").check();
        phone.locator("#f-start_day").fill("2027-03-01");
        phone.locator("#f-end_day").fill("2027-03-12");
        phone.locator("#f-advance_agreed").fill("250");
        Browser.isAccessible(phone);
        while (phone.getByRole(AriaRole.BUTTON, named("Next page")).isVisible()) {
            phone.getByRole(AriaRole.BUTTON, named("Next page")).click();
        }
        phone.getByLabel("Write your initials instead of drawing").fill("FO");
        Steps.sign(phone, "#f-owner_signature");
        phone.getByRole(AriaRole.BUTTON, named("Finish")).click();
        assertThat(phone.getByText("This still needs an answer.").first()).isVisible();
        pay(phone, "Have it refused", "was refused");
        pay(phone, "Let it take too long", "took too long");
        pay(phone, "Pay", "was made");
        phone.getByRole(AriaRole.BUTTON, named("Next page")).click();
        phone.getByRole(AriaRole.BUTTON, named("Next page")).click();
        phone.locator("#f-payment_signature svg").scrollIntoViewIfNeeded();
        Steps.sign(phone, "#f-payment_signature");
        phone.getByRole(AriaRole.BUTTON, named("Finish")).click();
        assertThat(phone.getByRole(AriaRole.HEADING, named("Thank you"))).isVisible();
        Browser.isAccessible(phone);
        phone.reload();
        assertThat(phone.getByText("You have finished.")).isVisible();

        Page driller = BROWSER.desktop();
        driller.navigate(link(author, DRILLER, before + 1));
        driller.getByRole(AriaRole.CHECKBOX).check();
        driller.getByRole(AriaRole.BUTTON, named("Open the document")).click();
        assertThat(driller.getByRole(AriaRole.HEADING, named("The driller"))).isVisible();
        driller.getByRole(AriaRole.BUTTON, named("Back")).click();
        driller.getByRole(AriaRole.BUTTON, starting("The well")).click();
        assertThat(driller.locator("#s-well")).containsText("24");
        assertThat(driller.locator("#f-depth")).hasCount(0);
        driller.getByRole(AriaRole.BUTTON, named("I will not sign")).click();
        driller.getByRole(AriaRole.BUTTON, named("Decline")).click();
        assertThat(driller.getByRole(AriaRole.ALERT)).containsText("Say why");
        Browser.isAccessible(driller);
        driller.getByLabel("Why?").fill("No rig is free.");
        driller.getByRole(AriaRole.BUTTON, named("Decline")).click();
        assertThat(driller.getByRole(AriaRole.HEADING, named("Declined"))).isVisible();

        author.getByRole(AriaRole.LINK, named("Dispatches")).click();
        author.getByLabel("Filter dispatches").fill("Femke");
        assertThat(author.getByRole(AriaRole.LINK, named("Drilling agreement"))).hasCount(1);
        author.getByRole(AriaRole.LINK, named("Drilling agreement")).click();
        assertThat(author.locator("main")).containsText("No rig is free.");
        assertThat(author.locator("main")).containsText("A payment was not made: the desk refused it");
        assertThat(author.locator("main")).containsText("A payment was not made: nobody paid in time");
        assertThat(author.locator("main")).containsText("Paid € 250.00");
        Browser.isAccessible(author);
    }

    private static void pay(Page phone, String how, String said) {
        phone.getByRole(AriaRole.BUTTON, named("Pay at the desk")).click();
        phone.getByRole(AriaRole.BUTTON, named(how)).click();
        assertThat(phone.getByRole(AriaRole.STATUS)).containsText(said);
        phone.getByRole(AriaRole.LINK, named("Back to the document")).click();
        assertThat(phone.getByText("Page 1 of")).isVisible();
        if (!how.equals("Pay")) {
            phone.getByRole(AriaRole.BUTTON, named("Next page")).click();
            phone.getByRole(AriaRole.BUTTON, named("Next page")).click();
        }
    }

    @Test
    void aSignedDocumentIsSavedCheckedAndATamperedOneIsFound() throws IOException {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.getByRole(AriaRole.LINK, named("Dispatches")).click();
        author.getByLabel("State").selectOption("finished");
        author.getByRole(AriaRole.LINK, named("Drilling agreement")).first().click();
        Download download =
                author.waitForDownload(() -> author.getByRole(AriaRole.LINK, named("Save the signed document"))
                        .click());
        byte[] document = Files.readAllBytes(download.path());

        Page anybody = BROWSER.desktop();
        anybody.navigate(SERVER.address() + "/verify");
        check(anybody, document);
        assertThat(anybody.getByRole(AriaRole.HEADING, named("Sealed here and whole")))
                .isVisible();
        assertThat(anybody.locator("main")).containsText("All have signed");
        Browser.isAccessible(anybody);
        document[document.length / 3] ^= 1;
        check(anybody, document);
        assertThat(anybody.getByRole(AriaRole.HEADING, named("Changed"))).isVisible();
        check(anybody, new byte[] {'n', 'o'});
        assertThat(anybody.getByRole(AriaRole.HEADING, named("Not readable"))).isVisible();
    }

    private static void check(Page page, byte[] file) {
        page.locator("input[type=file]").setInputFiles(new FilePayload("signed.pdf", "application/pdf", file));
    }

    @Test
    void rolesGetFieldsByPointingAndWhatCannotGoIsSaidBefore() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.getByLabel("New template").fill("Two signers");
        author.keyboard().press("Enter");
        Steps.add(author, "Depth, m", "number");
        Steps.add(author, "First signature", "signature");
        Steps.add(author, "Second signature", "signature");
        author.getByRole(AriaRole.LINK, named("Signers")).click();
        for (String role : List.of("Owner", "Driller")) {
            author.getByLabel("Name of a new role").fill(role);
            author.keyboard().press("Enter");
            assertThat(author.getByLabel("Turn of " + role)).isVisible();
        }
        assertThat(author.getByText("“Driller” has nothing to do")).isVisible();
        author.getByRole(AriaRole.BUTTON, starting("Give fields")).last().click();
        author.getByRole(AriaRole.BUTTON, starting("Second signature")).click();
        assertThat(author.getByRole(AriaRole.BUTTON, starting("Second signature")))
                .containsText("Driller");
        assertThat(author.getByText("“Driller” has nothing to do")).hasCount(0);
        author.getByRole(AriaRole.BUTTON, starting("Point at fields")).click();
        author.getByRole(AriaRole.BUTTON, starting("See its turn")).last().click();
        assertThat(author.getByRole(AriaRole.BUTTON, starting("Second signature")))
                .containsText("to answer");
        assertThat(author.getByRole(AriaRole.BUTTON, starting("First signature")))
                .not()
                .containsText("to answer");
        Browser.isAccessible(author);
    }

    @Test
    void aTableIsLookedAtFirstAndSentWithoutItsBadLine() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        Steps.open(author, "Drilling agreement");
        author.getByRole(AriaRole.LINK, named("Send")).click();
        author.getByRole(AriaRole.BUTTON, named("To many, from a table")).click();
        author.getByLabel("The table")
                .fill(
                        "landowner.name,landowner.address,driller.name,driller.address,hydrologist.name,hydrologist.address\n"
                                + "A,a@x.example,D,d@x.example,H,h@x.example\nB,nowhere,D,d@x.example,H,h@x.example");
        author.getByRole(AriaRole.BUTTON, named("Look at it first")).click();
        assertThat(author.getByText("1 can be sent, 1 not")).isVisible();
        assertThat(author.getByText("“nowhere” is no e-mail address")).isVisible();
        Browser.isAccessible(author);
        author.getByRole(AriaRole.BUTTON, starting("Send 1")).click();
        assertThat(author.getByText("1 sent, 1 not")).isVisible();
        author.getByRole(AriaRole.BUTTON, named("Through an open link")).click();
        author.getByRole(AriaRole.BUTTON, named("Make a link")).click();
        String link = author.getByLabel("Address of the link").inputValue();
        Page stranger = BROWSER.phone();
        stranger.navigate(SERVER.address() + link.replaceFirst("https?://[^/]+", ""));
        assertThat(stranger.getByText("Say who takes part.")).isVisible();
        Browser.isAccessible(stranger);
    }

    /** Two who sign at the same time. */
    private static final String TOGETHER = """
            {"formatVersion":1,"title":"Both at once","pages":[{"key":"p","sections":[{"key":"s","title":"Both","items":[
              {"type":"field","key":"a_depth","label":"Depth","role":"a","kind":{"type":"number"}},
              {"type":"field","key":"a_sign","label":"A signs","role":"a","kind":{"type":"signature"},"required":{"type":"always"}},
              {"type":"field","key":"b_sign","label":"B signs","role":"b","kind":{"type":"signature"},"required":{"type":"always"}}]}]}],
             "roles":[{"key":"a","name":"Owner","order":1},{"key":"b","name":"Driller","order":1}]}""";

    @Test
    void twoSignAtTheSameTimeAndOneOfThemHandsItOn() {
        Visitor setting = SERVER.author();
        String template = setting.post("/api/templates/import", TOGETHER)
                .ok()
                .json()
                .get("id")
                .stringValue();
        setting.post("/api/templates/" + template + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .ok();
        Page author = Steps.signedIn(SERVER, BROWSER);
        Steps.open(author, "Both at once");
        author.getByRole(AriaRole.LINK, named("Send")).click();
        author.getByLabel("Name of the Owner").fill("Anna Veldkamp");
        author.getByLabel("E-mail of the Owner").fill("anna@both.example");
        author.getByLabel("Name of the Driller").fill("Bas Rietveld");
        author.getByLabel("E-mail of the Driller").fill("bas@both.example");
        author.getByRole(AriaRole.BUTTON, named("Send")).click();
        assertThat(author.locator("main")).containsText("Anna Veldkamp");

        Page anna = opened(BROWSER.phone(), link(author, "anna@both.example", 1));
        Page bas = opened(BROWSER.desktop(), link(author, "bas@both.example", 1));
        anna.locator("#f-a_depth").fill("30");
        assertThat(anna.locator("#f-b_sign")).hasCount(0);
        anna.getByRole(AriaRole.BUTTON, named("Somebody else should sign")).click();
        anna.getByRole(AriaRole.TEXTBOX, named("Name")).fill("Cato Veldkamp");
        anna.getByLabel("E-mail").fill("cato@both.example");
        anna.getByRole(AriaRole.BUTTON, named("Hand on")).click();
        assertThat(anna.getByRole(AriaRole.ALERT)).containsText("Say why");
        anna.getByLabel("Why?").fill("My sister owns it now.");
        anna.getByRole(AriaRole.BUTTON, named("Hand on")).click();
        assertThat(anna.getByRole(AriaRole.HEADING, named("Handed on"))).isVisible();

        Page cato = opened(BROWSER.phone(), link(author, "cato@both.example", 1));
        assertThat(cato.locator("#f-a_depth")).hasValue("30");
        cato.getByLabel("Write your name instead of drawing").fill("Cato Veldkamp");
        bas.getByLabel("Write your name instead of drawing").fill("Bas Rietveld");
        finish(cato);
        finish(bas);
        author.getByRole(AriaRole.LINK, named("Dispatches")).click();
        author.getByLabel("Filter dispatches").fill("Cato");
        author.getByRole(AriaRole.LINK, named("Both at once")).click();
        assertThat(author.locator("main")).containsText("My sister owns it now.");
        assertThat(author.locator("main")).containsText("All have signed");
    }

    @Test
    void theDocumentOpensWithACodeThatComesByTextMessage() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        Visitor setting = SERVER.author();
        String template = setting.post("/api/templates/import", TOGETHER.replace("Both at once", "With a code"))
                .ok()
                .json()
                .get("id")
                .stringValue();
        setting.post("/api/templates/" + template + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .ok();
        author.reload();
        Steps.open(author, "With a code");
        author.getByRole(AriaRole.LINK, named("Send")).click();
        author.getByLabel("Name of the Owner").fill("Dora Veldkamp");
        author.getByLabel("E-mail of the Owner").fill("dora@code.example");
        author.getByLabel("How the Owner shows who they are")
                .selectOption("opens with the link and a code sent by text message");
        author.getByLabel("Name of the Driller").fill("Eelco Rietveld");
        author.getByLabel("E-mail of the Driller").fill("eelco@code.example");
        author.getByLabel("How the Driller shows who they are")
                .selectOption("opens with the link and a phrase you agreed");
        author.getByLabel("Phrase agreed with the Driller").fill("herons over the weir");
        author.getByRole(AriaRole.BUTTON, named("Send")).click();
        assertThat(author.getByRole(AriaRole.ALERT)).containsText("“Owner” needs a telephone number");
        author.getByLabel("Telephone of the Owner").fill("+44 7700 900555");
        Browser.isAccessible(author);
        author.getByRole(AriaRole.BUTTON, named("Send")).click();
        assertThat(author.locator("main")).containsText("is to show who they are by a code sent to +44 7700 900555");

        Page dora = BROWSER.phone();
        dora.navigate(link(author, "dora@code.example", 1));
        assertThat(dora.getByRole(AriaRole.HEADING, named("Show who you are"))).isVisible();
        assertThat(dora.locator("main")).not().containsText("With a code");
        Browser.isAccessible(dora);
        dora.getByRole(AriaRole.BUTTON, named("Send me a code")).click();
        dora.getByLabel("Code").fill("abc");
        dora.getByRole(AriaRole.BUTTON, named("Go on")).click();
        assertThat(dora.getByRole(AriaRole.ALERT)).containsText("This is not the code; you can try 4 times more.");
        Browser.isAccessible(dora);
        dora.getByLabel("Code").fill(code(author, "+44 7700 900555"));
        dora.getByRole(AriaRole.BUTTON, named("Go on")).click();
        opened(dora);
        dora.getByLabel("Write your name instead of drawing").fill("Dora Veldkamp");
        finish(dora);

        Page eelco = BROWSER.desktop();
        eelco.navigate(link(author, "eelco@code.example", 1));
        eelco.getByLabel("Phrase").fill("Herons over the weir ");
        eelco.keyboard().press("Enter");
        opened(eelco);
        author.getByRole(AriaRole.LINK, named("Dispatches")).click();
        author.getByLabel("Filter dispatches").fill("Dora");
        author.getByRole(AriaRole.LINK, named("With a code")).click();
        assertThat(author.locator("main"))
                .containsText("Showed to be the person named as Driller, by the phrase agreed beforehand.");
    }

    /** The code in the newest text message to a telephone. */
    private static String code(Page author, String phone) {
        author.getByRole(AriaRole.LINK, named("Outside")).click();
        author.getByLabel("Filter the mailbox").fill(phone);
        author.locator("section[aria-labelledby=mailbox] li button").first().click();
        Locator code = author.locator("section[aria-label=Message] p")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^\\s*\\d{6}\\s*$")));
        assertThat(code).isVisible();
        return code.textContent().strip();
    }

    private static Page opened(Page page, String link) {
        page.navigate(link);
        return opened(page);
    }

    private static Page opened(Page page) {
        page.getByRole(AriaRole.CHECKBOX).check();
        page.getByRole(AriaRole.BUTTON, named("Open the document")).click();
        assertThat(page.getByRole(AriaRole.BUTTON, named("Finish"))).isVisible();
        return page;
    }

    private static void finish(Page page) {
        page.getByRole(AriaRole.BUTTON, named("Finish")).click();
        assertThat(page.getByRole(AriaRole.HEADING, named("Thank you"))).isVisible();
    }
}
