package org.jalousie.core.agreement;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jalousie.core.data.Texts;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.ShownFields;
import org.jalousie.core.placement.SigningField;

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
        if (command instanceof Command.Withdraw withdraw) return withdraw(agreement, withdraw);
        return act(history, agreement, (Command.OfParty) command, now);
    }

    /** What the program has made counts only in the state that it was made for. */
    private static Decision result(List<Entry> history, Agreement agreement, Command.Result result, Instant now) {
        if (agreement.state().ended() || agreement.revision() != result.basedOn()) return new Decision.Overtaken();
        if (agreement.hasRunOut(now)) return accepted(new Event.Expired());
        if (result instanceof Command.Generate generate) {
            return agreement.state() == State.GENERATING
                    ? accepted(new Event.Generated(generate.documents()))
                    : new Decision.Overtaken();
        }
        if (result instanceof Command.SealOffice seal) {
            return agreement.state() == State.OUT && !agreement.officeSealed()
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
        return accepted(new Event.Sent(now.plus(Duration.ofDays(send.expiryDays()))));
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
        tick.reminders().due(agreement).forEach((party, due) -> {
            if (!now.isBefore(due)) events.add(new Event.ReminderSent(party));
        });
        return new Decision.Accepted(events);
    }

    /** Commands of a party who follows a link. */
    private static Decision act(List<Entry> history, Agreement agreement, Command.OfParty command, Instant now) {
        PartyKey party = command.party();
        Participant participant = agreement.participant(party).orElse(null);
        if (participant == null) return refused(Message.of("part.none"));
        if (agreement.state() == State.WITHDRAWN) return refused(Message.of("ended.withdrawn"));
        if (agreement.state() == State.DECLINED) return refused(Message.of("ended.declined"));
        if (agreement.state() == State.EXPIRED || agreement.hasRunOut(now)) {
            return refused(Message.of("ended.expired"));
        }
        Standing standing = agreement.standing(party);
        if (standing == Standing.DONE || standing == Standing.SEALING) return refused(Message.of("part.done"));
        if (standing != Standing.TURN) return refused(Message.of("part.not-yet"));
        if (command instanceof Command.View) {
            return agreement.viewed().contains(party) ? accepted() : accepted(new Event.Viewed(party));
        }
        if (command instanceof Command.Decline decline) {
            if (decline.reason().isBlank()) return refused(Message.of("decline.reason-missing"));
            return accepted(new Event.Declined(party, decline.reason().strip()));
        }
        if (command instanceof Command.Consent consent) {
            return agreement.consents().containsKey(party)
                    ? accepted()
                    : accepted(new Event.ConsentGiven(party, consent.wording(), consent.wordingHash()));
        }
        return perform(history, agreement, participant, command, now);
    }

    private static Decision perform(
            List<Entry> history, Agreement agreement, Participant participant, Command command, Instant now) {
        PartyKey party = participant.party();
        if (command instanceof Command.Approve) {
            if (participant.duty() != Duty.APPROVES) return refused(Message.of("duty.not-approve"));
            return withInvitations(history, new Event.Approved(party), now);
        }
        Map<String, String> values =
                command instanceof Command.Sign sign ? sign.values() : ((Command.Complete) command).values();
        List<SigningField> asked =
                agreement.fieldsOf(party).stream().filter(SigningField::asked).toList();
        Set<String> shown = ShownFields.among(asked, values);
        for (SigningField field : asked) {
            if (shown.contains(field.name())
                    && field.type().required()
                    && Texts.bare(values.getOrDefault(field.name(), "")).isEmpty()) {
                return refused(Message.of("field.required", "field", field.question()));
            }
        }
        Map<String, Message> faults = new TreeMap<>();
        for (Map.Entry<String, String> answer : values.entrySet()) {
            Optional<SigningField> field = asked.stream()
                    .filter(one -> one.name().equals(answer.getKey()))
                    .findFirst();
            if (field.isEmpty()) return refused(Message.of("field.not-yours", "field", answer.getKey()));
            if (!shown.contains(answer.getKey())
                    && !Texts.bare(answer.getValue()).isEmpty())
                faults.put(answer.getKey(), Message.of("field.not-asked"));
            field.get().type().fault(answer.getValue()).ifPresent(fault -> faults.put(answer.getKey(), fault));
        }
        if (!faults.isEmpty()) return new Decision.Refused(Message.of("fields.mend"), faults);
        if (command instanceof Command.Sign sign) {
            if (participant.duty() != Duty.SIGNS) return refused(Message.of("duty.not-sign"));
            if (!agreement.consents().containsKey(party)) return refused(Message.of("consent.first"));
            return accepted(new Event.Signed(party, sign.values(), sign.mark(), sign.markImage()));
        }
        if (participant.duty() != Duty.COMPLETES) return refused(Message.of("duty.not-complete"));
        return accepted(new Event.FieldsCompleted(party, values));
    }

    /** An event and, when it was the last thing that its stage waited for, the invitations of the next one. */
    private static Decision withInvitations(List<Entry> history, Event event, Instant now) {
        List<Entry> after = new ArrayList<>(history);
        after.add(new Entry(history.size() + 1, now, Actor.PROGRAM, event));
        Agreement next = Agreement.of(after);
        List<Event> events = new ArrayList<>(List.of(event));
        boolean stageDone = next.acting().stream()
                .filter(one -> next.standing(one.party()) != Standing.OPEN)
                .allMatch(one -> next.standing(one.party()) == Standing.DONE);
        if (stageDone) {
            next.nextStage()
                    .ifPresent(stage -> next.acting().stream()
                            .filter(one -> one.stage() == stage && next.standing(one.party()) == Standing.OPEN)
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
