package org.jalousie.server.groups;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Groups as administrators keep them, and what each right lets people do. */
class GroupsTest {
    private final GroupHand hand = new GroupHand();
    private final String mark = GroupHand.mark();
    private Client person;
    private Map<String, Object> them;
    private final Map<String, Object> nobody = GroupHand.circle(List.of());

    @BeforeEach
    void somebody() {
        person = hand.person("per." + mark, Role.COORDINATOR);
        them = GroupHand.circle(List.of(hand.id(GroupHand.mail("per." + mark))));
    }

    @AfterEach
    void asItWas() {
        hand.end();
    }

    private String template() {
        return hand.office.publish(mark + " " + UUID.randomUUID().toString().substring(0, 4), Office.loanWording());
    }

    private List<String> acts() {
        return hand.office
                .client
                .get("/api/v1/trail?area=people")
                .json()
                .get("items")
                .valueStream()
                .map(one -> one.get("said").asString())
                .filter(said -> said.contains(mark))
                .toList();
    }

    private Map<String, Object> asks(String template) {
        Map<String, Object> form = new HashMap<>();
        form.put("template", template);
        form.put("people", Map.of());
        form.put("values", Office.loanValues("Ida Marsh"));
        return form;
    }

    @Test
    void whoUsesWorksWithThemAndChangesNoTemplate() {
        String template = template();
        String number = hand.office.generate(template, Office.loanValues("Ida Marsh"));
        hand.put(template, hand.make(mark, them, nobody, nobody));
        Client.Answer asked = person.post("/api/v1/requests", asks(template));
        assertThat(asked.status()).as(asked.text()).isEqualTo(201);
        assertThat(person.get("/api/v1/agreements/" + number).status()).isEqualTo(200);
        assertThat(person.get("/api/v1/agreements?find=" + number).text()).contains(number);
        assertThat(person.post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "No more"))
                        .status())
                .isLessThan(300);
        Client.Answer renamed = person.put("/api/v1/templates/" + template + "/name", Map.of("name", "Another"));
        assertThat(renamed.status()).isEqualTo(403);
        assertThat(renamed.text()).contains("You may not change this template");
        assertThat(person.get("/api/v1/templates?find=" + mark)
                        .json()
                        .get("items")
                        .get(0)
                        .get("may")
                        .toString())
                .isEqualTo("[\"USE\",\"SEE\"]");
    }

    @Test
    void whoPreparesSeesNoAgreements() {
        String template = template();
        String number = hand.office.generate(template, Office.loanValues("Ida Marsh"));
        hand.put(template, hand.make(mark, nobody, them, nobody));
        assertThat(person.get("/api/v1/templates/" + template).status()).isEqualTo(200);
        assertThat(person.put("/api/v1/templates/" + template + "/name", Map.of("name", mark + " anew"))
                        .status())
                .isEqualTo(200);
        assertThat(person.get("/api/v1/agreements/" + number).status()).isEqualTo(404);
        assertThat(person.get("/api/v1/agreements?find=" + number).text()).doesNotContain(mark);
        assertThat(person.post("/api/v1/requests", asks(template)).status()).isEqualTo(404);
        assertThat(person.upload("/api/v1/templates/attachments", "a.pdf", "%PDF-1.7 a".getBytes())
                        .status())
                .isEqualTo(201);
        assertThat(person.post(
                                "/api/v1/archive/views",
                                Map.of("name", mark, "shared", true, "usual", true, "template", template))
                        .status())
                .isEqualTo(404);
        assertThat(person.get("/api/v1/templates/" + template + "/form").status())
                .isEqualTo(403);
        // what is made from it stands where it stands
        JsonNode twin = person.post("/api/v1/templates/" + template + "/duplicate", Map.of("name", mark + " twin"))
                .json();
        assertThat(hand.office
                        .client
                        .get(GroupHand.GROUPS + "/templates?find=" + mark + "%20twin")
                        .json()
                        .get("items")
                        .get(0)
                        .get("groupName")
                        .asString())
                .isEqualTo(mark);
        hand.open(twin.get("id").asString());
    }

    @Test
    void whoSeesChangesNothing() {
        String template = template();
        String number = hand.office.generate(template, Office.loanValues("Ida Marsh"));
        JsonNode group = hand.make(mark, nobody, nobody, them);
        hand.put(template, group);
        assertThat(person.get("/api/v1/agreements/" + number).status()).isEqualTo(200);
        Client.Answer sent = person.post("/api/v1/agreements/" + number + "/sending", Map.of());
        assertThat(sent.status()).isEqualTo(403);
        assertThat(sent.text()).contains("look at this and not work with it");
        // who sees all may look at what is about all, and changes it only where they may use all
        assertThat(person.get("/api/v1/webhooks").status()).isEqualTo(200);
        assertThat(person.post("/api/v1/webhooks", Map.of()).status()).isEqualTo(403);
        // from the next request on
        assertThat(hand.settle(group, nobody, nobody, nobody).status()).isEqualTo(200);
        assertThat(person.get("/api/v1/agreements/" + number).status()).isEqualTo(404);
        assertThat(hand.settle(group, GroupHand.everybody(), nobody, nobody).status())
                .isEqualTo(200);
        assertThat(person.get("/api/v1/agreements/" + number).status()).isEqualTo(200);
    }

    @Test
    void aTeamsPeopleMayWhatTheTeamMay() {
        String template = template();
        String own = hand.id(GroupHand.mail("per." + mark));
        JsonNode team = GroupHand.named(
                hand.office.client.post("/api/v1/teams", Map.of("name", mark + " team", "people", List.of(own))),
                mark + " team");
        String at = "/api/v1/teams/" + team.get("id").asString();
        hand.put(
                template,
                hand.make(
                        mark,
                        Map.of(
                                "everybody",
                                false,
                                "teams",
                                List.of(team.get("id").asString()),
                                "people",
                                List.of()),
                        nobody,
                        nobody));
        assertThat(person.get("/api/v1/templates/" + template).status()).isEqualTo(200);
        hand.office.client.put(at, Map.of("revision", 0, "name", mark + " team", "people", List.of()));
        assertThat(person.get("/api/v1/templates/" + template).status()).isEqualTo(404);
        hand.office.client.put(at, Map.of("revision", 1, "name", mark + " team", "people", List.of(own)));
        assertThat(person.get("/api/v1/templates/" + template).status()).isEqualTo(200);
        // with the team goes what it may: it is nobody's then, and never everybody's
        assertThat(hand.office.client.delete(at).status()).isEqualTo(200);
        assertThat(person.get("/api/v1/templates/" + template).status()).isEqualTo(404);
    }

    @Test
    void aRequestIsGivenToNobodyWhoMayNotWorkWithIt() {
        String template = template();
        String request = hand.office.request(template, Office.loanValues("Ida Marsh"));
        hand.put(template, hand.make(mark, nobody, nobody, GroupHand.everybody()));
        hand.settle(
                GroupHand.named(hand.office.client.get(GroupHand.GROUPS), mark),
                GroupHand.circle(List.of(hand.id(Testbed.MAIL))),
                nobody,
                GroupHand.everybody());
        Client.Answer given = hand.office.client.put(
                "/api/v1/requests/" + request + "/owner", Map.of("mail", GroupHand.mail("per." + mark)));
        assertThat(given.status()).as(given.text()).isEqualTo(422);
        assertThat(given.text()).contains("may not work with this template");
        assertThat(person.get("/api/v1/requests/" + request).status()).isEqualTo(200);
        assertThat(person.post("/api/v1/requests/" + request + "/agreement", Map.of())
                        .status())
                .isEqualTo(403);
    }

    @Test
    void groupsAreKeptByAdministratorsAndEachActIsNoted() {
        String template = template();
        JsonNode group = hand.make(mark, them, nobody, GroupHand.everybody());
        hand.put(template, group);
        Client.Answer twice = hand.office.client.post(
                GroupHand.GROUPS,
                Map.of(
                        "name",
                        " " + mark.toUpperCase(java.util.Locale.ROOT),
                        "use",
                        them,
                        "prepare",
                        them,
                        "see",
                        them));
        assertThat(twice.status()).isEqualTo(422);
        assertThat(twice.json().get("faults").propertyNames()).containsExactly("name");
        Client.Answer unknown =
                hand.settle(group, GroupHand.circle(List.of(UUID.randomUUID().toString())), nobody, nobody);
        assertThat(unknown.status()).isEqualTo(422);
        Client.Answer full = hand.office.client.delete(
                GroupHand.GROUPS + "/" + group.get("id").asString());
        assertThat(full.status()).isEqualTo(409);
        assertThat(full.text()).contains("One template stands in this group");
        Map<String, Object> stale =
                Map.of("revision", 7, "name", mark, "use", nobody, "prepare", nobody, "see", nobody);
        assertThat(hand.office
                        .client
                        .put(GroupHand.GROUPS + "/" + group.get("id").asString(), stale)
                        .status())
                .isEqualTo(409);
        hand.open(template);
        assertThat(hand.office
                        .client
                        .delete(GroupHand.GROUPS + "/" + group.get("id").asString())
                        .status())
                .isEqualTo(200);
        assertThat(acts())
                .anyMatch(said -> said.equals("Made the group of templates “" + mark + "”: used by per." + mark
                        + "; prepared by nobody; seen by everybody"))
                .anyMatch(said ->
                        said.startsWith("Put the template “" + mark) && said.endsWith("into the group “" + mark + "”"))
                .anyMatch(said -> said.equals("Took out the group of templates “" + mark + "”"));
        assertThat(person.get(GroupHand.GROUPS).status()).isEqualTo(403);
        assertThat(hand.office
                        .client
                        .put(GroupHand.GROUPS + "/" + UUID.randomUUID() + "/templates/" + template, Map.of())
                        .status())
                .isEqualTo(404);
    }
}
