package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.function.Function;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The agreement on an outgoing loan prepared on its page, from the bare Word file to published: once by keys alone, once by mouse. */
class WorkbenchTest {
    private final Office office = new Office(Testbed.start().address());

    /** As the registrar sends it: last year's loan, with nothing marked. */
    private static byte[] bare() {
        return new WordDraft()
                .header("Museum of Bowed Strings, outgoing loan")
                .footer("Outgoing loan to Stringhall Greyford")
                .title("Agreement on an outgoing loan")
                .paragraph("The Museum of Bowed Strings lends the objects below to Stringhall Greyford.")
                .paragraph("They go to 12 Rope Walk, Greyford, GF2 4AB.")
                .paragraph("The loan lasts 153 days, from 1 May 2027 to 30 September 2027.")
                .heading("Objects")
                .table(
                        List.of(
                                List.of("No.", "Object", "Insured value"),
                                List.of("1", "Treble viol of 1690, gut strings\n\u2013 snakewood bow", "EUR 48,000"),
                                List.of("", "Together", "EUR 57,500")),
                        true)
                .heading("Cover")
                .paragraph("The objects are covered as agreed.")
                .paragraph("Gut strings stay at playing tension only while they are played.")
                .heading("Transport")
                .clause("The objects travel with a museum courier with an approved carrier.")
                .clause("They are returned by 14 October 2027.")
                .clause("The case stays closed.")
                .heading("Signatures")
                .table(
                        List.of(
                                List.of("For the borrower", "Borrower signs here"),
                                List.of("For the museum", "Director signs here")),
                        true)
                .bytes();
    }

    private void clause(String name, String words) {
        if (office.client.get("/api/v1/clauses?page=0").text().contains("\"" + name + "\"")) return;
        office.client.upload(
                "/api/v1/clauses?name=" + name,
                name + ".docx",
                new WordDraft().paragraph(words).bytes());
    }

    @Test
    void aLoanIsPreparedByKeysAlone() {
        prepare("By keys alone", Hand.OfKeys::new);
    }

    @Test
    void aLoanIsPreparedByMouse() {
        prepare("By mouse", Hand.OfMouse::new);
    }

    private void prepare(String name, Function<Page, Hand> hands) {
        clause("cover_of_the_state", "The state covers the objects up to {{insured_value_of}}.");
        clause("cover_of_the_borrower", "The borrower insures the objects for {{insured_value_of}}.");
        String template = office.bringIn(name, bare()).get("id").asString();
        try (Browser browser = new Browser(1280, 900).signIn()) {
            browser.open("/templates/" + template).heading(name).waitFor();
            Page page = browser.page;
            Hand hand = hands.apply(page);
            hand.tie("Stringhall Greyford", "", "Borrower");
            hand.redrawn(() -> hand.press(AriaRole.BUTTON, "~the field borrower too"));
            note(page, "Borrower").waitFor();
            hand.tie("12 Rope Walk, Greyford, GF2 4AB", "", "Address of the borrower");
            hand.tie("1 May 2027", "", "Loan begins");
            hand.tie("30 September 2027", "", "Loan ends");
            hand.tieFrom("Treble viol of 1690", "EUR 48,000", "MARK_PASSAGE", "Objects");
            note(page, "for Objects").waitFor();
            types(hand, page, "Objects", "ITEMS");
            hand.tie("Treble viol of 1690", "", "Object");
            note(page, "Object").waitFor();
            hand.tie("EUR 48,000", "", "Insured value");
            hand.tie(", gut strings", "MARK_PASSAGE", "Has gut strings");
            hand.tie("\u2013 snakewood bow", "MARK_PASSAGE", "Parts");
            note(page, "for Parts").waitFor();
            types(hand, page, "Objects: Parts", "ITEMS");
            hand.tie("snakewood bow", "", "Part");
            hand.tie("The case stays closed", "", "Special conditions");
            note(page, "Special conditions").waitFor();
            hand.tie("with a museum courier", "MARK_PASSAGE", "travels.by_courier");
            hand.tie("with an approved carrier", "MARK_PASSAGE", "travels.by_carrier");
            types(
                    hand,
                    page,
                    "Loan begins",
                    "DATE",
                    "Loan ends",
                    "DATE",
                    "Address of the borrower",
                    "ADDRESS",
                    "Objects: Insured value",
                    "MONEY",
                    "Special conditions",
                    "RICH_TEXT",
                    "Travels",
                    "By courier\nBy carrier");
            rule(hand, page, "Insured value of all", "MONEY", "sum(objects.insured_value)");
            rule(hand, page, "Days of the loan", "NUMBER", "loan_ends - loan_begins");
            rule(hand, page, "Day of return", "DATE", "loan_ends + duration(\"P14D\")");
            rule(hand, page, "Gut among them", "YES_NO", "some o in objects satisfies o.has_gut_strings = true");
            hand.tie("EUR 57,500", "", "Insured value of all");
            hand.tie("153", "", "Days of the loan");
            hand.tie("14 October 2027", "", "Day of return");
            hand.tie(
                    "Gut strings stay at playing tension only while they are played.",
                    "MARK_PASSAGE",
                    "Gut among them");
            note(page, "for Gut among them").waitFor();
            cover(hand, page);
            hand.insertBehind("are covered as agreed.", "INSERT_CLAUSE", "the clause that Cover names");
            note(page, "Clause cover of the state").waitFor();
            for (String who : List.of("Borrower", "Director")) {
                for (String mark : List.of("date_signed", "full_name", "signature"))
                    hand.insertBehind(who + " signs here", "INSERT", who.toLowerCase() + "." + mark);
            }
            page.getByLabel("Who acts on page 1")
                    .getByText("Director signature")
                    .waitFor();
            director(hand, page);
            assertThat(office.client
                            .get("/api/v1/templates/" + template)
                            .json()
                            .get("obstacles")
                            .toString())
                    .isEqualTo("[]");
            assertThat(page.getByText("Nothing stands in the way")).isVisible();
            assertThat(page.getByText("Everything is saved")).isVisible();
            hand.key("Control+Enter");
            assertThat(page.getByText("version 1, published")).isVisible();
            System.out.println("acts, " + name + ": " + hand.acts());
            assertThat(browser.complaints).isEmpty();
        }
        check(office.client.get("/api/v1/templates/" + template).json());
    }

