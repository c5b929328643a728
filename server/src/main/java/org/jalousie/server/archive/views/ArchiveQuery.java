package org.jalousie.server.archive.views;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.columns.ArchiveColumn;
import org.jalousie.core.filing.columns.ColumnCondition;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.AgreementsAsked;

/**
 * What of the archive is asked for, as requests say it.
 *
 * @param find beginnings of words
 * @param template all templates where it is left out
 * @param state in which they ended; completed where it is left out
 * @param from the first day on which they ended, ISO 8601, on the office's clock
 * @param to the last
 * @param where columns that narrow it, such as {@code insured_value:from:1000}; only with a template
 */
record ArchiveQuery(String find, UUID template, State state, String from, String to, List<String> where) {
    private static final int MOST_CONDITIONS = 20;

    ArchiveQuery {
        find = find == null ? "" : find;
        state = state == null ? State.COMPLETED : state;
        from = from == null ? "" : from;
        to = to == null ? "" : to;
        where = where == null ? List.of() : List.copyOf(where);
    }

    /** @throws Refusal when it can't be asked so. @param columns of the template */
    AgreementsAsked asked(List<ArchiveColumn> columns, ZoneId zone) {
        if (!state.ended()) throw Refusal.malformed(Message.of("archive.not-ended"));
        if (where.size() > MOST_CONDITIONS)
            throw Refusal.malformed(Message.of("archive.where.too-many", "most", MOST_CONDITIONS));
        List<AgreementsAsked.Where> conditions = new ArrayList<>();
        for (String text : where) {
            ColumnCondition condition = condition(text);
            ArchiveColumn column = columns.stream()
                    .filter(one -> one.key().equals(condition.column()))
                    .findFirst()
                    .orElseThrow(
                            () -> Refusal.malformed(Message.of("archive.columns.none", "column", condition.column())));
            try {
                conditions.add(new AgreementsAsked.Where(condition.column(), condition.bounds(column)));
            } catch (NotPossible e) {
                throw Refusal.malformed(e.said());
            }
        }
        return new AgreementsAsked(
                EnumSet.of(state),
                find,
                Optional.ofNullable(template),
                day(from).map(day -> start(day, zone)),
                day(to).map(day -> start(day.plusDays(1), zone)),
                conditions);
    }

    /** @throws Refusal when it is none */
    static ColumnCondition condition(String text) {
        try {
            return ColumnCondition.read(text);
        } catch (NotPossible e) {
            throw Refusal.malformed(e.said());
        }
    }

    private static Instant start(LocalDate day, ZoneId zone) {
        return day.atStartOfDay(zone).toInstant();
    }

    private static Optional<LocalDate> day(String text) {
        if (text.isEmpty()) return Optional.empty();
        try {
            LocalDate day = LocalDate.parse(text);
            if (day.getYear() >= 1 && day.getYear() < 9999) return Optional.of(day);
        } catch (DateTimeException e) {
            throw Refusal.malformed(Message.of("archive.no-day", "text", text));
        }
        throw Refusal.malformed(Message.of("archive.no-day", "text", text));
    }
}
