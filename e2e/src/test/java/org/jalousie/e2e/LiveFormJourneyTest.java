package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A form with the agreement beside it: it follows what is typed, and nothing that was typed is lost. */
class LiveFormJourneyTest {
    private static final Testbed BED = Testbed.start();

    private static String template(Office office) {
        JsonNode template = office.bringIn(
                "Loan beside its form",
                new WordDraft()
                        .paragraph("{{lender_name}} lends until {{end_date.long}}:")
                        .paragraph("{{#objects}}{{title}}, {{value}}; {{/objects}}")
                        .paragraph("{{#abroad}}It crosses a border.{{/abroad}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed("Ida Marsh", "ida@lender.example.org"));
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().startsWith("lender_mail")) ((ObjectNode) field).put("required", false);
        return office.publish(office.settle(template, content));
    }

    private static Locator agreement(Page page) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("The agreement, as far as the answers go"));
    }

    private static Locator answer(Page page, String name) {
        return page.locator("[data-answer='" + name + "']")
                .locator("input, select")
                .first();
    }

    @Test
    void theAgreementFollowsWhatIsTypedAndNothingIsLost() {
        Office office = new Office(BED.address());
        String id = template(office);
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/intake/new/" + id).page;
            assertThat(agreement(page)).containsText("[Lender name] lends until [End date]");
            answer(page, "lender_name").fill("Ida Marsh");
            assertThat(agreement(page)).containsText("Ida Marsh lends");
            browser.button("Add to Objects").click();
            answer(page, "objects.title").fill("Viola d’amore");
            assertThat(agreement(page)).containsText("Viola d’amore, [Value]");
            answer(page, "objects.value").fill("EUR 12x");
            answer(page, "abroad").selectOption("yes");
            answer(page, "lender_name").focus();
            assertThat(page.locator("[id$='-fault']").first()).isVisible();
            answer(page, "objects.value").fill("");
            answer(page, "lender_name").focus();
            assertThat(agreement(page)).containsText("It crosses a border.");

            // from the words to the answer that printed them, and from the answer to its words
            page.locator("[data-printed=title]").first().click();
            assertThat(answer(page, "objects.title")).isFocused();
            page.locator("[data-printed=lender_name]").first().click();
            assertThat(answer(page, "lender_name")).isFocused();
            assertThat(page.locator("[data-printed=lender_name].border-b-2")).hasCount(1);
            assertThat(browser.barriers()).as("a form beside its agreement").isEmpty();

            // a reload, a lost connection
            assertThat(page.getByText("Your answers are kept.")).isVisible();
            page.reload();
            assertThat(answer(page, "objects.title")).hasValue("Viola d’amore");
            assertThat(agreement(page)).containsText("Ida Marsh lends");
            page.context().setOffline(true);
            answer(page, "lender_name").fill("Ida Marsh-Holt");
            assertThat(page.getByText("They stay in this browser.")).isVisible();
            page.context().setOffline(false);
            assertThat(page.getByText("Your answers are kept.")).isVisible();
            assertThat(agreement(page)).containsText("Ida Marsh-Holt lends");

            // left, found again, handed in
            browser.open("/intake");
            page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Begun and not handed in"))
                    .getByRole(AriaRole.LINK)
                    .first()
                    .click();
            assertThat(answer(page, "lender_name")).hasValue("Ida Marsh-Holt");
            answer(page, "objects.value").fill("EUR 1,200");
            answer(page, "end_date").fill("31/12/2027");
            assertThat(agreement(page)).containsText("31 December 2027");
            browser.button("Make the agreement").click();
            page.waitForURL("**/agreements/A-*");
            browser.open("/intake");
            browser.heading("Intake").waitFor();
            assertThat(page.getByText("Begun and not handed in")).hasCount(0);
            assertThat(browser.complaints.stream()
                            .filter(one -> !one.contains("ERR_INTERNET_DISCONNECTED"))
                            .toList())
                    .isEmpty();
        }
        assertThat(office.client.get("/api/v1/requests").json().get("total").asInt())
                .isPositive();
        onAPhone(id);
    }

    private static void onAPhone(String id) {
        try (Browser browser = new Browser(360, 740).signIn()) {
            Page page = browser.open("/intake/new/" + id).page;
            answer(page, "lender_name").fill("Ida Marsh");
            browser.button("Read the agreement").click();
            Locator dialog = page.getByRole(AriaRole.DIALOG);
            assertThat(dialog).containsText("Ida Marsh lends until [End date]");
            assertThat(browser.barriers()).as("an agreement as text").isEmpty();
            dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("[End date]"))
                    .click();
            assertThat(answer(page, "end_date")).isFocused();
            assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                    .isTrue();
        }
    }
}
