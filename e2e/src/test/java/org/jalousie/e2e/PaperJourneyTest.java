package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.FilePayload;
import java.util.List;
import org.jalousie.core.paper.Scanner;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.PaperHand;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** A coordinator has an agreement signed on paper, brings the scan, looks through it and files it. */
class PaperJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final PaperHand HAND = new PaperHand(BED, OFFICE);
    private static final String TEMPLATE = OFFICE.publish("Paper journey", Office.loanWording());
    private static final LocatorAssertions.IsVisibleOptions SOON =
            new LocatorAssertions.IsVisibleOptions().setTimeout(30_000);

    private static FilePayload scan(String name, byte[] pdf) {
        return new FilePayload(name, "application/pdf", pdf);
    }

    @Test
    void fromThePrintToTheSignedFile() {
        String number = OFFICE.generate(TEMPLATE, Office.loanValues("Ida Marsh"));
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/agreements/" + number).page;
            browser.button("Sign on paper").click();
            assertThat(page.getByText("will sign by hand")).containsText("Ida Marsh and Tomas Vale");
            browser.button("Make the print").click();
            assertThat(page.getByText("not back yet")).isVisible();
            assertThat(page.getByText("A page is still lacking: Paper journey, page 1."))
                    .isVisible();
            assertThat(browser.barriers()).isEmpty();

            byte[] print = HAND.print(number);
            Locator scans = page.getByLabel("Scan of " + number);
            scans.setInputFiles(scan("one.pdf", Scanner.GOOD.turned(2).pdf(print, HAND.pen(number, "lender"))));
            assertThat(page.getByText("one place to look at")).isVisible(SOON);
            assertThat(page.getByText("Nothing is written here.")).isVisible();
            page.getByLabel("Who brought it").fill("Ida Marsh, by courier");
            browser.button("File as signed").click();
            assertThat(page.getByText("Look at what differs first.")).isVisible();
            assertThat(browser.barriers()).isEmpty();

            scans.setInputFiles(scan("both.pdf", Scanner.GOOD.pdf(print, HAND.pen(number, "lender", "museum"))));
            assertThat(page.getByText("came back as printed")).isVisible(SOON);
            assertThat(page.getByText("Another scan of it came before; the last one counts."))
                    .isVisible();
            // what was typed is still there
            browser.button("File as signed").click();
            assertThat(page.getByText("Filed as signed.")).containsText("Ida Marsh, by courier");
            OFFICE.await(number, "COMPLETED");
            browser.open("/agreements/" + number);
            assertThat(page.getByText("Signed on paper by Ida Marsh and Tomas Vale"))
                    .isVisible();
            assertThat(browser.button("Sign on paper")).not().isVisible();
        }
    }

    @Test
    void aStackFindsItsAgreementsAndAPageWithoutAMarkIsNamedByHand() {
        String number = OFFICE.generate(TEMPLATE, Office.loanValues("Ida Marsh"));
        HAND.take(number);
        byte[] print = HAND.print(number);
        byte[] torn =
                Scanner.GOOD.pdf(print, HAND.pen(number, "lender", "museum").andThen((page, pen) -> {
                    pen.setColor(java.awt.Color.WHITE);
                    pen.fillRect(0, 740, 130, 102);
                    pen.fillRect(465, 740, 130, 102);
                }));
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/agreements").page;
            browser.link("Signed paper").click();
            browser.heading("Signed paper").waitFor();
            page.getByLabel("Scans of signed paper").setInputFiles(scan("torn.pdf", torn));
            assertThat(page.getByText("one page belongs to nothing that is out").first())
                    .isVisible(SOON);
            assertThat(browser.barriers()).isEmpty();
            browser.link("torn.pdf").click();
            assertThat(page.getByText("No mark can be read on it.")).isVisible();
            browser.button("Say which page it is").click();
            page.getByLabel("Number of the agreement").fill("A-1999-0001");
            page.getByLabel("Number of the agreement").blur();
            assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.ALERT))
                    .isVisible();
            page.getByLabel("Number of the agreement").fill(number);
            page.getByLabel("Number of the agreement").blur();
            page.getByLabel("Printed page").selectOption("Paper journey, page 1");
            browser.button("Take it for this page").click();
            assertThat(browser.link(number)).isVisible(SOON);
            assertThat(browser.barriers()).isEmpty();
            browser.link(number).click();
            assertThat(page.getByText("came back as printed").or(page.getByText("to look at")))
                    .isVisible();
            browser.open("/agreements/scans");
            browser.link("torn.pdf").click();
            browser.button("Throw away").click();
            browser.button("Throw the scan away").click();
            browser.heading("Signed paper").waitFor();
            assertThat(HAND.paper(number).get("open")).hasSize(1);
        }
    }

    @Test
    void whoComesByTheirLinkMeanwhileIsToldAndComesBackByANewOne() {
        String number = OFFICE.send(OFFICE.generate(TEMPLATE, Office.loanValues("Ida Marsh")));
        String link = OFFICE.link(number, "ida.marsh@lender.example.org");
        HAND.take(number);
        try (Browser participant = new Browser(360, 700);
                Browser browser = new Browser(1280, 800).signIn()) {
            participant.open("/act/" + link);
            assertThat(participant.page.getByText("This agreement is being signed on paper."))
                    .isVisible();
            assertThat(participant.barriers()).isEmpty();
            browser.open("/agreements/" + number + "/paper");
            browser.button("Take back to the screen").click();
            browser.button("Go on on the screen").click();
            browser.button("Sign on paper").waitFor();
            assertThat(List.of(OFFICE.state(number))).containsExactly("OUT");
        }
    }
}
