package org.jalousie.server.groups;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import tools.jackson.databind.JsonNode;

/** Groups of templates as an administrator keeps them. They are taken out when tests have ended, which others run after. */
final class GroupHand {
    static final String GROUPS = "/api/v1/people/groups";

    final Testbed bed = Testbed.start();
    final Office office = new Office(bed.address());
    private final List<String> made = new ArrayList<>();

    /** Who is let do what. @param people by their mail addresses */
    static Map<String, Object> circle(List<String> people) {
        return Map.of("everybody", false, "teams", List.of(), "people", people);
    }

    static Map<String, Object> everybody() {
        return Map.of("everybody", true, "teams", List.of(), "people", List.of());
    }

    /** An account's id. */
    String id(String mail) {
        return office.client
                .get("/api/v1/people?find=" + Client.encoded(mail))
                .json()
                .get("items")
                .get(0)
                .get("id")
                .asString();
    }

    Client person(String name, Role... roles) {
        return OfficePeople.signedIn(bed, mail(name), name, roles);
    }

    static String mail(String name) {
        return name + "@groups.example.org";
    }

    JsonNode make(String name, Map<String, Object> use, Map<String, Object> prepare, Map<String, Object> see) {
        Client.Answer answer =
                office.client.post(GROUPS, Map.of("name", name, "use", use, "prepare", prepare, "see", see));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        JsonNode group = named(answer, name);
        made.add(group.get("id").asString());
        return group;
    }

    static JsonNode named(Client.Answer answer, String name) {
        return answer.json()
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow(() -> new AssertionError(answer.text()));
    }

    Client.Answer settle(
            JsonNode group, Map<String, Object> use, Map<String, Object> prepare, Map<String, Object> see) {
        JsonNode now = named(office.client.get(GROUPS), group.get("name").asString());
        Map<String, Object> settled =
                new HashMap<>(Map.of("name", now.get("name").asString()));
        settled.putAll(Map.of("revision", now.get("revision").asInt(), "use", use, "prepare", prepare, "see", see));
        return office.client.put(GROUPS + "/" + group.get("id").asString(), settled);
    }

    void put(String template, JsonNode group) {
        Client.Answer answer =
                office.client.put(GROUPS + "/" + group.get("id").asString() + "/templates/" + template, Map.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    void open(String template) {
        office.client.delete(GROUPS + "/templates/" + template);
    }

    /** All templates are open, and the groups gone. */
    void end() {
        for (String group : made) {
            for (JsonNode template : office.client
                    .get(GROUPS + "/templates?group=" + group)
                    .json()
                    .get("items")) open(template.get("id").asString());
            office.client.delete(GROUPS + "/" + group);
        }
    }

    static String mark() {
        return "q" + UUID.randomUUID().toString().substring(0, 8);
    }
}
