package org.jalousie.core.wording.tags;

import org.jalousie.core.wording.docx.ParagraphText;
import org.w3c.dom.Element;

/** One tag at its place in a part, with the run that it is isolated into while the part is compiled. */
public final class Occurrence {
    public final ParagraphText in;
    public final TagReader.Found found;

    /** Its place among the tags of its part, in the order of reading. */
    public final int index;

    public Tag tag;
    public Element run;

    public Occurrence(ParagraphText in, TagReader.Found found, int index) {
        this.index = index;
        this.in = in;
        this.found = found;
        this.tag = found.tag();
    }

    public boolean isSection() {
        return tag instanceof Tag.Open || tag instanceof Tag.Close;
    }

    public boolean isSilent() {
        return tag instanceof Tag.Silent;
    }
}
