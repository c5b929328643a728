package org.jalousie.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.agreement.RouteCalendar;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.server.Refusal;

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

    private static final int FIRST_YEAR = 1990;
    private static final int LAST_YEAR = 2190;

    /** A day without work. @param name of the holiday; empty for a day of the week that is none of work */
    @Schema(name = "ClosedDay")
    public record Closed(LocalDate day, String name) {}

    /**
     * When something would be sent.
     *
     * @param start on the office's clock; empty for now
     * @throws Refusal for a time of no calendar that anybody keeps
     */
    public static Instant start(Optional<LocalDateTime> start, OfficeCalendar calendar, Instant now) {
        if (start.isEmpty()) return now;
        int year = start.get().getYear();
        if (year < FIRST_YEAR || year > LAST_YEAR)
            throw Refusal.invalid(Message.of(
                    "calendar.start", "first", String.valueOf(FIRST_YEAR), "last", String.valueOf(LAST_YEAR)));
        return start.get().atZone(calendar.zone()).toInstant();
    }

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
