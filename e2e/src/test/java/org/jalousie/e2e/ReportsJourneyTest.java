package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.util.Map;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The office sees where the time goes, of one template by party, what is out, and why something came to nothing. */
class ReportsJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static String withdrawn;

    @BeforeAll
    static void happened() {
        String template = OFFICE.publish("Reported loans", Office.loanWording());
        OFFICE.completed(template, Office.loanValues("Ida Marsh"));
        withdrawn = OFFICE.send(OFFICE.generate(template, Office.loanValues("Ida Marsh")));
        OFFICE.client.post("/api/v1/agreements/" + withdrawn + "/withdrawal", Map.of("reason", "The wrong viola"));
    }

    private static Locator table(Page page, String name) {
        return page.getByRole(
                AriaRole.TABLE, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void fromTheTimeOfAllToTheReasonOfOne() throws Exception {
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive").page;
            browser.link("Reports").click();
            Locator picture = page.getByRole(AriaRole.IMG);
            assertThat(picture).isVisible();
            // the browser understood the drawing
            page.waitForFunction("() => document.querySelector('main img')?.naturalWidth > 100");
            assertThat(browser.barriers()).as("time").isEmpty();
            browser.link("Reported loans").click();
            assertThat(table(page, "Where the time goes")).containsText("Lender");
            assertThat(table(page, "Where the time goes")).containsText("From request to filing");

            browser.button("How they ended").click();
            Locator why = table(page, "Those that came to nothing");
            assertThat(why).containsText("The wrong viola");
            assertThat(browser.barriers()).as("endings").isEmpty();
            Download file = page.waitForDownload(
                    () -> browser.link("Those that came to nothing as CSV").click());
            assertThat(Files.readString(file.path())).contains(withdrawn).contains("The wrong viola");

            browser.button("Requests by month").click();
            assertThat(table(page, "Requests by month")).containsText("Reported loans");
            assertThat(browser.barriers()).as("requests").isEmpty();
            page.reload();
            assertThat(table(page, "Requests by month")).containsText("Reported loans");
            browser.button("Out now").click();
            assertThat(page.getByText("Nothing is out.")).isVisible();
        }
    }
}
