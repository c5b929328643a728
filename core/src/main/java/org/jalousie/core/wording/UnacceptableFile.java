package org.jalousie.core.wording;

import org.jalousie.core.messages.Message;

/** A file that cannot be taken in. The message tells the person why and what to do instead. */
public final class UnacceptableFile extends RuntimeException {
    private final transient Message said;

    public UnacceptableFile(Message said) {
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
