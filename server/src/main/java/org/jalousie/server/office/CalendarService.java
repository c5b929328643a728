package org.jalousie.server.office;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Holiday;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.trail.Trail;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Changes the office's calendar; what is out goes by the new one from then on. */
@Service
class CalendarService {
    private static final int MOST_HOLIDAYS = 500;
    private static final int LONGEST_NAME = 100;

    private final Trail trail;
    private final CalendarRows rows;
    private final OfficeHours hours;
    private final List<AfterHours> followers;
    private final RowLock lock;
    private final Settings settings;
    private final Clock clock;

    CalendarService(
            Trail trail,
            CalendarRows rows,
            OfficeHours hours,
            List<AfterHours> followers,
            RowLock lock,
            Settings settings,
            Clock clock) {
        this.trail = trail;
        this.rows = rows;
        this.hours = hours;
        this.followers = followers;
        this.lock = lock;
        this.settings = settings;
        this.clock = clock;
    }

    OfficeCalendar calendar() {
        return hours.calendar();
    }

    /** Which change of the calendar holds; 0 for the usual hours that nobody has changed. */
    @Transactional(readOnly = true)
    int revision() {
        return rows.findById(CalendarRow.ONE).map(CalendarRow::revision).orElse(0);
    }

    /** @param seen the revision that the change was made from; another one has been first where it isn't current */
    @Transactional
    int change(
            int seen,
            Set<DayOfWeek> workingDays,
            LocalTime opens,
            LocalTime closes,
            List<Holiday> holidays,
            String by) {
        OfficeCalendar calendar = read(workingDays, opens, closes, holidays);
        CalendarRow row = rows.findById(CalendarRow.ONE).map(lock::on).orElseGet(CalendarRow::first);
        if (row.revision() != seen) throw Refusal.conflict(Message.of("calendar.changed"));
        row.change(calendar, by, clock.instant());
        try {
            rows.saveAndFlush(row);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict(Message.of("calendar.changed")); // two were the first to say anything
        }
        followers.forEach(AfterHours::hoursChanged);
        trail.note(Message.of("act.office.hours"));
        return row.revision();
    }

    private OfficeCalendar read(Set<DayOfWeek> workingDays, LocalTime opens, LocalTime closes, List<Holiday> holidays) {
        if (workingDays.isEmpty() || workingDays.contains(null)) throw Refusal.invalid(Message.of("calendar.no-day"));
        if (opens == null || closes == null || !opens.isBefore(closes))
            throw Refusal.invalid(Message.of("calendar.hours"));
        if (holidays.size() > MOST_HOLIDAYS)
            throw Refusal.invalid(Message.of("calendar.holidays-many", "most", MOST_HOLIDAYS));
        Set<Object> seen = new HashSet<>();
        for (Holiday one : holidays) {
            if (one == null || one.day() == null) throw Refusal.invalid(Message.of("calendar.holiday-blank"));
            if (one.name() != null && one.name().length() > LONGEST_NAME)
                throw Refusal.invalid(Message.of("calendar.holiday-name", "most", LONGEST_NAME));
            if (!seen.add(one.day())) throw Refusal.invalid(Message.of("calendar.holiday-twice", "day", one.day()));
        }
        List<Holiday> ordered = holidays.stream()
                .map(one -> new Holiday(
                        one.day(), one.name() == null ? "" : one.name().strip(), one.everyYear()))
                .sorted(Comparator.comparing(Holiday::day))
                .toList();
        return new OfficeCalendar(settings.office().zone(), workingDays, opens, closes, ordered);
    }
}
