package org.jalousie.core.messages;

/** Something went another way than a person wanted; says why, and what to do, in no language yet. */
public abstract class Told extends RuntimeException {
    private final transient Message said;

    protected Told(Message said) {
        this(said, null);
    }

    /** @param cause what went wrong as a program sees it; may be null */
    protected Told(Message said, Throwable cause) {
        super(cause);
        this.said = said;
    }

    public final Message said() {
        return said;
    }

    /** In English, for logs and programs. */
    @Override
    public final String getMessage() {
        return said.toString();
    }
}
