package org.jalousie.server.adapters;

import java.util.List;
import java.util.Optional;

/**
 * One mail as it goes out.
 *
 * @param plain what it says as plain text, {@code html} the same as HTML
 * @param logo the picture that the HTML shows; empty for none
 * @param chases whether it asks somebody again, who may not want that
 */
public record Outgoing(
        String messageId,
        String to,
        String toName,
        String subject,
        String plain,
        String html,
        Optional<Attachment> logo,
        boolean chases,
        List<Attachment> attachments) {
    /** The Content-ID of the logo. */
    public static final String LOGO = "logo";

    /** @param type its media type */
    public record Attachment(String name, byte[] bytes, String type) {
        public static Attachment pdf(String name, byte[] bytes) {
            return new Attachment(name, bytes, "application/pdf");
        }
    }
}
