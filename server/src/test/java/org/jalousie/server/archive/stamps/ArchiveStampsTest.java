package org.jalousie.server.archive.stamps;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Archive time stamps: put on what was completed, renewed in time, hashed anew, and found out when they were changed. */
class ArchiveStampsTest {
    private static final Testbed BED = Testbed.start();
    private static StampsHand hand;
    private static String template;
    private static String number;
    /** The stamp that it was put under first. */
    private static long stamp;

    @BeforeAll
    static void oneThatIsStamped() {
        hand = new StampsHand(BED);
        BED.newTimeStampUnit(Duration.ofDays(1825));
        template = hand.office.publish("Stamps", Office.loanWording());
        number = hand.office.completed(template, "Ida Marsh");
        assertThat(hand.office.client.post("/api/v1/daily-roots", Map.of()).status())
                .isEqualTo(201);
        JsonNode state = hand.round();
        assertThat(hand.said(state)).isEmpty();
        assertThat(state.get("waiting").asInt()).isEqualTo(hand.leftWaiting());
        assertThat(state.get("due").asInt()).isZero();
        stamp = hand.stampOf(number);
        assertThat(hand.row(stamp).get("standing").asString()).isEqualTo("HOLDS");
    }

    @AfterEach
    void asItWas() {
        BED.newTimeStampUnit(Duration.ofDays(1825));
        assertThat(hand.choose(90, "SHA_256", Map.of()).status()).isEqualTo(200);
    }

