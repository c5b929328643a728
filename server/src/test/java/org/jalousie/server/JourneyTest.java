package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class JourneyTest {
    private final Office office = new Office(Testbed.start().address());

    @Test
    void anAgreementGoesFromAWordFileToTheArchive() throws Exception {
        String template = office.publish("Incoming loan", Office.loanWording());
        String number = office.completed(template, "Ida Marsh");
        JsonNode found = office.client.get("/api/v1/archive?find=viola").json();
        assertThat(found.get("items").get(0).get("number").asString()).isEqualTo(number);
        byte[] pdf = office.client
                .get("/api/v1/agreements/" + number + "/document.pdf")
                .body();
        Files.write(Path.of("target/journey.pdf"), pdf);
        Files.write(
                Path.of("target/journey-record.pdf"),
                office.client
                        .get("/api/v1/agreements/" + number + "/record.pdf")
                        .body());
        JsonNode checked = office.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json();
        assertThat(checked.get("agreement").get("findings")).isEmpty();
        assertThat(checked.get("agreement").get("intact").asBoolean()).isTrue();
        assertThat(checked.get("record").get("findings")).isEmpty();
        assertThat(office.show(number).get("chainBrokenAt").isNull()).isTrue();
        assertThat(office.mailTo(number, "ida.marsh@lender.example.org", "Completed:"))
                .hasValueSatisfying(text -> assertThat(text).contains(number + " Incoming loan"));
    }
}
