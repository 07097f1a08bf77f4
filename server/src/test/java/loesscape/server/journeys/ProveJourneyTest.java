package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
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

/** Promises and trials: written, broken by an edit, tried with the answers that break them, recorded and expected anew. */
class ProveJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static final String PERMIT = "Borehole and well permit";
    private static final String SHEET = "Soil sample sheet (single)";

    private static Page proving(String title) {
        Page author = Steps.signedIn(SERVER, BROWSER);
        Steps.open(author, title);
        author.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Prove").setExact(true))
                .click();
        return author;
    }

    private static void edit(String title, String edit) {
        Visitor author = SERVER.author();
        String path = "/api/templates/" + author.template(title) + "/draft";
        int revision = author.get(path).ok().json().get("revision").intValue();
        author.post(path + "/edits", "{\"revision\": %d, \"edit\": %s}".formatted(revision, edit))
                .ok();
    }

    private static Locator listed(Page page, String words) {
        return page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(words));
    }

    @Test
    void aPromiseIsWrittenBrokenByAnEditAndTriedWithItsExample() {
        Page author = proving(PERMIT);
        assertThat(listed(author, "Casing grade is always required")).containsText("kept");

        // Four actions: begin, the item, what is always so, whenever.
        author.getByRole(AriaRole.BUTTON, named("Write a promise")).click();
        author.keyboard().type("crop plan");
        author.keyboard().press("Enter");
        author.keyboard().type("always shown");
        author.keyboard().press("Enter");
        assertThat(author.getByRole(AriaRole.COMBOBOX, named("Follows"))).isFocused();
        author.keyboard().type("irrigated area > 39.9");
        assertThat(author.getByRole(AriaRole.OPTION).first()).containsText("Irrigated area > 39.9");
        author.keyboard().press("Enter");
        Locator promise = listed(author, "Crop plan is always shown");
        assertThat(promise).containsText("Whenever Irrigated area is more than 39.9 ha");
        // At exactly 40 ha there is no crop plan.
        assertThat(promise).containsText("broken");
        assertThat(promise).containsText("Irrigated area: 40");
        Browser.isAccessible(author);

        promise.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Try these answers"))
                .click();
        assertThat(author.getByRole(AriaRole.TEXTBOX, starting("Irrigated area"))
                        .first())
                .hasValue("40");
        assertThat(author.locator("#i-crop_plan")).containsText("folded");
        assertThat(author.getByRole(AriaRole.CONTENTINFO))
                .containsText("Broken: Whenever Irrigated area is more than 39.9");

        edit(PERMIT, """
                {"type": "setCondition", "keys": ["crop_plan"], "aspects": ["shown"],
                  "condition": {"type": "comparison", "field": "irrigated_area", "test": "atLeast",
                    "to": {"type": "number", "number": "40"}, "whenBlank": null}}
                """);
        author.reload();
        assertThat(author.locator("#i-crop_plan")).not().containsText("folded");
        assertThat(author.getByRole(AriaRole.CONTENTINFO)).not().containsText("Broken");
    }

    @Test
    void aTrialIsRecordedHeldAgainstEditsAndExpectedAnew() {
        SERVER.author()
                .put("/api/templates/" + SERVER.author().template(SHEET) + "/draft/answers", """
                {"key": "ph", "typed": "5.5"}
                """)
                .ok();
        Page author = proving(SHEET);
        assertThat(author.getByRole(AriaRole.STATUS).first()).containsText("all 13 trials come as expected");
        author.getByRole(AriaRole.TEXTBOX, named("Name of the trial")).fill("Lime at the edge");
        author.getByRole(AriaRole.BUTTON, named("Record how it stands now")).click();
        Locator trial = listed(author, "Lime at the edge");
        assertThat(trial).containsText("as expected");

        edit(SHEET, """
                {"type": "setCondition", "keys": ["lime_advised"], "aspects": ["shown"],
                  "condition": {"type": "comparison", "field": "ph", "test": "less",
                    "to": {"type": "number", "number": "5.5"}, "whenBlank": null}}
                """);
        author.reload();
        assertThat(trial).containsText("otherwise");
        assertThat(trial.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions().setHasText("Is liming advised?"))
                        .first())
                .containsText(Pattern.compile("shown\\s*folded"));
        assertThat(trial).containsText("Shown when pH in water, 1:1 is less than 5.5.");
        assertThat(author.getByRole(AriaRole.STATUS).first()).containsText("come otherwise than expected");
        Browser.isAccessible(author);

        trial.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^Expect what comes now")))
                .click();
        assertThat(trial).containsText("as expected");
        author.getByRole(AriaRole.BUTTON, named("Undo")).click();
        assertThat(trial).containsText("otherwise");
    }

    @Test
    void whatNoTrialHasTriedIsSaidAndTriedByWhatIsSuggested() {
        Page author = proving(PERMIT);
        Locator coverage = author.getByRole(AriaRole.REGION, named("What the trials have tried"));
        assertThat(coverage).containsText("Which animals? is Others");
        int before = listed(author, "as expected").count();

        // Two actions: ask for them, take them all; what is tried by itself then is told anew.
        coverage.getByRole(AriaRole.BUTTON, locatorNamed("Suggest trials of the rest"))
                .click();
        Locator suggested = coverage.getByRole(AriaRole.LIST, locatorNamed("Suggested trials"));
        assertThat(suggested).containsText("“Which animals? is Others” met decides");
        int more = suggested.getByRole(AriaRole.LISTITEM).count();
        Browser.isAccessible(author);
        coverage.getByRole(AriaRole.BUTTON, locatorNamed("Take all " + more)).click();
        assertThat(coverage).not().containsText("“Which animals? is Others”");
        assertThat(coverage).containsText("all");
        assertThat(listed(author, "as expected")).hasCount(before + more);

        // One edit took them, and one takes them back.
        author.getByRole(AriaRole.BUTTON, named("Undo")).click();
        assertThat(listed(author, "as expected")).hasCount(before);
        assertThat(coverage).containsText("“Which animals? is Others”");

        Steps.open(author, PERMIT);
        assertThat(author.getByRole(AriaRole.IMG, starting("Not tried: “Holding number is answered” never met")))
                .isVisible();
    }

    private static Locator.GetByRoleOptions locatorNamed(String name) {
        return new Locator.GetByRoleOptions().setName(name).setExact(true);
    }
}
