package org.jalousie.core.provenance;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * The paragraphs of a merged part as they will be printed, each letter with its place in the part's XML. Reads the XML in one
 * pass: it is our own and well-formed.
 */
final class StoryText {
    private final String xml;
    private final List<Letters> paragraphs = new ArrayList<>();
    private final List<Letters> boxed = new ArrayList<>();
    private final Deque<Letters> open = new ArrayDeque<>();
    private int skipped;
    private boolean inText;
    private boolean hidden;

    private StoryText(String xml) {
        this.xml = xml;
    }

    static StoryText of(String xml) {
        StoryText story = new StoryText(xml);
        story.read();
        return story;
    }

    /** The name of a part's outermost element, without its prefix. */
    static String root(String xml) {
        int at = xml.indexOf('<');
        while (at >= 0 && (xml.charAt(at + 1) == '?' || xml.charAt(at + 1) == '!')) at = xml.indexOf('<', at + 1);
        return at < 0 ? "" : name(xml, at + 1, xml.indexOf('>', at));
    }

    /** The paragraphs that print something, in the order of the file. */
    List<Letters> paragraphs() {
        return paragraphs;
    }

    /** Those within text boxes, which stand on the page wherever their box does. */
    List<Letters> boxed() {
        return boxed;
    }

    private void read() {
        int at = 0;
        while (at < xml.length()) {
            if (xml.charAt(at) == '<') {
                int end = xml.indexOf('>', at);
                tag(at, end);
                at = end + 1;
            } else {
                int end = xml.indexOf('<', at);
                if (end < 0) end = xml.length();
                if (inText && skipped == 0 && !hidden && !open.isEmpty()) text(at, end);
                at = end;
            }
        }
    }

    private void tag(int at, int end) {
        boolean closes = xml.charAt(at + 1) == '/';
        boolean empty = xml.charAt(end - 1) == '/';
        String name = name(xml, at + (closes ? 2 : 1), end);
        switch (name) {
            // what is deleted, an instruction of a field, and copies for older programs (ISO/IEC 29500-3 §10.2.1) don't
            // print
            case "Fallback", "del", "moveFrom", "instrText", "delText" -> {
                if (!empty) skipped += closes ? -1 : 1;
            }
            case "p" -> {
                if (closes) close();
                else if (!empty) open.push(new Letters());
            }
            case "t" -> inText = !closes && !empty;
            case "r" -> hidden = false;
            case "vanish" -> hidden = !closes && !turnedOff(at, end);
            case "noBreakHyphen" -> {
                if (skipped == 0 && !hidden && !open.isEmpty()) open.peek().add('-', at);
            }
            default -> {}
        }
    }

    private void close() {
        Letters done = open.pop();
        if (done.length() > 0) (open.isEmpty() ? paragraphs : boxed).add(done);
    }

    private boolean turnedOff(int at, int end) {
        String tag = xml.substring(at, end);
        return tag.contains("val=\"0\"") || tag.contains("val=\"false\"") || tag.contains("val=\"off\"");
    }

    private static String name(String xml, int from, int end) {
        int start = from;
        int i = from;
        for (; i < end; i++) {
            char c = xml.charAt(i);
            if (c == ':') start = i + 1;
            else if (c == ' ' || c == '/' || c == '\n' || c == '\t' || c == '\r') break;
        }
        return xml.substring(start, i);
    }

    private void text(int from, int to) {
        Letters into = open.peek();
        for (int i = from; i < to; ) {
            int code = xml.codePointAt(i);
            int next = i + Character.charCount(code);
            if (code == '&') {
                next = xml.indexOf(';', i) + 1;
                code = entity(xml.substring(i + 1, next - 1));
            }
            into.add(code, i);
            i = next;
        }
    }

    private static int entity(String name) {
        return switch (name) {
            case "lt" -> '<';
            case "gt" -> '>';
            case "amp" -> '&';
            case "quot" -> '"';
            case "apos" -> '\'';
            default ->
                name.startsWith("#x")
                        ? Integer.parseInt(name.substring(2), 16)
                        : name.startsWith("#") ? Integer.parseInt(name.substring(1)) : ' ';
        };
    }
}
