package org.jalousie.core.wording;

/**
 * Something in the wording that can't be read as it stands, or that looks like a slip.
 *
 * @param code stable, for tests and documentation, for example {@code tag-unclosed}; docs/tags.md lists them
 * @param part which part of the document: body, header, footer, notes, properties, or a clause's name
 * @param place the words around it
 * @param message what is wrong
 * @param cure what to do
 * @param blocks whether publishing has to wait for it; otherwise it is advice
 */
public record Diagnostic(String code, String part, String place, String message, String cure, boolean blocks) {
    public Diagnostic(String code, String part, String place, String message, String cure) {
        this(code, part, place, message, cure, true);
    }
}
