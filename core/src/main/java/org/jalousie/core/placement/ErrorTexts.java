package org.jalousie.core.placement;

import java.util.List;
import java.util.Optional;
import org.jalousie.core.messages.Message;

/** What word processors print in the place of something that they can't work out. */
public final class ErrorTexts {
    /** Of LibreOffice 7.4 in English, in which it runs here, and of the word processor that saved the file (from memory). */
    private static final List<String> KNOWN = List.of(
            "Error: Reference source not found",
            "** Expression is faulty **",
            "Error! Reference source not found",
            "Error! Bookmark not defined",
            "Error! No table of contents entries found",
            "Error! No text of specified style in document",
            "Error! Not a valid link",
            "Error! Unknown document property name",
            "Error! Filename not specified",
            "Error! Main Document Only");

    private ErrorTexts() {}

    /** What is to be said about the first such text on the pages, with the words before it. */
    public static Optional<Message> in(String pages) {
        String text = pages.replaceAll("\\s+", " ");
        for (String known : KNOWN) {
            int at = text.indexOf(known);
            if (at < 0) continue;
            String before = text.substring(Math.max(0, at - 60), at).strip();
            return Optional.of(
                    before.isEmpty()
                            ? Message.of("place.error-text", "text", known)
                            : Message.of("place.error-text-after", "text", known, "before", before));
        }
        return Optional.empty();
    }
}
