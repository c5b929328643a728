package org.jalousie.core.data;

import java.util.Collection;
import java.util.Locale;
import java.util.Optional;

/** Finds names that differ only by a slip: case, underscores, a letter or two. */
public final class LookAlike {
    private LookAlike() {}

    /** The known name nearest to this one, if it is near enough to be meant. */
    public static Optional<String> of(String name, Collection<String> known) {
        String best = null;
        int distance = Integer.MAX_VALUE;
        for (String one : known) {
            if (one.equals(name)) continue;
            int d = alike(name, one);
            if (d >= 0 && d < distance) {
                best = one;
                distance = d;
            }
        }
        return Optional.ofNullable(best);
    }

    /** 0 when equal but for case and underscores, 1 or 2 for a slip of letters, -1 when unlike. */
    private static int alike(String a, String b) {
        String x = folded(a);
        String y = folded(b);
        if (x.equals(y)) return 0;
        int longest = Math.max(x.length(), y.length());
        int allowed = longest < 5 ? 0 : longest < 9 ? 1 : 2;
        // names that only differ in their number (line_1, line_2) are meant to be two
        if (x.replaceAll("\\d", "").equals(y.replaceAll("\\d", ""))) return -1;
        int d = edits(x, y);
        return d <= allowed ? d : -1;
    }

    private static String folded(String name) {
        return name.replace("_", "").toLowerCase(Locale.ROOT);
    }

    /** Edits with neighbours swapped counting as one (optimal string alignment). */
    private static int edits(String a, String b) {
        int[][] d = new int[a.length() + 1][b.length() + 1];
        for (int i = 0; i <= a.length(); i++) d[i][0] = i;
        for (int j = 0; j <= b.length(); j++) d[0][j] = j;
        for (int i = 1; i <= a.length(); i++) {
            for (int j = 1; j <= b.length(); j++) {
                int cost = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                d[i][j] = Math.min(Math.min(d[i - 1][j] + 1, d[i][j - 1] + 1), d[i - 1][j - 1] + cost);
                boolean swapped =
                        i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1);
                if (swapped) d[i][j] = Math.min(d[i][j], d[i - 2][j - 2] + 1);
            }
        }
        return d[a.length()][b.length()];
    }
}
