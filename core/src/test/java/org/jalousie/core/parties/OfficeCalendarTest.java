package org.jalousie.core.parties;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Days of a calendar worked by hand. The rules of clock changes are the IANA time zone database's, as Java carries it. */
class OfficeCalendarTest {
    private static final ZoneId AMSTERDAM = ZoneId.of("Europe/Amsterdam");
    private static final OfficeCalendar OFFICE = new OfficeCalendar(
            AMSTERDAM,
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
            LocalTime.of(8, 30),
            LocalTime.of(17, 0),
            List.of(
                    new Holiday(LocalDate.of(2026, 12, 25), "Christmas Day", true),
                    new Holiday(LocalDate.of(2026, 12, 26), "Second Christmas Day", true),
                    new Holiday(LocalDate.of(2027, 1, 1), "New Year", true),
                    new Holiday(LocalDate.of(2027, 3, 29), "Easter Monday", false),
                    new Holiday(LocalDate.of(2028, 2, 29), "Leap day", true)));

    private static Instant at(String local) {
        return LocalDateTime.parse(local).atZone(AMSTERDAM).toInstant();
    }

    @ParameterizedTest
    @CsvSource({
        // within the hours of a working day, at the first moment and at the last but one
        "2026-11-26T14:20, 2026-11-26T14:20",
        "2026-11-26T08:30, 2026-11-26T08:30",
        "2026-11-26T16:59:59, 2026-11-26T16:59:59",
        // before, after, and the moment at which it closes
        "2026-11-26T03:00, 2026-11-26T08:30",
        "2026-11-26T17:00, 2026-11-27T08:30",
        // a Friday evening, a Saturday, a Sunday
        "2026-11-27T17:00, 2026-11-30T08:30",
        "2026-11-28T12:00, 2026-11-30T08:30",
        "2026-11-29T23:59, 2026-11-30T08:30",
        // Christmas on a Friday and a Saturday, New Year on a Friday
        "2026-12-24T18:00, 2026-12-28T08:30",
        "2026-12-31T18:00, 2027-01-04T08:30",
        // the same holiday a year later, on a Saturday and a Sunday
        "2027-12-24T18:00, 2027-12-27T08:30",
        // Easter Monday of one year only
        "2027-03-26T18:00, 2027-03-30T08:30",
        "2028-03-29T10:00, 2028-03-29T10:00",
        // a holiday on the leap day, a Tuesday, in leap years only
        "2028-02-28T18:00, 2028-03-01T08:30",
        "2027-02-26T18:00, 2027-03-01T08:30",
    })
    void mailWaitsForTheNextMomentInWhichTheOfficeWorks(String from, String until) {
        assertThat(OFFICE.open(at(from))).isEqualTo(at(until));
        assertThat(OFFICE.isOpen(OFFICE.open(at(from)))).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "2026-11-26T14:20, 2026-11-26T14:20",
        "2026-11-26T18:00, 2026-11-26T08:30",
        "2026-11-28T08:30, 2026-11-27T08:30",
        "2026-12-27T08:30, 2026-12-24T08:30",
    })
    void theLastWorkingTimeBeforeAMoment(String from, String before) {
        assertThat(OFFICE.openBefore(at(from))).isEqualTo(at(before));
    }

    @Test
    void daysKeepTheirTimeOverBothChangesOfTheClock() {
        // 29 March 2026 has 23 hours in Amsterdam, 25 October 2026 has 25
        assertThat(OFFICE.later(at("2026-03-27T09:00"), 5)).isEqualTo(Instant.parse("2026-04-01T07:00:00Z"));
        assertThat(at("2026-03-27T09:00")).isEqualTo(Instant.parse("2026-03-27T08:00:00Z"));
        assertThat(OFFICE.later(at("2026-10-23T09:00"), 5)).isEqualTo(Instant.parse("2026-10-28T08:00:00Z"));
        assertThat(at("2026-10-23T09:00")).isEqualTo(Instant.parse("2026-10-23T07:00:00Z"));
        assertThat(OFFICE.endOf(LocalDate.of(2026, 3, 28))).isEqualTo(Instant.parse("2026-03-28T23:00:00Z"));
        assertThat(OFFICE.endOf(LocalDate.of(2026, 3, 29))).isEqualTo(Instant.parse("2026-03-29T22:00:00Z"));
        assertThat(OFFICE.endOf(LocalDate.of(2026, 10, 25))).isEqualTo(Instant.parse("2026-10-25T23:00:00Z"));
    }

    @Test
    void aTimeThatTheClockSkipsIsTheFirstOneAfterTheGap() {
        OfficeCalendar early = new OfficeCalendar(
                AMSTERDAM, EnumSet.allOf(DayOfWeek.class), LocalTime.of(2, 30), LocalTime.of(17, 0), List.of());
        assertThat(early.open(at("2026-03-29T00:00"))).isEqualTo(Instant.parse("2026-03-29T01:30:00Z"));
        // the hour that comes twice: the first one
        assertThat(early.open(at("2026-10-25T00:00"))).isEqualTo(Instant.parse("2026-10-25T00:30:00Z"));
    }

    @Test
    void aTermEndsWithItsLastDayAlsoOverALeapDay() {
        assertThat(OFFICE.endAfter(at("2028-02-28T15:00"), 1)).isEqualTo(at("2028-03-01T00:00"));
        assertThat(OFFICE.endAfter(at("2028-02-28T15:00"), 2)).isEqualTo(at("2028-03-02T00:00"));
        assertThat(OFFICE.endAfter(at("2027-02-28T15:00"), 1)).isEqualTo(at("2027-03-02T00:00"));
        assertThat(OFFICE.endAfter(at("2026-11-26T00:00"), 30)).isEqualTo(at("2026-12-27T00:00"));
    }

    @Test
    void anOfficeThatNeverWorksIsNoneAndOneThatRestsForYearsIsNotWaitedFor() {
        assertThatThrownBy(() ->
                        new OfficeCalendar(AMSTERDAM, Set.of(), LocalTime.of(8, 0), LocalTime.of(17, 0), List.of()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new OfficeCalendar(
                        AMSTERDAM, Set.of(DayOfWeek.MONDAY), LocalTime.of(17, 0), LocalTime.of(17, 0), List.of()))
                .isInstanceOf(IllegalArgumentException.class);
        List<Holiday> always = LocalDate.of(2028, 1, 1)
                .datesUntil(LocalDate.of(2029, 1, 1))
                .map(day -> new Holiday(day, "", true))
                .toList();
        OfficeCalendar resting = new OfficeCalendar(
                AMSTERDAM, EnumSet.allOf(DayOfWeek.class), LocalTime.of(8, 0), LocalTime.of(17, 0), always);
        assertThat(resting.open(at("2026-11-26T03:00"))).isEqualTo(at("2026-11-26T03:00"));
    }
}
