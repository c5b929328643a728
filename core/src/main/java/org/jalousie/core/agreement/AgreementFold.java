package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;

/** Builds an agreement up from events. */
final class AgreementFold {
    private final Event.Created created;
    private String title;
    private Map<FieldName, String> data;
    private State state = State.GENERATING;
    private Instant since = Instant.EPOCH;
    private int revision = 1;
    private final List<Participant> participants;
    private final Map<PartyKey, Standing> standings = new LinkedHashMap<>();
    private final Map<PartyKey, Waiting> waiting = new LinkedHashMap<>();
    private Optional<Map<PartyKey, Absence>> leftOut = Optional.empty();
    private final Map<PartyKey, Proving> proving = new LinkedHashMap<>();
    private final Map<PartyKey, String> consents = new LinkedHashMap<>();
    private final List<PartyKey> viewed = new ArrayList<>();
    private final RouteChanges route = new RouteChanges();
    private List<Document> documents = List.of();
    private List<String> awaited = List.of();
    private AddedDocuments own = AddedDocuments.NONE;
    private boolean officeSealed;
    private Optional<OnPaper> paper = Optional.empty();
    private Optional<Instant> expiresAt = Optional.empty();
    private final Map<String, String> values = new LinkedHashMap<>();
    private Optional<Sha256> record = Optional.empty();
    private String endReason = "";

    AgreementFold(Event.Created created) {
        this.created = created;
        this.title = created.title();
        this.data = created.data();
        this.participants = new ArrayList<>(created.participants());
    }

    void add(Entry entry) {
        Event event = entry.event();
        if (event instanceof Event.Created) {
            reach(State.GENERATING, entry);
        } else if (event instanceof Event.DataCorrected corrected) {
            data = corrected.data();
            List<Participant> before = List.copyOf(participants);
            participants.clear();
            participants.addAll(corrected.participants());
            keepWords(before);
            remake(corrected.title(), entry);
        } else if (event instanceof Event.Generated generated) {
            // what was stored before documents had titles of their own is called by its template
            documents = generated.documents().stream()
                    .map(one -> one.title().isEmpty() ? one.titled(created.template()) : one)
                    .toList();
            awaited = generated.awaited();
            revision = entry.sequence();
            reach(State.CHECK, entry);
        } else if (event instanceof Event.DocumentBrought brought) {
            own = own.with(brought.document());
            remake("", entry);
        } else if (event instanceof Event.DocumentTakenOut out) {
            own = own.without(out.document());
            remake("", entry);
        } else if (event instanceof Event.PlacesGiven places) {
            own = own.given(places.document(), places.places());
            remake("", entry);
        } else if (event instanceof Event.WordingChanged words) {
            own = own.changed(words.document(), words.wording());
            remake("", entry);
        } else if (event instanceof Event.ParticipantChanged changed) {
            List<Participant> before = List.copyOf(participants);
            participants.replaceAll(
                    one -> one.party().equals(changed.participant().party()) ? changed.participant() : one);
            keepWords(before);
            if (changed.remake()) remake(changed.title(), entry);
            else entitle(changed.title());
        } else if (event instanceof Event.Sent sent) {
            expiresAt = Optional.of(sent.expiresAt());
            leftOut = Optional.of(sent.absent());
            reach(State.OUT, entry);
        } else if (event instanceof Event.OfficeSealed) {
            renew(entry);
            officeSealed = true;
        } else if (event instanceof Event.Invited invited) {
            standings.put(invited.party(), Standing.TURN);
            waiting.put(invited.party(), new Waiting(entry.at()));
        } else if (event instanceof Event.Viewed view) {
            viewed.add(view.party());
            route.reached(view.party());
        } else if (event instanceof Event.WordAgreed word) {
            participants.replaceAll(
                    one -> one.party().equals(word.party()) ? one.provenBy(IdentityCheck.AGREED_WORD) : one);
            proving(word.party(), Proving::word);
        } else if (event instanceof Event.CodeSent code) {
            proving(code.party(), one -> one.codeSent(entry.at()));
        } else if (event instanceof Event.IdentityShown shown) {
            proving(shown.party(), one -> one.provenAt(entry.at()));
        } else if (event instanceof Event.IdentityDoubted doubted) {
            proving(doubted.party(), Proving::wrongAnswer);
        } else if (event instanceof Event.LetGoOn on) {
            proving(on.party(), Proving::goesOn);
        } else if (event instanceof Event.ConsentGiven consent) {
            consents.put(consent.party(), consent.wording());
        } else if (event instanceof Event.ReminderSent reminder) {
            waiting.computeIfPresent(reminder.party(), (party, one) -> one.remindedAt(entry.at()));
        } else if (event instanceof Event.WarningSent warning) {
            waiting.computeIfPresent(warning.party(), (party, one) -> one.warnedAt(entry.at()));
        } else if (event instanceof Event.ConsentWithdrawn withdrawn) {
            consents.remove(withdrawn.party());
        } else if (event instanceof Event.EndChanged changed) {
            expiresAt = Optional.of(changed.expiresAt());
            waiting.replaceAll((party, one) -> one.endsOtherwise(entry.at()));
        } else if (event instanceof Event.LinkRenewed renewed) {
            waiting.computeIfPresent(renewed.party(), (party, one) -> one.writtenTo(entry.at()));
            route.add(entry);
        } else if (event instanceof Event.PersonChanged changed) {
            become(changed, entry);
        } else if (event instanceof Event.PartSkipped skipped) {
            Map<PartyKey, Absence> out = new LinkedHashMap<>(absent());
            out.put(skipped.party(), Absence.SKIPPED);
            leftOut = Optional.of(out);
            standings.remove(skipped.party());
            waiting.remove(skipped.party());
            route.add(entry);
            sealWhenAllActed(entry);
        } else if (event instanceof Event.QuestionAsked asked) {
            route.asked(entry, asked, participants);
        } else if (event instanceof Event.QuestionAnswered answered) {
            route.answered(answered);
            waiting.computeIfPresent(answered.party(), (party, one) -> one.writtenTo(entry.at()));
        } else if (event instanceof Event.MailReturned || event instanceof Event.ChasingChanged) {
            route.add(entry);
        } else {
            addAct(event, entry);
        }
    }

