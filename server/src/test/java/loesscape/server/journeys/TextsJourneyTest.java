package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.add;
import static loesscape.server.journeys.Steps.follow;
import static loesscape.server.journeys.Steps.line;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.press;
import static loesscape.server.journeys.Steps.select;
import static loesscape.server.journeys.Steps.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import loesscape.server.testing.Browser;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** A contract written in place: answers, phrases, numbers, and what whoever fills it in reads of it. */
class TextsJourneyTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    private static Locator text(Page author) {
        return author.getByRole(AriaRole.COMBOBOX, named("Text of the notice"));
    }

    /** Chooses words in a text as a hand with the mouse does. */
    private static void choose(Locator text, String words) {
        text.evaluate(
                "(area, words) => area.setSelectionRange(area.value.indexOf(words), area.value.indexOf(words) + words.length)",
                words);
    }

    @Test
    void aClauseIsWrittenWhereItStands() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        Steps.begin(author, "Loan of an auger");
        add(author, "Borrower", "text");
        add(author, "Fee", "money");
        add(author, "Is it late?", "yes or no");
        add(author, "The", "notice");
        select(author, "the");
        Locator text = text(author);
        text.fill("");
        text.pressSequentially("The fee is {fe");
        Locator offered = author.getByRole(AriaRole.LISTBOX, named("What can stand there"));
        assertThat(offered.getByRole(AriaRole.OPTION).first()).containsText("Fee");
        text.press("Enter");
        text.pressSequentially(", and half of it again.");
        assertThat(text).hasValue("The fee is {fee}, and half of it again.");
        choose(text, "{fee}");
        text.press("Control+b");
        assertThat(text).hasValue("The fee is **{fee}**, and half of it again.");
        choose(text, ", and half of it again");
        author.getByRole(AriaRole.GROUP, named("Writing"))
                .getByRole(AriaRole.BUTTON, within("only when …"))
                .click();
        assertThat(text).hasValue("The fee is **{fee}**[phrase: , and half of it again].");
        follow(author, "late is yes");
        Locator card = author.locator(".editor-card");
        assertThat(card.getByRole(AriaRole.GROUP, within("Phrase , and half of it again")))
                .containsText("Is it late?");
        press(line(author, "Clause"), "1");
        press(line(author, "Stands"), "in the document only");
        Browser.isAccessible(author);

        select(author, "borrower");
        Locator notice = author.locator("[data-key=the]");
        assertThat(notice).containsText(Pattern.compile("1\\s*The fee is \\."));
        assertThat(author.locator("#n-the")).containsText("“, and half of it again” is there when Is it late? is Yes");
        assertThat(author.locator("#n-the")).containsText("In the document only");
        author.locator("#i-fee input").fill("1250");
        assertThat(notice).containsText("The fee is € 1,250.00.");
        assertThat(notice.locator("strong")).hasText("€ 1,250.00");
        author.locator("#i-is_it_late").getByText("Yes").click();
        assertThat(notice).containsText("The fee is € 1,250.00, and half of it again.");

        select(author, "the");
        press(card, "Take the brackets of “, and half of it again” away");
        assertThat(text).hasValue("The fee is **{fee}**, and half of it again.");
        author.keyboard().press("Control+z");
        assertThat(text).hasValue("The fee is **{fee}**[phrase: , and half of it again].");
    }

    @Test
    void rowsOfASpreadsheetAreATableWithAnswersInIt() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        Steps.begin(author, "Fees of the year");
        add(author, "Fee", "money");
        add(author, "Costs:", "notice");
        select(author, "costs");
        Locator text = text(author);
        text.fill("Costs:");
        author.getByRole(AriaRole.GROUP, named("Writing"))
                .getByRole(AriaRole.BUTTON, within("table"))
                .click();
        assertThat(text).hasValue("Costs:\n\n| What | How much |\n|---|---|\n|  |  |");
        text.fill("");
        text.evaluate("""
                (area, rows) => {
                  const data = new DataTransfer();
                  data.setData("text/plain", rows);
                  data.setData("text/html", "<table></table>");
                  area.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
                }
                """, "For\tSum\nLease\t12.50\nAuger\t3.00\n");
        assertThat(text).hasValue("| For | Sum |\n|---|---:|\n| Lease | 12.50 |\n| Auger | 3.00 |");
        choose(text, "3.00");
        text.press("Delete");
        text.pressSequentially("{fee");
        text.press("Enter");
        assertThat(text).hasValue("| For | Sum |\n|---|---:|\n| Lease | 12.50 |\n| Auger | {fee} |");

        select(author, "fee");
        author.locator("#i-fee input").fill("1250");
        Locator table = author.locator("[data-key=costs] table");
        assertThat(table.getByRole(AriaRole.COLUMNHEADER)).hasText(new String[] {"For", "Sum"});
        assertThat(table.getByRole(AriaRole.CELL)).hasText(new String[] {"Lease", "12.50", "Auger", "€ 1,250.00"});
        Browser.isAccessible(author);
    }

    @Test
    void whoFillsInReadsTheDocumentThatTheAnswersMake() {
        Visitor author = SERVER.author();
        String path = author.released("""
                {"formatVersion":2,"title":"Loan","pages":[{"key":"page","sections":[
                 {"key":"asked","title":"Questions","medium":"filling","items":[
                  {"type":"field","key":"borrower","label":"Borrower","kind":{"type":"text"}}]},
                 {"key":"told","title":"Agreement","medium":"document","items":[
                  {"type":"notice","key":"who","text":"The board lends an auger to {borrower}.","clause":1}]}]}]}
                """);
        Page filler = BROWSER.phone();
        filler.navigate(SERVER.address() + path);
        assertThat(filler.getByText("Questions", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(filler.getByText("Agreement", new Page.GetByTextOptions().setExact(true)))
                .hasCount(0);
        filler.getByLabel("Borrower").fill("Tessel Aarden");
        filler.getByRole(AriaRole.BUTTON, named("Read the document")).click();
        assertThat(filler.getByAltText("Page 1 of 1")).isVisible();
        Browser.isAccessible(filler);
        assertThat(filler.getByRole(AriaRole.LINK, named("Open as PDF")))
                .hasAttribute("href", Pattern.compile("/paper/pdf$"));
        filler.getByRole(AriaRole.BUTTON, named("Close")).click();
        assertThat(filler.getByAltText("Page 1 of 1")).hasCount(0);
    }
}