    /** What was prepared is what the demo's own template has. */
    private void check(JsonNode made) {
        JsonNode content = made.get("content");
        assertThat(content.get("fields").toString())
                .contains(
                        "\"name\":\"borrower\"",
                        "\"type\":\"ADDRESS\"",
                        "\"type\":\"RICH_TEXT\"",
                        "\"name\":\"parts\"");
        assertThat(content.get("fields")
                        .valueStream()
                        .filter(one -> one.get("name").asString().equals("objects"))
                        .flatMap(one -> one.get("items").valueStream())
                        .map(one -> one.get("name").asString() + " "
                                + one.get("type").asString()))
                .contains("object TEXT", "insured_value MONEY", "has_gut_strings YES_NO", "parts ITEMS");
        assertThat(content.get("rules").size()).isEqualTo(4);
        assertThat(content.get("choices").size()).isEqualTo(1);
        assertThat(content.get("signingFields").size()).isEqualTo(6);
        assertThat(made.get("wordings").get(0).get("includes").size()).isPositive();
        assertThat(made.get("state").asString()).isEqualTo("PUBLISHED");
    }

    private static Locator note(Page page, String label) {
        return page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(label).setExact(true))
                .first();
    }

    /** Types of fields, and choices, a line each, are settled in the ledger, several after one another. */
    private static void types(Hand hand, Page page, String... settled) {
        hand.press(AriaRole.TAB, "Page");
        hand.key("ArrowRight");
        for (int i = 0; i < settled.length; i += 2) {
            boolean choices = settled[i + 1].contains("\n");
            if (choices) hand.fill(AriaRole.TEXTBOX, "Choices of " + settled[i], settled[i + 1]);
            else hand.select("Type of " + settled[i], settled[i + 1]);
        }
        assertThat(page.getByText("Everything is saved")).isVisible();
        hand.press(AriaRole.TAB, "Ledger");
        hand.key("ArrowLeft");
    }

    private static void rule(Hand hand, Page page, String label, String gives, String expression) {
        hand.press(AriaRole.BUTTON, "~on the page");
        hand.press(AriaRole.BUTTON, "Add a rule");
        hand.fill("Rule, in your words", label);
        hand.fill("Expression (FEEL)", expression);
        hand.select("Gives", gives);
        assertThat(page.getByText("Everything is saved")).isVisible();
        hand.press(AriaRole.BUTTON, "~on the page");
    }

    private static void cover(Hand hand, Page page) {
        hand.press(AriaRole.BUTTON, "~on the page");
        hand.press(AriaRole.BUTTON, "Add a choice between cases");
        hand.fill("Choice, in your words", "Cover");
        hand.select("Clause for First case", "cover_of_the_state");
        hand.fill("Condition of First case (FEEL)", "insured_value_of >= 250000");
        hand.select("Clause for Otherwise", "cover_of_the_borrower");
        assertThat(page.getByText("Everything is saved")).isVisible();
        hand.press(AriaRole.BUTTON, "~on the page");
    }

    private static void director(Hand hand, Page page) {
        hand.press(AriaRole.BUTTON, "~Director signs");
        hand.select("The person", "fixed");
        hand.fill("Name", "Helena Brandt");
        hand.fill("Mail address", "director@museum.example.org");
        assertThat(page.getByText("Everything is saved")).isVisible();
    }
}
