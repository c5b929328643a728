package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;

/** A template says that a team and its head are told when somebody has signed for good, with a file of their own. */
class TellingsJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private final String mark = "t" + UUID.randomUUID().toString().substring(0, 6);

    private static Locator box(Locator within, String name) {
        return within.getByRole(
                AriaRole.CHECKBOX, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void aTeamAndItsHeadAreTold() {
        String head = "head." + mark + "@museum.example.org";
        OFFICE.client.post("/api/v1/teams", Map.of("name", "Packers " + mark, "people", List.of()));
        String template =
                OFFICE.bringIn(mark + " told", Office.loanWording()).get("id").asString();
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/templates/" + template).page;
            page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Sending"))
                    .click();
            browser.button("Tell somebody else").click();
            Locator line = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Who else is told, 1"));
            assertThat(box(line, "completed")).isChecked();
            assertThat(page.getByText("Everything is saved")).isVisible();
            page.getByText(java.util.regex.Pattern.compile("stands? in the way"))
                    .first()
                    .click();
            assertThat(page.getByText("Line 1 of who else is told names nobody"))
                    .isVisible();
            page.keyboard().press("Escape");
            box(line, "Packers " + mark).check();
            box(line, "it is sent").check();
            line.getByLabel("Mail addresses, with commas between them").fill(head + ", office@museum.example.org");
            line.getByLabel("What is said besides").fill("Bring the trolley for {{lender_name}}.");
            line.locator("input[type=file]")
                    .setInputFiles(new FilePayload(
                            "trolley.pdf", "application/pdf", "%PDF-1.7 a".getBytes(StandardCharsets.UTF_8)));
            assertThat(line.getByLabel("Name of file 1")).hasValue("trolley.pdf");
            assertThat(page.getByText("Everything is saved")).isVisible();
            assertThat(browser.barriers()).isEmpty();
            browser.button("Publish").first().click();
            Wait.until(
                    "published",
                    () -> OFFICE.client
                            .get("/api/v1/templates/" + template)
                            .json()
                            .get("state")
                            .asString()
                            .equals("PUBLISHED"));
            String number = OFFICE.completed(template, "Ida Marsh");
            assertThat(Wait.until("the head", () -> OFFICE.mailTo(number, head, "Completed: ")))
                    .contains("Bring the trolley for Ida Marsh.", "trolley.pdf", "signing record.pdf");
            assertThat(OFFICE.mailTo(number, head, "Sent out: ")).isPresent();
            browser.open("/postroom");
            assertThat(page.getByRole(AriaRole.ROW)
                            .filter(new Locator.FilterOptions().setHasText("Completed: " + mark))
                            .filter(new Locator.FilterOptions().setHasText(head)))
                    .hasCount(1);
            assertThat(browser.complaints).isEmpty();
        }
    }
}
