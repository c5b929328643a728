package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import javax.imageio.ImageIO;
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

    private String sent(String name, String mail) {
        JsonNode template = office.bringIn(
                "Kinds for " + mail,
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola.")
                        .paragraph("Remarks: {{lender.remarks}}")
                        .paragraph("Strings: {{lender.strings}} since {{lender.since}}, sent {{lender.sending}}")
                        .paragraph("Rules: {{lender.rules}}")
                        .paragraph("Fee {{lender.fee}} postage {{lender.postage}} together {{lender.total}}")
                        .paragraph("Papers {{lender.papers}}")
                        .paragraph("Lent by {{lender.owner}} under {{lender.licence}}")
                        .paragraph("{{lender.signature}} {{lender.full_name}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (String amount : new String[] {"lender_fee", "lender_postage"})
            Office.signingField(content, amount)
                    .putObject("type")
                    .put("kind", "money")
                    .put("required", true)
                    .put("currency", "EUR");
        Office.signingField(content, "lender_total")
                .putObject("type")
                .put("kind", "worked_out")
                .put("formula", "lender_fee + lender_postage")
                .put("gives", "MONEY");
        Office.signingField(content, "lender_owner").putObject("type").put("kind", "copy");
        Office.signingField(content, "lender_owner")
                .putObject("from")
                .put("kind", "DATUM")
                .put("name", "lender_name");
        Office.signingField(content, "lender_licence")
                .putObject("type")
                .put("kind", "text")
                .put("required", false)
                .put("pattern", "@@ ####");
        Office.signingField(content, "lender_licence")
                .putObject("requiredWhen")
                .put("field", "lender_sending")
                .put("answer", "by courier");
        Office.signingField(content, "lender_remarks")
                .putObject("type")
                .put("kind", "lines")
                .put("required", true);
        Office.signingField(content, "lender_strings")
                .putObject("type")
                .put("kind", "number")
                .put("required", true)
                .put("whole", true)
                .put("most", "9000");
        Office.signingField(content, "lender_since")
                .putObject("type")
                .put("kind", "date")
                .put("required", true);
        Office.signingField(content, "lender_papers")
                .putObject("type")
                .put("kind", "file")
                .put("required", true);
        ObjectNode sending = Office.signingField(content, "lender_sending").putObject("type");
        // on a phone all answers are seen at once
        sending.put("kind", "choice")
                .put("required", true)
                .put("spread", mail.contains(".360@"))
                .putArray("options")
                .add("by post")
                .add("by courier");
        Office.signingField(content, "lender_rules")
                .putObject("type")
                .put("kind", "tick")
                .put("required", true)
                .put("statement", "I have read the rules of the house.");
        JsonNode draft = office.settle(template, content);
        assertThat(draft.get("obstacles")).isEmpty();
        return office.send(office.generate(office.publish(draft), Map.of("lender_name", name, "lender_mail", mail)));
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 360})
    void everyKindIsCompletedAndStandsInTheFinishedFile(int width) throws IOException {
        String mail = "lukasz." + width + "@lender.example.org";
        String name = width == 360 ? "محمد مارش" : "Łukasz Marsh";
        String number = sent(name, mail);
        try (Browser lender = new Browser(width, 800)) {
            Page page = lender.open("/act/" + office.link(number, mail)).page;
            page.getByLabel("I agree to this").check();
            lender.goOnToSign();
            // on a phone the fields are completed where they stand in the text
            Locator part = page.getByRole(
                    AriaRole.REGION,
                    new Page.GetByRoleOptions()
                            .setName(width == 360 ? "The document" : "Your part")
                            .setExact(true));
            part.getByLabel("Remarks").fill("Two strings are new.\nThe bow follows.");
            part.getByLabel("Strings").fill("many");
            part.getByLabel("Since").fill("2026-02-28");
            if (width == 360) part.getByLabel("by courier").check();
            else part.getByLabel("Sending").selectOption("by courier");
            page.getByLabel("Type your name").fill(name);
            part.getByLabel("Fee").fill("1,250.10");
            part.getByLabel("Postage").fill("0.2");
            assertThat(page.getByText("€1,250.30").first()).isVisible();
            assertThat(lender.button("Sign as " + name)).isDisabled();
            assertThat(part.getByText("I have read the rules of the house.")).isVisible();
            part.getByLabel("Rules").check();
            assertThat(page.getByText("Still to complete: Papers, Licence.")).isVisible();
            part.getByLabel("Licence").fill("XX 4471");
            Path note = Path.of("target/note.txt");
            Files.writeString(note, "no policy");
            part.getByLabel("Papers").setInputFiles(note);
            assertThat(part.getByText("note.txt is no PDF and no picture")).isVisible();
            Path policy = Path.of("target/Policy of the viola.pdf");
            Files.writeString(policy, "%PDF-1.7\nthe policy");
            part.getByLabel("Papers").setInputFiles(policy);
            assertThat(page.getByText("Policy of the viola.pdf").first()).isVisible();
            assertThat(part.getByText("Leave it out")).isVisible();
            lender.button("Sign as " + name).click();
            assertThat(page.getByText("Some details have to be mended.")).isVisible();
            assertThat(part.getByLabel("Strings")).hasAttribute("aria-invalid", "true");
            part.getByLabel("Strings").fill("1,234");
            assertThat(page.getByText("Some details have to be mended.")).isHidden();
            assertThat(lender.barriers()).as("all kinds at " + width).isEmpty();
            assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                    .as("nothing needs sideways scrolling")
                    .isTrue();
            lender.button("Sign as " + name).click();
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
                .contains("€1,250.10")
                .contains("€1,250.30")
                .contains("XX 4471")
                .contains("Policy of the viola.pdf")
                .contains("×");
        seenByBoth(number, pdf);
    }

    /** What is written in each field is there for PDF.js as it is for poppler: as much ink within its rectangle. */
    private void seenByBoth(String number, Path pdf) throws IOException {
        Path picture = Path.of(pdf.toString().replace(".pdf", ""));
        Tool.run(
                "pdftoppm",
                "-r",
                "144",
                "-f",
                "1",
                "-l",
                "1",
                "-singlefile",
                "-png",
                pdf.toString(),
                picture.toString());
        BufferedImage poppler = ImageIO.read(Path.of(picture + ".png").toFile());
        JsonNode pages = office.show(number).get("documents").get(0).get("pages");
        double height = pages.get("sizes").get(0).get("height").asDouble();
        double width = pages.get("sizes").get(0).get("width").asDouble();
        try (Browser reader = new Browser(1280, 900).signIn()) {
            Page page = reader.open("/archive/" + number).page;
            page.locator("canvas[data-drawn]").first().waitFor();
            page.waitForTimeout(1500);
            for (JsonNode placed : pages.get("fields")) {
                String name = placed.get("field").get("name").asString();
                // without the fine line at the foot of the place
                double[] part = {
                    placed.get("x").asDouble() / width,
                    (height - placed.get("y").asDouble() - placed.get("height").asDouble()) / height,
                    placed.get("width").asDouble() / width,
                    (placed.get("height").asDouble() - 2) / height
                };
                double theirs = ((Number) page.evaluate(
                                "([x, y, w, h]) => { const c = document.querySelector('canvas[data-drawn]');"
                                        + " const d = c.getContext('2d').getImageData(x * c.width, y * c.height,"
                                        + " Math.max(1, w * c.width), Math.max(1, h * c.height)).data;"
                                        + " let dark = 0; for (let i = 0; i < d.length; i += 4) if (d[i] < 150) dark++;"
                                        + " return dark / (d.length / 4); }",
                                java.util.Arrays.stream(part).boxed().toList()))
                        .doubleValue();
                double ours = ink(poppler, part);
                assertThat(ours).as(name + " by poppler").isPositive();
                assertThat(theirs).as(name + " by PDF.js").isBetween(ours * 0.4, ours * 2.5);
            }
        }
    }

    private static double ink(BufferedImage page, double[] part) {
        int dark = 0;
        int all = 0;
        for (int x = (int) (part[0] * page.getWidth()); x < (part[0] + part[2]) * page.getWidth(); x++) {
            for (int y = (int) (part[1] * page.getHeight()); y < (part[1] + part[3]) * page.getHeight(); y++) {
                if ((page.getRGB(x, y) >> 16 & 0xff) < 150) dark++;
                all++;
            }
        }
        return (double) dark / all;
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
