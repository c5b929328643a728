package org.jalousie.core.data;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.util.GregorianCalendar;
import com.ibm.icu.util.SimpleTimeZone;
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
        if (print.startsWith("@"))
            return picture(
                    Date.from(day.atStartOfDay(ZoneOffset.UTC).toInstant()),
                    withoutTime(print.substring(1)),
                    TimeZone.GMT_ZONE);
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
        TimeZone zone = zone(time);
        if (print.startsWith("@")) return picture(date, print.substring(1), zone);
        return switch (print) {
            case "iso" -> time.toOffsetDateTime().toString();
            case "date" -> day(time.toLocalDate(), "");
            case "time" -> format("jmz", zone).format(date);
            case "short" -> format("yMdjmz", zone).format(date);
            default -> format("yMMMMdjmz", zone).format(date);
        };
    }

    /** ICU's zone of the same name; an offset, or a name that only Java knows, becomes a zone of that offset. */
    private static TimeZone zone(ZonedDateTime time) {
        String id = time.getZone().getId();
        TimeZone known = TimeZone.getTimeZone(id);
        boolean found = !known.getID().equals(TimeZone.UNKNOWN_ZONE_ID)
                && known.getOffset(time.toInstant().toEpochMilli())
                        == time.getOffset().getTotalSeconds() * 1000;
        if (found) return known;
        int seconds = time.getOffset().getTotalSeconds();
        return seconds == 0
                ? TimeZone.GMT_ZONE
                : new SimpleTimeZone(seconds * 1000, "GMT" + time.getOffset().getId());
    }

    /**
     * A date in a word processor's picture (ISO/IEC 29500-1 §17.16.4.1), whose letters are those of ICU but for the names of
     * days and of morning and afternoon.
     */
    private String picture(Date date, String picture, TimeZone zone) {
        StringBuilder pattern = new StringBuilder();
        boolean quoted = false;
        for (int i = 0; i < picture.length(); i++) {
            char c = picture.charAt(i);
            if (c == '\'') quoted = !quoted;
            if (quoted || c == '\'') {
                pattern.append(c);
            } else if (picture.regionMatches(true, i, "am/pm", 0, 5)) {
                pattern.append('a');
                i += 4;
            } else if (c == 'd' || c == 'D') {
                int length = run(picture, i);
                pattern.append(length > 3 ? "EEEE" : length == 3 ? "EEE" : "d".repeat(length));
                i += length - 1;
            } else if (c == 'Y' || c == 'y') {
                int length = run(picture, i);
                pattern.append(length > 2 ? "yyyy" : "yy");
                i += length - 1;
            } else if (Character.isLetter(c) && "MhHmsS".indexOf(c) < 0) {
                pattern.append('\'').append(c).append('\'');
            } else {
                pattern.append(c == 'S' ? 's' : c);
            }
        }
        if (quoted) pattern.append('\'');
        DateFormat format = new com.ibm.icu.text.SimpleDateFormat(pattern.toString(), language);
        format.setTimeZone(zone);
        return format.format(date);
    }

    private static int run(String picture, int from) {
        int to = from;
        while (to < picture.length()
                && Character.toLowerCase(picture.charAt(to)) == Character.toLowerCase(picture.charAt(from))) to++;
        return to - from;
    }

    /** A day has no time: what a picture asks of it is left out, or all of it when it asks for nothing else. */
    private static String withoutTime(String picture) {
        String without = picture.replaceAll(
                        "(?i)[\\s,]*(h{1,2}|s{1,2}|(?<=h[:.])m{1,2}|am/pm)([:.]?(m{1,2}|s{1,2}))*", "")
                .replaceAll("(?i)\\s*am/pm", "");
        return without.isBlank() ? "d MMMM yyyy" : without;
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