    @Test
    void whatIsCompletedAndTheDailyRootsAreProvenToAnybody() {
        hand.assertIntact(number);
        Map<String, byte[]> records = hand.records(number);
        assertThat(records.keySet())
                .hasSize(2)
                .allSatisfy(name -> assertThat(name).startsWith(number).endsWith(".pdf.ers"));
        byte[] record = records.values().iterator().next();
        byte[] file = hand.agreementFile(number);
        assertThat(hand.proves(record, file)).isTrue();
        assertThat(hand.proves(record, "another".getBytes())).isFalse();

        byte[] container = hand.office
                .client
                .get("/api/v1/archive/" + number + "/evidence.asice")
                .body();
        Map<String, byte[]> inside = StampsHand.entries(container);
        String path = inside.keySet().stream()
                .filter(one -> one.contains("/documents/") && one.endsWith(".ers"))
                .findFirst()
                .orElseThrow();
        assertThat(hand.proves(inside.get(path), inside.get(path.substring(0, path.length() - 4))))
                .isTrue();

        String root = "/api/v1/daily-roots/1";
        Map<String, byte[]> roots = StampsHand.entries(
                hand.office.client.get(root + "/evidence-records.zip").body());
        assertThat(hand.proves(
                        roots.get("root-1.json.ers"),
                        hand.office.client.get(root + ".json").body()))
                .isTrue();
        assertThat(hand.proves(
                        roots.get("root-1.tst.ers"),
                        hand.office.client.get(root + ".tst").body()))
                .isTrue();
        assertThat(hand.office
                        .client
                        .get(StampsHand.STAMPS + "/" + stamp + ".tst")
                        .body())
                .isNotEmpty();
        JsonNode row = hand.row(stamp);
        assertThat(row.get("roots").asInt()).isPositive();
        assertThat(row.get("files").asInt()).isPositive();
        assertThat(hand.office.client.get(StampsHand.STAMPS + "/99999.tst").status())
                .isEqualTo(404);
        assertThat(hand.office
                        .client
                        .get("/api/v1/daily-roots/99999/evidence-records.zip")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whatIsDueIsRenewedOnce() {
        long before = hand.stampOf(number);
        hand.endTomorrow();
        assertThat(hand.row(before).get("standing").asString()).isEqualTo("DUE");
        JsonNode due = hand.office.client.get(StampsHand.STAMPS + "/state").json();
        assertThat(due.get("due").asInt()).isPositive();
        List<Integer> had = hand.chains(number);
        JsonNode state = hand.round();
        assertThat(hand.said(state)).isEmpty();
        assertThat(state.get("due").asInt()).isZero();
        JsonNode old = hand.row(before);
        assertThat(old.get("standing").asString()).isEqualTo("RENEWED");
        assertThat(old.get("renewedBy").asLong()).isEqualTo(hand.stampOf(number));
        assertThat(hand.chains(number).get(had.size() - 1)).isEqualTo(had.get(had.size() - 1) + 1);
        hand.assertIntact(number);
        long after = hand.stampOf(number);
        hand.round();
        assertThat(hand.stampOf(number)).isEqualTo(after);
        assertThat(hand.proves(hand.records(number).values().iterator().next(), hand.agreementFile(number)))
                .isTrue();
    }

    @Test
    void aServiceWithoutANewerCertificateIsToldAndAskedAgain() {
        hand.endTomorrow();
        BED.newTimeStampUnit(Duration.ofHours(1));
        long before = hand.stampOf(number);
        JsonNode state = hand.round();
        assertThat(hand.said(state))
                .hasSize(1)
                .allSatisfy(one -> assertThat(one).contains("which gains nothing"));
        assertThat(state.get("due").asInt()).isPositive();
        assertThat(hand.stampOf(number)).isEqualTo(before);
        assertThat(hand.office.client.get("/api/v1/today").json().get("stamps").toString())
                .contains("which gains nothing");
        // by itself it isn't asked again for some hours, and what was said stays said
        BED.bean(ArchiveStamps.class).round(false);
        assertThat(hand.stampOf(number)).isEqualTo(before);
        BED.newTimeStampUnit(Duration.ofDays(1825));
        assertThat(hand.said(hand.round())).isEmpty();
        assertThat(hand.stampOf(number)).isGreaterThan(before);
        assertThat(hand.office.client.get("/api/v1/today").json().get("stamps").toString())
                .doesNotContain("which gains nothing");
        hand.assertIntact(number);
    }

    @Test
    void anAlgorithmThatEndsIsLeftInTime() {
        String today = LocalDate.now().toString();
        String mine = hand.office.completed(template, "Mara Lind");
        hand.round();
        long before = hand.stampOf(mine);
        List<Integer> had = hand.chains(mine);
        assertThat(hand.choose(30, "SHA_512", Map.of("SHA_256", today)).status())
                .isEqualTo(200);
        assertThat(hand.row(before).get("standing").asString()).isEqualTo("TO_HASH_ANEW");
        assertThat(hand.said(hand.round())).isEmpty();
        assertThat(hand.chains(mine)).hasSize(had.size() + 1);
        assertThat(hand.row(before).get("standing").asString()).isEqualTo("LET_GO");
        assertThat(hand.row(hand.stampOf(mine)).get("algorithm").asString()).isEqualTo("SHA-512");
        hand.assertIntact(mine);
        // and goes on from there: the new chain is renewed, the old one isn't
        hand.endTomorrow();
        assertThat(hand.said(hand.round())).isEmpty();
        List<Integer> now = hand.chains(mine);
        assertThat(now.get(now.size() - 1)).isEqualTo(2);
        assertThat(now.subList(0, had.size())).isEqualTo(had);
        hand.assertIntact(mine);

        String later = hand.office.completed(template, "Otto Reed");
        hand.round();
        assertThat(hand.row(hand.stampOf(later)).get("algorithm").asString()).isEqualTo("SHA-512");
        hand.assertIntact(later);
    }

    @Test
    void aFileThatWasChangedIsNotStampedAnewAndIsTold() {
        String other = hand.office.completed(template, "Ada Finch");
        hand.round();
        long before = hand.stampOf(other);
        byte[] file = hand.agreementFile(other);
        DamagedFile.with(BED, file, () -> {
            assertThat(hand.choose(30, "SHA_384", Map.of("SHA_256", "2020-01-01", "SHA_512", "2020-01-01"))
                            .status())
                    .isEqualTo(200);
            JsonNode state = hand.round();
            assertThat(hand.said(state)).anySatisfy(one -> assertThat(one).startsWith(other));
            assertThat(hand.check(other).get("intact").asBoolean()).isFalse();
        });
        // brought back from the backup it goes on by itself
        assertThat(hand.said(hand.round())).isEmpty();
        assertThat(hand.stampOf(other)).isGreaterThan(before);
        hand.assertIntact(other);
    }

    @Test
    void roundsAtOneMomentStampEachOnce() throws Exception {
        List<String> some = new ArrayList<>();
        for (String lender : List.of("Ida Marsh", "Otto Reed", "Ada Finch"))
            some.add(hand.office.completed(template, lender));
        hand.endTomorrow();
        List<Callable<Client.Answer>> rounds = new ArrayList<>();
        for (int i = 0; i < 6; i++)
            rounds.add(() -> new Office(BED.address()).client.post(StampsHand.STAMPS + "/rounds", Map.of()));
        for (Client.Answer answer : Together.all(rounds))
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        for (String one : some) {
            assertThat(hand.chains(one)).hasSize(1);
            hand.assertIntact(one);
        }
        hand.assertIntact(number);
    }

    @Test
    void whatWasAwayIsMadeUpFor() {
        String other = hand.office.completed(template, "Ada Finch");
        BED.trustDown();
        try {
            Client.Answer answer = hand.office.client.post(StampsHand.STAMPS + "/rounds", Map.of());
            assertThat(answer.status()).as(answer.text()).isEqualTo(503);
            BED.bean(ArchiveStamps.class).round(false);
            JsonNode state =
                    hand.office.client.get(StampsHand.STAMPS + "/state").json();
            assertThat(state.get("waiting").asInt()).isPositive();
            assertThat(hand.office
                            .client
                            .get("/api/v1/archive/" + other + "/evidence-records.zip")
                            .status())
                    .isEqualTo(404);
        } finally {
            BED.trustUp();
        }
        assertThat(hand.said(hand.round())).isEmpty();
        hand.assertIntact(other);
    }

    @Test
    void thePolicyIsChosenWithCare() {
        assertThat(hand.choose(0, "SHA_256", Map.of()).json().get("faults").toString())
                .contains("renewDays");
        assertThat(hand.choose(90, "SHA_256", Map.of("SHA_256", LocalDate.now().toString()))
                        .json()
                        .get("faults")
                        .toString())
                .contains("algorithm");
        assertThat(hand.choose(90, "MD5", Map.of()).status()).isEqualTo(400);
        assertThat(hand.office
                        .client
                        .put(StampsHand.STAMPS + "/policy", Map.of("edition", 1))
                        .status())
                .isEqualTo(400);
        int edition = hand.office
                .client
                .get(StampsHand.STAMPS + "/state")
                .json()
                .get("edition")
                .asInt();
        assertThat(hand.choose(120, "SHA_384", Map.of(), edition).status()).isEqualTo(200);
        assertThat(hand.choose(60, "SHA_256", Map.of(), edition).status()).isEqualTo(409);
        assertThat(hand.choose(60, "SHA_256", Map.of(), 0).status()).isEqualTo(409);
        JsonNode now = hand.office.client.get(StampsHand.STAMPS + "/state").json();
        assertThat(now.get("policy").get("renewDays").asInt()).isEqualTo(120);
        assertThat(now.get("policy").get("algorithm").asString()).isEqualTo("SHA_384");
        assertThat(hand.office.client.get("/api/v1/trail").text()).contains("SHA-384");
    }

    @Test
    void aLongListComesInPages() {
        hand.sql
                .sql(
                        "insert into archive_stamp (number, algorithm, imprint, token, stamped_at, stamped_by, holds_until, files, roots,"
                                + " stamps) select (select max(number) from archive_stamp) + n, 'SHA_256', '', '', now(), 'CN=X',"
                                + " now() + interval '5 years', 0, 0, 0 from generate_series(1, 51) n")
                .update();
        try {
            JsonNode all =
                    hand.office.client.get(StampsHand.STAMPS + "?all=true").json();
            assertThat(all.get("items")).hasSize(50);
            assertThat(all.get("total").asInt()).isGreaterThan(51);
            JsonNode second = hand.office
                    .client
                    .get(StampsHand.STAMPS + "?all=true&page=1")
                    .json();
            assertThat(second.get("items").get(0).get("number").asLong())
                    .isEqualTo(all.get("items").get(49).get("number").asLong() - 1);
            JsonNode force = hand.office.client.get(StampsHand.STAMPS).json();
            assertThat(force.get("total").asInt()).isGreaterThan(50);
        } finally {
            hand.rule("delete from archive_stamp where stamped_by = 'CN=X'");
        }
    }
}
