package org.jalousie.core.wording.clause;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Styles;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * Styles and lists of one clause in an agreement: a style of a name that the agreement has follows the agreement, others
 * come along; a list that both got from the same definition goes on, any other begins anew.
 */
final class StyleImport {
    private static final String STYLES = "word/styles.xml";
    private static final String NUMBERING = "word/numbering.xml";
    private static final String WORD_TYPE = "application/vnd.openxmlformats-officedocument.wordprocessingml.";

    private final PackageParts parts;
    private final PackageParts clause;
    private final Map<String, String> styleIds = new HashMap<>();
    private final Map<String, String> listIds = new HashMap<>();

    StyleImport(PackageParts parts, PackageParts clause) {
        this.parts = parts;
        this.clause = clause;
    }

    /** The agreement's id for a style of the clause. */
    String style(String id) {
        String known = styleIds.get(id);
        if (known != null) return known;
        Element own = clause.has(STYLES) ? Styles.byId(clause.document(STYLES), id) : null;
        if (own == null || !parts.has(STYLES)) {
            styleIds.put(id, id);
            return id;
        }
        Document target = parts.document(STYLES);
        for (Element style : Word.children(target.getDocumentElement())) {
            if (Word.local(style).equals("style")
                    && name(style).equals(name(own))
                    && type(style).equals(type(own))) {
                styleIds.put(id, Word.attribute(style, "styleId"));
                return styleIds.get(id);
            }
        }
        return bring(id, own, target);
    }

    private String bring(String id, Element own, Document target) {
        String free = id;
        for (int i = 2; Styles.byId(target, free) != null; i++) free = id + i;
        styleIds.put(id, free);
        Element copy = (Element) target.importNode(own, true);
        Word.setAttribute(copy, "styleId", free);
        for (int i = copy.getAttributes().getLength() - 1; i >= 0; i--) {
            if (Word.local(copy.getAttributes().item(i)).equals("default"))
                copy.removeAttributeNode((Attr) copy.getAttributes().item(i));
        }
        for (Element child : Word.all(copy, "*")) {
            switch (Word.local(child)) {
                case "basedOn", "next", "link" -> Word.setAttribute(child, "val", style(Word.attribute(child, "val")));
                case "numId" -> Word.setAttribute(child, "val", list(Word.attribute(child, "val")));
                default -> {}
            }
        }
        target.getDocumentElement().appendChild(copy);
        return free;
    }

    private static String name(Element style) {
        Element name = Word.child(style, "name");
        return name == null ? "" : Word.attribute(name, "val").toLowerCase(Locale.ROOT);
    }

    private static String type(Element style) {
        return Word.attribute(style, "type");
    }

    /** The agreement's id for a list of the clause; 0 means no list. */
    String list(String id) {
        if (id.equals("0") || !clause.has(NUMBERING)) return "0";
        return listIds.computeIfAbsent(id, this::bringList);
    }

    private String bringList(String id) {
        Element source = clause.document(NUMBERING).getDocumentElement();
        Element list = numbered(source, "num", "numId", id);
        if (list == null) return "0";
        Element definition = numbered(source, "abstractNum", "abstractNumId", value(list, "abstractNumId"));
        if (definition == null) return "0";
        Element target = numbering(source);
        String session = value(definition, "nsid");
        if (!session.isEmpty()) {
            for (Element same : Word.children(target)) {
                if (!Word.local(same).equals("abstractNum")
                        || !value(same, "nsid").equals(session)) continue;
                String definitionId = Word.attribute(same, "abstractNumId");
                for (Element num : Word.children(target)) {
                    if (Word.local(num).equals("num")
                            && value(num, "abstractNumId").equals(definitionId)) return Word.attribute(num, "numId");
                }
            }
        }
        return copied(target, definition, list);
    }

    private String copied(Element target, Element definition, Element list) {
        String definitionId = String.valueOf(highest(target, "abstractNum", "abstractNumId") + 1);
        String listId = String.valueOf(highest(target, "num", "numId") + 1);
        Document document = target.getOwnerDocument();
        Element definitionCopy = (Element) document.importNode(definition, true);
        Word.setAttribute(definitionCopy, "abstractNumId", definitionId);
        // the copy is a list of its own: another inclusion of the same clause must not go on with it
        for (String shared : List.of("nsid", "styleLink", "numStyleLink")) {
            Element element = Word.child(definitionCopy, shared);
            if (element != null) definitionCopy.removeChild(element);
        }
        for (Element style : Word.all(definitionCopy, "pStyle"))
            style.getParentNode().removeChild(style);
        Element firstNum = Word.child(target, "num");
        target.insertBefore(definitionCopy, firstNum);
        Element listCopy = (Element) document.importNode(list, true);
        Word.setAttribute(listCopy, "numId", listId);
        Word.setAttribute(Word.child(listCopy, "abstractNumId"), "val", definitionId);
        target.appendChild(listCopy);
        return listId;
    }

    private Element numbering(Element like) {
        if (!parts.has(NUMBERING)) {
            parts.putXml(
                    NUMBERING,
                    "<w:numbering xmlns:w=\"" + like.getNamespaceURI() + "\"/>",
                    WORD_TYPE + "numbering+xml");
            parts.relate(
                    "word/document.xml", "jalNumbering", InlinePicture.OFFICE + "/numbering", "numbering.xml", false);
        }
        return parts.document(NUMBERING).getDocumentElement();
    }

    private static Element numbered(Element root, String element, String attribute, String value) {
        for (Element child : Word.children(root)) {
            if (Word.local(child).equals(element)
                    && Word.attribute(child, attribute).equals(value)) return child;
        }
        return null;
    }

    private static int highest(Element root, String element, String attribute) {
        return Word.children(root).stream()
                .filter(child -> Word.local(child).equals(element))
                .mapToInt(child -> Integer.parseInt(Word.attribute(child, attribute)))
                .max()
                .orElse(0);
    }

    private static String value(Element parent, String child) {
        Element element = Word.child(parent, child);
        return element == null ? "" : Word.attribute(element, "val");
    }
}
