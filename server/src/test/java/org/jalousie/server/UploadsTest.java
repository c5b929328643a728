package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jalousie.core.wording.Zips;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class UploadsTest {
    private final Office office = new Office(Testbed.start().address());

    /** A good Word file with one part more, or one replaced. */
    private static byte[] with(String part, byte[] content) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(Office.loanWording()));
                ZipOutputStream zip = new ZipOutputStream(out)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                if (entry.getName().equals(part)) continue;
                zip.putNextEntry(new ZipEntry(entry.getName()));
                zip.write(in.readAllBytes());
            }
            zip.putNextEntry(new ZipEntry(part));
            zip.write(content);
        }
        return out.toByteArray();
    }

    private void refused(byte[] file, String reason) {
        long before = total();
        Client.Answer answer = office.client.upload("/api/v1/templates?name=Bad", "bad.docx", file);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.type()).startsWith("application/problem+json");
        assertThat(answer.json().get("detail").asString()).contains(reason);
        assertThat(total()).isEqualTo(before);
    }

    private long total() {
        return office.client.get("/api/v1/templates").json().get("total").asLong();
    }

    @Test
    void filesThatAreNoGoodAreRefusedWithAReasonAndNothingIsKept() throws IOException {
        refused("hello".getBytes(StandardCharsets.UTF_8), "is no PDF, picture");
        refused(with("word/vbaProject.bin", new byte[10]), "macros");
        refused(
                with(
                        "word/document.xml",
                        "<!DOCTYPE a [<!ENTITY b SYSTEM \"file:///etc/hostname\">]><a>&b;</a>"
                                .getBytes(StandardCharsets.UTF_8)),
                "document type");
        refused(with("word/bomb.xml", new byte[110 * 1024 * 1024]), "100 MB");
    }

    @Test
    void tagsThatCannotBeReadAreListedAndPublishingIsRefusedUntilTheyAreGone() {
        JsonNode template = office.bringIn(
                "Faulty",
                new WordDraft()
                        .paragraph("{{#abroad}} open")
                        .paragraph("{{stranger.thing}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        assertThat(template.get("diagnostics").toString())
                .contains("section-unclosed")
                .contains("party-unknown")
                .contains("stranger");
        String id = template.get("id").asString();
        Client.Answer refused = office.client.post(
                "/api/v1/templates/" + id + "/publication",
                Map.of("revision", template.get("revision").asInt()));
        assertThat(refused.status()).isEqualTo(409);
        JsonNode mended = office.bringBack(template, Office.loanWording(), Map.of());
        assertThat(mended.get("diagnostics")).isEmpty();
        assertThat(office.client
                        .post(
                                "/api/v1/templates/" + id + "/publication",
                                Map.of("revision", mended.get("revision").asInt()))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void theSecondOfTwoWhoChangeATemplateIsTold() {
        JsonNode template = office.bringIn("Shared", Office.loanWording());
        String id = template.get("id").asString();
        Map<String, Object> change =
                Map.of("revision", template.get("revision").asInt(), "content", template.get("content"));
        assertThat(office.client
                        .put("/api/v1/templates/" + id + "/content", change)
                        .status())
                .isEqualTo(200);
        Client.Answer second = office.client.put("/api/v1/templates/" + id + "/content", change);
        assertThat(second.status()).isEqualTo(409);
        assertThat(second.text()).contains("Somebody else");
    }

    @Test
    void agreementsKeepTheVersionTheyWereMadeWith() {
        String id = office.publish("Versioned", Office.loanWording());
        String number = office.generate(id, Office.loanValues("Ida Marsh"));
        JsonNode draft = office.client
                .post("/api/v1/templates/" + id + "/draft", Map.of())
                .json();
        assertThat(draft.get("version").asInt()).isEqualTo(2);
        office.bringBack(
                draft,
                new WordDraft().paragraph("{{other}} {{lender.signature}}").bytes(),
                Map.of());
        assertThat(office.show(number).get("data").toString()).contains("objects_description");
        assertThat(office.client
                        .get("/api/v1/templates/" + id + "/form")
                        .json()
                        .get("version")
                        .asInt())
                .isEqualTo(1);
    }

    /** Its places for signatures are pictures with links, which would be taken for those of the new template. */
    @Test
    void anAgreementThatIsMadeATemplateOfBringsNoPlacesOfItsOwn() {
        String number =
                office.generate(office.publish("Brought back", Office.loanWording()), Office.loanValues("Ida Marsh"));
        Map<String, byte[]> parts = Zips.parts(office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.docx")
                .body());
        String body = "word/document.xml";
        parts.put(
                body,
                new String(parts.get(body), StandardCharsets.UTF_8)
                        .replace("<w:body>", "<w:body><w:p><w:r><w:t>{{lender.signature}}</w:t></w:r></w:p>")
                        .getBytes(StandardCharsets.UTF_8));
        String id =
                office.bringIn("From an agreement", Zips.of(parts)).get("id").asString();
        JsonNode fields = office.client
                .get("/api/v1/templates/" + id + "/preview")
                .json()
                .get("pages")
                .get("fields");
        assertThat(fields).as(fields.toString()).hasSize(1);
    }
}
