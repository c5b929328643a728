package org.jalousie.core.tables;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;

/** A file that can't be read as a table; says where, and what would help. */
public final class NotATable extends NotPossible {
    public NotATable(Message said) {
        super(said);
    }
}
