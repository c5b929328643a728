package org.jalousie.server.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Passkeys against an emulated device (WebAuthn4J's); a browser journey has Chromium's. */
class PasskeyTest {
    private static final PeopleHand HAND = new PeopleHand();
    private static final String PLACE = HAND.bed.address().replace("127.0.0.1", "localhost");
    private static final Map<String, String> SURE = Map.of("current", PeopleHand.PASSWORD);

    private static Client browser() {
        return new Client(PLACE);
    }

    private static Client.Answer add(Client person, Device device) {
        JsonNode wanted =
                person.post("/api/v1/account/passkeys/challenge", SURE).json();
        return add(person, device.make(wanted));
    }

    private static Client.Answer add(Client person, String credential) {
        return person.post(
                "/api/v1/account/passkeys", Map.of("title", "Phone", "shown", Map.of("credential", credential)));
    }

    private static JsonNode wanted(Client at) {
        return at.post("/api/v1/session/passkey/challenge", Map.of()).json();
    }

    private static Client.Answer show(Client at, String credential) {
        return at.post("/api/v1/session/passkey", Map.of("credential", credential));
    }

    private static Client person(String mail) {
        HAND.joined(mail, "Ivy Stone", "READER");
        return browser().signIn(mail, PeopleHand.PASSWORD);
    }

    @Test
    void aPasskeyIsAllThatIsShown() {
        String mail = PeopleHand.mail("ivy");
        Client ivy = person(mail);
        Device device = new Device(PLACE);
        Client.Answer added = add(ivy, device);
        assertThat(added.status()).isEqualTo(201);
        assertThat(added.json().get("codes")).hasSize(10);
        Wait.until("mail that it has changed", () -> HAND.mailed(mail, "How you sign in") == 1);
        for (int i = 0; i < 2; i++) {
            Client at = browser();
            Client.Answer in = show(at, device.sign(wanted(at)));
            assertThat(in.json().get("session").get("mail").asString()).isEqualTo(mail);
            assertThat(at.get("/api/v1/archive").status()).isEqualTo(200);
        }
        assertThat(ivy.get("/api/v1/account")
                        .json()
                        .get("passkeys")
                        .get(0)
                        .get("usedAt")
                        .asString())
                .isNotEmpty();
        // a password alone is not enough any more
        Client at = browser();
        JsonNode step = at.post("/api/v1/session", Map.of("mail", mail, "password", PeopleHand.PASSWORD))
                .json();
        assertThat(step.get("session").isNull()).isTrue();
        assertThat(step.get("shows").toString()).isEqualTo("[\"PASSKEY\"]");
        assertThat(at.get("/api/v1/session").status()).isEqualTo(401);
        assertThat(at.get("/api/v1/archive").status()).isEqualTo(401);
        assertThat(show(at, device.sign(wanted(at))).status()).isEqualTo(200);
        assertThat(at.get("/api/v1/archive").status()).isEqualTo(200);
    }

    @Test
    void whatWasShownOnceOrElsewhereLeadsNowhere() {
        String mail = PeopleHand.mail("ken");
        Client ken = person(mail);
        Device device = new Device(PLACE);
        String made =
                device.make(ken.post("/api/v1/account/passkeys/challenge", SURE).json());
        assertThat(add(ken, made).status()).isEqualTo(201);
        assertThat(add(ken, made).status()).as("the challenge was taken").isEqualTo(422);
        Client at = browser();
        String shown = device.sign(wanted(at));
        assertThat(show(at, shown).status()).isEqualTo(200);
        assertThat(show(at, shown).status()).as("shown twice").isEqualTo(422);
        Client other = browser();
        wanted(other);
        assertThat(show(other, shown).status()).as("of another session").isEqualTo(422);
        assertThat(show(browser(), shown).status()).as("of no session").isEqualTo(422);
        assertThat(show(browser(), "{}").status()).isEqualTo(422);
        assertThat(show(browser(), "no JSON at all").status()).isEqualTo(422);
        // another site that looks like the office's
        Device elsewhere = new Device(PLACE.replace("localhost", "localhost.example.org"));
        assertThat(add(ken, elsewhere).status()).isEqualTo(422);
    }

    @Test
    void aCopiedPasskeyAndOneOfAClosedAccountLeadNowhere() {
        String mail = PeopleHand.mail("lou");
        Client lou = person(mail);
        Device device = new Device(PLACE);
        add(lou, device);
        JdbcClient sql = HAND.bed.bean(JdbcClient.class);
        sql.sql("update passkey set signatures = 1000 where account_id = (select id from account where mail = ?)")
                .param(mail)
                .update();
        Client at = browser();
        assertThat(show(at, device.sign(wanted(at))).text()).contains("passkey.wrong");
        sql.sql("update passkey set signatures = 0 where account_id = (select id from account where mail = ?)")
                .param(mail)
                .update();
        String path = "/api/v1/people/" + PeopleHand.id(HAND.show(mail)) + "/closing";
        HAND.admin.post(path, Map.of());
        Client closed = browser();
        assertThat(show(closed, device.sign(wanted(closed))).status()).isEqualTo(422);
        assertThat(closed.get("/api/v1/session").status()).isEqualTo(401);
    }

    @Test
    void theLastThatIsNeededStays() {
        String mail = PeopleHand.mail("max");
        Client max = person(mail);
        add(max, new Device(PLACE));
        JsonNode own = max.get("/api/v1/account").json();
        String id = own.get("passkeys").get(0).get("id").asString();
        assertThat(max.delete("/api/v1/account/passkeys/" + id).status())
                .as("without the password")
                .isEqualTo(400);
        HAND.admin.put("/api/v1/people/entry-rule", Map.of("secondFactor", List.of("READER")));
        try {
            assertThat(remove(max, id).text()).contains("account.factor-needed");
        } finally {
            HAND.admin.put("/api/v1/people/entry-rule", Map.of("secondFactor", List.of()));
        }
        assertThat(remove(max, id).status()).isEqualTo(200);
        assertThat(max.get("/api/v1/account").json().get("recoveryCodes").asInt())
                .isZero();
        browser().signIn(mail, PeopleHand.PASSWORD);
        assertThat(remove(max, id).status()).isEqualTo(404);
    }

    private static Client.Answer remove(Client person, String id) {
        return person.delete("/api/v1/account/passkeys/" + id, SURE);
    }

    @Test
    void whereThereIsNoNameThereIsNoPasskey() {
        Client byNumber = HAND.nobody();
        assertThat(byNumber.get("/api/v1/session/door").json().get("passkeys").asBoolean())
                .isFalse();
        assertThat(byNumber.post("/api/v1/session/passkey/challenge", Map.of()).status())
                .isEqualTo(409);
        assertThat(browser().get("/api/v1/session/door").json().get("passkeys").asBoolean())
                .isTrue();
    }
}
