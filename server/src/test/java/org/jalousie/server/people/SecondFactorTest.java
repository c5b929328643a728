package org.jalousie.server.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jalousie.core.access.TimedCode;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class SecondFactorTest {
    private static final PeopleHand HAND = new PeopleHand();
    private static final Map<String, String> SURE = Map.of("current", PeopleHand.PASSWORD);
    private final TestClock clock = HAND.bed.bean(TestClock.class);

    @AfterEach
    void theClockIsRight() {
        clock.ahead(Duration.ZERO);
    }

    /** A person with codes of a device. @param secret of it */
    private record Person(Client client, String mail, String secret, List<String> recovery) {}

    private Person withCodes(String name) {
        String mail = PeopleHand.mail(name);
        Client client = HAND.joined(mail, name, "READER");
        String secret = client.post("/api/v1/account/code/secret", SURE)
                .json()
                .get("secret")
                .asString();
        Client.Answer taken = client.put("/api/v1/account/code", Map.of("code", code(secret)));
        assertThat(taken.status()).isEqualTo(200);
        return new Person(
                client,
                mail,
                secret,
                taken.json().get("codes").valueStream().map(JsonNode::asString).toList());
    }

    private String code(String secret) {
        return TimedCode.of(secret, clock.instant());
    }

    /** A later code than any that was shown. */
    private String nextCode(String secret) {
        clock.ahead(Duration.between(Instant.now(), clock.instant()).plusSeconds(60));
        return code(secret);
    }

    private Client atTheDoor(Person person) {
        Client at = HAND.nobody();
        JsonNode step = at.post("/api/v1/session", Map.of("mail", person.mail(), "password", PeopleHand.PASSWORD))
                .json();
        assertThat(step.get("shows").toString()).isEqualTo("[\"CODE\"]");
        assertThat(at.get("/api/v1/archive").status()).isEqualTo(401);
        return at;
    }

    private static Client.Answer show(Client at, String code) {
        return at.post("/api/v1/session/code", Map.of("code", code));
    }

    @Test
    void aCodeIsAskedForAndHoldsOnce() {
        Person may = withCodes("may");
        assertThat(show(atTheDoor(may), code(may.secret())).status())
                .as("the code that was shown when it was set up")
                .isEqualTo(422);
        String code = nextCode(may.secret());
        Client in = atTheDoor(may);
        assertThat(show(in, code).json().get("session").get("mail").asString()).isEqualTo(may.mail());
        assertThat(in.get("/api/v1/archive").status()).isEqualTo(200);
        assertThat(show(atTheDoor(may), code).status()).isEqualTo(422);
        assertThat(show(HAND.nobody(), nextCode(may.secret())).status())
                .as("without a password before")
                .isEqualTo(409);
    }

    @Test
    void whereOneIsSignedInByAPasswordAloneOneIsOutWhenCodesAreAskedFor() {
        String mail = PeopleHand.mail("pat");
        Client here = HAND.joined(mail, "Pat", "READER");
        Client there = HAND.nobody().signIn(mail, PeopleHand.PASSWORD);
        String secret = here.post("/api/v1/account/code/secret", SURE)
                .json()
                .get("secret")
                .asString();
        here.put("/api/v1/account/code", Map.of("code", code(secret)));
        assertThat(here.get("/api/v1/archive").status()).isEqualTo(200);
        assertThat(there.get("/api/v1/archive").status()).isEqualTo(401);
    }

    @Test
    void oneCodeLetsOneInOfTwoAtOnce() throws Exception {
        Person eva = withCodes("eva");
        String code = nextCode(eva.secret());
        List<Callable<Integer>> both = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            Client at = atTheDoor(eva);
            both.add(() -> show(at, code).status());
        }
        assertThat(Together.all(both)).containsExactlyInAnyOrder(200, 422);
    }

    @Test
    void theSecondStepIsOverWhenThePasswordIsAnotherOne() {
        Person lia = withCodes("lia");
        Client at = atTheDoor(lia);
        assertThat(lia.client()
                        .put(
                                "/api/v1/account/password",
                                Map.of("current", PeopleHand.PASSWORD, "password", "nine brass bells ring"))
                        .status())
                .isEqualTo(200);
        Client.Answer late = show(at, nextCode(lia.secret()));
        assertThat(late.status()).isEqualTo(422);
        assertThat(late.text()).contains("The mail address or the password is wrong.");
        assertThat(at.get("/api/v1/archive").status()).isEqualTo(401);
    }

    @Test
    void theSecondStepIsOverAfterAWhile() {
        Person zoe = withCodes("zoe");
        Client at = atTheDoor(zoe);
        clock.ahead(Duration.ofMinutes(6));
        assertThat(show(at, code(zoe.secret())).status()).isEqualTo(409);
    }

    @Test
    void guessingCodesIsSlowedDown() {
        Person gus = withCodes("gus");
        Client at = atTheDoor(gus);
        List<Integer> answers = new ArrayList<>();
        for (int i = 0; i < 8; i++) answers.add(show(at, "%06d".formatted(i)).status());
        assertThat(answers).contains(422).endsWith(429, 429);
        assertThat(show(at, nextCode(gus.secret())).status())
                .as("the right one too")
                .isEqualTo(429);
    }

    @Test
    void aRecoveryCodeStandsInOnceAndIsTold() {
        Person amy = withCodes("amy");
        assertThat(amy.recovery()).hasSize(10).doesNotHaveDuplicates();
        String code = amy.recovery().get(3).toUpperCase(Locale.ROOT).replace("-", " ");
        assertThat(show(atTheDoor(amy), code).status()).isEqualTo(200);
        assertThat(show(atTheDoor(amy), code).status()).isEqualTo(422);
        assertThat(amy.client()
                        .get("/api/v1/account")
                        .json()
                        .get("recoveryCodes")
                        .asInt())
                .isEqualTo(9);
        Wait.until("mail of the set-up and of the use", () -> HAND.mailed(amy.mail(), "How you sign in") == 2);
        JsonNode renewed =
                amy.client().post("/api/v1/account/recovery-codes", SURE).json();
        assertThat(renewed.get("codes")).hasSize(10);
        assertThat(show(atTheDoor(amy), amy.recovery().get(4)).status()).isEqualTo(422);
    }

    @Test
    void whoseRoleNeedsMoreSetsItUpBeforeAnythingElse() {
        String mail = PeopleHand.mail("ned");
        Client ned = HAND.joined(mail, "Ned", "APPROVER");
        assertThat(ned.get("/api/v1/mine").status()).isEqualTo(200);
        HAND.admin.put("/api/v1/people/entry-rule", Map.of("secondFactor", List.of("APPROVER")));
        try {
            assertThat(ned.get("/api/v1/mine").status()).isEqualTo(403);
            JsonNode session = ned.get("/api/v1/session").json();
            assertThat(session.get("lacksFactor").asBoolean()).isTrue();
            assertThat(session.get("roles")).isEmpty();
            assertThat(HAND.show(mail).get("lacksFactor").asBoolean()).isTrue();
            String secret = ned.post("/api/v1/account/code/secret", SURE)
                    .json()
                    .get("secret")
                    .asString();
            assertThat(ned.put("/api/v1/account/code", Map.of("code", "000000")).status())
                    .isEqualTo(422);
            assertThat(ned.put("/api/v1/account/code", Map.of("code", code(secret)))
                            .status())
                    .isEqualTo(200);
            assertThat(ned.get("/api/v1/mine").status()).isEqualTo(200);
            assertThat(ned.delete("/api/v1/account/code", SURE).text()).contains("account.factor-needed");
        } finally {
            HAND.admin.put("/api/v1/people/entry-rule", Map.of("secondFactor", List.of()));
        }
        assertThat(ned.delete("/api/v1/account/code", Map.of("current", "not this one"))
                        .status())
                .isEqualTo(422);
        assertThat(ned.delete("/api/v1/account/code", SURE).status()).isEqualTo(200);
        HAND.nobody().signIn(mail, PeopleHand.PASSWORD);
    }

    @Test
    void anAdministratorHelpsWhoHasLostTheDevice() {
        Person una = withCodes("una");
        String path = "/api/v1/people/" + PeopleHand.id(HAND.show(una.mail())) + "/second-factor";
        assertThat(HAND.show(una.mail()).get("person").get("shows").toString()).isEqualTo("[\"CODE\"]");
        assertThat(HAND.admin.delete(path).status()).isEqualTo(200);
        assertThat(una.client().get("/api/v1/session").status())
                .as("signed out everywhere")
                .isEqualTo(401);
        HAND.nobody().signIn(una.mail(), PeopleHand.PASSWORD);
        assertThat(HAND.admin.delete(path).status()).isEqualTo(409);
        assertThat(HAND.acts(una.mail()).get(0)).startsWith("Took away what una");
        Wait.until("mail of the set-up and of the taking", () -> HAND.mailed(una.mail(), "How you sign in") == 2);
    }
}
