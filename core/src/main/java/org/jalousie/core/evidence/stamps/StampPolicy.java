package org.jalousie.core.evidence.stamps;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.messages.Message;

/**
 * When archive time stamps are renewed.
 *
 * @param renewDays how many days before their certificate or their algorithm loses its force
 * @param algorithm what new hash trees are made with
 * @param until the last day on which an algorithm is relied on; none for those of which no end is known
 */
public record StampPolicy(int renewDays, HashAlgorithm algorithm, Map<HashAlgorithm, LocalDate> until) {
    private static final int FEWEST_DAYS = 1;
    private static final int MOST_DAYS = 1000;

    /** What holds until the office says otherwise. */
    public static final StampPolicy USUAL = new StampPolicy(90, HashAlgorithm.SHA_256, Map.of());

    public StampPolicy {
        until = until.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(until));
    }

    /**
     * What is wrong with it, by what it is about.
     *
     * @param today in the office's time zone
     */
    public Map<String, Message> faults(LocalDate today) {
        Map<String, Message> faults = new LinkedHashMap<>();
        if (renewDays < FEWEST_DAYS || renewDays > MOST_DAYS)
            faults.put("renewDays", Message.of("stamps.days", "fewest", FEWEST_DAYS, "most", MOST_DAYS));
        until.forEach((one, day) -> {
            if (day.getYear() < 2000 || day.getYear() > 9999) faults.put("until." + one, Message.of("stamps.no-day"));
        });
        if (faults.isEmpty() && runsOut(algorithm, today))
            faults.put("algorithm", Message.of("stamps.ends-itself", "algorithm", algorithm.standardName()));
        return faults;
    }

    /** Whether what was hashed with an algorithm is hashed with another now. */
    public boolean runsOut(HashAlgorithm one, LocalDate today) {
        return Optional.ofNullable(until.get(one))
                .filter(day -> !today.isBefore(day.minusDays(renewDays)))
                .isPresent();
    }

    /**
     * From when on a time stamp is renewed: so many days before its certificate ends, and not before half of its time has
     * passed, so that short certificates aren't renewed without end.
     */
    public Instant dueAt(Instant stamped, Instant ends) {
        Instant before = ends.minus(Duration.ofDays(renewDays));
        Instant half = stamped.plus(Duration.between(stamped, ends).dividedBy(2));
        return before.isAfter(half) ? before : half;
    }
}
