package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
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
