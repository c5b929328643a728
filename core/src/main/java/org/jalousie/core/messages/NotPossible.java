package org.jalousie.core.messages;

/** Something that can't be done with what was given; says why, and what would help, to the person who gave it. */
public class NotPossible extends IllegalArgumentException {
    private final transient Message said;

    public NotPossible(Message said) {
        this.said = said;
    }

    public final Message said() {
        return said;
    }

    @Override
    public String getMessage() {
        return said.toString();
    }
}
