package org.jalousie.core.recognition;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.placement.RuledLines;

/**
 * Lines that begin below one another, as those of a page or of a table's column do, how far the longest of them reaches, and what
 * parts words on one line.
 */
final class Columns {
    private final Map<Integer, Map<Long, Double>> rights = new HashMap<>();
    private final Map<List<Object>, Long> starts = new HashMap<>();
    private final Map<Integer, List<RuledLines.Line>> upright;

    Columns(List<PageWords.Word> words, List<RuledLines.Line> drawn) {
        upright = drawn.stream().filter(RuledLines.Line::upright).collect(Collectors.groupingBy(RuledLines.Line::page));
        PageWords.Word before = null;
        long start = 0;
        for (PageWords.Word word : words) {
            boolean begins = before == null
                    || before.page() != word.page()
                    || Math.abs(before.y() - word.y()) > 3
                    || isWide(before.x() + before.width(), word);
            if (begins) start = Math.round(word.x() / 4);
            starts.put(List.of(word.page(), word.x(), word.y()), start);
            rights.computeIfAbsent(word.page(), any -> new HashMap<>())
                    .merge(start, word.x() + word.width(), Math::max);
            before = word;
        }
    }

    /** Whether more than a blank is between the end of a word and the next on its line: much room, or a drawn line. */
    boolean isWide(double end, PageWords.Word next) {
        double blank = next.x() - end;
        if (blank > 1.5 * Math.max(next.height(), 5) || blank < -5) return true;
        double middle = next.y() + next.height() / 2;
        return upright.getOrDefault(next.page(), List.of()).stream()
                .anyMatch(line -> end - 1 <= line.x1()
                        && line.x1() <= next.x() + 1
                        && Math.min(line.y1(), line.y2()) <= middle
                        && middle <= Math.max(line.y1(), line.y2()));
    }

    /** Where the line begins that a word stands on. */
    double start(FileText.Seen word) {
        return 4.0 * starts.get(key(word));
    }

    /** How far the lines reach that begin below one another with a word's. */
    double right(FileText.Seen word) {
        return rights.get(word.page()).get(starts.get(key(word)));
    }

    private static List<Object> key(FileText.Seen word) {
        return List.of(word.page(), word.wordX(), word.y());
    }
}
