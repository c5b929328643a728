package org.jalousie.core.wording.merge;

import java.util.List;
import org.jalousie.core.wording.compile.Segment;

/**
 * Marks about passages within a line on pages that show all of them at once, so that alternatives don't run together. Only such
 * pages have them, never an agreement; whoever looks for words of a page in the file passes over them.
 */
public final class Aside {
    public static final char OPEN = '\u2039';
    public static final char CLOSE = '\u203a';

    /** How far back the look of words is looked for, in characters of XML. */
    private static final int REACH = 4000;

    private static final List<String> BLOCKS = List.of("<w:p>", "<w:p ", "</w:p>", "<w:tr", "<w:tc");

    private Aside() {}

    /** Whether a passage stands within a line. */
    static boolean within(List<Segment> body) {
        for (Segment segment : body) {
            if (segment instanceof Segment.Literal literal) {
                if (BLOCKS.stream().anyMatch(literal.xml()::contains)) return false;
            } else if (segment instanceof Segment.Section section) {
                if (!within(section.body())) return false;
            } else if (!(segment instanceof Segment.Slot || segment instanceof Segment.ClauseMark)) return false;
        }
        return true;
    }

    /** The mark as XML that can stand at the end of what was written, in the look of the words before it. */
    static String run(char mark, StringBuilder out) {
        // what stands far before it is another paragraph's; looking through all of it would cost more with every
        // passage
        String tail = out.substring(Math.max(0, out.length() - REACH));
        int paragraph = Math.max(tail.lastIndexOf("<w:p>"), tail.lastIndexOf("<w:p "));
        int from = tail.lastIndexOf("<w:rPr>");
        int to = tail.indexOf("</w:rPr>", Math.max(from, 0));
        boolean own = from > paragraph && to > from && tail.indexOf("</w:pPr>", to) < 0;
        String look = own ? tail.substring(from, to + "</w:rPr>".length()) : "";
        return "<w:r>" + look + "<w:t>" + mark + "</w:t></w:r>";
    }

    /** Whether a run can stand at the end of what was written: in a paragraph, between runs. */
    static boolean fits(StringBuilder out) {
        return endsWith(out, "</w:r>") || endsWith(out, "</w:pPr>") || endsWith(out, "</w:hyperlink>");
    }

    private static boolean endsWith(StringBuilder out, String end) {
        int start = out.length() - end.length();
        return start >= 0 && out.indexOf(end, start) == start;
    }
}
