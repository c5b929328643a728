package org.jalousie.core.wording;

import java.util.List;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Accepts tracked changes and takes comments out (ISO/IEC 29500-1 §17.13.4 and §17.13.5). */
final class Tidy {
    private Tidy() {}

    /** @return how many changes there were */
    static int changes(Document document) {
        int count = 0;
        for (Element element : Word.all(document, "*")) {
            if (element.getParentNode() == null) continue;
            switch (Word.local(element)) {
                case "ins", "moveTo" -> {
                    // as a property it marks a paragraph or row as inserted and has no content
                    unwrap(element);
                    count++;
                }
                case "del", "moveFrom" -> {
                    remove(element);
                    count++;
                }
                case "rPrChange",
                        "pPrChange",
                        "sectPrChange",
                        "tblPrChange",
                        "trPrChange",
                        "tcPrChange",
                        "tblGridChange",
                        "cellIns",
                        "cellMerge",
                        "numberingChange" -> {
                    remove(element);
                    count++;
                }
                case "cellDel" -> {
                    remove(Word.ancestor(element, "tc"));
                    count++;
                }
                case "moveFromRangeStart", "moveFromRangeEnd", "moveToRangeStart", "moveToRangeEnd" -> remove(element);
                default -> {}
            }
        }
        return count;
    }

    /** @return how many comments there were */
    static int comments(PackageParts pack, List<String> parts) {
        for (String part : parts) {
            for (Element element : Word.all(pack.document(part), "*")) {
                if (List.of("commentRangeStart", "commentRangeEnd", "commentReference")
                        .contains(Word.local(element))) remove(element);
            }
        }
        if (!pack.has("word/comments.xml")) return 0;
        Document comments = pack.document("word/comments.xml");
        List<Element> all = Word.all(comments, "comment");
        all.forEach(Tidy::remove);
        return all.size();
    }

    private static void unwrap(Element element) {
        Node parent = element.getParentNode();
        while (element.getFirstChild() != null) parent.insertBefore(element.getFirstChild(), element);
        parent.removeChild(element);
    }

    private static void remove(Node node) {
        if (node != null && node.getParentNode() != null) node.getParentNode().removeChild(node);
    }
}
