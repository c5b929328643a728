package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.jalousie.core.json.Json;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A form that was shared by a link, filled by somebody from outside on a phone. */
class AskJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Pattern GO = Pattern.compile("(/ask/[A-Za-z0-9_-]+\\?go=[A-Za-z0-9_-]+)");

    @TempDir
    private Path folder;

    private static void type(JsonNode fields, String name, String type, boolean required) {
        for (JsonNode field : fields)
            if (field.get("name").asString().equals(name))
                ((ObjectNode) field).put("type", type).put("required", required);
    }

    private static ObjectNode question(String field) {
        return Json.MAPPER.createObjectNode().put("field", field);
    }

    /** A template that goes out at once; its form asks in two languages, and for the courier only abroad. */
    private static String template(Office office) {
        JsonNode draft = office.bringIn(
                "Offer of a loan",
                new WordDraft()
                        .paragraph("{{lender_name}} offers:")
                        .paragraph("{{#objects}}{{title}}, {{value}}; {{/objects}}")
                        .paragraph("{{#abroad}}The courier is {{courier}}.{{/abroad}} {{photo.width_40}} {{report}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) draft.get("content").deepCopy();
        JsonNode fields = content.get("fields");
        type(fields, "photo", "PICTURE", true);
        type(fields, "report", "FILE", false);
        for (JsonNode field : fields)
            if (field.get("name").asString().equals("objects")) type(field.get("items"), "value", "MONEY", true);
        ObjectNode summed = question("objects");
        summed.putArray("totals").add("value");
        ObjectNode layout = content.putObject("layout");
        ObjectNode section = layout.putArray("sections").addObject().put("title", "What you offer");
        section.putArray("questions")
                .add(question("lender_name"))
                .add(question("lender_mail"))
                .add(question("abroad"))
                .add(question("courier").put("when", "abroad"))
                .add(summed);
        layout.putObject("words").putObject("nl").put("Lender name", "Uw naam").put("What you offer", "Wat u aanbiedt");
        ((ObjectNode) content.get("sending")).put("release", "AT_ONCE");
        return office.publish(office.settle(draft, content));
    }

    private String link(Office office) {
        Map<String, Object> terms = new HashMap<>(Map.of("frames", List.of(), "thanks", "", "then", "SIGN"));
        terms.putAll(Map.of("askerName", "lender_name", "askerMail", "lender_mail", "officeMail", ""));
        terms.putAll(Map.of("document", true, "wording", true));
        String address = office.client
                .post(
                        "/api/v1/form-links",
                        Map.of("template", template(office), "title", "Offer us a loan", "terms", terms))
                .json()
                .get("address")
                .asString();
        return address.substring(address.indexOf("/ask/"));
    }

    private Path photo() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "png", out);
        return Files.write(folder.resolve("photo.png"), out.toByteArray());
    }

    private static Locator answer(Page page, String name) {
        return page.locator("[data-answer='" + name + "']")
                .last()
                .locator("input, select")
                .first();
    }

    private static void fits(Page page) {
        assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .as("nothing beyond the window")
                .isTrue();
    }

    @Test
    void aFormIsLeftOnAPhoneGoneOnWithHandedInAndSignedStraightOn() throws IOException {
        Office office = new Office(BED.address());
        String link = link(office);
        String mail = "ida." + System.nanoTime() + "@lender.example.org";
        try (Browser first = new Browser(360, 740)) {
            Page page = first.open(link).page;
            first.heading("Offer us a loan").waitFor();
            answer(page, "lender_name").fill("Ida Marsh");
            answer(page, "lender_mail").fill(mail);
            assertThat(page.getByLabel("Courier")).hasCount(0);
            answer(page, "abroad").selectOption("yes");
            answer(page, "courier").fill("Vale and Sons");
            first.button("Add to Objects").click();
            answer(page, "objects.title").fill("Viola d’amore");
            answer(page, "objects.value").fill("EUR 1,200");
            first.button("Add to Objects").click();
            answer(page, "objects.title").fill("Bow");
            answer(page, "objects.value").fill("EUR 12x");
            answer(page, "lender_name").focus();
            assertThat(page.locator("[id$='-fault']").first()).isVisible();
            fits(page);
            assertThat(first.barriers()).as("a public form").isEmpty();

            page.reload();
            assertThat(answer(page, "objects.title")).hasValue("Bow");
            first.button("Go on later").click();
            first.button("Mail me the link").click();
            assertThat(page.getByText("A link was mailed to " + mail)).isVisible();
            assertThat(first.complaints).isEmpty();
        }
        String mailed = Wait.until("the link to go on", () -> office.mailTo("Offer us a loan", mail, ""));
        Matcher go = GO.matcher(mailed);
        assertThat(go.find()).isTrue();
        try (Browser second = new Browser(360, 740)) {
            Page page = second.open(go.group(1)).page;
            assertThat(answer(page, "objects.title")).hasValue("Bow");
            assertThat(answer(page, "courier")).hasValue("Vale and Sons");
            answer(page, "objects.value").fill("EUR 34.50");
            assertThat(page.getByText("€1,234.50")).isVisible();
            page.getByLabel("Photo").setInputFiles(photo());
            assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("Photo")))
                    .isVisible();
            page.getByLabel("Language").selectOption("nl");
            assertThat(page.getByLabel("Uw naam")).hasValue("Ida Marsh");
            assertThat(answer(page, "objects.value")).hasValue("EUR 34,50");
            page.getByLabel("Taal").selectOption("en-GB");
            second.button("Read the agreement").click();
            assertThat(page.getByRole(AriaRole.DIALOG)).containsText("The courier is Vale and Sons.");
            second.button("Back to the answers").click();
            second.button("Hand the form in").click();
            assertThat(page.getByText("Thank you. Your form has been handed in."))
                    .isVisible();
            fits(page);
            assertThat(second.barriers()).as("thanks").isEmpty();
            second.button("Go on to sign").click();
            page.waitForURL("**/act/*");
            assertThat(page.locator("main")).containsText("Offer of a loan");
            assertThat(second.complaints).isEmpty();
        }
        String status = Wait.until("told", () -> office.mailTo("R-", mail, "We have your form"));
        Matcher asked = Pattern.compile("(/asked/[A-Za-z0-9_-]+)").matcher(status);
        assertThat(asked.find()).isTrue();
        try (Browser later = new Browser(360, 740)) {
            Page page = later.open(asked.group(1)).page;
            assertThat(page.getByText("It is out to be signed")).isVisible();
            assertThat(later.barriers()).as("where it stands").isEmpty();
            fits(page);
        }
        assertThat(Optional.of(status).filter(text -> text.contains("Courier: Vale and Sons")))
                .isPresent();
    }
}
