package org.jalousie.core.template;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.data.FieldName;

/**
 * Whom the office tells, who has no part in an agreement, how far it has come: teams, managers, others.
 *
 * @param moments at which they are told, one mail at each
 * @param teams of the office, by their ids; whoever is in one then gets a mail of their own
 * @param mails addresses
 * @param fields mail addresses of the data, such as that of a requester's manager
 * @param documents whether the documents go along: the signed ones with the record where it is completed, else as they are then
 * @param attachments files that go with these mails alone
 * @param message what is said besides, with fields of the data; may be empty
 */
public record Telling(
        List<Moment> moments,
        List<UUID> teams,
        List<String> mails,
        List<FieldName> fields,
        boolean documents,
        List<SendingSettings.Attachment> attachments,
        String message) {
    /** How many there may be, and how many recipients each names. */
    public static final int MOST = 20;

    /** A moment of an agreement's way. */
    public enum Moment {
        SENT,
        /** Somebody has done their part: details, an approval, a signature. */
        ACTED,
        COMPLETED,
        DECLINED,
        WITHDRAWN,
        EXPIRED;

        /** Empty for what is no such moment. */
        public static Optional<Moment> of(Event event) {
            if (event instanceof Event.Sent) return Optional.of(SENT);
            if (event instanceof Event.FieldsCompleted
                    || event instanceof Event.Approved
                    || event instanceof Event.Signed) return Optional.of(ACTED);
            if (event instanceof Event.Completed) return Optional.of(COMPLETED);
            if (event instanceof Event.Declined) return Optional.of(DECLINED);
            if (event instanceof Event.Withdrawn) return Optional.of(WITHDRAWN);
            if (event instanceof Event.Expired) return Optional.of(EXPIRED);
            return Optional.empty();
        }
    }

    public Telling {
        moments = moments == null
                ? List.of()
                : moments.stream().distinct().sorted().toList();
        teams = teams == null ? List.of() : List.copyOf(teams);
        mails = mails == null ? List.of() : mails.stream().map(String::strip).toList();
        fields = fields == null ? List.of() : List.copyOf(fields);
        attachments = attachments == null ? List.of() : List.copyOf(attachments);
        message = message == null ? "" : message;
    }

    /** The names of the data, or of what follows from them, that it needs. */
    Set<String> named() {
        Set<String> names = new HashSet<>(new Letter(message).names());
        fields.forEach(field -> names.add(field.value()));
        return names;
    }

    /** The same said in other words, with what it takes from the data. */
    Telling saying(String newMessage, List<FieldName> newFields) {
        return new Telling(moments, teams, mails, newFields, documents, attachments, newMessage);
    }
}
