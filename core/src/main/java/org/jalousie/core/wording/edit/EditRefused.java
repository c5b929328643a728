package org.jalousie.core.wording.edit;

import org.jalousie.core.messages.Message;

/** An act on the wording that can't be done; the message is for the person who tried. */
public final class EditRefused extends RuntimeException {
    private final transient Message said;

    EditRefused(Message said) {
        this.said = said;
    }

    /** Why, and what to do, in no language yet. */
    public Message said() {
        return said;
    }

    @Override
    public String getMessage() {
        return said.toString();
    }
}
