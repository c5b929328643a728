package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import org.jalousie.server.testbed.Loans;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.jalousie.standins.records.RecordStandin;
import org.junit.jupiter.api.Test;

/** A record's way to its signed agreement and back, seen from both sides. */
class RecordsJourneyTest {
    private static final Testbed BED = Testbed.start();

    private final Office office = new Office(BED.address());

    private static Locator link(Page page, String name) {
        return page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static void fill(Page page, Map<String, String> inputs) {
        inputs.forEach((id, text) -> page.locator("[id='" + id + "']").fill(text));
    }

    @Test
    void aRecordBecomesAnAgreementAndIsToldWhatComesOfIt() throws Exception {
        office.publish("Of a record", Office.loanWording());
        Path folder = Files.createTempDirectory(BED.folder, "records");
        try (RecordStandin records = new RecordStandin(TestPaths.freePort(), folder, Loans.SECRET);
                Browser there = new Browser(1280, 800);
                Browser browser = new Browser(1280, 800).signIn()) {
            Loans loans = new Loans(records.address());
            Map<String, Object> loan = Loans.loan("Ida Marsh");
            loan.put("from", "in spring");
            loans.put("L-1", loan);

            // the office joins the form to what a real record says
            Page page = browser.open("/programs").page;
            link(page, "Record systems").click();
            link(page, "New record system").click();
            browser.button("Make the record system").click();
            assertThat(page.getByText("is no address that a record system could have"))
                    .isVisible();
            fill(
                    page,
                    Map.of(
                            "title", "Loan records",
                            "place.address", records.address() + "/api/",
                            "credential", "Bearer " + Loans.SECRET,
                            "place.list", "loans?status={status}",
                            "place.items", "/things",
                            "place.one", "loans/{id}",
                            "place.wanted", RecordStandin.WANTED));
            page.getByLabel("Template whose form is filled").selectOption(new SelectOption().setLabel("Of a record"));
            browser.button("Look at a record").click();
            assertThat(page.getByText("There is no list at /things.").first()).isVisible();
            fill(page, Map.of("place.items", "/loans"));
            browser.button("Look at a record").click();
            assertThat(page.getByText("One record has the status")).isVisible();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("proposed by name"))
                    .click();
            assertThat(page.getByLabel("Lender name")).hasValue("/lender/name");
            page.getByLabel("Objects description").selectOption("/objects_text");
            page.getByLabel("Start date").selectOption("/from");
            page.getByLabel("Insured value").selectOption("/insured");
            for (Map.Entry<String, String> always : Map.of(
                            "Museum name", "Tomas Vale",
                            "Museum mail", "tomas.vale@museum.example.org")
                    .entrySet()) {
                page.getByLabel(always.getKey(), new Page.GetByLabelOptions().setExact(false))
                        .first()
                        .selectOption(new SelectOption().setLabel("always the same"));
                page.getByLabel(always.getKey() + ", always").fill(always.getValue());
            }
            browser.button("Look again").click();
            assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("What has to be mended")))
                    .containsText("Start date");
            assertThat(browser.barriers()).as("a new record system").isEmpty();
            fill(
                    page,
                    Map.of(
                            "back.statuses.RECEIVED", "agreement received",
                            "back.statuses.MADE", "agreement made",
                            "back.statuses.SENT", "agreement sent",
                            "back.statuses.COMPLETED", "signed",
                            "back.statuses.FAULTY", "to be mended",
                            "back.number", "/agreement/number",
                            "back.link", "/agreement/link",
                            "back.said", "/agreement/note",
                            "back.file", "loans/{id}/files/{name}",
                            "back.name", "Signed/{{lender_name}}"));
            browser.button("Make the record system").click();
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Loan records")))
                    .isVisible();

            // what is wrong is told there, mended there, and asked for again
            assertThat(page.getByText("one thing to mend")).isVisible();
            Page record = there.page;
            Wait.until("it is told", () -> loans.status("L-1").equals("to be mended"));
            record.navigate(records.address() + "/loans/L-1");
            assertThat(record.getByText("Start date: ")).isVisible();
            record.getByLabel("/from").fill("2027-03-15");
            record.getByText("Save the record").click();
            record.getByText("Ask for the agreement").click();
            assertThat(record.getByText("Status: agreement wanted")).isVisible();

            browser.button("Look now").click();
            String number = Wait.until(
                    "the agreement",
                    () -> Optional.of(loans.status("L-1"))
                            .filter("agreement made"::equals)
                            .map(made -> loans.agreement("L-1")));
            assertThat(link(page, number)).isVisible();
            assertThat(browser.barriers()).as("a record system").isEmpty();
            office.send(number);
            office.sign(office.link(number, "ida.marsh@lender.example.org"), Map.of("lender_vat_number", "XX 4471"));
            office.sign(office.link(number, "tomas.vale@museum.example.org"), Map.of());
            Wait.until("it is signed there", () -> loans.status("L-1").equals("signed"));
            link(page, "L-1").click();
            browser.heading("Record L-1").waitFor();
            assertThat(page.getByText("all have acted and it is filed")).isVisible();
            assertThat(page.getByText("to be written")).hasCount(0);
            assertThat(browser.barriers()).as("a record").isEmpty();
            record.reload();
            assertThat(record.getByText("Signed/Ida Marsh.pdf")).isVisible();
            assertThat(record.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(number)))
                    .hasAttribute("href", BED.address() + "/agreements/" + number);

            link(page, "Back to the record system").click();
            browser.button("End this record system").click();
            assertThat(page.getByText("ended", new Page.GetByTextOptions().setExact(true)))
                    .isVisible();
            assertThat(browser.button("Look now")).hasCount(0);
            assertThat(browser.complaints).isEmpty();
        }
    }
}
