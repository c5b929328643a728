package org.jalousie.core.provenance;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.jalousie.core.wording.Stretch;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;

/**
 * Where on the finished pages what was merged stands. The merge says of every stretch of the file what put it there; the tagged
 * pages say in which order their letters are read. Both are the same text, so that each letter of the one is one of the other:
 * nothing is looked for, and a value that equals other words is never taken for them. Neither the file nor its pages are changed
 * for it.
 */
public final class Provenance {
    /** Headers, and footers, that are tried on a page. */
    private static final int MOST_TRIED = 4;

    private final PageText pages;
    private final List<PrintedPlace> places = new ArrayList<>();

    private Provenance(PageText pages) {
        this.pages = pages;
    }

    /**
     * @param printed the parts of the merged file
     * @param pdf its pages, tagged
     * @return by page, from the top down
     */
    public static List<PrintedPlace> of(List<Wording.PrintedPart> printed, byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            Provenance provenance = new Provenance(PageText.of(document));
            provenance.all(printed);
            provenance.places.sort(Comparator.comparingInt(PrintedPlace::page)
                    .thenComparing(place -> -(place.y() + place.height()))
                    .thenComparing(PrintedPlace::x));
            return List.copyOf(provenance.places);
        } catch (IOException e) {
            throw new UncheckedIOException("the converted document can't be read", e);
        }
    }

    private void all(List<Wording.PrintedPart> printed) {
        List<Letters> open = pages.paragraphs();
        List<Wording.PrintedPart> later = new ArrayList<>();
        for (Wording.PrintedPart part : printed) {
            if (part.name().equals(WordFile.MAIN)) open = inOrder(part, open);
            else later.add(part);
        }
        List<Beside> headers = new ArrayList<>();
        List<Beside> footers = new ArrayList<>();
        for (Wording.PrintedPart part : later) {
            // by their elements (ISO/IEC 29500-1 §17.10, §17.11): a part may have any name
            switch (StoryText.root(part.xml())) {
                case "hdr" -> headers.add(Beside.of(part));
                case "ftr" -> footers.add(Beside.of(part));
                case "footnotes", "endnotes" -> open = inOrder(part, open);
                default -> {}
            }
        }
        for (List<Letters> pieces : pages.beside()) beside(pieces, headers, footers);
    }

    /** A header or footer. @param words of its paragraphs, one after the other */
    private record Beside(Wording.PrintedPart part, Letters words, Letters boxed) {
        static Beside of(Wording.PrintedPart part) {
            StoryText story = StoryText.of(part.xml());
            return new Beside(part, Letters.joined(story.paragraphs()), Letters.joined(story.boxed()));
        }
    }

    /**
     * What stands on a page beside its body: of the headers and footers that there are, the ones that leave the fewest letters
     * without a partner. Numbers of pages are made anew on each, and a row that is repeated stands there too.
     */
    private void beside(List<Letters> pieces, List<Beside> headers, List<Beside> footers) {
        Letters shown = Letters.joined(pieces);
        if (shown.length() == 0) return;
        List<Beside> best = List.of();
        int fewest = shown.length();
        for (List<Beside> some : choices(likely(headers, shown), likely(footers, shown))) {
            Letters words = Letters.joined(some.stream().map(Beside::words).toList());
            int without = words.length() + shown.length() - 2 * LetterPairs.count(LetterPairs.of(words, shown));
            if (without >= fewest) continue;
            best = some;
            fewest = without;
        }
        Letters words = Letters.joined(best.stream().map(Beside::words).toList());
        int[] pairs = LetterPairs.of(words, shown);
        int from = 0;
        for (Beside one : best) {
            int to = from + one.words.length();
            note(one.part, one.words, shown, Arrays.copyOfRange(pairs, from, to));
            from = to;
        }
        boolean[] taken = new boolean[shown.length()];
        for (int one : pairs) if (one >= 0) taken[one] = true;
        for (Beside one : best) boxed(one, shown.without(taken));
    }

    /** A file of many sections has many headers; the few whose letters are most on the page are tried. */
    private static List<Beside> likely(List<Beside> all, Letters shown) {
        if (all.size() <= MOST_TRIED) return all;
        Map<Beside, Integer> missing = new HashMap<>();
        all.forEach(one -> missing.put(one, one.words.length() - 2 * one.words.inCommon(shown)));
        return all.stream()
                .sorted(Comparator.comparing(missing::get))
                .limit(MOST_TRIED)
                .toList();
    }

    private static List<List<Beside>> choices(List<Beside> headers, List<Beside> footers) {
        List<List<Beside>> all = new ArrayList<>();
        for (Beside header : headers) {
            for (Beside footer : footers) all.add(List.of(header, footer));
            all.add(List.of(header));
        }
        for (Beside footer : footers) all.add(List.of(footer));
        return all;
    }

    /** A text box in a header stands before or behind its words, as it was drawn. @param shown what is none of the words */
    private void boxed(Beside one, Letters shown) {
        int at = shown.toString().indexOf(one.boxed.toString());
        if (at < 0 || one.boxed.length() == 0) return;
        int[] pairs = new int[one.boxed.length()];
        for (int i = 0; i < pairs.length; i++) pairs[i] = at + i;
        note(one.part, one.boxed, shown, pairs);
    }

    private void note(Wording.PrintedPart part, Letters words, Letters shown, int[] pairs) {
        TreeMap<Integer, int[]> glyphs = new TreeMap<>();
        note(words, shown, pairs, 0, asked(part), glyphs);
        put(part, glyphs);
    }

    /** Finds a part's paragraphs among those of the pages, and returns the ones that are none of them. */
    private List<Letters> inOrder(Wording.PrintedPart part, List<Letters> among) {
        StoryText story = StoryText.of(part.xml());
        List<Letters> left = inOrder(part, story.paragraphs(), among);
        return story.boxed().isEmpty() ? left : inOrder(part, story.boxed(), left);
    }

    private List<Letters> inOrder(Wording.PrintedPart part, List<Letters> file, List<Letters> among) {
        int[] partner = Alignment.of(file, among);
        TreeMap<Integer, int[]> glyphs = new TreeMap<>();
        BitSet asked = asked(part);
        for (int i = 0; i < file.size(); i++) {
            if (partner[i] < 0) continue;
            Letters shown = among.get(partner[i]);
            note(file.get(i), shown, LetterPairs.of(file.get(i), shown), i, asked, glyphs);
        }
        put(part, glyphs);
        return Alignment.left(among, partner);
    }

    /** The places in a part's XML that some stretch is about: the template's own words are most of it, and nobody asks for them. */
    private static BitSet asked(Wording.PrintedPart part) {
        BitSet asked = new BitSet();
        for (Stretch stretch : part.stretches()) asked.set(stretch.from(), stretch.to());
        return asked;
    }

    private static void note(
            Letters file, Letters shown, int[] pairs, int paragraph, BitSet asked, TreeMap<Integer, int[]> glyphs) {
        for (int i = 0; i < pairs.length; i++)
            if (pairs[i] >= 0 && asked.get(file.source(i)))
                glyphs.putIfAbsent(file.source(i), new int[] {shown.source(pairs[i]), paragraph});
    }

    /** @param glyphs by the place in the part's XML that each stands for: its number, and that of its paragraph */
    private void put(Wording.PrintedPart part, TreeMap<Integer, int[]> glyphs) {
        for (Stretch stretch : part.stretches()) {
            Glyph line = null;
            int paragraph = -1;
            for (int[] one : glyphs.subMap(stretch.from(), stretch.to()).values()) {
                Glyph glyph = pages.glyph(one[0]);
                if (line != null && paragraph == one[1] && line.isOneLineWith(glyph)) {
                    line = line.with(glyph);
                } else {
                    if (line != null) places.add(place(stretch, line));
                    line = glyph;
                    paragraph = one[1];
                }
            }
            if (line != null) places.add(place(stretch, line));
        }
    }

    private static PrintedPlace place(Stretch stretch, Glyph line) {
        return new PrintedPlace(
                stretch.origin(),
                line.page(),
                line.left(),
                line.bottom(),
                line.right() - line.left(),
                line.top() - line.bottom());
    }
}
