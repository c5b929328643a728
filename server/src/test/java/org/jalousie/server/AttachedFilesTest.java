package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Files that parties attach: brought before the act, held fast by the trail, and there for everybody who gets the copy. */
class AttachedFilesTest {
    private static final String CLERK = "clerk@museum.example.org";
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final byte[] POLICY = "%PDF-1.7\nthe policy".getBytes(StandardCharsets.US_ASCII);

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final Client clerk = new Client(bed.address());

    private String sent() {
        JsonNode template = office.bringIn(
                "Attached",
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola. Policy {{clerk.policy}} photo {{clerk.photo}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ArrayNode) content.get("parties")).addObject().put("key", "clerk").put("label", "Clerk");
        for (JsonNode party : content.get("parties")) {
            boolean completes = party.get("key").asString().equals("clerk");
            ((ObjectNode) party)
                    .put("duty", completes ? "COMPLETES" : "SIGNS")
                    .put("stage", completes ? 1 : 2)
                    .set("who", completes ? Office.fixed("Kit Clerk", CLERK) : Office.fixed("Ida Marsh", LENDER));
        }
        // what its tags complete is known when the party is
        template = office.settle(template, content);
        content = (ObjectNode) template.get("content");
        for (String name : new String[] {"clerk_policy", "clerk_photo"})
            Office.signingField(content, name)
                    .putObject("type")
                    .put("kind", "file")
                    .put("required", name.equals("clerk_policy"));
        JsonNode settled = office.settle(template, content);
        assertThat(settled.get("obstacles")).isEmpty();
        return office.send(office.generate(office.publish(settled), new HashMap<>(Map.of("lender_name", "Ida Marsh"))));
    }

    private Client.Answer bring(Client who, String link, String name, byte[] file) {
        return who.postFile("/api/v1/signing/" + link + "/files?name=" + Client.encoded(name), file);
    }

    private static String path(String link, String what) {
        return "/api/v1/signing/" + link + what;
    }

