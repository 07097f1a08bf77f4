package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.formats.json.Json;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What people do with Loesscape, in a real browser against the real server. */
class JourneysTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    @Test
    void anAuthorWritesADocumentReleasesItAndReadsTheRecordThatComesIn() {
        Page author = signedIn();
        author.getByLabel("New template").fill("Equipment loan");
        author.keyboard().press("Enter");
        write(author);
        logic(author);
        tryOut(author);

        String link = release(author);
        fill(BROWSER.desktop(), link);
        fillByKeyboard(BROWSER.phone(), link);

        author.getByRole(AriaRole.LINK, named("Records")).click();
        author.getByRole(AriaRole.LINK, named("1")).click();
        assertThat(author.getByText("Ilvo Branders")).isVisible();
        assertThat(author.getByText("Long loan")).isVisible();
        assertThat(author.getByText("6 weeks")).isVisible();
        Browser.isAccessible(author);
        author.getByRole(AriaRole.LINK, named("Newer")).click();
        assertThat(author.getByText("Mira Oss")).isVisible();
        assertThat(author.getByText("Weeks")).hasCount(0);
    }

    private static void fill(Page filler, String link) {
        filler.navigate(link);
        assertThat(filler.getByLabel("Weeks")).isHidden();
        filler.getByLabel("Pump").check();
        filler.getByLabel("Name").fill("Ilvo Branders");
        filler.getByLabel("Weeks").fill("6");
        assertThat(filler.getByText("Long loan")).isVisible();
        filler.getByRole(AriaRole.BUTTON, named("Finish")).click();
        assertThat(filler.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Thank you")))
                .isVisible();
        Browser.isAccessible(filler);
    }

    /** On a phone's screen and with nothing but the keyboard; the section for pumps stays folded. */
    private static void fillByKeyboard(Page filler, String link) {
        filler.navigate(link);
        assertThat(filler.getByLabel("Pump", alone())).isVisible();
        filler.keyboard().press("Tab"); // the progress core
        filler.keyboard().press("Tab");
        filler.keyboard().press("Space");
        assertThat(filler.getByLabel("Pump", alone())).isChecked();
        assertThat(filler.getByLabel("Weeks")).isVisible();
        filler.keyboard().press("ArrowDown");
        assertThat(filler.getByLabel("Auger")).isChecked();
        assertThat(filler.getByLabel("Weeks")).isHidden();
        Steps.tabTo(filler, "document.activeElement.id === 'f-name'");
        filler.keyboard().type("Mira Oss");
        Steps.tabTo(filler, "document.activeElement.textContent.trim() === 'Finish'");
        filler.keyboard().press("Enter");
        assertThat(filler.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Thank you")))
                .isFocused();
    }

    /** By keyboard only: two questions, then a section with a number and an indicator, and the two choices. */
    private static void write(Page author) {
        add(author, "Add the first question", "Which machine?", "Name", "section");
        assertThat(author.getByRole(AriaRole.TEXTBOX, named("Title of the section"))
                        .last())
                .isFocused();
        author.keyboard().type("For pumps");
        author.keyboard().press("Enter");
        assertThat(author.locator("#c-new_section")).containsText("For pumps");
        add(author, "Add the first question", "Number of weeks, weeks", "indicator");
        author.keyboard().press("Escape");
        assertThat(author.locator("#i-new_indicator")).isVisible();

        author.locator("#c-which_machine").click();
        for (String[] change : new String[][] {{"Choice 1", "Pump"}, {"Choice 2", "Auger"}}) {
            Locator choice = author.getByLabel(change[0], new Page.GetByLabelOptions().setExact(true));
            choice.fill(change[1]);
            choice.press("Enter");
        }
        assertThat(author.locator("#i-which_machine").getByLabel("Pump")).isVisible();
        author.locator("#c-number_of_weeks").click();
        Locator label = author.getByRole(AriaRole.TEXTBOX, named("Label"));
        label.fill("Weeks");
        label.press("Enter");
        assertThat(author.locator("#c-number_of_weeks")).containsText("Weeks");
    }

    private static void add(Page author, String begin, String... labels) {
        author.getByRole(AriaRole.BUTTON, starting(begin)).press("Enter");
        Locator line = author.getByRole(AriaRole.COMBOBOX, starting("Add: a label or a kind"));
        for (String label : labels) {
            line.fill(label);
            line.press("Enter");
            assertThat(
                            label.equals("section")
                                    ? author.locator("#c-new_section")
                                    : author.locator(".entry[aria-current]"))
                    .isVisible();
            if (!label.equals("section")) {
                assertThat(line).hasValue("");
            }
        }
    }

    private static void logic(Page author) {
        author.locator("#c-new_indicator").click();
        Locator bands = author.getByRole(AriaRole.GROUP, named("Bands"));
        bands.getByLabel("Edge between").fill("4");
        bands.getByLabel("Edge between").press("Enter");
        bands.getByLabel("Words of band 2").fill("Long loan");
        bands.getByLabel("Words of band 2").press("Enter");
        author.keyboard().press("Escape");
        assertThat(author.locator("#n-new_indicator")).containsText("Long loan from 4");

        author.locator("#c-new_section").click();
        Locator shown = author.getByRole(AriaRole.GROUP, named("Shown"));
        shown.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("add a condition"))
                .click();
        author.getByRole(AriaRole.COMBOBOX, named("Follows")).fill("is pump");
        author.keyboard().press("Enter");
        assertThat(shown).containsText("Pump");
        assertThat(author.locator("#i-new_section")).containsText("folded: Which machine? is blank");
    }

    private static void tryOut(Page author) {
        author.locator("#i-which_machine").getByLabel("Pump").check();
        Locator weeks = author.locator("#i-number_of_weeks input");
        weeks.fill("4");
        assertThat(author.locator("#i-new_indicator")).containsText("Long loan");
        weeks.fill("3.9");
        assertThat(author.locator("#i-new_indicator")).containsText("Low");
        Browser.isAccessible(author);

        author.getByRole(AriaRole.BUTTON, named("Undo")).click();
        assertThat(author.locator("#n-new_section")).hasCount(0);
        author.getByRole(AriaRole.BUTTON, named("Redo")).click();
        author.reload();
        assertThat(author.locator("#i-number_of_weeks input")).hasValue("3.9");
        assertThat(author.locator("#n-new_indicator")).containsText("Long loan from 4");
    }

    private static String release(Page author) {
        author.getByRole(AriaRole.LINK, named("Release")).click();
        author.getByRole(AriaRole.BUTTON, starting("Make release 1")).click();
        String link = author.getByLabel("Address of the link").inputValue();
        Browser.isAccessible(author);
        return link;
    }

    @Test
    void aFieldThatOthersFollowIsDeletedOnlyAfterAWord() {
        Page author = signedIn();
        author.getByRole(AriaRole.LINK, named("Borehole and well permit")).click();
        author.locator("#c-purpose").click();
        author.getByRole(AriaRole.BUTTON, named("Delete")).click();
        Locator refused = author.getByRole(AriaRole.ALERT);
        assertThat(refused).containsText("is followed by others");
        assertThat(refused).containsText("Irrigation");
        Browser.isAccessible(author);
        refused.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Delete and drop these conditions"))
                .click();
        assertThat(author.locator("#c-purpose")).hasCount(0);
        author.locator("#desk").focus();
        author.keyboard().press("Control+z");
        assertThat(author.locator("#c-purpose")).isVisible();
        assertThat(author.locator("#n-irrigation")).containsText("Section shown when Purpose is Irrigation");
    }

    @Test
    void whatIsBeingWrittenIsNotOverwrittenByTheAnswerToItsEarlierState() {
        Page author = signedIn();
        author.getByRole(AriaRole.LINK, named("Soil sample sheet (single)")).click();
        author.locator("#c-taken_by").click();
        List<Route> held = new ArrayList<>();
        author.route("**/draft/edits", held::add);
        Locator label = author.getByRole(AriaRole.TEXTBOX, named("Label"));
        author.waitForRequest("**/draft/edits", () -> {
            label.fill("Sample");
            label.press("Enter");
        });
        label.fill("Sample taken by");
        author.unroute("**/draft/edits");
        author.waitForResponse("**/draft/edits", () -> held.getFirst().resume());
        assertThat(author.locator("#c-taken_by")).containsText("Sample");
        assertThat(label).hasValue("Sample taken by");
        label.press("Enter");
        assertThat(author.locator("#c-taken_by")).containsText("Sample taken by");
    }

    @Test
    void itemsAreMovedByDraggingAndByKeyboard() {
        Page author = signedIn();
        author.getByRole(AriaRole.LINK, named("Borehole and well permit")).click();
        author.locator("#c-contact").click();
        String afterOwner = "li:has(> #c-owner_agrees) + li > #c-contact";
        String afterNotice = "li:has(> #c-owner_notice) + li > #c-contact";
        author.keyboard().press("Alt+ArrowUp");
        assertThat(author.locator(afterOwner)).hasCount(1);
        author.keyboard().press("Alt+ArrowDown");
        assertThat(author.locator(afterNotice)).hasCount(1);
        author.locator("#desk").evaluate("it => it.scrollTop = 0");
        author.locator("#i-contact > .grip")
                .dragTo(author.locator("#i-applicant_type"), new Locator.DragToOptions().setTargetPosition(20, 10));
        assertThat(author.locator("li:has(> #c-contact) + li > #c-applicant_type"))
                .hasCount(1);
        author.getByRole(AriaRole.BUTTON, named("Undo")).click();
        assertThat(author.locator("li:has(> #c-owner_notice) + li > #c-contact"))
                .hasCount(1);

        author.navigate(SERVER.address() + "/templates");
        author.getByRole(AriaRole.LINK, named("Soil sample series")).click();
        author.locator("#c-page_samples, #c-crop").first().click();
        author.setViewportSize(1280, 2400);
        author.locator("#i-going > .grip").dragTo(author.locator("#i-page_samples"));
        assertThat(author.locator("li:has(> #c-limits) #c-going")).hasCount(1);
    }

    @Test
    void twoWhoEditTheSameDocumentSeeEachOther() {
        Page one = signedIn();
        Page other = signedIn();
        for (Page page : List.of(one, other)) {
            page.getByRole(AriaRole.LINK, named("Equipment loan agreement")).click();
            page.locator("#c-insurance").click();
        }
        relabel(one, "Insurance");
        assertThat(other.locator("#c-insurance")).containsText("Insurance");
        assertThat(other.getByText("Edited elsewhere")).isVisible();

        other.route("**/draft/revision", Route::abort);
        relabel(one, "Proof that you are insured");
        assertThat(one.locator("#c-insurance")).containsText("Proof that you are insured");
        other.locator("#c-borrower_name").click();
        relabel(other, "Your name");
        assertThat(other.locator("#c-borrower_name")).containsText("Your name");
        assertThat(other.locator("#c-insurance")).containsText("Proof that you are insured");
        assertThat(one.locator("#c-borrower_name")).containsText("Your name");
    }

    private static void relabel(Page author, String label) {
        Locator box = author.getByRole(AriaRole.TEXTBOX, named("Label"));
        box.fill(label);
        box.press("Enter");
    }

    @Test
    void severalItemsFollowOneChoiceThatIsPointedAtAndSayWhy() {
        Page author = signedIn();
        author.getByRole(AriaRole.LINK, named("Equipment loan agreement")).click();
        author.locator("#c-extras").click();
        author.locator("#c-heard_from")
                .click(new Locator.ClickOptions()
                        .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.CONTROL)));
        Locator both = author.getByRole(AriaRole.REGION, named("2 selected"));
        both.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("add a condition"))
                .first()
                .click();
        author.locator("#i-together").getByText("No", exactly()).click();
        assertThat(both).containsText("shared by 2");
        assertThat(author.locator("#c-extras")).hasAttribute("aria-current", "true");
        assertThat(author.locator("#i-extras")).containsText("folded: Together is Yes");

        both.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Give it a name"))
                .click();
        author.getByLabel("Name of the shared condition").fill("Alone");
        author.keyboard().press("Enter");
        assertThat(both).containsText("shared by 2 as “Alone”");
        Browser.isAccessible(author);

        both.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("As a formula"))
                .click();
        Locator formula = both.getByLabel("Formula for shown");
        assertThat(formula).hasValue("together = false");
        formula.fill("together = maybe");
        formula.blur();
        assertThat(both).containsText("There is no field “maybe”");
        formula.fill("together = false and borrower_name != null");
        formula.blur();
        assertThat(formula).isHidden();
        assertThat(both).containsText("is answered");

        author.locator("#i-extras").getByText("Why").click();
        Locator why =
                author.locator("#i-extras").getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("Why"));
        assertThat(why).containsText("Together: Yes");
        why.getByText("Make it show").click();
        assertThat(author.locator("#i-extras").getByLabel("Hoses")).isVisible();
        author.locator("#desk").focus();
        author.keyboard().press("Control+z");
        author.keyboard().press("Control+z");
        author.keyboard().press("Control+z");
        assertThat(author.locator("#n-extras")).not().containsText("shared by");

        author.keyboard().press("Control+k");
        Browser.isAccessible(author);
        author.keyboard().type("loan_sig");
        author.keyboard().press("Enter");
        assertThat(author.locator("#c-loan_signature")).hasAttribute("aria-current", "true");
    }

    @Test
    void aFillerGoesThroughPagesAndAddsRows() {
        Page author = signedIn();
        author.getByRole(AriaRole.LINK, named("Soil sample series")).click();
        author.getByRole(AriaRole.LINK, named("Release")).click();
        author.getByRole(AriaRole.BUTTON, named("New link")).click();
        Page filler = BROWSER.phone();
        filler.navigate(author.getByLabel("Address of the link").inputValue());
        Browser.isAccessible(filler);

        filler.getByLabel("Parcel").fill("Oost 7");
        filler.getByLabel("Visited on").fill("2026-10-14");
        filler.getByLabel("Begun at").fill("08:30");
        filler.getByLabel("Ended at").fill("10:00");
        assertThat(filler.getByLabel("Hours in the field")).hasValue("1.5");
        filler.getByLabel("Grass").check();
        filler.getByLabel("Other", new Page.GetByLabelOptions().setExact(true)).check();
        filler.getByLabel("Other, for What grows there?").fill("ragwort, knee high");
        filler.getByRole(AriaRole.BUTTON, named("Next page")).click();
        assertThat(filler.locator("#page-heading")).isFocused();
        Browser.isAccessible(filler);

        filler.getByText("Potatoes").click();
        filler.getByLabel("Hole").fill("A1");
        filler.getByLabel("Depth, cm").fill("30");
        filler.getByLabel("pH in water").fill("4.9");
        assertThat(filler.getByText("Below the least for the crop")).isVisible();
        filler.getByRole(AriaRole.BUTTON, named("Add another")).click();
        Locator second = filler.getByRole(AriaRole.GROUP, named("Sample 2"));
        second.getByLabel("Hole").fill("A2");
        second.getByLabel("Depth, cm").fill("60");
        second.getByLabel("pH in water").fill("6.1");
        assertThat(filler.getByLabel("Mean pH")).hasValue("5.5");
        filler.getByRole(AriaRole.BUTTON, named("Add another")).click();
        filler.getByRole(AriaRole.BUTTON, named("Remove Sample 3")).click();
        assertThat(filler.getByLabel("Samples", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("2");
        filler.getByRole(AriaRole.GROUP, named("Sample 1"))
                .getByText("No", exactly())
                .click();
        filler.getByLabel("Lime, t/ha").fill("2,5");
        assertThat(filler.getByText("1 of 2 samples lie below the least pH; the mean is 5.5."))
                .isVisible();
        filler.getByLabel("Write your name instead of drawing").fill("Ilvo Branders");
        Browser.isAccessible(filler);

        filler.getByRole(AriaRole.BUTTON, named("Back")).click();
        assertThat(filler.getByLabel("Other, for What grows there?")).hasValue("ragwort, knee high");
        filler.reload();
        assertThat(filler.getByLabel("Parcel")).hasValue("Oost 7");
        filler.getByRole(AriaRole.BUTTON, named("Finish")).click();
        assertThat(filler.getByText("Thank you")).isVisible();
    }

    private static Page.GetByLabelOptions alone() {
        return new Page.GetByLabelOptions().setExact(true);
    }

    private static Locator.GetByTextOptions exactly() {
        return new Locator.GetByTextOptions().setExact(true);
    }

    @Test
    void aFillerOnAPhoneFinishesWithTheKeyboardOnly() {
        Page author = signedIn();
        author.getByRole(AriaRole.LINK, named("Soil sample sheet (single)")).click();
        author.getByRole(AriaRole.LINK, named("Release")).click();
        author.getByRole(AriaRole.BUTTON, named("New link")).click();
        String link = author.getByLabel("Address of the link").inputValue();

        Page filler = BROWSER.phone();
        filler.navigate(link);
        Browser.isAccessible(filler);
        assertThat((Integer) filler.evaluate("document.documentElement.scrollWidth"))
                .isLessThanOrEqualTo(390);
        filler.getByRole(AriaRole.BUTTON, named("Show the next one")).press("Enter");
        assertThat(filler.locator("#f-sample_number")).isFocused();
        pressFinish(filler);
        assertThat(filler.locator("#f-sample_number")).isFocused();
        assertThat(filler.getByText("This still needs an answer.").first()).isVisible();
        Browser.isAccessible(filler);
        filler.keyboard().type("S-2699");
        type(filler, "taken_on", "11242026");
        type(filler, "taken_by", "Mira Oss");
        type(filler, "depth_from", "0");
        type(filler, "depth_to", "30");
        type(filler, "ph", "4,4");
        assertThat(filler.getByText("Extremely acid")).isVisible();
        filler.reload();
        assertThat(filler.locator("#f-ph")).hasValue("4,4");
        assertThat(filler.getByText("Extremely acid")).isVisible();
        for (int i = 0; i < 8 && !isFinished(filler); i++) {
            answerFocused(filler);
        }
        assertThat(filler.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Thank you")))
                .isFocused();
    }

    /** Tries to finish; where that is refused, waits until the first question in the way has the focus. */
    private static boolean isFinished(Page filler) {
        Response answer = filler.waitForResponse("**/finish", () -> pressFinish(filler));
        JsonNode finished = Json.parse(answer.body());
        if (!finished.get("record").isNull()) {
            return true;
        }
        String key = finished.at("/obstacles/0/key").stringValue();
        assertThat(filler.locator("[data-key=" + key + "] :focus")).isVisible();
        return false;
    }

    private static void answerFocused(Page filler) {
        switch ((String) filler.locator("main :focus").evaluate("it => it.type")) {
            case "radio" -> filler.keyboard().press("Space");
            case "select-one" -> filler.keyboard().press("ArrowDown");
            case "date" -> filler.keyboard().type("11242026");
            default -> filler.keyboard().type("1");
        }
    }

    private static void type(Page filler, String key, String text) {
        filler.locator("#f-" + key).focus();
        filler.keyboard().type(text);
    }

    private static void pressFinish(Page filler) {
        filler.getByRole(AriaRole.BUTTON, named("Finish")).press("Enter");
    }

    @Test
    void anAnswerTypedWhileTheServerIsAwayIsKeptWhenItIsBack() {
        Page author = signedIn();
        author.getByRole(AriaRole.LINK, named("Soil sample sheet (single)")).click();
        author.getByRole(AriaRole.LINK, named("Release")).click();
        author.getByRole(AriaRole.BUTTON, named("New link")).click();
        Page filler = BROWSER.desktop();
        filler.navigate(author.getByLabel("Address of the link").inputValue());
        filler.route("**/answers/**", route -> route.abort());
        filler.getByLabel("Taken by").fill("Mira Oss");
        assertThat(filler.getByText("Not kept yet; trying again")).isVisible();
        filler.reload();
        assertThat(filler.getByLabel("Taken by")).hasValue("Mira Oss");
        filler.unroute("**/answers/**");
        assertThat(filler.getByText(Pattern.compile("^Kept \\d\\d:\\d\\d$"))).isVisible();
        filler.reload();
        assertThat(filler.getByLabel("Taken by")).hasValue("Mira Oss");
        assertThat(filler.evaluate("localStorage.length")).isEqualTo(0);
    }

    @Test
    void theListsAreAccessible() {
        Page author = signedIn();
        Browser.isAccessible(author);
        author.getByRole(AriaRole.LINK, named("Borehole and well permit")).click();
        author.locator("#c-depth_class").click();
        Browser.isAccessible(author);
        author.locator("#c-metering_device").click();
        author.getByRole(AriaRole.BUTTON, starting("Verb")).first().click();
        Browser.isAccessible(author);
        author.getByRole(AriaRole.LINK, named("Records")).click();
        assertThat(author.getByText(Pattern.compile("\\d+ records"))).isVisible();
        Browser.isAccessible(author);
    }

    private static Page signedIn() {
        Page page = BROWSER.desktop();
        page.navigate(SERVER.address() + "/");
        Browser.isAccessible(page);
        page.getByRole(AriaRole.BUTTON, starting("Go in as")).click();
        assertThat(page.getByLabel("New template")).isVisible();
        return page;
    }

    private static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name).setExact(true);
    }

    private static Page.GetByRoleOptions starting(String name) {
        return new Page.GetByRoleOptions().setName(Pattern.compile("^" + name));
    }
}
