package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Map;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.evidence.Tampering;
import org.jalousie.core.evidence.TestTrust;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Any file that somebody brings is told by whom it is, what each signature covers, and what came after. */
class FilesFromElsewhereTest {
    private static final Testbed BED = Testbed.start();
    private static final TestTrust OTHERS = new TestTrust();
    private static Office office;
    private static String filed;
    private static byte[] own;

    @BeforeAll
    static void complete() {
        office = new Office(BED.address());
        filed = office.completed(office.publish("Elsewhere", Office.loanWording()), "Ida Marsh");
        own = office.client
                .get("/api/v1/agreements/" + filed + "/documents/wording.pdf")
                .body();
    }

    private static JsonNode check(byte[] file) {
        Client.Answer answer = office.client.upload("/api/v1/archive/check", "file.pdf", file);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static Client.Answer trust(String file) {
        return office.client.upload("/api/v1/archive/trusted", "root.pem", file.getBytes(StandardCharsets.UTF_8));
    }

    private static byte[] root() throws Exception {
        return OTHERS.anchors().get(0).getEncoded();
    }

    @Test
    void ofAFileOfOursEachSignatureIsToldWithWhatItCovers() {
        JsonNode checked = check(own);
        assertThat(checked.get("agreement").asString()).isEqualTo(filed);
        assertThat(checked.get("result").get("intact").asBoolean()).isTrue();
        JsonNode coverage = checked.get("coverage");
        assertThat(coverage).hasSize(4);
        assertThat(coverage.get(1).get("certificate").get("subject").asString()).contains("Ida Marsh");
        assertThat(coverage.get(3).get("whole").asBoolean()).isTrue();
        for (JsonNode one : coverage) assertThat(one.get("changes")).isEmpty();
    }

    @Test
    void whatWasChangedAfterWhoseSignatureIsToldWithItsPage() {
        Map<String, byte[]> kinds = Tampering.of(own, "lender_date_signed", "lender_signature", "museum_signature");
        JsonNode checked = check(kinds.get("words added to a page"));
        assertThat(checked.get("agreement").asString()).isEqualTo(filed);
        assertThat(checked.get("result").get("intact").asBoolean()).isFalse();
        assertThat(checked.get("coverage").toString())
                .contains("The content of page")
                .containsPattern("\"page\":[12]");
    }

    @Test
    void aSigningRecordIsKnownAsSuchAndAForgedOneIsNot() {
        byte[] record =
                office.client.get("/api/v1/agreements/" + filed + "/record.pdf").body();
        JsonNode checked = check(record);
        assertThat(checked.get("agreement").asString()).isEqualTo(filed);
        assertThat(checked.get("result").get("intact").asBoolean()).isTrue();
        assertThat(checked.get("result").get("notes").toString()).contains("signing record of " + filed);
        byte[] changed = Tampering.followed(record, "somebody");
        JsonNode forged = check(changed);
        assertThat(forged.get("result").get("intact").asBoolean()).isFalse();
        assertThat(forged.get("result").get("findings").toString()).contains("not the one that was filed");
    }

    @Test
    void aFileFromElsewhereHoldsOnceItsIssuerIsTrusted() throws Exception {
        byte[] foreign = SignedSample.finished(OTHERS);
        JsonNode unknown = check(foreign);
        assertThat(unknown.get("agreement").asString()).isEmpty();
        assertThat(unknown.get("result").get("intact").asBoolean()).isFalse();
        assertThat(unknown.get("coverage")).hasSize(4);

        String pem = "-----BEGIN CERTIFICATE-----\n" + Base64.getMimeEncoder().encodeToString(root())
                + "\n-----END CERTIFICATE-----\n";
        assertThat(trust(pem).json().get("certificates").asInt()).isEqualTo(1);
        assertThat(trust(pem).json().get("certificates").asInt()).isZero();
        JsonNode list = office.client.get("/api/v1/archive/trusted").json();
        assertThat(list.get("items").get(0).get("source").asString()).isEqualTo("root.pem");
        JsonNode trusted = check(foreign);
        assertThat(trusted.get("result").get("intact").asBoolean())
                .as(trusted.get("result").toString())
                .isTrue();
        // what is ours is never signed by others, whoever the office trusts besides
        JsonNode ours = check(Tampering.stamped(own, OTHERS));
        assertThat(ours.get("agreement").asString()).isEqualTo(filed);
        assertThat(ours.get("result").get("intact").asBoolean()).isFalse();

        String sha256 = Sha256.of(root()).hex();
        assertThat(office.client.delete("/api/v1/archive/trusted/" + sha256).status())
                .isEqualTo(204);
        assertThat(office.client.delete("/api/v1/archive/trusted/" + sha256).status())
                .isEqualTo(404);
        assertThat(check(foreign).get("result").get("intact").asBoolean()).isFalse();
    }

    @Test
    void whatIsNoFileOfAnyKindIsSaid() {
        assertThat(trust("no certificate").status()).isEqualTo(422);
        assertThat(office.client
                        .upload("/api/v1/archive/check", "a.pdf", "no PDF".getBytes(StandardCharsets.UTF_8))
                        .status())
                .isEqualTo(422);
        assertThat(check("%PDF-1.7\nbroken".getBytes(StandardCharsets.UTF_8))
                        .get("result")
                        .get("intact")
                        .asBoolean())
                .isFalse();
    }
}
