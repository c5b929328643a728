package org.jalousie.core.wording.compile;

import java.util.List;

/** A piece of a compiled part: the part is a tree of these, made once and run for every agreement. */
public sealed interface Segment {
    /** XML that stands as it is. @param holds what of the template's own is in it */
    record Literal(String xml, Tally holds) implements Segment {}

    /**
     * A value's run.
     *
     * @param prefix the namespace prefix of the part's elements, with its colon
     * @param before the run's beginning with its properties
     * @param after the run's end
     */
    record Slot(String name, String print, String prefix, String before, String after) implements Segment {
        /** Takes the run as it was written, holding only its properties. */
        @Override
        public Segment with(List<Segment> run) {
            String xml = ((Literal) run.get(0)).xml();
            if (xml.endsWith("/>") && xml.indexOf('>') == xml.length() - 1) {
                String start = xml.substring(0, xml.length() - 2) + ">";
                return new Slot(name, print, prefix, start, "</" + prefix + "r>");
            }
            int end = xml.lastIndexOf("</");
            return new Slot(name, print, prefix, xml.substring(0, end), xml.substring(end));
        }
    }

    /**
     * A value's place where only characters may stand, as in a file property.
     *
     * @param inAddress percent-encoded
     * @param inWords whether the characters are words on the page, and not an attribute
     */
    record PlainSlot(String name, String print, boolean inAddress, boolean inWords) implements Segment {}

    /** The relationship of an address that has tags: made for each time that it is printed. */
    record Link(List<Segment> address) implements Segment {}

    /** A section: once for each item, or when the name holds or, inverted, doesn't. @param passage its number */
    record Section(int passage, String name, boolean inverted, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Section(passage, name, inverted, inner);
        }
    }

    /** Words that only serve values: printed when every group has a value that is not empty. */
    record Serving(List<List<String>> groups, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Serving(groups, inner);
        }
    }

    /**
     * A paragraph of nothing but values: gone when all are empty, several when its one value has several paragraphs.
     *
     * @param further the beginning of each paragraph after the first: its look without what comes once
     * @param stays whether the paragraph holds something else besides, so that it never goes
     */
    record Line(List<String> names, String further, boolean stays, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Line(names, further, stays, inner);
        }
    }

    /** A placeholder picture. @param embed the relationship of the picture it holds; lengths in EMU */
    record PictureBox(String name, String embed, long width, long height, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new PictureBox(name, embed, width, height, inner);
        }
    }

    /**
     * A table cell's or text box's content, which must not be left without a paragraph (ISO/IEC 29500-1 §17.4.65).
     *
     * @param filler the empty paragraph that is put in then
     */
    record Cell(String prefix, String filler, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Cell(prefix, filler, inner);
        }
    }

    /** A table whose rows depend on data: gone when none is left. */
    record Table(String prefix, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Table(prefix, inner);
        }
    }

    /** Where a paragraph of tags stood: it is put back, empty, between two tables, which would grow together without it. */
    record Gap(String prefix, String paragraph) implements Segment {}

    /**
     * A number or name that a file may hold once: a further copy of its passage gets another.
     *
     * @param passages those around its origin
     * @param refers whether it is a reference, so that the name has to be printed elsewhere
     */
    record Once(Kind kind, String base, List<Integer> passages, boolean refers) implements Segment {
        public enum Kind {
            /** A name that references speak of. */
            NAME,
            /** A number that two marks share, as the ends of a bookmark. */
            PAIR,
            /** A number that nothing else speaks of. */
            FRESH
        }
    }

    /** The number of a note whose mark stands in a passage; its words are printed with it, as often as it is. */
    record NoteMark(String part, String id) implements Segment {}

    /** A note whose mark stands in a passage, within its own part. */
    record Note(String id, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Note(id, inner);
        }
    }

    /** The number of the note that is being printed. */
    record NoteNumber() implements Segment {}

    /** Where a block of a clause begins or ends. @param place its number among the wording's inclusions, from 0 */
    record ClauseMark(int place, boolean begins) implements Segment {}

    /** What stands within a frame; nothing for any other piece. */
    default List<Segment> inside() {
        if (this instanceof Section frame) return frame.body();
        if (this instanceof Serving frame) return frame.body();
        if (this instanceof Line frame) return frame.body();
        if (this instanceof PictureBox frame) return frame.body();
        if (this instanceof Cell frame) return frame.body();
        if (this instanceof Table frame) return frame.body();
        if (this instanceof Note frame) return frame.body();
        return List.of();
    }

    /** The same frame around this body. */
    default Segment with(List<Segment> body) {
        throw new IllegalStateException("not a frame: " + this);
    }
}
