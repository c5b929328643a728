package org.jalousie.core.provenance;

import com.github.difflib.DiffUtils;
import com.github.difflib.algorithm.myers.MyersDiffWithLinearSpace;
import com.github.difflib.patch.AbstractDelta;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which letter of a paragraph is which on the page. Usually all, one after the other, behind a number that the word processor has
 * drawn; where it has worked something out anew or divided a word, the least difference between both.
 */
final class LetterPairs {
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
        List<Character> inFile = letters(file, from, fileEnd);
        List<Character> onPage = letters(page, from, pageEnd);
        int x = 0;
        int y = 0;
        for (AbstractDelta<Character> delta :
                DiffUtils.diff(inFile, onPage, new MyersDiffWithLinearSpace<>()).getDeltas()) {
            while (x < delta.getSource().getPosition()) pairs[from + x++] = from + y++;
            x += delta.getSource().size();
            y += delta.getTarget().size();
        }
        while (x < inFile.size()) pairs[from + x++] = from + y++;
    }

    private static List<Character> letters(Letters all, int from, int to) {
        List<Character> some = new ArrayList<>(to - from);
        for (int i = from; i < to; i++) some.add(all.at(i));
        return some;
    }
}
