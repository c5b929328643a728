package org.jalousie.core.filing.dates;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;

/**
 * A day that the office watches of every agreement of a template.
 *
 * @param key tells it from the template's others for good; empty for one that has none yet
 * @param from the name of the day that it goes by: a datum, what follows by rule, or one of {@link DateSource#ALWAYS}
 * @param shift by how many {@code unit}s it is later; less than nothing for earlier
 * @param every in how many months it comes again, until somebody says that it doesn't; 0 for a day that comes once
 * @param warn how many days before it is told by mail, each a mail of its own; the most first
 * @param owner whether whoever takes care of the request is told
 * @param mails who is told besides
 * @param teams of the office whose people are told besides, by their ids
 */
public record KeyDate(
        String key,
        String title,
        Kind kind,
        String from,
        int shift,
        Unit unit,
        int every,
        List<Integer> warn,
        boolean owner,
        List<String> mails,
        List<UUID> teams) {
    /** What happens on it. */
    public enum Kind {
        /** The agreement ends. */
        END,
        /** It goes on for another term unless somebody does something. */
        RENEWAL,
        /** Until this day somebody can say that it shall end, or not go on. */
        NOTICE,
        OTHER
    }

    /** What a shift is counted in. */
    public enum Unit {
        DAYS(ChronoUnit.DAYS),
        MONTHS(ChronoUnit.MONTHS),
        YEARS(ChronoUnit.YEARS);

        private final ChronoUnit unit;

        Unit(ChronoUnit unit) {
            this.unit = unit;
        }
    }

    /** How many a template may have. */
    public static final int MOST = 8;

    private static final int LONGEST_TITLE = 80;
    private static final int MOST_WARNINGS = 6;
    private static final int MOST_MAILS = 10;
    private static final int FURTHEST_WARNING = 999;
    private static final int FURTHEST_SHIFT = 9999;
    private static final int LONGEST_TERM = 1200;
    private static final int LAST_YEAR = 9999;

    public KeyDate {
        key = key == null ? "" : key;
        // a line, since mails and tables tell it in one
        title = title == null ? "" : title.replaceAll("[\\s\\p{Cntrl}]+", " ").strip();
        kind = kind == null ? Kind.OTHER : kind;
        from = from == null ? "" : from;
        unit = unit == null ? Unit.DAYS : unit;
        warn = warn == null
                ? List.of()
                : warn.stream().distinct().sorted(Comparator.reverseOrder()).toList();
        mails = mails == null
                ? List.of()
                : mails.stream()
                        .map(String::strip)
                        .filter(one -> !one.isEmpty())
                        .distinct()
                        .toList();
        // those that were settled before there were teams have none
        teams = teams == null ? List.of() : teams.stream().distinct().toList();
    }

    public KeyDate keyed(String other) {
        return new KeyDate(other, title, kind, from, shift, unit, every, warn, owner, mails, teams);
    }

    /** Whether it is still that one: what comes again by other terms is another, whose terms are counted from the first. */
    public boolean goesOn(KeyDate before) {
        return every == 0 && before.every == 0
                || every == before.every && from.equals(before.from) && shift == before.shift && unit == before.unit;
    }

    @JsonIgnore
    public boolean comesAgain() {
        return every > 0;
    }

    /** What is wrong with it by itself, by the names of its parts. */
    public Map<String, Message> faults() {
        Map<String, Message> faults = new LinkedHashMap<>();
        if (title.isEmpty()) faults.put("title", Message.of("dates.no-title"));
        if (title.length() > LONGEST_TITLE) faults.put("title", Message.of("dates.long-title", "most", LONGEST_TITLE));
        if (from.isEmpty()) faults.put("from", Message.of("dates.no-from"));
        if (Math.abs((long) shift) > FURTHEST_SHIFT)
            faults.put("shift", Message.of("dates.far-shift", "most", FURTHEST_SHIFT));
        if (every < 0 || every > LONGEST_TERM) faults.put("every", Message.of("dates.long-term", "most", LONGEST_TERM));
        if (warn.stream().anyMatch(days -> days < 0 || days > FURTHEST_WARNING))
            faults.put("warn", Message.of("dates.far-warning", "most", FURTHEST_WARNING));
        if (warn.size() > MOST_WARNINGS) faults.put("warn", Message.of("dates.many-warnings", "most", MOST_WARNINGS));
        mails.stream()
                .filter(one -> !ValueReader.isMail(one))
                .findFirst()
                .ifPresent(one -> faults.put("mails", Message.of("dates.no-mail", "mail", one)));
        if (mails.size() > MOST_MAILS) faults.put("mails", Message.of("dates.many-mails", "most", MOST_MAILS));
        if (teams.size() > MOST_MAILS) faults.put("teams", Message.of("dates.many-teams", "most", MOST_MAILS));
        if (!warn.isEmpty() && !owner && mails.isEmpty() && teams.isEmpty())
            faults.put("mails", Message.of("dates.nobody"));
        return faults;
    }

    /**
     * The day.
     *
     * @param values of an agreement, with what follows by rule and {@link DateSource#ALWAYS}
     * @param term which of those that come again, from 0: months are counted from the first, so that one of the 31st stays at the
     *     ends of months
     * @return empty where the agreement has nothing by that name, or it would be after the year 9999
     */
    public Optional<LocalDate> day(Map<String, Value> values, int term) {
        LocalDate first;
        if (values.get(from) instanceof Value.Day day) first = day.date();
        else if (values.get(from) instanceof Value.Moment moment)
            first = moment.time().toLocalDate();
        else return Optional.empty();
        LocalDate day = first.plusMonths((long) every * term).plus(shift, unit.unit);
        return day.getYear() > LAST_YEAR || day.getYear() < 1 ? Optional.empty() : Optional.of(day);
    }

    /**
     * Which of its days is watched first of an agreement that is watched from a day on: of those that come again the first that is
     * not over.
     */
    public int firstTerm(Map<String, Value> values, LocalDate today) {
        int term = 0;
        if (comesAgain()) while (day(values, term).filter(today::isAfter).isPresent()) term++;
        return term;
    }

    /**
     * The warning that is to go: of several whose time has come the last alone.
     *
     * @param until the last day that is looked at, so that what would fall on a day on which nobody works goes before it
     * @param warned how many days before was told last; empty for never
     */
    public Optional<Integer> due(LocalDate day, LocalDate until, Optional<Integer> warned) {
        return left(warned).stream()
                .filter(days -> !day.minusDays(days).isAfter(until))
                .min(Comparator.naturalOrder());
    }

    /** When the next warning goes. */
    public Optional<LocalDate> warnsOn(LocalDate day, Optional<Integer> warned) {
        return left(warned).stream().max(Comparator.naturalOrder()).map(day::minusDays);
    }

    private List<Integer> left(Optional<Integer> warned) {
        List<Integer> left = new ArrayList<>(warn);
        warned.ifPresent(before -> left.removeIf(days -> days >= before));
        return left;
    }
}
