package org.jalousie.server.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.OfficePeople;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class TeamsTest {
    private static final PeopleHand HAND = new PeopleHand();
    private final String name = "Team " + UUID.randomUUID();

    private JsonNode named(Client.Answer answer, String called) {
        return answer.json()
                .valueStream()
                .filter(one -> one.get("name").asString().equals(called))
                .findFirst()
                .orElseThrow(() -> new AssertionError(answer.text()));
    }

    private JsonNode make(List<String> people) {
        return named(HAND.admin.post("/api/v1/teams", Map.of("name", name, "people", people)), name);
    }

    private static Client.Answer settle(JsonNode team, String called, List<String> people) {
        return HAND.admin.put(
                "/api/v1/teams/" + team.get("id").asString(),
                Map.of("revision", team.get("revision").asInt(), "name", called, "people", people));
    }

    @Test
    void peopleComeAndGoAndStayWhenTheTeamGoes() {
        String mail = PeopleHand.mail("tess");
        String tess = PeopleHand.id(HAND.invite(mail, "Tess Oak", "READER"));
        JsonNode team = make(List.of(tess));
        assertThat(team.get("members").get(0).get("mail").asString()).isEqualTo(mail);
        assertThat(HAND.show(mail).get("person").get("teams").toString()).contains(name);
        JsonNode empty = named(settle(team, name + " b", List.of()), name + " b");
        assertThat(empty.get("members")).isEmpty();
        HAND.admin.delete("/api/v1/teams/" + team.get("id").asString());
        assertThat(HAND.show(mail).get("person").get("teams")).isEmpty();
        assertThat(HAND.acts(name))
                .containsExactly(
                        "Took out the team “" + name + " b”",
                        "Changed the team “" + name + " b”, which has 0 people now",
                        "Made the team “" + name + "” with one person");
    }

    @Test
    void whatIsWrongIsSaidAndNothingIsKept() {
        JsonNode team = make(List.of());
        Client.Answer twice = HAND.admin.post(
                "/api/v1/teams", Map.of("name", " " + name.toUpperCase(Locale.ROOT), "people", List.of()));
        assertThat(twice.status()).isEqualTo(422);
        assertThat(twice.json().get("faults").propertyNames()).containsExactly("name");
        assertThat(HAND.admin
                        .post("/api/v1/teams", Map.of("name", " ", "people", List.of()))
                        .status())
                .isEqualTo(422);
        assertThat(settle(team, name, List.of(UUID.randomUUID().toString())).status())
                .isEqualTo(422);
        assertThat(settle(team, name + " b", List.of()).status()).isEqualTo(200);
        assertThat(settle(team, name + " c", List.of()).status())
                .as("based on what was there before")
                .isEqualTo(409);
        named(HAND.admin.get("/api/v1/teams"), name + " b");
    }

    @Test
    void whoCoordinatesChoosesFromThemAndMakesNone() {
        Client coordinator = OfficePeople.signedIn(
                HAND.bed, "teams.coordinator@museum.example.org", "Co Ordinator", Role.COORDINATOR);
        assertThat(coordinator.get("/api/v1/teams").status()).isEqualTo(200);
        assertThat(coordinator
                        .post("/api/v1/teams", Map.of("name", name, "people", List.of()))
                        .status())
                .isEqualTo(403);
    }
}
