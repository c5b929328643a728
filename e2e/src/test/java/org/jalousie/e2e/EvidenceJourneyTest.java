package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.file.Files;
import java.util.Base64;
import java.util.Map;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.evidence.Tampering;
import org.jalousie.core.evidence.TestTrust;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Files are checked in their room, and the archive against its daily roots. */
class EvidenceJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static String number;
    private static byte[] own;

    @BeforeAll
    static void complete() {
        number = OFFICE.completed(OFFICE.publish("Evidence", Office.loanWording()), "Ida Marsh");
        own = OFFICE.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body();
    }

    private static void choose(Page page, String label, String name, String type, byte[] bytes) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload(name, type, bytes));
    }

    private static Locator signature(Page page, String by) {
        return page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(by));
    }

    @Test
    void aFileIsCheckedAndWhatWasChangedIsShownBesideWhatWasSigned() {
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive").page;
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Check a file"))
                    .click();
            choose(page, "File to check", "copy.pdf", "application/pdf", own);
            assertThat(page.getByText("is intact: nothing was changed")).isVisible();
            assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(number)))
                    .isVisible();
            assertThat(signature(page, "Tomas Vale")).containsText("Nothing that may not change.");
            assertThat(browser.barriers()).as("a file that is whole").isEmpty();

            Map<String, byte[]> kinds = Tampering.of(own, "lender_date_signed", "lender_signature", "museum_signature");
            choose(page, "File to check", "changed.pdf", "application/pdf", kinds.get("words added to a page"));
            assertThat(page.getByText("is not intact.")).isVisible();
            Locator last = signature(page, "Tomas Vale");
            assertThat(last).containsText("The content of page");
            last.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Show the pages side by side"))
                    .click();
            assertThat(last.getByText("As Tomas Vale signed it")).isVisible();
            assertThat(last.locator("[data-differs]").first()).isVisible();
            assertThat(browser.barriers()).as("pages side by side").isEmpty();
            assertThat(browser.complaints).isEmpty();
        }
    }

    @Test
    void aFileFromElsewhereHoldsWhenItsIssuerIsTrusted() throws Exception {
        TestTrust others = new TestTrust();
        byte[] foreign = SignedSample.finished(others);
        byte[] root = ("-----BEGIN CERTIFICATE-----\n"
                        + Base64.getMimeEncoder()
                                .encodeToString(others.anchors().get(0).getEncoded())
                        + "\n-----END CERTIFICATE-----\n")
                .getBytes();
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive/check").page;
            choose(page, "File to check", "theirs.pdf", "application/pdf", foreign);
            assertThat(page.getByText("It is none of this office’s agreements."))
                    .isVisible();
            assertThat(signature(page, "Ida Marsh")).containsText("does not hold");
            choose(page, "Certificates to trust", "root.pem", "application/x-pem-file", root);
            assertThat(page.getByText("One certificate more is trusted.")).isVisible();
            choose(page, "File to check", "theirs.pdf", "application/pdf", foreign);
            assertThat(page.getByText("is intact: nothing was changed")).isVisible();
            Page.GetByRoleOptions remove = new Page.GetByRoleOptions()
                    .setName("Trust "
                            + others.anchors().get(0).getSubjectX500Principal().getName() + " no more");
            page.getByRole(AriaRole.BUTTON, remove).click();
            assertThat(page.getByRole(AriaRole.BUTTON, remove)).hasCount(0);
        }
    }

    @Test
    void aRootIsMadeAndEverythingCheckedAgainstIt() {
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive/roots").page;
            browser.button("Make one now").click();
            assertThat(page.getByRole(
                            AriaRole.LINK,
                            new Page.GetByRoleOptions()
                                    .setName("JSON of root 1")
                                    .setExact(true)))
                    .isVisible();
            browser.button("Check everything now").click();
            assertThat(page.getByText("Everything that is kept agreed with every root"))
                    .isVisible();
            assertThat(browser.barriers()).as("daily roots").isEmpty();
            browser.open("/archive/" + number);
            browser.button("Check all files now").click();
            assertThat(page.getByText("Covered by root")).isVisible();
            assertThat(page.getByRole(
                            AriaRole.LINK, new Page.GetByRoleOptions().setName("All evidence in one file (ASiC-E)")))
                    .isVisible();
            browser.open("/archive");
            Download evidence = page.waitForDownload(
                    () -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Evidence of the"))
                            .click());
            assertThat(evidence.suggestedFilename()).isEqualTo("evidence.asice");
        }
    }

    @Test
    void timeStampsOfTheArchiveAreRenewedAsTheOfficeSays() {
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive/stamps").page;
            browser.button("Do what is due now").click();
            Locator stamps = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Archive time stamps"));
            assertThat(stamps.getByText("Holds").first()).isVisible();
            assertThat(page.getByText("Nothing is due.")).isVisible();
            assertThat(browser.barriers()).as("archive time stamps").isEmpty();

            browser.button("When they are renewed…").click();
            Locator dialog = page.getByRole(AriaRole.DIALOG);
            dialog.getByLabel("How many days before they end").fill("0");
            dialog.getByText("Renew them so").click();
            assertThat(dialog.getByText("From 1 to 1,000 days.")).isVisible();
            assertThat(browser.barriers()).as("when they are renewed").isEmpty();
            dialog.getByLabel("How many days before they end").fill("120");
            dialog.getByLabel("SHA-256", new Locator.GetByLabelOptions().setExact(true))
                    .fill("2000-01-01");
            dialog.getByText("Renew them so").click();
            assertThat(dialog.getByText("Choose one that lasts longer.")).isVisible();
            dialog.getByLabel("New stamps hash with").selectOption("SHA-512");
            dialog.getByText("Renew them so").click();
            assertThat(page.getByText("120 days before they end, new ones hash with SHA-512"))
                    .isVisible();
            assertThat(stamps.getByText("To be hashed anew").first()).isVisible();
            browser.button("Do what is due now").click();
            assertThat(stamps.getByText("SHA-512").first()).isVisible();
            assertThat(stamps.getByText("To be hashed anew")).hasCount(0);

            browser.open("/archive/" + number);
            browser.button("Check all files now").click();
            assertThat(page.getByText("Under archive time stamp")).isVisible();
            assertThat(page.getByText("An archive time stamp proves").first()).isVisible();
            assertThat(page.getByRole(
                            AriaRole.LINK, new Page.GetByRoleOptions().setName("Evidence records (RFC 4998)")))
                    .isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }

    @Test
    void aWordFileGoesOutUnderTheOfficesSealAndIsChecked() throws Exception {
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/archive/" + number).page;
            browser.button("Word file with the office’s seal…").first().click();
            Locator dialog = page.getByRole(AriaRole.DIALOG);
            dialog.getByLabel("Signed as").fill("{{nobody_has_this}}");
            dialog.getByText("Seal and save").click();
            assertThat(dialog.getByText("The data have no nobody_has_this.")).isVisible();
            assertThat(browser.barriers()).as("seal of a Word file").isEmpty();
            dialog.getByLabel("Signed as").fill("Registrar of loans");
            dialog.getByLabel("Print a line").check();
            Download saved =
                    page.waitForDownload(() -> dialog.getByText("Seal and save").click());
            assertThat(dialog).hasCount(0);
            byte[] sealed = Files.readAllBytes(saved.path());
            browser.open("/archive/check");
            choose(
                    page,
                    "File to check",
                    "sealed.docx",
                    "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
                    sealed);
            assertThat(page.getByText("is intact: nothing was changed")).isVisible();
            assertThat(page.getByText("signed as: Registrar of loans")).isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }
}
