package org.jalousie.server.adapters;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Settings;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;

/** Sends mail by SMTP. */
@Component
public class SmtpMailer {
    private final JavaMailSenderImpl sender;
    private final Settings settings;

    SmtpMailer(JavaMailSenderImpl sender, Settings settings) {
        this.sender = sender;
        this.settings = settings;
    }

    /**
     * @throws ServiceAway when the mail server can't be reached or asks to come later
     * @throws IllegalStateException with a plain reason when it won't take this mail
     */
    public void send(Outgoing mail) {
        try {
            // the same mail always has the same Message-ID (RFC 5322 §3.6.4), so that a repeated attempt can be
            // recognised
            MimeMessage message = new FixedId(sender, mail.messageId());
            MimeMessageHelper helper =
                    new MimeMessageHelper(message, !mail.attachments().isEmpty(), "UTF-8");
            helper.setFrom(settings.office().mail(), settings.office().name());
            helper.setTo(new jakarta.mail.internet.InternetAddress(mail.to(), mail.toName(), "UTF-8"));
            helper.setSubject(mail.subject());
            helper.setText(mail.text());
            for (Outgoing.Attachment attachment : mail.attachments()) {
                helper.addAttachment(attachment.name(), new ByteArrayResource(attachment.bytes()), attachment.type());
            }
            sender.send(message);
        } catch (MailException | MessagingException e) {
            if (refused(e))
                throw new IllegalStateException("The mail server refuses the mail to " + mail.to()
                        + ". Correct the address, or ask whoever runs the mail server.");
            throw new ServiceAway(ServiceAway.Service.MAIL, Message.of("mail.not-taken"), e);
        } catch (UnsupportedEncodingException e) {
            throw new IllegalStateException("every Java platform has UTF-8", e);
        }
    }

    /** Whether the server answered that it will not take it, now or later (RFC 5321 §4.2.1, replies that begin with 5). */
    private static boolean refused(Exception failure) {
        Set<Throwable> seen = new HashSet<>();
        Deque<Throwable> open = new ArrayDeque<>(List.of(failure));
        while (!open.isEmpty()) {
            Throwable one = open.pop();
            if (!seen.add(one)) continue;
            if (one instanceof MailSendException sending)
                open.addAll(sending.getFailedMessages().values());
            if (one instanceof MessagingException messaging && messaging.getNextException() != null)
                open.push(messaging.getNextException());
            if (one.getCause() != null) open.push(one.getCause());
            if (one instanceof SMTPAddressFailedException address && address.getReturnCode() / 100 == 5) return true;
            if (one instanceof SMTPSendFailedException sending && sending.getReturnCode() / 100 == 5) return true;
        }
        return false;
    }

    private static final class FixedId extends MimeMessage {
        private final String id;

        FixedId(JavaMailSenderImpl sender, String id) {
            super(sender.getSession());
            this.id = id;
        }

        @Override
        protected void updateMessageID() throws MessagingException {
            setHeader("Message-ID", "<" + id + ">");
        }
    }
}
