package org.jalousie.core.wording;

import org.w3c.dom.Element;

/** One tag at its place in a part, with the run that it is isolated into while the part is compiled. */
final class Occurrence {
    final ParagraphText in;
    final TagReader.Found found;

    /** Its place among the tags of its part, in the order of reading. */
    final int index;

    Tag tag;
    Element run;

    Occurrence(ParagraphText in, TagReader.Found found, int index) {
        this.index = index;
        this.in = in;
        this.found = found;
        this.tag = found.tag();
    }

    boolean isSection() {
        return tag instanceof Tag.Open || tag instanceof Tag.Close;
    }

    boolean isSilent() {
        return tag instanceof Tag.Silent;
    }
}
