package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.starting;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What an answer reaches: read for the answers tried out and for all, painted, cut at edges, taken back. */
class ReachJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static final String PERMIT = "Borehole and well permit";

    private static Page reaching(String title) {
        Page author = Steps.signedIn(SERVER, BROWSER);
        Steps.open(author, title);
        author.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Reach").setExact(true))
                .click();
        return author;
    }

    private static Locator cell(Page page, String words) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(words).setExact(true));
    }

    private static void drag(Page page, Locator from, Locator to) {
        BoundingBox begin = from.boundingBox();
        BoundingBox end = to.boundingBox();
        page.mouse().move(begin.x + begin.width / 2, begin.y + begin.height / 2);
        page.mouse().down();
        page.mouse()
                .move(
                        end.x + end.width / 2,
                        end.y + end.height / 2,
                        new com.microsoft.playwright.Mouse.MoveOptions().setSteps(8));
        page.mouse().up();
    }

    @Test
    void whatADepthDoesToEverythingIsReadAndPainted() throws IOException {
        // Two actions: the view, the field.
        Page author = reaching(PERMIT);
        author.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Planned depth")))
                .first()
                .click();
        assertThat(author.getByRole(AriaRole.HEADING, named("What Planned depth reaches")))
                .isVisible();
        assertThat(cell(author, "folded, Nearest log, shown, between 30 m and 100 m"))
                .isVisible();
        assertThat(cell(author, "Deep: hydrologist reviews, Depth class, tells, exactly 100 m"))
                .isVisible();
        Browser.isAccessible(author);

        // One action: what is painted over is shown, and the sentence says so.
        drag(
                author,
                cell(author, "folded, Nearest log, shown, exactly 30 m"),
                cell(author, "folded, Nearest log, shown, between 30 m and 100 m"));
        assertThat(cell(author, "shown, Nearest log, shown, exactly 30 m")).isVisible();
        assertThat(cell(author, "shown, Nearest log, shown, between 30 m and 100 m"))
                .isVisible();
        assertThat(cell(author, "folded, Nearest log, shown, from 0.1 m to under 30 m"))
                .isVisible();
        assertThat(author.getByRole(AriaRole.MAIN))
                .containsText(Pattern.compile("Nearest log:\\s*Shown when Planned depth is at least 30 m"));
        author.getByRole(AriaRole.BUTTON, named("Undo")).click();
        assertThat(cell(author, "folded, Nearest log, shown, exactly 30 m")).isVisible();

        // By keyboard: past the line that is refused, and two cells taken with Shift, set with Enter.
        cell(author, "folded, Nearest log, shown, blank").focus();
        author.keyboard().press("ArrowDown");
        assertThat(cell(author, "folded, Nearest log, shown, from 0.1 m to under 30 m"))
                .isFocused();
        Locator first = cell(author, "folded, Nearest log, shown, exactly 30 m");
        first.focus();
        author.keyboard().press("Shift+ArrowDown");
        author.keyboard().press("Enter");
        assertThat(cell(author, "shown, Nearest log, shown, exactly 30 m")).isVisible();
        assertThat(cell(author, "shown, Nearest log, shown, between 30 m and 100 m"))
                .isVisible();
        author.getByRole(AriaRole.BUTTON, named("Undo")).click();
        assertThat(first).isVisible();

        Download table = author.waitForDownload(() ->
                author.getByRole(AriaRole.LINK, named("Save as table (CSV)")).click());
        assertThat(Files.readString(table.path()))
                .contains("\"Nearest log: shown\"")
                .contains("\"over 400 m\",\"not accepted\"");
    }

    @Test
    void forAllOtherAnswersWhatDependsIsShownByExamplesOfBoth() {
        Page author = reaching(PERMIT);
        author.getByRole(AriaRole.BUTTON, named("For all other answers")).click();
        Locator depends = cell(author, "it depends, Metering device serial, shown, between 30 m and 100 m");
        depends.click();
        Locator shown = author.getByRole(AriaRole.STATUS)
                .filter(new Locator.FilterOptions().setHasText("Metering device serial, shown"));
        assertThat(shown).containsText("So for these answers");
        assertThat(shown).containsText("Not so for these");
        Browser.isAccessible(author);
        shown.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Try these answers: So for these answers"))
                .click();
        assertThat(author.locator("#i-metering_device").first()).not().containsText("folded");
    }

    /** At most twelve: the view and the field open, one for the edges, six to add five items, five to paint their ranges. */
    @Test
    void fiveFieldsAreMadeToFollowFourRangesOfANumber() {
        Page author = reaching("Soil sample sheet (single)");
        author.getByRole(AriaRole.BUTTON, starting("Another field")).click();
        author.keyboard().type("From depth");
        author.keyboard().press("Enter");
        assertThat(author.getByRole(AriaRole.HEADING, named("What From depth reaches")))
                .isVisible();
        int actions = 0;
        author.getByRole(AriaRole.TEXTBOX, named("Cut the lines at")).fill("20 50 100");
        author.keyboard().press("Enter");
        actions++;
        author.getByRole(AriaRole.BUTTON, starting("Add what is to follow")).click();
        actions++;
        List<String> items =
                List.of("Taken by", "Was the soil wet?", "Send to the laboratory?", "Notes", "Sample number");
        for (String item : items) {
            author.keyboard().type(item);
            author.keyboard().press("Enter");
            actions++;
        }
        author.keyboard().press("Escape");
        // Columns come in the order of the document, and push others aside.
        for (String item : items) {
            assertThat(cell(author, "shown, %s, shown, blank".formatted(item))).isVisible();
        }
        List<List<String>> ranges = List.of(
                List.of("from 0 cm to under 20 cm", "exactly 20 cm"),
                List.of("between 20 cm and 50 cm", "exactly 50 cm"),
                List.of("between 50 cm and 100 cm", "exactly 100 cm"),
                List.of("over 100 cm up to 500 cm", "over 100 cm up to 500 cm"),
                List.of("exactly 100 cm", "over 100 cm up to 500 cm"));
        for (int i = 0; i < items.size(); i++) {
            drag(
                    author,
                    cell(
                            author,
                            "shown, %s, shown, %s"
                                    .formatted(items.get(i), ranges.get(i).getFirst())),
                    cell(
                            author,
                            "shown, %s, shown, %s"
                                    .formatted(items.get(i), ranges.get(i).getLast())));
            actions++;
            assertThat(cell(author, "folded, %s, shown, blank".formatted(items.get(i))))
                    .isVisible();
        }
        assertThat(actions).isLessThanOrEqualTo(12);
    }

    @Test
    void anotherFieldIsLaidAcross() {
        Page author = reaching(PERMIT);
        author.getByRole(AriaRole.BUTTON, starting("Lay another field across")).click();
        author.keyboard().type("metering irrigated");
        author.keyboard().press("Enter");
        Locator table = author.getByRole(
                AriaRole.TABLE,
                new Page.GetByRoleOptions()
                        .setName("Metering device serial, shown, by Planned depth and Irrigated area"));
        assertThat(table.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions().setHasText("between 30 m and 100 m")))
                .containsText(Pattern.compile("folded.*shown"));
        Browser.isAccessible(author);
    }

    @Test
    void anEdgeThatCannotBeIsRefusedInWords() {
        Page author = reaching(PERMIT);
        author.getByRole(AriaRole.TEXTBOX, named("Cut the lines at")).fill("deep");
        author.keyboard().press("Enter");
        assertThat(author.getByRole(AriaRole.ALERT)).containsText("“deep” is no answer to “Planned depth”");
    }

    /** What a list leaves is read; a text is told apart from all others by what it is, and followed like any other answer. */
    @Test
    void entriesOfAListAreReadAndTextsAreFollowed() {
        Page author = reaching("Equipment loan agreement");
        author.getByRole(AriaRole.BUTTON, starting("Kind")).first().click();
        assertThat(cell(author, "Hand auger 2 m, Power auger P4, Item, offers, Auger"))
                .isVisible();
        author.getByRole(AriaRole.BUTTON, starting("Another field")).click();
        author.keyboard().type("Name of the second");
        author.keyboard().press("Enter");
        author.getByRole(AriaRole.TEXTBOX, named("Tell these apart")).fill("Ida Lind; Tom Voss");
        author.keyboard().press("Enter");
        author.getByRole(AriaRole.BUTTON, starting("Add what is to follow")).click();
        author.keyboard().type("Deposit");
        author.keyboard().press("Enter");
        author.keyboard().press("Escape");
        drag(
                author,
                cell(author, "shown, Deposit, shown, “Ida Lind”"),
                cell(author, "shown, Deposit, shown, “Tom Voss”"));
        assertThat(cell(author, "folded, Deposit, shown, anything else")).isVisible();
        assertThat(author.getByRole(AriaRole.MAIN))
                .containsText(
                        Pattern.compile(
                                "Shown when Name of the second borrower is “Ida Lind” or Name of the second borrower is “Tom Voss”"));
        Browser.isAccessible(author);
    }
}
