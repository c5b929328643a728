package org.jalousie.core.placement;

/**
 * How a text is written, character by character: {@code #} stands for a digit, {@code @} for a letter, {@code *} for a letter or a
 * digit, and anything else for itself. There is nothing to repeat in it, so it is judged at once whatever is typed.
 */
final class LetterPattern {
    private LetterPattern() {}

    static boolean fits(String pattern, String text) {
        int[] wanted = pattern.codePoints().toArray();
        int[] given = text.codePoints().toArray();
        if (wanted.length != given.length) return false;
        for (int i = 0; i < wanted.length; i++) if (!fits(wanted[i], given[i])) return false;
        return true;
    }

    private static boolean fits(int wanted, int given) {
        return switch (wanted) {
            case '#' -> Character.isDigit(given);
            case '@' -> Character.isLetter(given);
            case '*' -> Character.isLetterOrDigit(given);
            default -> wanted == given;
        };
    }
}
