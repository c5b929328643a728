package org.jalousie.core.filing.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.roots.Leaf;
import org.junit.jupiter.api.Test;

class TombstoneTest {
    private static final Tombstone STONE = new Tombstone(
            "A-2016-0007",
            "Loan of an instrument",
            State.COMPLETED,
            Instant.parse("2016-02-01T09:00:00Z"),
            Instant.parse("2016-03-01T09:00:00.123456Z"),
            LocalDate.of(2026, 12, 31),
            new RetentionRule(120, 6, true),
            12,
            Sha256.of(new byte[] {7}),
            "Nora Quill",
            Instant.parse("2027-01-04T08:00:00Z"),
            true,
            Instant.parse("2027-01-05T08:00:00Z"));

    @Test
    void itIsReadAsItWasWritten() {
        assertThat(Tombstone.read(STONE.statement())).isEqualTo(STONE);
        assertThat(Tombstone.read(STONE.statement()).hash()).isEqualTo(STONE.hash());
    }

    @Test
    void itTakesThePlaceOfTheEventsAsTheLastOfTheirChain() {
        assertThat(STONE.leaf()).isEqualTo(new Leaf("A-2016-0007", 13, STONE.hash()));
        // it is chained as events are
        assertThat(EventChain.chained(STONE.lastHash().hex(), STONE.statement()))
                .isEqualTo(STONE.hash().hex());
    }

    @Test
    void aWordOfItChangedIsAnotherHash() {
        String other = STONE.statement().replace("Nora Quill", "Jonas Petrie");
        assertThat(Tombstone.read(other).hash()).isNotEqualTo(STONE.hash());
        assertThat(Optional.of(other)).isNotEqualTo(Optional.of(STONE.statement()));
    }
}
