package org.jalousie.core.lettering;

import com.ibm.icu.text.BreakIterator;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Room for words, in points. They are set as large as asked and smaller until they fit, on one line or on many, down to a size
 * that can still be read.
 *
 * @param largest the type size that is wished
 * @param manyLines whether they may go on below
 */
public record TextBox(float width, float height, float largest, boolean manyLines) {
    /** The smallest size that is printed (common practice for small print, no source). */
    public static final float SMALLEST = 6;

    /** Left free at both sides. */
    public static final float SIDE = 2;

    /** From one line to the next, in sizes of the type. */
    public static final float LEADING = 1.25f;

    private static final float STEP = 0.5f;

    // no letter that is read is narrower on the average: longer texts needn't be measured
    private static final float NARROWEST = 0.1f;

    /** Words as they are set in a box. @param size in points */
    public record Block(List<SetLine> lines, float size) {}

    /** The words as they are set; empty when they don't fit. */
    public Optional<Block> set(String words, TypeSetter setter) {
        float room = width - 2 * SIDE;
        float mostLetters = room / (SMALLEST * NARROWEST) * (manyLines ? mostLines(SMALLEST) : 1);
        if (room <= 0 || words.length() > Math.max(1, mostLetters)) return Optional.empty();
        return manyLines ? many(words, room, setter) : one(words, room, setter);
    }

    /** The words as they are set, beyond the room where they don't fit. */
    public Block setAnyway(String words, TypeSetter setter) {
        return set(words, setter).orElseGet(() -> {
            SetLine line = setter.line(words.replace('\n', ' '));
            return new Block(List.of(line), Math.min(SMALLEST, (width - 2 * SIDE) * 1000 / Math.max(1, line.width())));
        });
    }

    /** Words broken into lines of a width at one size, both in points; a word that is wider is broken between letters. */
    public static List<SetLine> lines(String words, float width, float size, TypeSetter setter) {
        List<SetLine> lines = new ArrayList<>();
        for (String paragraph : words.split("\n", -1))
            broken(pieces(paragraph, setter), width * 1000 / size, setter)
                    .forEach(line -> lines.add(setter.line(line)));
        return lines;
    }

    /** How many lines of a size there is room for. @param size in points */
    public int mostLines(float size) {
        return Math.max(1, (int) (height / (size * LEADING)));
    }

    private Optional<Block> one(String words, float room, TypeSetter setter) {
        SetLine line = setter.line(words.replace('\n', ' '));
        float size = Math.min(largest, line.width() == 0 ? largest : room * 1000 / line.width());
        return size < SMALLEST ? Optional.empty() : Optional.of(new Block(List.of(line), size));
    }

    private Optional<Block> many(String words, float room, TypeSetter setter) {
        List<List<Piece>> paragraphs = new ArrayList<>();
        for (String paragraph : words.replace("\r", "").split("\n", -1)) paragraphs.add(pieces(paragraph, setter));
        for (float size = largest; size >= SMALLEST; size -= STEP) {
            List<String> lines = new ArrayList<>();
            for (List<Piece> paragraph : paragraphs) lines.addAll(broken(paragraph, room * 1000 / size, setter));
            if (lines.size() <= mostLines(size))
                return Optional.of(new Block(lines.stream().map(setter::line).toList(), size));
        }
        return Optional.empty();
    }

    /** What stays together on a line, with the blanks behind it. */
    private record Piece(String text, float width, float bareWidth) {}

    private static Piece piece(String text, TypeSetter setter) {
        return new Piece(
                text,
                setter.line(text).width(),
                setter.line(text.stripTrailing()).width());
    }

    private static List<Piece> pieces(String paragraph, TypeSetter setter) {
        return split(paragraph, BreakIterator.getLineInstance(Locale.ROOT)).stream()
                .map(text -> piece(text, setter))
                .toList();
    }

    private static List<String> split(String text, BreakIterator breaks) {
        List<String> all = new ArrayList<>();
        breaks.setText(text);
        int from = 0;
        for (int to = breaks.next(); to != BreakIterator.DONE; to = breaks.next()) {
            all.add(text.substring(from, to));
            from = to;
        }
        return all;
    }

    private static List<String> broken(List<Piece> pieces, float room, TypeSetter setter) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        float filled = 0;
        for (Piece whole : pieces) {
            for (Piece piece : whole.bareWidth() <= room ? List.of(whole) : letters(whole, setter)) {
                if (line.length() > 0 && filled + piece.bareWidth() > room) {
                    lines.add(line.toString().stripTrailing());
                    line.setLength(0);
                    filled = 0;
                }
                line.append(piece.text());
                filled += piece.width();
            }
        }
        lines.add(line.toString().stripTrailing());
        return lines;
    }

    /** A word that is wider than the box is broken between letters. */
    private static List<Piece> letters(Piece word, TypeSetter setter) {
        return split(word.text(), BreakIterator.getCharacterInstance(Locale.ROOT)).stream()
                .map(text -> piece(text, setter))
                .toList();
    }
}
