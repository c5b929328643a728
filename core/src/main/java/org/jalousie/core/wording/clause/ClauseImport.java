package org.jalousie.core.wording.clause;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.Settling;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Takes the content of one clause over into an agreement's part: words, tables, pictures, links, notes, styles, lists. */
final class ClauseImport {
    private static final Pattern WORD = Pattern.compile("[^\\s\"]+");

    private final PackageParts parts;
    private final String part;
    private final PackageParts clause;
    private final Part.Origin origin;
    private final StyleImport styles;
    private final Map<String, String> relations = new LinkedHashMap<>();
    private final List<Message> left = new ArrayList<>();
    private Set<String> bookmarks;

    ClauseImport(PackageParts parts, String part, WordFile clause, Part.Origin origin, List<Diagnostic> diagnostics) {
        this.parts = parts;
        this.part = part;
        this.clause = new PackageParts(clause.parts());
        this.origin = origin;
        this.styles = new StyleImport(parts, this.clause);
        for (String own : clause.textParts())
            Settling.settle(this.clause.document(own), "clause " + origin.clause(), diagnostics);
    }

    /** What the clause holds that could not be brought along, as people call it. */
    List<Message> left() {
        return left;
    }

    /** The clause's paragraphs and tables as nodes of the agreement's part, not yet put anywhere. */
    List<Element> blocks(Element like) {
        Document target = like.getOwnerDocument();
        Element body = Word.child(clause.document(WordFile.MAIN).getDocumentElement(), "body");
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
        return Word.local(block).equals("p")
                && Word.children(block).stream()
                        .allMatch(child -> Word.local(child).equals("pPr"));
    }

    private void settle(Element block) {
        List<Element> all = new ArrayList<>(Word.all(block, "*"));
        all.add(0, block);
        for (Element element : all) {
            switch (Word.local(element)) {
                case "pStyle", "rStyle", "tblStyle" ->
                    Word.setAttribute(element, "val", styles.style(Word.attribute(element, "val")));
                case "numId" -> Word.setAttribute(element, "val", styles.list(Word.attribute(element, "val")));
                case "sectPr" -> {
                    left.add(Message.of("clause.left.section"));
                    Word.remove(element);
                }
                case "commentRangeStart", "commentRangeEnd", "commentReference" -> Word.remove(element);
                case "bookmarkStart" -> {
                    Word.replaceAttribute(element, "id", own(Word.attribute(element, "id")));
                    Word.replaceAttribute(element, "name", bookmark(Word.attribute(element, "name")));
                }
                case "bookmarkEnd" -> Word.replaceAttribute(element, "id", own(Word.attribute(element, "id")));
                case "footnoteReference" -> note(element, "footnote");
                case "endnoteReference" -> note(element, "endnote");
                case "instrText" -> element.setTextContent(refer(element.getTextContent()));
                case "fldSimple" -> Word.replaceAttribute(element, "instr", refer(Word.attribute(element, "instr")));
                default -> {
                    if (Word.local(element).equals("hyperlink")
                            && bookmarks().contains(Word.attribute(element, "anchor")))
                        Word.replaceAttribute(element, "anchor", bookmark(Word.attribute(element, "anchor")));
                    relate(element);
                }
            }
        }
    }

    private String own(String id) {
        return "c" + origin.number() + "_" + id;
    }

    /** A bookmark's name at this place of the clause, within the forty characters that word processors allow. */
    private String bookmark(String name) {
        String suffix = "_c" + origin.number();
        return name.substring(0, Math.min(name.length(), 40 - suffix.length())) + suffix;
    }

    /** The clause's own bookmarks: only what refers to these follows their new names. */
    private Set<String> bookmarks() {
        if (bookmarks == null) {
            bookmarks = new HashSet<>();
            for (Element start : Word.all(clause.document(WordFile.MAIN), "bookmarkStart"))
                bookmarks.add(Word.attribute(start, "name"));
        }
        return bookmarks;
    }

    private String refer(String code) {
        return WORD.matcher(code)
                .replaceAll(word -> Matcher.quoteReplacement(
                        bookmarks().contains(word.group()) ? bookmark(word.group()) : word.group()));
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
        Element relationship = clause.relationship(WordFile.MAIN, id);
        if (relationship == null) return "";
        String type = relationship.getAttribute("Type");
        String target = relationship.getAttribute("Target");
        String own = "jalClause" + origin.number() + "_" + (relations.size() + 1);
        if (type.endsWith("/hyperlink")) return parts.relate(part, own, type, target, true);
        String source = PackageParts.target(WordFile.MAIN, target);
        if (!type.endsWith("/image") || !clause.has(source)) {
            left.add(type.endsWith("/chart") ? Message.of("clause.left.chart") : Message.of("clause.left.object"));
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
        String from = clause.related(WordFile.MAIN, kind + "s");
        String notes = parts.related(part, kind + "s");
        if (from.isEmpty() || notes.isEmpty()) {
            left.add(Message.of("clause.left.kind", "kind", kind));
            reference.getParentNode().removeChild(reference);
            return;
        }
        String id = Word.attribute(reference, "id");
        Element root = parts.document(notes).getDocumentElement();
        int highest = Word.children(root).stream()
                .mapToInt(note -> Integer.parseInt(Word.attribute(note, "id")))
                .max()
                .orElse(0);
        for (Element note : Word.children(clause.document(from).getDocumentElement())) {
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
