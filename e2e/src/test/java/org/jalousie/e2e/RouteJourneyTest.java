package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.SelectOption;
import java.util.List;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** Who acts, in which order, on which terms: arranged in the browser by mouse and by keyboard. */
class RouteJourneyTest {
    private static final Testbed BED = Testbed.start();

    private static Locator slat(Page page, String party) {
        return page.locator("[data-party=" + party + "]");
    }

    /** The rows of the route, each with its parties. */
    private static List<String> rows(Page page) {
        return page
                .getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("The route"))
                .locator("ol > li[aria-label]")
                .all()
                .stream()
                .map(row -> String.join(
                        " ",
                        row.locator("[data-party]").all().stream()
                                .map(one -> one.getAttribute("data-party"))
                                .toList()))
                .toList();
    }

    private static void drop(Page page, Locator what, Locator where, double share) {
        BoundingBox from = what.boundingBox();
        page.mouse().move(from.x + 60, from.y + from.height / 2);
        page.mouse().down();
        page.mouse().move(from.x + 64, from.y + from.height / 2 + 4);
        BoundingBox to = where.boundingBox();
        page.mouse().move(to.x + 60, to.y + to.height * share);
        page.mouse().move(to.x + 62, to.y + to.height * share);
        page.mouse().up();
    }

    @Test
    void theRouteIsArrangedByMouseByKeysAndFromAMenuAndTheTermsAreReadBeforeTheyHold() {
        Office office = new Office(BED.address());
        String id = office.bringIn(
                        "A route",
                        new WordDraft()
                                .paragraph(
                                        "{{lender_name}} lends it until {{end_date}}; it travels abroad: {{abroad}}.")
                                .paragraph("{{lender.signature}}")
                                .paragraph("{{museum.signature}}")
                                .paragraph("{{witness.signature}}")
                                .bytes())
                .get("id")
                .asString();
        try (Browser browser = new Browser(1280, 900).signIn()) {
            Page page = browser.open("/templates/" + id).page;
            slat(page, "witness").waitFor();
            assertThat(rows(page)).containsExactly("lender", "museum", "witness");
            // by mouse: dropped on a slat they act at the same time; dropped between two it has a row of its own
            drop(page, slat(page, "witness"), slat(page, "lender"), 0.5);
            assertThat(slat(page, "witness")).isFocused();
            assertThat(rows(page)).containsExactly("lender witness", "museum");
            drop(page, slat(page, "witness"), slat(page, "lender"), 0.0);
            assertThat(page.getByText("Everything is saved")).isVisible();
            // by keys
            slat(page, "museum").focus();
            page.keyboard().press("Alt+ArrowUp");
            assertThat(slat(page, "museum")).isFocused();
            page.keyboard().press("Alt+Shift+ArrowDown");
            page.keyboard().press("Alt+ArrowDown");
            assertThat(rows(page).get(rows(page).size() - 1)).isEqualTo("museum");
            // from the menu, by keys alone
            browser.button("Place of Museum in the order").focus();
            page.keyboard().press("Enter");
            page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("At the same time as the one above"))
                    .click();
            assertThat(rows(page).get(rows(page).size() - 1)).contains("museum").contains(" ");
            assertThat(browser.barriers()).as("the route was arranged").isEmpty();
            settleClerk(page, browser);
            sending(page, browser);
        }
    }

    /** Who completes details after a signature is told so, with the cure in the card. */
    private static void settleClerk(Page page, Browser browser) {
        page.getByLabel("Called, for example Lender").fill("Clerk");
        browser.button("Add the party").click();
        Locator card = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Party Clerk"));
        card.getByLabel("The person").selectOption("one_of");
        card.getByLabel("Name", new Locator.GetByLabelOptions().setExact(true)).fill("Mirjam Sool");
        card.getByLabel("Mail address").fill("sool@museum.example.org");
        card.getByLabel("Spoken to in").selectOption(new SelectOption().setLabel("Dutch"));
        browser.button("Put Clerk before all who sign").click();
        assertThat(rows(page).get(0)).isEqualTo("clerk");
        assertThat(browser.button("Put Clerk before all who sign")).isHidden();
        assertThat(browser.barriers()).as("a party's card is open").isEmpty();
        page.keyboard().press("Escape");
    }

    private static void sending(Page page, Browser browser) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Sending"))
                .click();
        page.getByLabel("Subject of the mail").fill("Loan of ");
        page.getByLabel("Subject of the mail").press("End");
        page.getByLabel("Put a field into the subject").selectOption("lender_name");
        assertThat(page.getByLabel("Subject of the mail")).hasValue("Loan of {{lender_name}}");
        Locator mail = page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("The mail"));
        assertThat(mail).containsText("Loan of [Lender name]");
        assertThat(mail).containsText("Beste Mirjam Sool");
        page.getByLabel("Message in the mail, above the link").fill("Until {{end_dat}}");
        assertThat(page.getByText("Everything is saved")).isVisible();
        page.getByText(java.util.regex.Pattern.compile("stands? in the way"))
                .first()
                .click();
        assertThat(page.getByText("there is no field called end_dat")).isVisible();
        page.getByLabel("Message in the mail, above the link").fill("Until {{end_date}}");
        page.getByLabel("If sent on").fill("2026-11-26T09:00");
        Locator calendar =
                page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("The route as a calendar"));
        assertThat(calendar).containsText("Clerk is invited 09:00");
        assertThat(calendar).containsText("Clerk is warned");
        page.getByLabel("Everybody takes").selectOption("2");
        assertThat(calendar).containsText("completed; copies go");
        assertThat(browser.barriers()).as("terms of sending").isEmpty();
    }
}
