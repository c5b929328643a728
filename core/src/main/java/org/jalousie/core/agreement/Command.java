package org.jalousie.core.agreement;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.Reminders;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;

/** Something that a person or the program wants to happen to an agreement. */
public sealed interface Command {
    /**
     * What the program brings after working on the documents, maybe for seconds. It is taken only when nothing has changed
     * them meanwhile.
     */
    sealed interface Result extends Command {
        /** What it was made from: {@link Agreement#revision()} as it was when the work began. */
        int basedOn();
    }

    /** The documents are made. @param awaited titles of those that the agreement waits for */
    record Generate(int basedOn, List<Document> documents, List<String> awaited) implements Result {
        /** All documents, with none that is still to come. */
        public Generate(int basedOn, List<Document> documents) {
            this(basedOn, documents, List.of());
        }
    }

    /** The office's seal is on the documents. */
    record SealOffice(int basedOn, List<Revision> revisions, CertificateId certificate) implements Result {}

    /** A party's act stands in the documents. */
    record Seal(int basedOn, PartyKey party, List<Revision> revisions, CertificateId certificate) implements Result {}

    /** The documents and the signing record are ready to be filed. */
    record Finish(int basedOn, List<Revision> revisions, Sha256 record) implements Result {}

    record CorrectData(Map<FieldName, String> data, List<Participant> participants, String title) implements Command {}

    /** @param remake whether the documents say something that changes with the person, so that they are made again */
    record ChangeParticipant(Participant participant, String title, boolean remake) implements Command {}

    /**
     * @param expiresAt the first moment at which it can't be acted on any more
     * @param blanks required data that are blank; sending is refused while there are any
     * @param seen how many events there were when the sender looked
     */
    record Send(Instant expiresAt, List<Blank> blanks, int seen) implements Command {}

    /** What somebody says about the documents of one agreement, before it is sent. */
    sealed interface OfDocuments extends Command {}

    /** A document that comes with this agreement; one of the same name takes the place of that. */
    record BringDocument(AddedDocument document) implements OfDocuments {}

    /**
     * A finished file takes the place of one of the template's documents.
     *
     * @param places of the signing fields in it; those without one there are none of the agreement's
     */
    record BringFinished(AddedDocument document, List<GivenPlace> places) implements OfDocuments {}

    record TakeOutDocument(DocumentId document) implements OfDocuments {}

    /**
     * A signing field gets its place on a document in this agreement, instead of where it stood.
     *
     * @param another whether it is one more field, which gets another name when its own is taken meanwhile
     */
    record GivePlace(DocumentId document, GivenPlace place, boolean another) implements OfDocuments {}

    /** A place that was given in this agreement is taken back. @param field the name of its field */
    record TakePlace(DocumentId document, String field) implements OfDocuments {}

    /** The words of a document change. @param basedOn {@link Agreement#revision()} as it was when they were read */
    record ChangeWording(int basedOn, DocumentId document, ChangedWording wording) implements OfDocuments {}

    record Withdraw(String reason) implements Command {}

    /** What the office does about an agreement that is signed on paper. */
    sealed interface OfPaper extends Command {}

    /**
     * Who hasn't signed yet signs on paper. What isn't sent yet is sent by that.
     *
     * @param expiresAt until when, for what isn't sent yet; {@code blanks} required data that are blank
     */
    record TakeToPaper(Instant expiresAt, List<Blank> blanks) implements OfPaper {}

    /** It goes on on the screen. */
    record LeavePaper() implements OfPaper {}

    /** The signed paper is there; see {@link Event.SignedOnPaper}. @param seen how many events it had when somebody looked at it */
    record SignOnPaper(
            int seen,
            List<Revision> scans,
            List<Event.ScannedSheet> pages,
            String broughtBy,
            LocalDate receivedOn,
            int inDoubt,
            String note)
            implements OfPaper {}

    /** Time has passed: end, warn or remind where that is due. */
    record Tick(Chasing chasing) implements Command {}

    /** The office has agreed on a word with a party's person; whoever had other ways to show who they are has this one now. */
    record AgreeWord(PartyKey party) implements Command {}

    /** The office lets somebody try again who gave too many wrong answers. */
    record LetGoOn(PartyKey party) implements Command {}

    /** What the office does to the route of an agreement that is out. */
    sealed interface OfRoute extends Command {}

    /** What it does about one part of it. */
    sealed interface OfPart extends OfRoute {
        /** The key of the party. */
        PartyKey party();
    }

    /** A new link goes out, and those before lead nowhere. */
    record RenewLink(PartyKey party) implements OfPart {}

    /** The same person, called or reached otherwise; in all parts that they still have to do. */
    record CorrectPerson(PartyKey party, Person person) implements OfPart {}

    /** Another person does what this one was to do in one act. */
    record ReplacePerson(PartyKey party, Person person) implements OfPart {}

    /** A reminder goes now. */
    record Remind(PartyKey party) implements OfPart {}

    /** It goes on without an optional part. @param reason may be empty */
    record SkipPart(PartyKey party, String reason) implements OfPart {}

    /** A mail that asked for a part came back; see {@link Event.MailReturned}. @param askedBy the number of the event that asked for it */
    record ReportReturn(PartyKey party, int askedBy, String mail, String status, String said) implements OfPart {}

    /** @param lastDay on which it can be acted on, in the office's time zone; {@code expiresAt} its end */
    record ChangeEnd(Instant expiresAt, LocalDate lastDay) implements OfRoute {}

    /** @param warnDays 0 for no warning */
    record ChangeChasing(Reminders reminders, int warnDays) implements OfRoute {}

    /** The office answers. @param question the number of the event that asked */
    record AnswerQuestion(int question, String answer) implements OfRoute {}

    /** What somebody with a part in the agreement does. */
    sealed interface OfParty extends Command {
        /** The key of the party. */
        PartyKey party();
    }

    record View(PartyKey party) implements OfParty {}

    record AskForCode(PartyKey party) implements OfParty {}

    /** @param right whether it is the answer to the check that was made of them */
    record AnswerCheck(PartyKey party, boolean right) implements OfParty {}

    record Consent(PartyKey party, String wording, Sha256 wordingHash) implements OfParty {}

    /** @param derived what the program worked out or copied into fields of the party, as it is kept */
    record Complete(PartyKey party, Map<String, String> values, Map<String, String> derived) implements OfParty {
        public Complete(PartyKey party, Map<String, String> values) {
            this(party, values, Map.of());
        }
    }

    record Approve(PartyKey party) implements OfParty {}

    /**
     * @param derived what the program worked out or copied into fields of the party, as it is kept
     * @param markImage the picture of the mark
     * @param initials the picture of initials; empty where the mark stands for them too
     */
    record Sign(
            PartyKey party,
            Map<String, String> values,
            Map<String, String> derived,
            String mark,
            Sha256 markImage,
            Optional<Sha256> initials)
            implements OfParty {
        public Sign(PartyKey party, Map<String, String> values, String mark, Sha256 markImage) {
            this(party, values, Map.of(), mark, markImage, Optional.empty());
        }
    }

    record Decline(PartyKey party, String reason) implements OfParty {}

    /** A question to the office. */
    record AskOffice(PartyKey party, String question) implements OfParty {}

    /** Whoever agreed to act electronically doesn't any more. */
    record WithdrawConsent(PartyKey party) implements OfParty {}

    /** Somebody else is to do it. @param allowed whether the template lets them; {@code reason} may be empty */
    record HandOver(PartyKey party, Person person, String reason, boolean allowed) implements OfParty {}
}
