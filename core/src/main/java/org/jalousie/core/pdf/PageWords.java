package org.jalousie.core.pdf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;

/** The level words on the pages of a PDF in the order of reading, each with its place: what phrases are found in. */
public final class PageWords {
    private final List<Word> words;
    private final String[] plain;
    private final Map<String, List<Integer>> byText = new HashMap<>();

    /**
     * A word where it stands, in PDF points from the lower left corner of the page.
     *
     * @param page from 1
     * @param y of the line that its letters stand on
     * @param height from there to the top of its letters
     */
    public record Word(String text, int page, double x, double y, double width, double height) {
        boolean onLineWith(Word other) {
            return page == other.page && Math.abs(y - other.y) < 2;
        }
    }

    private PageWords(List<Word> words) {
        this.words = List.copyOf(words);
        this.plain = new String[words.size()];
        for (int i = 0; i < words.size(); i++) {
            plain[i] = plain(words.get(i).text());
            byText.computeIfAbsent(plain[i], any -> new ArrayList<>()).add(i);
        }
    }

    /** @param pdf whose pages stand as they are seen */
    public static PageWords of(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return of(document);
        } catch (IOException e) {
            throw new UncheckedIOException("the pages can't be read", e);
        }
    }

    static PageWords of(PDDocument document) throws IOException {
        Reader reader = new Reader();
        reader.getText(document);
        return new PageWords(reader.words);
    }

    public List<Word> all() {
        return words;
    }

    /** All words, one after the other. */
    public String text() {
        return String.join(" ", words.stream().map(Word::text).toList());
    }

    /** Where a phrase stands, each place by its first word; in whatever capitals and over whatever lines. */
    public List<Word> places(String phrase) {
        return starts(parts(phrase)).stream().map(words::get).toList();
    }

    /** Where a phrase stands, each place by what of it is on its first line. */
    public List<Word> runs(String phrase) {
        int count = parts(phrase).size();
        return starts(parts(phrase)).stream()
                .map(at -> {
                    Word first = words.get(at);
                    Word last = first;
                    for (int i = at; i < at + count && words.get(i).onLineWith(first); i++) last = words.get(i);
                    return new Word(
                            phrase,
                            first.page(),
                            first.x(),
                            first.y(),
                            last.x() + last.width() - first.x(),
                            first.height());
                })
                .toList();
    }

    private List<Integer> starts(List<String> parts) {
        if (parts.isEmpty()) return List.of();
        List<Integer> places = new ArrayList<>();
        for (int at : byText.getOrDefault(parts.get(0), List.of())) {
            if (at + parts.size() > words.size()) continue;
            boolean same = true;
            for (int i = 1; same && i < parts.size(); i++) same = plain[at + i].equals(parts.get(i));
            if (same) places.add(at);
        }
        return places;
    }

    /** Whether the words from one on stand nowhere else; looked for by the rarest of them. */
    boolean standOnce(int from, int count) {
        int rarest = from;
        for (int i = from; i < from + count; i++)
            if (byText.get(plain[i]).size() < byText.get(plain[rarest]).size()) rarest = i;
        for (int at : byText.get(plain[rarest])) {
            int start = at - (rarest - from);
            if (start == from || start < 0 || start + count > plain.length) continue;
            boolean same = true;
            for (int i = 0; same && i < count; i++) same = plain[start + i].equals(plain[from + i]);
            if (same) return false;
        }
        return true;
    }

    /** How a word is compared. */
    String plain(int at) {
        return plain[at];
    }

    static List<String> parts(String phrase) {
        List<String> parts = new ArrayList<>();
        for (String part : phrase.strip().split("\\s+")) if (!part.isEmpty()) parts.add(plain(part));
        return parts;
    }

    /** What is the same of words that are alike. */
    public static String alike(String word) {
        return plain(word);
    }

    /** A word as it is compared: without capitals, ligatures and the form of its dashes and quotes (Unicode, compatibility). */
    static String plain(String word) {
        return Normalizer.normalize(word, Normalizer.Form.NFKC)
                .toLowerCase(Locale.ROOT)
                .replace('’', '\'')
                .replace('“', '"')
                .replace('”', '"')
                .replaceAll("[\\u2010-\\u2015]", "-")
                .replace("\u00ad", "");
    }

    private static final class Reader extends PDFTextStripper {
        private final List<Word> words = new ArrayList<>();

        @Override
        protected void writeString(String text, List<TextPosition> letters) {
            List<TextPosition> word = new ArrayList<>();
            for (TextPosition letter : letters) {
                if (letter.getDir() != 0) continue;
                boolean blank =
                        letter.getUnicode() == null || letter.getUnicode().isBlank();
                if (!blank) word.add(letter);
                if (blank || letter == letters.get(letters.size() - 1)) {
                    if (!word.isEmpty()) words.add(word(word));
                    word.clear();
                }
            }
            if (!word.isEmpty()) words.add(word(word));
        }

        private Word word(List<TextPosition> letters) {
            TextPosition first = letters.get(0);
            TextPosition last = letters.get(letters.size() - 1);
            StringBuilder text = new StringBuilder();
            float high = 0;
            for (TextPosition letter : letters) {
                text.append(letter.getUnicode());
                high = Math.max(high, letter.getHeightDir());
            }
            return new Word(
                    text.toString(),
                    getCurrentPageNo(),
                    first.getXDirAdj(),
                    first.getPageHeight() - first.getYDirAdj(),
                    last.getXDirAdj() + last.getWidthDirAdj() - first.getXDirAdj(),
                    high);
        }
    }
}
