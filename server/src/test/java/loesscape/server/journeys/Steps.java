package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;

/** What authors do again and again in the journeys. */
final class Steps {

    private static final int MOST_TABS = 200;

    private Steps() {}

    static Page signedIn(RunningServer server, Browser browser) {
        Page page = browser.desktop();
        page.navigate(server.address() + "/");
        page.getByRole(AriaRole.BUTTON, starting("Go in as")).click();
        assertThat(page.getByLabel("New template")).isVisible();
        return page;
    }

    static void open(Page author, String template) {
        author.getByRole(AriaRole.LINK, named(template)).click();
        assertThat(author.locator("#desk")).isVisible();
    }

    /** A new document with one empty section, {@code section_1}. */
    static void begin(Page author, String title) {
        author.getByLabel("New template").fill(title);
        author.keyboard().press("Enter");
        assertThat(author.locator("#desk")).isVisible();
    }

    /** Adds something at the end of the document; {@code as} is its kind as the insert line names it. */
    static void add(Page author, String label, String as) {
        author.getByRole(AriaRole.BUTTON, starting("Add (here|the first)"))
                .last()
                .click();
        Locator line = author.getByRole(AriaRole.COMBOBOX, starting("Add: a label or a kind"));
        line.fill(label);
        author.getByRole(AriaRole.OPTION, named(label + " as " + as)).click();
        assertThat(author.locator(".entry[aria-current]")).containsText(label.replaceFirst(",.*", ""));
        line.or(author.locator("#desk")).first().press("Escape");
    }

    static void select(Page author, String key) {
        author.locator("#c-" + key).click();
        assertThat(author.locator("#c-" + key)).hasAttribute("aria-current", "true");
    }

    static void selectBesides(Page author, String key) {
        author.locator("#c-" + key).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
    }

    /** A line of the open editor. */
    static Locator line(Page author, String name) {
        return author.locator(".editor-card").getByRole(AriaRole.GROUP, within(name));
    }

    /** Types what a condition follows, and takes the first that is offered. */
    static void follow(Page author, String typed) {
        author.getByRole(AriaRole.COMBOBOX, named("Follows")).fill(typed);
        author.keyboard().press("Enter");
    }

    static void press(Locator in, String button) {
        in.getByRole(AriaRole.BUTTON, within(button)).first().click();
    }

    /** Presses Tab until something is so; it fails where going once around the page does not bring it about. */
    static void tabTo(Page page, String isSo) {
        for (int i = 0; i < MOST_TABS; i++) {
            if (Boolean.TRUE.equals(page.evaluate(isSo))) {
                return;
            }
            page.keyboard().press("Tab");
        }
        throw new AssertionError("Tab does not lead there: " + isSo);
    }

    /** Signs by hand, in the pad of a field. */
    static void sign(Page page, String pad) {
        Locator drawing = page.locator(pad + " svg");
        // What lies beneath the bar at the foot of the page counts as seen, but cannot be reached.
        drawing.evaluate("pad => pad.scrollIntoView({ block: 'center' })");
        var box = drawing.boundingBox();
        page.mouse().move(box.x + 30, box.y + 50);
        page.mouse().down();
        page.mouse().move(box.x + 90, box.y + 20);
        page.mouse().move(box.x + 140, box.y + 55);
        page.mouse().up();
        assertThat(drawing.locator("path.pen")).isVisible();
    }

    /** Makes a link to the first release of a template, and tells its path. */
    static String fillingLink(Visitor author, String template) {
        return author.post("/api/templates/" + template + "/releases/1/links", "{}")
                .ok()
                .text()
                .replaceAll("(?s).*(/fill/[A-Za-z0-9_-]+).*", "$1");
    }

    static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name).setExact(true);
    }

    static Page.GetByRoleOptions starting(String name) {
        return new Page.GetByRoleOptions().setName(Pattern.compile("^" + name));
    }

    static Locator.GetByRoleOptions within(String name) {
        return new Locator.GetByRoleOptions().setName(name).setExact(true);
    }
}
