package org.jalousie.core.wording;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.wording.compile.Boxes;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.merge.Aside;

/**
 * A printed part read as text: its words, and between them the values, the places of signing fields and where passages begin and
 * end. Made of an outline it is the wording itself, as it can be held against a text that may have been made from it.
 */
public final class PrintedText {
    /** One thing after the other, in the order of reading. */
    public sealed interface Piece {}

    /** The template's own words, with the blanks between them. */
    public record Words(String text) implements Piece {}

    /** A value. @param text what it printed; empty for a picture, and in what stands outside of text */
    public record Datum(Origin.Datum datum, String text) implements Piece {}

    /** The place of a signing field. @param number by which {@link Wording#boxes()} knows it */
    public record Box(int number) implements Piece {}

    /** A passage begins. @param number by which {@link Wording#passages()} knows it */
    public record Begin(int number) implements Piece {}

    /** The passage that began last ends. */
    public record End(int number) implements Piece {}

    /** A paragraph, or a cell of a table, ends. */
    public record Break() implements Piece {}

    /** What is deleted, instructions of fields, and copies for older programs (ISO/IEC 29500-3 §10.2.1) don't print. */
    private static final Set<String> UNSEEN = Set.of("Fallback", "del", "moveFrom", "instrText", "delText");

    private final String xml;
    private final List<Stretch> begins;
    private final Deque<Stretch> open = new ArrayDeque<>();
    private final List<Piece> pieces = new ArrayList<>();
    private final StringBuilder words = new StringBuilder();
    private int next;
    private int unseen;
    private int data;
    private boolean inText;

    private PrintedText(Wording.PrintedPart part) {
        this.xml = part.xml();
        this.begins = part.stretches().stream()
                .filter(one -> !(one.origin() instanceof Origin.Clause))
                .sorted(Comparator.comparingInt(Stretch::from).thenComparing(one -> -one.to()))
                .toList();
    }

    public static List<Piece> of(Wording.PrintedPart part) {
        PrintedText text = new PrintedText(part);
        text.read();
        return List.copyOf(text.pieces);
    }

    private void read() {
        int at = 0;
        while (at < xml.length()) {
            stretchesAt(at);
            boolean tag = xml.charAt(at) == '<';
            int end = tag ? xml.indexOf('>', at) + 1 : xml.indexOf('<', at);
            if (end <= 0) end = xml.length();
            if (tag) tag(at, end);
            else if (inText && unseen == 0 && !isAside(at, end)) words.append(SafeXml.unescape(xml.substring(at, end)));
            at = end;
        }
        stretchesAt(xml.length());
        settle();
    }

    /** Marks that an outline sets round passages are none of its words. */
    private boolean isAside(int from, int to) {
        return to - from == 1 && (xml.charAt(from) == Aside.OPEN || xml.charAt(from) == Aside.CLOSE);
    }

    private void stretchesAt(int at) {
        while (!open.isEmpty() && open.peek().to() <= at) ends(open.pop());
        for (; next < begins.size() && begins.get(next).from() <= at; next++) {
            Stretch one = begins.get(next);
            while (!open.isEmpty() && open.peek().to() <= one.from()) ends(open.pop());
            open.push(one);
            if (one.origin() instanceof Origin.Datum && data++ == 0) settle();
            else if (one.origin() instanceof Origin.Printing printing && data == 0) put(new Begin(printing.number()));
        }
    }

    private void ends(Stretch one) {
        if (one.origin() instanceof Origin.Datum datum) {
            if (--data > 0) return;
            pieces.add(new Datum(datum, words.toString()));
            words.setLength(0);
        } else if (one.origin() instanceof Origin.Printing printing && data == 0) put(new End(printing.number()));
    }

    private void tag(int at, int end) {
        boolean closes = xml.charAt(at + 1) == '/';
        boolean empty = xml.charAt(end - 2) == '/';
        String name = name(at + (closes ? 2 : 1), end);
        if (UNSEEN.contains(name)) {
            if (!empty) unseen += closes ? -1 : 1;
            return;
        }
        switch (name) {
            case "t" -> inText = !closes && !empty;
            case "p", "tc" -> {
                if ((closes || empty) && data == 0) put(new Break());
                else if (closes) words.append('\n');
            }
            case "tab", "br", "cr" -> words.append(' ');
            case "noBreakHyphen" -> words.append('-');
            default -> {
                Optional<Integer> box = unseen > 0 ? Optional.empty() : Boxes.named(xml, at, end);
                box.ifPresent(number -> put(new Box(number)));
            }
        }
    }

    private String name(int from, int end) {
        int start = from;
        for (int i = from; i < end; i++) {
            char c = xml.charAt(i);
            if (c == ':') start = i + 1;
            else if (!Character.isLetterOrDigit(c)) return xml.substring(start, i);
        }
        return "";
    }

    private void put(Piece piece) {
        settle();
        pieces.add(piece);
    }

    private void settle() {
        if (!words.isEmpty()) pieces.add(new Words(words.toString()));
        words.setLength(0);
    }
}
