package org.jalousie.core.wording.edit;

/** An act on the wording that can't be done; the message is for the person who tried. */
public final class EditRefused extends RuntimeException {
    EditRefused(String message) {
        super(message);
    }
}
