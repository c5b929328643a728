package org.jalousie.server.adapters;

import jakarta.mail.FetchProfile;
import jakarta.mail.Flags;
import jakarta.mail.Folder;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.Store;
import jakarta.mail.UIDFolder;
import jakarta.mail.URLName;
import jakarta.mail.internet.InternetHeaders;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.function.Predicate;
import org.eclipse.angus.mail.dsn.DeliveryStatus;
import org.eclipse.angus.mail.dsn.MultipartReport;
import org.eclipse.angus.mail.pop3.POP3Folder;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The mailbox to which mail comes back that couldn't be delivered, read by POP3 (RFC 1939) or IMAP (RFC 9051). Reports of failure
 * (RFC 3464) that are ours are taken out of it; everything else stays for who looks after the mailbox.
 */
@Component
public class ReturnsMailbox {
    private static final Logger LOG = LoggerFactory.getLogger(ReturnsMailbox.class);
    private static final int MOST_AT_ONCE = 200;
    private static final int MOST_REMEMBERED = 5000;
    private static final int LARGEST = 2 * 1024 * 1024;
    private static final int LONGEST = 500;
    private static final String WAIT_MILLIS = "10000";

    private final String mailbox;
    /** What was looked at and left there. */
    private final Set<String> left = new LinkedHashSet<>();

    ReturnsMailbox(Settings settings) {
        this.mailbox = settings.returns().mailbox();
    }

    /**
     * Reads what has come since.
     *
     * @param taken whether a report is ours and is done with
     * @throws ServiceAway when the mailbox can't be read now
     */
    public synchronized void read(Predicate<ReturnedMail> taken) {
        if (mailbox.isBlank()) return;
        try (Store store = session().getStore(new URLName(mailbox))) {
            store.connect();
            try (Folder inbox = store.getFolder("INBOX")) {
                inbox.open(Folder.READ_WRITE);
                jakarta.mail.Message[] all = inbox.getMessages();
                FetchProfile ids = new FetchProfile();
                ids.add(UIDFolder.FetchProfileItem.UID);
                inbox.fetch(all, ids);
                int looked = 0;
                for (jakarta.mail.Message one : all) {
                    String id = idOf(inbox, one);
                    if (left.contains(id)) continue;
                    if (looked++ == MOST_AT_ONCE) break;
                    take(one, id, taken);
                }
            }
        } catch (MessagingException e) {
            LOG.warn(
                    "the mailbox for returned mail can't be read: {}",
                    e.getClass().getSimpleName());
            throw new ServiceAway(ServiceAway.Service.RETURNS, Message.of("returns.away"), e);
        }
    }

    /** One that can't be dealt with now holds up no other, and is looked at again. */
    private void take(jakarta.mail.Message one, String id, Predicate<ReturnedMail> taken) throws MessagingException {
        Optional<ReturnedMail> failure = failure(one);
        try {
            if (failure.filter(taken).isPresent()) one.setFlag(Flags.Flag.DELETED, true);
            else leave(id);
        } catch (RuntimeException e) {
            LOG.error(
                    "a returned mail can't be taken note of now: {}",
                    e.getClass().getSimpleName());
        }
    }

    private static Session session() {
        Properties properties = new Properties();
        for (String protocol : List.of("pop3", "pop3s", "imap", "imaps")) {
            properties.put("mail." + protocol + ".connectiontimeout", WAIT_MILLIS);
            properties.put("mail." + protocol + ".timeout", WAIT_MILLIS);
            properties.put("mail." + protocol + ".writetimeout", WAIT_MILLIS);
        }
        return Session.getInstance(properties);
    }

    private static String idOf(Folder inbox, jakarta.mail.Message one) throws MessagingException {
        if (inbox instanceof POP3Folder pop) return String.valueOf(pop.getUID(one));
        return inbox instanceof UIDFolder numbered ? String.valueOf(numbered.getUID(one)) : "" + one.getMessageNumber();
    }

    private void leave(String id) {
        if (left.size() >= MOST_REMEMBERED) left.remove(left.iterator().next());
        left.add(id);
    }

    /** What a message reports as failed for good; nothing when it is no such report, or can't be read. */
    private static Optional<ReturnedMail> failure(jakarta.mail.Message message) {
        try {
            if (!message.isMimeType("multipart/report") || message.getSize() > LARGEST) return Optional.empty();
            if (!(message.getContent() instanceof MultipartReport report)
                    || !(report.getReport() instanceof DeliveryStatus status)) return Optional.empty();
            MimeMessage returned = report.getReturnedMessage();
            String id = returned == null ? null : returned.getMessageID();
            if (id == null) return Optional.empty();
            for (int i = 0; i < status.getRecipientDSNCount(); i++) {
                InternetHeaders fields = status.getRecipientDSN(i);
                // what is only late isn't over (RFC 3464 §2.3.3)
                if (field(fields, "Action").equalsIgnoreCase("failed"))
                    return Optional.of(new ReturnedMail(
                            id.replaceAll("[<>\\s]", ""),
                            field(fields, "Status"),
                            typed(field(fields, "Diagnostic-Code"))));
            }
            return Optional.empty();
        } catch (MessagingException | IOException | RuntimeException e) {
            LOG.warn(
                    "a message in the mailbox for returns can't be read: {}",
                    e.getClass().getSimpleName());
            return Optional.empty();
        }
    }

    /** What stands after the type of a code (RFC 3464 §2.1.2). */
    private static String typed(String field) {
        return field.substring(field.indexOf(';') + 1).strip();
    }

    private static String field(InternetHeaders fields, String name) {
        String value = fields.getHeader(name, null);
        if (value == null) return "";
        String line = value.replaceAll("[\\s\\p{Cntrl}]+", " ").strip();
        return line.length() > LONGEST ? line.substring(0, LONGEST) : line;
    }
}
