package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.open;
import static loesscape.server.journeys.Steps.starting;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What may go wrong while somebody fills in: nothing that was typed is lost. */
class FillerTest {

    private static final int TEN_SECONDS = 10_000;
    private static final Pattern KEPT = Pattern.compile("^Kept \\d\\d:\\d\\d$");

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    /** A new link to the last release of a template. */
    private static String link(String template) {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, template);
        author.getByRole(AriaRole.LINK, named("Release")).click();
        author.getByRole(AriaRole.BUTTON, named("New link")).click();
        return author.getByLabel("Address of the link").inputValue();
    }

    @Test
    void tenSecondsWithoutTheNetLoseNothing() {
        Page filler = BROWSER.phone();
        filler.navigate(link("Soil sample sheet (single)"));
        filler.getByLabel("Sample number").fill("S-1");
        assertThat(filler.getByText(KEPT)).isVisible();
        filler.context().setOffline(true);
        filler.getByLabel("Taken by").fill("Mira Oss");
        filler.getByLabel("pH in water").fill("4,4");
        assertThat(filler.getByText("Not kept yet; trying again")).isVisible();
        filler.waitForTimeout(TEN_SECONDS);
        filler.context().setOffline(false);
        assertThat(filler.getByText("Extremely acid")).isVisible();
        assertThat(filler.getByText(KEPT)).isVisible();
        filler.reload();
        assertThat(filler.getByLabel("Taken by")).hasValue("Mira Oss");
    }

    @Test
    void aServerThatIsStartedAnewFindsEveryAnswerAgain() {
        Page filler = BROWSER.desktop();
        String link = link("Soil sample sheet (single)");
        filler.navigate(link);
        filler.getByLabel("Taken by").fill("Ilvo Branders");
        assertThat(filler.getByText(KEPT)).isVisible();
        SERVER.restart();
        filler.navigate(SERVER.address() + link.substring(link.indexOf("/fill/")));
        assertThat(filler.getByLabel("Taken by")).hasValue("Ilvo Branders");
    }

    @Test
    void twoTabsOfTheSamePersonFinishOnce() {
        Page one = BROWSER.desktop();
        one.navigate(link("Soil sample sheet (single)"));
        one.getByLabel("Sample number").fill("S-7");
        assertThat(one.getByText(KEPT)).isVisible();
        Page other = one.context().newPage();
        other.navigate(one.url());
        assertThat(other.getByLabel("Sample number")).hasValue("S-7");
        one.getByLabel("Taken on").fill("2026-11-20");
        one.getByLabel("Taken by").fill("Mira Oss");
        one.getByLabel("From depth").fill("0");
        one.getByLabel("To depth").fill("30");
        one.getByLabel("pH in water").fill("6,4");
        one.locator("[data-key=send]").getByText("No").click();
        assertThat(one.getByText("Nothing more is needed")).isVisible();
        other.reload();
        assertThat(other.getByText("Nothing more is needed")).isVisible();
        one.getByRole(AriaRole.BUTTON, named("Finish")).click();
        other.getByRole(AriaRole.BUTTON, named("Finish")).click();
        for (Page tab : List.of(one, other)) {
            tab.reload();
            assertThat(tab.getByText("Your answers have arrived as record")).isVisible();
        }
        assertThat(one.getByText("Your answers have arrived as record").textContent())
                .isEqualTo(
                        other.getByText("Your answers have arrived as record").textContent());
    }

    @Test
    void aFileOfAnotherKindIsRefusedInWords() {
        Page filler = BROWSER.phone();
        filler.navigate(link("Soil sample series"));
        Locator files = filler.locator("input[type=file]").first();
        files.setInputFiles(new FilePayload("note.txt", "text/plain", "no picture".getBytes(StandardCharsets.UTF_8)));
        Locator question = filler.locator("[data-key=site_photo]");
        assertThat(question.getByRole(AriaRole.ALERT)).isVisible();
        Browser.isAccessible(filler);
    }

    @Test
    void theOrganisationIsSeenAndItsColourMustBeReadable() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Veldhollow Soil and Water Board");
        author.getByPlaceholder("#1f6f8b").fill("#ffe08a");
        author.getByRole(AriaRole.BUTTON, named("Keep")).click();
        assertThat(author.getByRole(AriaRole.ALERT)).containsText("The nearest colour that can be read is #");
        author.getByPlaceholder("#1f6f8b").fill("#7a4a12");
        author.getByRole(AriaRole.BUTTON, named("Keep")).click();
        assertThat(author.getByText("Kept.")).isVisible();
        Browser.isAccessible(author);
        Page filler = BROWSER.phone();
        filler.navigate(link("Soil sample sheet (single)"));
        assertThat(filler.locator("header")).containsText("Veldhollow Soil and Water Board");
        assertThat(filler.locator("header").evaluate("it => getComputedStyle(it).borderTopColor"))
                .isEqualTo("rgb(122, 74, 18)");
        Browser.isAccessible(filler);
    }

    @Test
    void byNightAndOnPaperItCanBeRead() {
        Page filler = BROWSER.desktop();
        String link = link("Soil sample series");
        filler.emulateMedia(
                new Page.EmulateMediaOptions().setColorScheme(com.microsoft.playwright.options.ColorScheme.DARK));
        filler.navigate(link);
        assertThat(filler.getByLabel("Parcel")).isVisible();
        Browser.isAccessible(filler);
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.emulateMedia(
                new Page.EmulateMediaOptions().setColorScheme(com.microsoft.playwright.options.ColorScheme.DARK));
        open(author, "Borehole and well permit");
        author.locator("#c-depth_class").click();
        Browser.isAccessible(author);

        filler.emulateMedia(new Page.EmulateMediaOptions().setMedia(com.microsoft.playwright.options.Media.PRINT));
        filler.evaluate("dispatchEvent(new Event('beforeprint'))");
        assertThat(filler.getByRole(AriaRole.HEADING, starting("(\\d+ )?What is looked for")))
                .isVisible();
        assertThat(filler.getByRole(AriaRole.BUTTON, named("Finish"))).isHidden();
        filler.evaluate("dispatchEvent(new Event('afterprint'))");
        assertThat(filler.getByRole(AriaRole.HEADING, starting("(\\d+ )?What is looked for")))
                .isHidden();
    }
}
