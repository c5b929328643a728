package org.jalousie.server.archive.stamps;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A certificate of the time-stamp service that ends, as real ones do after years and this one after a minute. */
class StampsOutliveTest {
    private static final Testbed BED = Testbed.start();
    private static final Duration LIFE = Duration.ofSeconds(50);

    @AfterAll
    static void asItWas() {
        BED.newTimeStampUnit(Duration.ofDays(1825));
    }

    @Test
    void agreementsOutliveTheCertificatesThatStampedThem() {
        StampsHand hand = new StampsHand(BED);
        String template = hand.office.publish("Outlived", Office.loanWording());
        Instant begun = Instant.now();
        BED.newTimeStampUnit(LIFE);
        String kept = hand.office.completed(template, "Ida Marsh");
        hand.round();
        JsonNode first = hand.row(hand.stampOf(kept));
        assertThat(Instant.parse(first.get("endsAt").asString())).isBefore(begun.plus(LIFE.plusSeconds(10)));
        // no stamp is put on this one, as if nobody had cared for it
        String forgotten = hand.office.completed(template, "Otto Reed");

        BED.newTimeStampUnit(Duration.ofDays(1825));
        Instant due = Instant.parse(first.get("dueAt").asString());
        Wait.until("due", () -> Instant.now().isAfter(due));
        String others = hand.sql
                .sql("select string_agg(id::text, ',') from agreement where number = ?")
                .param(forgotten)
                .query(String.class)
                .single();
        hand.sql
                .sql("update agreement set state = 'SEALING' where id = cast(? as uuid)")
                .param(others)
                .update();
        hand.round();
        hand.sql
                .sql("update agreement set state = 'COMPLETED' where id = cast(? as uuid)")
                .param(others)
                .update();
        assertThat(hand.row(first.get("number").asLong()).get("standing").asString())
                .isEqualTo("RENEWED");

        Instant over = Instant.parse(first.get("endsAt").asString()).plusSeconds(1);
        Wait.until("over", () -> Instant.now().isAfter(over));
        JsonNode checked = hand.check(kept);
        assertThat(checked.get("intact").asBoolean()).as(checked.toString()).isTrue();
        assertThat(hand.check(forgotten).get("intact").asBoolean()).isFalse();
    }

    @Test
    void agreementsOutliveTheRootOfTheTrustService() {
        StampsHand hand = new StampsHand(BED);
        String number = hand.office.completed(hand.office.publish("Other root", Office.loanWording()), "Ada Finch");
        hand.round();
        hand.assertIntact(number);
        BED.trustDown();
        BED.trustUp("another trust service");
        try {
            // it is asked for its roots from time to time; other tests have been up to 92 days ahead
            BED.bean(TestClock.class).ahead(Duration.ofDays(100));
            TrustService trust = BED.bean(TrustService.class);
            Wait.until("other roots", () -> trust.anchors().size() > 1);
            // as whatever is sealed at this moment asks for
            trust.officeSeal();
            trust.officeWordSeal();
            hand.assertIntact(number);
        } finally {
            BED.bean(TestClock.class).ahead(Duration.ZERO);
            BED.trustDown();
            BED.trustUp();
        }
        hand.assertIntact(number);
        // it knows nothing of the certificates that the other one issued: the office has new ones
        String later = hand.office.completed(hand.office.publish("As before", Office.loanWording()), "Ada Finch");
        assertThat(hand.check(later).get("intact").asBoolean()).isTrue();
    }
}
