package org.jalousie.server.adapters;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** Another program's address that may not be spoken to, or doesn't answer. */
public final class OutsideProblem extends Told {
    OutsideProblem(Message said, Throwable cause) {
        super(said, cause);
    }
}
