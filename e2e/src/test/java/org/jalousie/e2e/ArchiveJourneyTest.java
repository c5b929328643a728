package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The archive by the data of its agreements: columns are chosen, narrowed, put under headings, kept as a view, taken as a file. */
class ArchiveJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());

    @BeforeAll
    static void filed() {
        String template = OFFICE.publish("Archived loans", Office.loanWording());
        for (String[] one : new String[][] {
            {"a lute", "EUR 800.50", "yes"}, {"a harp", "EUR 12500", "no"}, {"a viol", "GBP 90", "yes"}
        }) {
            Map<String, String> values = Office.loanValues("Ida Marsh");
            values.put("objects_description", one[0]);
            values.put("insured_value", one[1]);
            values.put("abroad", one[2]);
            OFFICE.completed(template, values);
        }
    }

    private static void tick(Locator within, String label) {
        within.getByLabel(label, new Locator.GetByLabelOptions().setExact(true)).check();
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private static Locator row(Page page, String name) {
        return page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void theArchiveIsLookedAtByItsData() throws Exception {
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive").page;
            page.getByLabel("Template", new Page.GetByLabelOptions().setExact(true))
                    .selectOption("Archived loans");
            button(page, "Columns of this template").click();
            Locator dialog = page.getByRole(AriaRole.DIALOG);
            tick(dialog, "Objects description");
            tick(dialog, "Insured value");
            tick(dialog, "Abroad");
            assertThat(browser.barriers()).as("choosing columns").isEmpty();
            button(page, "Make these the columns").click();
            assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Insured value")))
                    .isVisible();
            assertThat(row(page, "a harp")).containsText("€12,500.00");
            assertThat(page.getByText("€13,300.50, £90.00")).isVisible();

            // sorted by an amount, narrowed by another column
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Insured value"))
                    .click();
            assertThat(page.locator("[data-row]").first()).containsText("a viol");
            page.getByLabel("Narrow by…").selectOption("Insured value");
            page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Insured value"))
                    .fill("800.5");
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Narrow").setExact(true))
                    .click();
            assertThat(page.locator("[data-row]")).hasCount(2);
            page.reload();
            assertThat(page.locator("[data-row]")).hasCount(2);
            assertThat(page.locator("[data-row]").first()).containsText("a lute");

            // under headings
            page.getByLabel("Grouped by").selectOption("Abroad");
            assertThat(row(page, "yes")).containsText("€800.50");
            button(page, "yes").click();
            assertThat(row(page, "a lute")).isVisible();
            assertThat(browser.barriers()).as("the archive under headings").isEmpty();

            // kept for everybody, as this template's archive opens
            button(page, "Keep this view").click();
            page.getByLabel("What the view is called").fill("Abroad or not");
            page.getByLabel("For everybody").check();
            page.getByLabel("The archive opens so").check();
            assertThat(browser.barriers()).as("keeping a view").isEmpty();
            button(page, "Keep the view").click();
            page = browser.open("/archive").page;
            page.getByLabel("Template", new Page.GetByLabelOptions().setExact(true))
                    .selectOption("Archived loans");
            assertThat(row(page, "yes")).containsText("€800.50");
            assertThat(page.getByLabel("View", new Page.GetByLabelOptions().setExact(true)))
                    .not()
                    .hasValue("");

            // taken along as a file
            Page shown = page;
            String csv = Files.readString(page.waitForDownload(
                            () -> shown.getByText("This list as CSV").click())
                    .path());
            assertThat(csv).contains("Insured value").contains("a lute").doesNotContain("a viol");
            assertThat(browser.complaints).isEmpty();
        }
    }

    @Test
    void completedAgreementsAreFiledToAFolder() throws Exception {
        Path folder = Files.createDirectories(BED.shares().resolve("journey"));
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive/filing").page;
            button(page, "New place to file to").click();
            page.getByLabel("What it is called").fill("Journey");
            page.getByLabel("Which folder", new Page.GetByLabelOptions().setExact(true))
                    .fill("/etc");
            page.getByLabel("Forms").first().selectOption("Archived loans");
            page.getByLabel("In which folders").fill("{{start_date.year}}");
            page.getByLabel("Called", new Page.GetByLabelOptions().setExact(true))
                    .fill("{{objects_description}}");
            button(page, "Show where agreements would go").click();
            assertThat(page.getByText("2027/a harp.pdf")).isVisible();
            assertThat(browser.barriers()).as("a new place").isEmpty();
            button(page, "File there").click();
            assertThat(page.getByText("Only what lies in").first()).isVisible();
            page.getByLabel("Which folder", new Page.GetByLabelOptions().setExact(true))
                    .fill(folder.toString());
            button(page, "File there").click();
            assertThat(page.getByText("3 filed, 0 waiting, 0 could not be filed."))
                    .isVisible();
            assertThat(Files.exists(folder.resolve("2027/a harp.pdf"))).isTrue();
            button(page, "File nothing there any more").click();
            button(page, "Yes, file nothing there any more").click();
            assertThat(page.getByText("Nothing is filed outside yet.")).isVisible();
            assertThat(browser.complaints.stream().filter(one -> !one.contains("422")))
                    .isEmpty();
        }
    }
}
