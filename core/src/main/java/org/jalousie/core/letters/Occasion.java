package org.jalousie.core.letters;

import java.util.Locale;

/** What a mail about an agreement is about. */
public enum Occasion {
    INVITATION,
    REMINDER,
    /** The time runs out. */
    WARNING,
    COMPLETED,
    DECLINED,
    WITHDRAWN,
    EXPIRED,
    /** A one-time code by which somebody shows who they are. */
    CODE,
    /** Somebody gave too many wrong answers; goes to the office. */
    LOCKED;

    /** Whether the mail asks somebody for their part, and has their link in it. */
    public boolean asks() {
        return this == INVITATION || this == REMINDER || this == WARNING;
    }

    /** Whether it chases somebody, and so goes in the office's hours only. */
    public boolean chases() {
        return this == REMINDER || this == WARNING;
    }

    /** As catalogues of messages know it. */
    String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