    /** Nothing that the one before has shown, agreed to or read holds for who has the part now. */
    private void become(Event.PersonChanged changed, Entry entry) {
        PartyKey party = changed.party();
        participants.stream()
                .filter(one -> one.party().equals(party))
                .findFirst()
                .ifPresent(one -> route.formerly(one, entry.sequence(), changed.how()));
        participants.replaceAll(one -> one.party().equals(party) ? one.with(changed.person()) : one);
        proving.computeIfPresent(party, (key, one) -> one.startingAgain(changed.how()));
        consents.remove(party);
        viewed.removeIf(party::equals);
        waiting.computeIfPresent(party, (key, one) -> new Waiting(entry.at()));
        route.add(entry);
    }

    private void addAct(Event event, Entry entry) {
        if (event instanceof Event.FieldsCompleted completed) {
            values.putAll(completed.values());
            standings.put(completed.party(), Standing.SEALING);
        } else if (event instanceof Event.Approved approved) {
            standings.put(approved.party(), Standing.DONE);
        } else if (event instanceof Event.Signed signed) {
            values.putAll(signed.values());
            standings.put(signed.party(), Standing.SEALING);
        } else if (event instanceof Event.Sealed sealed) {
            standings.put(sealed.party(), Standing.DONE);
            renew(entry);
        } else if (event instanceof Event.Declined declined) {
            standings.put(declined.party(), Standing.BROKEN);
            end(State.DECLINED, declined.reason(), entry);
        } else if (event instanceof Event.Withdrawn withdrawn) {
            end(State.WITHDRAWN, withdrawn.reason(), entry);
        } else if (event instanceof Event.Expired) {
            standings.replaceAll((party, standing) -> standing == Standing.TURN ? Standing.BROKEN : standing);
            end(State.EXPIRED, "", entry);
        } else if (event instanceof Event.TakenToPaper taken) {
            paper = Optional.of(new OnPaper(taken.printed(), entry.at(), Optional.empty()));
            revision = entry.sequence();
        } else if (event instanceof Event.BackFromPaper) {
            paper = Optional.empty();
            revision = entry.sequence();
        } else if (event instanceof Event.SignedOnPaper signed) {
            paper = paper.map(one -> one.with(signed));
            signed.parties().forEach(party -> standings.put(party, Standing.DONE));
            renew(entry);
            officeSealed = false; // the scan is a file of its own, which has no seal yet
        } else if (event instanceof Event.Completed completed) {
            renew(entry);
            record = Optional.of(completed.record());
            reach(State.COMPLETED, entry);
        }
        sealWhenAllActed(entry);
    }

