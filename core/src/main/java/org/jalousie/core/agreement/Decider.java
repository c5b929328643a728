package org.jalousie.core.agreement;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.SigningField;

/** The rules of an agreement's life. */
public final class Decider {
    private Decider() {}

    /** Decides what a command leads to now. Pure: the same history, command and time give the same decision. */
    public static Decision decide(List<Entry> history, Command command, Instant now) {
        Agreement agreement = Agreement.of(history);
        // an ended agreement is final: what a job brings too late is let go, what a person wants is refused
        if (agreement.state().ended() && ofTheProgram(command)) return accepted();
        if (command instanceof Command.Generate generate) return generate(agreement, generate);
        if (command instanceof Command.CorrectData correct) {
            if (agreement.state() != State.CHECK && agreement.state() != State.GENERATING) {
                return refused(
                        "The agreement has been sent; its data can't be changed any more. Withdraw it and make a new one.");
            }
            return accepted(new Event.DataCorrected(correct.data(), correct.participants(), correct.title()));
        }
        if (command instanceof Command.ChangeParticipant change) return change(agreement, change);
        if (command instanceof Command.Send send) return send(agreement, send, now);
        if (command instanceof Command.SealHouse seal) return sealHouse(agreement, seal, now);
        if (command instanceof Command.Seal seal) return seal(agreement, seal, now);
        if (command instanceof Command.Withdraw withdraw) return withdraw(agreement, withdraw);
        if (command instanceof Command.Tick tick) return tick(agreement, tick, now);
        if (command instanceof Command.Finish finish) return finish(agreement, finish);
        return act(agreement, command, now);
    }

    private static Decision generate(Agreement agreement, Command.Generate generate) {
        if (agreement.state() != State.GENERATING || agreement.madeFrom() != generate.basedOn()) return accepted();
        return accepted(new Event.Generated(generate.word(), generate.pdf(), generate.pages()));
    }

    private static Decision change(Agreement agreement, Command.ChangeParticipant change) {
        Participant participant = change.participant();
        if (agreement.state() != State.CHECK && agreement.state() != State.GENERATING) {
            return refused(
                    "The agreement has been sent; its parties can't be changed any more. Withdraw it and make a new one.");
        }
        if (agreement.participant(participant.party()).isEmpty())
            return refused("The agreement has no party " + participant.party() + ".");
        return accepted(new Event.ParticipantChanged(participant, change.title(), change.remake()));
    }

    private static Decision send(Agreement agreement, Command.Send send, Instant now) {
        if (agreement.state() == State.GENERATING)
            return refused("The document is still being made. Send it when it is ready.");
        if (agreement.state() != State.CHECK) return refused("The agreement has been sent already.");
        if (send.seen() != agreement.length())
            return refused(
                    "The agreement was changed since you looked at it. Look at the document again, then send it.");
        List<String> obstacles = Readiness.obstacles(agreement, send.blanks());
        if (!obstacles.isEmpty()) return refused("It can't be sent yet: " + obstacles.get(0));
        return accepted(new Event.Sent(now.plus(Duration.ofDays(send.expiryDays()))));
    }

    private static Decision sealHouse(Agreement agreement, Command.SealHouse seal, Instant now) {
        if (agreement.state() != State.OUT
                || agreement.houseSealed()
                || !agreement.pdf().equals(seal.basedOn())) return accepted();
        if (expired(agreement, now)) return accepted(new Event.Expired());
        List<Event> events = new ArrayList<>();
        events.add(new Event.HouseSealed(seal.pdf(), seal.certificate()));
        events.addAll(invitations(agreement));
        return new Decision.Accepted(events);
    }

    /** Put into a document that is not the newest any more, the seal counts for nothing and has to be made again. */
    private static Decision seal(Agreement agreement, Command.Seal seal, Instant now) {
        if (agreement.standing(seal.party()) != Standing.SEALING
                || !agreement.pdf().equals(seal.basedOn())) return accepted();
        if (expired(agreement, now)) return accepted(new Event.Expired());
        return withNextStage(agreement, List.of(new Event.Sealed(seal.party(), seal.pdf(), seal.certificate())));
    }

    private static Decision withdraw(Agreement agreement, Command.Withdraw withdraw) {
        if (agreement.state().ended()) return refused("The agreement has ended already.");
        if (agreement.state() == State.SEALING) return refused("Everybody has signed; it can't be withdrawn any more.");
        if (withdraw.reason().isBlank()) return refused("Say why it is withdrawn; the parties will read it.");
        return accepted(new Event.Withdrawn(withdraw.reason().strip()));
    }

    private static Decision tick(Agreement agreement, Command.Tick tick, Instant now) {
        if (agreement.state() != State.OUT) return accepted();
        if (expired(agreement, now)) return accepted(new Event.Expired());
        List<Event> events = new ArrayList<>();
        tick.reminders().due(agreement).forEach((party, due) -> {
            if (!now.isBefore(due)) events.add(new Event.ReminderSent(party));
        });
        return new Decision.Accepted(events);
    }

    private static Decision finish(Agreement agreement, Command.Finish finish) {
        boolean sealed = agreement.state() == State.SEALING
                && agreement.acting().stream().allMatch(one -> agreement.standing(one.party()) == Standing.DONE);
        if (!sealed || agreement.length() != finish.basedOn()) return accepted();
        return accepted(new Event.Completed(finish.pdf(), finish.record()));
    }

