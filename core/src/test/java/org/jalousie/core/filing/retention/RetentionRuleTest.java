package org.jalousie.core.filing.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.jalousie.core.agreement.State;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RetentionRuleTest {
    @ParameterizedTest
    @CsvSource({
        // § 257 (5) HGB, § 147 (4) AO: ten years from the end of the calendar year
        "COMPLETED, 120, true, 2016-02-29, 2026-12-31",
        "COMPLETED, 120, true, 2016-12-31, 2026-12-31",
        "COMPLETED, 120, false, 2016-02-29, 2026-02-28",
        "COMPLETED, 1, false, 2027-01-31, 2027-02-28",
        "DECLINED, 6, false, 2027-08-31, 2028-02-29",
        "WITHDRAWN, 6, true, 2027-03-01, 2028-06-30",
        "EXPIRED, 1, false, 2027-03-01, 2027-04-01"
    })
    void isKeptUntil(State state, int months, boolean yearEnd, LocalDate counted, LocalDate until) {
        RetentionRule rule = state == State.COMPLETED
                ? new RetentionRule(months, 0, yearEnd)
                : new RetentionRule(0, months, yearEnd);
        assertThat(rule.until(state, counted)).contains(until);
    }

    @Test
    void whatHasNoTimeIsKeptForEver() {
        assertThat(RetentionRule.NONE.until(State.COMPLETED, LocalDate.EPOCH)).isEmpty();
        assertThat(RetentionRule.NONE.over(State.DECLINED, LocalDate.EPOCH)).isEmpty();
        assertThat(RetentionRule.NONE.isForEver()).isTrue();
        assertThat(new RetentionRule(0, 1, false).isForEver()).isFalse();
        assertThat(new RetentionRule(0, 1, false).until(State.COMPLETED, LocalDate.EPOCH))
                .isEmpty();
    }

    @Test
    void whatIsOverIsWhatIsKeptNoLongerForEachDayOfFiveYears() {
        for (int months : new int[] {1, 2, 11, 12, 13, 120})
            for (boolean yearEnd : new boolean[] {false, true}) {
                RetentionRule rule = new RetentionRule(months, 0, yearEnd);
                for (LocalDate today = LocalDate.of(2027, 1, 1); today.getYear() < 2032; today = today.plusDays(1)) {
                    LocalDate over = rule.over(State.COMPLETED, today).orElseThrow();
                    assertThat(rule.until(State.COMPLETED, over).orElseThrow())
                            .as("%s counted from %s, on %s", rule, over, today)
                            .isBefore(today);
                    assertThat(rule.until(State.COMPLETED, over.plusDays(1)).orElseThrow())
                            .as("%s counted from the day after %s, on %s", rule, over, today)
                            .isAfterOrEqualTo(today);
                }
            }
    }

    @Test
    void aTimeBelowNothingOrBeyondACenturyIsRefusedAtItsPlace() {
        assertThat(new RetentionRule(-1, 1201, false).faults()).containsOnlyKeys("completed", "inVain");
        assertThat(new RetentionRule(1200, 0, true).faults()).isEmpty();
    }

    @Test
    void itIsReadAsItWasWritten() {
        RetentionRule rule = new RetentionRule(120, 6, true);
        assertThat(Json.canonical(rule)).isEqualTo("{\"completed\":120,\"inVain\":6,\"yearEnd\":true}");
        assertThat(Json.MAPPER.readValue(Json.canonical(rule), RetentionRule.class))
                .isEqualTo(rule);
    }
}
