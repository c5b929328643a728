package org.jalousie.core.parties;

/** What a party has to do in an agreement. */
public enum Duty {
    /** Completes details before anyone signs; does not sign. */
    COMPLETES,
    /** Agrees that it may go on; does not sign. */
    APPROVES,
    SIGNS,
    /** Only receives the finished copy. */
    RECEIVES_COPY;

    /** Whether the route waits for this party. */
    public boolean acts() {
        return this != RECEIVES_COPY;
    }
}
