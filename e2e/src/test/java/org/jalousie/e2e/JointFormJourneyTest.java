package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Two templates from one form: arranged, filled, corrected. */
class JointFormJourneyTest {
    private static final Testbed BED = Testbed.start();

    private static JsonNode template(Office office, String name, String words, String person, String mail) {
        JsonNode draft = office.bringIn(
                name,
                new WordDraft()
                        .paragraph(words)
                        .paragraph("{{signer.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) draft.get("content");
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed(person, mail));
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().startsWith("signer_")) ((ObjectNode) field).put("required", false);
        return office.settle(draft, content);
    }

    private static Locator answer(Page page, String name) {
        return page.locator("[data-answer='" + name + "']")
                .locator("input, select")
                .first();
    }

    @Test
    void oneFormMakesTwoAgreements() {
        Office office = new Office(BED.address());
        office.publish(template(
                office,
                "Order to the courier",
                "{{courier_name}} carries what {{lender_name}} lends.",
                "Otto Quay",
                "otto@courier.example.org"));
        String loan = template(
                        office,
                        "Loan with a courier",
                        "{{lender_name}} lends a viola.{{#with_courier}} A courier travels along.{{/with_courier}}",
                        "Ida Marsh",
                        "ida@lender.example.org")
                .get("id")
                .asString();
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/templates/" + loan + "?face=form").page;
            page.getByLabel("Feed another template").selectOption(new SelectOption().setLabel("Order to the courier"));
            page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Order to the courier"))
                    .getByRole(AriaRole.COMBOBOX)
                    .selectOption(new SelectOption().setLabel("With courier"));
            assertThat(page.getByText("Everything is saved")).isVisible();
            assertThat(browser.barriers()).as("a form that feeds two templates").isEmpty();
            browser.button("Publish version 1").click();
            assertThat(page.getByText("version 1, published")).isVisible();

            browser.open("/intake/new/" + loan);
            answer(page, "lender_name").fill("Ida Marsh");
            assertThat(answer(page, "courier_name")).hasCount(0);
            answer(page, "with_courier").selectOption("yes");
            assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Order to the courier")))
                    .isVisible();
            page.locator("ol").getByText("Order to the courier").click();
            browser.button("Make the agreement").click();
            assertThat(page.locator("[id$='-fault']").first()).isVisible();
            answer(page, "courier_name").fill("Otto Quay");
            assertThat(page.getByText("Otto Quay carries what Ida Marsh lends")
                            .or(page.locator("[data-printed=courier_name]").first())
                            .first())
                    .isVisible();
            browser.button("Make the agreement").click();
            page.waitForURL("**/agreements/A-*");
            Locator others =
                    page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Made from the same request"));
            others.getByRole(AriaRole.LINK).click();
            assertThat(page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Words of page 1")))
                    .containsText("Otto Quay carries what Ida Marsh lends");

            // beside the courier's pages the lender's name is corrected, and the loan follows
            page.locator("[data-note='datum.lender_name'] button").first().click();
            page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Lender name"))
                    .fill("Ida Marsh-Holt");
            browser.button("Correct the answer").click();
            assertThat(page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Words of page 1")))
                    .containsText("Ida Marsh-Holt lends");
            browser.open("/intake");
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("and one more"))
                    .first()
                    .click();
            Locator parts =
                    page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Agreements of this request"));
            assertThat(parts.getByRole(AriaRole.LISTITEM)).hasCount(2);
            assertThat(answer(page, "lender_name")).hasValue("Ida Marsh-Holt");
            parts.getByRole(AriaRole.LINK).first().click();
            assertThat(page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Words of page 1")))
                    .containsText("Ida Marsh-Holt lends a viola. A courier travels along.");
            assertThat(browser.complaints).isEmpty();
        }
    }
}
