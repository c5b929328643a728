package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.parties.PartyKey;

/**
 * What the program has to do to an agreement's documents next. It follows from the history alone, and there is never more than
 * one thing: so an agreement's documents have one queue, and no two results can meet.
 */
public sealed interface DocumentWork {
    /** The documents have to be made, or made again. */
    record Generate() implements DocumentWork {}

    /** The office's seal has to be put on them. */
    record SealOffice() implements DocumentWork {}

    /** An act has to be put into them. @param act where a party signed or completed details */
    record SealAct(PartyKey party, Entry act) implements DocumentWork {}

    /** All acted: the documents have to be lifted to long-term level, and the signing record written. */
    record Finish() implements DocumentWork {}

    /** What is next at {@code now}; empty when it is for people to act, or over. */
    static Optional<DocumentWork> next(List<Entry> history, Instant now) {
        Agreement agreement = Agreement.of(history);
        if (agreement.hasRunOut(now)) return Optional.empty();
        return switch (agreement.state()) {
            case GENERATING -> Optional.of(new Generate());
            case OUT -> agreement.onPaper() ? Optional.empty() : sealed(history, agreement);
            case SEALING -> sealed(history, agreement).or(() -> Optional.of(new Finish()));
            default -> Optional.empty();
        };
    }

    private static Optional<DocumentWork> sealed(List<Entry> history, Agreement agreement) {
        return agreement.officeSealed() ? act(history, agreement) : Optional.of(new SealOffice());
    }

    /** The earliest act that isn't in the documents yet. */
    private static Optional<DocumentWork> act(List<Entry> history, Agreement agreement) {
        for (Entry entry : history) {
            Optional<PartyKey> party = partyOf(entry.event());
            if (party.isPresent() && agreement.standing(party.get()) == Standing.SEALING)
                return Optional.of(new SealAct(party.get(), entry));
        }
        return Optional.empty();
    }

    private static Optional<PartyKey> partyOf(Event event) {
        if (event instanceof Event.Signed signed) return Optional.of(signed.party());
        return event instanceof Event.FieldsCompleted completed ? Optional.of(completed.party()) : Optional.empty();
    }
}
