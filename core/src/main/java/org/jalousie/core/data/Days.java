package org.jalousie.core.data;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.util.GregorianCalendar;
import com.ibm.icu.util.TimeZone;
import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Date;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** How days and times print in one language. */
final class Days {
    private final ULocale language;
    private final Map<String, DateFormat> formats = new ConcurrentHashMap<>();

    Days(ULocale language) {
        this.language = language;
    }

    String day(LocalDate day, String print) {
        Date date = Date.from(day.atStartOfDay(ZoneOffset.UTC).toInstant());
        return switch (print) {
            case "iso" -> day.toString();
            case "year" -> String.valueOf(day.getYear());
            case "short" -> format("short", TimeZone.GMT_ZONE).format(date);
            case "full" -> format("full", TimeZone.GMT_ZONE).format(date);
            case "weekday" -> format("EEEE", TimeZone.GMT_ZONE).format(date);
            case "month" -> format("yMMMM", TimeZone.GMT_ZONE).format(date);
            default -> format("long", TimeZone.GMT_ZONE).format(date);
        };
    }

    String moment(ZonedDateTime time, String print) {
        Date date = Date.from(time.toInstant());
        TimeZone zone = TimeZone.getTimeZone(time.getZone().getId());
        return switch (print) {
            case "iso" -> time.toOffsetDateTime().toString();
            case "date" -> day(time.toLocalDate(), "");
            case "time" -> format("jmz", zone).format(date);
            case "short" -> format("yMdjmz", zone).format(date);
            default -> format("yMMMMdjmz", zone).format(date);
        };
    }

    /** A format of this thread's own, since ICU's are changed by use. */
    private DateFormat format(String kind, TimeZone zone) {
        DateFormat format =
                (DateFormat) formats.computeIfAbsent(kind, this::make).clone();
        GregorianCalendar calendar = new GregorianCalendar(zone, language);
        // ISO 8601 §4.2.1: Gregorian throughout, also before 1582
        calendar.setGregorianChange(new Date(Long.MIN_VALUE));
        format.setCalendar(calendar);
        return format;
    }

    private DateFormat make(String kind) {
        return switch (kind) {
            case "short" -> DateFormat.getDateInstance(DateFormat.SHORT, language);
            case "full" -> DateFormat.getDateInstance(DateFormat.FULL, language);
            case "long" -> DateFormat.getDateInstance(DateFormat.LONG, language);
            default -> DateFormat.getInstanceForSkeleton(kind, language);
        };
    }
}
