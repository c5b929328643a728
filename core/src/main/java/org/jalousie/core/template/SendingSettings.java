package org.jalousie.core.template;

import java.time.Instant;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.Reminders;

/**
 * How agreements go out.
 *
 * @param subject of the mail that asks for a part, with fields of the data; empty for the usual words
 * @param message what the mail says above the link, with fields of the data; may be empty
 * @param expiryDays days from sending on the last of which it can still be signed
 * @param firstReminderDays days from the invitation to the first reminder; 0 for none
 * @param everyDays days between later reminders; 0 for none
 * @param expiresOn the date of the data on which it can be signed last; blank where {@code expiryDays} count
 * @param warnDays how many days before the end those who are waited for are warned; 0 for never
 * @param reminderGaps days between the reminders, of which there are as many; empty where the first and later ones count
 * @param invitations when the mail that invites goes
 * @param release whether somebody looks at an agreement before it goes out
 * @param copies how the signed copies reach those who get them
 * @param attachments files that go with every invitation
 * @param attachedFields pictures of the data that go with every invitation
 * @param acting how people act
 * @param tellings whom the office tells besides, who has no part in it
 */
public record SendingSettings(
        String subject,
        String message,
        int expiryDays,
        int firstReminderDays,
        int everyDays,
        FieldName expiresOn,
        Integer warnDays,
        List<Integer> reminderGaps,
        Invitations invitations,
        Release release,
        Copies copies,
        List<Attachment> attachments,
        List<FieldName> attachedFields,
        Acting acting,
        List<Telling> tellings) {

    /**
     * How people act.
     *
     * @param handOver whether somebody may give their part to another person
     * @param secondPress whether signing takes a second press, which says once more what it does
     */
    public record Acting(boolean handOver, boolean secondPress) {
        public static final Acting USUAL = new Acting(false, false);
    }

    /** When invitations go. What chases people always goes in the office's hours. */
    public enum Invitations {
        AT_ONCE,
        OFFICE_HOURS
    }

    /** What comes between an agreement's making and its sending. */
    public enum Release {
        /** Somebody checks it. */
        CHECKED,
        /** Nothing, where nothing stands in the way. */
        AT_ONCE
    }

    /** How the signed copies go. */
    public enum Copies {
        ATTACHED,
        /** Attached, all in one ZIP file. */
        ARCHIVE,
        /** By a link in the mail. */
        LINKED
    }

    /** A file that goes with mails. @param name as the reader sees it, with its ending */
    public record Attachment(String name, Sha256 file) {}

    // common practice, no source: 30 days, one warning 1 day before; first reminder after 5 days, then every 3
    public static final SendingSettings USUAL = new SendingSettings("", "", 30, 5, 3).warning(1);

    public SendingSettings {
        subject = subject == null ? "" : subject;
        message = message == null ? "" : message;
        expiresOn = expiresOn == null ? new FieldName("") : expiresOn;
        warnDays = warnDays == null ? 0 : warnDays;
        // what was stored before there were these has them as agreements went then
        reminderGaps = reminderGaps == null ? List.of() : List.copyOf(reminderGaps);
        invitations = invitations == null ? Invitations.AT_ONCE : invitations;
        release = release == null ? Release.CHECKED : release;
        copies = copies == null ? Copies.ATTACHED : copies;
        attachments = attachments == null ? List.of() : List.copyOf(attachments);
        attachedFields = attachedFields == null ? List.of() : List.copyOf(attachedFields);
        acting = acting == null ? Acting.USUAL : acting;
        tellings = tellings == null ? List.of() : List.copyOf(tellings);
    }

    /** Terms with an end after some days, two kinds of reminders, and no warning. */
    public SendingSettings(String subject, String message, int expiryDays, int firstReminderDays, int everyDays) {
        this(
                subject,
                message,
                expiryDays,
                firstReminderDays,
                everyDays,
                null,
                0,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** The same terms with a warning so many days before the end. */
    public SendingSettings warning(int days) {
        return with(subject, message, expiresOn, days, attachedFields, tellings);
    }

    /** The same terms said in other words, with what they take from the data. */
    public SendingSettings saying(
            String newSubject, String newMessage, FieldName newExpiresOn, List<FieldName> newAttachedFields) {
        return with(newSubject, newMessage, newExpiresOn, warnDays, newAttachedFields, tellings);
    }

    /** The same terms with others who are told. */
    public SendingSettings telling(List<Telling> newTellings) {
        return with(subject, message, expiresOn, warnDays, attachedFields, newTellings);
    }

    private SendingSettings with(
            String newSubject,
            String newMessage,
            FieldName newExpiresOn,
            int newWarnDays,
            List<FieldName> newAttachedFields,
            List<Telling> newTellings) {
        return new SendingSettings(
                newSubject,
                newMessage,
                expiryDays,
                firstReminderDays,
                everyDays,
                newExpiresOn,
                newWarnDays,
                reminderGaps,
                invitations,
                release,
                copies,
                attachments,
                newAttachedFields,
                acting,
                newTellings);
    }

    /** The names of the data, or of what follows from them, that these terms need. */
    public Set<String> named() {
        Set<String> names = new HashSet<>(new Letter(subject).names());
        names.addAll(new Letter(message).names());
        if (!expiresOn.isBlank()) names.add(expiresOn.value());
        attachedFields.forEach(field -> names.add(field.value()));
        tellings.forEach(one -> names.addAll(one.named()));
        return names;
    }

    public Reminders reminders() {
        return reminderGaps.isEmpty() ? Reminders.first(firstReminderDays, everyDays) : new Reminders(reminderGaps, 0);
    }

    /** How those whose turn it is are chased. */
    public ChasingTerms chasing() {
        return new ChasingTerms(reminders(), warnDays, invitations == Invitations.OFFICE_HOURS);
    }

    /**
     * The end of an agreement that is sent now: the first moment at which it can't be signed any more.
     *
     * @param agreed the date of the data that says so; empty when there is none, or it is blank
     */
    public Instant end(Instant now, Optional<LocalDate> agreed, OfficeCalendar calendar) {
        return agreed.map(calendar::endOf).orElseGet(() -> calendar.endAfter(now, expiryDays));
    }
}