    private void sealWhenAllActed(Entry entry) {
        boolean allActed = participants.stream()
                .filter(one -> one.duty().acts() && !absent().containsKey(one.party()))
                .allMatch(one ->
                        standings.get(one.party()) == Standing.DONE || standings.get(one.party()) == Standing.SEALING);
        if (state == State.OUT && allActed) reach(State.SEALING, entry);
    }

    private void proving(PartyKey party, UnaryOperator<Proving> step) {
        proving.put(party, step.apply(proving.getOrDefault(party, Proving.BEGUN)));
    }

    /** A word that was agreed on with a person holds for that person only, also when other answers are corrected. */
    private void keepWords(List<Participant> before) {
        proving.keySet()
                .removeIf(party -> participants.stream()
                        .noneMatch(now -> now.party().equals(party)
                                && before.stream()
                                        .anyMatch(one -> one.party().equals(party)
                                                && one.person().isSameAs(now.person()))));
        participants.replaceAll(
                one -> proving.containsKey(one.party()) ? one.provenBy(IdentityCheck.AGREED_WORD) : one);
    }

    /** Settled when it is sent; before, it follows from people and documents as they are. */
    private Map<PartyKey, Absence> absent() {
        return leftOut.orElseGet(() -> Absence.of(participants, documents));
    }

    private void remake(String newTitle, Entry entry) {
        entitle(newTitle);
        documents = List.of();
        awaited = List.of();
        revision = entry.sequence();
        reach(State.GENERATING, entry);
    }

    private void renew(Entry entry) {
        Map<DocumentId, Sha256> newer = new LinkedHashMap<>();
        entry.event().brought().forEach(one -> newer.put(one.document(), one.pdf()));
        documents = documents.stream()
                .map(one -> newer.containsKey(one.id()) ? one.at(newer.get(one.id())) : one)
                .toList();
        revision = entry.sequence();
    }

    private void entitle(String newTitle) {
        if (!newTitle.isBlank()) title = newTitle;
    }

    private void end(State ended, String reason, Entry entry) {
        endReason = reason;
        reach(ended, entry);
    }

    private void reach(State reached, Entry entry) {
        state = reached;
        since = entry.at();
    }

    Agreement result(int length) {
        return new Agreement(
                created,
                title,
                Map.copyOf(data),
                state,
                since,
                revision,
                List.copyOf(participants),
                Map.copyOf(absent()),
                Map.copyOf(standings),
                Map.copyOf(waiting),
                Map.copyOf(proving),
                Map.copyOf(consents),
                // who isn't asked any more need not be reached
                route.undelivered(party -> standings.get(party) == Standing.TURN),
                route.formerly(),
                route.linksFrom(),
                route.chasing(),
                route.questions(),
                List.copyOf(viewed),
                documents,
                awaited,
                own.added(),
                own.given(),
                own.changed(),
                officeSealed,
                paper,
                expiresAt,
                Map.copyOf(values),
                record,
                endReason,
                length);
    }
}
