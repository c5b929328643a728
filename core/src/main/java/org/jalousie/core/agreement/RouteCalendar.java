package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/**
 * Who gets what on which day: what has happened to an agreement, and what will happen from now on if everybody takes the same
 * number of days. What will happen is found by letting the rules of an agreement's life go on, and nothing else.
 */
public final class RouteCalendar {
    /** More than any terms lead to: reminders every day for a year to a route of many stages. */
    private static final int MOST = 1500;

    private static final Sha256 NO_FILE = Sha256.of(new byte[0]);

    private final List<Entry> history;
    private final Chasing chasing;
    private final int pace;
    private final List<Moment> moments = new ArrayList<>();
    private Instant now;

    /** What happens on the calendar. */
    public enum Kind {
        SENT,
        INVITATION,
        REMINDER,
        WARNING,
        /** Signed, approved, or completed the details. */
        ACT,
        DECLINED,
        WITHDRAWN,
        /** All have acted; the signed copies go. */
        COMPLETION,
        EXPIRY
    }

    /**
     * One thing on the calendar.
     *
     * @param parties whom it is about, all in one mail or act; none for what is about the agreement
     * @param happened whether it has happened, and isn't only expected
     */
    public record Moment(Instant at, Kind kind, List<PartyKey> parties, boolean happened) {}

    private RouteCalendar(List<Entry> history, Chasing chasing, int pace, Instant now) {
        this.history = new ArrayList<>(history);
        this.chasing = chasing;
        this.pace = pace;
        this.now = now;
    }

    /**
     * An agreement's calendar, in order.
     *
     * @param pace how many days everybody takes from now on; 0 for people who never answer
     */
    public static List<Moment> of(List<Entry> history, Chasing chasing, int pace, Instant now) {
        RouteCalendar calendar = new RouteCalendar(history, chasing, pace, now);
        history.forEach(entry -> calendar.add(entry, true));
        calendar.goOn();
        return calendar.inOrder();
    }

    /** The calendar of an agreement that is sent at {@code start} and can be acted on until {@code end}. */
    public static List<Moment> plan(Event.Created created, Chasing chasing, int pace, Instant start, Instant end) {
        Agreement made = Agreement.of(List.of(new Entry(1, start, Actor.PROGRAM, created)));
        RouteCalendar calendar = new RouteCalendar(List.of(), chasing, pace, start);
        calendar.happens(List.of(
                created, new Event.Generated(List.of()), new Event.Sent(end, Absence.before(made.participants()))));
        calendar.goOn();
        return calendar.inOrder();
    }

    /** An invitation that waits for the office's hours goes later than it was asked for. */
    private List<Moment> inOrder() {
        return moments.stream().sorted(Comparator.comparing(Moment::at)).toList();
    }

    private void goOn() {
        for (int i = 0; i < MOST && !agreement().state().ended(); i++) {
            Agreement agreement = agreement();
            if (agreement.state() == State.GENERATING || agreement.state() == State.CHECK) return;
            if (agreement.state() == State.SEALING) {
                if (!agreement.officeSealed())
                    accept(new Command.SealOffice(agreement.revision(), List.of(), CertificateId.NONE));
                seal(agreement());
                if (agreement().state() == State.SEALING) happens(List.of(new Event.Completed(List.of(), NO_FILE)));
                continue;
            }
            if (step(agreement)) continue;
            return;
        }
    }

    /** The next thing that comes: the program's own work, an act, a mail or the end. */
    private boolean step(Agreement agreement) {
        if (agreement.onPaper()) return false; // when the post brings it nobody knows
        if (!agreement.officeSealed()) {
            accept(new Command.SealOffice(agreement.revision(), List.of(), CertificateId.NONE));
            return true;
        }
        if (seal(agreement)) return true;
        Optional<Participant> next = nextToAct(agreement);
        Instant act = next.map(one -> actsAt(agreement, one)).orElse(Instant.MAX);
        Instant time = chasing.next(agreement, now).map(Chasing.Due::at).orElse(Instant.MAX);
        if (act.equals(Instant.MAX) && time.equals(Instant.MAX)) return false;
        if (act.isBefore(time)) {
            now = latest(now, act);
            act(agreement, next.orElseThrow());
            return true;
        }
        now = latest(now, time);
        int before = history.size();
        accept(new Command.Tick(chasing));
        return history.size() > before;
    }

