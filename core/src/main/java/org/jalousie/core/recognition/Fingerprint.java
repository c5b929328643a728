package org.jalousie.core.recognition;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What a text is known by among thousands: how it begins and ends (the first and last 25 words; common practice, no source), and
 * marks of a part of all its stretches of letters, chosen by the marks themselves (A. Broder, On the resemblance and containment
 * of documents, 1997). Blanks and line ends are not among the letters, so that a text that is set anew has the same marks.
 *
 * @param begins its first words, {@code ends} its last
 * @param marks in order, each once
 */
public record Fingerprint(List<String> begins, List<String> ends, int[] marks) {
    /** By which the making of fingerprints is known: those that were made another way are made again. */
    public static final int EDITION = 1;

    static final int EDGE_WORDS = 25;

    /** Letters of one stretch. */
    private static final int STRETCH = 9;

    /** One of so many stretches leaves its mark. */
    private static final int ONE_OF = 4;

    public static Fingerprint of(TemplateText template) {
        return of(template.ownWords(), template.runs(), EDGE_WORDS);
    }

    /** @param edge how many words of its beginning and end are looked at; values may stand among them */
    static Fingerprint of(FileText file, int edge) {
        List<Token> all = file.words().stream().map(FileText.Seen::token).toList();
        return of(all.stream().filter(Token::word).toList(), List.of(all), edge);
    }

    private static Fingerprint of(List<Token> words, List<List<Token>> runs, int edge) {
        int some = Math.min(edge, words.size());
        IntStream.Builder marks = IntStream.builder();
        for (List<Token> run : runs) {
            StringBuilder letters = new StringBuilder();
            for (Token token : run) if (token.word()) letters.append(token.folded());
            for (int at = 0; at + STRETCH <= letters.length(); at++) {
                int mark = mark(letters, at);
                if (mark % ONE_OF == 0) marks.add(mark);
            }
        }
        return new Fingerprint(
                words.subList(0, some).stream().map(Token::folded).toList(),
                words.subList(words.size() - some, words.size()).stream()
                        .map(Token::folded)
                        .toList(),
                marks.build().sorted().distinct().toArray());
    }

    /** FNV-1a (draft-eastlake-fnv §2), its bits mixed so that the last of them tell as much as the first. */
    private static int mark(StringBuilder letters, int at) {
        int hash = 0x811c9dc5;
        for (int i = at; i < at + STRETCH; i++) hash = (hash ^ letters.charAt(i)) * 0x01000193;
        return hash ^ hash >>> 16;
    }

    /** How many marks both have. */
    int inCommon(Fingerprint other) {
        int common = 0;
        for (int i = 0, k = 0; i < marks.length && k < other.marks.length; ) {
            if (marks[i] == other.marks[k]) {
                common++;
                i++;
                k++;
            } else if (marks[i] < other.marks[k]) {
                i++;
            } else {
                k++;
            }
        }
        return common;
    }

    /** As it is kept. */
    public byte[] bytes() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(4 * marks.length + 600);
        try (DataOutputStream out = new DataOutputStream(bytes)) {
            for (List<String> some : List.of(begins, ends)) {
                out.writeInt(some.size());
                for (String word : some) out.writeUTF(word);
            }
            out.writeInt(marks.length);
            for (int mark : marks) out.writeInt(mark);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** Reads what {@link #bytes()} wrote. */
    public static Fingerprint read(byte[] bytes) {
        try (DataInputStream in = new DataInputStream(new ByteArrayInputStream(bytes))) {
            List<String> begins = words(in);
            List<String> ends = words(in);
            int[] marks = new int[in.readInt()];
            for (int i = 0; i < marks.length; i++) marks[i] = in.readInt();
            return new Fingerprint(begins, ends, marks);
        } catch (IOException e) {
            throw new UncheckedIOException("a fingerprint can't be read", e);
        }
    }

    private static List<String> words(DataInputStream in) throws IOException {
        List<String> words = new ArrayList<>();
        for (int count = in.readInt(); count > 0; count--) words.add(in.readUTF());
        return List.copyOf(words);
    }
}
