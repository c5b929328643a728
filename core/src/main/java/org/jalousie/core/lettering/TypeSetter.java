package org.jalousie.core.lettering;

import java.awt.font.GlyphVector;
import java.awt.geom.Point2D;
import java.text.Bidi;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Sets words in letters: each stretch in the first font that has its letters, from right to left where the script runs so (Unicode
 * Standard Annex 9), joined and placed as the font says.
 */
public final class TypeSetter {
    // what the Java runtime gives for characters that take up no room
    private static final int NO_LETTER = 0xFFFE;

    private final Typefaces typefaces;

    TypeSetter(Typefaces typefaces) {
        this.typefaces = typefaces;
    }

    /** One that sets in the fonts of this machine. */
    public static TypeSetter here() {
        return new TypeSetter(Typefaces.here());
    }

    /** One that sets in letters of a style, and in others of this machine where that has none. */
    public static TypeSetter here(TypeStyle style) {
        return new TypeSetter(Typefaces.here(style));
    }

    private record Stretch(Typeface typeface, int from, int to, boolean rightToLeft) {}

    /** One line; what no font has is a question mark. */
    public SetLine line(String words) {
        String text = printable(words);
        char[] characters = text.toCharArray();
        List<SetLine.Run> runs = new ArrayList<>();
        float x = 0;
        for (Stretch stretch : inSight(text)) {
            GlyphVector shaped =
                    stretch.typeface().shape(characters, stretch.from(), stretch.to(), stretch.rightToLeft());
            runs.add(run(stretch, text.substring(stretch.from(), stretch.to()), shaped, x));
            x += (float) shaped.getGlyphPosition(shaped.getNumGlyphs()).getX();
        }
        return new SetLine(text, runs, x);
    }

    private static SetLine.Run run(Stretch stretch, String text, GlyphVector shaped, float x) {
        int count = shaped.getNumGlyphs();
        TreeSet<Integer> begins = new TreeSet<>();
        for (int i = 0; i < count; i++) begins.add(shaped.getGlyphCharIndex(i));
        Set<Integer> told = new HashSet<>();
        List<SetLine.Letter> letters = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            if (shaped.getGlyphCode(i) >= NO_LETTER) continue;
            int from = shaped.getGlyphCharIndex(i);
            Integer to = begins.higher(from);
            String says = told.add(from) ? text.substring(from, to == null ? text.length() : to) : "";
            Point2D at = shaped.getGlyphPosition(i);
            letters.add(new SetLine.Letter(shaped.getGlyphCode(i), x + (float) at.getX(), (float) -at.getY(), says));
        }
        boolean plain = letters.size() == text.length() && !stretch.rightToLeft();
        return new SetLine.Run(stretch.typeface(), letters, text, stretch.rightToLeft(), plain);
    }

    /** The text as it is set: letters with their marks as one character, and nothing that no font has. */
    String printable(String words) {
        StringBuilder out = new StringBuilder();
        composed(words).codePoints().forEach(c -> {
            if (Character.isISOControl(c)) out.append(' ');
            else out.appendCodePoint(has(c) ? c : '?');
        });
        return out.toString();
    }

    /** Whether some font has a letter for it, or it takes up no room. */
    boolean has(int codePoint) {
        return switch (Character.getType(codePoint)) {
            case Character.FORMAT -> true;
            case Character.UNASSIGNED, Character.SURROGATE, Character.PRIVATE_USE, Character.CONTROL -> false;
            default -> typefaces.with(codePoint).isPresent();
        };
    }

    static String composed(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFC);
    }

    private List<Stretch> inSight(String text) {
        if (text.isEmpty()) return List.of();
        Bidi bidi = new Bidi(text, Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT);
        int count = bidi.getRunCount();
        byte[] levels = new byte[count];
        Integer[] order = new Integer[count];
        for (int i = 0; i < count; i++) {
            levels[i] = (byte) bidi.getRunLevel(i);
            order[i] = i;
        }
        Bidi.reorderVisually(levels, 0, order, 0, count);
        List<Stretch> all = new ArrayList<>();
        for (int run : order) {
            boolean rightToLeft = bidi.getRunLevel(run) % 2 == 1;
            List<Stretch> own = byTypeface(text, bidi.getRunStart(run), bidi.getRunLimit(run), rightToLeft);
            if (rightToLeft) java.util.Collections.reverse(own);
            all.addAll(own);
        }
        return all;
    }

    private List<Stretch> byTypeface(String text, int from, int to, boolean rightToLeft) {
        List<Stretch> own = new ArrayList<>();
        Typeface now = null;
        int begun = from;
        int length;
        for (int at = from; at < to; at += length) {
            int c = text.codePointAt(at);
            length = Character.charCount(c);
            Typeface best = best(c, now);
            if (now != null && best != now) {
                own.add(new Stretch(now, begun, at, rightToLeft));
                begun = at;
            }
            now = best;
        }
        own.add(new Stretch(now, begun, to, rightToLeft));
        return own;
    }

    /** Marks, blanks and signs stay with the letters before them where that font has them. */
    private Typeface best(int codePoint, Typeface now) {
        if (now != null
                && (goesAlong(codePoint) && now.has(codePoint) || Character.getType(codePoint) == Character.FORMAT))
            return now;
        Optional<Typeface> found = typefaces.with(codePoint);
        return found.orElse(now == null ? typefaces.house() : now);
    }

    private static boolean goesAlong(int codePoint) {
        Character.UnicodeScript script = Character.UnicodeScript.of(codePoint);
        return script == Character.UnicodeScript.COMMON || script == Character.UnicodeScript.INHERITED;
    }
}
