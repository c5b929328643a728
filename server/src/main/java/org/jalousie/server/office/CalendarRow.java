package org.jalousie.server.office;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.Holiday;
import org.jalousie.core.parties.OfficeCalendar;
import tools.jackson.core.type.TypeReference;

/** The office's one calendar. */
@Entity
@Table(name = "office_calendar")
class CalendarRow {
    static final Integer ONE = 1;

    @Id
    private Integer id = ONE;

    private String workingDays;
    private LocalTime opens;
    private LocalTime closes;

    @JdbcTypeCode(SqlTypes.JSON)
    private String holidays;

    private String changedBy;
    private Instant changedAt;
    private int revision;

    protected CalendarRow() {}

    static CalendarRow first() {
        return new CalendarRow();
    }

    void change(OfficeCalendar calendar, String by, Instant now) {
        workingDays = Arrays.stream(DayOfWeek.values())
                .filter(calendar.workingDays()::contains)
                .map(DayOfWeek::name)
                .collect(Collectors.joining(" "));
        opens = calendar.opens();
        closes = calendar.closes();
        holidays = Json.canonical(calendar.holidays());
        changedBy = by;
        changedAt = now;
        revision++;
    }

    OfficeCalendar calendar(ZoneId zone) {
        List<Holiday> days = Json.MAPPER.readValue(holidays, new TypeReference<>() {});
        return new OfficeCalendar(
                zone,
                Arrays.stream(workingDays.split(" ")).map(DayOfWeek::valueOf).collect(Collectors.toSet()),
                opens,
                closes,
                days);
    }

    int revision() {
        return revision;
    }
}
