package org.jalousie.core.filing.retention;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.time.LocalDate;
import java.time.MonthDay;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.State;
import org.jalousie.core.messages.Message;

/**
 * How long a template's agreements are kept after they have ended: no longer than their purpose asks for (GDPR Art. 5(1)(e)).
 * It is counted in days of the office, from the day on which an agreement ended or from the last of its watched days, whichever
 * is later.
 *
 * @param completed in months, for those that were completed; 0 for ever
 * @param inVain in months, for those that came to nothing; 0 for ever
 * @param yearEnd whether it is counted from the end of that year, as commercial and tax law often have it (for example § 257 (5)
 *     HGB, § 147 (4) AO)
 */
public record RetentionRule(int completed, int inVain, boolean yearEnd) {
    /** All are kept for ever. */
    public static final RetentionRule NONE = new RetentionRule(0, 0, false);

    private static final int LONGEST = 1200;
    private static final MonthDay LAST = MonthDay.of(12, 31);

    /** What is wrong with it, by the names of its parts. */
    public Map<String, Message> faults() {
        Map<String, Message> faults = new LinkedHashMap<>();
        if (completed < 0 || completed > LONGEST)
            faults.put("completed", Message.of("retention.too-long", "most", LONGEST));
        if (inVain < 0 || inVain > LONGEST) faults.put("inVain", Message.of("retention.too-long", "most", LONGEST));
        return faults;
    }

    private int months(State state) {
        return state == State.COMPLETED ? completed : inVain;
    }

    /** Whether nothing is ever destroyed by it. */
    @JsonIgnore
    public boolean isForEver() {
        return completed == 0 && inVain == 0;
    }

    /**
     * The last day on which an agreement is kept.
     *
     * @param state in which it ended
     * @param counted the day that it is counted from
     * @return empty for ever
     */
    public Optional<LocalDate> until(State state, LocalDate counted) {
        int months = months(state);
        if (months == 0) return Optional.empty();
        LocalDate from = yearEnd ? counted.with(LAST) : counted;
        return Optional.of(from.plusMonths(months));
    }

    /**
     * The other way round: what is counted from this day or an earlier one has been kept long enough.
     *
     * @param today the first day after the last on which it had to be kept
     * @return empty when nothing ever has been
     */
    public Optional<LocalDate> over(State state, LocalDate today) {
        int months = months(state);
        if (months == 0) return Optional.empty();
        // months differ in length, so the day is looked for near the one that is as many months back
        LocalDate day = yearEnd
                ? today.minusMonths(months).plusYears(1).with(LAST)
                : today.minusMonths(months).plusDays(3);
        while (!until(state, day).orElseThrow().isBefore(today)) day = yearEnd ? day.minusYears(1) : day.minusDays(1);
        return Optional.of(day);
    }
}
