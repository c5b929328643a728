package org.jalousie.server.adapters;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.Date;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
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
import org.springframework.web.util.UriUtils;

/** Sends mail by SMTP. */
@Component
public class SmtpMailer {
    private final JavaMailSenderImpl sender;
    private final Settings settings;
    private final Clock clock;

    SmtpMailer(JavaMailSenderImpl sender, Settings settings, Clock clock) {
        this.clock = clock;
        // what can't be delivered comes back to the sender on the envelope (RFC 5321 §3.6.3)
        if (!settings.returns().address().isBlank())
            sender.getJavaMailProperties()
                    .put("mail.smtp.from", settings.returns().address());
        this.sender = sender;
        this.settings = settings;
    }

    /**
     * @throws ServiceAway when the mail server can't be reached or asks to come later
     * @throws AddressRefused with a plain reason when it won't take this mail
     */
    public void send(Outgoing mail) {
        try {
            // the same mail always has the same Message-ID (RFC 5322 §3.6.4), so that a repeated attempt can be
            // recognised
            MimeMessage message = new FixedId(sender, mail.messageId());
            MimeMessageHelper helper =
                    new MimeMessageHelper(message, MimeMessageHelper.MULTIPART_MODE_MIXED_RELATED, "UTF-8");
            helper.setFrom(settings.office().mail(), settings.office().name());
            helper.setTo(new jakarta.mail.internet.InternetAddress(mail.to(), mail.toName(), "UTF-8"));
            helper.setSubject(mail.subject());
            helper.setText(mail.plain(), mail.html());
            helper.setSentDate(Date.from(clock.instant()));
            // nobody's absence note answers a program (RFC 3834 §5)
            message.setHeader("Auto-Submitted", "auto-generated");
            if (mail.chases()) message.setHeader("List-Unsubscribe", unsubscribe(mail));
            if (mail.logo().isPresent()) {
                Outgoing.Attachment logo = mail.logo().get();
                helper.addInline(Outgoing.LOGO, logo.name(), new ByteArrayResource(logo.bytes()), logo.type());
            }
            for (Outgoing.Attachment attachment : mail.attachments()) {
                helper.addAttachment(attachment.name(), new ByteArrayResource(attachment.bytes()), attachment.type());
            }
            sender.send(message);
        } catch (MailException | MessagingException e) {
            Optional<AddressRefused> refused = refused(e, mail.to());
            if (refused.isPresent()) throw refused.get();
            throw new ServiceAway(ServiceAway.Service.MAIL, Message.of("mail.not-taken"), e);
        } catch (UnsupportedEncodingException e) {
            throw new IllegalStateException("every Java platform has UTF-8", e);
        }
    }

    /** Somebody who wants no reminders tells the office so (RFC 2369 §3.2): it decides, since the mail is about a contract. */
    private String unsubscribe(Outgoing mail) {
        String subject = UriUtils.encode("No more reminders: " + mail.subject(), StandardCharsets.UTF_8);
        return "<mailto:" + settings.office().mail() + "?subject=" + subject + ">";
    }

    /** Whether the server answered that it will not take it, now or later (RFC 5321 §4.2.1, replies that begin with 5). */
    private static Optional<AddressRefused> refused(Exception failure, String to) {
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
            if (one instanceof SMTPAddressFailedException address && address.getReturnCode() / 100 == 5)
                return Optional.of(refused(to, address.getReturnCode(), address.getMessage()));
            if (one instanceof SMTPSendFailedException sending && sending.getReturnCode() / 100 == 5)
                return Optional.of(refused(to, sending.getReturnCode(), sending.getMessage()));
        }
        return Optional.empty();
    }

    private static AddressRefused refused(String to, int reply, String said) {
        return new AddressRefused(
                "The mail server refuses the mail to " + to
                        + ". Correct the address, or ask whoever runs the mail server.",
                reply,
                said == null ? "" : said.replaceAll("[\\s\\p{Cntrl}]+", " ").strip());
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
