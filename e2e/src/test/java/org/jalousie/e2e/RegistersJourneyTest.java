package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A register begun on the screen, filled from a file with faults, looked into by a form; many agreements of its rows. */
class RegistersJourneyTest {
    private static final Testbed BED = Testbed.start();

    private final Office office = new Office(BED.address());
    private final Registers registers = new Registers(office.client);

    private static FilePayload csv(String name, String text) {
        return new FilePayload(name, "text/csv", text.getBytes(StandardCharsets.UTF_8));
    }

    private static Locator cell(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private static void typeOver(Page page, String cell, String text) {
        cell(page, cell).click();
        Locator input = page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(cell));
        input.fill(text);
        input.press("Enter");
        assertThat(input).hasCount(0);
    }

    @Test
    void aTableWithThreeBadRowsIsMendedAndBroughtIn() {
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/registers/new").page;
            page.getByLabel("What the register is called").fill("Stores");
            page.getByLabel("Another column").fill("Insured for");
            page.getByLabel("Another column").press("Enter");
            page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Insured for"))
                    .getByLabel("Holds")
                    .selectOption(new SelectOption().setLabel("money"));
            assertThat(browser.barriers()).as("columns of a register").isEmpty();
            browser.button("Begin the register").click();
            assertThat(page.getByText("This register has no rows yet")).isVisible();

            page.getByLabel("A table: CSV, XLSX or JSON")
                    .setInputFiles(
                            csv(
                                    "stores.csv",
                                    "Number;Name;Insured for\nS-1;Viola;EUR 1.250,00\nS-2;;EUR 80,00\nS-3;Drum;lots\nS-1;Flute;EUR 3,00\n"));
            assertThat(page.getByText("Looked over; nothing is done yet")).isVisible();
            assertThat(page.getByText("to be mended 4")).isVisible();
            assertThat(browser.barriers()).as("a table to be mended").isEmpty();
            typeOver(page, "Name in row 3", "Harp");
            typeOver(page, "Insured for in row 4", "EUR 7,50");
            typeOver(page, "Number in row 5", "S-4");
            assertThat(page.getByText("to be mended", new Page.GetByTextOptions().setExact(true)))
                    .hasCount(0);
            browser.button("Add 4 rows").click();
            assertThat(page.getByRole(AriaRole.STATUS).getByText("Done", new Locator.GetByTextOptions().setExact(true)))
                    .isVisible();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Stores"))
                    .click();
            assertThat(page.getByText("€1,250.00")).isVisible();
            assertThat(page.getByText("4 in all")).isVisible();
            assertThat(browser.barriers()).as("rows of a register").isEmpty();

            // a cell is changed where it stands
            typeOver(page, "Insured for of Harp", "EUR 90");
            assertThat(page.getByText("€90.00")).isVisible();
            page.getByLabel("Narrow by…").selectOption(new SelectOption().setLabel("Insured for"));
            page.getByLabel("How").selectOption("to");
            page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Insured for"))
                    .fill("EUR 50");
            page.keyboard().press("Enter");
            assertThat(page.getByText("2 in all")).isVisible();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Drum"))
                    .click();
            assertThat(page.getByText("from a table")).isVisible();
            assertThat(browser.barriers()).as("a row of a register").isEmpty();
        }
    }

    private String template() {
        registers.create("lenders", "code TEXT", "name TEXT !", "mail MAIL_ADDRESS");
        registers.create("lent", "number TEXT", "title TEXT !", "value MONEY", "owner TEXT > lenders");
        for (int i = 1; i <= 3; i++) {
            registers.add(
                    "lenders",
                    Map.of("code", "L-" + i, "name", "Lender " + i, "mail", "l" + i + "@lender.example.org"));
            registers.add(
                    "lent",
                    Map.of(
                            "number",
                            "O-" + i,
                            "title",
                            "Thing " + i,
                            "value",
                            "EUR " + i + "00",
                            "owner",
                            "L-" + (i < 3 ? 1 : 3)));
        }
        JsonNode draft = office.bringIn(
                "Loan from a register",
                new WordDraft()
                        .paragraph("{{lender_name}} lends:")
                        .paragraph("{{#objects}}")
                        .paragraph("{{title}}, {{value}}")
                        .paragraph("{{/objects}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        return draft.get("id").asString();
    }

    @Test
    void aFormIsFilledFromARegisterAndRowsBecomeAgreements() {
        String template = template();
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/templates/" + template + "?face=form&ask=lender_name").page;
            page.getByLabel("Look up in").selectOption(new SelectOption().setLabel("lenders"));
            page.getByRole(
                            AriaRole.COMBOBOX,
                            new Page.GetByRoleOptions().setName("Mail").setExact(true))
                    .selectOption(new SelectOption().setLabel("Lender mail"));
            page.getByLabel("Rows of lent that name it as Owner go into")
                    .selectOption(new SelectOption().setLabel("Objects"));
            assertThat(page.getByText("Everything is saved")).isVisible();
            assertThat(browser.barriers()).as("a question that is looked up").isEmpty();
            browser.button("Publish version 1").click();
            assertThat(page.getByText("version 1, published")).isVisible();

            browser.open("/intake/new/" + template);
            Locator lookUp = page.getByRole(
                    AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Look Lender name up in lenders"));
            lookUp.fill("lender 1");
            assertThat(page.getByRole(AriaRole.OPTION)).hasCount(1);
            page.keyboard().press("Enter");
            assertThat(page.getByText("Taken from lenders:")).isVisible();
            assertThat(page.locator("[data-answer=lender_mail] input")).hasValue("l1@lender.example.org");
            assertThat(page.locator("[data-item]")).hasCount(2);
            assertThat(page.getByText("Thing 2, €200.00").first()).isVisible();
            assertThat(browser.barriers()).as("a form filled from a register").isEmpty();
            browser.button("Make the agreement").click();
            page.waitForURL("**/agreements/A-*");

            browser.open("/registers/lenders");
            assertThat(page.getByText("3 in all")).isVisible();
            // two touches within one turn of a slow machine are two rows
            assertThat(page.getByRole(AriaRole.CHECKBOX)).hasCount(3);
            assertThat(page.evaluate("""
                            async () => {
                              const boxes = [...document.querySelectorAll('main input[type=checkbox]')];
                              for (const box of boxes.slice(0, 2)) { box.click(); await null; }
                              return boxes.filter((box) => box.checked).length;
                            }""")).isEqualTo(2);
            browser.button("Forget the 2 chosen").click();
            page.getByRole(AriaRole.CHECKBOX).first().check();
            assertThat(page.getByLabel("Make an agreement of this row…")).isVisible();
            page.reload();
            assertThat(page.getByRole(AriaRole.CHECKBOX).first()).isChecked();
            assertThat(browser.barriers()).as("rows chosen").isEmpty();
            browser.button("Forget the one chosen").click();
            page.getByLabel("Make agreements of these 3 rows…")
                    .selectOption(new SelectOption().setLabel("Loan from a register, as Lender name"));
            browser.button("Make 2 agreements").click();
            assertThat(page.getByRole(AriaRole.STATUS).getByText("Done", new Locator.GetByTextOptions().setExact(true)))
                    .isVisible();
            assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("A-")))
                    .hasCount(2);
            assertThat(browser.barriers()).as("a run that is done").isEmpty();
        }
    }

    @Test
    void aRunTakesItsItemsFromASecondFile() {
        String template = office.publish(
                "Loan of several",
                new WordDraft()
                        .paragraph("{{lender_name}} lends:")
                        .paragraph("{{#objects}}")
                        .paragraph("{{title}}, {{value}}")
                        .paragraph("{{/objects}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.page;
            JsonNode table = new Registers(office.client)
                    .ready(Registers.expect(
                                    201,
                                    office.client.upload(
                                            "/api/v1/runs?template=" + template,
                                            "loans.csv",
                                            "loan,lender_name,lender_mail\n7,Ida,ida@lender.example.org\n"
                                                    .getBytes(StandardCharsets.UTF_8)))
                            .get("id")
                            .asString());
            browser.open("/tables/" + table.get("id").asString());
            page.getByLabel("Second table file")
                    .setInputFiles(csv("objects.csv", "number,title,value\n7,Viola,EUR 5\n8,Harp,EUR 6\n"));
            assertThat(page.getByText("No row of the first table has this key.").first())
                    .isVisible();
            page.getByLabel("Key in objects").selectOption("number");
            page.getByLabel("Key in the first table").selectOption("loan");
            assertThat(page.getByText("goes with row 2")).hasCount(1);
            assertThat(page.getByText("objects 3")).isVisible();
            assertThat(browser.barriers()).as("a run with a second table").isEmpty();
            browser.button("Make 1 agreement").click();
            assertThat(page.getByRole(AriaRole.STATUS).getByText("Done", new Locator.GetByTextOptions().setExact(true)))
                    .isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }
}
