package org.jalousie.server.adapters;

import java.util.List;

/** One mail as it goes out. */
public record Outgoing(
        String messageId, String to, String toName, String subject, String text, List<Attachment> attachments) {
    public record Attachment(String name, byte[] pdf) {}
}
