package org.jalousie.standins.mail;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.UUID;

/**
 * Mail that a mail server gives up on: a report of it (RFC 3464) lies in a mailbox that is read by POP3. Mail to {@code
 * gone.example.org} comes back for good; mail to {@code late.example.org} is only reported to be late.
 */
final class ReturnedMail implements AutoCloseable {
    private final Path folder;
    private final PopServer mailbox;

    ReturnedMail(int port, Path folder) throws IOException {
        this.folder = Files.createDirectories(folder);
        this.mailbox = new PopServer(port, folder);
    }

    int port() {
        return mailbox.port();
    }

    /** Takes a message on, and reports it when its recipient can't be reached. */
    void deliver(String recipient, byte[] message) throws IOException {
        String address = recipient.toLowerCase(Locale.ROOT);
        if (address.endsWith("@gone.example.org"))
            report(recipient, message, "failed", "5.1.1", "550 5.1.1 There is no such mailbox here");
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
        mailbox.put(UUID.randomUUID().toString(), report.getBytes(StandardCharsets.ISO_8859_1));
    }

    @Override
    public void close() {
        mailbox.close();
    }
}
