package org.jalousie.server.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jalousie.demo.Client;
import org.jalousie.server.account.Colleagues;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

class PeopleTest {
    private static final PeopleHand HAND = new PeopleHand();

    private static String standing(JsonNode detail) {
        return detail.get("person").get("standing").asString();
    }

    @Test
    void whoIsInvitedChoosesAPasswordOnceAndIsIn() {
        String mail = PeopleHand.mail("pia");
        JsonNode made = HAND.invite(mail.toUpperCase(Locale.ROOT), " Pia Worth ", "READER", "APPROVER");
        assertThat(standing(made)).isEqualTo("INVITED");
        assertThat(made.get("person").get("mail").asString()).isEqualTo(mail);
        assertThat(made.get("person").get("name").asString()).isEqualTo("Pia Worth");
        String secret = HAND.wayIn(mail, "Your way in", 1);
        Client pia = HAND.nobody();
        JsonNode way = pia.get("/api/v1/session/ways-in/" + secret).json();
        assertThat(way.get("name").asString()).isEqualTo("Pia Worth");
        assertThat(way.get("joined").asBoolean()).isFalse();
        Client.Answer weak = pia.post("/api/v1/session/ways-in/" + secret, Map.of("password", "pia worth museum"));
        assertThat(weak.status()).isEqualTo(422);
        assertThat(weak.json().get("faults").get("password").toString()).contains("would be guessed");
        Client.Answer in = pia.post("/api/v1/session/ways-in/" + secret, Map.of("password", PeopleHand.PASSWORD));
        assertThat(in.json().get("session").get("roles").toString()).isEqualTo("[\"APPROVER\",\"READER\"]");
        assertThat(pia.get("/api/v1/archive").status()).isEqualTo(200);
        assertThat(pia.get("/api/v1/today").status()).isEqualTo(403);
        assertThat(standing(HAND.show(mail))).isEqualTo("OPEN");
        assertThat(HAND.nobody()
                        .post("/api/v1/session/ways-in/" + secret, Map.of("password", "another one is chosen"))
                        .status())
                .isEqualTo(410);
        HAND.nobody().signIn(mail, PeopleHand.PASSWORD);
        assertThat(HAND.acts(mail)).containsExactly("Invited Pia Worth (" + mail + ") as Approver, Reader");
    }

    @Test
    void whatIsWrongIsSaidAtItsPlace() {
        Client.Answer none =
                HAND.admin.post("/api/v1/people", Map.of("mail", "nobody", "name", " ", "roles", List.of()));
        assertThat(none.status()).isEqualTo(422);
        assertThat(none.json().get("faults").propertyNames()).containsExactlyInAnyOrder("mail", "name", "roles");
        Client.Answer twice = HAND.admin.post(
                "/api/v1/people",
                Map.of("mail", Testbed.MAIL.toUpperCase(Locale.ROOT), "name", "Nora", "roles", List.of("READER")));
        assertThat(twice.json().get("faults").propertyNames()).containsExactly("mail");
        assertThat(HAND.admin.get("/api/v1/people/" + UUID.randomUUID()).status())
                .isEqualTo(404);
        assertThat(HAND.admin
                        .post(
                                "/api/v1/people",
                                Map.of("mail", PeopleHand.mail("x"), "name", "X", "roles", List.of("KING")))
                        .status())
                .isEqualTo(400);
    }