    @Test
    void aFileGoesWithTheAgreementToTheArchive() throws Exception {
        String number = sent();
        String link = office.link(number, CLERK);
        Client.Answer brought = bring(clerk, link, "Policy/2026.pdf", POLICY);
        assertThat(brought.status()).as(brought.text()).isEqualTo(201);
        String answer = brought.json().get("answer").asString();
        assertThat(answer).isEqualTo(Sha256.of(POLICY) + " Policy 2026.pdf");
        String photo = bring(clerk, link, "photo.png", SignedSample.mark(3))
                .json()
                .get("answer")
                .asString();
        Client.Answer done = clerk.post(
                path(link, "/details"), Map.of("values", Map.of("clerk_policy", answer, "clerk_photo", photo)));
        assertThat(done.status()).as(done.text()).isEqualTo(200);

        String signer = office.link(number, LENDER);
        Client lender = new Client(bed.address());
        JsonNode seen = lender.get(path(signer, "")).json().get("attached");
        assertThat(seen).hasSize(2);
        String file = seen.get(0).get("file").asString();
        assertThat(lender.get(path(signer, "/files/" + file)).body()).isEqualTo(POLICY);
        assertThat(lender.get(path(signer, "/files/" + "0".repeat(64))).status())
                .isEqualTo(404);
        office.sign(signer, Map.of());
        office.await(number, "COMPLETED");

        assertThat(office.client
                        .get("/api/v1/agreements/" + number + "/attached/" + file)
                        .body())
                .isEqualTo(POLICY);
        assertThat(Wait.until("the signed copy", () -> office.mailTo(number, LENDER, "Completed")))
                .contains("Policy 2026.pdf")
                .contains("photo.png");
        try (PDDocument pdf = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body())) {
            assertThat(pdf.getDocumentCatalog()
                            .getAcroForm()
                            .getField("clerk_policy")
                            .getValueAsString())
                    .isEqualTo("Policy 2026.pdf");
        }
        try (PDDocument record = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/record.pdf")
                .body())) {
            assertThat(new PDFTextStripper().getText(record).replaceAll("\\s", ""))
                    .contains("Policy2026.pdf(SHA-256" + Sha256.of(POLICY) + ")");
        }
        assertThat(office.client
                        .post("/api/v1/archive/" + number + "/verification", Map.of())
                        .json()
                        .get("intact")
                        .asBoolean())
                .isTrue();
        assertThat(bed.bean(JdbcClient.class)
                        .sql("select count(*) from file_reference where sha256 = ? and source = 'agreement_event'")
                        .param(file)
                        .query(Long.class)
                        .single())
                .as("the trail keeps it")
                .isEqualTo(1);
        assertThat(bed.bean(FileStore.class).get(new Sha256(file))).isEqualTo(POLICY);
    }

    @Test
    void onlyWhatOneHasBroughtIsAnAnswer() {
        String number = sent();
        String link = office.link(number, CLERK);
        Client.Answer strange = clerk.post(
                path(link, "/details"),
                Map.of("values", Map.of("clerk_policy", Sha256.of(POLICY) + " Somebody else's.pdf")));
        assertThat(strange.json().get("faults").has("clerk_policy")).isTrue();
        String answer =
                bring(clerk, link, "mine.pdf", POLICY).json().get("answer").asString();
        assertThat(clerk.post(
                                path(link, "/details"),
                                Map.of("values", Map.of("clerk_policy", answer.replace("mine", "yours"))))
                        .status())
                .as("under another name")
                .isEqualTo(422);
        assertThat(clerk.post(path(link, "/details"), Map.of("values", Map.of()))
                        .status())
                .as("it is required")
                .isEqualTo(409);
        assertThat(clerk.post(path(link, "/details"), Map.of("values", Map.of("clerk_policy", answer)))
                        .status())
                .isEqualTo(200);
        assertThat(bring(clerk, link, "late.pdf", POLICY).status())
                .as("after the act")
                .isEqualTo(409);
        assertThat(bring(clerk, office.link(number, LENDER), "x.pdf", POLICY).status())
                .as("nothing is asked of the lender")
                .isEqualTo(409);
    }

    @Test
    void whatIsNoOpenFileIsTooLargeOrTooManyIsRefused() {
        String link = office.link(sent(), CLERK);
        Client.Answer script = bring(clerk, link, "policy.pdf", "#!/bin/sh\n".getBytes(StandardCharsets.US_ASCII));
        assertThat(script.json().get("message").get("code").asString()).isEqualTo("attach.kind");
        assertThat(bring(clerk, link, "empty.pdf", new byte[0]).status()).isEqualTo(422);
        byte[] large = new byte[5_000_001];
        System.arraycopy(POLICY, 0, large, 0, POLICY.length);
        assertThat(bring(clerk, link, "large.pdf", large)
                        .json()
                        .get("message")
                        .get("code")
                        .asString())
                .isEqualTo("attach.large");
        assertThat(bring(clerk, link, "huge.pdf", new byte[7_000_000]).status()).isEqualTo(413);
        assertThat(bring(clerk, "A".repeat(43), "x.pdf", POLICY).status()).isEqualTo(410);
        for (int i = 0; i < 20; i++)
            assertThat(bring(clerk, link, "copy " + i + ".pdf", POLICY).status())
                    .isEqualTo(201);
        assertThat(bring(clerk, link, "copy 20.pdf", POLICY)
                        .json()
                        .get("message")
                        .get("code")
                        .asString())
                .isEqualTo("attach.many");
    }

    @Test
    void aFileThatWasTamperedWithIsFoundInTheArchive() throws Exception {
        String number = sent();
        String link = office.link(number, CLERK);
        byte[] own = "%PDF-1.7\nanother policy".getBytes(StandardCharsets.US_ASCII);
        String answer = bring(clerk, link, "own.pdf", own).json().get("answer").asString();
        clerk.post(path(link, "/details"), Map.of("values", Map.of("clerk_policy", answer)));
        office.sign(office.link(number, LENDER), Map.of());
        office.await(number, "COMPLETED");
        String name = Sha256.of(own).hex();
        Path file = bed.folder.resolve("files").resolve(name.substring(0, 2)).resolve(name);
        file.toFile().setWritable(true);
        Files.write(file, POLICY);
        JsonNode checked = office.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json();
        assertThat(checked.get("intact").asBoolean()).isFalse();
        assertThat(checked.get("findings").toString()).contains("own.pdf");
        // nobody after this finds an archive with a damaged file
        Files.write(file, own);
    }
}
