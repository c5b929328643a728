package org.jalousie.core.agreement;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jalousie.core.data.PhoneNumber;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.lettering.Glyphs;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;

/** The rules of what changes on the route of an agreement that is out: by the office's hand, or since somebody hands over their part. */
final class RouteActs {
    /** Nobody gets two mails in a row because somebody pressed twice. */
    static final Duration BETWEEN_MAILS = Duration.ofMinutes(5);

    private static final int LONGEST_PAUSE = 365;
    private static final int MOST_REMINDERS = 30;
    private static final int LONGEST_REASON = 2000;

    private RouteActs() {}

    static Decision decide(List<Entry> history, Agreement agreement, Command.OfRoute command, Instant now) {
        return joined(history, alone(history, agreement, command, now), now);
    }

    /** Parts that are one person's now, and could be done in the act that is waited for, are asked for with it. */
    private static Decision joined(List<Entry> history, Decision decision, Instant now) {
        if (!(decision instanceof Decision.Accepted accepted)
                || accepted.events().stream()
                        .noneMatch(one -> one instanceof Event.PersonChanged || one instanceof Event.PartSkipped))
            return decision;
        List<Entry> after = new ArrayList<>(history);
        accepted.events().forEach(event -> after.add(new Entry(after.size() + 1, now, Actor.PROGRAM, event)));
        Agreement next = Agreement.of(after);
        List<Event> events = new ArrayList<>(accepted.events());
        for (Together act : Together.all(next.acting())) {
            if (act.parts().stream().noneMatch(one -> next.standing(one.party()) == Standing.TURN)) continue;
            act.parts().stream()
                    .filter(one -> next.standing(one.party()) == Standing.OPEN)
                    .forEach(one -> events.add(new Event.Invited(one.party())));
        }
        return accepted(events);
    }

    private static Decision alone(List<Entry> history, Agreement agreement, Command.OfRoute command, Instant now) {
        if (command instanceof Command.ReportReturn returned) return returned(agreement, returned, now);
        if (agreement.state() != State.OUT || agreement.hasRunOut(now)) return refused(Message.of("route.not-out"));
        if (command instanceof Command.AnswerQuestion answer) return Questions.answer(agreement, answer);
        if (command instanceof Command.ChangeEnd change) return end(agreement, change, now);
        if (command instanceof Command.ChangeChasing change) return chasing(agreement, change);
        if (agreement.onPaper()) return refused(Message.of("route.on-paper"));
        Command.OfPart act = (Command.OfPart) command;
        Optional<Participant> part = agreement.participant(act.party());
        if (part.isEmpty() || agreement.absent().containsKey(act.party()))
            return refused(Message.of("party.none", "party", act.party()));
        Standing standing = agreement.standing(act.party());
        if (standing != Standing.OPEN && standing != Standing.TURN)
            return refused(Message.of("route.acted", "name", part.get().name()));
        if (act instanceof Command.CorrectPerson correct)
            return change(
                    agreement,
                    theirs(agreement, part.get()),
                    correct.person(),
                    Event.PersonChanged.Change.CORRECTED,
                    "");
        if (act instanceof Command.ReplacePerson replace)
            return change(
                    agreement,
                    agreement.together(part.get().party()).parts(),
                    replace.person(),
                    Event.PersonChanged.Change.REPLACED,
                    "");
        if (act instanceof Command.SkipPart skip) return skip(history, agreement, part.get(), skip, now);
        if (standing != Standing.TURN)
            return refused(Message.of("route.not-their-turn", "name", part.get().name()));
        if (act instanceof Command.RenewLink) return each(agreement, act.party(), Event.LinkRenewed::new);
        return remind(agreement, part.get(), now);
    }

    /** Who has the part gives it to another person, with all that they would do in the same act. */
    static Decision handOver(List<Entry> history, Agreement agreement, Command.HandOver over, Instant now) {
        if (!over.allowed()) return refused(Message.of("hand-over.not-allowed"));
        Participant one = agreement.participant(over.party()).orElseThrow();
        if (over.person().mail().strip().equalsIgnoreCase(one.mail().strip()))
            return refused(Message.of("hand-over.to-oneself"));
        if (over.reason().length() > LONGEST_REASON)
            return refused(Message.of("hand-over.reason-too-long", "most", LONGEST_REASON));
        Optional<Message> fault = faultOf(over.person(), one);
        if (fault.isPresent()) return refused(fault.get());
        Decision changed = change(
                agreement,
                agreement.together(over.party()).parts(),
                over.person(),
                Event.PersonChanged.Change.HANDED_OVER,
                over.reason().strip());
        return joined(history, changed, now);
    }

    /** What is wrong with whom somebody hands over to, said to them in their own language. */
    private static Optional<Message> faultOf(Person person, Participant one) {
        if (person.name().isBlank()) return Optional.of(Message.of("hand-over.name-missing"));
        if (Glyphs.firstMissing(person.name()).isPresent()) return Optional.of(Message.of("hand-over.name-unusable"));
        try {
            ValueReader.mail(person.mail());
        } catch (ValueReader.Unreadable e) {
            return Optional.of(Message.of("hand-over.wrong-mail"));
        }
        boolean phone = one.identity() != IdentityCheck.TEXTED_CODE
                || PhoneNumber.international(person.phone()).isPresent();
        return phone ? Optional.empty() : Optional.of(Message.of("hand-over.wrong-phone"));
    }

