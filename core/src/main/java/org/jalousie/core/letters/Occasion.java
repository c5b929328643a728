package org.jalousie.core.letters;

import java.util.Locale;

/** What a mail about an agreement is about. */
public enum Occasion {
    INVITATION,
    REMINDER,
    /** The time runs out. */
    WARNING,
    /** A new link; those before lead nowhere any more. */
    NEW_LINK,
    /** There is more time, or less. */
    NEW_END,
    /** The office's answer to a question. */
    ANSWER,
    /** The agreement goes on without them. */
    SKIPPED,
    COMPLETED,
    DECLINED,
    WITHDRAWN,
    EXPIRED,
    /** A one-time code by which somebody shows who they are. */
    CODE,
    /** Somebody gave too many wrong answers; goes to the office. */
    LOCKED,
    /** Somebody gave their part to another person; goes to the office. */
    HANDED_OVER,
    /** Somebody asks something; goes to the office. */
    QUESTION,
    /** A mail came back; goes to the office. */
    RETURNED,
    /** Somebody doesn't agree any more to act electronically; goes to the office. */
    CONSENT_WITHDRAWN,
    /** How far it has come; goes to whom the template names besides. */
    TOLD;

    /** Whether the mail asks somebody for their part, and has their link in it. */
    public boolean asks() {
        return this == INVITATION || this == REMINDER || this == WARNING || this == NEW_LINK || this == NEW_END;
    }

    /** Whether somebody waits at the address it goes to, so that it matters to the route when it comes back. */
    public boolean reaches() {
        return asks() || this == CODE || this == ANSWER;
    }

    /** Whether it chases somebody, and so goes in the office's hours only. */
    public boolean chases() {
        return this == REMINDER || this == WARNING;
    }

    /** As catalogues of messages know it. */
    String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
