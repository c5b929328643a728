package org.jalousie.core.provenance;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which paragraph of the pages is which of the file. Both are in the same order; the pages have some that the file has not (a
 * contents list made anew) and the other way round (what is hidden). Found as the longest common order of paragraphs of the same
 * letters; what is left between two that are sure is paired by order when it is alike.
 */
final class Alignment {
    /** A number or bullet before a paragraph is drawn by the word processor and not in its text. */
    private static final int LONGEST_LABEL = 24;

    /** Beyond so many comparisons of paragraphs, each looks for its partner among the next ones only. */
    private static final long MOST_COMPARED = 4_000_000;

    private static final int LOOK_AHEAD = 40;

    /** So many paragraphs that differ somewhere are looked at closely, each against the next few. */
    private static final int MOST_CLOSE = 3000;

    private static final int NEXT_FEW = 8;

    /** Two paragraphs are the same when so much of the shorter one's letters are in both. */
    private static final double ALIKE = 0.6;

    private final List<Letters> file;
    private final List<Letters> pages;
    private final int[] partner;
    private int looked;

    private Alignment(List<Letters> file, List<Letters> pages) {
        this.file = file;
        this.pages = pages;
        this.partner = new int[file.size()];
        Arrays.fill(partner, -1);
    }

    /** For each paragraph of the file, the number of its paragraph on the pages, or -1. */
    static int[] of(List<Letters> file, List<Letters> pages) {
        Alignment alignment = new Alignment(file, pages);
        alignment.sure();
        alignment.alike();
        return alignment.partner;
    }

    private void sure() {
        int from = 0;
        int fileEnd = file.size();
        int pagesEnd = pages.size();
        while (from < fileEnd && from < pagesEnd && isPlain(from, from)) partner[from] = from++;
        while (fileEnd > from && pagesEnd > from && isPlain(fileEnd - 1, pagesEnd - 1)) partner[--fileEnd] = --pagesEnd;
        int rows = fileEnd - from;
        int columns = pagesEnd - from;
        if (rows == 0 || columns == 0) return;
        if ((long) rows * columns > MOST_COMPARED) {
            nearest(from, fileEnd, pagesEnd);
            return;
        }
        int[][] most = new int[rows + 1][columns + 1];
        for (int i = rows - 1; i >= 0; i--) {
            for (int k = columns - 1; k >= 0; k--) {
                int kept = Math.max(most[i + 1][k], most[i][k + 1]);
                most[i][k] = same(from + i, from + k)
                        ? Math.max(kept, most[i + 1][k + 1] + worth(from + i, from + k))
                        : kept;
            }
        }
        int i = 0;
        int k = 0;
        while (i < rows && k < columns) {
            if (same(from + i, from + k) && most[i][k] == most[i + 1][k + 1] + worth(from + i, from + k)) {
                partner[from + i++] = from + k++;
            } else if (most[i + 1][k] >= most[i][k + 1]) {
                i++;
            } else {
                k++;
            }
        }
    }

    /** Two of the same letters and nothing else are worth a little more than one behind a number: "10" is not "chapter 10". */
    private int worth(int inFile, int onPages) {
        int letters = file.get(inFile).length();
        return pages.get(onPages).length() == letters ? 2 * letters : 2 * letters - 1;
    }

    /** Whether no other paragraph can be meant: what stands before its letters is less than they are. */
    private boolean isPlain(int inFile, int onPages) {
        return same(inFile, onPages)
                && pages.get(onPages).length() < 2 * file.get(inFile).length();
    }

    /** For files of thousands of paragraphs: the next one that is the same, if it is near. */
    private void nearest(int from, int fileEnd, int pagesEnd) {
        int next = from;
        for (int i = from; i < fileEnd; i++) {
            for (int k = next; k < Math.min(pagesEnd, next + LOOK_AHEAD); k++) {
                if (!same(i, k)) continue;
                partner[i] = k;
                next = k + 1;
                break;
            }
        }
    }

    private boolean same(int inFile, int onPages) {
        String words = file.get(inFile).toString();
        String shown = pages.get(onPages).toString();
        int label = shown.length() - words.length();
        return label >= 0 && label <= LONGEST_LABEL && shown.endsWith(words);
    }

    private void alike() {
        int first = 0;
        for (int i = 0; i < partner.length; i++) {
            if (partner[i] >= 0) {
                first = partner[i] + 1;
                continue;
            }
            int last = pages.size();
            for (int next = i + 1; next < partner.length; next++) {
                if (partner[next] < 0) continue;
                last = partner[next];
                break;
            }
            for (int k = first; k < Math.min(last, first + NEXT_FEW); k++) {
                if (++looked > MOST_CLOSE) return;
                if (!isAlike(i, k)) continue;
                partner[i] = k;
                first = k + 1;
                break;
            }
        }
    }

    private boolean isAlike(int inFile, int onPages) {
        Letters words = file.get(inFile);
        Letters shown = pages.get(onPages);
        int shorter = Math.min(words.length(), shown.length());
        if (shorter * 3 < Math.max(words.length(), shown.length())) return false;
        return words.inCommon(shown) >= ALIKE * shorter
                && LetterPairs.count(LetterPairs.of(words, shown)) >= ALIKE * shorter;
    }

    /** The paragraphs of the pages that no paragraph of the file was found for. */
    static List<Letters> left(List<Letters> pages, int[] partner) {
        boolean[] taken = new boolean[pages.size()];
        for (int one : partner) if (one >= 0) taken[one] = true;
        List<Letters> left = new ArrayList<>();
        for (int i = 0; i < taken.length; i++) if (!taken[i]) left.add(pages.get(i));
        return left;
    }
}
