package org.jalousie.core.wording;

import java.util.List;

/**
 * A tag met while words are read as text.
 *
 * @param name as the tag has it, with the case or the print behind a dot
 * @param within the names of the sections that it stands in, the innermost first
 */
public record Mention(Kind kind, String name, List<String> within) {
    /** What a tag does. */
    public enum Kind {
        VALUE,
        OPEN,
        /** Opens a passage that stands unless something holds. */
        UNLESS,
        CLOSE,
        CLAUSE,
        /** The clause that a choice names. */
        CHOSEN_CLAUSE
    }

    public Mention {
        within = List.copyOf(within);
    }
}
