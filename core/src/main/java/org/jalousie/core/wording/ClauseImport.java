package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Takes the content of one clause over into an agreement's part: words, tables, pictures, links, notes, styles, lists. */
final class ClauseImport {
    private static final String MAIN = "word/document.xml";

    private final PackageParts parts;
    private final String part;
    private final PackageParts clause;
    private final Part.Origin origin;
    private final StyleImport styles;
    private final Map<String, String> relations = new LinkedHashMap<>();
    private final List<String> left = new ArrayList<>();

    ClauseImport(PackageParts parts, String part, WordFile clause, Part.Origin origin) {
        this.parts = parts;
        this.part = part;
        this.clause = new PackageParts(clause.parts());
        this.origin = origin;
        this.styles = new StyleImport(parts, this.clause);
    }

    /** What the clause holds that could not be brought along, as people call it. */
    List<String> left() {
        return left;
    }

    /** The clause's paragraphs and tables as nodes of the agreement's part, not yet put anywhere. */
    List<Element> blocks(Element like) {
        Document target = like.getOwnerDocument();
        Element body = Word.child(clause.document(MAIN).getDocumentElement(), "body");
        List<Element> blocks = new ArrayList<>();
        for (Element child : Word.children(body)) {
            if (Word.local(child).equals("sectPr")) continue;
            Element block = (Element) target.importNode(child, true);
            Part.setOrigin(block, origin);
            settle(block);
            blocks.add(block);
        }
        // Word ends a file with an empty paragraph when a table stands last; the agreement has its own
        while (blocks.size() > 1 && isEmptyParagraph(blocks.get(blocks.size() - 1))) blocks.remove(blocks.size() - 1);
        return blocks;
    }

    private static boolean isEmptyParagraph(Element block) {
        return Word.local(block).equals("p") && Word.first(block, "r") == null;
    }

    private void settle(Element block) {
        List<Element> all = new ArrayList<>(Word.all(block, "*"));
        all.add(0, block);
        for (Element element : all) {
            switch (Word.local(element)) {
                case "pStyle", "rStyle", "tblStyle" ->
                    Word.setAttribute(element, "val", styles.style(Word.attribute(element, "val")));
                case "numId" -> Word.setAttribute(element, "val", styles.list(Word.attribute(element, "val")));
                case "sectPr",
                        "bookmarkStart",
                        "bookmarkEnd",
                        "commentRangeStart",
                        "commentRangeEnd",
                        "commentReference" -> element.getParentNode().removeChild(element);
                case "footnoteReference" -> note(element, "footnote");
                case "endnoteReference" -> note(element, "endnote");
                default -> relate(element);
            }
        }
    }

    /** Every attribute that names a relationship of the clause is given one of the agreement's. */
    private void relate(Element element) {
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Attr attribute = (Attr) element.getAttributes().item(i);
            if (attribute.getNamespaceURI() == null
                    || !attribute.getNamespaceURI().endsWith("/relationships")) continue;
            String id = relations.computeIfAbsent(attribute.getValue(), this::relation);
            if (!id.isEmpty()) attribute.setValue(id);
        }
    }

    private String relation(String id) {
        Element relationship = clause.relationship(MAIN, id);
        if (relationship == null) return "";
        String type = relationship.getAttribute("Type");
        String target = relationship.getAttribute("Target");
        String own = "jalClause" + origin.number() + "_" + (relations.size() + 1);
        if (type.endsWith("/hyperlink")) return parts.relate(part, own, type, target, true);
        String source = target.startsWith("/") ? target.substring(1) : "word/" + target;
        if (!type.endsWith("/image") || !clause.has(source)) {
            left.add(type.endsWith("/chart") ? "a chart" : "an embedded object");
            return "";
        }
        String extension = target.substring(target.lastIndexOf('.') + 1);
        String media = "media/clause" + origin.number() + "-" + (relations.size() + 1) + "." + extension;
        parts.put("word/" + media, clause.finish().get(source));
        parts.defaultType(extension, "image/" + (extension.equalsIgnoreCase("jpg") ? "jpeg" : extension));
        return parts.relate(part, own, type, media, false);
    }

    /** Brings a note along under a number that the agreement has free. */
    private void note(Element reference, String kind) {
        String notes = "word/" + kind + "s.xml";
        if (!clause.has(notes) || !parts.has(notes)) {
            left.add("a " + kind + " while the agreement has none");
            reference.getParentNode().removeChild(reference);
            return;
        }
        String id = Word.attribute(reference, "id");
        Element root = parts.document(notes).getDocumentElement();
        int highest = Word.children(root).stream()
                .mapToInt(note -> Integer.parseInt(Word.attribute(note, "id")))
                .max()
                .orElse(0);
        for (Element note : Word.children(clause.document(notes).getDocumentElement())) {
            if (!Word.attribute(note, "id").equals(id)) continue;
            Element copy = (Element) root.getOwnerDocument().importNode((Node) note, true);
            Word.setAttribute(copy, "id", String.valueOf(highest + 1));
            Part.setOrigin(copy, origin);
            for (Element style : Word.all(copy, "*")) {
                if (List.of("pStyle", "rStyle").contains(Word.local(style)))
                    Word.setAttribute(style, "val", styles.style(Word.attribute(style, "val")));
            }
            root.appendChild(copy);
            Word.setAttribute(reference, "id", String.valueOf(highest + 1));
        }
    }
}
