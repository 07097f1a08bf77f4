package loesscape.server.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static loesscape.server.journeys.Steps.add;
import static loesscape.server.journeys.Steps.begin;
import static loesscape.server.journeys.Steps.follow;
import static loesscape.server.journeys.Steps.line;
import static loesscape.server.journeys.Steps.named;
import static loesscape.server.journeys.Steps.open;
import static loesscape.server.journeys.Steps.press;
import static loesscape.server.journeys.Steps.select;
import static loesscape.server.journeys.Steps.starting;
import static loesscape.server.journeys.Steps.within;

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

/** The tasks of an author's day in the Draft view, in a real browser. */
class DraftTasksTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final Browser BROWSER = new Browser();

    /** Three texts, three times Enter: nothing is clicked. */
    @Test
    void aChoiceAndWhatAppearsForTwoOfItsAnswersIsWrittenInThreeLines() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        author.getByLabel("New template").fill("Three lines");
        author.keyboard().press("Enter");
        assertThat(author.locator("#desk")).isVisible();
        author.getByRole(AriaRole.BUTTON, starting("Add the first")).press("Enter");
        for (String typed : List.of(
                "Which machine? Pump / Auger / Neither",
                "Serial of the pump when pump",
                "Length of the auger, m when auger")) {
            author.keyboard().type(typed);
            assertThat(author.locator("[role=option]").first()).containsText(typed.replaceFirst(" when .*", ""));
            author.keyboard().press("Enter");
            assertThat(author.getByRole(AriaRole.COMBOBOX, starting("Add: a label or a kind")))
                    .hasValue("");
        }
        author.keyboard().press("Escape");
        Locator pump = author.locator("#i-serial_of_the_pump input");
        Locator auger = author.locator("#i-length_of_the_auger input");
        for (String machine : List.of("Pump", "Auger", "Neither")) {
            author.locator("#i-which_machine")
                    .getByRole(AriaRole.RADIO, within(machine))
                    .check();
            assertThat(pump).hasCount(machine.equals("Pump") ? 1 : 0);
            assertThat(auger).hasCount(machine.equals("Auger") ? 1 : 0);
        }
        Browser.isAccessible(author);
    }

    @Test
    void choicesFollowAnAnswerAndShowSignsWithAPictureAndColoursOfTheirOwn() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Drilling agreement");
        author.locator("#i-district select").selectOption("Noordveen");
        assertThat(author.locator("#i-soil option").filter(new Locator.FilterOptions().setHasText("Chalk")))
                .hasCount(0);
        author.locator("#i-district select").selectOption("Lösshoogte");
        author.locator("#i-soil select").selectOption("Chalk");
        assertThat(author.locator("#i-soil_sign")).containsText("watch for loss of flush");
        assertThat(author.locator("#i-soil_sign img")).hasJSProperty("complete", true);

        select(author, "review");
        author.locator("#i-depth input").fill("100");
        assertThat(author.locator("#i-review")).containsText("The hydrologist reviews");
        assertThat(author.locator("#i-review [style*='#f3ecf8']")).isVisible();

        select(author, "soil_sign");
        String drawing =
                "<svg xmlns='http://www.w3.org/2000/svg' width='9' height='9' viewBox='0 0 9 9' onload='alert(1)'><circle r='4' cx='4' cy='4'/></svg>";
        author.locator(".editor-card input[type=file]")
                .first()
                .setInputFiles(new FilePayload("Peat.svg", "image/svg+xml", drawing.getBytes(StandardCharsets.UTF_8)));
        assertThat(author.getByRole(AriaRole.BUTTON, named("Take the picture of Peat away")))
                .isVisible();
        author.locator("#i-district select").selectOption("Noordveen");
        author.locator("#i-soil select").selectOption("Peat");
        assertThat(author.locator("#i-soil_sign img")).hasAttribute("src", Pattern.compile("/pictures/Peat-"));
        assertThat(author.locator("#i-soil_sign img")).hasJSProperty("naturalWidth", 9);
        Browser.isAccessible(author);
    }

    @Test
    void aDuplicatedSectionFollowsItself() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Borehole and well permit");
        select(author, "applicant");
        author.locator("#desk").focus();
        author.keyboard().press("Control+d");
        author.locator("#i-applicant_type_2").getByText("Tenant").click();
        assertThat(author.locator("#i-owner_agrees_2").getByText("Yes")).isVisible();
        assertThat(author.locator("#i-owner_agrees")).containsText("folded");
        select(author, "owner_agrees_2");
        press(line(author, "Follows"), "Who applies?");
        assertThat(author.locator("#c-applicant_type_2")).hasAttribute("aria-current", "true");
    }

    @Test
    void manyFieldsAppearAndAreAskedForOnOneAnswerAndOneUndoTakesThatBack() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Borehole and well permit");
        select(author, "static_water_level");
        for (String key : new String[] {"drilling_start", "drilling_method", "night_watering"}) {
            Steps.selectBesides(author, key);
        }
        press(line(author, "Shown"), "Shown: always");
        author.getByRole(AriaRole.OPTION, named("when …, and required then")).click();
        author.locator("#i-purpose").getByText("Monitoring").click();
        assertThat(author.locator("#n-drilling_method")).containsText("Shown and required when Purpose is Monitoring");
        assertThat(line(author, "Required")).containsText("shared by 8");
        author.locator("#desk").focus();
        author.keyboard().press("Control+z");
        assertThat(author.locator("#n-drilling_method")).hasCount(0);
        assertThat(line(author, "Shown")).containsText("always");
    }

    @Test
    void bandsAreMovedByKeyAndTypedAndShadeTheAnswerAndTheRow() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        begin(author, "Water levels");
        add(author, "Level, m", "number");
        add(author, "State of the water", "indicator");
        select(author, "state_of_the_water");
        Locator bands = line(author, "Bands");
        assertThat(author.locator("#i-state_of_the_water")).containsText("Nothing while Level is blank");
        bands.getByRole(AriaRole.SLIDER).press("ArrowRight");
        assertThat(bands.getByLabel("Edge between Low and High", new Locator.GetByLabelOptions().setExact(true)))
                .not()
                .hasValue("10");
        bands.getByLabel("Edge between Low and High", new Locator.GetByLabelOptions().setExact(true))
                .fill("2");
        author.keyboard().press("Enter");
        press(bands, "another band");
        bands.getByLabel("Words of band 3").fill("Flood");
        bands.getByLabel("Words of band 3").press("Enter");
        bands.getByLabel("Edge between High and Flood", new Locator.GetByLabelOptions().setExact(true))
                .fill("4");
        author.keyboard().press("Enter");
        Locator level = author.locator("#i-level input");
        level.fill("4");
        assertThat(author.locator("#i-state_of_the_water")).containsText("Flood");
        level.fill("3,99");
        assertThat(author.locator("#i-state_of_the_water")).containsText("High");
        select(author, "state_of_the_water");
        press(bands, "shade the answer too");
        assertThat(level).hasClass(Pattern.compile("shade-ochre"));
        Browser.isAccessible(author);

        select(author, "section_1");
        press(line(author, "Repeats"), "let it repeat");
        select(author, "state_of_the_water");
        press(line(author, "Bands"), "shade the whole row");
        assertThat(author.locator("#n-level")).containsText("Its row turns");
        level.fill("3");
        assertThat(author.locator("#i-level")
                        .locator("xpath=ancestor::*[contains(@class,'shade-ochre')]")
                        .first())
                .isVisible();
    }

    @Test
    void nestedGroupsBecomeAFormulaAndAreSharedWithTheEnd() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Borehole and well permit");
        select(author, "deep_notice");
        Locator shown = line(author, "Shown");
        press(shown, "Take this clause away");
        press(shown, "add a condition");
        follow(author, "purpose is household");
        press(shown, "and …");
        follow(author, "planned depth >= 100");
        press(shown, "or …");
        follow(author, "purpose is livestock");
        assertThat(author.locator("#i-deep_notice")).containsText("folded");
        author.locator("#i-purpose").getByText("Livestock").click();
        assertThat(author.locator("#i-deep_notice")).containsText("Please have the log of");

        select(author, "deep_notice");
        press(shown, "As a formula");
        assertThat(shown.getByLabel("Formula for shown")).hasValue(Pattern.compile(" or "));
        press(shown, "As clauses");
        press(shown, "Share it under a name");
        author.getByLabel("Name of the shared condition").fill("Looked at by a hydrologist");
        author.keyboard().press("Enter");
        assertThat(shown).containsText("shared by 1 as “Looked at by a hydrologist”");

        author.keyboard().press("Control+k");
        author.keyboard().type("Add a page");
        author.keyboard().press("Enter");
        author.locator("[data-key^=new_page], [data-key^=page]").last().click();
        press(line(author, "Shown"), "add a condition");
        follow(author, "looked at by");
        assertThat(line(author, "Shown")).containsText("Looked at by a hydrologist");
        select(author, "fee");
        press(line(author, "Shown"), "add a condition");
        follow(author, "looked at by");
        assertThat(author.locator("#n-fee, .editor-card")).containsText("Looked at by a hydrologist");
        author.getByRole(AriaRole.BUTTON, named("The document as a whole …")).click();
        press(line(author, "Can be finished"), "only when …");
        follow(author, "looked at by");
        assertThat(line(author, "Can be finished")).containsText("Looked at by a hydrologist");
        Browser.isAccessible(author);
        author.locator("#i-purpose").getByText("Monitoring").click();
        assertThat(author.locator("#i-fee")).containsText("folded");
        assertThat(author.locator(".whole")).containsText("Can be finished when Looked at by a hydrologist");
        assertThat(author.locator(".whole")).containsText("not now");
    }

    @Test
    void aTablePastedFromASpreadsheetBecomesListsThatFollowEachOther() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        begin(author, "Where it lies");
        author.getByRole(AriaRole.BUTTON, named("The document as a whole …")).click();
        press(line(author, "Lookup lists"), "a new list");
        author.getByLabel("Name of the list").fill("Parcels");
        author.getByLabel("Rows of the list, columns parted by tabs").fill("""
                Valley\tVillage\tParcel
                North\tOudeloo\tO-1
                North\tOudeloo\tO-2
                North\tBerm\tB-1
                South\tLaagte\tL-1
                """);
        author.getByRole(AriaRole.BUTTON, named("Keep it and add a field for each column"))
                .click();
        Locator village = author.locator("#i-village select");
        assertThat(village.locator("option")).hasCount(1);
        author.locator("#i-valley select").selectOption("North");
        assertThat(village.locator("option")).hasCount(3);
        village.selectOption("Oudeloo");
        author.locator("#i-parcel select").selectOption("O-2");
        author.locator("#i-valley select").selectOption("South");
        assertThat(village.locator("option")).hasCount(2);
        assertThat(author.locator("#i-parcel select")).hasValue("");
    }

    @Test
    void rowsHaveATotalALimitAndAFlag() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        begin(author, "Costs");
        add(author, "What for", "text");
        add(author, "Amount", "money");
        select(author, "section_1");
        press(line(author, "Repeats"), "let it repeat");
        assertThat(author.getByLabel("The least rows")).hasValue("1");
        assertThat(author.getByLabel("The most rows")).hasValue("20");
        add(author, "Sum", "section");
        add(author, "Total", "worked-out value");
        select(author, "total");
        press(line(author, "Value"), "Value: worked out …");
        author.getByRole(AriaRole.OPTION, named("total of Amount")).click();
        select(author, "amount");
        press(line(author, "Turns"), "add a look");
        follow(author, "amount <= 5");
        press(line(author, "Turns"), "whole row");
        author.locator("#i-amount input").first().fill("7");
        author.getByRole(AriaRole.BUTTON, named("Add a row")).click();
        author.locator(".more input").last().fill("5");
        assertThat(author.locator("#i-total input")).hasValue(Pattern.compile("^12"));
        assertThat(author.locator(".more.shade-ochre")).isVisible();
        author.locator(".more input").last().fill("5,01");
        assertThat(author.locator(".more.shade-ochre")).hasCount(0);
    }

    @Test
    void aFieldIsLockedAndOptionalForOneAnswerAndOpenAndRequiredForAllOthers() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Borehole and well permit");
        select(author, "nearest_log");
        Locator editable = line(author, "Editable");
        press(editable, "add a condition");
        follow(author, "purpose is household");
        press(editable, "Verb: is");
        author.getByRole(AriaRole.OPTION, named("is not")).click();
        press(line(author, "Required"), "Required: when");
        author.getByRole(AriaRole.OPTION, named("when editable")).click();
        assertThat(line(author, "Required")).containsText("shared by 2");
        Locator log = author.locator("#i-nearest_log input");
        assertThat(author.locator("#i-nearest_log")).containsText("*");
        author.locator("#i-purpose").getByText("Household").click();
        assertThat(log).isDisabled();
        assertThat(author.locator("#i-nearest_log")).not().containsText("*");
    }

    @Test
    void renamingAndChangingKindsCarryFollowersAlongOrSayWhatWouldBeLost() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Borehole and well permit");
        select(author, "purpose");
        Locator irrigation = author.getByLabel("Choice 2", new Page.GetByLabelOptions().setExact(true));
        irrigation.fill("Watering of fields");
        irrigation.press("Enter");
        assertThat(author.locator("#n-irrigation")).containsText("Watering of fields");
        author.getByLabel("Key", new Page.GetByLabelOptions().setExact(true)).fill("water_use");
        author.keyboard().press("Enter");
        assertThat(author.locator("#c-water_use")).isVisible();
        assertThat(author.locator("#i-water_use").getByRole(AriaRole.RADIO, within("Watering of fields")))
                .isChecked();
        press(author.locator(".editor-card"), "Kind: one choice");
        author.getByRole(AriaRole.COMBOBOX, named("Kind")).fill("date");
        author.keyboard().press("Enter");
        Locator refused = author.getByRole(AriaRole.ALERT);
        assertThat(refused).containsText("Irrigation");
        select(author, "planned_depth");
        author.locator("#desk").focus();
        author.keyboard().press("Control+z");
        author.keyboard().press("Control+z");
        assertThat(author.locator("#c-purpose")).isVisible();
        assertThat(author.locator("#n-irrigation")).containsText("Purpose is Irrigation");
        author.getByRole(AriaRole.BUTTON, named("History")).click();
        Locator history = author.getByRole(AriaRole.REGION, named("History"));
        assertThat(history).containsText("(taken back)");
        Browser.isAccessible(author);
        author.keyboard().press("Escape");
        assertThat(history).hasCount(0);
    }

    @Test
    void oneGoesAlongThreadsFindingsAndWhatIsStillToBeAnswered() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Borehole and well permit");
        author.getByLabel("Filter the contents").fill("casing");
        assertThat(author.locator("nav .entry")).hasCount(2);
        author.getByLabel("Filter the contents").fill("");
        select(author, "planned_depth");
        author.locator("#desk").focus();
        author.keyboard().press("Control+ArrowRight");
        String first = author.locator(".entry[aria-current]").getAttribute("id");
        author.keyboard().press("Control+ArrowRight");
        assertThat(author.locator(".entry[aria-current]")).not().hasId(first);
        author.keyboard().press("Control+ArrowLeft");
        assertThat(author.locator("#c-planned_depth")).hasAttribute("aria-current", "true");

        select(author, "crop_plan");
        press(line(author, "Shown"), "and …");
        follow(author, "irrigated area < 10");
        assertThat(author.locator("#n-crop_plan")).containsText("can never be met, whatever is answered");
        select(author, "irrigated_area");
        author.keyboard().press("F8");
        assertThat(author.locator("#c-crop_plan")).hasAttribute("aria-current", "true");
        author.locator("#desk").focus();
        author.keyboard().press("F9");
        assertThat(author.locator("#desk :focus")).isVisible();
    }

    @Test
    void aSectionIsKeptAsABlockUsedAgainAndBroughtUpToDate() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Borehole and well permit");
        select(author, "applicant");
        press(line(author, "Block"), "keep in my library");
        assertThat(line(author, "Block")).containsText("“Applicant”, version 1");
        author.getByRole(AriaRole.LINK, named("All templates")).click();

        begin(author, "Visit");
        author.getByRole(AriaRole.BUTTON, starting("Add the first")).click();
        author.getByRole(AriaRole.COMBOBOX, starting("Add: a label or a kind")).fill("applic");
        author.keyboard().press("Enter");
        assertThat(author.locator("#n-owner_agrees")).containsText("Who applies?");
        author.getByRole(AriaRole.LINK, named("All templates")).click();

        open(author, "Borehole and well permit");
        select(author, "contact");
        Locator label = author.getByRole(AriaRole.TEXTBOX, named("Label"));
        label.fill("How can we reach you?");
        label.press("Enter");
        assertThat(author.locator("#c-contact")).containsText("How can we reach you?");
        select(author, "applicant");
        press(line(author, "Block"), "keep as version 2");
        assertThat(line(author, "Block")).containsText("version 2");
        author.getByRole(AriaRole.LINK, named("All templates")).click();

        open(author, "Visit");
        select(author, "applicant");
        press(line(author, "Block"), "what is new in version 2?");
        assertThat(line(author, "Block")).containsText("How can we reach you?");
        Browser.isAccessible(author);
        press(line(author, "Block"), "Take these over");
        assertThat(author.locator("#c-contact")).containsText("How can we reach you?");
        assertThat(line(author, "Block")).containsText("version 2");
    }

    @Test
    void trialsStagesAndRolesShowTheDocumentAsOthersWillSeeIt() {
        Page author = Steps.signedIn(SERVER, BROWSER);
        open(author, "Borehole and well permit");
        author.getByLabel("Answers to try the document with").selectOption("Keep these as a trial …");
        author.getByLabel("Name of the trial").fill("A deep well");
        author.keyboard().press("Enter");
        author.getByLabel("Answers to try the document with").selectOption("Clear these");
        assertThat(author.locator("#i-planned_depth input")).hasValue("");
        author.getByLabel("Answers to try the document with")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setValue("A deep well"));
        assertThat(author.locator("#i-planned_depth input")).hasValue("120");

        select(author, "static_water_level");
        press(line(author, "Shown"), "add a condition");
        follow(author, "the stage is");
        assertThat(author.locator("#i-static_water_level")).containsText("folded");
        author.getByLabel("Stage at which the document is seen").selectOption("Reviewing");
        assertThat(author.locator("#i-static_water_level")).not().containsText("folded");

        author.getByRole(AriaRole.BUTTON, named("The document as a whole …")).click();
        author.getByLabel("Name of a new role").fill("Driller");
        author.keyboard().press("Enter");
        author.getByLabel("Role that sees the document").selectOption("as Driller");
        select(author, "drilling_start");
        press(line(author, "Answered by"), "Answered by: whoever fills in");
        author.getByRole(AriaRole.OPTION, named("Driller")).click();
        assertThat(author.locator("#i-drilling_start input")).isEnabled();
        author.getByRole(AriaRole.BUTTON, named("The document as a whole …")).click();
        author.getByLabel("Name of a new role").fill("If");
        author.keyboard().press("Enter");
        author.getByLabel("Role that sees the document").selectOption("as If");
        assertThat(author.locator("#i-drilling_start input")).isDisabled();
    }
}
