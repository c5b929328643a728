package org.jalousie.server.records;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** A record system that can't be spoken to now, or says what can't be read. */
final class RecordsUnread extends Told {
    private final boolean away;

    private RecordsUnread(Message said, boolean away) {
        super(said, null);
        this.away = away;
    }

    /** It doesn't answer, or answers nobody: all else can wait. */
    static RecordsUnread away(Message said) {
        return new RecordsUnread(said, true);
    }

    /** This one thing can't be done. */
    static RecordsUnread of(Message said) {
        return new RecordsUnread(said, false);
    }

    boolean isAway() {
        return away;
    }
}
