package org.jalousie.core.parties;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * When an office works, in its own time zone. Mail that chases people goes out only then; days are counted by the calendar, so
 * that a day on which the clock changes has 23 or 25 hours and mail still goes at the same time of day.
 *
 * @param opens the first moment of a working day in which mail may go
 * @param closes from when on it may not go any more
 */
public record OfficeCalendar(
        ZoneId zone, Set<DayOfWeek> workingDays, LocalTime opens, LocalTime closes, List<Holiday> holidays) {
    /** Longer than any run of holidays; one who works on no day of two years is not waited for. */
    private static final int LONGEST_PAUSE = 731;

    private static final Set<DayOfWeek> WEEK = EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY);

    /** @throws IllegalArgumentException without a working day, or when it closes before it opens */
    public OfficeCalendar {
        if (workingDays.isEmpty()) throw new IllegalArgumentException("no working day");
        if (!opens.isBefore(closes)) throw new IllegalArgumentException("closes before it opens");
        workingDays = Set.copyOf(workingDays);
        holidays = List.copyOf(holidays);
    }

    /** Monday to Friday, eight to six (common practice, no source). */
    public static OfficeCalendar usual(ZoneId zone) {
        return new OfficeCalendar(zone, WEEK, LocalTime.of(8, 0), LocalTime.of(18, 0), List.of());
    }

    public boolean isWorkingDay(LocalDate day) {
        return workingDays.contains(day.getDayOfWeek()) && holidays.stream().noneMatch(one -> one.isOn(day));
    }

    /** What the holiday of a day is called; empty when it is none. */
    public Optional<String> holidayOn(LocalDate day) {
        return holidays.stream().filter(one -> one.isOn(day)).map(Holiday::name).findFirst();
    }

    /** Whether mail may go at this moment. */
    public boolean isOpen(Instant at) {
        ZonedDateTime local = at.atZone(zone);
        return isWorkingDay(local.toLocalDate())
                && !local.toLocalTime().isBefore(opens)
                && local.toLocalTime().isBefore(closes);
    }

    /** The first moment from this one on in which mail may go. */
    public Instant open(Instant at) {
        if (isOpen(at)) return at;
        LocalDate day = at.atZone(zone).toLocalDate();
        for (int i = 0; i < LONGEST_PAUSE; i++, day = day.plusDays(1)) {
            if (!isWorkingDay(day)) continue;
            Instant morning = day.atTime(opens).atZone(zone).toInstant();
            if (!morning.isBefore(at)) return morning;
        }
        return at;
    }

    /** The last opening of a working day that is not after this moment; the moment itself when mail may go then. */
    public Instant openBefore(Instant at) {
        if (isOpen(at)) return at;
        LocalDate day = at.atZone(zone).toLocalDate();
        for (int i = 0; i < LONGEST_PAUSE; i++, day = day.minusDays(1)) {
            if (!isWorkingDay(day)) continue;
            Instant morning = day.atTime(opens).atZone(zone).toInstant();
            if (!morning.isAfter(at)) return morning;
        }
        return at;
    }

    /** So many days of the calendar later, at the same time of day. */
    public Instant later(Instant at, int days) {
        return at.atZone(zone).plusDays(days).toInstant();
    }

    /** When the office opens on the day that is so many days before the last one on which something can be done. */
    public Instant morningBefore(Instant end, int days) {
        LocalDate last = end.minusNanos(1).atZone(zone).toLocalDate();
        return last.minusDays(days).atTime(opens).atZone(zone).toInstant();
    }

    /** The end of a day: the first moment of the next one. */
    public Instant endOf(LocalDate day) {
        return day.plusDays(1).atStartOfDay(zone).toInstant();
    }

    /** The end of the day that is so many days after this moment's; on that whole day it can still be done. */
    public Instant endAfter(Instant at, int days) {
        return endOf(at.atZone(zone).toLocalDate().plusDays(days));
    }
}
