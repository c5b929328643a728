package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.Map;
import org.jalousie.server.testbed.KeyClient;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Receiver;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;

/** A program is let in, comes with its key and is shown out; another one is told what happens. */
class ProgramsJourneyTest {
    private static final Testbed BED = Testbed.start();

    private final Office office = new Office(BED.address());

    private static Locator dialog(Page page) {
        return page.getByRole(AriaRole.DIALOG);
    }

    private static String secret(Page page) {
        String secret = dialog(page)
                .locator("dd")
                .nth(dialog(page).locator("dd").count() - 2)
                .innerText();
        dialog(page).getByText("I have copied it").click();
        assertThat(dialog(page)).hasCount(0);
        return secret;
    }

    @Test
    void aProgramIsLetInUsesItsKeyAndIsShownOut() {
        String template = office.publish("Asked by a program", Office.loanWording());
        String at = "/api/v1/templates/" + template + "/form/answers";
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/programs").page;
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Let a program in"))
                    .click();
            browser.button("Let it in").click();
            assertThat(page.getByText("A program needs a name")).isVisible();
            page.getByLabel("What it is called").fill("Journey database");
            page.getByLabel("Registers").selectOption(new SelectOption().setLabel("look only"));
            assertThat(browser.barriers()).as("letting a program in").isEmpty();
            browser.button("Let it in").click();
            assertThat(page.getByText("Without a key it can’t come in")).isVisible();
            browser.button("Make a key").click();
            assertThat(browser.barriers()).as("a new key").isEmpty();
            KeyClient program = KeyClient.key(BED.address(), secret(page));
            KeyClient.Answer taken =
                    program.post(at, Map.of("answers", Office.loanValues("Journey"), "agreement", true));
            assertThat(taken.status()).isEqualTo(202);
            assertThat(program.get("/api/v1/registers").status()).isEqualTo(200);
            assertThat(program.get("/api/v1/archive").status()).isEqualTo(403);
            page.reload();
            assertThat(page.getByText("POST " + at)).isVisible();
            assertThat(page.getByText("GET /api/v1/archive")).isVisible();
            assertThat(browser.barriers()).as("a program").isEmpty();

            // a new key takes the old one's place at once
            page.getByLabel("Its other keys of this kind").selectOption(new SelectOption().setLabel("end at once"));
            browser.button("Make a key").click();
            KeyClient next = KeyClient.key(BED.address(), secret(page));
            assertThat(program.get("/api/v1/registers").status()).isEqualTo(401);
            assertThat(next.get("/api/v1/registers").status()).isEqualTo(200);
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("End it now"))
                    .click();
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("End it now")))
                    .hasCount(0);
            assertThat(next.get("/api/v1/registers").status()).isEqualTo(401);
            browser.button("End this program").click();
            assertThat(page.getByText("ended on")).isVisible();
            assertThat(browser.button("Make a key")).hasCount(0);

            // who made it is told where the request stands
            String request = taken.json().get("request").asString();
            browser.open("/intake/" + request);
            assertThat(page.getByText("Journey database").first()).isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }

    @Test
    void aWebhookIsSetUpTriedMendedAndEnded() {
        String template = office.publish("Told by webhook", Office.loanWording());
        try (Receiver receiver = new Receiver().answering(500);
                Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/programs/webhooks/new").page;
            page.getByLabel("What it is called").fill("Journey told");
            page.getByLabel("Address").fill("https://10.0.0.7/told");
            page.getByLabel("an agreement was made").check();
            browser.button("Make the webhook").click();
            assertThat(page.getByText("inside the office’s own network")).isVisible();
            page.getByLabel("Address").fill(receiver.address() + "/told");
            page.getByLabel("Forms", new Page.GetByLabelOptions().setExact(true))
                    .selectOption(new SelectOption().setLabel("Told by webhook"));
            assertThat(browser.barriers()).as("a new webhook").isEmpty();
            browser.button("Make the webhook").click();
            assertThat(page.getByText("I have copied it")).isVisible();
            secret(page);
            browser.button("Send a trial notice").click();
            assertThat(page.getByText("to be taken, again")).isVisible();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("a trial: nothing has happened"))
                    .click();
            assertThat(page.getByText("answered 500 after")).isVisible();
            assertThat(browser.barriers()).as("a notice").isEmpty();
            browser.button("Send it again").click();
            assertThat(page.getByText("answered 204 after")).isVisible();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Back to the webhook"))
                    .click();

            String number = office.generate(template, Office.loanValues("Told"));
            Wait.until("it is told", () -> receiver.kinds(number).contains("agreement.made"));
            assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(number)))
                    .isVisible();
            browser.button("Change the secret").click();
            secret(page);
            assertThat(page.getByText("ends ")).isVisible();
            assertThat(browser.barriers()).as("a webhook").isEmpty();
            browser.button("Pause").click();
            assertThat(page.getByText("paused; notices wait")).isVisible();
            browser.button("Go on").click();
            browser.button("End this webhook").click();
            assertThat(page.getByText("ended", new Page.GetByTextOptions().setExact(true)))
                    .isVisible();
            assertThat(browser.button("Send a trial notice")).hasCount(0);
            assertThat(browser.complaints).isEmpty();
        }
    }
}
