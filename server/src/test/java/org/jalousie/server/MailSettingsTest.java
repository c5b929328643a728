package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What the office's mails look like and say. */
class MailSettingsTest {
    private static final String AT = "/api/v1/office/mail";
    private static final String LENDER = "ida.marsh@lender.example.org";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());

    @AfterEach
    void asUsual() {
        office.client.put(AT + "/colour", Map.of("colour", "#1c4740"));
        office.client.delete(AT + "/logo");
        office.client.put(AT + "/words", words("INVITATION", "en", "", ""));
    }

    private static Map<String, String> words(String occasion, String language, String subject, String text) {
        return Map.of("occasion", occasion, "language", language, "subject", subject, "text", text);
    }

    private static byte[] logo() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 20, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    @Test
    void mailsHaveTheOfficesColourLogoAndWords() throws IOException {
        assertThat(office.client
                        .put(AT + "/colour", Map.of("colour", "#7A1F1F"))
                        .status())
                .isEqualTo(200);
        assertThat(office.client.postFile(AT + "/logo", logo()).status()).isEqualTo(200);
        assertThat(office.client
                        .put(AT + "/words", words("INVITATION", "en", "Please, {{person}}", "A word from {{office}}."))
                        .status())
                .isEqualTo(200);
        String number = office.send(
                office.generate(office.publish("Own words", Office.loanWording()), Office.loanValues("Ida Marsh")));
        Wait.until(
                "the mail",
                () -> office.mailTo(number, LENDER, "Please, Ida Marsh")
                        .filter(text -> text.contains("A word from Museum of Bowed Strings.")));
        String id = office.mailsAbout(number).get(0).get("id").asString();
        assertThat(bed.rawMail(id)).contains("#7a1f1f", "Content-ID: <logo>", "multipart/related");
    }

    @Test
    void aTrialGoesToWhoAsksAndKeepsNothing() {
        Map<String, String> trial = words("REMINDER", "de", "", "Noch einmal: {{agreement}} bis {{until}}.");
        JsonNode seen = office.client.post(AT + "/preview", trial).json();
        assertThat(seen.get("text").asString()).contains("Noch einmal: Incoming loan");
        assertThat(seen.get("html").asString()).contains("lang=\"de\"");
        assertThat(office.client.post(AT + "/trial", trial).status()).isEqualTo(204);
        assertThat(office.client.get(AT).json().get("own")).isEmpty();
    }

    @Test
    void aTrialThatDoesNotGoIsTold() {
        Map<String, String> trial = words("REMINDER", "en", "", "Once more.");
        bed.mailDown();
        try {
            Client.Answer away = office.client.post(AT + "/trial", trial);
            assertThat(away.status()).isEqualTo(409);
            assertThat(away.text()).contains("doesn’t answer");
        } finally {
            bed.mailUp();
        }
    }

    @Test
    void whatCannotBeSaidOrShownIsRefused() {
        for (Map<String, String> wrong : List.of(
                words("INVITATION", "en", "", "{{lender_name}}"),
                words("INVITATION", "xx", "", "Hello"),
                words("INVITATION", "en", "two\nlines", ""),
                words("INVITATION", "en", "", "x".repeat(5001))))
            assertThat(office.client.put(AT + "/words", wrong).status())
                    .as(wrong.toString())
                    .isEqualTo(422);
        assertThat(office.client
                        .put(AT + "/words", words("CODE", "en", "", "x"))
                        .status())
                .isEqualTo(404);
        assertThat(office.client
                        .put(AT + "/words", words("NONE", "en", "", "x"))
                        .status())
                .isEqualTo(400);
        for (String colour : List.of("#ffffff", "red", ""))
            assertThat(office.client
                            .put(AT + "/colour", Map.of("colour", colour))
                            .status())
                    .isEqualTo(422);
        assertThat(office.client.postFile(AT + "/logo", "<svg/>".getBytes()).status())
                .isEqualTo(422);
        assertThat(office.client.get(AT + "/logo").status()).isEqualTo(404);
        Client nobody = new Client(bed.address());
        assertThat(nobody.get(AT).status()).isEqualTo(401);
        assertThat(nobody.post(AT + "/trial", words("INVITATION", "en", "", "x"))
                        .status())
                .isIn(401, 403);
    }
}
