package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.file.Files;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** The job as people do it, in a real browser. */
class JourneysTest {
    private final Office office = new Office(Testbed.start().address());

    @Test
    void fromAWordFileToTheArchiveWithTwoSignersInOrder() throws Exception {
        String number;
        try (Browser coordinator = new Browser(1280, 800).signIn()) {
            Page page = coordinator.page;
            coordinator.link("Templates").click();
            coordinator.button("Bring in a file").click();
            page.getByLabel("Name of the template").fill("Loan in the browser");
            page.getByLabel("Word file, PDF, picture or other office file")
                    .setInputFiles(new FilePayload("loan.docx", "application/octet-stream", Office.loanWording()));
            coordinator.button("Bring it in").click();
            coordinator.heading("Loan in the browser").waitFor();
            assertThat(page.getByLabel("Who acts on page 1").getByText("Lender signature"))
                    .isVisible();
            assertThat(page.getByLabel("Data on page 1").getByText("Insured value"))
                    .isVisible();
            page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Ledger"))
                    .click();
            assertThat(page.getByLabel("Type of Insured value")).hasValue("MONEY");
            page.getByLabel("Label of Lender name").fill("Who lends?");
            assertThat(page.getByText("Everything is saved")).isVisible();
            coordinator.button("Publish version 1").click();
            coordinator.link("Fill its form").click();
            coordinator.button("Make the agreement").click();
            assertThat(page.getByText("Who lends? is required.")).isVisible();
            page.getByLabel("Who lends?").fill("Ida Marsh");
            page.getByLabel("Objects description").fill("a viola d'amore");
            page.getByLabel("Start date").fill("2027-03-15");
            page.getByLabel("Insured value").fill("12500");
            page.getByLabel("Lender mail").fill("ida.marsh@lender.example.org");
            page.getByLabel("Museum name").fill("Tomas Vale");
            page.getByLabel("Museum mail").fill("tomas.vale@museum.example.org");
            coordinator.button("Make the agreement").click();
            assertThat(page.getByText("Money is expected with its currency code"))
                    .isVisible();
            page.getByLabel("Insured value").fill("EUR 12500");
            coordinator.button("Make the agreement").click();
            assertThat(page.getByText("Nothing stands in the way.")).isVisible();
            number = page.url().substring(page.url().lastIndexOf('/') + 1);
            coordinator.button("Send to Ida Marsh, then 1 more").click();
            assertThat(page.getByText("their turn")).isVisible();
            assertThat(coordinator.complaints).isEmpty();
        }
        try (Browser lender = new Browser(1280, 900)) {
            lender.open("/act/" + office.link(number, "ida.marsh@lender.example.org"));
            lender.page.getByLabel("I agree to this").check();
            lender.goOnToSign();
            assertThat(lender.button("Sign as Ida Marsh")).isDisabled();
            lender.page.getByLabel("Vat number").fill("XX 4471");
            lender.page.getByLabel("Type your name").fill("Ida Marsh");
            lender.page.getByLabel("Hand 2").check();
            lender.button("Sign as Ida Marsh").click();
            assertThat(lender.page.getByText("You have signed.")).isVisible();
            assertThat(lender.complaints).isEmpty();
        }
        try (Browser museum = new Browser(1280, 900)) {
            museum.open("/act/" + office.link(number, "tomas.vale@museum.example.org"));
            museum.page.getByLabel("I agree to this").check();
            museum.goOnToSign();
            museum.page.getByLabel("Draw it").check();
            draw(museum.page);
            museum.button("Sign as Tomas Vale").click();
            assertThat(museum.page.getByText("You have signed.")).isVisible();
        }
        office.await(number, "COMPLETED");
        try (Browser coordinator = new Browser(1280, 800).signIn()) {
            coordinator.link("Archive").click();
            coordinator.page.getByLabel("Find by party, number, value or word").fill("viola 9944 " + number);
            assertThat(coordinator.page.getByText("Nothing in the archive has these words."))
                    .isVisible();
            coordinator.page.getByLabel("Find by party, number, value or word").fill("viola marsh 4471 " + number);
            coordinator.link(number).click();
            Download download = coordinator.page.waitForDownload(
                    () -> coordinator.link("Signed agreement (PDF)").click());
            org.assertj.core.api.Assertions.assertThat(download.suggestedFilename())
                    .isEqualTo(number + " Loan in the browser Ida Marsh.pdf");
            org.assertj.core.api.Assertions.assertThat(Files.size(download.path()))
                    .isGreaterThan(100_000);
            coordinator.button("Check all files now").click();
            // the first check of a server that has just started loads the whole validation library
            coordinator
                    .page
                    .getByText("The agreement is intact: nothing was changed since it was signed.")
                    .waitFor(new Locator.WaitForOptions().setTimeout(60_000));
            assertThat(coordinator.page.getByText("The signing record is intact"))
                    .isVisible();
            assertThat(coordinator
                            .page
                            .getByLabel("Check", new Page.GetByLabelOptions().setExact(true))
                            .getByText("Tomas Vale"))
                    .isVisible();
            assertThat(coordinator.complaints).isEmpty();
        }
    }

