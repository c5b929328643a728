package org.jalousie.core.agreement;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.Reminders;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;

/**
 * Something that happened to an agreement. Events are the audit trail: they are added, never changed. To change the form of
 * one, give it a step in {@code evidence.EarlierEntries}.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Event.Created.class, name = "Created"),
    @JsonSubTypes.Type(value = Event.DataCorrected.class, name = "DataCorrected"),
    @JsonSubTypes.Type(value = Event.Generated.class, name = "Generated"),
    @JsonSubTypes.Type(value = Event.ParticipantChanged.class, name = "ParticipantChanged"),
    @JsonSubTypes.Type(value = Event.DocumentBrought.class, name = "DocumentBrought"),
    @JsonSubTypes.Type(value = Event.DocumentTakenOut.class, name = "DocumentTakenOut"),
    @JsonSubTypes.Type(value = Event.PlacesGiven.class, name = "PlacesGiven"),
    @JsonSubTypes.Type(value = Event.WordingChanged.class, name = "WordingChanged"),
    @JsonSubTypes.Type(value = Event.Sent.class, name = "Sent"),
    @JsonSubTypes.Type(value = Event.OfficeSealed.class, name = "OfficeSealed"),
    @JsonSubTypes.Type(value = Event.Invited.class, name = "Invited"),
    @JsonSubTypes.Type(value = Event.WordAgreed.class, name = "WordAgreed"),
    @JsonSubTypes.Type(value = Event.CodeSent.class, name = "CodeSent"),
    @JsonSubTypes.Type(value = Event.IdentityShown.class, name = "IdentityShown"),
    @JsonSubTypes.Type(value = Event.IdentityDoubted.class, name = "IdentityDoubted"),
    @JsonSubTypes.Type(value = Event.LetGoOn.class, name = "LetGoOn"),
    @JsonSubTypes.Type(value = Event.LinkRenewed.class, name = "LinkRenewed"),
    @JsonSubTypes.Type(value = Event.PersonChanged.class, name = "PersonChanged"),
    @JsonSubTypes.Type(value = Event.PartSkipped.class, name = "PartSkipped"),
    @JsonSubTypes.Type(value = Event.EndChanged.class, name = "EndChanged"),
    @JsonSubTypes.Type(value = Event.ChasingChanged.class, name = "ChasingChanged"),
    @JsonSubTypes.Type(value = Event.MailReturned.class, name = "MailReturned"),
    @JsonSubTypes.Type(value = Event.QuestionAsked.class, name = "QuestionAsked"),
    @JsonSubTypes.Type(value = Event.QuestionAnswered.class, name = "QuestionAnswered"),
    @JsonSubTypes.Type(value = Event.ConsentWithdrawn.class, name = "ConsentWithdrawn"),
    @JsonSubTypes.Type(value = Event.Viewed.class, name = "Viewed"),
    @JsonSubTypes.Type(value = Event.ConsentGiven.class, name = "ConsentGiven"),
    @JsonSubTypes.Type(value = Event.FieldsCompleted.class, name = "FieldsCompleted"),
    @JsonSubTypes.Type(value = Event.Approved.class, name = "Approved"),
    @JsonSubTypes.Type(value = Event.Signed.class, name = "Signed"),
    @JsonSubTypes.Type(value = Event.Sealed.class, name = "Sealed"),
    @JsonSubTypes.Type(value = Event.Declined.class, name = "Declined"),
    @JsonSubTypes.Type(value = Event.Withdrawn.class, name = "Withdrawn"),
    @JsonSubTypes.Type(value = Event.Expired.class, name = "Expired"),
    @JsonSubTypes.Type(value = Event.ReminderSent.class, name = "ReminderSent"),
    @JsonSubTypes.Type(value = Event.WarningSent.class, name = "WarningSent"),
    @JsonSubTypes.Type(value = Event.TakenToPaper.class, name = "TakenToPaper"),
    @JsonSubTypes.Type(value = Event.BackFromPaper.class, name = "BackFromPaper"),
    @JsonSubTypes.Type(value = Event.SignedOnPaper.class, name = "SignedOnPaper"),
    @JsonSubTypes.Type(value = Event.Completed.class, name = "Completed")
})
public sealed interface Event {
    /**
     * The agreement exists; its documents are being made.
     *
     * @param data stored intake values by field name
     * @param replaces the number of the agreement that came to nothing and whose place it takes; empty for none
     */
    record Created(
            AgreementNumber number,
            String title,
            String template,
            int templateVersion,
            String request,
            Map<FieldName, String> data,
            List<Participant> participants,
            String replaces)
            implements Event {
        public Created {
            replaces = replaces == null ? "" : replaces; // earlier events carry none
        }

        /** One that replaces none. */
        public Created(
                AgreementNumber number,
                String title,
                String template,
                int templateVersion,
                String request,
                Map<FieldName, String> data,
                List<Participant> participants) {
            this(number, title, template, templateVersion, request, data, participants, "");
        }
    }

    /** The data were corrected before sending; the documents are being made again. @param title empty when it stays */
    record DataCorrected(Map<FieldName, String> data, List<Participant> participants, String title) implements Event {
        public DataCorrected {
            title = title == null ? "" : title; // earlier events carry none
        }
    }

    /** The documents are ready to be checked. @param awaited titles of those that the agreement waits for */
    record Generated(List<Document> documents, List<String> awaited) implements Event {
        public Generated {
            awaited = awaited == null ? List.of() : List.copyOf(awaited); // earlier events wait for none
        }

        /** All documents, with none that is still to come. */
        public Generated(List<Document> documents) {
            this(documents, List.of());
        }
    }

    /** A document came with this agreement; the documents are being made again. */
    record DocumentBrought(AddedDocument document) implements Event {}

    record DocumentTakenOut(DocumentId document) implements Event {}

    /** Signing fields got their places on a document of this agreement; the documents are being made again. */
    record PlacesGiven(DocumentId document, List<GivenPlace> places) implements Event {}

    /**
     * The words of one document are others than its template's, in this agreement alone; the documents are being made again.
     *
     * @param wording all that differs now; nothing when it is the template's again
     */
    record WordingChanged(DocumentId document, ChangedWording wording) implements Event {}

    /** @param remake whether the documents are made again, since they say something that changes with the person */
    record ParticipantChanged(Participant participant, String title, boolean remake) implements Event {
        public ParticipantChanged {
            title = title == null ? "" : title; // earlier events carry none
        }
    }

    /**
     * @param expiresAt the first moment at which it can't be acted on any more
     * @param absent the parts of the route that this agreement goes without, and why
     */
    record Sent(Instant expiresAt, Map<PartyKey, Absence> absent) implements Event {
        public Sent {
            absent = absent == null ? Map.of() : Map.copyOf(absent); // earlier events left nobody out
        }

        /** Everybody of the route takes part. */
        public Sent(Instant expiresAt) {
            this(expiresAt, Map.of());
        }
    }

    /** The office's own seal is on the documents; from here on no word of them can change. */
    record OfficeSealed(List<Revision> revisions, CertificateId certificate) implements Event {
        public OfficeSealed {
            certificate = CertificateId.orNone(certificate);
        }
    }

    record Invited(PartyKey party) implements Event {}

    /** The office has agreed on a word with the party's person, who shows by it who they are. The word itself is kept nowhere. */
    record WordAgreed(PartyKey party) implements Event {}

    /** A one-time code was asked for and goes out. */
    record CodeSent(PartyKey party, IdentityCheck check) implements Event {}

    record IdentityShown(PartyKey party, IdentityCheck check) implements Event {}

    /** The answer to the check was wrong. @param locked whether no further one is looked at */
    record IdentityDoubted(PartyKey party, IdentityCheck check, boolean locked) implements Event {}

    /** The office lets somebody try again who gave too many wrong answers. */
    record LetGoOn(PartyKey party) implements Event {}

    /** A new link goes to the person of a part; those before it lead nowhere any more. */
    record LinkRenewed(PartyKey party) implements Event {}

    /**
     * While it is out: the person of a part is reached or called otherwise, or is another one. Links to who it was lead nowhere any
     * more.
     *
     * @param reason why somebody handed their part over; may be empty
     */
    record PersonChanged(PartyKey party, Person person, Change how, String reason) implements Event {
        /** Why a part has a person that it hadn't. */
        public enum Change {
            /** It is the same person, whose name or address was wrong. */
            CORRECTED,
            /** The office named another one. */
            REPLACED,
            /** Who had the part gave it to another one. */
            HANDED_OVER
        }
    }

    /** The agreement goes on without an optional part. @param reason may be empty */
    record PartSkipped(PartyKey party, String reason) implements Event {}

    /**
     * There is more time, or less.
     *
     * @param expiresAt the first moment at which it can't be acted on any more; {@code lastDay} the last day on which it can
     */
    record EndChanged(Instant expiresAt, LocalDate lastDay) implements Event {}

    /** This agreement alone reminds and warns otherwise than its template says. @param warnDays 0 for no warning */
    record ChasingChanged(Reminders reminders, int warnDays) implements Event {
        /** The terms that hold with it. @param template what the template says of all else */
        public ChasingTerms with(ChasingTerms template) {
            return new ChasingTerms(reminders, warnDays, template.invitationsInHours());
        }
    }

    /**
     * A mail that asked for a part came back.
     *
     * @param mail the address that it couldn't be brought to
     * @param status the enhanced status code (RFC 3463), such as 5.1.1
     * @param said what the mail server said, in its own words; may be empty
     */
    record MailReturned(PartyKey party, String mail, String status, String said) implements Event {}

    /** Somebody on the route asks the office something. */
    record QuestionAsked(PartyKey party, String question) implements Event {}

    /** The office answers whoever asked. @param question the number of the event that asked */
    record QuestionAnswered(PartyKey party, int question, String answer) implements Event {}

    /** Somebody who had agreed to act electronically doesn't any more. */
    record ConsentWithdrawn(PartyKey party) implements Event {}

    record Viewed(PartyKey party) implements Event {}

    /** @param wording version of the consent wording; {@code wordingHash} is its SHA-256 */
    record ConsentGiven(PartyKey party, String wording, Sha256 wordingHash) implements Event {}

    /** A party with the duty to complete details has done so. */
    record FieldsCompleted(PartyKey party, Map<String, String> values) implements Event {}

    record Approved(PartyKey party) implements Event {}

    /**
     * The deliberate act of signing.
     *
     * @param values text that the party completed, by signing field name
     * @param mark how the mark was made: {@code typed:NAME OF FONT}, {@code drawn}, or {@code picture} for one of their own
     * @param markImage the mark's picture
     * @param initials the picture of initials; empty where the mark stands for them too
     */
    record Signed(PartyKey party, Map<String, String> values, String mark, Sha256 markImage, Optional<Sha256> initials)
            implements Event {
        public Signed {
            initials = initials == null ? Optional.empty() : initials; // earlier events carry none
        }

        /** A mark that stands for initials too. */
        public Signed(PartyKey party, Map<String, String> values, String mark, Sha256 markImage) {
            this(party, values, mark, markImage, Optional.empty());
        }
    }

    /** The party's act stands in the documents; for a signer, as a signature. */
    record Sealed(PartyKey party, List<Revision> revisions, CertificateId certificate) implements Event {
        public Sealed {
            certificate = CertificateId.orNone(certificate);
        }
    }

    record Declined(PartyKey party, String reason) implements Event {}

    record Withdrawn(String reason) implements Event {}

    record Expired() implements Event {}

    record ReminderSent(PartyKey party) implements Event {}

    /** The party was warned that the time runs out. */
    record WarningSent(PartyKey party) implements Event {}

    /** Who hasn't signed yet signs on paper; nobody acts on the screen from here on. @param printed the documents as they are printed */
    record TakenToPaper(List<Revision> printed) implements Event {
        public TakenToPaper {
            printed = List.copyOf(printed);
        }
    }

    /** It goes on on the screen. */
    record BackFromPaper() implements Event {}

    /**
     * The signed paper came back and was looked at.
     *
     * @param parties who signed it, with all that they were to do
     * @param scans what each document is from here on
     * @param pages the pictures of the pages that somebody looked at
     * @param inDoubt how many places the program found to be otherwise than printed; who closed it has looked at each
     * @param note what is to be said of it; may be empty
     */
    record SignedOnPaper(
            List<PartyKey> parties,
            List<Revision> scans,
            List<ScannedSheet> pages,
            String broughtBy,
            LocalDate receivedOn,
            int inDoubt,
            String note)
            implements Event {
        public SignedOnPaper {
            parties = List.copyOf(parties);
            scans = List.copyOf(scans);
            pages = List.copyOf(pages);
        }
    }

    /** A page that came back. @param page from 1; {@code picture} of it; {@code marked} whether its mark was read */
    record ScannedSheet(DocumentId document, int page, Sha256 picture, boolean marked) {}

    /** All have acted; the documents and the signing record are filed. */
    record Completed(List<Revision> revisions, Sha256 record) implements Event {}

    /** The states of documents that this event brought; none for most. */
    default List<Revision> brought() {
        if (this instanceof Generated generated)
            return generated.documents().stream().map(Document::revision).toList();
        if (this instanceof OfficeSealed sealed) return sealed.revisions();
        if (this instanceof Sealed sealed) return sealed.revisions();
        if (this instanceof SignedOnPaper signed) return signed.scans();
        return this instanceof Completed completed ? completed.revisions() : List.of();
    }
}
