package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A form is arranged where it is seen, by mouse and by keyboard; requests are gone through by keyboard alone. */
class FormFaceJourneyTest {
    private static final Testbed BED = Testbed.start();

    private static List<String> order(Page page) {
        return page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Order of the form"))
                .locator("[data-ask]")
                .allInnerTexts();
    }

    private static Locator card(Page page) {
        return page.getByRole(
                AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("What is chosen in the form"));
    }

    private static void save(Browser browser) {
        assertThat(browser.page.getByText("Everything is saved")).isVisible();
    }

    @Test
    void aFormIsArrangedByKeyboardAndSeenAsItWillBe() {
        Office office = new Office(BED.address());
        JsonNode draft = office.bringIn(
                "Arranged where it is seen",
                new WordDraft()
                        .paragraph("{{lender_name}} lends from {{start_date}}. {{#abroad}}By {{courier}}.{{/abroad}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        String id = draft.get("id").asString();
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/templates/" + id + "?face=form").page;
            Locator form =
                    page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Arranged where it is seen"));
            assertThat(form.getByLabel("Lender name")).isVisible();
            assertThat(browser.barriers()).as("the form's face").isEmpty();

            // one place down by keyboard, and the focus goes along
            page.locator("[data-ask=lender_name]").focus();
            page.keyboard().press("Alt+ArrowDown");
            assertThat(page.locator("[data-ask=lender_name]")).isFocused();
            assertThat(order(page).get(2)).isEqualTo("Lender name");
            save(browser);

            // a section of its own, there only abroad, half a row wide
            browser.button("Add a section").click();
            card(page)
                    .getByLabel("Title", new Locator.GetByLabelOptions().setExact(true))
                    .fill("The journey");
            card(page).getByLabel("It is asked").selectOption("abroad");
            page.locator("[data-ask=courier]").focus();
            for (int i = 0; i < 6 && !order(page).get(order(page).size() - 1).startsWith("Courier"); i++) {
                page.keyboard().press("Alt+ArrowDown");
                page.waitForTimeout(150);
            }
            save(browser);
            assertThat(form.getByText("The journey")).hasCount(0);
            form.getByLabel("Abroad").selectOption("yes");
            assertThat(form.getByText("The journey")).isVisible();
            form.getByLabel("Courier").focus();
            assertThat(card(page).getByLabel("Label in the form")).hasValue("Courier");
            card(page).getByLabel("Example in the empty input").fill("As on the waybill");
            assertThat(form.getByPlaceholder("As on the waybill")).isVisible();

            // a question without a tag, and another language
            page.getByLabel("A question that the wording has no tag for").fill("I have read the terms");
            page.keyboard().press("Enter");
            assertThat(card(page).getByLabel("Label in the form")).hasValue("I have read the terms");
            card(page).locator("select").first().selectOption("YES_NO");
            assertThat(card(page).locator("select").first()).hasValue("YES_NO");
            card(page).getByLabel("Required").check();
            card(page).getByLabel("One box that has to be ticked").check();
            assertThat(form.getByRole(
                            AriaRole.CHECKBOX, new Locator.GetByRoleOptions().setName("I have read the terms")))
                    .isVisible();
            browser.button("The form in other languages").click();
            page.getByLabel("Add a language").selectOption("nl");
            page.getByLabel("“Lender name” in Nederlands").fill("Naam van de bruikleengever");
            assertThat(browser.barriers()).as("the form's languages").isEmpty();
            save(browser);
            browser.button("Back to the form").click();
            page.getByLabel("As seen").selectOption("phone");
            page.getByLabel("Form in").selectOption("nl");
            assertThat(form.getByLabel("Naam van de bruikleengever")).isVisible();

            browser.button("Publish version 1").click();
            assertThat(page.getByText("version 1, published")).isVisible();
            browser.open("/intake/new/" + id);
            page.getByLabel("Form in").selectOption("nl");
            assertThat(page.getByLabel("Naam van de bruikleengever")).isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }

    @Test
    void fiveRequestsAreTakenCheckedAndSentByKeyboardAlone() {
        Office office = new Office(BED.address());
        String template = office.publish("By keyboard", Office.loanWording());
        for (int i = 0; i < 5; i++) office.request(template, Office.loanValues("Lender " + i));
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/intake?template=" + template + "&sort=created&stage=WAITING").page;
            for (int i = 0; i < 5; i++) {
                Locator rows = page.getByRole(AriaRole.LINK).filter(new Locator.FilterOptions().setHasText("R-"));
                assertThat(rows).hasCount(5 - i);
                rows.first().focus();
                page.keyboard().press("Enter");
                page.waitForURL("**/intake/R-*");
                Locator desk = page.getByRole(
                        AriaRole.REGION, new Page.GetByRoleOptions().setName("What becomes of the request"));
                assertThat(desk.getByLabel("Owner")).isVisible();
                page.keyboard().press("Escape");
                page.keyboard().press("t");
                assertThat(desk.getByLabel("Owner")).hasValue(Testbed.MAIL);
                page.keyboard().press("Control+Enter");
                page.waitForURL("**/agreements/A-*");
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Send to")))
                        .waitFor();
                String agreement = page.url().substring(page.url().lastIndexOf('/') + 1);
                page.keyboard().press("Control+Enter");
                office.await(agreement, "OUT");
                page.goBack();
                page.goBack();
                page.reload();
            }
            assertThat(browser.complaints).isEmpty();
        }
        assertThat(office.client
                        .get("/api/v1/requests?template=" + template + "&stage=OUT&owner=me")
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(5);
    }
}
