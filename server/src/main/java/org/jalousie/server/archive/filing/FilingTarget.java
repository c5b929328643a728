package org.jalousie.server.archive.filing;

import java.util.Set;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** A place for files, by whatever is spoken there. Each file is there whole or not at all. */
interface FilingTarget extends AutoCloseable {
    /** What came of putting a file somewhere. */
    enum Put {
        WRITTEN,
        /** The very same file was there. */
        SAME,
        /** Something else is there, which stays. */
        OTHER
    }

    /** It can't be filed there just now: it doesn't answer, is full, or refuses. The message is for a person. */
    final class Away extends Told {
        Away(Message said, Throwable cause) {
            super(said, cause);
        }
    }

    /** A file for which there can be no room, whenever it is tried. The message is for a person. */
    final class DoesNotFit extends Told {
        DoesNotFit(Message said) {
            super(said);
        }
    }

    /** Nothing more goes there by this one. */
    @Override
    default void close() {}

    /** Puts a file where none is. @param path names with strokes between them @throws Away when that isn't possible just now */
    Put put(String path, byte[] bytes);

    /**
     * Takes a file away if it is one of ours, and the folders that are empty then.
     *
     * @param ours what was put there, whatever the rule was then; something else stays
     * @throws Away when that isn't possible just now
     */
    void takeAway(String path, Set<Sha256> ours);

    /** Puts a file in place of the one that is there. @throws Away when that isn't possible just now */
    void replace(String path, byte[] bytes);
}
