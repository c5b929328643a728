package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/**
 * How time alone goes on with an agreement that is out: whom it reminds, whom it warns before the end, and when it ends. What
 * chases people goes in the office's hours only; the end comes at its moment.
 */
public record Chasing(ChasingTerms terms, OfficeCalendar calendar) {

    /** What time alone does. */
    public enum Kind {
        REMINDER,
        WARNING,
        EXPIRY
    }

    /** What is due next, and when: a mail when it may go. */
    public record Due(Kind kind, Instant at) {}

    /**
     * What chases each part that is waited for next. Parts that are done in one act are chased once.
     *
     * @param now what was due before, while nobody looked, goes when mail may go from now on
     */
    public Map<PartyKey, Due> due(Agreement agreement, Instant now) {
        Map<PartyKey, Due> due = new LinkedHashMap<>();
        for (Participant one : agreement.asked()) {
            // an address that takes no mail is mended before it is written to again
            if (agreement.undelivered().containsKey(one.party())) continue;
            next(agreement, one.party(), now).ifPresent(next -> due.put(one.party(), next));
        }
        return due;
    }

    /** When time alone next makes something happen: a mail, or the end of the agreement; empty when nothing will. */
    public Optional<Due> next(Agreement agreement, Instant now) {
        if (agreement.state() != State.OUT) return Optional.empty();
        return Stream.concat(
                        agreement.expiresAt().map(end -> new Due(Kind.EXPIRY, end)).stream(),
                        due(agreement, now).values().stream())
                .min(Comparator.comparing(Due::at));
    }

    /** When the mail that invites goes. */
    public Instant invited(Instant turnSince) {
        return terms.invitationsInHours() ? calendar.open(turnSince) : turnSince;
    }

    private Optional<Due> next(Agreement agreement, PartyKey party, Instant now) {
        Optional<Due> warning = warning(agreement, party, now);
        Optional<Due> reminder = reminder(agreement, party, now);
        if (warning.isEmpty() || reminder.isEmpty()) return warning.or(() -> reminder);
        // one mail a day is enough, and the warning says more
        boolean reminderFirst = calendar.endAfter(reminder.get().at(), 0)
                .isBefore(calendar.endAfter(warning.get().at(), 0));
        return reminderFirst ? reminder : warning;
    }

    private Optional<Due> reminder(Agreement agreement, PartyKey party, Instant now) {
        Waiting waiting = agreement.waiting().get(party);
        OptionalInt gap = terms.reminders().gapAfter(waiting.reminders());
        if (gap.isEmpty()) return Optional.empty();
        Instant last = waiting.lastMail().orElseGet(() -> invited(waiting.since()));
        return beforeTheEnd(agreement, Kind.REMINDER, calendar.open(latest(now, calendar.later(last, gap.getAsInt()))));
    }

    /** Once, on the last working time that is as many days before the end; at once where that has passed. */
    private Optional<Due> warning(Agreement agreement, PartyKey party, Instant now) {
        Waiting waiting = agreement.waiting().get(party);
        if (terms.warnDays() == 0 || waiting.warned() || agreement.expiresAt().isEmpty()) return Optional.empty();
        Instant due =
                calendar.openBefore(calendar.morningBefore(agreement.expiresAt().get(), terms.warnDays()));
        // who is invited, or told of another end, when the warning has gone has read until when it can be done
        if (!latest(invited(waiting.since()), waiting.toldEnd().orElse(Instant.MIN))
                .isBefore(due)) return Optional.empty();
        return beforeTheEnd(agreement, Kind.WARNING, calendar.open(latest(now, due)));
    }

    private static Optional<Due> beforeTheEnd(Agreement agreement, Kind kind, Instant at) {
        boolean over = agreement.expiresAt().filter(end -> !at.isBefore(end)).isPresent();
        return over ? Optional.empty() : Optional.of(new Due(kind, at));
    }

    private static Instant latest(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }
}
