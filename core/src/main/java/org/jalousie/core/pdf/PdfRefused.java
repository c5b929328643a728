package org.jalousie.core.pdf;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** A PDF that can't be taken in as it is. */
public final class PdfRefused extends Told {
    /** Why, for a program that can offer another way. */
    public enum Reason {
        /** It can't be read, or is more than can be held. */
        UNREADABLE,
        PROTECTED,
        /** It carries signatures, which any change would break; it may go along as it is. */
        SIGNED,
        /** Its form is drawn by a program within it (XFA). */
        DYNAMIC,
        TOO_LONG,
        /** It can't be made fit for keeping; it may go on as plain PDF. */
        NOT_ARCHIVABLE
    }

    private final Reason reason;

    PdfRefused(Reason reason, Message said) {
        super(said);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
