package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.List;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** Preparing a template in the browser, from last year's letter to a proof of all variations. */
class PreparationJourneyTest {
    {
        Testbed.start();
    }

    private static Locator tab(Browser browser, String name) {
        return browser.page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name));
    }

    private static Locator note(Browser browser, String called) {
        return browser.page
                .getByLabel("Data on page 1")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(called).setExact(true));
    }

    @Test
    void wordsBecomeFieldsPassagesDependOnRulesAndTheProofShowsAll() {
        byte[] letter = new WordDraft()
                .title("Loan agreement")
                .table(
                        List.of(
                                List.of("Lender", "Ida Marsh"),
                                List.of("{{#objects}}{{title}}", "{{value}}{{/objects}}")),
                        true)
                .paragraph("A courier travels with the objects.")
                .paragraph("{{lender.signature}}")
                .bytes();
        try (Browser browser = new Browser(1280, 900).signIn()) {
            Page page = browser.page;
            browser.link("Templates").click();
            browser.button("Bring in a file").click();
            page.getByLabel("Name of the template").fill("From last year");
            page.getByLabel("Word file, PDF, picture or other office file")
                    .setInputFiles(new FilePayload("letter.docx", "application/octet-stream", letter));
            browser.button("Bring it in").click();
            browser.heading("From last year").waitFor();
            Hand hand = new Hand.OfMouse(page);
            hand.choose("Ida Marsh");
            page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Who lends");
            assertThat(page.getByText("{{who_lends}}")).isVisible();
            browser.button("Make the field").click();
            Locator note = note(browser, "Who lends");
            assertThat(note).isVisible();
            assertThat(browser.barriers()).as("a field was made").isEmpty();
            // all that is to settle about it opens beside its words
            note.click();
            Locator card = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Who lends"));
            card.getByLabel("Hint").fill("As in the deed of loan");
            assertThat(page.getByText("Everything is saved")).isVisible();
            assertThat(browser.barriers()).as("a card is open").isEmpty();
            page.keyboard().press("Escape");
            assertThat(card).isHidden();
            assertThat(note).isFocused();
            page.keyboard().press("Control+z");
            assertThat(browser.button("Make again the settings of Who lends")).isEnabled();
            page.keyboard().press("Control+Shift+z");
            assertThat(browser.button("Take back the settings of Who lends")).isEnabled();
            page.getByText(java.util.regex.Pattern.compile("not on the page|is on the page"))
                    .click();
            browser.button("Add a rule").click();
            page.getByLabel("Rule, in your words").fill("Dear objects");
            assertThat(page.getByLabel("Name in tags")).hasValue("dear_objects");
            Locator builder = page.getByLabel("Build a condition for Dear objects");
            builder.getByLabel("Field").selectOption("objects");
            builder.getByLabel("Value").fill("1");
            builder.getByText("Take this condition").click();
            assertThat(page.getByLabel("Expression (FEEL)")).hasValue("count(objects) > 1");
            assertThat(page.getByText("Everything is saved")).isVisible();
            page.getByText(java.util.regex.Pattern.compile("not on the page|is on the page"))
                    .click();
            hand.choose("A courier travels with the objects.");
            page.getByLabel("What to do").selectOption("MARK_PASSAGE");
            page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Dear objects");
            browser.button("Make the passage").click();
            assertThat(note(browser, "for Dear objects")).isVisible();
            tab(browser, "Proof").click();
            browser.button("Draw up specimens for every case").click();
            assertThat(page.getByText("longest plausible")).isVisible();
            browser.button("Print the proof").click();
            assertThat(page.getByRole(AriaRole.TABLE)).isVisible();
            assertThat(page.getByText("no specimen prints it")).isHidden();
            assertThat(browser.barriers()).as("proof").isEmpty();
            tab(browser, "Page").click();
            note(browser, "for Dear objects").click();
            assertThat(page.getByLabel("Rule dear_objects").getByText("Longest:"))
                    .isVisible();
            assertThat(browser.barriers()).as("a passage is open").isEmpty();
            browser.button("Publish version 1").click();
            assertThat(page.getByText("version 1, published")).isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }

    @Test
    void aTemplateIsWrittenFromNothingAndItsFormAsksForItems() {
        try (Browser browser = new Browser(1280, 900).signIn()) {
            Page page = browser.page;
            browser.open("/templates/new");
            page.getByLabel("Name of the template").fill("Written here");
            page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Wording"))
                    .click();
            browser.button("heading").first().click();
            page.keyboard().type("Courier order");
            page.keyboard().press("Enter");
            page.keyboard().type("{{#stops}}{{position}} {{town}}, {{/stops}}");
            page.keyboard().press("Enter");
            page.keyboard().type("{{courier.signature}}");
            assertThat(browser.barriers()).isEmpty();
            browser.button("Make the Word file").click();
            assertThat(page.getByLabel("Who acts on page 1").getByText("Courier signature"))
                    .isVisible();
            browser.button("Publish version 1").click();
            browser.link("Fill its form").click();
            browser.button("Add to Stops").click();
            page.getByLabel("Town").fill("Oudehaven");
            browser.button("Add to Stops").click();
            page.getByLabel("Town").nth(1).fill("Greyford");
            page.getByLabel("Courier name").fill("Ida Marsh");
            page.getByLabel("Courier mail").fill("ida.marsh@people.example.org");
            assertThat(browser.barriers()).isEmpty();
            browser.button("Make the agreement").click();
            assertThat(page.getByText("Nothing stands in the way.")).isVisible();
            assertThat(page.getByText("Oudehaven and Greyford")).isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }
}
