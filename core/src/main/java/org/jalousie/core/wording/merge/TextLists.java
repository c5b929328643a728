package org.jalousie.core.wording.merge;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * The word processor's own lists (ISO/IEC 29500-1 §17.9) for the lists of formatted text: one kind with marks, and one that counts,
 * of which each list is another that begins at one. The file's own lists are looked at when the first is asked for.
 */
final class TextLists {
    private static final String W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main";
    private static final String TYPE = "application/vnd.openxmlformats-officedocument.wordprocessingml.numbering+xml";
    private static final String USUAL = "word/numbering.xml";
    private static final int LEVELS = 9;

    /** How much further in each depth stands, in twentieths of a point. */
    private static final int INDENT = 360;

    private final PackageParts file;
    private Element root;
    private int marks;
    private int counting;
    private int highest;

    TextLists(Map<String, byte[]> file) {
        this.file = new PackageParts(file);
    }

    /** The number of the list with marks. */
    int marked() {
        Element lists = root();
        if (marks == 0) {
            marks = ++highest;
            lists.insertBefore(num(define("bullet"), marks), afterNums());
        }
        return marks;
    }

    /** The number of a new list that counts from a number at one depth, and from one at those further in. */
    int counted(int depth, int from) {
        Element lists = root();
        if (counting == 0) counting = define("decimal");
        Element list = num(counting, ++highest);
        for (int level = depth; level < LEVELS; level++) {
            Element start = element("lvlOverride");
            Word.setAttribute(start, "ilvl", String.valueOf(level));
            start.appendChild(with("startOverride", level == depth ? String.valueOf(from) : "1"));
            list.appendChild(start);
        }
        lists.insertBefore(list, afterNums());
        return highest;
    }

    /** Puts the lists that were asked for into a package. */
    void finish(Map<String, byte[]> parts) {
        if (root == null) return;
        PackageParts target = new PackageParts(parts);
        String name = target.related(WordFile.MAIN, "numbering");
        String xml = SafeXml.write(root.getOwnerDocument());
        if (name.isEmpty()) {
            target.putXml(USUAL, xml, TYPE);
            target.relate(WordFile.MAIN, "jalNumbering", InlinePicture.OFFICE + "/numbering", "numbering.xml", false);
        } else {
            target.put(name, xml.getBytes(StandardCharsets.UTF_8));
        }
        parts.putAll(target.finish());
    }

    private Element root() {
        if (root != null) return root;
        String name = file.related(WordFile.MAIN, "numbering");
        Document document = name.isEmpty()
                ? SafeXml.parse(USUAL, ("<w:numbering xmlns:w=\"" + W + "\"/>").getBytes(StandardCharsets.UTF_8))
                : file.document(name);
        root = document.getDocumentElement();
        highest = highest("num", "numId");
        return root;
    }

    private int define(String format) {
        int id = highest("abstractNum", "abstractNumId") + 1;
        Element definition = element("abstractNum");
        Word.setAttribute(definition, "abstractNumId", String.valueOf(id));
        definition.appendChild(with("multiLevelType", "hybridMultilevel"));
        for (int level = 0; level < LEVELS; level++) {
            Element one = element("lvl");
            Word.setAttribute(one, "ilvl", String.valueOf(level));
            one.appendChild(with("start", "1"));
            one.appendChild(with("numFmt", format));
            one.appendChild(with("lvlText", format.equals("bullet") ? "\u2022" : "%" + (level + 1) + "."));
            one.appendChild(with("lvlJc", "left"));
            Element properties = element("pPr");
            Element indent = element("ind");
            Word.setAttribute(indent, "left", String.valueOf(INDENT * (level + 1)));
            Word.setAttribute(indent, "hanging", String.valueOf(INDENT));
            properties.appendChild(indent);
            one.appendChild(properties);
            definition.appendChild(one);
        }
        // definitions stand before the lists that are made of them
        Element first = Word.child(root, "num");
        root.insertBefore(definition, first == null ? afterNums() : first);
        return id;
    }

    private Element num(int definition, int id) {
        Element list = element("num");
        Word.setAttribute(list, "numId", String.valueOf(id));
        list.appendChild(with("abstractNumId", String.valueOf(definition)));
        return list;
    }

    private Node afterNums() {
        return Word.child(root, "numIdMacAtCleanup");
    }

    private Element with(String name, String value) {
        Element element = element(name);
        Word.setAttribute(element, "val", value);
        return element;
    }

    private Element element(String name) {
        return Word.element(root, name);
    }

    private int highest(String element, String attribute) {
        int highest = 0;
        for (Element child : Word.children(root)) {
            if (!Word.local(child).equals(element)) continue;
            String number = Word.attribute(child, attribute);
            if (number.matches("\\d{1,9}")) highest = Math.max(highest, Integer.parseInt(number));
        }
        return highest;
    }
}
