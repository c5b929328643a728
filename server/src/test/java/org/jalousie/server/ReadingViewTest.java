package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** The agreement as text, for who takes part in it. */
class ReadingViewTest {
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());
    private final Client participant = new Client(BED.address());

    @Test
    void theTextIsTheDocumentsAndItsFieldsAreThere() {
        String number = office.send(
                office.generate(office.publish("Read as text", Office.loanWording()), Office.loanValues("Ida Marsh")));
        String link = office.link(number, "ida.marsh@lender.example.org");
        String address = "/api/v1/signing/" + link + "/documents/wording/text";
        JsonNode text = participant.get(address).json();
        assertThat(text.get("structured").asBoolean()).isTrue();
        assertThat(text.get("blocks").toString()).contains("Ida Marsh").contains("lender_signature");
        // who reads the text has seen the document
        assertThat(office.show(number).get("trail").toString()).contains("opened");
        // what somebody filled in is read by the next one, from the file that was sealed
        assertThat(office.sign(link, Map.of("lender_vat_number", "XX 4471")).status())
                .isEqualTo(200);
        String director = office.link(number, "tomas.vale@museum.example.org");
        assertThat(participant
                        .get("/api/v1/signing/" + director + "/documents/wording/text")
                        .text())
                .contains("XX 4471");
    }

    @Test
    void whatIsTypedIsKeptUnderItsLinkUntilItIsHandedIn() {
        String number = office.send(
                office.generate(office.publish("Begun", Office.loanWording()), Office.loanValues("Ida Marsh")));
        String link = office.link(number, "ida.marsh@lender.example.org");
        String begun = "/api/v1/signing/" + link + "/begun";
        assertThat(participant
                        .put(
                                begun,
                                Map.of("values", Map.of("lender_vat_number", "XX 44", "director_signature", "mine")))
                        .status())
                .isEqualTo(204);
        // another device with the same link, and nothing but one's own fields
        assertThat(new Client(BED.address())
                        .get("/api/v1/signing/" + link)
                        .json()
                        .get("begun")
                        .toString())
                .isEqualTo("{\"lender_vat_number\":\"XX 44\"}");
        JdbcClient sql = JdbcClient.create(BED.bean(javax.sql.DataSource.class));
        byte[] kept = sql.sql("select answers from begun_answers order by kept_at desc limit 1")
                .query(byte[].class)
                .single();
        assertThat(new String(kept, StandardCharsets.ISO_8859_1)).doesNotContain("XX 44");
        assertThat(participant
                        .put(begun, Map.of("values", Map.of("lender_vat_number", "x".repeat(200_001))))
                        .status())
                .isEqualTo(422);
        assertThat(participant.put(begun, Map.of()).status()).isBetween(400, 422);
        assertThat(participant
                        .put("/api/v1/signing/" + "B".repeat(43) + "/begun", Map.of("values", Map.of()))
                        .status())
                .isEqualTo(410);
        office.sign(link, Map.of("lender_vat_number", "XX 4471"));
        assertThat(sql.sql("select count(*) from begun_answers where token_hash in (select token_hash from link"
                                + " where agreement_id = (select id from agreement where number = ?))")
                        .param(number)
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(participant.put(begun, Map.of("values", Map.of())).status()).isEqualTo(409);
    }

    /** Typing is kept a moment after it rests, and whoever presses then has acted before. */
    @Test
    void whatIsKeptWhileSomebodySignsIsNotLeftBehind() throws Exception {
        JdbcClient sql = JdbcClient.create(BED.bean(javax.sql.DataSource.class));
        for (int i = 0; i < 5; i++) {
            String number = office.send(office.generate(
                    office.publish("Begun and signed " + i, Office.loanWording()), Office.loanValues("Ida Marsh")));
            String link = office.link(number, "ida.marsh@lender.example.org");
            participant.post("/api/v1/signing/" + link + "/consent", Map.of("version", "en-2"));
            Callable<Integer> keep = () -> new Client(BED.address())
                    .put("/api/v1/signing/" + link + "/begun", Map.of("values", Map.of("lender_vat_number", "X")))
                    .status();
            Callable<Integer> sign =
                    () -> office.sign(link, Map.of("lender_vat_number", "XX")).status();
            List<Integer> said = Together.all(List.of(keep, sign, keep));
            assertThat(said.get(1)).isEqualTo(200);
            assertThat(said).allMatch(status -> status == 200 || status == 204 || status == 409);
            assertThat(sql.sql("select count(*) from begun_answers where token_hash in (select token_hash from link"
                                    + " where agreement_id = (select id from agreement where number = ?))")
                            .param(number)
                            .query(Long.class)
                            .single())
                    .isZero();
        }
    }

    @Test
    void nothingIsReadByAWrongLinkOrOfADocumentThatIsNone() {
        String number = office.send(office.generate(
                office.publish("Nothing to read", Office.loanWording()), Office.loanValues("Ida Marsh")));
        String path = "/api/v1/signing/" + office.link(number, "ida.marsh@lender.example.org") + "/documents/";
        assertThat(participant
                        .get("/api/v1/signing/" + "B".repeat(43) + "/documents/wording/text")
                        .status())
                .isEqualTo(410);
        assertThat(participant.get(path + "nothing/text").status()).isEqualTo(404);
        assertThat(participant.get(path + "wording/pictures/0.png").status()).isEqualTo(404);
        assertThat(participant.get(path + "wording/pictures/99.png").status()).isEqualTo(404);
        office.client.post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "A mistake."));
        assertThat(participant.get(path + "wording/text").status()).isEqualTo(410);
    }
}
