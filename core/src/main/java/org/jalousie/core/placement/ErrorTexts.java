package org.jalousie.core.placement;

import java.util.List;
import java.util.Optional;

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

    /** A sentence about the first such text on the pages, with the words before it. */
    public static Optional<String> in(String pages) {
        String text = pages.replaceAll("\\s+", " ");
        for (String known : KNOWN) {
            int at = text.indexOf(known);
            if (at < 0) continue;
            String before = text.substring(Math.max(0, at - 60), at).strip();
            return Optional.of("The pages would show \u201c" + known + "\u201d"
                    + (before.isEmpty() ? "" : " after the words \u201c" + before + "\u201d")
                    + ". Correct the cross-reference or field there in the wording.");
        }
        return Optional.empty();
    }
}
