package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.starting;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** A gap at an edge: found while its author works, tried with the answer that shows it, and mended from where it is told. */
class FindingsJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static final String SHEET = "Soil sample sheet (single)";

    /** Below 5.6 liming is asked about; above it the class is told; at 5.6 neither is. */
    private static void leaveAGap(String whenBlank) {
        Visitor author = SERVER.author();
        String path = "/api/templates/" + author.template(SHEET) + "/draft";
        int revision = author.get(path).ok().json().get("revision").intValue();
        author.post(path + "/edits", """
                        {"revision": %d, "edit": {"type": "setCondition", "keys": ["reaction_class"], "aspects": ["shown"],
                          "condition": {"type": "comparison", "field": "ph", "test": "more",
                            "to": {"type": "number", "number": "5.6"}, "whenBlank": %s}}}
                        """.formatted(revision, whenBlank)).ok();
    }

    @Test
    void aGapAtAnEdgeIsFoundTriedAndMended() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        leaveAGap("true");
        Steps.open(author, SHEET);
        author.getByRole(AriaRole.BUTTON, named("1 finding")).click();
        Locator card = author.locator("#n-lime_advised");
        assertThat(card)
                .containsText(
                        "Where pH in water, 1:1 is 5.6, neither “Is liming advised?” nor “Reaction class” is shown");
        Browser.isAccessible(author);

        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Try these answers"))
                .click();
        assertThat(author.getByRole(AriaRole.TEXTBOX, starting("pH in water")).first())
                .hasValue("5.6");
        assertThat(author.locator("#i-lime_advised")).containsText("folded");
        assertThat(author.locator("#i-reaction_class")).containsText("folded");

        // What stood there before is not lost.
        Locator ph = author.getByRole(AriaRole.TEXTBOX, starting("pH in water")).first();
        author.getByRole(AriaRole.BUTTON, named("Answers before")).click();
        assertThat(ph).hasValue("5.2");
        author.getByRole(AriaRole.BUTTON, named("Answers before")).click();
        assertThat(ph).hasValue("5.6");

        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Show “Reaction class” there too"))
                .click();
        assertThat(author.locator("#i-reaction_class")).not().containsText("folded");
        assertThat(author.getByRole(AriaRole.BUTTON, named("1 finding"))).hasCount(0);
    }

    /** Accepted by keyboard, quiet with its reason, and told again once its condition changes. */
    @Test
    void whatIsMeantIsAcceptedUntilItChanges() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        leaveAGap("null");
        Steps.open(author, SHEET);
        author.getByRole(AriaRole.BUTTON, named("1 finding")).click();
        Locator card = author.locator("#n-lime_advised");
        Locator meant = card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("It is meant …"));
        meant.press("Enter");
        Locator reason = card.getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName("Why it is meant"));
        assertThat(reason).isFocused();
        reason.press("Escape");
        meant.press("Enter");
        author.keyboard().type("At 5.6 the laboratory decides.");
        Browser.isAccessible(author);
        author.keyboard().press("Enter");
        assertThat(author.getByRole(AriaRole.BUTTON, named("1 finding"))).hasCount(0);

        author.getByRole(AriaRole.LINK, named("Prove")).click();
        assertThat(author.getByText("no findings and 1 accepted")).isVisible();
        author.getByText("Accepted (1)").click();
        assertThat(author.getByText("Accepted: At 5.6 the laboratory decides.")).isVisible();
        Browser.isAccessible(author);
        author.getByRole(AriaRole.BUTTON, named("Tell it again")).click();
        assertThat(author.getByText("1 finding;")).isVisible();
        author.getByRole(AriaRole.BUTTON, named("Undo")).click();
        assertThat(author.getByText("no findings and 1 accepted")).isVisible();

        leaveAGap("true");
        Steps.open(author, SHEET);
        assertThat(author.getByRole(AriaRole.BUTTON, named("1 finding"))).hasCount(1);
        author.getByRole(AriaRole.BUTTON, named("1 finding")).click();
        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Show “Reaction class” there too"))
                .click();
        assertThat(author.getByRole(AriaRole.BUTTON, named("1 finding"))).hasCount(0);
    }
}