    /** Commands of a party who follows a link. */
    private static Decision act(Agreement agreement, Command command, Instant now) {
        String party = partyOf(command);
        Participant participant = agreement.participant(party).orElse(null);
        if (participant == null) return refused("You have no part in this agreement.");
        if (agreement.state() == State.WITHDRAWN) return refused("This agreement was withdrawn by the office.");
        if (agreement.state() == State.DECLINED) return refused("This agreement was declined and has ended.");
        if (agreement.state() == State.EXPIRED || expired(agreement, now)) {
            return refused("The time for this agreement has run out. Ask the office to send it again.");
        }
        Standing standing = agreement.standing(party);
        if (standing == Standing.DONE || standing == Standing.SEALING)
            return refused("You have done your part already.");
        if (standing != Standing.TURN) return refused("It is not your turn yet. You will get a mail when it is.");
        if (command instanceof Command.View) {
            return agreement.viewed().contains(party) ? accepted() : accepted(new Event.Viewed(party));
        }
        if (command instanceof Command.Decline decline) {
            if (decline.reason().isBlank()) return refused("Say in a few words why you decline.");
            return accepted(new Event.Declined(party, decline.reason().strip()));
        }
        if (command instanceof Command.Consent consent) {
            return agreement.consents().containsKey(party)
                    ? accepted()
                    : accepted(new Event.ConsentGiven(party, consent.wording(), consent.wordingHash()));
        }
        return perform(agreement, participant, command);
    }

    private static Decision perform(Agreement agreement, Participant participant, Command command) {
        String party = participant.party();
        if (command instanceof Command.Approve) {
            if (participant.duty() != Duty.APPROVES) return refused("You are not asked to approve.");
            return withNextStage(agreement, List.of(new Event.Approved(party)));
        }
        Map<String, String> values =
                command instanceof Command.Sign sign ? sign.values() : ((Command.Complete) command).values();
        for (SigningField field : agreement.fieldsOf(party)) {
            if (field.asked()
                    && field.required()
                    && values.getOrDefault(field.name(), "").isBlank()) {
                return refused(field.label() + " is required.");
            }
        }
        for (String name : values.keySet()) {
            if (agreement.fieldsOf(party).stream()
                    .noneMatch(field -> field.name().equals(name) && field.asked())) {
                return refused(name + " is not yours to complete.");
            }
        }
        if (command instanceof Command.Sign sign) {
            if (participant.duty() != Duty.SIGNS) return refused("You are not asked to sign.");
            if (!agreement.consents().containsKey(party)) return refused("Agree first to sign electronically.");
            if (sign.markImage().isBlank()) return refused("Type or draw your signature first.");
            return accepted(new Event.Signed(party, sign.values(), sign.mark(), sign.markImage()));
        }
        if (participant.duty() != Duty.COMPLETES) return refused("You are not asked to complete details.");
        return accepted(new Event.FieldsCompleted(party, values));
    }

    private static Decision withNextStage(Agreement agreement, List<Event> events) {
        List<Event> all = new ArrayList<>(events);
        Agreement next = with(agreement, events.get(0));
        boolean stageDone = next.acting().stream()
                .filter(one -> next.standing(one.party()) != Standing.OPEN)
                .allMatch(one -> next.standing(one.party()) == Standing.DONE);
        if (stageDone) all.addAll(invitations(next));
        return new Decision.Accepted(all);
    }

    private static Agreement with(Agreement a, Event event) {
        Map<String, Standing> standings = new java.util.HashMap<>(a.standings());
        String party = event instanceof Event.Approved approved ? approved.party() : ((Event.Sealed) event).party();
        standings.put(party, Standing.DONE);
        return new Agreement(
                a.created(),
                a.title(),
                a.data(),
                a.state(),
                a.since(),
                a.madeFrom(),
                a.participants(),
                standings,
                a.turnSince(),
                a.remindedAt(),
                a.consents(),
                a.viewed(),
                a.pages(),
                a.word(),
                a.pdf(),
                a.houseSealed(),
                a.expiresAt(),
                a.values(),
                a.record(),
                a.endReason(),
                a.length());
    }

    private static List<Event> invitations(Agreement agreement) {
        return agreement
                .nextStage()
                .map(stage -> agreement.acting().stream()
                        .filter(one -> one.stage() == stage && agreement.standing(one.party()) == Standing.OPEN)
                        .map(one -> (Event) new Event.Invited(one.party()))
                        .toList())
                .orElse(List.of());
    }

    private static boolean expired(Agreement agreement, Instant now) {
        return agreement.state() == State.OUT
                && agreement.expiresAt().map(end -> !now.isBefore(end)).orElse(false);
    }

    private static boolean ofTheProgram(Command command) {
        return command instanceof Command.Generate
                || command instanceof Command.SealHouse
                || command instanceof Command.Seal
                || command instanceof Command.Finish
                || command instanceof Command.Tick;
    }

    private static String partyOf(Command command) {
        if (command instanceof Command.View view) return view.party();
        if (command instanceof Command.Consent consent) return consent.party();
        if (command instanceof Command.Complete complete) return complete.party();
        if (command instanceof Command.Approve approve) return approve.party();
        if (command instanceof Command.Sign sign) return sign.party();
        if (command instanceof Command.Decline decline) return decline.party();
        throw new IllegalArgumentException("no command of a party: " + command);
    }

    private static Decision accepted(Event... events) {
        return new Decision.Accepted(List.of(events));
    }

    private static Decision refused(String reason) {
        return new Decision.Refused(reason);
    }
}
