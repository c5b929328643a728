package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.jalousie.core.pdf.PdfSample;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Several documents from the workbench to the archive: a form put together by hand, one by rule, one that comes with the agreement. */
class DocumentsJourneyTest {
    private static final String CLERK = "kit.clerk@museum.example.org";
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String OFFICER = "otto.quay@museum.example.org";

    private final Office office = new Office(Testbed.start().address());

    private String template() {
        JsonNode template = office.bringIn(
                "Order of several",
                new WordDraft()
                        .paragraph(
                                "{{lender_name}} lends a viola, shelf {{clerk.shelf}}.{{#abroad}} Abroad.{{/abroad}}")
                        .paragraph("{{lender.signature}}")
                        .paragraph("{{officer.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ArrayNode) content.get("parties")).addObject().put("key", "clerk").put("label", "Clerk");
        for (JsonNode party : content.get("parties")) {
            String key = party.get("key").asString();
            ((ObjectNode) party)
                    .put("duty", key.equals("clerk") ? "COMPLETES" : "SIGNS")
                    .put("stage", key.equals("clerk") ? 1 : key.equals("lender") ? 2 : 3)
                    .set(
                            "who",
                            key.equals("clerk")
                                    ? Office.fixed("Kit Clerk", CLERK)
                                    : key.equals("lender")
                                            ? Office.fixed("Ida Marsh", LENDER)
                                            : Office.fixed("Otto Quay", OFFICER));
        }
        template = office.settle(template, content);
        return office.settle(template, template.get("content")).get("id").asString();
    }

    private static Path file(String name, byte[] bytes) throws IOException {
        Path file = Path.of("target/" + name);
        Files.write(file, bytes);
        return file;
    }

    private JsonNode content(String id) {
        return office.client.get("/api/v1/templates/" + id).json().get("content");
    }

    private static void button(Page page, String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
    }

    private static void add(Page page, String title, Path file) {
        button(page, "Add a document");
        page.locator("#document-file").setInputFiles(file);
        page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true))
                .last()
                .fill(title);
        button(page, "Add it");
        assertThat(page.locator("[aria-current=true]").filter(new Locator.FilterOptions().setHasText(title)))
                .isVisible();
    }

    private static void saved(Page page) {
        assertThat(page.getByText("Everything is saved")).isVisible();
    }

    private static Locator empty(Page page) {
        return page.locator("[data-empty='1']").last();
    }

    /** A point of the page, in parts of its width and height. */
    private static double[] point(Locator page, double x, double y) {
        BoundingBox box = page.boundingBox();
        return new double[] {box.x + box.width * x, box.y + box.height * y};
    }

    @Test
    void severalDocumentsFromTheWorkbenchToTheArchive() throws Exception {
        String id = template();
        String number;
        try (Browser browser = new Browser(1280, 900).signIn()) {
            Page page = browser.open("/templates/" + id).page;
            add(page, "Courier form", file("form.pdf", PdfSample.form()));

            // the fields that the PDF brings
            button(page, "About this document");
            button(page, "Take over its 5 fields");
            page.getByLabel("What Sign here becomes").selectOption("party:lender");
            page.getByLabel("What Remarks becomes").selectOption("");
            assertThat(browser.barriers()).as("the fields of the PDF").isEmpty();
            button(page, "Take them over");
            saved(page);
            assertThat(content(id).get("documents").get(1).get("data")).hasSize(3);
            assertThat(content(id).toString()).contains("\"label\":\"Courier\"", "By rail", "lender_signature_p2");

            // one more, put where it is pressed, moved by keys and hung on the words beside it
            double[] at = point(empty(page), 0.15, 0.62);
            page.mouse().click(at[0], at[1]);
            page.getByLabel("What to put here").selectOption("signing");
            page.getByLabel("Party").last().selectOption("officer");
            button(page, "Put it here");
            saved(page);
            Locator place =
                    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Officer, signature, "));
            place.focus();
            page.keyboard().press("Shift+ArrowRight");
            saved(page);
            JsonNode spot =
                    content(id).get("documents").get(1).get("places").get(1).get("spot");
            assertThat(spot.get("kind").asString()).isEqualTo("BY_WORDS");
            assertThat(spot.get("words").asString()).contains("museum");
            BoundingBox before = place.boundingBox();
            page.mouse().move(before.x + 30, before.y + 12);
            page.mouse().down();
            page.mouse().move(before.x + 60, before.y + 30);
            page.mouse().move(before.x + 90, before.y + 42);
            page.mouse().up();
            saved(page);
            assertThat(place.boundingBox().x).isGreaterThan(before.x + 40);
            assertThat(browser.barriers()).as("a form with places").isEmpty();

            add(page, "Customs terms", file("terms.pdf", PdfSample.letter("Customs terms", "No duty is paid.")));
            page.getByLabel("It comes").selectOption("abroad");
            saved(page);

            // a Word file is one more wording, with words that are tied on its own pages
            add(
                    page,
                    "Care",
                    file(
                            "care.docx",
                            new WordDraft()
                                    .paragraph("Nils Holt keeps it for {{lender_name}}.")
                                    .paragraph("{{lender.initials}}")
                                    .bytes()));
            new Hand.OfMouse(page).tie("Nils Holt", "", "Keeper");
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Keeper").setExact(true))
                    .waitFor();
            saved(page);
            assertThat(DocxText.body(office.client
                            .get("/api/v1/templates/" + id + "/wording?document=document_3")
                            .body()))
                    .contains("{{keeper}} keeps it");
            assertThat(browser.barriers()).as("a further wording").isEmpty();
            button(page, "Add a document");
            page.getByLabel("with each agreement, as another file").check();
            page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true))
                    .last()
                    .fill("Condition report");
            button(page, "Add it");
            saved(page);
            assertThat(page.getByText("This document comes with each agreement"))
                    .isVisible();
            assertThat(browser.complaints).isEmpty();

