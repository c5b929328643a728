package org.jalousie.core.paper;

import com.fasterxml.jackson.annotation.JsonCreator;
import java.util.Locale;

/**
 * Something on a scanned page that somebody has to look at, and where: in PDF points from the lower left of the page as it was
 * printed.
 *
 * @param text what was printed there; empty where that isn't known
 * @param instead what the scan's own text says; empty where it says nothing
 * @param party whose place it is; empty for none
 */
public record Finding(
        Kind kind, double x, double y, double width, double height, String text, String instead, String party) {
    /** What it is. */
    public enum Kind {
        /** What was printed is gone or another one. */
        CHANGED,
        /** There is ink that wasn't printed, where nobody was asked to write. */
        WRITTEN,
        /** Something is written where it was asked for. */
        IN_PLACE,
        /** Nothing is written where something has to be, like a signature. */
        EMPTY,
        /** The text that came with the scan says otherwise. */
        READS_OTHERWISE,
        /** It was scanned so coarsely that words can't be compared. */
        UNCLEAR,
        /** The page is not like the one that was printed at all. */
        OTHER_PAGE;

        /** As catalogues of messages know it. */
        public String code() {
            return "paper.finding." + name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether somebody has to say that they have looked at it. */
        public boolean inDoubt() {
            return this != IN_PLACE;
        }
    }

    @JsonCreator
    public Finding {
        text = text == null ? "" : text;
        instead = instead == null ? "" : instead;
        party = party == null ? "" : party;
    }
}
