package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.begin;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.starting;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What people see when the server fails as nobody foresaw: words, a number, a way to try again, and all they typed. */
class FailuresTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser("status of 500");

    private static final Pattern NUMBER = Pattern.compile("under the number \\d{8}");

    @Test
    void anEditThatFailsIsMadeWhenItsAuthorTriesAgain() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        begin(author, "Fails once");
        author.getByRole(AriaRole.BUTTON, starting("Add (here|the first)"))
                .last()
                .click();
        Locator line = author.getByRole(AriaRole.COMBOBOX, starting("Add: a label or a kind"));
        line.fill("Depth");
        Locator said = author.locator(".insert").getByRole(AriaRole.ALERT);
        SERVER.without("edit", () -> {
            author.keyboard().press("Enter");
            assertThat(said).containsText(NUMBER);
            return null;
        });
        assertThat(line).hasValue("Depth");
        Browser.isAccessible(author);
        said.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Try again"))
                .click();
        assertThat(author.locator(".entry[aria-current]")).containsText("Depth");
        assertThat(said).hasCount(0);
    }

    @Test
    void anAnswerThatFailsStaysAndIsKeptWhenItsFillerTriesAgain() {
        Visitor author = SERVER.author();
        String link = author.released("""
                {"formatVersion":1,"title":"Fails","pages":[{"key":"p","sections":[{"key":"s","items":[
                 {"type":"field","key":"name","label":"Name","kind":{"type":"text"}}]}]}]}""");
        Page filler = BROWSER.phone();
        filler.navigate(SERVER.address() + link);
        Locator said = filler.getByRole(AriaRole.ALERT);
        SERVER.without("answer", () -> {
            filler.getByLabel("Name").fill("Mira Oss");
            assertThat(said).containsText(NUMBER);
            filler.getByRole(AriaRole.BUTTON, named("Finish")).click();
            assertThat(said).containsText(NUMBER);
            return null;
        });
        Browser.isAccessible(filler);
        said.getByRole(AriaRole.BUTTON).click();
        assertThat(said).hasCount(0);
        assertThat(filler.getByText(Pattern.compile("^Kept"))).isVisible();
        filler.reload();
        assertThat(filler.getByLabel("Name")).hasValue("Mira Oss");
    }

    @Test
    void aPageThatCannotBeOpenedSaysWhyAndIsOpenedAgain() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        begin(author, "Not opened");
        SERVER.without("tryout", () -> {
            author.reload();
            assertThat(author.getByRole(AriaRole.ALERT)).containsText(NUMBER);
            return null;
        });
        author.getByRole(AriaRole.BUTTON, named("Try again")).click();
        assertThat(author.locator("#desk")).isVisible();
    }
}
