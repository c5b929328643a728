package org.jalousie.core.data;

import java.util.function.IntPredicate;

/** Small changes of texts of any length in one pass: a pattern that may try a run of characters from each of its places takes its square. */
public final class Texts {
    private Texts() {}

    /** On one line: every line break with the blanks around it is one blank. */
    public static String oneLine(String text) {
        StringBuilder out = new StringBuilder(text.length());
        for (String line : text.split("\\R")) {
            String bare = line.strip();
            if (bare.isEmpty()) continue;
            if (out.length() > 0) out.append(' ');
            out.append(bare);
        }
        return out.toString();
    }

    /** Without blanks at its beginning and end, those that don't break a line among them: what a browser's {@code trim} leaves. */
    public static String bare(String text) {
        return trimmed(text, Texts::isBlank);
    }

    // ECMAScript (ECMA-262), String.prototype.trim: WhiteSpace and LineTerminator
    private static boolean isBlank(int one) {
        return one >= 0x09 && one <= 0x0d || one == 0xfeff || Character.isSpaceChar(one);
    }

    /** Without such characters at its beginning and end. */
    public static String trimmed(String text, IntPredicate unwanted) {
        int from = 0;
        int to = text.length();
        while (from < to && unwanted.test(text.codePointAt(from))) from += Character.charCount(text.codePointAt(from));
        while (from < to && unwanted.test(text.codePointBefore(to)))
            to -= Character.charCount(text.codePointBefore(to));
        return text.substring(from, to);
    }
}
