package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;

/**
 * What an agreement has come to: the fold of its events.
 *
 * @param title what it is called now; it names a person, so it changes with them
 * @param data stored intake values by field name
 * @param revision the number of the newest event that changed what the documents are or have to be
 * @param documents in their order, each in its newest state; none while they are being made
 * @param since when the state was reached
 * @param values what parties completed, by signing field name
 */
public record Agreement(
        Event.Created created,
        String title,
        Map<FieldName, String> data,
        State state,
        Instant since,
        int revision,
        List<Participant> participants,
        Map<PartyKey, Standing> standings,
        Map<PartyKey, Instant> turnSince,
        Map<PartyKey, Instant> remindedAt,
        Map<PartyKey, String> consents,
        List<PartyKey> viewed,
        List<Document> documents,
        boolean officeSealed,
        Optional<Instant> expiresAt,
        Map<String, String> values,
        Optional<Sha256> record,
        String endReason,
        int length) {

    /** @throws IllegalArgumentException for an empty history */
    public static Agreement of(List<Entry> history) {
        if (history.isEmpty() || !(history.get(0).event() instanceof Event.Created)) {
            throw new IllegalArgumentException("a history begins with Created");
        }
        Fold fold = new Fold((Event.Created) history.get(0).event());
        history.forEach(fold::add);
        return fold.result(history.size());
    }

    public Optional<Participant> participant(PartyKey party) {
        return participants.stream().filter(one -> one.party().equals(party)).findFirst();
    }

    public Standing standing(PartyKey party) {
        return standings.getOrDefault(party, Standing.OPEN);
    }

    public List<SigningField> fieldsOf(PartyKey party) {
        return fields().stream()
                .map(PlacedField::field)
                .filter(field -> field.party().equals(party))
                .distinct()
                .toList();
    }

    /** The signing fields of all documents, where they landed. */
    public List<PlacedField> fields() {
        return documents.stream().flatMap(one -> one.pages().fields().stream()).toList();
    }

    public Optional<Document> document(DocumentId id) {
        return documents.stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** The document of this name, whatever text it is: a name from an address may be none at all. */
    public Optional<Document> documentNamed(String name) {
        return documents.stream().filter(one -> one.id().value().equals(name)).findFirst();
    }

    /** What each document is now. */
    public List<Revision> revisions() {
        return documents.stream().map(Document::revision).toList();
    }

    /** Whether it is out and can't be acted on any more, though nobody has noted that yet. */
    public boolean hasRunOut(Instant now) {
        return state == State.OUT && expiresAt.map(end -> !now.isBefore(end)).orElse(false);
    }

    /** Those who act, in order. */
    public List<Participant> acting() {
        return participants.stream().filter(one -> one.duty().acts()).toList();
    }

    /** The parties whose turn it is. */
    public List<Participant> onTurn() {
        return acting().stream()
                .filter(one -> standing(one.party()) == Standing.TURN)
                .toList();
    }

    /** The number of the next stage that has not been invited yet; empty when there is none. */
    Optional<Integer> nextStage() {
        return acting().stream()
                .filter(one -> standing(one.party()) == Standing.OPEN)
                .map(Participant::stage)
                .min(Comparator.naturalOrder());
    }

    /** Builds an agreement up from events. */
    private static final class Fold {
        private final Event.Created created;
        private String title;
        private Map<FieldName, String> data;
        private State state = State.GENERATING;
        private Instant since = Instant.EPOCH;
        private int revision = 1;
        private final List<Participant> participants;
        private final Map<PartyKey, Standing> standings = new LinkedHashMap<>();
        private final Map<PartyKey, Instant> turnSince = new LinkedHashMap<>();
        private final Map<PartyKey, Instant> remindedAt = new LinkedHashMap<>();
        private final Map<PartyKey, String> consents = new LinkedHashMap<>();
        private final List<PartyKey> viewed = new ArrayList<>();
        private List<Document> documents = List.of();
        private boolean officeSealed;
        private Optional<Instant> expiresAt = Optional.empty();
        private final Map<String, String> values = new LinkedHashMap<>();
        private Optional<Sha256> record = Optional.empty();
        private String endReason = "";

        Fold(Event.Created created) {
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
                participants.clear();
                participants.addAll(corrected.participants());
                remake(corrected.title(), entry);
            } else if (event instanceof Event.Generated generated) {
                // what was stored before documents had titles of their own is called by its template
                documents = generated.documents().stream()
                        .map(one -> one.title().isEmpty() ? one.titled(created.template()) : one)
                        .toList();
                revision = entry.sequence();
                reach(State.CHECK, entry);
            } else if (event instanceof Event.ParticipantChanged changed) {
                participants.replaceAll(
                        one -> one.party().equals(changed.participant().party()) ? changed.participant() : one);
                if (changed.remake()) remake(changed.title(), entry);
                else entitle(changed.title());
            } else if (event instanceof Event.Sent sent) {
                expiresAt = Optional.of(sent.expiresAt());
                reach(State.OUT, entry);
            } else if (event instanceof Event.OfficeSealed) {
                renew(entry);
                officeSealed = true;
            } else if (event instanceof Event.Invited invited) {
                standings.put(invited.party(), Standing.TURN);
                turnSince.put(invited.party(), entry.at());
            } else if (event instanceof Event.Viewed view) {
                viewed.add(view.party());
            } else if (event instanceof Event.ConsentGiven consent) {
                consents.put(consent.party(), consent.wording());
            } else if (event instanceof Event.ReminderSent reminder) {
                remindedAt.put(reminder.party(), entry.at());
            } else {
                addAct(event, entry);
            }
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
            } else if (event instanceof Event.Completed completed) {
                renew(entry);
                record = Optional.of(completed.record());
                reach(State.COMPLETED, entry);
            }
            boolean allActed = participants.stream()
                    .filter(one -> one.duty().acts())
                    .allMatch(one -> standings.get(one.party()) == Standing.DONE
                            || standings.get(one.party()) == Standing.SEALING);
            if (state == State.OUT && allActed) reach(State.SEALING, entry);
        }

        private void remake(String newTitle, Entry entry) {
            entitle(newTitle);
            documents = List.of();
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
                    Map.copyOf(standings),
                    Map.copyOf(turnSince),
                    Map.copyOf(remindedAt),
                    Map.copyOf(consents),
                    List.copyOf(viewed),
                    documents,
                    officeSealed,
                    expiresAt,
                    Map.copyOf(values),
                    record,
                    endReason,
                    length);
        }
    }
}
