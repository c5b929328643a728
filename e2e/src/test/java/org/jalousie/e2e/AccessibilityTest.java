package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.Map;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** WCAG 2.2 AA on every screen, checked by axe. */
class AccessibilityTest {
    private final Office office = new Office(Testbed.start().address());

    @Test
    void noScreenOfTheOfficeHasABarrier() {
        String template = office.publish("Loan for axe", Office.loanWording());
        String broken = office.bringIn(
                        "Broken wording",
                        new WordDraft().paragraph("{{lender name}} {{a").bytes())
                .get("id")
                .asString();
        String draft =
                office.bringIn("Draft for axe", Office.loanWording()).get("id").asString();
        String completed = office.completed(template, "Ida Marsh");
        String checking = office.generate(template, Office.loanValues("Willem Ostrander"));
        String out = office.send(office.generate(template, Office.loanValues("Greta Holm")));
        try (Browser browser = new Browser(1280, 800)) {
            browser.open("/sign-in").heading("Sign in").waitFor();
            assertThat(browser.barriers()).isEmpty();
            browser.signIn();
            assertThat(browser.barriers()).isEmpty();
            Map<String, String> rooms = Map.of(
                    "/templates",
                    "Loan for axe",
                    "/intake",
                    "Requests",
                    "/intake/new/" + template,
                    "Make the agreement",
                    "/agreements",
                    completed,
                    "/archive",
                    completed,
                    "/office/mail",
                    "What mails look like",
                    "/postroom",
                    "sent",
                    "/agreements/" + checking,
                    "Nothing stands in the way",
                    "/agreements/" + out,
                    "their turn",
                    "/templates/" + broken,
                    "Before this can be published");
            rooms.forEach((room, words) -> {
                browser.open(room).page.getByText(words).first().waitFor();
                assertThat(browser.barriers()).as(room).isEmpty();
            });
            browser.open("/today").heading("Today").waitFor();
            browser.page.keyboard().press("Control+k");
            browser.page.getByRole(AriaRole.COMBOBOX).fill(checking);
            Locator found =
                    browser.page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText(checking));
            found.waitFor();
            assertThat(browser.barriers()).as("find and go").isEmpty();
            found.click();
            browser.page.waitForURL("**/agreements/" + checking);
            browser.open("/archive/" + completed).button("Check all files now").click();
            browser.page.getByText("The signing record is intact").waitFor();
            assertThat(browser.barriers()).isEmpty();
            browser.open("/templates/" + template)
                    .page
                    .getByLabel("Data on page 1")
                    .getByText("Insured value")
                    .waitFor();
            for (String face : new String[] {"Page", "Ledger", "Sending", "Proof", "Versions"}) {
                browser.page
                        .getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(face))
                        .click();
                assertThat(browser.barriers()).as(face).isEmpty();
            }
            browser.open("/templates/" + draft + "?face=ledger")
                    .page
                    .getByLabel("Choose all rows")
                    .check();
            assertThat(browser.barriers()).as("rows of the ledger chosen").isEmpty();
            browser.page.keyboard().press("?");
            browser.heading("Keys").waitFor();
            assertThat(browser.barriers()).as("the keys").isEmpty();
            browser.page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
            Map<String, String> dark = Map.of(
                    "/today",
                    "Today",
                    "/templates/" + template + "?open=field.insured_value",
                    "Insured value",
                    "/templates/" + template + "?face=ledger",
                    "Insured value",
                    "/templates/" + template + "?face=proof",
                    "Print the proof",
                    "/agreements/" + out,
                    "their turn",
                    "/archive",
                    completed,
                    "/postroom",
                    "sent",
                    "/templates/new",
                    "Write a template");
            dark.forEach((room, words) -> {
                browser.open(room);
                browser.page
                        .getByText(words)
                        .or(browser.page.locator("input[value='" + words + "']"))
                        .first()
                        .waitFor();
                assertThat(browser.barriers()).as("dark " + room).isEmpty();
            });
        }
    }

    @Test
    void noScreenOfAParticipantHasABarrier() {
        String template = office.publish("Loan for axe, participant", Office.loanWording());
        String number = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
        try (Browser browser = new Browser(360, 740)) {
            browser.open("/act/" + office.link(number, "ida.marsh@lender.example.org"))
                    .page
                    .getByLabel("I agree to this")
                    .check();
            assertThat(browser.barriers()).isEmpty();
            browser.goOnToSign();
            browser.page.getByLabel("Type your name").fill("Ida Marsh");
            assertThat(browser.barriers()).isEmpty();
            browser.page.getByLabel("Draw it").check();
            assertThat(browser.barriers()).isEmpty();
            browser.button("Decline").click();
            browser.button("Decline the agreement").waitFor();
            assertThat(browser.barriers()).isEmpty();
        }
    }
}
