package org.jalousie.core.wording.compile;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Names;
import org.jalousie.core.messages.Message;

/**
 * How much of each kind of thing a stretch of XML holds: letters, pictures, symbols, breaks, notes, equations, objects, ends
 * of fields and bookmarks. What is made of a template is counted against the template.
 */
public final class Tally {
    private static final String[] KINDS = {
        "letters",
        "drawings",
        "symbols",
        "breaks",
        "note-marks",
        "equations",
        "objects",
        "field-marks",
        "bookmarks",
        "paragraphs",
        "tables",
        "section-ends"
    };

    public static final int LETTERS = 0;
    public static final int DRAWINGS = 1;
    static final int BREAKS = 3;
    public static final int FIELD_MARKS = 7;
    public static final int BOOKMARKS = 8;
    static final int PARAGRAPHS = 9;
    static final int SECTIONS = 11;

    private final int[] counts = new int[KINDS.length];

    /** Whether a character shows; what prints as a space of any kind may go with a tag. */
    public static boolean isLetter(char c) {
        if (c < 0x7f) return c > ' ';
        return !Names.isBlank(c);
    }

    public static Tally of(String xml) {
        Tally tally = new Tally();
        new Scanner().feed(xml, 0, xml.length(), tally);
        return tally;
    }

    public void add(Tally other) {
        for (int i = 0; i < counts.length; i++) counts[i] += other.counts[i];
    }

    public Tally copy() {
        Tally copy = new Tally();
        copy.add(this);
        return copy;
    }

    public void become(Tally other) {
        System.arraycopy(other.counts, 0, counts, 0, counts.length);
    }

    /** Counts a text that is written as words and line breaks. */
    public void words(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\n') counts[BREAKS]++;
            else if (isLetter(c)) counts[LETTERS]++;
        }
    }

    /** Counts characters of a text, as they are written in XML. */
    public void letters(String xml) {
        Scanner scanner = new Scanner();
        scanner.inText = true;
        scanner.feed(xml, 0, xml.length(), this);
    }

    public boolean has(int kind) {
        return counts[kind] > 0;
    }

    public void add(int kind, int number) {
        counts[kind] += number;
    }

    /** The kind of an element by its name in ASCII, or -1. */
    public static int kind(byte[] xml, int at, int length) {
        if (length > NAMES.length - 1 || NAMES[length] == null) return -1;
        for (Name name : NAMES[length]) {
            int i = 0;
            while (i < length && name.ascii[i] == xml[at + i]) i++;
            if (i == length) return name.kind;
        }
        return -1;
    }

    private record Name(byte[] ascii, int kind) {}

    private static final Name[][] NAMES = names(Map.ofEntries(
            Map.entry("t", LETTERS),
            Map.entry("p", PARAGRAPHS),
            Map.entry("br", BREAKS),
            Map.entry("sym", 2),
            Map.entry("tbl", 10),
            Map.entry("pict", DRAWINGS),
            Map.entry("drawing", DRAWINGS),
            Map.entry("oMath", 5),
            Map.entry("object", 6),
            Map.entry("sectPr", SECTIONS),
            Map.entry("fldChar", FIELD_MARKS),
            Map.entry("bookmarkEnd", BOOKMARKS),
            Map.entry("bookmarkStart", BOOKMARKS),
            Map.entry("endnoteReference", 4),
            Map.entry("footnoteReference", 4)));

    private static Name[][] names(Map<String, Integer> kinds) {
        Name[][] byLength = new Name[18][];
        kinds.forEach((name, kind) -> {
            Name[] before = byLength[name.length()] == null ? new Name[0] : byLength[name.length()];
            Name[] after = Arrays.copyOf(before, before.length + 1);
            after[before.length] = new Name(name.getBytes(StandardCharsets.US_ASCII), kind);
            byLength[name.length()] = after;
        });
        return byLength;
    }

    void without(int kind, int number) {
        counts[kind] -= number;
    }

    /** What this has less or more than the other, in words; empty when they are even. @param but a kind that may differ, or -1 */
    public List<Message> differences(Tally other, int but) {
        List<Message> found = new ArrayList<>();
        for (int i = 0; i < counts.length; i++) {
            if (i == but) continue;
            int less = other.counts[i] - counts[i];
            if (less == 0) continue;
            String code = less > 0 ? "tally.fewer" : "tally.more";
            found.add(Message.of(code, "count", Math.abs(less), "what", Message.of("tally." + KINDS[i])));
        }
        return found;
    }

    /** Goes through XML piece by piece; a piece may begin and end anywhere between two characters of names and markup. */
    static final class Scanner {
        private boolean inTag;
        private boolean opensText;
        private boolean inText;
        private char last;

        void feed(String xml, int from, int to, Tally into) {
            int i = from;
            while (i < to) {
                char c = xml.charAt(i);
                if (inTag) {
                    int end = xml.indexOf('>', i);
                    if (end < 0 || end >= to) {
                        last = xml.charAt(to - 1);
                        return;
                    }
                    char before = end > i ? xml.charAt(end - 1) : last;
                    inText = opensText && before != '/';
                    opensText = false;
                    inTag = false;
                    i = end + 1;
                } else if (c == '<') {
                    i = open(xml, i + 1, to, into);
                } else if (inText) {
                    i = letters(xml, i, to, into);
                } else {
                    int next = xml.indexOf('<', i);
                    i = next < 0 || next > to ? to : next;
                }
            }
        }

        private int letters(String xml, int from, int to, Tally into) {
            int i = from;
            for (; i < to; i++) {
                char c = xml.charAt(i);
                if (c == '<') break;
                if (c == '&') {
                    int end = xml.indexOf(';', i);
                    if (end > 0 && end < to) i = end;
                }
                if (isLetter(c)) into.counts[LETTERS]++;
            }
            return i;
        }

        private int open(String xml, int from, int to, Tally into) {
            inTag = true;
            inText = false;
            int start = from;
            int end = from;
            while (end < to) {
                char c = xml.charAt(end);
                if (c == ':') start = end + 1;
                else if (c == ' ' || c == '>' || c == '/' && end > from || c == '\n' || c == '\t' || c == '\r') break;
                end++;
            }
            if (end > from) last = xml.charAt(end - 1);
            if (xml.charAt(from) != '/') count(xml, start, end - start, into);
            return end;
        }

        private void count(String xml, int at, int length, Tally into) {
            byte[] name = new byte[length];
            for (int i = 0; i < length; i++) name[i] = (byte) xml.charAt(at + i);
            int kind = kind(name, 0, length);
            if (kind == LETTERS) opensText = true;
            else if (kind > 0) into.counts[kind]++;
        }
    }
}
