package org.jalousie.server.office;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.parties.Holiday;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.server.account.SignedIn;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The office's calendar over HTTP. */
@RestController
@RequestMapping("/api/v1/office/calendar")
class CalendarController {
    private final CalendarService service;

    CalendarController(CalendarService service) {
        this.service = service;
    }

    /**
     * When the office works.
     *
     * @param zone the office's time zone, which its operator sets
     * @param opens from when on mail may go on a working day, {@code closes} until when
     * @param revision which change of the calendar this is; a change says which one it was made from
     */
    record CalendarView(
            String zone,
            List<DayOfWeek> workingDays,
            LocalTime opens,
            LocalTime closes,
            List<Holiday> holidays,
            int revision) {}

    /** A change of the hours, made from a revision of them. */
    record ChangedHours(
            int revision, List<DayOfWeek> workingDays, LocalTime opens, LocalTime closes, List<Holiday> holidays) {}

    /** When the office works. */
    @GetMapping
    CalendarView show() {
        return view(service.calendar(), service.revision());
    }

    /** Settles when the office works. */
    @PutMapping
    CalendarView change(@RequestBody ChangedHours view, @AuthenticationPrincipal SignedIn by) {
        int revision = service.change(
                view.revision(),
                view.workingDays() == null ? Set.of() : new HashSet<>(view.workingDays()),
                view.opens(),
                view.closes(),
                view.holidays() == null ? List.of() : view.holidays(),
                by.displayName());
        return view(service.calendar(), revision);
    }

    private static CalendarView view(OfficeCalendar calendar, int revision) {
        return new CalendarView(
                calendar.zone().getId(),
                calendar.workingDays().stream().sorted().toList(),
                calendar.opens(),
                calendar.closes(),
                calendar.holidays(),
                revision);
    }
}
