package org.jalousie.server.archive.stamps;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.StampPolicy;

/** Archive time stamps as the room shows them. */
final class StampViews {
    private StampViews() {}

    /** How a stamp stands. */
    @Schema(name = "StampStanding")
    enum Standing {
        HOLDS,
        /** To be renewed. */
        DUE,
        /** Its algorithm is relied on no longer. */
        TO_HASH_ANEW,
        /** Its certificate has ended, and nobody has renewed it before. */
        ENDED,
        RENEWED,
        /** Nothing rests on it any more. */
        LET_GO
    }

    /**
     * A stamp in the list.
     *
     * @param algorithm for example {@code SHA-256}
     * @param files how many of agreements it is over; {@code roots} daily roots, {@code stamps} that it renews
     * @param endsAt when its certificate ends
     * @param dueAt from when on it is renewed
     * @param renewedBy the number of the stamp over it; null while there is none
     */
    record ArchiveStampRow(
            long number,
            Instant stampedAt,
            String stampedBy,
            String algorithm,
            int files,
            int roots,
            int stamps,
            Instant endsAt,
            Instant dueAt,
            Standing standing,
            @Schema(types = {"integer", "null"}) Long renewedBy) {}

    /**
     * How all stamps stand.
     *
     * @param waiting completed agreements without a stamp, up to a thousand
     * @param due stamps that are to be renewed
     * @param nextDue when the next is due; null when none is in force
     * @param lookedAt when all was looked at last; null before the first time
     * @param said what isn't as it should be, as of then
     * @param edition counts changes of the policy
     */
    record ArchiveStampsState(
            int waiting,
            int due,
            @Schema(types = {"string", "null"}) Instant nextDue,
            @Schema(types = {"string", "null"}) Instant lookedAt,
            List<String> said,
            PolicyView policy,
            int edition) {}

    /**
     * When stamps are renewed.
     *
     * @param renewDays how many days before certificate or algorithm end
     * @param algorithm of new stamps
     * @param until the last day on which an algorithm is relied on; left out for those of which no end is known
     */
    @Schema(name = "StampPolicy")
    record PolicyView(int renewDays, HashAlgorithm algorithm, Map<HashAlgorithm, LocalDate> until) {
        static PolicyView of(StampPolicy policy) {
            return new PolicyView(policy.renewDays(), policy.algorithm(), policy.until());
        }

        StampPolicy policy() {
            Map<HashAlgorithm, LocalDate> days = new EnumMap<>(HashAlgorithm.class);
            if (until != null)
                until.forEach((one, day) -> {
                    if (day != null) days.put(one, day);
                });
            return new StampPolicy(renewDays, algorithm, days);
        }
    }

    /** @param edition that was looked at */
    @Schema(name = "ChosenStampPolicy")
    record Chosen(PolicyView policy, int edition) {}
}
