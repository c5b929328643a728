package org.jalousie.core.wording;

/**
 * Something in the wording that can't be read as it stands.
 *
 * @param code stable, for tests and documentation, for example {@code tag-unclosed}
 * @param part which part of the document: body, header, footer, notes or properties
 * @param place the words around it
 * @param message what is wrong
 * @param cure what to do
 */
public record Diagnostic(String code, String part, String place, String message, String cure) {}
