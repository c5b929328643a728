package org.jalousie.core.wording;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.w3c.dom.Document;
import org.w3c.dom.Node;

/** Marks left in a part's XML while it is compiled (processing instructions), and their reading into a segment tree. */
final class Markers {
    private static final String TARGET = "jalousie";
    private static final Pattern MARK = Pattern.compile("<\\?" + TARGET + " ([soc])(\\d+)\\?>");

    private final List<Segment> marked = new ArrayList<>();

    /** A mark where a value goes. */
    Node slot(Document document, Segment slot) {
        marked.add(slot);
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

    /** @throws IllegalStateException when frames cross, which the compiler has to have refused before */
    List<Segment> read(String xml) {
        Deque<List<Segment>> open = new ArrayDeque<>();
        open.push(new ArrayList<>());
        Deque<Integer> numbers = new ArrayDeque<>();
        Matcher matcher = MARK.matcher(xml);
        int at = 0;
        while (matcher.find()) {
            literal(open.peek(), xml.substring(at, matcher.start()));
            at = matcher.end();
            int number = Integer.parseInt(matcher.group(2));
            switch (matcher.group(1)) {
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
        literal(open.peek(), xml.substring(at));
        if (open.size() != 1) throw new IllegalStateException("a frame is left open");
        return List.copyOf(open.pop());
    }

    private static void literal(List<Segment> into, String xml) {
        if (!xml.isEmpty()) into.add(new Segment.Literal(xml));
    }
}
