package org.jalousie.core.agreement;

/** Where one party stands. */
public enum Standing {
    /** Its turn has not come. */
    OPEN,
    /** It is their turn. */
    TURN,
    /** Acted, and the act is being put into the document. */
    SEALING,
    DONE,
    /** Declined, or the agreement ended before they acted. */
    BROKEN
}
