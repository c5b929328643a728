package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;

/** The rules of an agreement's life. */
public final class Decider {
    private Decider() {}

    /** Decides what a command leads to now. Pure: the same history, command and time give the same decision. */
    public static Decision decide(List<Entry> history, Command command, Instant now) {
        Agreement agreement = Agreement.of(history);
        if (command instanceof Command.Result result) return result(history, agreement, result, now);
        if (command instanceof Command.Tick tick) return tick(agreement, tick, now);
        if (command instanceof Command.CorrectData correct) return correct(agreement, correct);
        if (command instanceof Command.ChangeParticipant change) return change(agreement, change);
        if (command instanceof Command.Send send) return send(agreement, send, now);
        if (command instanceof Command.OfDocuments documents) return AddedDocuments.decide(agreement, documents);
        if (command instanceof Command.Withdraw withdraw) return withdraw(agreement, withdraw);
        if (command instanceof Command.OfRoute route) return RouteActs.decide(history, agreement, route, now);
        if (command instanceof Command.OfPaper paper) return PaperActs.decide(history, agreement, paper, now);
        if (command instanceof Command.AgreeWord word) return IdentityActs.agree(agreement, word.party(), now);
        if (command instanceof Command.LetGoOn on) return IdentityActs.letGoOn(agreement, on.party(), now);
        return Acts.decide(history, agreement, (Command.OfParty) command, now);
    }

    /** What the program has made counts only in the state that it was made for. */
    private static Decision result(List<Entry> history, Agreement agreement, Command.Result result, Instant now) {
        if (agreement.state().ended() || agreement.revision() != result.basedOn()) return new Decision.Overtaken();
        if (agreement.hasRunOut(now)) return accepted(new Event.Expired());
        if (result instanceof Command.Generate generate) {
            return agreement.state() == State.GENERATING
                    ? accepted(new Event.Generated(generate.documents(), generate.awaited()))
                    : new Decision.Overtaken();
        }
        if (result instanceof Command.SealOffice seal) {
            boolean scanned = agreement.state() == State.SEALING;
            return (agreement.state() == State.OUT && !agreement.onPaper() || scanned) && !agreement.officeSealed()
                    ? withInvitations(history, new Event.OfficeSealed(seal.revisions(), seal.certificate()), now)
                    : new Decision.Overtaken();
        }
        if (result instanceof Command.Seal seal) {
            return agreement.standing(seal.party()) == Standing.SEALING
                    ? withInvitations(
                            history, new Event.Sealed(seal.party(), seal.revisions(), seal.certificate()), now)
                    : new Decision.Overtaken();
        }
        Command.Finish finish = (Command.Finish) result;
        boolean sealed = agreement.state() == State.SEALING
                && agreement.officeSealed()
                && agreement.acting().stream().allMatch(one -> agreement.standing(one.party()) == Standing.DONE);
        return sealed ? accepted(new Event.Completed(finish.revisions(), finish.record())) : new Decision.Overtaken();
    }

    private static Decision correct(Agreement agreement, Command.CorrectData correct) {
        if (agreement.state() != State.CHECK && agreement.state() != State.GENERATING) {
            return refused(Message.of("sent.data"));
        }
        return accepted(new Event.DataCorrected(correct.data(), correct.participants(), correct.title()));
    }

    private static Decision change(Agreement agreement, Command.ChangeParticipant change) {
        Participant participant = change.participant();
        if (agreement.state() != State.CHECK && agreement.state() != State.GENERATING) {
            return refused(Message.of("sent.parties"));
        }
        if (agreement.participant(participant.party()).isEmpty())
            return refused(Message.of("party.none", "party", participant.party()));
        return accepted(new Event.ParticipantChanged(participant, change.title(), change.remake()));
    }

    private static Decision send(Agreement agreement, Command.Send send, Instant now) {
        if (agreement.state() == State.GENERATING) return refused(Message.of("send.being-made"));
        if (agreement.state() != State.CHECK) return refused(Message.of("send.sent"));
        if (send.seen() != agreement.length()) return refused(Message.of("send.changed"));
        List<Message> obstacles = Readiness.obstacles(agreement, send.blanks());
        if (!obstacles.isEmpty()) return refused(Message.of("send.obstacle", "obstacle", obstacles.get(0)));
        if (!now.isBefore(send.expiresAt())) return refused(Message.of("send.expiry-past"));
        return accepted(new Event.Sent(send.expiresAt(), agreement.absent()));
    }

    private static Decision withdraw(Agreement agreement, Command.Withdraw withdraw) {
        if (agreement.state().ended()) return refused(Message.of("withdraw.ended"));
        if (agreement.state() == State.SEALING) return refused(Message.of("withdraw.signed"));
        if (withdraw.reason().isBlank()) return refused(Message.of("withdraw.reason-missing"));
        return accepted(new Event.Withdrawn(withdraw.reason().strip()));
    }

    private static Decision tick(Agreement agreement, Command.Tick tick, Instant now) {
        if (agreement.state() != State.OUT) return accepted();
        if (agreement.hasRunOut(now)) return accepted(new Event.Expired());
        List<Event> events = new ArrayList<>();
        tick.chasing().due(agreement, now).forEach((party, due) -> {
            if (now.isBefore(due.at())) return;
            events.add(
                    due.kind() == Chasing.Kind.WARNING ? new Event.WarningSent(party) : new Event.ReminderSent(party));
        });
        return new Decision.Accepted(events);
    }

    private static Decision withInvitations(List<Entry> history, Event event, Instant now) {
        return withInvitations(history, List.of(event), now);
    }

    /**
     * Events and, when they were the last thing that their stage waited for, the invitations of the next one. Whoever does a
     * part of a later stage in the same act is asked for that too.
     */
    static Decision withInvitations(List<Entry> history, List<Event> happened, Instant now) {
        List<Entry> after = new ArrayList<>(history);
        happened.forEach(event -> after.add(new Entry(after.size() + 1, now, Actor.PROGRAM, event)));
        Agreement next = Agreement.of(after);
        List<Event> events = new ArrayList<>(happened);
        boolean stageDone = next.acting().stream()
                .filter(one -> next.standing(one.party()) != Standing.OPEN)
                .allMatch(one -> next.standing(one.party()) == Standing.DONE);
        if (stageDone) {
            next.nextStage()
                    .ifPresent(stage -> next.acting().stream()
                            .filter(one -> one.stage() == stage)
                            .flatMap(one -> next.together(one.party()).parts().stream())
                            .filter(one -> next.standing(one.party()) == Standing.OPEN)
                            .distinct()
                            .forEach(one -> events.add(new Event.Invited(one.party()))));
        }
        return new Decision.Accepted(events);
    }

    private static Decision accepted(Event... events) {
        return new Decision.Accepted(List.of(events));
    }

    private static Decision refused(Message reason) {
        return new Decision.Refused(reason);
    }
}
