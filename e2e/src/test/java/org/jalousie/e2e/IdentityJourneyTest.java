package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Map;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A party shows on a phone who they are; the coordinator asks for it, agrees on words and lets people go on. */
class IdentityJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final String LENDER = "ida.code@lender.example.org";
    private final Office office = new Office(BED.address());

    private JsonNode draft(String name) {
        JsonNode template = office.bringIn(
                name,
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola.")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed("Ida Marsh", LENDER));
        return office.settle(template, content);
    }

    private String made(JsonNode template) {
        return office.generate(office.publish(template), Map.of("lender_name", "Ida Marsh"));
    }

    private static void narrow(Page page) {
        assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .as("nothing needs sideways scrolling")
                .isTrue();
    }

    @Test
    void aCodeByMailIsChosenOnTheWorkbenchAndTypedOnAPhone() {
        JsonNode template = draft("Code by mail");
        String id = template.get("id").asString();
        try (Browser desk = new Browser(1280, 800).signIn()) {
            Page page = desk.open("/templates/" + id).page;
            page.locator("[data-party=lender]").click();
            page.getByLabel("Shows who they are").selectOption("by a code by mail");
            assertThat(page.getByText("Everything is saved")).isVisible();
            assertThat(desk.complaints).isEmpty();
        }
        JsonNode kept = office.client.get("/api/v1/templates/" + id).json();
        assertThat(kept.get("content").get("parties").get(0).get("identity").asString())
                .isEqualTo("MAILED_CODE");
        String number = office.send(made(kept));
        try (Browser lender = new Browser(360, 800)) {
            Page page = lender.open("/act/" + office.link(number, LENDER)).page;
            assertThat(page.getByText("A code will be mailed to i•••@lender.example.org."))
                    .isVisible();
            assertThat(page.locator("canvas")).hasCount(0);
            assertThat(lender.barriers()).as("before the code").isEmpty();
            lender.button("Send the code").click();
            assertThat(page.getByText("It has 6 digits and holds for ten minutes."))
                    .isVisible();
            assertThat(lender.button("Send another code")).isDisabled();
            narrow(page);
            String code = office.code(number, LENDER, 1);
            page.getByLabel("Code").fill(code.equals("123456") ? "123457" : "123456");
            lender.button("Go on").click();
            assertThat(page.getByText("4 tries are left.")).isVisible();
            assertThat(lender.barriers()).as("with the code").isEmpty();
            page.getByLabel("Code").fill(code);
            page.keyboard().press("Enter");
            page.getByLabel("I agree to this").check();
            lender.goOnToSign();
            page.getByLabel("Type your name").fill("Ida Marsh");
            lender.button("Sign as Ida Marsh").click();
            assertThat(page.getByText("You have signed.")).isVisible();
            assertThat(lender.complaints).isEmpty();
        }
        office.await(number, "COMPLETED");
    }

    @Test
    void aWordIsAgreedOnAndWhoMistypesItTooOftenIsLetGoOn() {
        JsonNode template = draft("Word");
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0)).put("identity", "AGREED_WORD");
        String number = made(office.settle(template, content));
        try (Browser desk = new Browser(1280, 800).signIn();
                Browser lender = new Browser(360, 800)) {
            Page page = desk.open("/agreements/" + number).page;
            assertThat(page.getByText("Lender shows who they are by a word.")).isVisible();
            desk.button("Agree on a word with Ida Marsh").click();
            page.getByLabel("The word, as you have told it to them").fill("Grey Goose");
            page.keyboard().press("Enter");
            assertThat(page.getByText("A word is agreed on")).isVisible();
            desk.button("Send to Ida Marsh").click();
            Page phone = lender.open("/act/" + office.link(number, LENDER)).page;
            for (int i = 0; i < 5; i++) {
                phone.getByLabel("Word").fill("white goose " + i);
                lender.button("Go on").click();
                String left = i == 4 ? "You can’t go on here" : i == 3 ? "One more try" : 4 - i + " tries";
                assertThat(phone.getByText(left).first()).isVisible();
            }
            narrow(phone);
            assertThat(lender.barriers()).as("kept out").isEmpty();
            desk.open("/today");
            assertThat(page.getByText("Kept out by wrong answers").first()).isVisible();
            desk.link(number).click();
            assertThat(desk.barriers()).as("who they are").isEmpty();
            desk.button("Let Ida Marsh try again").click();
            assertThat(page.getByText("Not shown yet").or(page.getByText("A word is agreed on")))
                    .isVisible();
            phone.reload();
            phone.getByLabel("Word").fill("grey goose");
            lender.button("Go on").click();
            assertThat(phone.getByLabel("I agree to this")).isVisible();
            assertThat(lender.complaints).isEmpty();
            assertThat(desk.complaints).isEmpty();
        }
    }
}