    @Test
    void aSignerDeclinesWithAReasonAndTheOfficeSeesIt() {
        String template = office.publish("Loan to decline", Office.loanWording());
        String number = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
        String link = office.link(number, "ida.marsh@lender.example.org");
        try (Browser lender = new Browser(1280, 900)) {
            lender.open("/act/" + link);
            lender.button("Decline").click();
            assertThat(lender.button("Decline the agreement")).isDisabled();
            lender.page.getByLabel("Your reason").fill("The dates don't suit us.");
            lender.button("Decline the agreement").click();
            assertThat(lender.page.getByText("This agreement was declined and has ended."))
                    .isVisible();
        }
        try (Browser coordinator = new Browser(1280, 800).signIn()) {
            coordinator.link(number).click();
            assertThat(coordinator.page.getByText("Reason: The dates don't suit us."))
                    .isVisible();
        }
        org.assertj.core.api.Assertions.assertThat(office.mailTo(number, "office@museum.example.org", "Declined:"))
                .isPresent();
    }

    @Test
    void aSignerOnAPhoneReadsCompletesAndDraws() {
        String template = office.publish("Loan on a phone", Office.loanWording());
        String number = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
        try (Browser phone = new Browser(360, 740)) {
            phone.open("/act/" + office.link(number, "ida.marsh@lender.example.org"));
            // the agreement is text first, with every word and the places to fill in
            Locator text = phone.page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("The document"));
            assertThat(text.getByText("Your signature will stand here")).hasCount(0);
            assertThat(text.getByText("Lender: still open").first()).isVisible();
            assertThat(phone.page.getByText("asks you, Ida Marsh, to read and sign this by"))
                    .isVisible();
            org.assertj.core.api.Assertions.assertThat(phone.barriers())
                    .as("the text")
                    .isEmpty();
            fits(phone);
            phone.button("As printed").click();
            assertThat(phone.page.getByLabel("Page 1 of 1")).isVisible();
            fits(phone);
            phone.button("Show the page larger").click();
            org.assertj.core.api.Assertions.assertThat(
                            phone.page.getByLabel("Page 1 of 1").boundingBox().width)
                    .isGreaterThan(700);
            fits(phone);
            phone.button("Fit the page to the screen").click();
            phone.page.getByLabel("I agree to this").check();
            phone.goOnToSign();
            phone.button("As text").click();
            assertThat(phone.page.getByText("Still to complete: Vat number.")).isVisible();
            phone.page.locator("#text-lender_vat_number").waitFor();
            // what is open is walked; text and list follow each other
            phone.button("Go to what is open (2 things)").click();
            org.assertj.core.api.Assertions.assertThat(phone.page.evaluate("() => document.activeElement.id"))
                    .isEqualTo("text-lender_vat_number");
            phone.page.keyboard().type("XX 4471");
            Locator list = phone.page.getByRole(
                    AriaRole.REGION,
                    new Page.GetByRoleOptions().setName("Your part").setExact(true));
            assertThat(list.getByLabel("Vat number")).hasValue("XX 4471");
            // what was typed is there after a reload
            phone.page.waitForTimeout(1500);
            phone.page.reload();
            assertThat(list.getByLabel("Vat number")).hasValue("XX 4471");
            org.assertj.core.api.Assertions.assertThat(phone.barriers())
                    .as("the text with its fields")
                    .isEmpty();
            phone.page.getByLabel("Draw it").check();
            draw(phone.page);
            fits(phone);
            BoundingBox sign = phone.button("Sign as Ida Marsh").boundingBox();
            org.assertj.core.api.Assertions.assertThat(sign.height).isGreaterThanOrEqualTo(44);
            phone.button("Sign as Ida Marsh").click();
            assertThat(phone.page.getByText("You have signed.")).isVisible();
        }
        org.assertj.core.api.Assertions.assertThat(office.link(number, "tomas.vale@museum.example.org"))
                .isNotEmpty();
    }

    @Test
    void aLinkThatLeadsNowhereSaysWhatToDo() {
        try (Browser stranger = new Browser(360, 740)) {
            stranger.open("/act/" + "A".repeat(43));
            assertThat(stranger.page.getByText("ask the office that sent it")).isVisible();
        }
    }

    /** Nothing is wider than the screen. */
    private static void fits(Browser phone) {
        Object overhang = phone.page.evaluate("document.documentElement.scrollWidth - window.innerWidth");
        org.assertj.core.api.Assertions.assertThat(((Number) overhang).intValue())
                .isLessThanOrEqualTo(0);
    }

    private static void draw(Page page) {
        Locator canvas = page.getByLabel("Draw your signature here");
        canvas.scrollIntoViewIfNeeded();
        BoundingBox box = canvas.boundingBox();
        page.mouse().move(box.x + 30, box.y + 90);
        page.mouse().down();
        for (int i = 0; i <= 24; i++) page.mouse().move(box.x + 30 + i * 8, box.y + 90 + 40 * Math.sin(i / 2.0));
        page.mouse().up();
    }
}
