package org.jalousie.server.adapters;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import org.jalousie.server.Settings;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.mail.MailException;
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

    /** @throws IllegalStateException with a plain reason when the mail server doesn't take it */
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
                helper.addAttachment(attachment.name(), new ByteArrayResource(attachment.pdf()), "application/pdf");
            }
            sender.send(message);
        } catch (MailException | MessagingException | UnsupportedEncodingException e) {
            throw new IllegalStateException("The mail server did not take the mail.", e);
        }
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
