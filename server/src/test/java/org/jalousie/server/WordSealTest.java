package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.poi.xwpf.extractor.XWPFWordExtractor;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.jalousie.core.wording.WordFile;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Word files of agreements that go out under the office's signature, and come back. */
class WordSealTest {
    private static final Testbed BED = Testbed.start();
    private static Office office;
    private static String template;
    private static String number;
    private static String document;

    @BeforeAll
    static void one() {
        office = new Office(BED.address());
        template = office.publish("Word seals", Office.loanWording());
        number = office.generate(template, Office.loanValues("Ida Marsh"));
        office.await(number, "CHECK");
        document = office.client
                .get("/api/v1/agreements/" + number)
                .json()
                .get("documents")
                .get(0)
                .get("id")
                .asString();
    }

    private static Client.Answer seal(String of, Map<String, Object> words) {
        return office.client.post("/api/v1/agreements/" + of + "/documents/" + document + "/sealed.docx", words);
    }

    private static Map<String, Object> words(String role, String place, String comment, boolean line) {
        return Map.of("role", role, "place", place, "comment", comment, "line", line);
    }

    private static JsonNode check(byte[] docx) {
        Client.Answer answer = office.client.upload("/api/v1/archive/check", "sealed.docx", docx);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().get("result");
    }

    @Test
    void itSaysWhatTheDataSayAndALaterEditShows() throws IOException {
        Client.Answer answer = seal(
                number, words("Registrar for {{lender_name}}", "Oudehaven", "{{agreement_number}}: as agreed", true));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        JsonNode result = check(answer.body());
        assertThat(result.get("intact").asBoolean()).as(result.toString()).isTrue();
        assertThat(result.get("signatures").get(0).get("by").asString()).isEqualTo("Museum of Bowed Strings");
        assertThat(result.get("notes").toString())
                .contains("Registrar for Ida Marsh")
                .contains("Oudehaven")
                .contains(number + ": as agreed");
        assertThat(text(answer.body())).contains("Museum of Bowed Strings\nRegistrar for Ida Marsh\nOudehaven, ");

        Map<String, byte[]> parts = parts(answer.body());
        parts.put(
                "word/document.xml",
                new String(parts.get("word/document.xml"))
                        .replaceFirst("Ida Marsh", "Eva Marsh")
                        .getBytes());
        JsonNode changed = check(WordFile.zip(parts));
        assertThat(changed.get("intact").asBoolean()).isFalse();
        assertThat(changed.get("findings").toString()).contains("/word/document.xml was changed");
        assertThat(check(office.client
                                .get("/api/v1/agreements/" + number + "/documents/" + document + ".docx")
                                .body())
                        .get("findings")
                        .toString())
                .contains("no signature");
        assertThat(office.client.get("/api/v1/trail").text()).contains("Sealed a Word file of " + number);
    }

    @Test
    void whatWasSaidIsProposedForTheNextOfTheTemplate() {
        String other = office.publish("Word seals of others", Office.loanWording());
        String theirs = office.generate(other, Office.loanValues("Otto Reed"));
        String at = "/api/v1/agreements/" + theirs + "/word-seal";
        assertThat(office.client.get(at).json().get("comment").asString()).contains("{{agreement_title}}");
        office.await(theirs, "CHECK");
        assertThat(seal(theirs, words("Director", "", "", false)).status()).isEqualTo(200);
        String next = office.generate(other, Office.loanValues("Ada Finch"));
        JsonNode kept =
                office.client.get("/api/v1/agreements/" + next + "/word-seal").json();
        assertThat(kept.get("role").asString()).isEqualTo("Director");
        assertThat(kept.get("comment").asString()).isEmpty();
    }

    @Test
    void whatCantBeSaidIsToldAtItsPlace() {
        assertThat(seal(number, words("{{nobody_has_this}}", "", "", false))
                        .json()
                        .get("faults")
                        .get("role")
                        .asString())
                .contains("nobody_has_this");
        assertThat(seal(number, words("", "{{lender_name", "", false))
                        .json()
                        .get("faults")
                        .has("place"))
                .isTrue();
        assertThat(seal(number, words("", "", "x".repeat(501), false))
                        .json()
                        .get("faults")
                        .has("comment"))
                .isTrue();
        assertThat(seal(number, words("two\nlines", "", "", false))
                        .json()
                        .get("faults")
                        .has("role"))
                .isTrue();
        assertThat(office.client
                        .post("/api/v1/agreements/" + number + "/documents/none/sealed.docx", words("", "", "", false))
                        .status())
                .isEqualTo(404);
        assertThat(office.client
                        .upload("/api/v1/archive/check", "a.docx", "PK\u0003\u0004 broken".getBytes())
                        .status())
                .isBetween(400, 499);
    }

    @Test
    void aTrustServiceThatIsAwayIsSaidAndNothingIsMade() {
        BED.trustDown();
        try {
            Client.Answer answer = seal(number, words("", "", "", false));
            assertThat(answer.status()).as(answer.text()).isBetween(400, 599);
            assertThat(answer.status()).isNotEqualTo(500);
        } finally {
            BED.trustUp();
        }
        assertThat(seal(number, words("", "", "", false)).status()).isEqualTo(200);
    }

    private static String text(byte[] docx) throws IOException {
        try (XWPFWordExtractor extractor = new XWPFWordExtractor(new XWPFDocument(new ByteArrayInputStream(docx)))) {
            return extractor.getText();
        }
    }

    private static Map<String, byte[]> parts(byte[] docx) throws IOException {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(docx))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                parts.put(entry.getName(), zip.readAllBytes());
        }
        return parts;
    }
}