    private static Decision change(
            Agreement agreement,
            List<Participant> parts,
            Person person,
            Event.PersonChanged.Change how,
            String reason) {
        List<Event> events = new ArrayList<>();
        for (Participant one : parts) {
            Participant after = one.with(person);
            Optional<Message> fault =
                    Readiness.ofPerson(agreement, after).stream().findFirst();
            if (fault.isPresent()) return refused(fault.get());
            if (!after.equals(one)) events.add(new Event.PersonChanged(one.party(), person, how, reason));
        }
        return accepted(events);
    }

    /** All that the same human being still has to do or to get. */
    private static List<Participant> theirs(Agreement agreement, Participant part) {
        return agreement.present().stream()
                .filter(one -> one.equals(part) || one.person().isSameAs(part.person()))
                .filter(one -> agreement.standing(one.party()) == Standing.OPEN
                        || agreement.standing(one.party()) == Standing.TURN)
                .toList();
    }

    private static Decision skip(
            List<Entry> history, Agreement agreement, Participant part, Command.SkipPart skip, Instant now) {
        if (!part.optional()) return refused(Message.of("skip.not-optional", "party", part.label()));
        if (skip.reason().length() > LONGEST_REASON)
            return refused(Message.of("skip.reason-too-long", "most", LONGEST_REASON));
        boolean signed = agreement.acting().stream()
                .anyMatch(one -> one.duty() == Duty.SIGNS && !one.party().equals(part.party()));
        if (!signed) return refused(Message.of("skip.nobody-signs", "party", part.label()));
        return Decider.withInvitations(
                history,
                List.of(new Event.PartSkipped(part.party(), skip.reason().strip())),
                now);
    }

    private static Decision remind(Agreement agreement, Participant part, Instant now) {
        PartyKey asked = agreement.together(part.party()).lead().party();
        Agreement.Undelivered returned = agreement.undelivered().get(asked);
        if (returned != null) return refused(Message.of("remind.undelivered", "mail", returned.mail()));
        Waiting waiting = agreement.waiting().get(asked);
        Instant last = waiting.lastMail().orElse(waiting.since());
        if (now.isBefore(last.plus(BETWEEN_MAILS))) return refused(Message.of("remind.just-sent", "name", part.name()));
        return accepted(List.of(new Event.ReminderSent(asked)));
    }

    /** A return is told once; one of an address that isn't the person's any more tells nothing. */
    private static Decision returned(Agreement agreement, Command.ReportReturn returned, Instant now) {
        boolean theirs = agreement
                .participant(returned.party())
                .filter(part ->
                        part.mail().strip().equalsIgnoreCase(returned.mail().strip()))
                .isPresent();
        if (!theirs
                || !agreement.linkHolds(returned.party(), returned.askedBy())
                || agreement.state() != State.OUT
                || agreement.hasRunOut(now)
                || agreement.standing(returned.party()) != Standing.TURN
                || agreement.undelivered().containsKey(returned.party())) return accepted(List.of());
        return accepted(
                List.of(new Event.MailReturned(returned.party(), returned.mail(), returned.status(), returned.said())));
    }

    private static Decision end(Agreement agreement, Command.ChangeEnd change, Instant now) {
        if (!now.isBefore(change.expiresAt())) return refused(Message.of("end.past"));
        return agreement.expiresAt().equals(Optional.of(change.expiresAt()))
                ? accepted(List.of())
                : accepted(List.of(new Event.EndChanged(change.expiresAt(), change.lastDay())));
    }

    private static Decision chasing(Agreement agreement, Command.ChangeChasing change) {
        List<Integer> gaps = change.reminders().gaps();
        boolean sensible = gaps.size() <= MOST_REMINDERS
                && gaps.stream().allMatch(gap -> gap >= 1 && gap <= LONGEST_PAUSE)
                && change.reminders().thenEvery() >= 0
                && change.reminders().thenEvery() <= LONGEST_PAUSE
                && change.warnDays() >= 0
                && change.warnDays() <= LONGEST_PAUSE;
        if (!sensible) return refused(Message.of("chasing.days", "most", LONGEST_PAUSE, "times", MOST_REMINDERS));
        Event.ChasingChanged event = new Event.ChasingChanged(change.reminders(), change.warnDays());
        return agreement.chasing().equals(Optional.of(event)) ? accepted(List.of()) : accepted(List.of(event));
    }

    private static Decision each(Agreement agreement, PartyKey party, Function<PartyKey, Event> event) {
        return accepted(agreement.together(party).parts().stream()
                .map(one -> event.apply(one.party()))
                .toList());
    }

    private static Decision accepted(List<Event> events) {
        return new Decision.Accepted(events);
    }

    private static Decision refused(Message reason) {
        return new Decision.Refused(reason);
    }
}
