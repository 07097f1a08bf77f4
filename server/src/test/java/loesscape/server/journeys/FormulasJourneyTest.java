package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.add;
import static loesscape.server.journeys.Steps.line;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.press;
import static loesscape.server.journeys.Steps.select;
import static loesscape.server.journeys.Steps.starting;
import static loesscape.server.journeys.Steps.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Formulas and labels as an author types them, with what helps on the way, by keyboard alone where that is how it is done. */
class FormulasJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static Page fresh(String title) {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.getByLabel("New template").fill(title);
        author.keyboard().press("Enter");
        assertThat(author.locator("#desk")).isVisible();
        return author;
    }

    @Test
    void aFormulaIsCompletedExplainedAndMendedWhileItIsWritten() {
        Page author = fresh("Formulas");
        add(author, "Planned depth, m", "number");
        add(author, "Fee", "worked-out value");
        select(author, "fee");
        press(line(author, "Value"), "Value: worked out …");
        author.keyboard().press("Escape");
        Locator formula = author.locator(".editor-card").getByRole(AriaRole.COMBOBOX, within("Formula"));
        formula.fill("");
        formula.pressSequentially("120 + 2 * dep");
        Locator offered = author.getByRole(AriaRole.LISTBOX, named("What can stand there"));
        assertThat(offered.getByRole(AriaRole.OPTION).first()).containsText("planned_depth");
        formula.press("Tab");
        assertThat(formula).hasValue("120 + 2 * planned_depth");
        formula.press("Enter");
        author.locator("#i-planned_depth input").fill("40");
        assertThat(author.locator("#i-fee input")).hasValue("200");

        select(author, "fee");
        formula.fill("round half up(planned_depth ");
        formula.press("End");
        formula.pressSequentially("* 1.5, ");
        assertThat(author.locator(".editor-card .says")).containsText("round half up(n, scale)");
        assertThat(author.locator(".editor-card .says b")).hasText("scale");

        formula.fill("");
        formula.pressSequentially("planned_depht * 3 ");
        assertThat(author.locator(".editor-card").getByRole(AriaRole.ALERT))
                .hasText("There is no field “planned_depht”. Did you mean “planned_depth”?");
        Browser.isAccessible(author);
        author.locator(".editor-card")
                .getByRole(AriaRole.BUTTON, within("Write planned_depth"))
                .click();
        assertThat(formula).hasValue("planned_depth * 3 ");
        formula.press("Enter");
        assertThat(author.locator("#i-fee input")).hasValue("120");
    }

    @Test
    void aLabelThatIsCalledLikeAKindStaysTheLabelAndKindsAreGuessed() {
        Page author = fresh("Labels");
        author.getByRole(AriaRole.BUTTON, starting("Add the first")).press("Enter");
        Locator first = author.locator("[role=option]").first();
        for (String[] typed : new String[][] {
            {"E-mail address", "E-mail address as e-mail address"},
            {"Rating of our service", "Rating of our service as rating"},
            {"Deposit, EUR", "Deposit, EUR as money"},
            {"Thanks when rating >= 4", "Thanks as text, when Rating of our service >= 4"}
        }) {
            author.keyboard().type(typed[0]);
            assertThat(first)
                    .hasText(Pattern.compile(typed[1].replaceAll("[?.+]", ".").replace(" as ", " *as ")));
            author.keyboard().press("Enter");
            assertThat(author.getByRole(AriaRole.COMBOBOX, starting("Add: a label or a kind")))
                    .hasValue("");
        }
        author.keyboard().press("Escape");
        assertThat(author.locator("#c-e_mail_address")).isVisible();
        assertThat(author.locator("#i-thanks input")).hasCount(0);
        author.locator("#i-rating_of_our_service")
                .getByRole(AriaRole.RADIO)
                .nth(4)
                .check(new Locator.CheckOptions().setForce(true));
        assertThat(author.locator("#i-thanks input")).hasCount(1);
    }

    @Test
    void aFieldThatCannotBeComparedSoIsOfferedTheKindThatCan() {
        Page author = fresh("Kinds");
        add(author, "Rating of the site", "text");
        author.getByRole(AriaRole.BUTTON, starting("Add (here|the first)"))
                .last()
                .click();
        Locator insert = author.getByRole(AriaRole.COMBOBOX, starting("Add: a label or a kind"));
        insert.fill("Why so good? when rating >= 4");
        Locator first = author.locator("[role=option]").first();
        assertThat(first).containsText("when Rating of the site is at least 4; that holds text and becomes a rating");
        insert.press("Enter");
        assertThat(insert).hasValue("");
        insert.press("Escape");
        assertThat(author.locator("#i-why_so_good input")).hasCount(0);
        author.locator("#i-rating_of_the_site")
                .getByRole(AriaRole.RADIO)
                .nth(4)
                .check(new Locator.CheckOptions().setForce(true));
        assertThat(author.locator("#i-why_so_good input, #i-why_so_good textarea"))
                .hasCount(1);
        select(author, "rating_of_the_site");
        assertThat(author.locator(".editor-card")).containsText("rating");
    }

    @Test
    void bandsOfDaysEndOnDays() {
        Page author = fresh("Days");
        add(author, "Deadline", "date");
        select(author, "deadline");
        author.locator(".editor-card")
                .getByRole(AriaRole.BUTTON, within("look by bands"))
                .click();
        Locator edge = author.locator(".editor-card").getByLabel(Pattern.compile("^Edge between"));
        assertThat(edge).hasAttribute("type", "date");
        edge.fill("2026-12-31");
        edge.press("Enter");
        author.locator("#i-deadline input").fill("2027-05-01");
        assertThat(edge).hasValue("2026-12-31");
        author.locator(".editor-card")
                .getByRole(AriaRole.BUTTON, within("another band"))
                .click();
        assertThat(author.locator(".editor-card").getByLabel(Pattern.compile("^Edge between")))
                .hasCount(2);
    }
}
