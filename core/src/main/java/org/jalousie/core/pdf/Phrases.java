package org.jalousie.core.pdf;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds words by which a place on a page can be found again. */
public final class Phrases {
    /** The most words of one phrase. */
    private static final int MOST_WORDS = 6;

    /** How far words may be from what hangs on them, in points (about 9 cm). */
    private static final double FARTHEST = 255;

    /** So many words around are tried. */
    private static final int MOST_TRIED = 60;

    private static final int MOST_CANDIDATES = 3;

    private Phrases() {}

    /** Words that stand once in their document. @param at where they begin */
    public record Phrase(String words, PageWords.Word at) {}

    /**
     * The nearest words to a rectangle that stand nowhere else in the document, as few as tell them apart.
     *
     * @param x left edge in points, {@code y} lower edge
     */
    public static Optional<Phrase> nearest(PageWords words, int page, double x, double y, double width, double height) {
        List<Integer> near = new ArrayList<>();
        List<PageWords.Word> all = words.all();
        for (int i = 0; i < all.size(); i++) {
            PageWords.Word word = all.get(i);
            if (word.page() == page && distance(word, x, y, width, height) <= FARTHEST && hasLetters(word)) near.add(i);
        }
        near.sort(Comparator.comparingDouble(i -> distance(all.get(i), x, y, width, height)));
        for (int at : near.subList(0, Math.min(near.size(), MOST_TRIED))) {
            Optional<Phrase> found = unique(words, at);
            if (found.isPresent()) return found;
        }
        return Optional.empty();
    }

    /** The fewest words of one line around a word that stand once. */
    private static Optional<Phrase> unique(PageWords words, int at) {
        List<PageWords.Word> all = words.all();
        for (int count = 1; count <= MOST_WORDS; count++) {
            for (int from = Math.max(0, at - count + 1); from <= at && from + count <= all.size(); from++) {
                List<PageWords.Word> some = all.subList(from, from + count);
                PageWords.Word first = some.get(0);
                if (!some.stream().allMatch(word -> word.onLineWith(first))) continue;
                // one short word may stand anywhere in the next edition
                if (count == 1 && first.text().length() < 4) continue;
                if (words.standOnce(from, count))
                    return Optional.of(new Phrase(
                            String.join(
                                    " ", some.stream().map(PageWords.Word::text).toList()),
                            first));
            }
        }
        return Optional.empty();
    }

    private static boolean hasLetters(PageWords.Word word) {
        return word.text().codePoints().anyMatch(Character::isLetterOrDigit);
    }

    private static double distance(PageWords.Word word, double x, double y, double width, double height) {
        double across = Math.max(0, Math.max(x - (word.x() + word.width()), word.x() - (x + width)));
        double up = Math.max(0, Math.max(y - (word.y() + word.height()), word.y() - (y + height)));
        // words before it on its line name it, as in a form; then those above and beneath it
        boolean before = up == 0 && word.x() + word.width() <= x + 1;
        return before ? across * 0.2 : Math.hypot(across, up * 1.5);
    }

    /** What stands in a document and is most like a phrase that doesn't: for a person to choose from. */
    public static List<String> alike(PageWords words, String phrase) {
        List<String> parts = PageWords.parts(phrase);
        record Like(String phrase, int common) {}
        List<Like> found = new ArrayList<>();
        List<PageWords.Word> all = words.all();
        for (int from = 0; from + parts.size() <= all.size(); from++) {
            List<PageWords.Word> some = all.subList(from, from + parts.size());
            int common = 0;
            for (int i = 0; i < parts.size(); i++) common += likeness(words.plain(from + i), parts.get(i));
            if (common * 2 > 100 * parts.size())
                found.add(new Like(
                        String.join(" ", some.stream().map(PageWords.Word::text).toList()), common));
        }
        return found.stream()
                .sorted(Comparator.comparingInt(like -> -like.common()))
                .map(Like::phrase)
                .distinct()
                .limit(MOST_CANDIDATES)
                .toList();
    }

    /** How alike two words are, of a hundred: the letters that they begin and end with alike. */
    private static int likeness(String one, String other) {
        int longest = Math.max(one.length(), other.length());
        int shortest = Math.min(one.length(), other.length());
        int begin = 0;
        while (begin < shortest && one.charAt(begin) == other.charAt(begin)) begin++;
        int end = 0;
        while (end < shortest - begin && one.charAt(one.length() - 1 - end) == other.charAt(other.length() - 1 - end))
            end++;
        return longest == 0 ? 100 : 100 * (begin + end) / longest;
    }
}
