package org.jalousie.server.office;

import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.server.Settings;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads the office's calendar. */
@Component
class OfficeCalendars implements OfficeHours {
    private final CalendarRows rows;
    private final Settings settings;

    OfficeCalendars(CalendarRows rows, Settings settings) {
        this.rows = rows;
        this.settings = settings;
    }

    @Override
    @Transactional(readOnly = true)
    public OfficeCalendar calendar() {
        return rows.findById(CalendarRow.ONE)
                .map(row -> row.calendar(settings.office().zone()))
                .orElseGet(() -> OfficeCalendar.usual(settings.office().zone()));
    }
}
