package org.jalousie.core.wording.compile;

import java.util.List;
import org.jalousie.core.wording.docx.Numbering;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Element;

/** Paragraphs in the look of another one, without what comes once: its number, page break, section break, frame. */
final class Continuation {
    private static final List<String> ONCE = List.of("numPr", "pageBreakBefore", "sectPr", "framePr", "pPrChange");

    private Continuation() {}

    /** An empty paragraph. @param like may be null */
    static String empty(Element like, String prefix) {
        Element properties = like == null ? null : Word.child(like, "pPr");
        if (properties == null) return "<" + prefix + "p/>";
        Element copy = (Element) properties.cloneNode(true);
        for (String once : ONCE) Word.remove(Word.child(copy, once));
        return "<" + prefix + "p>" + SafeXml.fragment(copy) + "</" + prefix + "p>";
    }

    /** The beginning of a paragraph that goes on after this one: of a numbered one, at the indent of its words. */
    static String of(Element paragraph, PackageParts parts) {
        String prefix = PartCompiler.prefix(paragraph);
        Element properties = Word.child(paragraph, "pPr");
        if (properties == null) return "<" + prefix + "p>";
        Element copy = (Element) properties.cloneNode(true);
        Numbering.Place place = Numbering.placeOf(paragraph, parts);
        for (String once : ONCE) Word.remove(Word.child(copy, once));
        if (place != null) {
            Element numbering = Word.element(paragraph, "numPr");
            Element none = Word.element(paragraph, "numId");
            Word.setAttribute(none, "val", "0");
            numbering.appendChild(none);
            insert(copy, numbering);
            if (Word.child(copy, "ind") == null && !place.indent().isEmpty()) {
                Element indent = Word.element(paragraph, "ind");
                Word.setAttribute(indent, "left", place.indent());
                Word.setAttribute(indent, "firstLine", "0");
                insert(copy, indent);
            } else if (Word.child(copy, "ind") != null) {
                Element indent = Word.child(copy, "ind");
                for (String first : List.of("hanging", "firstLine", "hangingChars", "firstLineChars"))
                    Word.removeAttribute(indent, first);
                Word.setAttribute(indent, "firstLine", "0");
            }
        }
        return "<" + prefix + "p>" + SafeXml.fragment(copy);
    }

    // ISO/IEC 29500-1 §17.3.1.26: the children of pPr stand in a fixed order
    private static final List<String> ORDER = List.of(
            "pStyle",
            "keepNext",
            "keepLines",
            "pageBreakBefore",
            "framePr",
            "widowControl",
            "numPr",
            "suppressLineNumbers",
            "pBdr",
            "shd",
            "tabs",
            "suppressAutoHyphens",
            "kinsoku",
            "wordWrap",
            "overflowPunct",
            "topLinePunct",
            "autoSpaceDE",
            "autoSpaceDN",
            "bidi",
            "adjustRightInd",
            "snapToGrid",
            "spacing",
            "ind",
            "contextualSpacing",
            "mirrorIndents",
            "suppressOverlap",
            "jc",
            "textDirection",
            "textAlignment",
            "textboxTightWrap",
            "outlineLvl",
            "divId",
            "cnfStyle",
            "rPr",
            "sectPr",
            "pPrChange");

    private static void insert(Element properties, Element child) {
        int place = ORDER.indexOf(Word.local(child));
        for (Element other : Word.children(properties)) {
            if (ORDER.indexOf(Word.local(other)) > place) {
                properties.insertBefore(child, other);
                return;
            }
        }
        properties.appendChild(child);
    }
}
