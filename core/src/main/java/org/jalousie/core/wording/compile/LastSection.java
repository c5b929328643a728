package org.jalousie.core.wording.compile;

import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Substance;
import org.w3c.dom.Element;

/**
 * The last section of a body (ISO/IEC 29500-1 §17.6.17) of which nothing was printed: without it the section before is the
 * last, and no empty page follows.
 */
public final class LastSection {
    private LastSection() {}

    /** Whether the last section holds something in the template, so that it may come to hold nothing in an agreement. */
    static boolean holdsSomething(Element body) {
        boolean any = false;
        boolean broken = false;
        for (Element block : Word.children(body)) {
            if (Word.isParagraph(block) && Word.endsSection(block)) {
                broken = true;
                any = false;
            } else if (!Word.local(block).equals("sectPr") && !Substance.RANGES.contains(Word.local(block))) {
                any = true;
            }
        }
        return broken && any;
    }

    /** The part without an empty last section; the count of sections follows. */
    public static String without(String xml, Tally written) {
        int bodyEnd = xml.lastIndexOf("body>");
        int own = bodyEnd < 0 ? -1 : xml.lastIndexOf("sectPr", bodyEnd);
        if (own < 0) return xml;
        int end = xml.indexOf('>', own) + 1;
        int start = startOf(xml, end, own);
        int previous = start < 0 ? -1 : xml.lastIndexOf("sectPr", start - 1);
        if (previous < 0) return xml;
        int previousEnd = xml.indexOf('>', previous) + 1;
        int previousStart = startOf(xml, previousEnd, previous);
        int paragraphEnd = xml.indexOf("p>", xml.indexOf("pPr>", previousEnd) + 4) + 2;
        if (previousStart < 0 || paragraphEnd < previousEnd || paragraphEnd > start) return xml;
        String between = xml.substring(paragraphEnd, start);
        if (between.matches("(?s).*<(\\w+:)?(p|tbl|sdt|altChunk|customXml)[ />].*")) return xml;
        written.without(Tally.SECTIONS, 1);
        return xml.substring(0, previousStart)
                + xml.substring(previousEnd, start)
                + xml.substring(previousStart, previousEnd)
                + xml.substring(end);
    }

    /** Where the element begins whose end, or whole, is at a place. */
    private static int startOf(String xml, int end, int name) {
        boolean closing = xml.lastIndexOf("</", name) > xml.lastIndexOf('>', name - 1);
        if (!closing) return xml.lastIndexOf('<', name);
        int open = xml.lastIndexOf("sectPr", name - 1);
        return open < 0 ? -1 : xml.lastIndexOf('<', open);
    }
}
