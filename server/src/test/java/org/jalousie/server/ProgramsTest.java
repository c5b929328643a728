package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jalousie.core.json.Json;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.KeyClient;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class ProgramsTest {
    private static final Testbed BED = Testbed.start();
    private static final List<String> COVERED = List.of("@method", "@path", "@query", "content-digest");

    private final Office office = new Office(BED.address());

    @AfterEach
    void now() {
        BED.bean(TestClock.class).ahead(Duration.ZERO);
    }

    private JsonNode letIn(List<String> forms, int perMinute, String... scopes) {
        Client.Answer answer = office.client.post(
                "/api/v1/programs",
                Map.of(
                        "terms",
                        Map.of("title", "Collection", "scopes", scopes, "forms", forms, "perMinute", perMinute)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private JsonNode makeKey(JsonNode program, Map<String, Object> wanted) {
        Client.Answer answer =
                office.client.post("/api/v1/programs/" + program.get("id").asString() + "/keys", wanted);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private KeyClient key(JsonNode program) {
        return KeyClient.key(
                BED.address(),
                makeKey(program, Map.of("kind", "BEARER")).get("secret").asString());
    }

    private KeyClient program(String... scopes) {
        return key(letIn(List.of(), 6000, scopes));
    }

    private static Map<String, Object> answers(Map<String, String> values) {
        return Map.of("answers", values);
    }

    @Test
    void aKeyReachesAsFarAsItsScopes() {
        KeyClient reads = program("agreements:read");
        assertThat(reads.get("/api/v1/agreements").status()).isEqualTo(200);
        KeyClient.Answer refused = reads.post("/api/v1/agreements/A-2026-0001/withdrawal", Map.of("reason", "x"));
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.field("WWW-Authenticate"))
                .isEqualTo("Bearer error=\"insufficient_scope\", scope=\"agreements:write\"");
        assertThat(refused.json().get("detail").asString()).contains("agreements:write");
        for (String path :
                List.of("/templates", "/requests", "/archive", "/registers", "/today", "/postroom", "/programs"))
            assertThat(reads.get("/api/v1" + path).status()).as(path).isEqualTo(403);
        assertThat(reads.get("/api/v1/session").status()).isEqualTo(403);
        assertThat(reads.get("/api/v1/openapi").status()).isEqualTo(200);
        KeyClient both = program("intake:read", "agreements:write");
        assertThat(both.get("/api/v1/today").status()).isEqualTo(200);
        assertThat(both.get("/api/v1/agreements").status()).isEqualTo(200);
    }

    @Test
    void whatIsNoKeyOpensNothingNotEvenBesideASession() {
        for (String secret : List.of("a".repeat(43), "x", ""))
            assertThat(KeyClient.key(BED.address(), secret)
                            .get("/api/v1/agreements")
                            .status())
                    .as(secret)
                    .isEqualTo(401);
        KeyClient.Answer answer = KeyClient.key(BED.address(), "a".repeat(43)).get("/api/v1/agreements");
        assertThat(answer.field("WWW-Authenticate")).contains("invalid_token");
        JsonNode program = letIn(List.of(), 600, "agreements:read");
        JsonNode made = makeKey(program, Map.of("kind", "BEARER"));
        KeyClient held = KeyClient.key(BED.address(), made.get("secret").asString());
        assertThat(held.get("/api/v1/agreements").status()).isEqualTo(200);
        String at = "/api/v1/programs/" + program.get("id").asString();
        assertThat(office.client
                        .delete(at + "/keys/" + made.get("id").asString())
                        .status())
                .isEqualTo(200);
        assertThat(held.get("/api/v1/agreements").status()).isEqualTo(401);
        KeyClient other = key(program);
        assertThat(other.get("/api/v1/agreements").status()).isEqualTo(200);
        assertThat(office.client.delete(at).status()).isEqualTo(200);
        assertThat(other.get("/api/v1/agreements").status()).isEqualTo(401);
        assertThat(office.client.post(at + "/keys", Map.of("kind", "BEARER")).status())
                .isEqualTo(409);
        // no secret is told again
        assertThat(office.client.get(at).text())
                .doesNotContain(made.get("secret").asString());
    }

    @Test
    void aKeyIsRotatedWithoutAGap() {
        JsonNode program = letIn(List.of(), 600, "archive:read");
        KeyClient old = key(program);
        KeyClient fresh = KeyClient.key(
                BED.address(),
                makeKey(program, Map.of("kind", "BEARER", "othersEndIn", 24))
                        .get("secret")
                        .asString());
        assertThat(old.get("/api/v1/archive").status()).isEqualTo(200);
        assertThat(fresh.get("/api/v1/archive").status()).isEqualTo(200);
        BED.bean(TestClock.class).ahead(Duration.ofHours(25));
        assertThat(old.get("/api/v1/archive").status()).isEqualTo(401);
        assertThat(fresh.get("/api/v1/archive").status()).isEqualTo(200);
        Client.Answer never = office.client.post(
                "/api/v1/programs/" + program.get("id").asString() + "/keys",
                Map.of("kind", "BEARER", "othersEndIn", -1));
        assertThat(never.status()).isEqualTo(400);
        assertThat(never.text()).contains("in how many hours the others end");
    }

    @Test
    void answersAreTakenInOnceAndLookedUpWhereItSays() {
        String template = office.publish("For programs", Office.loanWording());
        KeyClient program = program("intake:write", "agreements:write");
        String at = "/api/v1/templates/" + template + "/form/answers";
        Map<String, String> wrong = new HashMap<>(Office.loanValues("Asked"));
        wrong.put("start_date", "soon");
        wrong.remove("insured_value");
        KeyClient.Answer refused = program.with("Idempotency-Key", "\"k1\"").post(at, answers(wrong));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().get("faults").propertyNames()).contains("start_date", "insured_value");
        KeyClient once = program.with("Idempotency-Key", "\"k1\"");
        KeyClient.Answer taken = once.post(at, answers(Office.loanValues("Asked")));
        assertThat(taken.status()).as(taken.body()).isEqualTo(202);
        String where = taken.field("Location");
        assertThat(where)
                .isEqualTo("/api/v1/requests/" + taken.json().get("request").asString());
        assertThat(taken.json().get("agreement").isNull()).isTrue();
        KeyClient.Answer again = once.post(at, answers(Office.loanValues("Asked")));
        assertThat(again.status()).isEqualTo(202);
        assertThat(again.body()).isEqualTo(taken.body());
        assertThat(again.field("Location")).isEqualTo(where);
        assertThat(once.post(at, answers(Office.loanValues("Other"))).status()).isEqualTo(422);
        JsonNode request = program.get(where).json();
        assertThat(request.get("row").toString()).contains("Collection");
        // another program's key is another one
        KeyClient.Answer others =
                program("intake:write").with("Idempotency-Key", "\"k1\"").post(at, answers(Office.loanValues("Asked")));
        assertThat(others.status()).isEqualTo(202);
        assertThat(others.field("Location")).isNotEqualTo(where);
        Map<String, Object> atOnce = new HashMap<>(answers(Office.loanValues("At once")));
        atOnce.put("agreement", true);
        JsonNode made = program.post(at, atOnce).json();
        String number = made.get("agreement").asString();
        office.await(number, "CHECK");
        assertThat(office.show(number).toString()).contains("Collection");
        assertThat(program.with("Idempotency-Key", "spaces in it")
                        .post(at, atOnce)
                        .status())
                .isEqualTo(400);
    }

    @Test
    void manyAtOnceWithOneKeyAreOneRequest() throws Exception {
        String template = office.publish("At one moment", Office.loanWording());
        KeyClient once = program("intake:write").with("Idempotency-Key", "same");
        String at = "/api/v1/templates/" + template + "/form/answers";
        List<Callable<KeyClient.Answer>> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) all.add(() -> once.post(at, answers(Office.loanValues("Eight"))));
        List<KeyClient.Answer> answered = Together.all(all);
        assertThat(answered)
                .extracting(KeyClient.Answer::status)
                .isSubsetOf(202, 409)
                .contains(202);
        KeyClient.Answer last = once.post(at, answers(Office.loanValues("Eight")));
        assertThat(answered.stream().filter(one -> one.status() == 202).map(KeyClient.Answer::body))
                .containsOnly(last.body());
        assertThat(office.client
                        .get("/api/v1/requests?stage=WAITING&template=" + template)
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void aPersonsPostIsRepeatedTooAndPartsAreToldApart() {
        String template = office.publish("Persons", Office.loanWording());
        KeyClient program = program("intake:write", "registers:write");
        Map<String, Object> body =
                Map.of("template", template, "values", Office.loanValues("Anew"), "people", Map.of());
        KeyClient once = program.with("Idempotency-Key", "r-1");
        KeyClient.Answer first = once.post("/api/v1/requests", body);
        assertThat(first.status()).as(first.body()).isEqualTo(201);
        assertThat(once.post("/api/v1/requests", body).json()).isEqualTo(first.json());
        // what it did is not done again by another address with the key
        assertThat(once.post("/api/v1/requests/" + UUID.randomUUID() + "/agreement", Map.of())
                        .status())
                .isEqualTo(422);
    }

    @Test
    void filesAreToldApartByWhatIsInThem() {
        String template = office.publish("Files", Office.loanWording());
        String at = "/api/v1/runs?template=" + template;
        KeyClient once = program("intake:write")
                .with("Idempotency-Key", "file-1")
                .with("Content-Type", "multipart/form-data; boundary=xx");
        String file = "--xx\r\nContent-Disposition: form-data; name=\"file\"; filename=\"rows.csv\"\r\n"
                + "Content-Type: text/csv\r\n\r\nlender_name\n%s\n\r\n--xx--\r\n";
        KeyClient.Answer first = once.send("POST", at, file.formatted("One"));
        assertThat(first.status()).as(first.body()).isEqualTo(201);
        KeyClient.Answer again = once.send("POST", at, file.formatted("One"));
        assertThat(again.json().get("id")).isEqualTo(first.json().get("id"));
        assertThat(once.send("POST", at, file.formatted("Two")).status()).isEqualTo(422);
    }

    @Test
    void aBodyThatCantBeReadIsRefusedAsEver() {
        KeyClient once = program("intake:write").with("Idempotency-Key", "odd-1");
        KeyClient parts = once.with("Content-Type", "multipart/form-data; boundary=xx");
        assertThat(parts.send("POST", "/api/v1/form-files?kinds=PDF&megabytes=1", "no parts")
                        .status())
                .isEqualTo(400);
        assertThat(once.send("POST", "/api/v1/requests", "{not json").status()).isEqualTo(400);
        assertThat(once.send("POST", "/api/v1/requests", "\"" + "x".repeat(7 * 1024 * 1024) + "\"")
                        .status())
                .isEqualTo(413);
    }

    @Test
    void aProgramHasNoMailboxThatATrialGoesTo() {
        KeyClient.Answer trial = program("office:write")
                .post(
                        "/api/v1/office/mail/trial",
                        Map.of("occasion", "REMINDER", "language", "en", "subject", "", "text", "Hello"));
        assertThat(trial.status()).isEqualTo(409);
        assertThat(trial.body()).contains("no mailbox");
    }

    @Test
    void whatWasRefusedAfterSomethingWasDoneIsToldAgain() {
        String template = office.publish("Done in part", Office.loanWording());
        KeyClient program = program("intake:write", "agreements:write");
        String request = office.request(template, Office.loanValues("Part"));
        String at = "/api/v1/requests/" + request + "/agreement";
        KeyClient once = program.with("Idempotency-Key", "made-1");
        KeyClient.Answer made = once.post(at, Map.of());
        assertThat(made.status()).as(made.body()).isEqualTo(200);
        assertThat(once.post(at, Map.of()).body()).isEqualTo(made.body());
        assertThat(program.with("Idempotency-Key", "none-1")
                        .post("/api/v1/requests/R-1900-0001/agreement", Map.of())
                        .status())
                .isEqualTo(404);
        assertThat(program.with("Idempotency-Key", "none-1").post(at, Map.of()).body())
                .isEqualTo(made.body());
    }

    @Test
    void aKeyMayBeLimitedToForms() {
        String mine = office.publish("Mine", Office.loanWording());
        String others = office.publish("Others", Office.loanWording());
        KeyClient limited =
                key(letIn(List.of(mine), 600, "intake:write", "agreements:write", "templates:read", "registers:read"));
        String path = "/api/v1/templates/";
        assertThat(limited.get(path + mine + "/form/schema").status()).isEqualTo(200);
        assertThat(limited.get(path + others + "/form/schema").status()).isEqualTo(403);
        assertThat(limited.get(path + mine).status()).isEqualTo(403);
        KeyClient.Answer own = limited.post(path + mine + "/form/answers", answers(Office.loanValues("Mine")));
        assertThat(own.status()).isEqualTo(202);
        assertThat(limited.post(path + others + "/form/answers", answers(Office.loanValues("No")))
                        .status())
                .isEqualTo(403);
        Map<String, Object> request =
                new HashMap<>(Map.of("values", Office.loanValues("No"), "people", Map.of(), "template", others));
        assertThat(limited.post("/api/v1/requests", request).status()).isEqualTo(403);
        request.put("template", mine);
        assertThat(limited.post("/api/v1/requests", request).status()).isEqualTo(201);
        assertThat(limited.get(own.field("Location")).status()).isEqualTo(200);
        String foreign = office.request(others, Office.loanValues("Foreign"));
        assertThat(limited.get("/api/v1/requests/" + foreign).status()).isEqualTo(403);
        assertThat(limited.get("/api/v1/requests/" + foreign + "-9").status()).isEqualTo(403);
        String number = office.agreementOf(own.json().get("request").asString());
        String foreignNumber = office.agreementOf(foreign);
        assertThat(limited.get("/api/v1/agreements/" + number).status()).isEqualTo(200);
        assertThat(limited.get("/api/v1/agreements/" + foreignNumber).status()).isEqualTo(403);
        assertThat(limited.get("/api/v1/agreements").status()).isEqualTo(403);
        for (String nowhere : List.of("agreements/A-1900-0001", "archive/A-1900-0001", "agreements/x", "tables/x"))
            assertThat(limited.get("/api/v1/" + nowhere).status()).as(nowhere).isEqualTo(403);
        assertThat(limited.get("/api/v1/registers").status()).isEqualTo(403);
        assertThat(limited.get("/api/v1/requests").status()).isEqualTo(403);
        assertThat(limited.get("/api/v1/requests?template=" + others).status()).isEqualTo(403);
        assertThat(limited.get("/api/v1/requests?template=" + mine).status()).isEqualTo(200);
        assertThat(limited.get("/api/v1/requests?template=" + mine + "&template=" + others)
                        .status())
                .isIn(200, 400, 403);
        // what is of another form though its address says one of its own
        assertThat(limited.post("/api/v1/form-links?template=" + mine, Map.of("template", others))
                        .status())
                .isEqualTo(403);
        assertThat(limited.post("/api/v1/runs/of-rows?template=" + mine, Map.of("template", others))
                        .status())
                .isEqualTo(403);
        // what is looked up beside its own form
        assertThat(limited.get("/api/v1/requests/" + foreign + "/../" + foreign).status())
                .isIn(400, 403, 404);
    }

    @Test
    void aTableIsOfTheRoomThatItIsFor() {
        String template = office.publish("Tables", Office.loanWording());
        String run = office.client
                .upload("/api/v1/runs?template=" + template, "rows.csv", "lender_name\nOne\n".getBytes())
                .json()
                .get("id")
                .asString();
        assertThat(program("registers:write").get("/api/v1/tables/" + run).status())
                .isEqualTo(403);
        assertThat(program("intake:read").get("/api/v1/tables/" + run).status()).isEqualTo(200);
        assertThat(program("intake:read")
                        .post("/api/v1/tables/" + run + "/stop", Map.of())
                        .status())
                .isEqualTo(403);
        KeyClient limited = key(letIn(List.of(office.publish("Another", Office.loanWording())), 60, "intake:write"));
        assertThat(limited.get("/api/v1/tables/" + run).status()).isEqualTo(403);
        assertThat(program("archive:read")
                        .get("/api/v1/tables/" + UUID.randomUUID())
                        .status())
                .isEqualTo(403);
    }

    private KeyClient signing(JsonNode key, Instant at, List<String> covered, String nonce) {
        return KeyClient.signing(
                BED.address(),
                new KeyClient.Signing(
                        key.get("id").asString(), key.get("secret").asString(), at, covered, nonce));
    }

    @Test
    void signedRequestsHoldOnceAndForAWhile() {
        String template = office.publish("Signed", Office.loanWording());
        JsonNode program = letIn(List.of(), 600, "intake:write");
        JsonNode key = makeKey(program, Map.of("kind", "SIGNING"));
        String at = "/api/v1/templates/" + template + "/form/answers";
        Map<String, Object> body = answers(Office.loanValues("Signed"));
        Instant now = Instant.now();
        assertThat(signing(key, now, COVERED, "")
                        .get("/api/v1/requests?stage=WAITING")
                        .status())
                .isEqualTo(200);
        assertThat(signing(key, now, COVERED, "n-1").post(at, body).status()).isEqualTo(202);
        KeyClient.Answer replayed = signing(key, now, COVERED, "n-1").post(at, body);
        assertThat(replayed.status()).isEqualTo(401);
        assertThat(replayed.json().get("detail").asString()).contains("nonce");
        for (int minutes : new int[] {-6, 6})
            assertThat(signing(key, now.plus(Duration.ofMinutes(minutes)), COVERED, "")
                            .post(at, body)
                            .status())
                    .as("%s minutes", minutes)
                    .isEqualTo(401);
        for (String missing : List.of("@method", "@path", "content-digest")) {
            List<String> less =
                    COVERED.stream().filter(one -> !one.equals(missing)).toList();
            KeyClient.Answer answer = signing(key, now, less, "").post(at, body);
            assertThat(answer.status()).as(missing).isEqualTo(401);
            assertThat(answer.json().get("detail").asString()).contains(missing);
        }
        assertThat(signing(key, now, List.of("@method", "@path"), "")
                        .get("/api/v1/requests?stage=DONE")
                        .status())
                .isEqualTo(401);
        assertThat(signing(key, now, List.of("@method", "@target-uri", "content-digest"), "")
                        .post(at, body)
                        .status())
                .isEqualTo(202);
        // the body is another one than what was signed
        KeyClient tampered = signing(key, now, COVERED, "").with("Content-Digest", "sha-256=:AAAA:");
        assertThat(tampered.post(at, body).status()).isEqualTo(401);
        // a key that is sent along signs nothing, and the other way round
        JsonNode bearer = makeKey(program, Map.of("kind", "BEARER"));
        assertThat(signing(bearer, now, COVERED, "").get("/api/v1/requests").status())
                .isEqualTo(401);
        assertThat(KeyClient.key(BED.address(), key.get("secret").asString())
                        .get("/api/v1/requests")
                        .status())
                .isEqualTo(401);
        assertThat(KeyClient.key(BED.address(), "x")
                        .with("Authorization", "Basic x")
                        .with("Signature-Input", "nonsense(")
                        .get("/api/v1/requests")
                        .status())
                .isEqualTo(401);
    }

    @Test
    void aProgramAsksSoOftenAndEachUseIsNoted() {
        JsonNode program = letIn(List.of(), 5, "archive:read");
        KeyClient key = key(program);
        List<Integer> statuses = new ArrayList<>();
        for (int i = 0; i < 8; i++)
            statuses.add(key.get("/api/v1/archive?find=Ida+Marsh").status());
        assertThat(statuses.subList(0, 5)).containsOnly(200);
        assertThat(statuses.subList(6, 8)).containsOnly(429);
        KeyClient.Answer slowed = key.get("/api/v1/archive");
        assertThat(Integer.parseInt(slowed.field("Retry-After"))).isBetween(1, 12);
        JsonNode uses = office.client
                .get("/api/v1/programs/" + program.get("id").asString() + "/uses")
                .json();
        assertThat(uses.get("total").asInt()).isEqualTo(9);
        JsonNode last = uses.get("items").get(8);
        assertThat(last.get("status").asInt()).isEqualTo(200);
        assertThat(last.get("place").asString()).isEqualTo("/api/v1/archive");
        assertThat(last.get("from").asString()).isEqualTo("127.0.0.1");
        assertThat(uses.toString()).doesNotContain("Marsh");
        assertThat(uses.get("items").get(0).get("status").asInt()).isEqualTo(429);
        assertThat(office.client
                        .get("/api/v1/programs/" + program.get("id").asString())
                        .json()
                        .get("keys")
                        .get(0)
                        .get("lastUsedAt")
                        .isNull())
                .isFalse();
    }

    @Test
    void noProgramGivesMoreThanItHas() {
        KeyClient program = key(letIn(List.of(), 60, "programs:write", "archive:read"));
        Map<String, Object> terms = Map.of(
                "title", "Made by a program", "scopes", List.of("archive:read"), "forms", List.of(), "perMinute", 60);
        assertThat(program.post("/api/v1/programs", Map.of("terms", terms)).status())
                .isEqualTo(201);
        Map<String, Object> more = new HashMap<>(terms);
        more.put("scopes", List.of("agreements:read"));
        assertThat(program.post("/api/v1/programs", Map.of("terms", more)).status())
                .isEqualTo(403);
        JsonNode strong = letIn(List.of(), 60, "agreements:write");
        assertThat(program.post("/api/v1/programs/" + strong.get("id").asString() + "/keys", Map.of("kind", "BEARER"))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void whatIsWrongWithTermsIsSaidAtItsPlace() {
        Client.Answer answer = office.client.post(
                "/api/v1/programs",
                Map.of(
                        "terms",
                        Map.of(
                                "title",
                                " ",
                                "scopes",
                                List.of(),
                                "forms",
                                List.of(UUID.randomUUID()),
                                "perMinute",
                                0)));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().get("faults").propertyNames())
                .containsExactlyInAnyOrder("title", "scopes", "forms", "perMinute");
        assertThat(office.client
                        .post(
                                "/api/v1/programs",
                                Map.of(
                                        "terms",
                                        Map.of(
                                                "title",
                                                "x",
                                                "scopes",
                                                List.of("all"),
                                                "forms",
                                                List.of(),
                                                "perMinute",
                                                1)))
                        .status())
                .isEqualTo(400);
        JsonNode program = letIn(List.of(), 60, "archive:read");
        String at = "/api/v1/programs/" + program.get("id").asString();
        Map<String, Object> terms =
                Map.of("title", "Renamed", "scopes", List.of("archive:read"), "forms", List.of(), "perMinute", 60);
        assertThat(office.client.put(at, Map.of("revision", 1, "terms", terms)).status())
                .isEqualTo(200);
        assertThat(office.client.put(at, Map.of("revision", 1, "terms", terms)).status())
                .isEqualTo(409);
    }

    /** Each operation of the office says which scopes open it; a new one without is found here. */
    @Test
    void eachOperationOfTheRoomsIsOpenToSomeScope() throws Exception {
        JsonNode paths = Json.MAPPER
                .readTree(Files.readString(TestPaths.root().resolve("web/openapi.json")))
                .get("paths");
        List<String> closed = new ArrayList<>();
        paths.propertyStream()
                .forEach(path -> path.getValue().propertyStream().forEach(operation -> {
                    String at = path.getKey();
                    // what waits for a person is theirs, and no program acts for them
                    // so is what can't be undone, and what is kept of somebody
                    boolean decided = at.startsWith("/api/v1/archive/person/")
                            || at.startsWith("/api/v1/archive/retention/destructions")
                                    && !operation.getKey().equals("get");
                    boolean others = decided
                            || List.of(
                                            "/api/v1/session",
                                            "/api/v1/account",
                                            "/api/v1/people",
                                            "/api/v1/teams",
                                            "/api/v1/trail",
                                            "/api/v1/office/files",
                                            "/api/v1/own-requests",
                                            "/api/v1/mine",
                                            "/api/v1/signing/",
                                            "/api/v1/ask/",
                                            "/api/v1/asked/")
                                    .stream()
                                    .anyMatch(at::startsWith);
                    boolean told =
                            operation.getValue().path("security").toString().contains("key");
                    if (others == told) closed.add(operation.getKey() + " " + at);
                }));
        assertThat(closed).isEmpty();
    }

    private static long keptAnswers(String condition) throws Exception {
        try (var connection = BED.bean(javax.sql.DataSource.class).getConnection();
                var count = connection
                        .createStatement()
                        .executeQuery("select count(*) from kept_answer where " + condition)) {
            count.next();
            return count.getLong(1);
        }
    }

    @Test
    void noSecretAndNothingOfStrangersIsKeptToBeToldAgain() throws Exception {
        KeyClient stranger = KeyClient.key(BED.address(), "x").with("Authorization", "Basic x");
        KeyClient once = stranger.with("Idempotency-Key", "stranger-1");
        once.post("/api/v1/session", Map.of("mail", "nobody@museum.example.org", "password", "secret"));
        once.post("/api/v1/ask/" + "a".repeat(22), Map.of());
        assertThat(keptAnswers("key = 'stranger-1'")).isZero();

        JsonNode strong = letIn(List.of(), 600, "programs:write", "archive:read", "intake:read", "agreements:read");
        KeyClient programs = key(strong).with("Idempotency-Key", "secret-1");
        String at = "/api/v1/programs/" + strong.get("id").asString() + "/keys";
        KeyClient.Answer fresh = programs.post(at, Map.of("kind", "BEARER"));
        assertThat(fresh.status()).isEqualTo(201);
        String secret = fresh.json().get("secret").asString();
        assertThat(keptAnswers("convert_from(body, 'UTF8') like '%" + secret + "%'"))
                .isZero();
        KeyClient.Answer again = programs.post(at, Map.of("kind", "BEARER"));
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.json().get("detail").asString()).contains("was carried out");
        assertThat(office.client
                        .get("/api/v1/programs/" + strong.get("id").asString())
                        .json()
                        .get("keys")
                        .size())
                .isEqualTo(2);
    }

    @Test
    void otherAnswersAreAnotherRequestHoweverLongAgoTheirKeyWasUsed() {
        String template = office.publish("Long ago", Office.loanWording());
        KeyClient once = program("intake:write").with("Idempotency-Key", "yearly");
        String at = "/api/v1/templates/" + template + "/form/answers";
        KeyClient.Answer first = once.post(at, answers(Office.loanValues("This year")));
        BED.bean(TestClock.class).ahead(Duration.ofDays(3));
        KeyClient.Answer next = once.post(at, answers(Office.loanValues("Next year")));
        assertThat(next.status()).isEqualTo(202);
        assertThat(next.field("Location")).isNotEqualTo(first.field("Location"));
    }

    @Test
    void whoMayNotLookAtAgreementsIsNotToldOfThem() {
        Map<String, Object> webhook = Map.of(
                "terms",
                Map.of(
                        "title",
                        "Mine",
                        "address",
                        "https://hook.example.org/",
                        "kinds",
                        List.of("agreement.made"),
                        "forms",
                        List.of()));
        assertThat(program("programs:write").post("/api/v1/webhooks", webhook).status())
                .isEqualTo(403);
        assertThat(program("programs:write", "intake:read")
                        .post("/api/v1/webhooks", webhook)
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aDeadServersRequestIsGoneOnWith() throws Exception {
        String template = office.publish("Dead", Office.loanWording());
        KeyClient once = program("intake:write").with("Idempotency-Key", "dead");
        String at = "/api/v1/templates/" + template + "/form/answers";
        KeyClient.Answer first = once.post(at, answers(Office.loanValues("Dead")));
        try (var connection = BED.bean(javax.sql.DataSource.class).getConnection();
                var lost = connection.prepareStatement(
                        "update kept_answer set state = 'DONE', status = null, body = null, headers = null where key = 'dead'")) {
            assertThat(lost.executeUpdate()).isEqualTo(1);
        }
        assertThat(once.post(at, answers(Office.loanValues("Dead"))).status()).isEqualTo(409);
        BED.bean(TestClock.class).ahead(Duration.ofSeconds(61));
        KeyClient.Answer again = once.post(at, answers(Office.loanValues("Dead")));
        assertThat(again.status()).isEqualTo(202);
        assertThat(again.field("Location")).isEqualTo(first.field("Location"));
        Wait.until(
                "the answer is kept",
                () -> once.post(at, answers(Office.loanValues("Dead"))).status() == 202);
    }
}
