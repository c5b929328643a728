package org.jalousie.server.postroom;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Teams, managers and others are told at the moments that a template names, with what goes along. */
class TellingsTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private final String mark = "t" + UUID.randomUUID().toString().substring(0, 6);

    private String mail(String name) {
        return name + "." + mark + "@museum.example.org";
    }

    private String person(String name) {
        OfficePeople.there(BED, mail(name), name + " " + mark, Role.READER);
        return OFFICE.client
                .get("/api/v1/people?find=" + Client.encoded(mail(name)))
                .json()
                .get("items")
                .get(0)
                .get("id")
                .asString();
    }

    private String team(String... people) {
        String name = (mark + " " + String.join(" and ", people)).strip();
        List<String> ids = Arrays.stream(people).map(this::person).toList();
        return OFFICE.client
                .post("/api/v1/teams", Map.of("name", name, "people", ids))
                .json()
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    private static void strings(ObjectNode telling, String name, String... values) {
        ArrayNode all = telling.putArray(name);
        for (String value : values) all.add(value);
    }

    private JsonNode settled(List<Consumer<ObjectNode>> tellings) {
        JsonNode template = OFFICE.bringIn(mark + " told", Office.loanWording());
        ObjectNode content = template.get("content").deepCopy().asObject();
        ArrayNode lines = content.get("sending").asObject().putArray("tellings");
        tellings.forEach(one -> {
            ObjectNode telling = lines.addObject().put("documents", false).put("message", "");
            for (String list : List.of("moments", "teams", "mails", "fields", "attachments")) telling.putArray(list);
            one.accept(telling);
        });
        return OFFICE.settle(template, content);
    }

    private String waited(String number, String mail, String subject) {
        return Wait.until(subject + " to " + mail, () -> OFFICE.mailTo(number, mail, subject));
    }

    private List<JsonNode> told(String number) {
        return OFFICE.mailsAbout(number).stream()
                .filter(one -> one.get("kind").asString().equals("TOLD"))
                .toList();
    }

    @Test
    void theyAreToldAtTheirMomentsWithWhatGoesAlong() {
        String team = team("ada", "bo");
        Client.Answer file = OFFICE.client.upload(
                "/api/v1/templates/attachments", "unpacking.pdf", "%PDF-1.7 how".getBytes(StandardCharsets.UTF_8));
        String template = OFFICE.publish(settled(List.of(
                telling -> {
                    strings(telling, "moments", "SENT", "ACTED", "COMPLETED");
                    strings(telling, "teams", team);
                    strings(telling, "mails", mail("head").toUpperCase(Locale.ROOT), mail("bo"));
                    telling.put("message", "Make room for {{objects_description}}.");
                    telling.putArray("attachments")
                            .addObject()
                            .put("name", "unpacking.pdf")
                            .put("file", file.json().get("file").asString());
                },
                telling -> {
                    strings(telling, "moments", "COMPLETED");
                    strings(telling, "fields", "lender_mail");
                    telling.put("documents", true);
                })));
        Map<String, String> values = new HashMap<>(Office.loanValues("Ida Marsh"));
        values.put("objects_description", mark + " theorbo");
        String number = OFFICE.completed(template, values);
        for (String name : List.of("ada", "bo", "head")) {
            assertThat(waited(number, mail(name), "Sent out: "))
                    .contains("Make room for " + mark + " theorbo.", "/agreements/" + number, "unpacking.pdf")
                    .doesNotContain("/act/", "signing record");
            assertThat(waited(number, mail(name), "Completed: ")).contains("unpacking.pdf");
            waited(number, mail(name), "One more has acted: ");
        }
        // whoever is in the team and named besides gets one of each: sent, two who acted, completed
        assertThat(told(number).stream()
                        .filter(one -> one.get("recipient").asString().equals(mail("bo"))))
                .hasSize(4);
        String manager = Wait.until(
                "the signed copy for the manager",
                () -> told(number).stream()
                        .filter(one -> one.get("recipient").asString().equals(values.get("lender_mail"))
                                && one.get("state").asString().equals("SENT"))
                        .findFirst()
                        .map(one -> OFFICE.client
                                .get("/api/v1/postroom/" + one.get("id").asString())
                                .text()));
        assertThat(manager)
                .contains("signing record.pdf", "You have no part in it")
                .doesNotContain("unpacking.pdf");
        assertThat(OFFICE.client
                        .post("/api/v1/archive/" + number + "/verification", Map.of())
                        .json()
                        .get("intact")
                        .asBoolean())
                .isTrue();
    }

    @Test
    void whoEndsItIsToldWithTheReasonAndAnEmptyTeamTellsTheOffice() {
        String empty = team();
        String template = OFFICE.publish(settled(List.of(telling -> {
            strings(telling, "moments", "WITHDRAWN", "EXPIRED", "DECLINED");
            strings(telling, "teams", empty, UUID.randomUUID().toString());
            strings(telling, "mails", mail("head"));
            telling.put("documents", true);
        })));
        String number = OFFICE.send(OFFICE.generate(template, Office.loanValues("Ida Marsh")));
        OFFICE.link(number, "ida.marsh@lender.example.org");
        assertThat(told(number)).isEmpty();
        String never = OFFICE.generate(template, Office.loanValues("Ida Marsh"));
        OFFICE.client.post("/api/v1/agreements/" + never + "/withdrawal", Map.of("reason", "Not now."));
        OFFICE.await(never, "WITHDRAWN");
        assertThat(told(never)).as("it never went out").isEmpty();
        OFFICE.client.post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "The hall is closed."));
        assertThat(waited(number, mail("head"), "Withdrawn: ")).contains("The hall is closed.", ".pdf");
        assertThat(told(number))
                .hasSize(2)
                .anyMatch(one -> one.get("recipient").asString().equals("office@museum.example.org"));
    }

    @Test
    void whatWouldTellNobodyStandsInTheWayOfPublishing() {
        JsonNode template = settled(List.of(telling -> {
            strings(telling, "mails", "nobody");
            strings(telling, "fields", "objects_description");
        }));
        assertThat(template.get("obstacles").toString())
                .contains("Line 1 of who else is told has no moment", "nobody is no mail address")
                .contains("objects_description is no field with a mail address");
        assertThat(OFFICE.client
                        .post(
                                "/api/v1/templates/" + template.get("id").asString() + "/publication",
                                Map.of("revision", template.get("revision").asInt()))
                        .status())
                .isGreaterThanOrEqualTo(400);
    }
}
