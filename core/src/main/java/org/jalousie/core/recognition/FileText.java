package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.placement.Spots;

/** The text of a finished file as it is compared: without what is repeated on its pages, and with the place of each word. */
public final class FileText {
    /** So much of a page's height, above and beneath, may be a header or footer. */
    private static final double EDGE = 0.08;

    private static final double FAR_OUT = 0.06;

    /** A line that begins so far from where the one before began is none of its words, in points. */
    private static final double ANOTHER_COLUMN = 40;

    /** "3", "- 3 -", "3/12", "Page 3 of 12" in whatever language, with # for figures. */
    private static final Pattern PAGE_NUMBER =
            Pattern.compile("(\\p{L}{1,9}\\.?)?[-\\u2013\\u2014|(]*#+(/#+|\\p{L}{1,4}#+)?[-\\u2013\\u2014|)]*");

    private final List<Seen> words;
    private final List<Seen> running;
    private final List<Pages.Size> sizes;
    private final List<PageWords.Word> all;

    private FileText(List<Seen> words, List<Seen> running, List<PageWords.Word> all, List<Pages.Size> sizes) {
        this.words = List.copyOf(words);
        this.running = List.copyOf(running);
        this.all = all;
        this.sizes = sizes;
    }

    /**
     * A word or mark where it stands, in PDF points from the lower left corner of its page.
     *
     * @param page from 1
     * @param wordX where the word begins that it is a part of
     * @param y of the line that it stands on
     * @param edge whether it is where headers and footers are
     * @param gap how it stands apart from the word before it
     */
    record Seen(
            Token token,
            int page,
            double wordX,
            double x,
            double y,
            double width,
            double height,
            boolean edge,
            Gap gap) {
        boolean onLineWith(Seen other) {
            return page == other.page && Math.abs(y - other.y) < 3;
        }
    }

    /** What is between two words. */
    enum Gap {
        BLANK,
        LINE,
        /** On a new line, though there was room on the one before. */
        PARAGRAPH,
        /** On one line and wide, as between the cells of a table. */
        WIDE
    }

    /** @param drawn lines that the pages draw: those of a table part its cells */
    public static FileText of(PageWords words, List<Pages.Size> sizes, List<RuledLines.Line> drawn) {
        return of(words.all(), sizes, drawn);
    }

    /** @param words in the order of reading */
    static FileText of(List<PageWords.Word> words, List<Pages.Size> sizes, List<RuledLines.Line> drawn) {
        List<Line> lines = lines(words, sizes);
        Set<Line> running = running(lines);
        List<PageWords.Word> kept = new ArrayList<>();
        Set<PageWords.Word> atEdge = new HashSet<>();
        List<PageWords.Word> repeated = new ArrayList<>();
        Set<String> known = new HashSet<>();
        for (Line line : lines) {
            if (running.contains(line)) {
                if (known.add(line.zone() + line.key())) repeated.addAll(line.words());
                continue;
            }
            kept.addAll(line.words());
            if (line.zone() != 0) atEdge.addAll(line.words());
        }
        Columns margins = new Columns(words, drawn);
        List<Seen> once = new ArrayList<>();
        for (PageWords.Word word : repeated) add(once, word.text(), word, true, margins);
        List<Seen> seen = new ArrayList<>();
        for (int i = 0; i < kept.size(); i++) {
            PageWords.Word word = kept.get(i);
            boolean edge = atEdge.contains(word);
            if (i + 1 < kept.size() && isCut(word, kept.get(i + 1))) {
                String whole = word.text().substring(0, word.text().length() - 1)
                        + kept.get(++i).text();
                add(seen, whole, word, edge, margins);
            } else {
                add(seen, word.text(), word, edge, margins);
            }
        }
        return new FileText(seen, once, List.copyOf(words), sizes);
    }

    /** Whether a word goes on in the next line behind a hyphen. */
    private static boolean isCut(PageWords.Word word, PageWords.Word next) {
        String text = word.text();
        return text.length() > 2
                && "-\u2010\u00ad".indexOf(text.charAt(text.length() - 1)) >= 0
                && Character.isLowerCase(text.charAt(text.length() - 2))
                && Character.isLowerCase(next.text().charAt(0))
                && (next.page() != word.page() || next.y() < word.y() - 3);
    }

    /** The places of what is in one word are found by how much of its letters they are. */
    private static void add(List<Seen> seen, String text, PageWords.Word word, boolean edge, Columns margins) {
        double x = word.x();
        double each = word.width() / Math.max(1, text.length());
        boolean first = true;
        for (Token token : Token.of(text)) {
            double width = each * token.shown().length();
            Seen before = seen.isEmpty() ? null : seen.get(seen.size() - 1);
            Gap gap = first ? gap(before, word, margins) : Gap.BLANK;
            seen.add(
                    new Seen(token.spaced(first), word.page(), word.x(), x, word.y(), width, word.height(), edge, gap));
            x += width;
            first = false;
        }
    }

