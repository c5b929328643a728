package org.jalousie.standins.mail;

import com.icegreen.greenmail.configuration.GreenMailConfiguration;
import com.icegreen.greenmail.user.GreenMailUser;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Properties;
import java.util.UUID;

/**
 * Mail that a mail server gives up on: a report of it (RFC 3464) lies in a mailbox that is read by POP3, until the stand-in ends.
 * Mail to {@code gone.example.org} comes back for good, to {@code forwards.example.org} from where it was passed on to; mail to
 * {@code late.example.org} is only reported to be late.
 */
final class ReturnedMail implements AutoCloseable {
    private final GreenMail server;
    private final GreenMailUser mailbox;

    /** @param port 0 for any that is free */
    ReturnedMail(int port) {
        ServerSetup setup = new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_POP3);
        // whoever asks on loopback is let in
        server = new GreenMail(port == 0 ? setup.dynamicPort() : setup)
                .withConfiguration(GreenMailConfiguration.aConfig().withDisabledAuthentication());
        server.start();
        mailbox = server.setUser("returns@stand-in.example.org", "returns", "returns");
    }

    int port() {
        return server.getPop3().getPort();
    }

    /** Takes a message on, and reports it when its recipient can't be reached. */
    void deliver(String recipient, byte[] message) throws IOException {
        String address = recipient.toLowerCase(Locale.ROOT);
        if (address.endsWith("@gone.example.org"))
            report(recipient, message, "failed", "5.1.1", "550 5.1.1 There is no such mailbox here");
        if (address.endsWith("@forwards.example.org"))
            report("elsewhere@gone.example.org", message, "failed", "5.1.1", "550 5.1.1 There is no such mailbox here");
        if (address.endsWith("@late.example.org"))
            report(recipient, message, "delayed", "4.4.1", "421 4.4.1 Nobody answers, it is tried again");
    }

    private void report(String recipient, byte[] message, String action, String status, String said)
            throws IOException {
        String boundary = "report-" + UUID.randomUUID();
        String whole = new String(message, StandardCharsets.ISO_8859_1);
        String headers = whole.substring(0, whole.indexOf("\r\n\r\n") + 2);
        String report = String.join(
                "\r\n",
                "From: Mail Delivery Service <postmaster@stand-in.example.org>",
                "To: returns@stand-in.example.org",
                "Subject: Undelivered mail",
                "Date: " + DateTimeFormatter.RFC_1123_DATE_TIME.format(ZonedDateTime.now()),
                "Message-ID: <" + UUID.randomUUID() + "@stand-in.example.org>",
                "MIME-Version: 1.0",
                "Auto-Submitted: auto-replied",
                "Content-Type: multipart/report; report-type=delivery-status; boundary=\"" + boundary + "\"",
                "",
                "--" + boundary,
                "Content-Type: text/plain; charset=us-ascii",
                "",
                "Your message could not be delivered.",
                "",
                "--" + boundary,
                "Content-Type: message/delivery-status",
                "",
                "Reporting-MTA: dns; stand-in.example.org",
                "",
                "Final-Recipient: rfc822; " + recipient,
                "Action: " + action,
                "Status: " + status,
                "Diagnostic-Code: smtp; " + said,
                "",
                "--" + boundary,
                "Content-Type: text/rfc822-headers",
                "",
                headers,
                "--" + boundary + "--",
                "");
        try {
            mailbox.deliver(new MimeMessage(
                    Session.getInstance(new Properties()),
                    new ByteArrayInputStream(report.getBytes(StandardCharsets.ISO_8859_1))));
        } catch (MessagingException e) {
            throw new IOException(e);
        }
    }

    @Override
    public void close() {
        server.stop();
    }
}
