package org.jalousie.core.evidence.law;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/** The acts of signing of an agreement, each with the events before and after it that tell of the same person. */
final class SignedActs {
    private SignedActs() {}

    /**
     * One act of signing.
     *
     * @param consent the newest before it that was not withdrawn
     * @param viewed when the pages were first open to who consented
     * @param sealed when it came into the documents
     */
    record Act(Entry signed, Participant who, Optional<Entry> consent, Optional<Entry> viewed, Optional<Entry> sealed) {
        /** Whether they acted themselves, and nobody of the office for them. */
        boolean themselves() {
            return signed.actor() instanceof Actor.Participant;
        }

        Actor.Proof proof() {
            return ((Actor.Participant) signed.actor()).proof();
        }

        CertificateId certificate() {
            return sealed.map(Entry::event)
                    .map(event -> ((Event.Sealed) event).certificate())
                    .orElse(CertificateId.NONE);
        }
    }

    static List<Act> of(Agreement agreement, List<Entry> history) {
        List<Act> acts = new ArrayList<>();
        for (int i = 0; i < history.size(); i++) {
            Entry entry = history.get(i);
            if (!(entry.event() instanceof Event.Signed signed)) continue;
            Optional<Participant> who = agreement.participant(signed.party());
            if (who.isEmpty()) continue;
            List<Entry> before = history.subList(0, i);
            Optional<Entry> consent = consent(before, signed.party());
            acts.add(new Act(
                    entry,
                    who.get(),
                    consent,
                    consent.flatMap(one -> viewed(before, one)),
                    sealed(history.subList(i, history.size()), signed.party())));
        }
        return acts;
    }

    private static Optional<Entry> consent(List<Entry> before, PartyKey party) {
        Optional<Entry> consent = Optional.empty();
        for (Entry entry : before) {
            if (entry.event() instanceof Event.ConsentGiven given
                    && given.party().equals(party)) consent = Optional.of(entry);
            boolean over = entry.event() instanceof Event.ConsentWithdrawn withdrawn
                            && withdrawn.party().equals(party)
                    // what somebody agreed to who had the part before is no consent of who has it now
                    || entry.event() instanceof Event.PersonChanged changed
                            && changed.party().equals(party)
                            && changed.how() != Event.PersonChanged.Change.CORRECTED;
            if (over) consent = Optional.empty();
        }
        return consent;
    }

    /** Who does several parts in one act has the pages open for the first of them. */
    private static Optional<Entry> viewed(List<Entry> before, Entry consent) {
        PartyKey came = consent.actor() instanceof Actor.Participant by
                ? by.party()
                : ((Event.ConsentGiven) consent.event()).party();
        return before.stream()
                .filter(one -> one.sequence() < consent.sequence())
                .filter(one ->
                        one.event() instanceof Event.Viewed seen && seen.party().equals(came))
                .reduce((first, last) -> last);
    }

    private static Optional<Entry> sealed(List<Entry> after, PartyKey party) {
        return after.stream()
                .filter(one -> one.event() instanceof Event.Sealed sealed
                        && sealed.party().equals(party))
                .findFirst();
    }
}
