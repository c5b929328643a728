package org.jalousie.core.wording.edit;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** An act on the wording that can't be done. */
public final class EditRefused extends Told {
    public EditRefused(Message said) {
        super(said);
    }
}
