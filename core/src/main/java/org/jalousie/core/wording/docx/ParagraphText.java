package org.jalousie.core.wording.docx;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * The text of one Word paragraph over all its runs, and the cutting of runs so that a stretch of it stands alone. Places
 * are those of the text as it was found, whatever has been cut since.
 */
public final class ParagraphText {
    /** Deleted text, properties, and what holds paragraphs or words of its own. */
    private static final Set<String> NOT_TEXT =
            Set.of("p", "pPr", "rPr", "del", "moveFrom", "drawing", "pict", "object", "AlternateContent", "instrText");

    private static final Set<String> HOLDERS = Set.of("p", "drawing", "pict", "object", "AlternateContent");

    private final Element paragraph;
    private final NavigableMap<Integer, Piece> pieces = new TreeMap<>();
    private final List<Anchor> anchors = new ArrayList<>();
    private final String original;

    private record Piece(Element node, int start, int end) {}

    /** Something in a run that may hold words of its own, or leads to some: a drawing, a note's mark. @param offset in the text */
    public record Anchor(int offset, Element element) {}

    public ParagraphText(Element paragraph) {
        this.paragraph = paragraph;
        StringBuilder all = new StringBuilder();
        collect(paragraph, all);
        original = all.toString();
    }

    /** The text as it was found, before any cutting; tags' places refer to it. */
    public String original() {
        return original;
    }

    public Element paragraph() {
        return paragraph;
    }

    public List<Anchor> anchors() {
        return anchors;
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
                case "footnoteReference", "endnoteReference" -> anchors.add(new Anchor(all.length(), element));
                default -> {
                    if (HOLDERS.contains(name)) anchors.add(new Anchor(all.length(), element));
                    if (!NOT_TEXT.contains(name)) collect(element, all);
                }
            }
            if (hasPlain(element, name)) anchors.add(new Anchor(all.length(), element));
        }
    }

    /** Whether tags may stand in an element's attributes, its code or its address. */
    private static boolean hasPlain(Element element, String name) {
        if (HOLDERS.contains(name)) return false;
        if (name.equals("instrText")) return element.getTextContent().contains("{{");
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Node attribute = element.getAttributes().item(i);
            if (attribute.getNodeValue().contains("{{")) return true;
        }
        return name.equals("hyperlink");
    }

    /** Whether words may stand within that are none of this paragraph's. */
    public static boolean holdsOthers(Node element) {
        return HOLDERS.contains(Word.local(element));
    }

    private void add(Element node, String content, StringBuilder all) {
        if (!Word.local((Element) node.getParentNode()).equals("r") || content.isEmpty()) return;
        pieces.put(all.length(), new Piece(node, all.length(), all.length() + content.length()));
        all.append(content);
    }

    /** Cuts at all these places at once, which for many is far less work than one after the other. */
    public void cutAt(Collection<Integer> places) {
        NavigableMap<Integer, List<Integer>> inside = new TreeMap<>();
        TreeSet<Integer> ordered = new TreeSet<>(places);
        for (int place : ordered) {
            Map.Entry<Integer, Piece> at = pieces.lowerEntry(place);
            if (at != null && place < at.getValue().end)
                inside.computeIfAbsent(at.getKey(), key -> new ArrayList<>()).add(place);
        }
        inside.forEach((start, cuts) -> cutText(pieces.get(start), cuts));
        for (int place : ordered.descendingSet()) {
            Piece piece = pieces.get(place);
            if (piece != null) splitBefore(piece.node);
        }
    }

    private void cutText(Piece piece, Collection<Integer> places) {
        String content = piece.node.getTextContent();
        Node run = piece.node.getParentNode();
        Node next = piece.node.getNextSibling();
        int from = piece.start;
        Element node = piece.node;
        List<Integer> ends = new ArrayList<>(places);
        ends.add(piece.end);
        for (int to : ends) {
            if (from > piece.start) {
                node = (Element) piece.node.cloneNode(false);
                run.insertBefore(node, next);
            }
            Word.setText(node, content.substring(from - piece.start, to - piece.start));
            pieces.put(from, new Piece(node, from, to));
            from = to;
        }
    }

    /** Lets a node begin a run of its own when something stands before it in its run; returns that run. */
    public static Element splitBefore(Element node) {
        Element run = (Element) node.getParentNode();
        return Word.hasContentBefore(run, node) ? splitRun(run, node) : run;
    }

    /** Lets a node end its run. */
    public static void splitAfter(Element node) {
        if (node.getNextSibling() != null) splitRun((Element) node.getParentNode(), node.getNextSibling());
    }

    /** Moves everything from a node on into a new run of the same look. */
    private static Element splitRun(Element run, Node from) {
        Element right = (Element) run.cloneNode(false);
        Element properties = Word.properties(run);
        if (properties != null) right.appendChild(properties.cloneNode(true));
        for (Node move = from; move != null; ) {
            Node next = move.getNextSibling();
            right.appendChild(move);
            move = next;
        }
        run.getParentNode().insertBefore(right, run.getNextSibling());
        return right;
    }

    /**
     * Cuts runs so that exactly {@code [start, end)} stands in one run of its own, in the look of its first character,
     * and empties that run. What shares its runs with these characters and is none (a picture, a note's mark) stays beside it.
     *
     * @return the run, holding only its properties
     */
    public Element isolate(int start, int end) {
        cutAt(Arrays.asList(start, end));
        List<Piece> covered = List.copyOf(pieces.subMap(start, end).values());
        Element first = (Element) covered.get(0).node.getParentNode();
        for (Piece piece : covered) {
            Element run = (Element) piece.node.getParentNode();
            run.removeChild(piece.node);
            pieces.remove(piece.start);
            if (run != first && !Word.hasContent(run)) run.getParentNode().removeChild(run);
        }
        Node rest = Word.firstContent(first);
        if (rest != null) splitRun(first, rest);
        return first;
    }

    private static boolean isText(Node node) {
        return Set.of("t", "tab", "ptab", "br", "cr", "noBreakHyphen").contains(Word.local(node));
    }

    /** The run that ends at the offset after cutting there, or at 0 the first run; null when there is none. */
    public Element runAt(int offset) {
        cutAt(List.of(offset));
        Map.Entry<Integer, Piece> before = pieces.lowerEntry(offset);
        if (before == null) before = pieces.firstEntry();
        return before == null ? null : (Element) before.getValue().node.getParentNode();
    }

    /** Cuts runs so that {@code [start, end)} stands in runs of its own; returns them, words kept. */
    public List<Element> cut(int start, int end) {
        cutAt(Arrays.asList(start, end));
        List<Element> runs = new ArrayList<>();
        for (Piece piece : pieces.subMap(start, end).values()) {
            Element run = (Element) piece.node.getParentNode();
            Node next = piece.node.getNextSibling();
            if (next != null && !isText(next)) splitRun(run, next);
            if (runs.isEmpty() || runs.get(runs.size() - 1) != run) runs.add(run);
        }
        return runs;
    }
}
