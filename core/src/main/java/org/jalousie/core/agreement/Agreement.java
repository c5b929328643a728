package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.FilePlace;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;

/**
 * What an agreement has come to: the fold of its events.
 *
 * @param title what it is called now; it names a person, so it changes with them
 * @param data stored intake values by field name
 * @param revision the number of the newest event that changed what the documents are or have to be
 * @param documents in their order, each in its newest state; none while they are being made
 * @param awaited titles of documents that have to come before it can be sent
 * @param added the documents that came with this agreement
 * @param given where signing fields stand on documents of this agreement alone, instead of where the template has them
 * @param changed the documents whose words differ from their template's in this agreement alone
 * @param since when the state was reached
 * @param participants all parts of the route, also those that are left out of this agreement
 * @param absent which parts are left out, and why; settled at sending
 * @param waiting of each party whose turn began
 * @param proving how far those have come who have to show who they are
 * @param undelivered whose address takes no mail, as far as is known
 * @param formerly who had a part while it was out and hasn't any more
 * @param linksFrom the number of the event since which links of a party are asked for that lead anywhere; all do where none is named
 * @param chasing how this agreement reminds and warns otherwise than its template says
 * @param questions what people have asked the office, in order
 * @param paper that it is signed on paper, or was; empty for one that is signed on the screen
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
        Map<PartyKey, Absence> absent,
        Map<PartyKey, Standing> standings,
        Map<PartyKey, Waiting> waiting,
        Map<PartyKey, Proving> proving,
        Map<PartyKey, String> consents,
        Map<PartyKey, Undelivered> undelivered,
        Map<PartyKey, List<Formerly>> formerly,
        Map<PartyKey, Integer> linksFrom,
        Optional<Event.ChasingChanged> chasing,
        List<Question> questions,
        List<PartyKey> viewed,
        List<Document> documents,
        List<String> awaited,
        List<AddedDocument> added,
        Map<DocumentId, List<GivenPlace>> given,
        Map<DocumentId, ChangedWording> changed,
        boolean officeSealed,
        Optional<OnPaper> paper,
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
        AgreementFold fold = new AgreementFold((Event.Created) history.get(0).event());
        history.forEach(fold::add);
        return fold.result(history.size());
    }

    public Optional<Participant> participant(PartyKey party) {
        return participants.stream().filter(one -> one.party().equals(party)).findFirst();
    }

    /** A mail that came back. @param mail the address; {@code said} what was said of it */
    public record Undelivered(String mail, String status, String said, Instant since) {}

    /**
     * A question to the office.
     *
     * @param number of the event that asked; {@code name} of who asked, as they were called then
     * @param answer empty until there is one
     */
    public record Question(
            int number, PartyKey party, String name, String question, Instant at, Optional<String> answer) {}

    /** Somebody who had a part. @param until the number of the event by which it became another person's; {@code how} that came */
    public record Formerly(Person person, int until, Event.PersonChanged.Change how) {}

    /** What a part's person was called when an event happened. */
    public Optional<String> nameAt(PartyKey party, int sequence) {
        return formerly.getOrDefault(party, List.of()).stream()
                .filter(one -> sequence < one.until())
                .findFirst()
                .map(Formerly::person)
                .or(() -> participant(party).map(Participant::person))
                .map(Person::name);
    }

    /** What the person who has a part now has asked; who had it before asked for themselves. */
    public List<Question> questionsOf(PartyKey party) {
        int since = formerly.getOrDefault(party, List.of()).stream()
                .filter(one -> one.how() != Event.PersonChanged.Change.CORRECTED)
                .mapToInt(Formerly::until)
                .max()
                .orElse(0);
        return questions.stream()
                .filter(one -> one.party().equals(party) && one.number() > since)
                .toList();
    }

    /** Whether a link that was asked for by an event leads anywhere. @param askedBy 0 for links from before that was kept */
    public boolean linkHolds(PartyKey party, int askedBy) {
        return askedBy >= linksFrom.getOrDefault(party, 0);
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

    /** A file that was attached, with the field that asked for it. */
    public record Attached(SigningField field, AttachedFile file) {}

    /** The files that parties have attached, in the order of their fields; one that stands in several places is told once. */
    public List<Attached> attached() {
        return fields().stream()
                .map(PlacedField::field)
                .filter(field ->
                        field.type() instanceof FilePlace && field.sameAs().isEmpty())
                .distinct()
                .flatMap(field ->
                        AttachedFile.read(values.getOrDefault(field.name(), ""))
                                .map(file -> new Attached(field, file))
                                .stream())
                .toList();
    }

    /** The signing fields of all documents, where they landed. */
    public List<PlacedField> fields() {
        return documents.stream().flatMap(one -> one.pages().fields().stream()).toList();
    }

    /**
     * The documents that a party is shown: all, or those with a place of theirs. Whoever has no place in any of them sees all, since
     * that is what they approve or get.
     */
    public List<Document> documentsFor(PartyKey party, boolean onlyOwn) {
        List<PartyKey> parts =
                together(party).parts().stream().map(Participant::party).toList();
        List<Document> own = documents.stream()
                .filter(one -> one.pages().fields().stream()
                        .anyMatch(placed -> parts.contains(placed.field().party())))
                .toList();
        return !onlyOwn || own.isEmpty() ? documents : own;
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

    /** Those who act in this agreement, in order. */
    public List<Participant> acting() {
        return present().stream().filter(one -> one.duty().acts()).toList();
    }

    /** Those who have a part in this agreement, in order. */
    public List<Participant> present() {
        return participants.stream()
                .filter(one -> !absent.containsKey(one.party()))
                .toList();
    }

    /** When a party's turn began; empty when it never did. */
    public Optional<Instant> turnSince(PartyKey party) {
        return Optional.ofNullable(waiting.get(party)).map(Waiting::since);
    }

    /**
     * The parts that one person does in one act with this one and that stand where it stands, itself among them; only this one
     * for who doesn't act. What was sent before parts were put together may have them at different points.
     */
    public Together together(PartyKey party) {
        List<Participant> acting = acting();
        if (acting.stream().noneMatch(one -> one.party().equals(party)))
            return new Together(participant(party).stream().toList());
        Standing standing = standing(party);
        return new Together(Together.of(acting, party).parts().stream()
                .filter(one -> standing(one.party()) == standing)
                .toList());
    }

    /** How the person of a part shows who they are, for all that they do in one act with it. */
    public IdentityCheck identityCheck(PartyKey party) {
        return asking(party).identityCheck();
    }

    /** The part that asks its person to show who they are, for all that they do in one act with this one; else this one. */
    public PartyKey identifiedAs(PartyKey party) {
        return asking(party).asker().map(Participant::party).orElse(party);
    }

    /** All that a person does in one act with a part, wherever each stands: who had to show who they are still has to when one is done. */
    private Together asking(PartyKey party) {
        List<Participant> acting = acting();
        return acting.stream().anyMatch(one -> one.party().equals(party))
                ? Together.of(acting, party)
                : new Together(participant(party).stream().toList());
    }

    /** How far the person of a part has come with that. */
    public Proving provingOf(PartyKey party) {
        return proving.getOrDefault(identifiedAs(party), Proving.BEGUN);
    }

    /** Whether the person of a part has shown who they are, as far as that is asked for. */
    public boolean identified(PartyKey party) {
        return identityCheck(party) == IdentityCheck.NONE
                || provingOf(party).proven().isPresent();
    }

    /** Those who gave too many wrong answers while it is their turn. */
    public List<Participant> locked() {
        return onTurn().stream()
                .filter(one -> state == State.OUT
                        && identifiedAs(one.party()).equals(one.party())
                        && provingOf(one.party()).locked())
                .toList();
    }

    /** Those who are asked now, by mail and on a page: one part for each act that is waited for. */
    public List<Participant> asked() {
        return onTurn().stream()
                .filter(one -> together(one.party()).lead().equals(one))
                .toList();
    }

    /** Whether it lies on somebody's table and not on their screen. */
    public boolean onPaper() {
        return paper.filter(one -> one.signed().isEmpty()).isPresent();
    }

    /** The parties whose turn it is to act on the screen. */
    public List<Participant> onTurn() {
        if (onPaper()) return List.of();
        return acting().stream()
                .filter(one -> standing(one.party()) == Standing.TURN)
                .toList();
    }

    /** Those whose turn has come at some time, one part for each act. */
    public List<Participant> everAsked() {
        return Together.all(acting()).stream()
                .map(act -> act.parts().stream()
                        .filter(one -> waiting.containsKey(one.party()))
                        .toList())
                .filter(parts -> !parts.isEmpty())
                .map(parts -> new Together(parts).lead())
                .toList();
    }

    /** The number of the next stage that has not been invited yet; empty when there is none. */
    Optional<Integer> nextStage() {
        return acting().stream()
                .filter(one -> standing(one.party()) == Standing.OPEN)
                .map(Participant::stage)
                .min(Comparator.naturalOrder());
    }
}
