package org.jalousie.core.agreement;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.Pages;

/** Something that happened to an agreement. Events are the audit trail: they are added, never changed. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Event.Created.class, name = "Created"),
    @JsonSubTypes.Type(value = Event.DataCorrected.class, name = "DataCorrected"),
    @JsonSubTypes.Type(value = Event.Generated.class, name = "Generated"),
    @JsonSubTypes.Type(value = Event.ParticipantChanged.class, name = "ParticipantChanged"),
    @JsonSubTypes.Type(value = Event.Sent.class, name = "Sent"),
    @JsonSubTypes.Type(value = Event.HouseSealed.class, name = "HouseSealed"),
    @JsonSubTypes.Type(value = Event.Invited.class, name = "Invited"),
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
    @JsonSubTypes.Type(value = Event.Completed.class, name = "Completed")
})
public sealed interface Event {
    /** The agreement exists; its document is being made. @param data stored intake values by field name */
    record Created(
            String number,
            String title,
            String template,
            int templateVersion,
            String request,
            Map<String, String> data,
            List<Participant> participants)
            implements Event {}

    /** The data were corrected before sending; the document is being made again. @param title empty when it stays */
    record DataCorrected(Map<String, String> data, List<Participant> participants, String title) implements Event {
        public DataCorrected {
            title = title == null ? "" : title; // earlier events carry none
        }
    }

    /** The document is ready to be checked. The strings are SHA-256 of the stored files, in hexadecimal. */
    record Generated(String word, String pdf, Pages pages) implements Event {}

    /** @param remake whether the document is made again, since it says something that changes with the person */
    record ParticipantChanged(Participant participant, String title, boolean remake) implements Event {
        public ParticipantChanged {
            title = title == null ? "" : title; // earlier events carry none
        }
    }

    record Sent(Instant expiresAt) implements Event {}

    /** The office's own seal is on the document; from here on no word of it can change. */
    record HouseSealed(String pdf, CertificateId certificate) implements Event {
        public HouseSealed {
            certificate = CertificateId.orNone(certificate);
        }
    }

    record Invited(String party) implements Event {}

    record Viewed(String party) implements Event {}

    /** @param wording version of the consent wording; {@code wordingHash} is its SHA-256 */
    record ConsentGiven(String party, String wording, String wordingHash) implements Event {}

    /** A party with the duty to complete details has done so. */
    record FieldsCompleted(String party, Map<String, String> values) implements Event {}

    record Approved(String party) implements Event {}

    /**
     * The deliberate act of signing.
     *
     * @param values text that the party completed, by signing field name
     * @param mark how the mark was made: {@code typed:NAME OF FONT} or {@code drawn}
     * @param markImage SHA-256 of the mark's picture
     */
    record Signed(String party, Map<String, String> values, String mark, String markImage) implements Event {}

    /** The party's act stands in the document; for a signer, as a signature. */
    record Sealed(String party, String pdf, CertificateId certificate) implements Event {
        public Sealed {
            certificate = CertificateId.orNone(certificate);
        }
    }

    record Declined(String party, String reason) implements Event {}

    record Withdrawn(String reason) implements Event {}

    record Expired() implements Event {}

    record ReminderSent(String party) implements Event {}

    /** All have acted; the agreement and its signing record are filed. */
    record Completed(String pdf, String record) implements Event {}
}
