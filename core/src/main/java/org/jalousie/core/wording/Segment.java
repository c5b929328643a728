package org.jalousie.core.wording;

import java.util.List;

/** A piece of a compiled part: the part is a tree of these, made once and run for every agreement. */
sealed interface Segment {
    /** XML that stands as it is. */
    record Literal(String xml) implements Segment {}

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
            if (xml.endsWith("/>")) {
                String start = xml.substring(0, xml.length() - 2) + ">";
                return new Slot(name, print, prefix, start, "</" + prefix + "r>");
            }
            int end = xml.lastIndexOf("</");
            return new Slot(name, print, prefix, xml.substring(0, end), xml.substring(end));
        }
    }

    /** A value's place where only characters may stand, as in a file property. @param inAddress percent-encoded */
    record PlainSlot(String name, String print, boolean inAddress) implements Segment {}

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

    /** A paragraph of nothing but values: gone when all are empty, several when its one value has several paragraphs. */
    record Line(List<String> names, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Line(names, inner);
        }
    }

    /** A placeholder picture. @param embed the relationship of the picture it holds; lengths in EMU */
    record PictureBox(String name, String embed, long width, long height, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new PictureBox(name, embed, width, height, inner);
        }
    }

    /** A table cell's or text box's content, which must not be left without a paragraph (ISO/IEC 29500-1 §17.4.65). */
    record Cell(String prefix, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Cell(prefix, inner);
        }
    }

    /** A table whose rows depend on data: gone when none is left. */
    record Table(String prefix, List<Segment> body) implements Segment {
        @Override
        public Segment with(List<Segment> inner) {
            return new Table(prefix, inner);
        }
    }

    /** The same frame around this body. */
    default Segment with(List<Segment> body) {
        throw new IllegalStateException("not a frame: " + this);
    }
}
