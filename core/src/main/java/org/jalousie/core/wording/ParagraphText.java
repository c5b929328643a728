package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.List;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** The text of one Word paragraph over all its runs, and the cutting of runs so that a stretch of it stands alone. */
final class ParagraphText {
    private final Element paragraph;
    private final List<Piece> pieces = new ArrayList<>();
    private final String original;
    private String text = "";

    private record Piece(Element node, int start, int end) {}

    ParagraphText(Element paragraph) {
        this.paragraph = paragraph;
        refresh();
        original = text;
    }

    /** The text as it was found, before any cutting; tags' places refer to it. */
    String original() {
        return original;
    }

    Element paragraph() {
        return paragraph;
    }

    private void refresh() {
        pieces.clear();
        StringBuilder all = new StringBuilder();
        collect(paragraph, all);
        text = all.toString();
    }

    private void collect(Node node, StringBuilder all) {
        for (Node child = node.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (!(child instanceof Element element)) continue;
            String name = Word.local(element);
            switch (name) {
                case "t" -> add(element, element.getTextContent(), all);
                case "tab", "ptab" -> add(element, "\t", all);
                case "br", "cr" -> add(element, "\n", all);
                case "noBreakHyphen" -> add(element, "-", all);
                // deleted text, properties, and text boxes, whose paragraphs stand for themselves
                case "p", "pPr", "rPr", "del", "moveFrom", "drawing", "pict", "AlternateContent", "instrText" -> {}
                default -> collect(element, all);
            }
        }
    }

    private void add(Element node, String content, StringBuilder all) {
        if (!Word.local((Element) node.getParentNode()).equals("r")) return;
        pieces.add(new Piece(node, all.length(), all.length() + content.length()));
        all.append(content);
    }

    /**
     * Cuts runs so that exactly {@code [start, end)} stands in one run of its own, in the look of its first character,
     * and empties that run.
     *
     * @return the run, holding only its properties
     */
    Element isolate(int start, int end) {
        splitAt(end);
        splitAt(start);
        List<Element> covered = new ArrayList<>();
        for (Piece piece : pieces) {
            if (piece.start >= start && piece.end <= end && piece.end > piece.start) covered.add(piece.node);
        }
        Element first = (Element) covered.get(0).getParentNode();
        for (Element node : covered) {
            Element run = (Element) node.getParentNode();
            run.removeChild(node);
            if (run != first && !Word.hasContent(run)) run.getParentNode().removeChild(run);
        }
        refresh();
        return first;
    }

    /** The run that ends at the offset after cutting there, or at 0 the first run; null when there is none. */
    Element runAt(int offset) {
        splitAt(offset);
        Element last = null;
        for (Piece piece : pieces) {
            if (piece.end <= offset || last == null) last = (Element) piece.node.getParentNode();
        }
        return last;
    }

    /** Cuts runs so that {@code [start, end)} stands in runs of its own; returns them, words kept. */
    List<Element> cut(int start, int end) {
        splitAt(end);
        splitAt(start);
        List<Element> runs = new ArrayList<>();
        for (Piece piece : pieces) {
            Element run = (Element) piece.node.getParentNode();
            if (piece.start >= start && piece.end <= end && piece.end > piece.start && !runs.contains(run))
                runs.add(run);
        }
        return runs;
    }

    private void splitAt(int offset) {
        for (Piece piece : pieces) {
            boolean inside = piece.start < offset && offset < piece.end;
            boolean atStart = piece.start == offset && piece.end > piece.start;
            if (!inside && !atStart) continue;
            Element run = (Element) piece.node.getParentNode();
            Element rightStart = piece.node;
            if (inside) {
                String content = piece.node.getTextContent();
                rightStart = (Element) piece.node.cloneNode(false);
                Word.setText(piece.node, content.substring(0, offset - piece.start));
                Word.setText(rightStart, content.substring(offset - piece.start));
                run.insertBefore(rightStart, piece.node.getNextSibling());
            }
            if (Word.hasContentBefore(run, rightStart)) {
                Element right = (Element) run.cloneNode(false);
                Element properties = Word.child(run, "rPr");
                if (properties != null) right.appendChild(properties.cloneNode(true));
                for (Node move = rightStart; move != null; ) {
                    Node next = move.getNextSibling();
                    right.appendChild(move);
                    move = next;
                }
                run.getParentNode().insertBefore(right, run.getNextSibling());
            }
            refresh();
            return;
        }
    }
}
