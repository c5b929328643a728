package org.jalousie.core.data;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Finds names that differ only by a slip: case, underscores, a letter or two. */
public final class LookAlike {
    private final List<Folded> known;

    private LookAlike(Collection<String> known) {
        this.known = known.stream().map(Folded::of).toList();
    }

    /** The names among which is looked, made ready once. */
    public static LookAlike among(Collection<String> known) {
        return new LookAlike(known);
    }

    /** The known name nearest to this one, if it is near enough to be meant. */
    public static Optional<String> of(String name, Collection<String> known) {
        return among(known).to(name);
    }

    /** The known name nearest to this one, if it is near enough to be meant. */
    public Optional<String> to(String name) {
        Folded asked = Folded.of(name);
        String best = null;
        int distance = Integer.MAX_VALUE;
        for (Folded one : known) {
            if (one.name.equals(name)) continue;
            int d = asked.alike(one);
            if (d >= 0 && d < distance) {
                best = one.name;
                distance = d;
            }
        }
        return Optional.ofNullable(best);
    }

    /** @param letters without case and underscores; {@code bare} without figures too */
    private record Folded(String name, String letters, String bare) {
        static Folded of(String name) {
            String letters = name.replace("_", "").toLowerCase(Locale.ROOT);
            return new Folded(name, letters, letters.replaceAll("\\d", ""));
        }

        /** 0 when equal but for case and underscores, 1 or 2 for a slip of letters, -1 when unlike. */
        int alike(Folded other) {
            if (letters.equals(other.letters)) return 0;
            int longest = Math.max(letters.length(), other.letters.length());
            int allowed = longest < 5 ? 0 : longest < 9 ? 1 : 2;
            if (Math.abs(letters.length() - other.letters.length()) > allowed) return -1;
            // names that only differ in their number (line_1, line_2) are meant to be two
            if (bare.equals(other.bare)) return -1;
            int d = edits(letters, other.letters, allowed);
            return d <= allowed ? d : -1;
        }
    }

    /** Edits with neighbours swapped counting as one (optimal string alignment); ends when they are more than allowed. */
    private static int edits(String a, String b, int allowed) {
        int[][] d = new int[a.length() + 1][b.length() + 1];
        for (int j = 0; j <= b.length(); j++) d[0][j] = j;
        for (int i = 1; i <= a.length(); i++) {
            d[i][0] = i;
            int fewest = i;
            for (int j = 1; j <= b.length(); j++) {
                int cost = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                d[i][j] = Math.min(Math.min(d[i - 1][j] + 1, d[i][j - 1] + 1), d[i - 1][j - 1] + cost);
                boolean swapped =
                        i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1);
                if (swapped) d[i][j] = Math.min(d[i][j], d[i - 2][j - 2] + 1);
                fewest = Math.min(fewest, d[i][j]);
            }
            // a swap reaches one row further back, where it can have been one fewer
            if (fewest > allowed + 1) return fewest;
        }
        return d[a.length()][b.length()];
    }
}
