package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

class JourneyTest {
    private final Office office = new Office(Testbed.start().address());

    @Test
    void anAgreementGoesFromAWordFileToTheArchive() throws Exception {
        String template = office.publish("Incoming loan", Office.loanWording());
        String number = office.completed(template, "Ida Marsh");
        JsonNode found = office.client.get("/api/v1/archive?find=viola").json();
        assertThat(found.get("items").toString()).contains(number);
        byte[] pdf = office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
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
        assertThat(checked.get("documents").get(0).get("result").get("findings"))
                .isEmpty();
        assertThat(checked.get("documents").get(0).get("result").get("intact").asBoolean())
                .isTrue();
        assertThat(checked.get("record").get("findings")).isEmpty();
        assertThat(office.show(number).get("chainBrokenAt").isNull()).isTrue();
        assertThat(office.mailTo(number, "ida.marsh@lender.example.org", "Completed:"))
                .hasValueSatisfying(text -> assertThat(text).contains(number + " Incoming loan"));
    }

    @Test
    void contributorsComeFirstThenApproversThenSignersAndOnlySignersAndCopyRecipientsGetTheCopy() {
        JsonNode template = office.bringIn(
                "Four duties",
                new WordDraft()
                        .paragraph("Condition: {{conservator.condition}}")
                        .paragraph("{{lender.initials}} {{lender.signature}}")
                        .bytes());
        String id = template.get("id").asString();
        ObjectNode content = (ObjectNode) template.get("content");
        ArrayNode parties = (ArrayNode) content.get("parties");
        ((ObjectNode) parties.get(0)).put("stage", 3);
        parties.addObject()
                .put("key", "conservator")
                .put("label", "Conservator")
                .put("duty", "COMPLETES")
                .put("stage", 1)
                .set("who", Office.fixed("Mirjam Sool", "sool@museum.example.org"));
        parties.addObject()
                .put("key", "head")
                .put("label", "Head")
                .put("duty", "APPROVES")
                .put("stage", 2)
                .set("who", Office.source("chosen_at_use"));
        parties.addObject()
                .put("key", "registry")
                .put("label", "Registry")
                .put("duty", "RECEIVES_COPY")
                .put("stage", 1)
                .set("who", Office.fixed("Registry", "registry@museum.example.org"));
        JsonNode settled = office.settle(template, content);
        assertThat(settled.get("obstacles")).isEmpty();
        office.publish(settled);
        Map<String, String> values = Map.of("lender_name", "Ida Marsh", "lender_mail", "ida.marsh@lender.example.org");
        assertThat(office.client
                        .post("/api/v1/requests", Map.of("template", id, "values", values, "people", Map.of()))
                        .json()
                        .get("faults")
                        .propertyNames())
                .containsExactlyInAnyOrder("head.name", "head.mail");
        String request = office.client
                .post(
                        "/api/v1/requests",
                        Map.of(
                                "template",
                                id,
                                "values",
                                values,
                                "people",
                                Map.of("head", Map.of("name", "Edwin Larch", "mail", "larch@museum.example.org"))))
                .json()
                .get("row")
                .get("number")
                .asString();
        String number = office.client
                .post("/api/v1/requests/" + request + "/agreement", Map.of())
                .json()
                .get("agreement")
                .asString();
        office.await(number, "CHECK");
        office.send(number);
        Client anybody = new Client(Testbed.start().address());
        String details = "/api/v1/signing/" + office.link(number, "sool@museum.example.org") + "/details";
        assertThat(anybody.post(details, Map.of("values", Map.of())).status()).isEqualTo(409);
        assertThat(anybody.post(details, Map.of("values", Map.of("conservator_condition", "one closed crack")))
                        .status())
                .isEqualTo(200);
        assertThat(anybody.post(
                                "/api/v1/signing/" + office.link(number, "larch@museum.example.org") + "/approval",
                                Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(office.sign(office.link(number, "ida.marsh@lender.example.org"), Map.of())
                        .status())
                .isEqualTo(200);
        office.await(number, "COMPLETED");
        assertThat(office.findings(number)).isEmpty();
        assertThat(Wait.until(
                        "the registry's copy",
                        () -> office.mailTo(number, "registry@museum.example.org", "Completed:")))
                .contains("signing record");
        assertThat(office.mailTo(number, "sool@museum.example.org", "Completed:"))
                .isEmpty();
        assertThat(office.mailTo(number, "larch@museum.example.org", "Completed:"))
                .isEmpty();
    }
}
