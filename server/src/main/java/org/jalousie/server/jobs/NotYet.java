package org.jalousie.server.jobs;

import java.time.Instant;

/** Something that may be done only later; that is no failure. */
public final class NotYet extends RuntimeException {
    private final Instant when;

    /** @param when the first moment at which it may be done */
    public NotYet(Instant when) {
        super("not before " + when);
        this.when = when;
    }

    Instant when() {
        return when;
    }
}
