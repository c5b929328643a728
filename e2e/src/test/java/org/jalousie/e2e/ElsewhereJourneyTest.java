package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.jalousie.core.pdf.PdfSample;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Files that were made elsewhere, dropped together: one that is ready, one that differs, one that belongs to no template. */
class ElsewhereJourneyTest {
    private static final List<String> WORDING = List.of(
            "Order to restring a bandora",
            "{{owner_name}} ({{owner_mail}}) leaves the bandora from {{left_on}} and pays {{fee}} for the work.",
            "The workshop uses gut of the gauges that are written on the label and returns the old strings in an envelope.",
            "Whoever fetches the instrument brings this paper along, and signs for it when the case has been opened.");

    private final Office office = new Office(Testbed.start().address());

    private void template() {
        WordDraft draft = new WordDraft();
        WORDING.forEach(draft::paragraph);
        draft.paragraph("For the owner: {{owner.signature}}");
        JsonNode template = office.bringIn("Order to restring", draft.bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0))
                .set(
                        "who",
                        Office.source("from_fields")
                                .put("nameField", "owner_name")
                                .put("mailField", "owner_mail"));
        office.publish(office.settle(template, content));
    }

    private static Path file(String name, byte[] bytes) throws IOException {
        Path file = Path.of("target/" + name);
        Files.write(file, bytes);
        return file;
    }

    private static Path typed(String name, String from, String to) throws IOException {
        WordDraft draft = new WordDraft();
        WORDING.forEach(one -> draft.paragraph(one.replace("{{owner_name}}", "Ida Marsh")
                .replace("{{owner_mail}}", "ida.marsh@owner.example.org")
                .replace("{{left_on}}", "3 March 2027")
                .replace("{{fee}}", "EUR 120.00")
                .replace(from, to)));
        draft.paragraph("For the owner: {{owner.signature}}");
        return file(name, draft.bytes());
    }

    private static Locator row(Page page, String name) {
        return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(name));
    }

    @Test
    void filesAreRecognisedLookedOverAndMadeIntoAgreements() throws Exception {
        template();
        try (Browser browser = new Browser(1280, 900).signIn()) {
            Page page = browser.open("/intake/files").page;
            page.getByLabel("Finished Word files, PDFs or other files").setInputFiles(new Path[] {
                typed("restring-ida.docx", "#", "#"),
                typed("restring-other.docx", "returns the old strings", "keeps the old strings"),
                file("quite-other.pdf", PdfSample.letter("Notes", "Words that no template of the house has."))
            });
            assertThat(row(page, "restring-ida")).containsText("everything is read, nothing differs");
            assertThat(row(page, "restring-other")).containsText("one place differs");
            assertThat(row(page, "quite-other")).containsText("like no template for sure");
            assertThat(browser.barriers()).isEmpty();

            browser.button("Choose the one that is ready").click();
            browser.button("Make the agreement of one file").click();
            assertThat(row(page, "restring-ida").getByText("A-")).isVisible();

            browser.link("restring-other.docx").click();
            assertThat(page.locator("del")).hasText(" returns");
            assertThat(page.locator("ins")).hasText(" keeps");
            assertThat(page.getByLabel("Owner name")).hasValue("Ida Marsh");
            assertThat(page.getByLabel("Fee")).hasValue("EUR 120.00");
            assertThat(browser.button("Make the agreement")).isDisabled();
            assertThat(browser.barriers()).isEmpty();
            page.getByLabel("I have read the place that differs").check();
            browser.button("Make the agreement").click();
            assertThat(browser.button("Send to Ida Marsh")).isEnabled();

            page.navigate(page.url().replaceAll("/agreements/.*", "/intake/files"));
            browser.link("quite-other.pdf").click();
            assertThat(page.getByText("It is like no template")).isVisible();
            browser.button("Set parties and fields by hand").click();
            assertThat(page.getByText("for one agreement only")).isVisible();
            assertThat(browser.heading("quite-other")).isVisible();
        }
    }
}
