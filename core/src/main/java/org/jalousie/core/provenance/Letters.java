package org.jalousie.core.provenance;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What is printed, letter by letter, in a form in which a Word file and its finished pages can be compared: no white space, no
 * capitals (a style may set them), no ligatures (Unicode, compatibility decomposition). Each letter knows where it comes from.
 */
final class Letters {
    private final StringBuilder text = new StringBuilder();
    private int[] sources = new int[32];

    /** @param source what the letter is remembered by: a place in XML, or the number of a glyph */
    void add(int code, int source) {
        if (code < 0x80) {
            if (code > ' ' && code != 0x7f) put((char) (code >= 'A' && code <= 'Z' ? code + 32 : code), source);
            return;
        }
        if (isNothing(code)) return;
        String plain = Normalizer.normalize(Character.toString(code), Normalizer.Form.NFKD)
                .toLowerCase(Locale.ROOT)
                .replace("\u00df", "ss");
        for (int i = 0; i < plain.length(); i++)
            if (!Character.isWhitespace(plain.charAt(i))) put(plain.charAt(i), source);
    }

    void add(String shown, int source) {
        shown.codePoints().forEach(code -> add(code, source));
    }

    /** All of them, one after the other. */
    static Letters joined(List<Letters> all) {
        Letters joined = new Letters();
        all.forEach(joined::add);
        return joined;
    }

    void add(Letters more) {
        for (int i = 0; i < more.length(); i++) put(more.text.charAt(i), more.sources[i]);
    }

    private void put(char letter, int source) {
        if (text.length() == sources.length) sources = Arrays.copyOf(sources, sources.length * 2);
        sources[text.length()] = source;
        text.append(letter);
    }

    /** White space, marks without width, and characters that only a symbol font knows. */
    private static boolean isNothing(int code) {
        int type = Character.getType(code);
        return Character.isSpaceChar(code)
                || Character.isWhitespace(code)
                || type == Character.FORMAT
                || type == Character.PRIVATE_USE
                || type == Character.CONTROL;
    }

    /** Those that are not taken. */
    Letters without(boolean[] taken) {
        Letters rest = new Letters();
        for (int i = 0; i < length(); i++) if (!taken[i]) rest.put(text.charAt(i), sources[i]);
        return rest;
    }

    /** How many letters both have, in whatever order: no more of them can be paired. */
    int inCommon(Letters other) {
        Map<Character, Integer> counts = new HashMap<>();
        for (int i = 0; i < length(); i++) counts.merge(at(i), 1, Integer::sum);
        int common = 0;
        for (int i = 0; i < other.length(); i++) if (counts.merge(other.at(i), -1, Integer::sum) >= 0) common++;
        return common;
    }

    int length() {
        return text.length();
    }

    int source(int at) {
        return sources[at];
    }

    char at(int index) {
        return text.charAt(index);
    }

    @Override
    public String toString() {
        return text.toString();
    }
}