    /** @param margins how far the lines reach that begin below one another */
    private static Gap gap(Seen before, PageWords.Word word, Columns margins) {
        if (before == null) return Gap.PARAGRAPH;
        if (before.page() != word.page() || Math.abs(before.y() - word.y()) > 3) {
            if (Math.abs(margins.start(before) - word.x()) > ANOTHER_COLUMN) return Gap.PARAGRAPH;
            double room = margins.right(before) - before.x() - before.width();
            return room > word.width() + 1.5 * Math.max(word.height(), 5) ? Gap.PARAGRAPH : Gap.LINE;
        }
        return margins.isWide(before.x() + before.width(), word) ? Gap.WIDE : Gap.BLANK;
    }

    /** @param zone 1 above, -1 beneath, 0 in the body */
    private record Line(int number, List<PageWords.Word> words, int page, int zone) {
        /** What it says, with # for each figure. */
        String key() {
            StringBuilder key = new StringBuilder();
            words.forEach(word -> key.append(word.text()));
            return key.toString().replaceAll("\\p{N}", "#");
        }
    }

    private static List<Line> lines(List<PageWords.Word> words, List<Pages.Size> sizes) {
        List<Line> lines = new ArrayList<>();
        List<PageWords.Word> line = new ArrayList<>();
        for (PageWords.Word word : words) {
            if (!line.isEmpty()
                    && (line.get(0).page() != word.page()
                            || Math.abs(line.get(0).y() - word.y()) > 2)) {
                lines.add(line(lines.size(), line, sizes));
                line = new ArrayList<>();
            }
            line.add(word);
        }
        if (!line.isEmpty()) lines.add(line(lines.size(), line, sizes));
        return lines;
    }

    private static Line line(int number, List<PageWords.Word> words, List<Pages.Size> sizes) {
        PageWords.Word first = words.get(0);
        double height = sizes.get(first.page() - 1).height();
        int zone = first.y() > height * (1 - EDGE) ? 1 : first.y() < height * EDGE ? -1 : 0;
        return new Line(number, words, first.page(), zone);
    }

    /** Lines at an edge that stand on several pages, and numbers of pages. */
    private static Set<Line> running(List<Line> lines) {
        Map<String, Set<Integer>> pages = new HashMap<>();
        for (Line line : lines)
            if (line.zone() != 0)
                pages.computeIfAbsent(line.zone() + line.key(), any -> new HashSet<>())
                        .add(line.page());
        Set<Line> running = new HashSet<>();
        for (Line line : lines) {
            if (line.zone() == 0) continue;
            boolean repeated = pages.get(line.zone() + line.key()).size() > 1;
            if (repeated || PAGE_NUMBER.matcher(line.key()).matches()) running.add(line);
        }
        return running;
    }

    /** The same text without what stands within boxes. */
    FileText without(List<Spots.Box> boxes) {
        return new FileText(
                words.stream()
                        .filter(one -> boxes.stream().noneMatch(box -> holds(box, one)))
                        .toList(),
                running,
                all,
                sizes);
    }

    /** What stands within a box, in the order of reading. */
    List<Token> within(Spots.Box box) {
        return words.stream().filter(one -> holds(box, one)).map(Seen::token).toList();
    }

    private static boolean holds(Spots.Box box, Seen one) {
        double middle = one.x() + one.width() / 2;
        double height = one.y() + one.height() / 2;
        return box.page() == one.page()
                && box.x() <= middle
                && middle <= box.x() + box.width()
                && box.y() <= height
                && height <= box.y() + box.height();
    }

    List<Seen> words() {
        return words;
    }

    /** Whether something stands where no margin of a body reaches. */
    boolean isFarOut(int page, double y) {
        double height = sizes.get(page - 1).height();
        return y < height * FAR_OUT || y > height * (1 - FAR_OUT);
    }

    /** Whether a word stands in the upper half of its page. */
    boolean isAbove(Seen word) {
        return word.y() > sizes.get(word.page() - 1).height() / 2;
    }

    /** What is repeated on its pages, once each. */
    List<Seen> running() {
        return running;
    }

    /** All words of the pages, also those that are not compared. */
    List<PageWords.Word> everything() {
        return all;
    }

    List<Pages.Size> sizes() {
        return sizes;
    }

    /** How many words there are to compare. */
    public int length() {
        return (int) words.stream().filter(one -> one.token().word()).count();
    }

    /** What stands from one word up to another, which is not part of it. */
    String text(int from, int to) {
        return Token.text(words.subList(from, to).stream().map(Seen::token).toList());
    }
}
