package org.jalousie.server.adapters;

import java.util.List;

/** One mail as it goes out. */
public record Outgoing(
        String messageId, String to, String toName, String subject, String text, List<Attachment> attachments) {
    /** @param type its media type */
    public record Attachment(String name, byte[] bytes, String type) {
        public static Attachment pdf(String name, byte[] bytes) {
            return new Attachment(name, bytes, "application/pdf");
        }
    }
}
