package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** An agreement is checked on its pages: an answer corrected beside them, words changed on them, then sent. */
class CheckJourneyTest {
    private static final Testbed BED = Testbed.start();

    private static String agreement(Office office) {
        JsonNode template = office.bringIn(
                "Loan to be checked",
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola until {{end_date}}, or longer.")
                        .paragraph("It is kept cool and dry.")
                        .paragraph("{{#abroad}}It crosses a border.{{/abroad}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed("Ida Marsh", "ida@lender.example.org"));
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("end_date")) ((ObjectNode) field).put("required", false);
        String id = office.publish(office.settle(template, content));
        String number = office.generate(id, Map.of("lender_name", "Ida Marsh", "abroad", "no"));
        office.await(number, "CHECK");
        return number;
    }

    private static Locator words(Page page) {
        return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Words of page 1"));
    }

    private static Locator answer(Page page, String label) {
        return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(label));
    }

    @Test
    void answersAreCorrectedBesideThePagesAndWordsOnThem() {
        Office office = new Office(BED.address());
        String number = agreement(office);
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/agreements/" + number).page;
            page.locator("[data-note='datum.lender_name'] button").first().click();
            answer(page, "Lender name").fill("Ida Marsh-Holt");
            // somebody else corrects another answer meanwhile
            String request = office.show(number).get("row").get("request").asString();
            office.client.put(
                    "/api/v1/requests/" + request,
                    Map.of("values", Map.of("lender_name", "Ida Marsh", "abroad", "yes"), "people", Map.of()));
            office.await(number, "CHECK");
            browser.button("Correct the answer").click();
            assertThat(words(page)).containsText("Ida Marsh-Holt lends");
            assertThat(words(page)).containsText("It crosses a border.");

            new Hand.OfKeys(page).choose("cool and dry");
            page.keyboard().press("Enter");
            Locator other = page.getByLabel("Other words in their place");
            assertThat(other).isFocused();
            other.fill("at 18 degrees");
            page.keyboard().press("Control+Enter");
            assertThat(words(page)).containsText("It is kept at 18 degrees.");
            Locator differs = page.getByRole(
                    AriaRole.REGION, new Page.GetByRoleOptions().setName("Words that differ from the template"));
            assertThat(differs.locator("del")).hasText("cool and dry");
            assertThat(differs.locator("ins")).hasText("at 18 degrees");
            assertThat(page.getByText("differs from the template in this agreement"))
                    .isVisible();
            assertThat(browser.barriers()).as("an agreement to check").isEmpty();

            // what stands on no page is answered there, too
            page.getByText("answers on no page").click();
            browser.button("End date").click();
            answer(page, "End date").fill("31 December 2027");
            browser.button("Correct the answer").click();
            assertThat(words(page)).containsText("31 December 2027, or longer");
            assertThat(words(page)).containsText("at 18 degrees");

            browser.button("Send to Ida Marsh").click();
            assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Route")))
                    .isVisible();
            assertThat(differs).isVisible();
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Back to the template")))
                    .hasCount(0);
            assertThat(browser.complaints).isEmpty();
        }
    }

    @Test
    void whatIsTypedStaysWhilePagesCantBeOpened() {
        Office office = new Office(BED.address());
        String number = agreement(office);
        try (Browser browser = new Browser(1280, 800).signIn()) {
            AtomicBoolean away = new AtomicBoolean(true);
            Page page = browser.page;
            page.route("**/documents/*.pdf?at=*", route -> {
                if (away.get()) route.abort();
                else route.resume();
            });
            browser.open("/agreements/" + number);
            assertThat(page.getByText("The pages can’t be shown.")).isVisible();
            page.locator("[data-note='datum.lender_name'] button").first().click();
            answer(page, "Lender name").fill("Ida Marsh-Holt");
            away.set(false);
            browser.button("Correct the answer").click();
            assertThat(words(page)).containsText("Ida Marsh-Holt lends");
            assertThat(page.getByText("The pages can’t be shown.")).hasCount(0);
        }
    }

    @Test
    void whatStandsInTheWayLeadsToWhereItIsSettled() {
        Office office = new Office(BED.address());
        String number = agreement(office);
        office.client.put(
                "/api/v1/agreements/" + number + "/people/lender",
                Map.of("name", "Ida Marsh", "mail", "", "phone", "", "language", ""));
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/agreements/" + number).page;
            browser.button("Correct the person").click();
            assertThat(page.getByLabel("Name of Lender")).isFocused();
            page.getByLabel("Mail address of Lender").fill("ida@lender.example.org");
            browser.button("Keep").click();
            assertThat(page.getByText("Nothing stands in the way")).isVisible();
            assertThat(office.show(number).get("obstacles")).isEmpty();
        }
    }
}
