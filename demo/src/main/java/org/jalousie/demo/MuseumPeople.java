package org.jalousie.demo;

import static org.jalousie.demo.OfficeHand.ok;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/** People of the museum: they are invited, and most of them come in by what was mailed to them. */
final class MuseumPeople {
    private static final String PASSWORD = "open-the-slats";
    private static final Pattern WAY_IN = Pattern.compile("/way-in/([A-Za-z0-9_-]{43})");

    private final Client office;
    private final String address;

    MuseumPeople(Client office, String address) {
        this.office = office;
        this.address = address;
    }

    void arrive() {
        String bram = joined("bram.tolland@museum.example.org", "Bram Tolland", "COORDINATOR");
        String helena = joined("director@museum.example.org", "Helena Brandt", "APPROVER", "READER");
        String mirjam = joined("conservation@museum.example.org", "Mirjam Sool", "APPROVER", "REQUESTER");
        invite("reading.room@museum.example.org", "Otto Linden", "READER");
        String nora = id("nora.quill@museum.example.org");
        team("Loans desk", nora, bram);
        team("Direction", helena);
        team("Conservation", mirjam, bram);
    }

    /** Keeps templates to who uses them and who prepares them; everybody else looks at what is made from them. */
    void keep(String group, String usedBy, String preparedBy, List<String> templates) {
        JsonNode teams = ok(office.get("/api/v1/teams"));
        String team = named(teams, usedBy);
        JsonNode groups = ok(office.post(
                "/api/v1/people/groups",
                Map.of(
                        "name",
                        group,
                        "use",
                        circle(false, List.of(team), List.of()),
                        "prepare",
                        circle(false, List.of(), List.of(id(preparedBy))),
                        "see",
                        circle(true, List.of(), List.of()))));
        for (String template : templates)
            ok(office.put("/api/v1/people/groups/" + named(groups, group) + "/templates/" + template, Map.of()));
    }

    private static Map<String, Object> circle(boolean everybody, List<String> teams, List<String> people) {
        return Map.of("everybody", everybody, "teams", teams, "people", people);
    }

    private static String named(JsonNode all, String name) {
        for (JsonNode one : all)
            if (one.get("name").asString().equals(name)) return one.get("id").asString();
        throw new IllegalStateException("nothing is called " + name);
    }

    private void team(String name, String... people) {
        ok(office.post("/api/v1/teams", Map.of("name", name, "people", List.of(people))));
    }

    private String id(String mail) {
        return ok(office.get("/api/v1/people?find=" + mail))
                .get("items")
                .get(0)
                .get("id")
                .asString();
    }

    private String invite(String mail, String name, String... roles) {
        return ok(office.post("/api/v1/people", Map.of("mail", mail, "name", name, "roles", List.of(roles))))
                .get("person")
                .get("id")
                .asString();
    }

    private String joined(String mail, String name, String... roles) {
        String id = invite(mail, name, roles);
        ok(new Client(address).post("/api/v1/session/ways-in/" + wayIn(mail), Map.of("password", PASSWORD)));
        return id;
    }

    private String wayIn(String mail) {
        return OfficeHand.waitFor("an invitation to " + mail, () -> {
            for (JsonNode one : ok(office.get("/api/v1/postroom")).get("items")) {
                if (!one.get("recipient").asString().equals(mail)
                        || !one.get("kind").asString().equals("ACCOUNT_INVITED")
                        || !one.get("state").asString().equals("SENT")) continue;
                Matcher way = WAY_IN.matcher(
                        ok(office.get("/api/v1/postroom/" + one.get("id").asString()))
                                .get("text")
                                .asString());
                if (way.find()) return Optional.of(way.group(1));
            }
            return Optional.empty();
        });
    }
}
