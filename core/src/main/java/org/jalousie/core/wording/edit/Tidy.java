package org.jalousie.core.wording.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Substance;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Accepts tracked changes and takes comments out (ISO/IEC 29500-1 §17.13.4 and §17.13.5). What was deleted goes whole: words,
 * paragraph marks (the paragraph joins the next), rows, cells, and tables without a row.
 */
final class Tidy {
    private static final Set<String> OLD_PROPERTIES = Set.of(
            "rPrChange",
            "pPrChange",
            "sectPrChange",
            "tblPrChange",
            "tblPrExChange",
            "trPrChange",
            "tcPrChange",
            "tblGridChange",
            "numberingChange",
            "cellIns",
            "cellMerge");

    private Tidy() {}

    /** @return how many changes there were */
    static int changes(Document document) {
        int count = 0;
        for (Element element : Word.all(document, "*")) {
            if (element.getParentNode() == null || !Word.isOfWord(element)) continue;
            String name = Word.local(element);
            if (OLD_PROPERTIES.contains(name)) {
                Word.remove(element);
                count++;
            } else if (name.matches("(moveFrom|moveTo|customXml(Ins|Del|MoveFrom|MoveTo))Range(Start|End)")) {
                Word.remove(element);
            }
        }
        count += content(document);
        count += rowsAndCells(document);
        count += marks(document);
        return count;
    }

    /** Inserted words stay, deleted ones go. */
    private static int content(Document document) {
        int count = 0;
        for (Element element : Word.all(document, "*")) {
            if (!isInTree(element, document) || isProperty(element)) continue;
            switch (Word.local(element)) {
                case "ins", "moveTo" -> {
                    Word.unwrap(element);
                    count++;
                }
                case "del", "moveFrom" -> {
                    Word.remove(element);
                    count++;
                }
                default -> {}
            }
        }
        return count;
    }

    /** As a property of a paragraph's mark, a row or a number it says what became of that, and has no content. */
    private static boolean isProperty(Element element) {
        return Set.of("rPr", "trPr", "numPr", "ctrlPr").contains(Word.local(element.getParentNode()));
    }

    private static boolean isInTree(Node node, Document document) {
        Node top = node;
        while (top.getParentNode() != null) top = top.getParentNode();
        return top == document;
    }

    private static int rowsAndCells(Document document) {
        int count = 0;
        for (Element cell : Word.all(document, "cellDel")) {
            Word.remove(Word.ancestor(cell, "tc"));
            count++;
        }
        for (Element row : Word.all(document, "tr")) {
            Element properties = Word.child(row, "trPr");
            if (properties == null) continue;
            boolean deleted = Word.child(properties, "del") != null;
            Element inserted = Word.child(properties, "ins");
            if (deleted) Word.remove(row);
            else Word.remove(inserted);
            if (deleted || inserted != null) count++;
        }
        for (Element row : Word.all(document, "tr"))
            if (Word.child(row, "tc") == null && Word.child(row, "sdt") == null) Word.remove(row);
        for (Element table : Word.all(document, "tbl")) {
            if (Word.first(table, "tr") == null) Word.remove(table);
        }
        return count;
    }

    private static int marks(Document document) {
        int count = 0;
        for (Element paragraph : Word.paragraphs(document)) {
            Element properties = Word.child(paragraph, "pPr");
            Element look = properties == null ? null : Word.child(properties, "rPr");
            if (look == null) continue;
            boolean deleted = false;
            for (String name : List.of("del", "moveFrom", "ins", "moveTo")) {
                Element change = Word.child(look, name);
                if (change == null) continue;
                deleted |= name.equals("del") || name.equals("moveFrom");
                Word.remove(change);
                count++;
            }
            if (deleted) join(paragraph);
        }
        for (Element numbering : Word.all(document, "numPr")) {
            for (String name : List.of("ins", "numberingChange")) Word.remove(Word.child(numbering, name));
        }
        return count;
    }

    /** The paragraph's words go on in the next paragraph, whose properties hold for both (§17.13.5.15). */
    private static void join(Element paragraph) {
        Node next = paragraph.getNextSibling();
        while (next != null && !(next instanceof Element block && !Substance.RANGES.contains(Word.local(block))))
            next = next.getNextSibling();
        List<Node> content = new ArrayList<>();
        for (Node child = paragraph.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (!Word.local(child).equals("pPr")) content.add(child);
        }
        if (next != null && Word.isParagraph(next)) {
            Element properties = Word.child((Element) next, "pPr");
            Node first = properties == null ? next.getFirstChild() : properties.getNextSibling();
            for (Node node : content) next.insertBefore(node, first);
            Word.remove(paragraph);
        } else if (new Substance(paragraph, List.of()).all() == Substance.Kind.NOTHING && isNotLast(paragraph)) {
            Word.remove(paragraph);
        }
    }

    /** A cell, a note, a header needs one paragraph. */
    private static boolean isNotLast(Element paragraph) {
        return Word.children(paragraph.getParentNode()).stream()
                .anyMatch(other -> other != paragraph && Word.isParagraph(other));
    }

    /** @return how many comments there were */
    static int comments(PackageParts pack, List<String> parts) {
        for (String part : parts) {
            for (Element element : Word.all(pack.document(part), "*")) {
                if (!List.of("commentRangeStart", "commentRangeEnd", "commentReference")
                        .contains(Word.local(element))) continue;
                Node run = element.getParentNode();
                Word.remove(element);
                if (Word.local(run).equals("r") && !Word.hasContent((Element) run)) Word.remove(run);
            }
        }
        String comments = pack.related(WordFile.MAIN, "comments");
        if (comments.isEmpty()) return 0;
        List<Element> all = Word.all(pack.document(comments), "comment");
        all.forEach(Word::remove);
        // what belongs to comments by their numbers: threads, marks of being done, dates
        for (String more : List.of("commentsExtended", "commentsIds", "commentsExtensible")) {
            String part = pack.related(WordFile.MAIN, more);
            if (!part.isEmpty())
                Word.children(pack.document(part).getDocumentElement()).forEach(Word::remove);
        }
        return all.size();
    }
}
