package org.jalousie.server.adapters;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** Another program's address that can't be spoken to. */
public final class OutsideProblem extends Told {
    private final boolean allowed;

    /** @param allowed whether it may be spoken to, and only didn't answer */
    OutsideProblem(Message said, boolean allowed, Throwable cause) {
        super(said, cause);
        this.allowed = allowed;
    }

    /** Whether it may be spoken to, and only didn't answer. */
    public boolean allowed() {
        return allowed;
    }
}
