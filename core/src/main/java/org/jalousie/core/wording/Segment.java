package org.jalousie.core.wording;

import java.util.List;

/** A piece of a compiled part: the part is a tree of these, made once and run for every agreement. */
sealed interface Segment {
    /** XML that stands as it is. */
    record Literal(String xml) implements Segment {}

    /** A value's place inside a run. @param prefix the namespace prefix of the part's elements, with its colon */
    record Slot(String name, String print, String prefix) implements Segment {}

    /** A value's place where only characters may stand, as in a file property. */
    record PlainSlot(String name, String print) implements Segment {}

    /** A section: printed when the name holds, or, inverted, when it doesn't. */
    record Section(String name, boolean inverted, List<Segment> body) implements Segment {}

    /** Words that only serve values: printed when every group has a value that is not empty. */
    record Serving(List<List<String>> groups, List<Segment> body) implements Segment {}
}