            number = office.generate(
                    office.publish(office.client.get("/api/v1/templates/" + id).json()),
                    Map.of(
                            "lender_name",
                            "Ida Marsh",
                            "abroad",
                            "yes",
                            "courier",
                            "Cora Reed",
                            "fragile",
                            "yes",
                            "way",
                            "By rail",
                            "keeper",
                            "Nils Holt"));
            browser.open("/agreements/" + number);
            assertThat(page.getByText("The document “Condition report” comes with this agreement and isn’t there yet."))
                    .isVisible();
            page.getByLabel("File for Condition report")
                    .setInputFiles(file("report.pdf", PdfSample.letter("Condition report", "A scratch.")));
            Locator report = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Condition report"));
            report.waitFor();
            report.scrollIntoViewIfNeeded();
            double[] here = point(empty(page), 0.2, 0.3);
            page.mouse().click(here[0], here[1]);
            page.getByLabel("Kind of field").selectOption("initials");
            page.getByLabel("Party").selectOption("lender");
            button(page, "Put it here");
            assertThat(page.getByRole(
                            AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take off Lender, initials")))
                    .isVisible();
            assertThat(browser.barriers())
                    .as("an agreement of several documents")
                    .isEmpty();
            assertThat(browser.complaints).isEmpty();
        }
        office.await(number, "CHECK");
        assertThat(office.show(number).get("obstacles")).isEmpty();
        office.send(number);
        assertThat(office.client
                        .post(
                                "/api/v1/signing/" + office.link(number, CLERK) + "/details",
                                Map.of("values", Map.of("clerk_shelf", "R 7")))
                        .status())
                .isEqualTo(200);
        try (Browser phone = new Browser(360, 800)) {
            Page page = phone.open("/act/" + office.link(number, LENDER)).page;
            page.getByLabel("I agree to this").check();
            phone.goOnToSign();
            for (String title :
                    new String[] {"Order of several", "Courier form", "Customs terms", "Care", "Condition report"})
                assertThat(page.getByRole(
                                AriaRole.HEADING,
                                new Page.GetByRoleOptions()
                                        .setName(title)
                                        .setExact(true)
                                        .setLevel(2)))
                        .hasCount(1);
            page.getByLabel("Type your name").fill("Ida Marsh");
            assertThat(phone.barriers()).as("several documents on a phone").isEmpty();
            assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                    .isTrue();
            phone.button("Sign as Ida Marsh").click();
            assertThat(page.getByText("You have signed.")).isVisible();
        }
        office.sign(office.link(number, OFFICER), Map.of());
        office.await(number, "COMPLETED");
        for (String document : new String[] {"wording", "document_1", "document_3", "requested_1"})
            signed(number, document);
        try (Browser browser = new Browser(1280, 900).signIn()) {
            Page page = browser.open("/archive/" + number).page;
            assertThat(page.getByText("Condition report").first()).isVisible();
            assertThat(page.getByText("All of them in one ZIP file")).isVisible();
            assertThat(browser.complaints).isEmpty();
        }
    }

    /** What poppler and qpdf say of a finished file. */
    private void signed(String number, String document) throws IOException {
        Path pdf = file(
                document + ".pdf",
                office.client
                        .get("/api/v1/agreements/" + number + "/documents/" + document + ".pdf")
                        .body());
        String seen = Tool.run("pdfsig", "-nocert", pdf.toString()).words();
        assertThat(seen).as(document).contains("Signature is Valid").doesNotContain("Digest Mismatch");
        Tool.run("qpdf", "--check", pdf.toString());
        Path text = Path.of("target/" + document + ".txt");
        Tool.run("pdftotext", "-layout", pdf.toString(), text.toString());
        if (document.equals("document_1"))
            assertThat(Files.readString(text)).contains("Cora Reed").contains("By rail");
    }
}
