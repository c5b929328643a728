package org.jalousie.core.parties;

import java.util.Locale;

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

    /** As catalogues of messages know it. */
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
