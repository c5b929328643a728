package org.jalousie.server.archive.filing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.demo.Client;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.testbed.BucketServer;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Relay;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Completed agreements are filed to a bucket of another's storage: once, whole, never over somebody else's, whatever breaks. */
class BucketFilingTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final String FILING = "/api/v1/archive/filing";
    private static final List<String> NUMBERS = new ArrayList<>();

    private static String template;
    private static BucketServer storage;
    private static Relay way;
    private final List<String> made = new ArrayList<>();

    @BeforeAll
    static void complete() {
        storage = new BucketServer();
        way = new Relay(storage.port());
        template = OFFICE.publish("Filed to a bucket", Office.loanWording());
        for (String lender : List.of("Ida Marsh", "Ida Marsh", "Zoë / \"Otto\" Reed"))
            NUMBERS.add(OFFICE.completed(template, lender));
    }

    @AfterAll
    static void down() {
        way.close();
        storage.close();
    }

    @AfterEach
    void remove() {
        way.now(Relay.Way.THROUGH);
        made.forEach(id -> OFFICE.client.delete(FILING + "/" + id));
    }

    private static Map<String, Object> terms(String address, String folder) {
        Map<String, Object> terms = new HashMap<>(Map.of(
                "title",
                "Bucket",
                "kind",
                "BUCKET",
                "address",
                address,
                "user",
                BucketServer.KEY,
                "region",
                "eu-west-1"));
        terms.put("templates", List.of(template));
        terms.put("usual", Map.of("folder", folder, "name", "{{lender_name}}"));
        terms.put("rules", List.of());
        terms.put("record", true);
        return terms;
    }

    private void make(Map<String, Object> terms, String secret) {
        Client.Answer answer = OFFICE.client.post(FILING, Map.of("terms", terms, "password", secret));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        made.add(answer.json().get("id").asString());
    }

    private JsonNode target() {
        for (JsonNode one : OFFICE.client.get(FILING).json().get("targets"))
            if (one.get("id").asString().equals(made.get(made.size() - 1))) return one;
        throw new AssertionError("no target");
    }

    private void awaitFiled() {
        JdbcClient sql = BED.bean(JdbcClient.class);
        Wait.until("filed", () -> {
            sql.sql("update filing_target set waits_until = null").update();
            JsonNode now = target();
            return now.get("filed").asInt() == NUMBERS.size()
                    && !now.get("gathering").asBoolean()
                    && sql.sql("select count(*) from filing where not indexed and target_id = cast(? as uuid)")
                                    .param(made.get(made.size() - 1))
                                    .query(Integer.class)
                                    .single()
                            == 0;
        });
    }

    private static List<String> names(Bucket bucket) {
        return bucket.list("", 1_000, Optional.empty()).all().stream()
                .map(Bucket.Entry::name)
                .toList();
    }

    /** What the index names is there as it says, and nothing else is. */
    private static void assertWhole(Bucket bucket) {
        List<String> named = new ArrayList<>();
        int agreements = 0;
        for (String name : names(bucket)) {
            if (name.startsWith("index/")) named.add(name);
            if (!name.endsWith(".json")) continue;
            for (JsonNode agreement :
                    Json.MAPPER.readTree(bucket.get(name).orElseThrow()).get("agreements")) {
                agreements++;
                for (JsonNode file : agreement.get("files")) {
                    String path = file.get("path").asString();
                    named.add(path);
                    assertThat(bucket.get(path).map(bytes -> Sha256.of(bytes).hex()))
                            .as(path)
                            .contains(file.get("sha256").asString());
                }
            }
        }
        assertThat(agreements).isEqualTo(NUMBERS.size());
        assertThat(names(bucket)).containsExactlyInAnyOrderElementsOf(named);
    }

    @Test
    void theyAreThereOnceUnderTheirNamesAndNothingIsWrittenOver() {
        Bucket bucket = storage.opened("signed/");
        byte[] somebodys = "somebody else's".getBytes(StandardCharsets.UTF_8);
        bucket.put("é/Ida Marsh.pdf", somebodys);
        make(terms(storage.address() + "/papers/signed", "é"), BucketServer.SECRET);
        awaitFiled();
        assertThat(bucket.get("é/Ida Marsh.pdf")).contains(somebodys);
        bucket.delete("é/Ida Marsh.pdf");
        assertWhole(bucket);
        List<String> before = names(bucket);
        assertThat(before).anyMatch(one -> one.startsWith("é/Ida Marsh (")).anyMatch(one -> one.startsWith("é/Zoë"));

        String gone = before.stream()
                .filter(one -> one.startsWith("é/Zoë"))
                .findFirst()
                .orElseThrow();
        bucket.delete(gone);
        OFFICE.client.post(FILING + "/" + made.get(0) + "/again?everything=true", Map.of());
        Wait.until("it to be back", () -> bucket.get(gone).isPresent());
        awaitFiled();
        assertThat(names(bucket)).isEqualTo(before);
        assertThat(storage.opened("").list("", 9, Optional.empty()).all())
                .allMatch(one -> one.name().startsWith("signed/"));
    }

    @Test
    void aWrongSecretAMissingBucketAndAWayThatBreaksAreSaidAndMended() {
        Bucket bucket = storage.opened("breaks/");
        Map<String, Object> terms = terms(way.address() + "/papers/breaks/", "{{agreement_number}}");
        make(terms, "wrong");
        Wait.until("the fault", () -> target().get("fault").asString().contains("403"));
        terms.put("address", way.address() + "/no-such-bucket/");
        settle(terms, BucketServer.SECRET);
        Wait.until("the fault", () -> target().get("fault").asString().contains("no-such-bucket"));
        way.now(Relay.Way.CUT);
        terms.put("address", way.address() + "/papers/breaks/");
        settle(terms, BucketServer.SECRET);
        Wait.until("the fault", () -> target().get("fault").asString().contains("connection failed"));
        for (int i = 0; i < 6; i++) {
            way.now(Relay.Way.THROUGH);
            BED.bean(JdbcClient.class)
                    .sql("update filing_target set waits_until = null")
                    .update();
            int seen = names(bucket).size();
            int most = seen + 2;
            Wait.until("some more", () -> {
                BED.bean(JdbcClient.class)
                        .sql("update filing_target set waits_until = null")
                        .update();
                return names(bucket).size() >= Math.min(most, 8);
            });
            way.now(Relay.Way.CUT);
        }
        way.now(Relay.Way.THROUGH);
        awaitFiled();
        assertWhole(bucket);
    }

    private void settle(Map<String, Object> terms, String secret) {
        Map<String, Object> settled = new HashMap<>();
        settled.put("revision", target().get("revision").asInt());
        settled.put("terms", terms);
        settled.put("password", secret);
        Client.Answer answer = OFFICE.client.put(FILING + "/" + made.get(0), settled);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    @Test
    void whatIsNoBucketIsSaidWhereItStands() {
        for (String wrong : List.of(
                "papers",
                "ftp://127.0.0.1/papers/",
                "http://a:b@127.0.0.1/papers",
                "http://127.0.0.1/",
                "http://127.0.0.1/Papers/",
                "http://127.0.0.1/papers/../x/",
                "http://127.0.0.1/papers/a%20b/",
                "http://127.0.0.1/papers?x",
                "https://10.0.0.1/papers/")) {
            Client.Answer answer = OFFICE.client.post(FILING, Map.of("terms", terms(wrong, "x"), "password", "x"));
            assertThat(answer.status()).as(wrong).isEqualTo(422);
            assertThat(answer.json().at("/faults/address").isMissingNode())
                    .as(wrong)
                    .isFalse();
        }
        Map<String, Object> region = terms(storage.address() + "/papers/", "x");
        region.put("region", "eu west\\n");
        assertThat(OFFICE.client
                        .post(FILING, Map.of("terms", region, "password", "x"))
                        .json()
                        .at("/faults/region")
                        .isMissingNode())
                .isFalse();
    }

    @Test
    void aNameIsTheSameInTheBucketWhateverStandsInIt() {
        Bucket bucket = storage.opened("names/");
        List<String> names = List.of(
                "100 % + #1 & co; (x) ~*' = @,.pdf",
                "Zoë/Ångström & Søn/日本語.pdf", "a%20b/c%2Fd.pdf", "a?b=c.pdf", "…/‘quoted’.pdf", "e\u0301.pdf");
        try (FilingTarget target = new BucketTarget(storage.opened("names/"), "names/".length())) {
            for (String name : names) {
                assertThat(target.put(name, name.getBytes(StandardCharsets.UTF_8)))
                        .isEqualTo(FilingTarget.Put.WRITTEN);
                assertThat(target.put(name, name.getBytes(StandardCharsets.UTF_8)))
                        .isEqualTo(FilingTarget.Put.SAME);
            }
            assertThat(names(bucket)).containsExactlyInAnyOrderElementsOf(names);
            for (String name : names) target.takeAway(name, Set.of(Sha256.of(name.getBytes(StandardCharsets.UTF_8))));
            assertThat(names(bucket)).isEmpty();
        }
    }

    @Test
    void whatIsTooLongForAnyBucketConcernsOneAgreementOnly() throws Exception {
        try (FilingTarget target = new BucketTarget(storage.opened("long/"), "long/".length())) {
            assertThat(target.put("a".repeat(1_019), new byte[] {1})).isEqualTo(FilingTarget.Put.WRITTEN);
            assertThat(target.put("a".repeat(1_019), new byte[] {1})).isEqualTo(FilingTarget.Put.SAME);
            assertThat(target.put("a".repeat(1_019), new byte[] {2})).isEqualTo(FilingTarget.Put.OTHER);
            assertThatThrownBy(() -> target.put("é".repeat(510), new byte[] {1}))
                    .isInstanceOf(FilingTarget.DoesNotFit.class)
                    .hasMessageContaining("1,019");
            target.takeAway("a".repeat(1_019), Set.of(Sha256.of(new byte[] {2})));
            assertThat(storage.opened("long/").get("a".repeat(1_019))).isPresent();
            target.takeAway("a".repeat(1_019), Set.of(Sha256.of(new byte[] {1})));
            target.takeAway("never there", Set.of(Sha256.of(new byte[] {1})));
            assertThat(storage.opened("long/").get("a".repeat(1_019))).isEmpty();
        }
    }
}
