package org.jalousie.core.evidence.stamps;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Map;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;

class StampPolicyTest {
    private static final LocalDate TODAY = LocalDate.parse("2026-11-29");
    private static final Instant MADE = Instant.parse("2026-11-29T10:00:00Z");

    private static StampPolicy policy(int days, HashAlgorithm algorithm, Map<HashAlgorithm, LocalDate> until) {
        return new StampPolicy(days, algorithm, until);
    }

    @Test
    void aStampIsRenewedInTimeAndNotBeforeHalfOfIt() {
        StampPolicy policy = StampPolicy.USUAL;
        Instant end = MADE.plus(Duration.ofDays(1000));
        assertThat(policy.dueAt(MADE, end)).isEqualTo(end.minus(Duration.ofDays(90)));
        assertThat(policy.dueAt(MADE, MADE.plus(Duration.ofDays(100)))).isEqualTo(MADE.plus(Duration.ofDays(50)));
        assertThat(policy.dueAt(MADE, MADE.plusSeconds(20))).isEqualTo(MADE.plusSeconds(10));
    }

    @Test
    void anAlgorithmRunsOutSoManyDaysBeforeItsLast() {
        StampPolicy policy = policy(30, HashAlgorithm.SHA_512, Map.of(HashAlgorithm.SHA_256, TODAY.plusDays(30)));
        assertThat(policy.runsOut(HashAlgorithm.SHA_256, TODAY)).isTrue();
        assertThat(policy.runsOut(HashAlgorithm.SHA_256, TODAY.minusDays(1))).isFalse();
        assertThat(policy.runsOut(HashAlgorithm.SHA_512, TODAY)).isFalse();
        assertThat(policy.faults(TODAY)).isEmpty();
    }

    @Test
    void whatCannotBeIsToldWhereItStands() {
        assertThat(policy(0, HashAlgorithm.SHA_256, Map.of()).faults(TODAY)).containsOnlyKeys("renewDays");
        assertThat(policy(1001, HashAlgorithm.SHA_256, Map.of()).faults(TODAY)).containsOnlyKeys("renewDays");
        assertThat(policy(1, HashAlgorithm.SHA_256, Map.of(HashAlgorithm.SHA_384, LocalDate.of(12345, 1, 1)))
                        .faults(TODAY))
                .containsOnlyKeys("until.SHA_384");
        assertThat(policy(10, HashAlgorithm.SHA_256, Map.of(HashAlgorithm.SHA_256, TODAY.plusDays(10)))
                        .faults(TODAY))
                .containsOnlyKeys("algorithm");
        assertThat(policy(10, HashAlgorithm.SHA_256, Map.of(HashAlgorithm.SHA_256, TODAY.plusDays(11)))
                        .faults(TODAY))
                .isEmpty();
    }

    @Test
    void itIsKeptAsItIs() {
        StampPolicy policy = policy(30, HashAlgorithm.SHA_512, Map.of(HashAlgorithm.SHA_256, TODAY));
        assertThat(Json.MAPPER.readValue(Json.MAPPER.writeValueAsString(policy), StampPolicy.class))
                .isEqualTo(policy);
        assertThat(Json.MAPPER.readValue(Json.MAPPER.writeValueAsString(StampPolicy.USUAL), StampPolicy.class))
                .isEqualTo(StampPolicy.USUAL);
    }
}
