package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Each kind of field completed in the browser, on a desk and on a phone, and seen in the finished file by poppler. */
class FieldKindsJourneyTest {
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());

    private static ObjectNode field(ObjectNode content, String name) {
        for (JsonNode one : content.get("signingFields"))
            if (one.get("name").asString().equals(name)) return (ObjectNode) one;
        throw new AssertionError("no field " + name);
    }

    private String sent(String mail) {
        JsonNode template = office.bringIn(
                "Kinds for " + mail,
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola.")
                        .paragraph("Remarks: {{lender.remarks}}")
                        .paragraph("Strings: {{lender.strings}} since {{lender.since}}, sent {{lender.sending}}")
                        .paragraph("Rules: {{lender.rules}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        field(content, "lender_remarks").putObject("type").put("kind", "lines").put("required", true);
        field(content, "lender_strings")
                .putObject("type")
                .put("kind", "number")
                .put("required", true)
                .put("whole", true)
                .put("most", "9000");
        field(content, "lender_since").putObject("type").put("kind", "date").put("required", true);
        ObjectNode sending = field(content, "lender_sending").putObject("type");
        sending.put("kind", "choice")
                .put("required", true)
                .putArray("options")
                .add("by post")
                .add("by courier");
        field(content, "lender_rules")
                .putObject("type")
                .put("kind", "tick")
                .put("required", true)
                .put("statement", "I have read the rules of the house.");
        JsonNode draft = office.settle(template, content);
        assertThat(draft.get("obstacles")).isEmpty();
        return office.send(
                office.generate(office.publish(draft), Map.of("lender_name", "Łukasz Marsh", "lender_mail", mail)));
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 360})
    void everyKindIsCompletedAndStandsInTheFinishedFile(int width) throws IOException {
        String mail = "lukasz." + width + "@lender.example.org";
        String number = sent(mail);
        try (Browser lender = new Browser(width, 800)) {
            Page page = lender.open("/act/" + office.link(number, mail)).page;
            page.getByLabel("I agree to this").check();
            lender.button("Go on to sign").click();
            page.getByLabel("Remarks").fill("Two strings are new.\nThe bow follows.");
            page.getByLabel("Strings").fill("many");
            page.getByLabel("Since").fill("2026-02-28");
            page.getByLabel("Sending").selectOption("by courier");
            page.getByLabel("Type your name").fill("Łukasz Marsh");
            assertThat(lender.button("Sign as Łukasz Marsh")).isDisabled();
            assertThat(page.getByText("I have read the rules of the house.")).isVisible();
            page.getByLabel("Rules").check();
            lender.button("Sign as Łukasz Marsh").click();
            assertThat(page.getByText("Some details have to be mended.")).isVisible();
            assertThat(page.getByLabel("Strings")).hasAttribute("aria-invalid", "true");
            page.getByLabel("Strings").fill("1,234");
            assertThat(lender.barriers()).as("all kinds at " + width).isEmpty();
            assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                    .as("nothing needs sideways scrolling")
                    .isTrue();
            lender.button("Sign as Łukasz Marsh").click();
            assertThat(page.getByText("You have signed.")).isVisible();
        }
        office.await(number, "COMPLETED");
        Path pdf = Path.of("target/kinds-" + width + ".pdf");
        Files.write(
                pdf,
                office.client
                        .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                        .body());
        String classes = TestPaths.root().resolve("e2e/pdfa/target/lib") + "/*:"
                + TestPaths.root().resolve("e2e/pdfa/target/classes");
        assertThat(Tool.run("java", "-cp", classes, "org.jalousie.pdfa.PdfaCheck", pdf.toString())
                        .words())
                .as("veraPDF, ISO 19005-2")
                .contains("PDF/A-2b: true");
        Path text = Path.of("target/kinds-" + width + ".txt");
        Tool.run("pdftotext", "-layout", pdf.toString(), text.toString());
        assertThat(Files.readString(text))
                .contains("Two strings are new.")
                .contains("The bow follows.")
                .contains("1,234")
                .contains("28 February 2026")
                .contains("by courier")
                .contains("×");
    }

    @Test
    void theOfficeSettlesAKindBesideThePage() {
        String id = office.bringIn(
                        "Kinds to settle",
                        new WordDraft()
                                .paragraph("{{lender_name}}: {{lender.strings}} {{lender.signature}}")
                                .bytes())
                .get("id")
                .asString();
        try (Browser browser = new Browser(1280, 900).signIn()) {
            Page page = browser.open("/templates/" + id + "?open=signing.lender_strings").page;
            page.getByLabel("What strings is completed as").selectOption("number");
            page.getByLabel("The least of strings").fill("8");
            page.getByLabel("The most of strings").fill("4");
            assertThat(page.getByText("Everything is saved")).isVisible();
            page.getByText(java.util.regex.Pattern.compile("stands? in the way"))
                    .first()
                    .click();
            assertThat(page.getByText("The smallest, 8, is larger than the largest, 4."))
                    .isVisible();
            page.getByLabel("What strings is completed as").selectOption("tick");
            page.getByLabel("Paragraph that is acknowledged by strings").fill("All strings are gut.");
            assertThat(browser.barriers()).as("a tick is settled").isEmpty();
        }
    }
}
