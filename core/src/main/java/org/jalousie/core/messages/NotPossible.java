package org.jalousie.core.messages;

/** Something that can't be done with what was given; says why, and what would help, to the person who gave it. */
public class NotPossible extends Told {
    public NotPossible(Message said) {
        super(said);
    }
}
