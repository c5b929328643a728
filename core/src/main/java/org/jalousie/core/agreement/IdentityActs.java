package org.jalousie.core.agreement;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/** The rules of how somebody shows who they are, and of what the office does for those who can't. */
final class IdentityActs {
    private IdentityActs() {}

    /** Whose turn it is has been looked at. */
    static Decision ofParty(Agreement agreement, Command.OfParty command, Instant now) {
        PartyKey party = agreement.identifiedAs(command.party());
        IdentityCheck check = agreement.identityCheck(party);
        Proving proving = agreement.provingOf(party);
        if (check == IdentityCheck.NONE) return refused(Message.of("identity.not-asked"));
        if (proving.locked()) return refused(Message.of("identity.locked"));
        if (command instanceof Command.AskForCode) return codeFor(party, check, proving, now);
        if (((Command.AnswerCheck) command).right()) return accepted(List.of(new Event.IdentityShown(party, check)));
        boolean last = proving.wrong() + 1 >= Proving.MOST_WRONG;
        return accepted(List.of(new Event.IdentityDoubted(party, check, last)));
    }

    private static Decision codeFor(PartyKey party, IdentityCheck check, Proving proving, Instant now) {
        if (!check.byCode()) return refused(Message.of("identity.no-code"));
        Optional<Instant> next = proving.nextCode().filter(now::isBefore);
        if (next.isPresent()) {
            long seconds = Duration.between(now, next.get()).plusMillis(999).toSeconds();
            return refused(Message.of("identity.code-soon", "seconds", seconds));
        }
        return accepted(List.of(new Event.CodeSent(party, check)));
    }

    /** The word holds for all that the person does in one act with this part. */
    static Decision agree(Agreement agreement, PartyKey party, Instant now) {
        Optional<Decision> refusal = refusal(agreement, party, now);
        if (refusal.isPresent()) return refusal.get();
        if (agreement.identityCheck(party) == IdentityCheck.NONE) return refused(Message.of("identity.not-asked"));
        List<Event> events = new ArrayList<>();
        for (Participant one : agreement.together(party).parts()) {
            if (one.identity() != IdentityCheck.NONE) events.add(new Event.WordAgreed(one.party()));
        }
        return accepted(events);
    }

    static Decision letGoOn(Agreement agreement, PartyKey party, Instant now) {
        Optional<Decision> refusal = refusal(agreement, party, now);
        if (refusal.isPresent()) return refusal.get();
        return agreement.provingOf(party).locked()
                ? accepted(List.of(new Event.LetGoOn(agreement.identifiedAs(party))))
                : refused(Message.of("identity.not-locked"));
    }

    private static Optional<Decision> refusal(Agreement agreement, PartyKey party, Instant now) {
        boolean open = agreement.state() == State.GENERATING
                || agreement.state() == State.CHECK
                || agreement.state() == State.OUT;
        if (!open || agreement.hasRunOut(now)) return Optional.of(refused(Message.of("identity.over")));
        if (agreement.participant(party).isEmpty() || agreement.absent().containsKey(party))
            return Optional.of(refused(Message.of("party.none", "party", party)));
        Standing standing = agreement.standing(party);
        return standing == Standing.OPEN || standing == Standing.TURN
                ? Optional.empty()
                : Optional.of(refused(Message.of("identity.over")));
    }

    private static Decision accepted(List<Event> events) {
        return new Decision.Accepted(events);
    }

    private static Decision refused(Message reason) {
        return new Decision.Refused(reason);
    }
}
