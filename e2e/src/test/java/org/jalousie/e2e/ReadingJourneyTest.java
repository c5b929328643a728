package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** The agreement as text and as printed: one thing to fill in, wherever somebody does it. */
class ReadingJourneyTest {
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());

    private static Locator region(Page page, String name) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void aFieldIsFilledInOnThePageInTheTextOrInTheListAndIsTheSameOne() {
        String number = office.send(office.generate(
                office.publish("Filled in anywhere", Office.loanWording()), Office.loanValues("Ida Marsh")));
        String link = "/act/" + office.link(number, "ida.marsh@lender.example.org");
        try (Browser browser = new Browser(1280, 800)) {
            Page page = browser.open(link).page;
            page.getByLabel("I agree to this").check();
            browser.goOnToSign();
            Locator list = region(page, "Your part").getByLabel("Vat number");
            // on the page: opened by keyboard, closed by Escape, and the focus is where it was
            Locator place = browser.button("Fill in “Vat number” here");
            place.focus();
            page.keyboard().press("Enter");
            page.keyboard().type("XX 1");
            assertThat(list).hasValue("XX 1");
            assertThat(browser.barriers()).as("a field on the page").isEmpty();
            page.keyboard().press("Escape");
            assertThat(place).isFocused();
            // in the text
            browser.button("As text").click();
            Locator text = region(page, "The document").getByLabel("Vat number");
            assertThat(text).hasValue("XX 1");
            text.fill("XX 12");
            assertThat(list).hasValue("XX 12");
            list.fill("XX 123");
            assertThat(text).hasValue("XX 123");
            assertThat(page.getByText("Your signature will stand here")).isVisible();
            page.getByLabel("Type your name").fill("Ida Marsh");
            assertThat(page.getByRole(
                            AriaRole.IMG, new Page.GetByRoleOptions().setName("Your signature will stand here")))
                    .isVisible();
            assertThat(browser.barriers()).as("the text on a desk").isEmpty();
        }
        // what was typed is there on another device, after the typing rested
        try (Browser phone = new Browser(360, 740)) {
            Page page = phone.open(link).page;
            Locator text = region(page, "The document").getByLabel("Vat number");
            assertThat(text).hasValue("XX 123");
            page.getByLabel("Type your name").fill("Ida Marsh");
            phone.button("Sign as Ida Marsh").click();
            assertThat(page.getByText("You have signed.")).isVisible();
            assertThat(region(page, "The document").getByText("signed: Lender")).isVisible();
            // once it is sealed the file has it, and so has the text made of the file
            office.link(number, "tomas.vale@museum.example.org");
            page.reload();
            assertThat(region(page, "The document").getByText(Pattern.compile("XX 123")))
                    .isVisible();
        }
    }
}
