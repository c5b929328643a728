package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipFile;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The office settles how long agreements are kept, holds one, has another destroyed, and gives a person what is theirs. */
class RetentionJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static String held;
    private static String over;

    @BeforeAll
    static void ended() {
        String template = OFFICE.publish("Short loans", Office.loanWording());
        held = withdrawn(template, "Ada Finch");
        over = withdrawn(template, "Otto Reed");
        BED.bean(JdbcClient.class)
                .sql("update agreement set since = since - interval '70 days' where number in (:numbers)")
                .param("numbers", List.of(held, over))
                .update();
        OFFICE.client.post("/api/v1/daily-roots", Map.of());
    }

    private static String withdrawn(String template, String lender) {
        String number = OFFICE.generate(template, Office.loanValues(lender));
        OFFICE.await(number, "CHECK");
        OFFICE.client.post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "Another one"));
        return number;
    }

    private static Locator row(Page page, String number) {
        return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(number));
    }

    @Test
    void fromTheRuleToTheTombstone() {
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive").page;
            browser.link("Retention").click();
            browser.heading("Retention").waitFor();
            page.getByLabel("Template", new Page.GetByLabelOptions().setExact(true))
                    .selectOption("Short loans");
            assertThat(page.getByText("All of them are kept for ever.")).isVisible();
            browser.button("How long they are kept").click();
            page.getByLabel("Declined, withdrawn or expired ones: years").selectOption("months");
            Locator months = page.getByLabel("Declined, withdrawn or expired ones: how many");
            months.fill("0");
            browser.button("Keep them so long").click();
            assertThat(page.getByText("From 1 to 1,200 months")).isVisible();
            months.fill("1");
            assertThat(browser.barriers()).as("rule").isEmpty();
            browser.button("Keep them so long").click();
            assertThat(page.getByText("those that came to nothing 1 month")).isVisible();
            assertThat(row(page, held)).isVisible();
            assertThat(browser.barriers()).as("due").isEmpty();

            page.getByLabel("Choose " + held).check();
            browser.button("Legal hold on one").click();
            page.getByLabel("Why they are kept").fill("A claim of the heirs");
            browser.button("Put on legal hold").click();
            assertThat(row(page, held)).hasCount(0);
            browser.button("Choose this page").click();
            browser.button("Destroy one").click();
            assertThat(browser.barriers()).as("confirm").isEmpty();
            browser.button("Destroy it in a day").click();
            assertThat(page.getByText("Nothing has been kept long enough.")).isVisible();

            browser.button("On legal hold").click();
            assertThat(row(page, held)).containsText("A claim of the heirs");
            browser.button("To be destroyed").click();
            assertThat(row(page, over)).containsText("Nora Quill");
            assertThat(browser.barriers()).as("going").isEmpty();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep it " + over))
                    .click();
            assertThat(page.getByText("Nothing is to be destroyed.")).isVisible();
            destroyed();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Destroyed").setExact(true))
                    .click();
            assertThat(row(page, over)).containsText("Short loans");
            assertThat(browser.barriers()).as("destroyed").isEmpty();
            browser.open("/agreements/" + over);
            assertThat(page.getByText("was destroyed at the end of its retention"))
                    .isVisible();

            browser.open("/agreements/" + held);
            Locator retention = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Retention"));
            assertThat(retention).containsText("A claim of the heirs");
            retention.getByText("Lift it").click();
            page.getByLabel("Why they needn’t be kept any more").fill("The claim was settled");
            page.getByRole(AriaRole.DIALOG).getByText("Lift it").click();
            assertThat(retention).containsText("lifted by Nora Quill");
            assertThat(browser.barriers()).as("agreement").isEmpty();
        }
    }

    /** The day to think is over, and the job has run. */
    private static void destroyed() {
        OFFICE.client.post("/api/v1/archive/retention/destructions", Map.of("numbers", List.of(over), "copies", false));
        JdbcClient sql = BED.bean(JdbcClient.class);
        sql.sql("update destruction set goes_at = now() - interval '1 second'").update();
        Wait.until("destroyed", () -> {
            sql.sql("update scheduled_tasks set execution_time = now() where task_name = 'destruction' and not picked")
                    .update();
            return OFFICE.client.get("/api/v1/agreements/" + over).status() == 410;
        });
    }

    @Test
    void aPersonIsGivenWhatIsTheirs() throws Exception {
        String number = OFFICE.completed(
                OFFICE.publish("Loans of one", Office.loanWording()), Office.loanValues("Philippa Stroud"));
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive/retention").page;
            browser.link("What is kept of a person").click();
            browser.heading("What is kept of a person").waitFor();
            page.getByLabel("Mail address or name").fill("philippa stroud");
            browser.button("Find").click();
            assertThat(row(page, number)).containsText("Lender");
            assertThat(browser.barriers()).as("found").isEmpty();
            Download file = page.waitForDownload(
                    () -> browser.button("Give it out as a file").click());
            try (ZipFile zip = new ZipFile(file.path().toFile())) {
                String person = new String(
                        zip.getInputStream(zip.getEntry("person.json")).readAllBytes());
                assertThat(person).contains(number).doesNotContain("Tomas Vale");
                assertThat(zip.stream().filter(one -> one.getName().endsWith(".pdf")))
                        .isNotEmpty();
            }
            assertThat(Files.size(file.path())).isGreaterThan(10_000);
            page.getByLabel("Mail address or name").fill("nobody@nowhere.example.org");
            browser.button("Find").click();
            assertThat(page.getByText("Nothing is kept of nobody@nowhere.example.org."))
                    .isVisible();
        }
    }
}
