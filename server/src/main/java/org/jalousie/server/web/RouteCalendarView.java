package org.jalousie.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.stream.Stream;
import org.jalousie.core.agreement.RouteCalendar;
import org.jalousie.core.parties.OfficeCalendar;

/**
 * A route as a calendar.
 *
 * @param zone the office's time zone, by which its days go
 * @param now the moment that parts what has happened from what is expected
 * @param closed the days between the first and the last moment on which the office doesn't work
 */
@Schema(name = "RouteCalendar")
public record RouteCalendarView(
        String zone,
        Instant now,
        LocalTime opens,
        LocalTime closes,
        List<RouteCalendar.Moment> moments,
        List<Closed> closed) {
    /** Longer than any terms run. */
    private static final int MOST_DAYS = 800;

    /** A day without work. @param name of the holiday; empty for a day of the week that is none of work */
    @Schema(name = "ClosedDay")
    public record Closed(LocalDate day, String name) {}

    public static RouteCalendarView of(List<RouteCalendar.Moment> moments, OfficeCalendar calendar, Instant now) {
        return new RouteCalendarView(
                calendar.zone().getId(),
                now,
                calendar.opens(),
                calendar.closes(),
                moments,
                moments.isEmpty() ? List.of() : closed(moments, calendar));
    }

    private static List<Closed> closed(List<RouteCalendar.Moment> moments, OfficeCalendar calendar) {
        LocalDate first = moments.get(0).at().atZone(calendar.zone()).toLocalDate();
        LocalDate last =
                moments.get(moments.size() - 1).at().atZone(calendar.zone()).toLocalDate();
        return Stream.iterate(first.minusDays(7), day -> !day.isAfter(last.plusDays(7)), day -> day.plusDays(1))
                .limit(MOST_DAYS)
                .filter(day -> !calendar.isWorkingDay(day))
                .map(day -> new Closed(day, calendar.holidayOn(day).orElse("")))
                .toList();
    }
}