    @Test
    void anInvitationThatIsMailedOnceMoreEndsThoseBefore() throws Exception {
        String mail = PeopleHand.mail("olga");
        String id = PeopleHand.id(HAND.invite(mail, "Olga Reed", "READER"));
        String first = HAND.wayIn(mail, "Your way in", 1);
        assertThat(HAND.admin
                        .post("/api/v1/people/" + id + "/invitation", Map.of())
                        .status())
                .isEqualTo(200);
        String second = HAND.wayIn(mail, "Your way in", 2);
        assertThat(HAND.nobody().get("/api/v1/session/ways-in/" + first).status())
                .isEqualTo(410);
        // two tabs at once: one of them is in
        List<Callable<Integer>> both = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            Client tab = HAND.nobody();
            tab.get("/api/v1/session");
            both.add(() -> tab.post("/api/v1/session/ways-in/" + second, Map.of("password", PeopleHand.PASSWORD))
                    .status());
        }
        assertThat(Together.all(both)).containsExactlyInAnyOrder(200, 410);
        assertThat(HAND.admin
                        .post("/api/v1/people/" + id + "/invitation", Map.of())
                        .status())
                .isEqualTo(409);
        assertThat(HAND.admin.delete("/api/v1/people/" + id).status()).isEqualTo(409);
    }

    @Test
    void anInvitationThatCameBackIsTold() {
        String mail = PeopleHand.mail("back");
        String id = PeopleHand.id(HAND.invite(mail, "Be Ck", "READER"));
        HAND.wayIn(mail, "Your way in", 1);
        assertThat(HAND.show(mail).get("cameBack").isNull()).isTrue();
        HAND.bed
                .bean(JdbcClient.class)
                .sql(
                        "update mail set state = 'RETURNED', returned_at = now(), returned_because = '5.1.1 no such mailbox'"
                                + " where recipient = ?")
                .param(mail)
                .update();
        assertThat(HAND.show(mail).get("cameBack").asString()).isEqualTo("5.1.1 no such mailbox");
        HAND.admin.post("/api/v1/people/" + id + "/invitation", Map.of());
        assertThat(HAND.show(mail).get("cameBack").isNull()).isTrue();
    }

    @Test
    void anAccountOfAMisspeltAddressIsTakenOutAndCanBeMadeAgain() {
        String mail = PeopleHand.mail("mispelt");
        String id = PeopleHand.id(HAND.invite(mail, "Jo Reed", "READER"));
        String secret = HAND.wayIn(mail, "Your way in", 1);
        assertThat(HAND.admin.delete("/api/v1/people/" + id).status()).isEqualTo(200);
        assertThat(HAND.nobody().get("/api/v1/session/ways-in/" + secret).status())
                .isEqualTo(410);
        HAND.invite(mail, "Jo Reed", "READER");
    }

    @Test
    void whatARoleGivesCountsFromTheNextRequestOn() {
        String mail = PeopleHand.mail("rob");
        Client rob = HAND.joined(mail, "Rob Lane", "READER");
        assertThat(rob.get("/api/v1/today").status()).isEqualTo(403);
        JsonNode before = HAND.show(mail);
        Map<String, Object> coordinator = Map.of(
                "revision", before.get("revision").asInt(), "name", "Robert Lane", "roles", List.of("COORDINATOR"));
        String path = "/api/v1/people/" + PeopleHand.id(before);
        assertThat(HAND.admin.put(path, coordinator).status()).isEqualTo(200);
        assertThat(rob.get("/api/v1/today").status()).isEqualTo(200);
        assertThat(rob.get("/api/v1/session").json().get("name").asString()).isEqualTo("Robert Lane");
        assertThat(rob.get("/api/v1/people").status()).isEqualTo(403);
        assertThat(rob.put(path, coordinator).status()).isEqualTo(403);
        // what was based on what was there before
        assertThat(HAND.admin.put(path, coordinator).status()).isEqualTo(409);
        assertThat(HAND.acts(mail))
                .startsWith(
                        "Changed the roles of Robert Lane (" + mail + ") from Reader to Coordinator",
                        "Changed the name of Rob Lane (" + mail + ") to Robert Lane");
    }

    @Test
    void whoIsClosedIsOutAtOnceAndInAgainWhenOpened() {
        String mail = PeopleHand.mail("kim");
        Client kim = HAND.joined(mail, "Kim Vale", "COORDINATOR");
        assertThat(HAND.bed.bean(Colleagues.class).coordinator(mail)).isPresent();
        String path = "/api/v1/people/" + PeopleHand.id(HAND.show(mail));
        assertThat(standing(HAND.admin.post(path + "/closing", Map.of()).json()))
                .isEqualTo("CLOSED");
        assertThat(kim.get("/api/v1/today").status()).isEqualTo(401);
        assertThat(kim.get("/api/v1/session").status()).isEqualTo(401);
        assertThat(HAND.bed.bean(Colleagues.class).coordinator(mail)).isEmpty();
        Client.Answer door =
                HAND.nobody().post("/api/v1/session", Map.of("mail", mail, "password", PeopleHand.PASSWORD));
        assertThat(door.status()).isEqualTo(422);
        assertThat(door.text()).contains("account.wrong");
        HAND.nobody().post("/api/v1/session/forgotten", Map.of("mail", mail));
        HAND.admin.delete(path + "/closing");
        HAND.nobody().signIn(mail, PeopleHand.PASSWORD);
        assertThat(HAND.mailed(mail, "A new password")).isZero();
    }

    @Test
    void somebodyCanAlwaysSayWhoMayComeIn() throws Exception {
        // all administrators but two are closed for a moment, then these two close each other
        String first = PeopleHand.mail("ada");
        String second = PeopleHand.mail("bea");
        Client ada = HAND.joined(first, "Ada", "ADMINISTRATOR");
        Client bea = HAND.joined(second, "Bea", "ADMINISTRATOR");
        JdbcClient sql = HAND.bed.bean(JdbcClient.class);
        String ofAda = "/api/v1/people/" + PeopleHand.id(HAND.show(first)) + "/closing";
        String ofBea = "/api/v1/people/" + PeopleHand.id(HAND.show(second)) + "/closing";
        sql.sql("update account set closed_at = 'epoch' where mail not in (?, ?) and closed_at is null")
                .params(first, second)
                .update();
        try {
            ada.get("/api/v1/session");
            bea.get("/api/v1/session");
            List<Integer> answers = Together.all(List.of(
                    () -> ada.post(ofBea, Map.of()).status(),
                    () -> bea.post(ofAda, Map.of()).status()));
            assertThat(answers).contains(200).doesNotContain(500);
            assertThat(sql.sql("select count(*) from account where 'ADMINISTRATOR' = any (roles) and closed_at is null")
                            .query(Integer.class)
                            .single())
                    .isEqualTo(1);
        } finally {
            sql.sql("update account set closed_at = null where closed_at = 'epoch'")
                    .update();
            sql.sql("update account set closed_at = now() where mail in (?, ?)")
                    .params(first, second)
                    .update();
        }
    }

    @Test
    void whoForgotThePasswordGetsAWayInAndNobodyLearnsWhoIsHere() {
        String mail = PeopleHand.mail("lea");
        Client elsewhere = HAND.joined(mail, "Lea Finch", "READER");
        for (String asked : List.of(mail, PeopleHand.mail("nobody"), "no address"))
            assertThat(HAND.nobody()
                            .post("/api/v1/session/forgotten", Map.of("mail", asked))
                            .status())
                    .isEqualTo(202);
        String secret = HAND.wayIn(mail, "A new password", 1);
        Client lea = HAND.nobody();
        assertThat(lea.get("/api/v1/session/ways-in/" + secret)
                        .json()
                        .get("joined")
                        .asBoolean())
                .isTrue();
        assertThat(lea.post("/api/v1/session/ways-in/" + secret, Map.of("password", "nine brass bells ring"))
                        .status())
                .isEqualTo(200);
        assertThat(elsewhere.get("/api/v1/session").status()).isEqualTo(401);
        assertThat(HAND.nobody()
                        .post("/api/v1/session", Map.of("mail", mail, "password", PeopleHand.PASSWORD))
                        .status())
                .isEqualTo(422);
        Wait.until("mail that the password is another one", () -> HAND.mailed(mail, "Your password at") == 1);
    }

    @Test
    void oneIsSignedOutWhereOneWants() {
        String mail = PeopleHand.mail("sam");
        Client here = HAND.joined(mail, "Sam Gray", "READER");
        Client there = HAND.nobody().signIn(mail, PeopleHand.PASSWORD);
        Client third = HAND.nobody().signIn(mail, PeopleHand.PASSWORD);
        JsonNode sessions = here.get("/api/v1/account").json().get("sessions");
        assertThat(sessions).hasSize(3);
        assertThat(sessions.valueStream().filter(one -> one.get("here").asBoolean()))
                .hasSize(1);
        assertThat(sessions.get(0).get("from").asString()).isEqualTo("127.0.0.1");
        JsonNode seen = HAND.show(mail).get("sessions");
        assertThat(seen.valueStream().map(one -> one.get("id").asString()))
                .containsExactlyInAnyOrderElementsOf(sessions.valueStream()
                        .map(one -> one.get("id").asString())
                        .toList());
        String other = there.get("/api/v1/account")
                .json()
                .get("sessions")
                .valueStream()
                .filter(one -> one.get("here").asBoolean())
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        assertThat(here.delete("/api/v1/account/sessions/" + other).status()).isEqualTo(200);
        assertThat(there.get("/api/v1/session").status()).isEqualTo(401);
        assertThat(here.delete("/api/v1/account/sessions/" + other).status()).isEqualTo(404);
        here.delete("/api/v1/account/sessions");
        assertThat(third.get("/api/v1/session").status()).isEqualTo(401);
        assertThat(here.get("/api/v1/session").status()).isEqualTo(200);
        HAND.admin.delete("/api/v1/people/" + PeopleHand.id(HAND.show(mail)) + "/sessions");
        assertThat(here.get("/api/v1/session").status()).isEqualTo(401);
    }

    @Test
    void anotherPasswordIsChosenByWhoKnowsTheOneUntilNow() {
        String mail = PeopleHand.mail("tom");
        Client tom = HAND.joined(mail, "Tom Reed", "READER");
        Client there = HAND.nobody().signIn(mail, PeopleHand.PASSWORD);
        Client.Answer wrong = tom.put(
                "/api/v1/account/password", Map.of("current", "not this one", "password", "nine brass bells ring"));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.json().get("faults").propertyNames()).containsExactly("current");
        assertThat(tom.put(
                                "/api/v1/account/password",
                                Map.of("current", PeopleHand.PASSWORD, "password", "nine brass bells ring"))
                        .status())
                .isEqualTo(200);
        assertThat(tom.get("/api/v1/session").status()).isEqualTo(200);
        assertThat(there.get("/api/v1/session").status()).isEqualTo(401);
    }

    @Test
    void fiftyOneInvitationsAreOnTwoPagesAndFoundByName() {
        String mark = "Zz" + UUID.randomUUID().toString().substring(0, 6);
        for (int i = 0; i < 51; i++)
            HAND.bed
                    .bean(JdbcClient.class)
                    .sql("insert into account (id, mail, name, roles) values (gen_random_uuid(), ?, ?, '{READER}')")
                    .params(mark.toLowerCase(Locale.ROOT) + i + "@museum.example.org", mark + " " + i)
                    .update();
        JsonNode second = HAND.admin.get("/api/v1/people?page=1&find=" + mark).json();
        assertThat(second.get("total").asInt()).isEqualTo(51);
        assertThat(second.get("items")).hasSize(1);
        assertThat(HAND.admin
                        .get("/api/v1/people?find=%25_")
                        .json()
                        .get("total")
                        .asInt())
                .isZero();
        HAND.bed
                .bean(JdbcClient.class)
                .sql("delete from account where name like ?")
                .param(mark + "%")
                .update();
    }
}
