package org.jalousie.core.wording.docx;

import java.util.HashSet;
import java.util.Set;
import org.jalousie.core.wording.WordFile;
import org.w3c.dom.Element;

/** How a paragraph is numbered (ISO/IEC 29500-1 §17.9), by itself or by its style. */
public final class Numbering {
    private Numbering() {}

    /** @param indent of the words, in twentieths of a point; empty when the list says nothing */
    public record Place(String list, String level, String indent) {}

    /** Null when the paragraph is not numbered. */
    public static Place placeOf(Element paragraph, PackageParts parts) {
        Element properties = Word.child(paragraph, "pPr");
        if (properties == null) return null;
        Element numbering = Word.child(properties, "numPr");
        if (numbering == null) numbering = ofStyle(value(properties, "pStyle"), parts);
        if (numbering == null) return null;
        String list = value(numbering, "numId");
        if (list.isEmpty() || list.equals("0")) return null;
        String level = value(numbering, "ilvl");
        return new Place(list, level.isEmpty() ? "0" : level, indent(list, level.isEmpty() ? "0" : level, parts));
    }

    private static Element ofStyle(String id, PackageParts parts) {
        String styles = parts.related(WordFile.MAIN, "styles");
        if (styles.isEmpty()) return null;
        Set<String> seen = new HashSet<>();
        for (String at = id; !at.isEmpty() && seen.add(at); ) {
            Element style = Styles.byId(parts.document(styles), at);
            if (style == null) return null;
            Element properties = Word.child(style, "pPr");
            Element numbering = properties == null ? null : Word.child(properties, "numPr");
            if (numbering != null) return numbering;
            at = value(style, "basedOn");
        }
        return null;
    }

    private static String indent(String list, String level, PackageParts parts) {
        String part = parts.related(WordFile.MAIN, "numbering");
        if (part.isEmpty()) return "";
        Element root = parts.document(part).getDocumentElement();
        Element num = numbered(root, "num", "numId", list);
        Element definition =
                num == null ? null : numbered(root, "abstractNum", "abstractNumId", value(num, "abstractNumId"));
        Element one = definition == null ? null : numbered(definition, "lvl", "ilvl", level);
        Element properties = one == null ? null : Word.child(one, "pPr");
        Element indent = properties == null ? null : Word.child(properties, "ind");
        if (indent == null) return "";
        String left = Word.attribute(indent, "left");
        return left.isEmpty() ? Word.attribute(indent, "start") : left;
    }

    private static Element numbered(Element root, String element, String attribute, String value) {
        for (Element child : Word.children(root)) {
            if (Word.local(child).equals(element)
                    && Word.attribute(child, attribute).equals(value)) return child;
        }
        return null;
    }

    private static String value(Element parent, String child) {
        Element element = Word.child(parent, child);
        return element == null ? "" : Word.attribute(element, "val");
    }
}
