package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;

/**
 * The rules of signing on paper. Who still has to sign signs one print of the documents as they are; nobody acts on the screen
 * meanwhile, so that what comes back is what was printed.
 */
final class PaperActs {
    private static final int LONGEST = 200;
    private static final int LONGEST_NOTE = 2000;

    private PaperActs() {}

    static Decision decide(List<Entry> history, Agreement agreement, Command.OfPaper command, Instant now) {
        if (agreement.hasRunOut(now)) return refused("ended.expired");
        if (command instanceof Command.TakeToPaper take) return take(agreement, take, now);
        if (agreement.state() != State.OUT || !agreement.onPaper()) return refused("paper.not-on-paper");
        return command instanceof Command.SignOnPaper sign ? sign(agreement, sign) : back(agreement);
    }

    private static Decision take(Agreement agreement, Command.TakeToPaper take, Instant now) {
        if (agreement.onPaper()) return refused("paper.already");
        if (agreement.state() != State.CHECK && agreement.state() != State.OUT) return refused("paper.not-now");
        List<Event> events = new ArrayList<>();
        if (agreement.state() == State.CHECK) {
            List<Message> obstacles = Readiness.obstaclesOnPaper(agreement, take.blanks());
            if (!obstacles.isEmpty())
                return new Decision.Refused(Message.of("send.obstacle", "obstacle", obstacles.get(0)));
            if (!now.isBefore(take.expiresAt())) return refused("send.expiry-past");
            events.add(new Event.Sent(take.expiresAt(), agreement.absent()));
        }
        for (Participant one : agreement.acting()) {
            Standing standing = agreement.standing(one.party());
            if (standing == Standing.SEALING) return refused("paper.moment");
            // somebody who has to agree before it goes out is not left out because others sign by hand
            if (one.duty() == Duty.APPROVES && standing != Standing.DONE)
                return new Decision.Refused(Message.of("paper.approve-first", "name", one.name()));
        }
        List<Revision> printed = agreement.documents().stream()
                .filter(one -> one.kind().sealed())
                .map(Document::revision)
                .toList();
        events.add(new Event.TakenToPaper(printed));
        return new Decision.Accepted(events);
    }

    private static Decision back(Agreement agreement) {
        List<Event> events = new ArrayList<>(List.of(new Event.BackFromPaper()));
        for (Participant one : signers(agreement)) {
            List<Message> faults = Readiness.ofPerson(agreement, one);
            if (!faults.isEmpty()) return new Decision.Refused(Message.of("paper.back-needs", "fault", faults.get(0)));
            // the mail that asked them may lie where they looked when they were told of paper
            if (agreement.standing(one.party()) == Standing.TURN) events.add(new Event.LinkRenewed(one.party()));
        }
        return new Decision.Accepted(events);
    }

    private static Decision sign(Agreement agreement, Command.SignOnPaper sign) {
        if (sign.seen() != agreement.length()) return refused("paper.changed");
        if (sign.broughtBy().isBlank()) return refused("paper.brought-by-missing");
        if (sign.broughtBy().length() > LONGEST)
            return new Decision.Refused(Message.of("paper.brought-by-too-long", "most", LONGEST));
        if (sign.note().length() > LONGEST_NOTE)
            return new Decision.Refused(Message.of("paper.note-too-long", "most", LONGEST_NOTE));
        return new Decision.Accepted(List.of(new Event.SignedOnPaper(
                signers(agreement).stream().map(Participant::party).toList(),
                sign.scans(),
                sign.pages(),
                sign.broughtBy().strip(),
                sign.receivedOn(),
                sign.inDoubt(),
                sign.note().strip())));
    }

    /** Whose part is done on paper: all that nobody has done on the screen. */
    private static List<Participant> signers(Agreement agreement) {
        return agreement.acting().stream()
                .filter(one -> agreement.standing(one.party()) != Standing.DONE)
                .toList();
    }

    private static Decision refused(String code) {
        return new Decision.Refused(Message.of(code));
    }
}
