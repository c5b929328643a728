package org.jalousie.core.wording.compile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.wording.tags.Settling;
import org.w3c.dom.Document;
import org.w3c.dom.Node;

/**
 * Marks left in a part's XML while it is compiled, and their reading into a segment tree: processing instructions between
 * elements, and noncharacters (Unicode §23.7) within characters and attributes. {@link Settling} sees to it that the file
 * itself brings neither.
 */
final class SectionMarkers {
    private static final String TARGET = "jalousie";
    private static final char OPEN = '\ufdd4';
    private static final char CLOSE = '\ufdd5';
    private static final Pattern MARK =
            Pattern.compile("<\\?" + TARGET + " ([soc])(\\d+)\\?>|" + OPEN + "([soc])(\\d+)" + CLOSE);

    private final List<Segment> marked = new ArrayList<>();

    /** A mark among characters where a segment goes. */
    String slot(Segment segment) {
        marked.add(segment);
        return mark('s', marked.size() - 1);
    }

    /** The mark among characters at which a frame begins. */
    static String opens(int number) {
        return mark('o', number);
    }

    /** The mark among characters at which a frame ends. */
    static String closes(int number) {
        return mark('c', number);
    }

    private static String mark(char kind, int number) {
        return OPEN + "" + kind + number + CLOSE;
    }

    /** A mark between elements where a segment goes. */
    Node place(Document document, Segment segment) {
        marked.add(segment);
        return document.createProcessingInstruction(TARGET, "s" + (marked.size() - 1));
    }

    /** Wraps the stretch from before {@code first} to after {@code last}, which are siblings. */
    void wrap(Node first, Node last, Segment frame) {
        int number = frame(frame);
        Document document = first.getOwnerDocument();
        Node parent = first.getParentNode();
        parent.insertBefore(begin(document, number), first);
        parent.insertBefore(end(document, number), last.getNextSibling());
    }

    /** Takes a frame whose two ends are put in place by the caller; returns its number. */
    int frame(Segment frame) {
        marked.add(frame);
        return marked.size() - 1;
    }

    static Node begin(Document document, int number) {
        return document.createProcessingInstruction(TARGET, "o" + number);
    }

    static Node end(Document document, int number) {
        return document.createProcessingInstruction(TARGET, "c" + number);
    }

    /** The frame that begins at a node, or null. */
    Segment beginsAt(Node node) {
        return isMark(node, 'o') ? marked.get(number(node)) : null;
    }

    /** The frame that ends at a node, or null. */
    Segment endsAt(Node node) {
        return isMark(node, 'c') ? marked.get(number(node)) : null;
    }

    private static boolean isMark(Node node, char kind) {
        return node.getNodeType() == Node.PROCESSING_INSTRUCTION_NODE
                && node.getNodeName().equals(TARGET)
                && node.getNodeValue().charAt(0) == kind;
    }

    private static int number(Node node) {
        return Integer.parseInt(node.getNodeValue().substring(1));
    }

    /** Where a frame whose beginning is here ends. */
    static Node partner(Node begin) {
        String end = "c" + begin.getNodeValue().substring(1);
        for (Node next = begin.getNextSibling(); next != null; next = next.getNextSibling()) {
            if (isMark(next, 'c') && next.getNodeValue().equals(end)) return next;
        }
        throw new IllegalStateException("frames cross");
    }

    boolean isEmpty() {
        return marked.isEmpty();
    }

    /** @throws IllegalStateException when frames cross, which the compiler has to have refused before */
    List<Segment> read(String xml) {
        Deque<List<Segment>> open = new ArrayDeque<>();
        open.push(new ArrayList<>());
        Deque<Integer> numbers = new ArrayDeque<>();
        Matcher matcher = MARK.matcher(xml);
        Tally.Scanner scanner = new Tally.Scanner();
        int at = 0;
        while (matcher.find()) {
            literal(open.peek(), xml, at, matcher.start(), scanner);
            at = matcher.end();
            boolean between = matcher.group(1) != null;
            int number = Integer.parseInt(matcher.group(between ? 2 : 4));
            switch (matcher.group(between ? 1 : 3)) {
                case "s" -> open.peek().add(marked.get(number));
                case "o" -> {
                    open.push(new ArrayList<>());
                    numbers.push(number);
                }
                default -> {
                    if (numbers.isEmpty() || numbers.pop() != number) throw new IllegalStateException("frames cross");
                    List<Segment> body = open.pop();
                    open.peek().add(marked.get(number).with(List.copyOf(body)));
                }
            }
        }
        literal(open.peek(), xml, at, xml.length(), scanner);
        if (open.size() != 1) throw new IllegalStateException("a frame is left open");
        return List.copyOf(open.pop());
    }

    private static void literal(List<Segment> into, String xml, int from, int to, Tally.Scanner scanner) {
        if (from == to) return;
        Tally holds = new Tally();
        scanner.feed(xml, from, to, holds);
        into.add(new Segment.Literal(xml.substring(from, to), holds));
    }
}
