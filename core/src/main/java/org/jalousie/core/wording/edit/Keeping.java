package org.jalousie.core.wording.edit;

import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** What keeps paragraphs and rows on one page. Each tells how many of them it changed. */
final class Keeping {
    private Keeping() {}

    /** So many words make it plain what is signed; more of them are not drawn along. (from memory: about three lines) */
    private static final int ENOUGH = 36;

    private static final int MOST_PARAGRAPHS = 8;

    /** The words that stand before a paragraph or a table stay with it, as many as tell what is signed there. */
    static int wordsBefore(Element element) {
        int places = 0;
        int words = 0;
        int paragraphs = 0;
        for (Node before = element.getPreviousSibling();
                before != null && words < ENOUGH && paragraphs < MOST_PARAGRAPHS;
                before = before.getPreviousSibling()) {
            if (!(before instanceof Element found)) continue;
            if (!Word.isParagraph(found) || Word.endsSection(found)) break;
            if (withNext(found)) places++;
            String text = new ParagraphText(found).original().strip();
            if (!text.isEmpty()) words += text.split("\\s+").length;
            paragraphs++;
        }
        return places;
    }

    /** Whether nothing is lost with a paragraph: no words or breaks, no pictures, no place that something refers to, no section. */
    static boolean isEmpty(Element paragraph) {
        ParagraphText text = new ParagraphText(paragraph);
        boolean blank = text.original().chars().allMatch(c -> c == ' ' || c == '\u00a0');
        Element properties = Word.child(paragraph, "pPr");
        boolean breaks = properties != null && Word.child(properties, "pageBreakBefore") != null;
        return blank
                && !breaks
                && text.anchors().isEmpty()
                && Word.first(paragraph, "bookmarkStart") == null
                && Word.first(paragraph, "bookmarkEnd") == null
                && !Word.endsSection(paragraph);
    }

    /** The rows before one, and the words before their table, stay with it. */
    static int rowsBefore(Element row) {
        int places = 0;
        for (Node before = row.getPreviousSibling(); before != null; before = before.getPreviousSibling()) {
            if (!(before instanceof Element element) || !Word.local(element).equals("tr")) continue;
            for (Element paragraph : Word.paragraphs(element)) if (withNext(paragraph)) places++;
        }
        return places + wordsBefore((Element) row.getParentNode());
    }

    /** A row of an exact height gets it as its least (ISO/IEC 29500-1 §17.4.80). */
    static int rowGrows(Element row) {
        Element properties = Word.child(row, "trPr");
        Element height = properties == null ? null : Word.child(properties, "trHeight");
        if (height == null || !Word.attribute(height, "hRule").equals("exact")) return 0;
        Word.setAttribute(height, "hRule", "atLeast");
        return 1;
    }

    /** A paragraph with lines of an exact height gets it as their least (ISO/IEC 29500-1 §17.3.1.33). */
    static int linesGrow(Element paragraph) {
        Element properties = Word.child(paragraph, "pPr");
        Element spacing = properties == null ? null : Word.child(properties, "spacing");
        if (spacing == null || !Word.attribute(spacing, "lineRule").equals("exact")) return 0;
        Word.replaceAttribute(spacing, "lineRule", "atLeast");
        return 1;
    }

    /** Whether that is new. Properties have an order: it stands behind the style (ISO/IEC 29500-1 §17.3.1.26). */
    static boolean withNext(Element paragraph) {
        Element properties = Word.child(paragraph, "pPr");
        if (properties == null) {
            properties = Word.element(paragraph, "pPr");
            paragraph.insertBefore(properties, paragraph.getFirstChild());
        }
        Element known = Word.child(properties, "keepNext");
        if (known != null) {
            String value = Word.attribute(known, "val");
            boolean off = value.equals("0") || value.equals("false") || value.equals("off");
            Word.removeAttribute(known, "val");
            return off;
        }
        Element style = Word.child(properties, "pStyle");
        Node behind = style == null ? properties.getFirstChild() : style.getNextSibling();
        properties.insertBefore(Word.element(paragraph, "keepNext"), behind);
        return true;
    }
}
