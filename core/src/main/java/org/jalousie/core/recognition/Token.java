package org.jalousie.core.recognition;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A word, or a mark between words, as two texts are compared.
 *
 * @param shown as it stands
 * @param plain without what typing it again may change: capitals, ligatures, the form of quotes and dashes, hyphens within
 * @param folded as {@code plain}, with letters and figures that look alike in print made one
 * @param word whether it has letters or figures
 * @param spaced whether there is a blank before it
 */
public record Token(String shown, String plain, String folded, boolean word, boolean spaced) {
    /** A word with the hyphens and apostrophes in it; a letter of a script that has no blanks between words; a mark. */
    private static final Pattern ONE = Pattern.compile("[\\p{IsHan}\\p{IsHiragana}\\p{IsKatakana}]"
            + "|[\\p{L}\\p{N}&&[^\\p{IsHan}\\p{IsHiragana}\\p{IsKatakana}]][\\p{L}\\p{M}\\p{N}&&[^\\p{IsHan}\\p{IsHiragana}\\p{IsKatakana}]]*"
            + "(?:(?:[-'\\u2019\\u2010\\u2011\\u00ad]|(?<=\\p{N})[.,](?=\\p{N}))[\\p{L}\\p{N}][\\p{L}\\p{M}\\p{N}]*)*"
            + "|[^\\s\\u00a0\\u202f\\p{L}\\p{N}\\p{Cf}]");

    private static final Pattern LIGATURE = Pattern.compile("[\\ufb00-\\ufb06]");
    private static final Pattern WITHIN = Pattern.compile("[-'\\u2019\\u2010\\u2011\\u00ad]");

    static List<Token> of(String text) {
        List<Token> tokens = new ArrayList<>();
        int end = 0;
        for (Matcher one = ONE.matcher(text); one.find(); end = one.end())
            tokens.add(of(one.group(), one.start() > end));
        return tokens;
    }

    private static Token of(String shown, boolean spaced) {
        boolean word = Character.isLetterOrDigit(shown.codePointAt(0));
        String plain = word ? plainWord(shown) : plainMark(shown);
        return new Token(shown, plain, word ? folded(plain) : plain, word, spaced);
    }

    /** The same with a blank before it, or without one. */
    Token spaced(boolean blank) {
        return new Token(shown, plain, folded, word, blank);
    }

    private static String plainWord(String word) {
        String plain = Normalizer.normalize(word, Normalizer.Form.NFKC).toLowerCase(Locale.ROOT);
        return WITHIN.matcher(plain).replaceAll("");
    }

    private static String plainMark(String mark) {
        return switch (mark) {
            case "\u201c", "\u201d", "\u201e", "\u00ab", "\u00bb" -> "\"";
            case "\u2018", "\u2019", "\u201a" -> "'";
            case "\u2010", "\u2011", "\u2012", "\u2013", "\u2014", "\u2015", "\u2212" -> "-";
            default -> Normalizer.normalize(mark, Normalizer.Form.NFKC);
        };
    }

    /** Pairs that readers of scanned pages take for one another (common practice, no source). */
    private static String folded(String plain) {
        return plain.replace("rn", "m")
                .replace("vv", "w")
                .replace('0', 'o')
                .replace('1', 'l')
                .replace('i', 'l')
                .replace('5', 's')
                .replace('8', 'b');
    }

    /**
     * How far a word is from being another one: 0 the same, a little for one that only looks alike or has a letter changed, 1 for
     * another word altogether.
     */
    double distance(Token other) {
        if (plain.equals(other.plain)) return 0;
        if (word != other.word) return 1;
        if (!word) return 1;
        if (folded.equals(other.folded)) return 0.1;
        int longest = Math.max(folded.length(), other.folded.length());
        if (longest < 4 || Math.abs(folded.length() - other.folded.length()) > longest / 4 + 1) return 1;
        // both ends of one word are hardly ever wrong, and most pairs of words are told apart by them
        if (folded.charAt(0) != other.folded.charAt(0)
                && folded.charAt(folded.length() - 1) != other.folded.charAt(other.folded.length() - 1)) return 1;
        int edits = edits(folded, other.folded, longest / 4 + 1);
        return edits <= 1 ? 0.3 : edits <= longest / 4 ? 0.5 : 1;
    }

    /** Letters that have to be changed, put in or taken out (Levenshtein 1966), as far as they are no more than {@code most}. */
    private static int edits(String one, String other, int most) {
        int[] row = new int[other.length() + 1];
        for (int k = 0; k < row.length; k++) row[k] = k;
        for (int i = 1; i <= one.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            int least = i;
            for (int k = 1; k < row.length; k++) {
                int changed = diagonal + (one.charAt(i - 1) == other.charAt(k - 1) ? 0 : 1);
                diagonal = row[k];
                row[k] = Math.min(changed, 1 + Math.min(row[k], row[k - 1]));
                least = Math.min(least, row[k]);
            }
            if (least > most) return least;
        }
        return row[other.length()];
    }

    /** The text of tokens that follow one another, letters that a font has joined told apart. */
    static String text(List<Token> tokens) {
        StringBuilder text = new StringBuilder();
        for (Token token : tokens) {
            if (token.spaced && !text.isEmpty()) text.append(' ');
            text.append(token.shown);
        }
        return LIGATURE.matcher(text).replaceAll(joined -> Normalizer.normalize(joined.group(), Normalizer.Form.NFKC));
    }
}
