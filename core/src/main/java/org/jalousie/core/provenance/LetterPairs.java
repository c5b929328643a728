package org.jalousie.core.provenance;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which letter of a paragraph is which on the page. Usually all, one after the other, behind a number that the word processor has
 * drawn; where it has worked something out anew or divided a word, the least difference between both (E. W. Myers, “An O(ND)
 * difference algorithm and its variations”, Algorithmica 1 (1986)).
 */
final class LetterPairs {
    /** Beyond so many differences two texts are not the same paragraph. */
    private static final int MOST_DIFFERENCES = 600;

    private LetterPairs() {}

    /** For each letter of the file the number of the letter on the page, or -1. */
    static int[] of(Letters file, Letters page) {
        int[] pairs = new int[file.length()];
        Arrays.fill(pairs, -1);
        int fileEnd = file.length();
        int pageEnd = page.length();
        // from the end first: what the page has besides stands in front
        while (fileEnd > 0 && pageEnd > 0 && file.at(fileEnd - 1) == page.at(pageEnd - 1)) pairs[--fileEnd] = --pageEnd;
        int from = 0;
        while (from < fileEnd && from < pageEnd && file.at(from) == page.at(from)) pairs[from] = from++;
        if (from < fileEnd && from < pageEnd) differ(file, page, from, fileEnd, pageEnd, pairs);
        return pairs;
    }

    /** How many letters have a partner. */
    static int count(int[] pairs) {
        int count = 0;
        for (int one : pairs) if (one >= 0) count++;
        return count;
    }

    private static void differ(Letters file, Letters page, int from, int fileEnd, int pageEnd, int[] pairs) {
        int rows = fileEnd - from;
        int columns = pageEnd - from;
        int most = Math.min(rows + columns, MOST_DIFFERENCES);
        int[] furthest = new int[2 * most + 3];
        List<int[]> steps = new ArrayList<>();
        for (int d = 0; d <= most; d++) {
            steps.add(Arrays.copyOfRange(furthest, most + 1 - d - 1, most + 1 + d + 2));
            for (int k = -d; k <= d; k += 2) {
                boolean down = k == -d || k != d && furthest[most + 1 + k - 1] < furthest[most + 1 + k + 1];
                int x = down ? furthest[most + 1 + k + 1] : furthest[most + 1 + k - 1] + 1;
                int y = x - k;
                while (x < rows && y < columns && file.at(from + x) == page.at(from + y)) {
                    x++;
                    y++;
                }
                furthest[most + 1 + k] = x;
                if (x < rows || y < columns) continue;
                back(steps, d, rows, columns, from, pairs);
                return;
            }
        }
    }

    /** Follows the way back; {@code steps} has for each difference what was reached before it, from its lowest diagonal on. */
    private static void back(List<int[]> steps, int differences, int rows, int columns, int from, int[] pairs) {
        int x = rows;
        int y = columns;
        for (int d = differences; d >= 0; d--) {
            int[] reached = steps.get(d);
            int k = x - y;
            int middle = d + 1;
            boolean down = k == -d || k != d && reached[middle + k - 1] < reached[middle + k + 1];
            int before = down ? k + 1 : k - 1;
            int startX = d == 0 ? 0 : reached[middle + before];
            int startY = d == 0 ? 0 : startX - before;
            while (x > startX && y > startY) pairs[from + --x] = from + --y;
            if (d == 0) return;
            x = startX;
            y = startY;
        }
    }
}
