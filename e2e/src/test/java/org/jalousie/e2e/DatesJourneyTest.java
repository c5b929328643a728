package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A date is watched, comes near, is put on another day, and its agreement renewed from its own answers. */
class DatesJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final LocalDate BEGINS =
            LocalDate.now(ZoneId.of("Europe/Paris")).plusDays(20);

    private static String old;

    @BeforeAll
    static void filed() {
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("start_date", BEGINS.toString());
        old = OFFICE.completed(OFFICE.publish("Watched loans", Office.loanWording()), values);
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator row(Page page) {
        return page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(old));
    }

    @Test
    void whatComesNearIsDealtWithAndRenewed() {
        String renewing;
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive").page;
            browser.link("Dates").click();
            assertThat(page.getByText("No date is open.")).isVisible();
            page.getByLabel("Template", new Page.GetByLabelOptions().setExact(true))
                    .selectOption("Watched loans");
            button(page, "Choose dates…").click();
            button(page, "Watch another date").click();
            button(page, "Watch these").click();
            assertThat(page.getByText("Say what happens on the day")).isVisible();
            page.getByLabel("What happens").fill("Loan begins");
            page.getByLabel("Which day").selectOption("Start date");
            assertThat(browser.barriers()).as("choosing dates").isEmpty();
            button(page, "Watch these").click();
            assertThat(row(page)).containsText("in 20 days");
            assertThat(browser.barriers()).as("the list of dates").isEmpty();

            browser.open("/today");
            assertThat(page.getByText("Loan begins:")).isVisible();
            button(page, "Deal with " + old).click();
            Locator dates = page.getByRole(
                    AriaRole.REGION,
                    new Page.GetByRoleOptions().setName("Dates").setExact(true));
            assertThat(dates).containsText("in 20 days");
            dates.getByRole(AriaRole.BUTTON).click();
            button(page, "Another day…").click();
            page.getByLabel("The other day").fill(BEGINS.plusDays(10).toString());
            page.getByLabel("Why it is another day").fill("Prolonged by letter");
            button(page, "Keep this day").click();
            assertThat(dates).containsText("in 30 days");
            assertThat(browser.barriers()).as("dates of an agreement").isEmpty();

            dates.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Renew it"))
                    .click();
            assertThat(page.getByText("These dates are to be said anew:")).isVisible();
            assertThat(page.getByLabel("Start date")).hasValue("");
            assertThat(page.getByLabel("Lender name")).hasValue("Ida Marsh");
            page.getByLabel("Start date").fill(BEGINS.plusYears(1).toString());
            assertThat(page.getByText("Your answers are kept.")).isVisible();
            // gone on with later, it still renews
            page.reload();
            assertThat(browser.link(old)).isVisible();
            button(page, "Make the agreement").click();
            assertThat(page.getByText("Nothing stands in the way.")).isVisible();
            renewing = page.url().substring(page.url().lastIndexOf('/') + 1);
            browser.open("/archive/dates");
            assertThat(row(page)).containsText("Its renewal is under way");
            assertThat(browser.complaints).isEmpty();
        }
        OFFICE.send(renewing);
        OFFICE.sign(OFFICE.link(renewing, "ida.marsh@lender.example.org"), Map.of("lender_vat_number", "XX 4471"));
        OFFICE.sign(OFFICE.link(renewing, "tomas.vale@museum.example.org"), Map.of());
        OFFICE.await(renewing, "COMPLETED");
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive/dates?over=yes").page;
            assertThat(row(page)).containsText("renewed by " + renewing);
            browser.open("/archive/" + renewing);
            assertThat(browser.link(old)).isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }
}
