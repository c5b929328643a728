package org.jalousie.core.wording;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** A file that cannot be taken in. */
public final class UnacceptableFile extends Told {
    public UnacceptableFile(Message said) {
        super(said);
    }
}