    /** Acts stand in the documents the moment they are done, as far as a calendar goes. */
    private boolean seal(Agreement agreement) {
        for (Participant one : agreement.acting()) {
            if (agreement.standing(one.party()) != Standing.SEALING) continue;
            accept(new Command.Seal(agreement.revision(), one.party(), List.of(), CertificateId.NONE));
            return true;
        }
        return false;
    }

    private Optional<Participant> nextToAct(Agreement agreement) {
        return pace == 0
                ? Optional.empty()
                : agreement.asked().stream()
                        .min((one, other) -> actsAt(agreement, one).compareTo(actsAt(agreement, other)));
    }

    private Instant actsAt(Agreement agreement, Participant one) {
        Instant since = chasing.invited(agreement.waiting().get(one.party()).since());
        Instant at = chasing.calendar().later(since, pace);
        return at.isBefore(now) ? now : at;
    }

    private void act(Agreement agreement, Participant lead) {
        List<Event> events = new ArrayList<>();
        for (Participant one : agreement.together(lead.party()).parts()) {
            events.add(
                    switch (one.duty()) {
                        case APPROVES -> new Event.Approved(one.party());
                        case COMPLETES -> new Event.FieldsCompleted(one.party(), Map.of());
                        default -> new Event.Signed(one.party(), Map.of(), "", NO_FILE);
                    });
        }
        Decision.Accepted accepted = (Decision.Accepted) Decider.withInvitations(history, events, now);
        happens(accepted.events());
    }

    private void accept(Command command) {
        if (Decider.decide(history, command, now) instanceof Decision.Accepted accepted) happens(accepted.events());
    }

    private void happens(List<Event> events) {
        for (Event event : events) {
            Entry entry = new Entry(history.size() + 1, now, Actor.PROGRAM, event);
            history.add(entry);
            add(entry, false);
        }
    }

    private void add(Entry entry, boolean happened) {
        Event event = entry.event();
        if (event instanceof Event.Sent) add(entry.at(), Kind.SENT, List.of(), happened);
        else if (event instanceof Event.Invited one) invited(entry, one.party(), happened);
        else if (event instanceof Event.ReminderSent one) of(entry, Kind.REMINDER, one.party(), happened);
        else if (event instanceof Event.WarningSent one) of(entry, Kind.WARNING, one.party(), happened);
        else if (event instanceof Event.Signed one) of(entry, Kind.ACT, one.party(), happened);
        else if (event instanceof Event.Approved one) of(entry, Kind.ACT, one.party(), happened);
        else if (event instanceof Event.FieldsCompleted one) of(entry, Kind.ACT, one.party(), happened);
        else if (event instanceof Event.SignedOnPaper one)
            one.parties().forEach(party -> of(entry, Kind.ACT, party, happened));
        else if (event instanceof Event.Declined one) of(entry, Kind.DECLINED, one.party(), happened);
        else if (event instanceof Event.Withdrawn) add(entry.at(), Kind.WITHDRAWN, List.of(), happened);
        else if (event instanceof Event.Completed) add(entry.at(), Kind.COMPLETION, List.of(), happened);
        else if (event instanceof Event.Expired) add(entry.at(), Kind.EXPIRY, List.of(), happened);
    }

    private void invited(Entry entry, PartyKey party, boolean happened) {
        Instant goes = chasing.invited(entry.at());
        of(
                new Entry(entry.sequence(), goes, entry.actor(), entry.event()),
                Kind.INVITATION,
                party,
                happened && !goes.isAfter(now));
    }

    /** What is about parts that are done in one act is one thing. */
    private void of(Entry entry, Kind kind, PartyKey party, boolean happened) {
        Set<PartyKey> together = new LinkedHashSet<>(List.of(party));
        agreement().together(party).parts().forEach(one -> together.add(one.party()));
        Moment last = moments.isEmpty() ? null : moments.get(moments.size() - 1);
        if (last != null
                && last.kind() == kind
                && last.at().equals(entry.at())
                && together.containsAll(last.parties())) {
            if (last.parties().contains(party)) return;
            List<PartyKey> both = new ArrayList<>(last.parties());
            both.add(party);
            moments.set(moments.size() - 1, new Moment(last.at(), kind, List.copyOf(both), last.happened()));
            return;
        }
        add(entry.at(), kind, List.of(party), happened);
    }

    private void add(Instant at, Kind kind, List<PartyKey> parties, boolean happened) {
        moments.add(new Moment(at, kind, parties, happened));
    }

    private Agreement agreement() {
        return Agreement.of(history);
    }

    private static Instant latest(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }
}
