package org.jalousie.server.postroom;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.template.SendingSettings;

/** The words of mails. */
final class Letters {
    private Letters() {}

    /** @param sending the coordinator's own subject stands in mails that ask for a part */
    static String subject(Mail.Kind kind, Agreement agreement, SendingSettings sending) {
        if (kind == Mail.Kind.INVITATION && !sending.subject().isBlank()) return own(sending, agreement);
        if (kind == Mail.Kind.REMINDER && !sending.subject().isBlank())
            return "Still waiting for you: " + own(sending, agreement);
        String title = agreement.title() + " (" + agreement.created().number() + ")";
        return switch (kind) {
            case INVITATION -> "Your part is asked for: " + title;
            case REMINDER -> "Still waiting for you: " + title;
            case COMPLETED -> "Completed: " + title;
            case DECLINED -> "Declined: " + title;
            case WITHDRAWN -> "Withdrawn: " + title;
            case EXPIRED -> "Expired: " + title;
        };
    }

    private static String own(SendingSettings sending, Agreement agreement) {
        return sending.subject().strip() + " (" + agreement.created().number() + ")";
    }

    /** @param link the participant's own link; empty in mails that ask for nothing */
    static String text(
            Mail.Kind kind,
            Agreement agreement,
            Participant to,
            String link,
            SendingSettings sending,
            String office,
            ZoneId zone) {
        String hello = "Dear " + (to == null ? "colleague" : to.name()) + ",\n\n";
        String title =
                "\u201c" + agreement.title() + "\u201d (" + agreement.created().number() + ")";
        String body = switch (kind) {
            case INVITATION, REMINDER -> asking(kind, agreement, to, link, sending, office, title, zone);
            case COMPLETED ->
                title
                        + " has been signed by everybody. The signed copy is attached; keep it. Every later change to the file can be detected.\n";
            case DECLINED ->
                title + " was declined and has ended.\n\nThe reason given: " + agreement.endReason() + "\n";
            case WITHDRAWN ->
                title + " was withdrawn by " + office
                        + " and has ended. You need not do anything.\n\nThe reason given: " + agreement.endReason()
                        + "\n";
            case EXPIRED -> "The time for " + title + " has run out. It has ended without being completed.\n";
        };
        return hello + body + "\n" + office + "\n";
    }

    private static String asking(
            Mail.Kind kind,
            Agreement agreement,
            Participant to,
            String link,
            SendingSettings sending,
            String office,
            String title,
            ZoneId zone) {
        String what = switch (to.duty()) {
            case SIGNS -> "read and sign";
            case APPROVES -> "read and approve";
            default -> "complete details in";
        };
        String until = agreement
                .expiresAt()
                .map(end -> DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG)
                        .withLocale(Locale.UK)
                        .format(end.atZone(zone)))
                .orElse("");
        return (kind == Mail.Kind.REMINDER ? "This is a reminder. " : "") + office + " asks you to " + what + " "
                + title + ".\n\n"
                + (sending.message().isBlank() ? "" : sending.message().strip() + "\n\n")
                + "Open it with this link. It is yours alone; don't pass it on.\n\n" + link + "\n\n"
                + "You need no account. It can be done until " + until + ".\n";
    }
}
