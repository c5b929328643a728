package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.postroom.Returns;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The coordinator's hand on a route, somebody who hands over, and a colleague who signs several in a row. */
class RouteByHandJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final String LENDER = "ida.hand@lender.example.org";
    private final Office office = new Office(BED.address());

    private JsonNode draft(String name, String wording) {
        return office.bringIn(
                name,
                new WordDraft()
                        .title("Loan agreement")
                        .paragraph(wording)
                        .paragraph("{{lender.signature}}")
                        .bytes());
    }

    private String published(String name, String wording, ObjectNode who, String check, boolean handOver) {
        JsonNode template = draft(name, wording);
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0)).put("identity", check).set("who", who);
        ((ObjectNode) content.get("sending").get("acting"))
                .put("handOver", handOver)
                .put("secondPress", handOver);
        return office.publish(office.settle(template, content));
    }

    private static void choose(Browser desk, String name, String act) {
        desk.button("Act on the part of " + name).click();
        desk.page
                .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(act))
                .click();
    }

    private static Locator alert(Page page) {
        return page.getByRole(AriaRole.ALERT);
    }

    @Test
    void aWrongAddressIsMendedAfterItsMailCameBack() {
        String id = published(
                "Mended",
                "{{lender_name}} lends a viola.",
                Office.fixed("Ida Marsh", "ida@gone.example.org"),
                "NONE",
                false);
        String number = office.send(office.generate(id, new HashMap<>(Map.of("lender_name", "Ida Marsh"))));
        String before = office.link(number, "ida@gone.example.org");
        BED.bean(Returns.class).read();
        try (Browser desk = new Browser(1280, 800).signIn()) {
            Page page = desk.open("/today?only=undelivered").page;
            desk.link(number).click();
            assertThat(page.getByText("came back (5.1.1)").first()).isVisible();
            assertThat(desk.barriers()).as("a mail that came back").isEmpty();
            choose(desk, "Ida Marsh", "Correct name or address");
            page.getByLabel("Mail address of Lender").fill("not an address");
            desk.button("Keep").click();
            page.getByLabel("Mail address of Lender").fill(LENDER);
            desk.button("Keep").click();
            assertThat(page.getByText("not opened yet")).isVisible();
            assertThat(page.getByText("came back (5.1.1)")).hasCount(0);
            String link = office.link(number, LENDER);
            assertThat(office.client.get("/api/v1/signing/" + before).status()).isEqualTo(410);
            choose(desk, "Ida Marsh", "Remind now");
            assertThat(alert(page)).containsText("a moment ago");
            desk.button("Give more time, or less").click();
            page.getByLabel("Last day on which it can be done").fill("2099-12-31");
            desk.button("Keep").click();
            assertThat(page.getByText("Can be done until 31 Dec 2099.")).isVisible();
            desk.button("Change the reminders of this agreement").click();
            // in the evening or before a weekend it waits for the office's hours
            page.getByLabel("Days to each reminder").fill("2, 4");
            desk.button("Keep").click();
            assertThat(page.getByText(Pattern.compile("Reminded next in [2-5] days\\.")))
                    .isVisible();
            try (Browser lender = new Browser(360, 740)) {
                lender.open("/act/" + link);
                assertThat(lender.page.getByLabel("I agree to this")).isVisible();
                lender.button("Ask a question").click();
                lender.page.getByLabel("Your question to").fill("Who pays the courier?");
                lender.button("Send the question").click();
                assertThat(lender.page.getByText("hasn’t answered yet")).isVisible();
                desk.button("Answer").click();
                page.getByLabel("Your answer to Ida Marsh").fill("The museum does.");
                desk.button("Send the answer").click();
                lender.page.reload();
                assertThat(lender.page.getByText("The museum does.")).isVisible();
                assertThat(lender.barriers()).as("a question that is answered").isEmpty();
                assertThat(lender.complaints).isEmpty();
            }
            assertThat(page.getByText("; opened")).isVisible();
        }
    }

    /** By roles and names alone, as a screen reader finds its way; field by field through the text. */
    @Test
    void aPartIsHandedOverAndReadByCodeFieldByFieldOnAPhone() {
        String id = published(
                "Handed over",
                "{{lender_name}} lends a viola. VAT number: {{lender.vat_number}}. Worth: {{lender.worth}}.",
                Office.fixed("Ida Marsh", LENDER),
                "MAILED_CODE",
                true);
        String number = office.send(office.generate(id, new HashMap<>(Map.of("lender_name", "Ida Marsh"))));
        String jon = "jon.hand@lender.example.org";
        try (Browser ida = new Browser(360, 740)) {
            ida.open("/act/" + office.link(number, LENDER));
            shows(ida, number, LENDER);
            ida.button("Hand over to somebody else").click();
            Page page = ida.page;
            named(page, AriaRole.TEXTBOX, "Their full name").fill("Jon Reed");
            named(page, AriaRole.TEXTBOX, "Their mail address").fill(LENDER);
            ida.button("Hand over").last().click();
            assertThat(alert(page)).containsText("somebody else");
            assertThat(ida.barriers()).as("handing over").isEmpty();
            named(page, AriaRole.TEXTBOX, "Their mail address").fill(jon);
            ida.button("Hand over").last().click();
            assertThat(named(page, AriaRole.HEADING, "Handed over to Jon Reed")).isVisible();
            page.reload();
            assertThat(named(page, AriaRole.HEADING, "can’t be opened")).isVisible();
        }
        try (Browser phone = new Browser(360, 740)) {
            Page page = phone.open("/act/" + office.link(number, jon)).page;
            shows(phone, number, jon);
            named(page, AriaRole.CHECKBOX, "I agree to this").check();
            phone.goOnToSign();
            Locator document = named(page, AriaRole.REGION, "The document");
            for (String field : List.of("Vat number", "Worth")) {
                phone.button("Go to what is open").click();
                Locator input = document.getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName(field));
                assertThat(input).isFocused();
                input.fill("XX 1");
            }
            named(page, AriaRole.RADIO, "Draw it").check();
            named(page, AriaRole.RADIO, "Type it").check();
            named(page, AriaRole.TEXTBOX, "Type your name").fill("Jon Reed");
            named(page, AriaRole.CHECKBOX, "Keep it in this browser").check();
            phone.button("I don’t want to sign electronically").click();
            phone.button("Withdraw my consent").click();
            named(page, AriaRole.CHECKBOX, "I agree to this").check();
            phone.goOnToSign();
            named(page, AriaRole.TEXTBOX, "Type your name").fill("Jon Reed");
            named(page, AriaRole.CHECKBOX, "Keep it in this browser").check();
            assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                    .isTrue();
            phone.button("Sign as Jon Reed").click();
            assertThat(phone.button("Sign as Jon Reed, for good")).isFocused();
            assertThat(phone.barriers()).as("before the second press").isEmpty();
            page.keyboard().press("Enter");
            assertThat(page.getByText("You have signed.")).isVisible();
            assertThat(phone.complaints).isEmpty();
            assertThat((String) page.evaluate("localStorage.getItem('jalousie.marks')"))
                    .contains("Jon Reed");
        }
        office.await(number, "COMPLETED");
    }

    private void shows(Browser who, String number, String mail) {
        who.button("Send the code").click();
        named(who.page, AriaRole.TEXTBOX, "Code").fill(office.code(number, mail, 1));
        who.button("Go on").click();
        assertThat(named(who.page, AriaRole.REGION, "The document")).isVisible();
    }

    private static Locator named(Page page, AriaRole role, String name) {
        return page.getByRole(role, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void aColleagueSignsFiveInARowAndWhatTheySendAtOnce() {
        String id = published(
                "In a row", "{{lender_name}} lends a viola.", Office.fixed("Nora Quill", Testbed.MAIL), "NONE", false);
        for (int i = 0; i < 4; i++)
            office.send(office.generate(id, new HashMap<>(Map.of("lender_name", "Lender " + i))));
        String last = office.generate(id, new HashMap<>(Map.of("lender_name", "Lender 5")));
        try (Browser desk = new Browser(1280, 800).signIn()) {
            Page page = desk.open("/agreements/" + last).page;
            desk.button("Send to Nora Quill").click();
            desk.button("It is your turn: read and act").click();
            signs(desk, "Nora Quill");
            assertThat(desk.button("Go on to “In a row")).isVisible();
            desk.link("Back to the rooms").click();
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Waiting for you")))
                    .isVisible();
            assertThat(desk.barriers()).as("what waits for a colleague").isEmpty();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Read and act: In a row"))
                    .first()
                    .click();
            for (int i = 0; i < 3; i++) {
                signs(desk, null);
                desk.button("Go on to “In a row").click();
            }
            signs(desk, null);
            assertThat(desk.link("Back to the rooms")).isVisible();
            assertThat(desk.button("Go on to “In a row")).hasCount(0);
            assertThat(desk.complaints).isEmpty();
        }
        assertThat(office.await(last, "COMPLETED").get("trail").toString()).contains("Nora Quill (Lender) signed");
        assertThat(office.client.get("/api/v1/mine").json().get("total").asInt())
                .isZero();
    }

    /** Each has a consent of its own; what was kept the last time is there. @param name to type; null for what was kept */
    private static void signs(Browser desk, String name) {
        Page page = desk.page;
        page.getByLabel("I agree to this").check();
        desk.goOnToSign();
        if (name == null) {
            assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("As the last time")))
                    .isChecked();
        } else {
            page.getByLabel("Type your name").fill(name);
            page.getByLabel("Keep it in this browser").check();
        }
        desk.button("Sign as Nora Quill").click();
        assertThat(page.getByText("You have signed.")).isVisible();
    }
}
