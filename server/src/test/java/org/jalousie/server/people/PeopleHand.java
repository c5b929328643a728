package org.jalousie.server.people;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import tools.jackson.databind.JsonNode;

/** What tests do with people, as an administrator and as those people. */
final class PeopleHand {
    static final String PASSWORD = "six quiet violas tune";
    private static final Pattern WAY_IN = Pattern.compile("/way-in/([A-Za-z0-9_-]{43})");

    final Testbed bed = Testbed.start();
    final Office office = new Office(bed.address());
    final Client admin = office.client;

    /** An address that no other test has. */
    static String mail(String name) {
        return name + "." + UUID.randomUUID().toString().substring(0, 8) + "@museum.example.org";
    }

    Client nobody() {
        return new Client(bed.address());
    }

    JsonNode invite(String mail, String name, String... roles) {
        Client.Answer answer =
                admin.post("/api/v1/people", Map.of("mail", mail, "name", name, "roles", List.of(roles)));
        if (answer.status() != 201) throw new IllegalStateException(answer.text());
        return answer.json();
    }

    static String id(JsonNode detail) {
        return detail.get("person").get("id").asString();
    }

    /** How many mails to an address have a subject. */
    int mailed(String to, String subject) {
        return (int) office
                .mails(one -> one.get("recipient").asString().equals(to)
                        && one.get("subject").asString().startsWith(subject)
                        && one.get("state").asString().equals("SENT"))
                .stream()
                .count();
    }

    /** The secret of the newest way in that was mailed, when so many were. */
    String wayIn(String to, String subject, int many) {
        JsonNode mail = Wait.until("a way in for " + to, () -> {
            List<JsonNode> mails =
                    office.mails(one -> one.get("recipient").asString().equals(to)
                            && one.get("subject").asString().startsWith(subject)
                            && one.get("state").asString().equals("SENT"));
            return mails.size() >= many ? Optional.of(mails.get(0)) : Optional.empty();
        });
        String text = admin.get("/api/v1/postroom/" + mail.get("id").asString())
                .json()
                .get("text")
                .asString();
        Matcher way = WAY_IN.matcher(text);
        if (!way.find()) throw new IllegalStateException("no way in: " + text);
        return way.group(1);
    }

    /** Somebody who was invited and has chosen a password. */
    Client joined(String mail, String name, String... roles) {
        invite(mail, name, roles);
        Client person = nobody();
        Client.Answer in =
                person.post("/api/v1/session/ways-in/" + wayIn(mail, "Your way in", 1), Map.of("password", PASSWORD));
        if (in.status() != 200) throw new IllegalStateException(in.text());
        return person;
    }

    JsonNode show(String mail) {
        String id = admin.get("/api/v1/people?find=" + mail)
                .json()
                .get("items")
                .get(0)
                .get("id")
                .asString();
        return admin.get("/api/v1/people/" + id).json();
    }

    /** What the trail says about an address, the last first. */
    List<String> acts(String about) {
        return admin.get("/api/v1/trail")
                .json()
                .get("items")
                .valueStream()
                .map(one -> one.get("said").asString())
                .filter(said -> said.contains(about))
                .toList();
    }
}
