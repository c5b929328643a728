package org.jalousie.server.adapters;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** Another program's address that may not be spoken to, or doesn't answer. */
public final class OutsideProblem extends Told {
    private final boolean silent;

    OutsideProblem(Message said, Throwable cause) {
        this(said, cause, false);
    }

    private OutsideProblem(Message said, Throwable cause, boolean silent) {
        super(said, cause);
        this.silent = silent;
    }

    /** No answer came as long as was waited. */
    static OutsideProblem silent(Message said, Throwable cause) {
        return new OutsideProblem(said, cause, true);
    }

    /** Whether it was waited for an answer until the end: whoever waits again waits as long. */
    boolean isSilent() {
        return silent;
    }
}
