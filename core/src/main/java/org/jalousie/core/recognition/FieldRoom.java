package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spots;

/**
 * Room for signing fields on the pages of a finished file, whose words have made none: at the template's place for each, on the
 * line that is kept for it, behind the words that name it, or beneath or above them; never over other words.
 */
public final class FieldRoom {
    /** How far a field stays from words, in points. */
    private static final double APART = 3;

    private final FileText file;
    private final List<Spots.Box> taken = new ArrayList<>();
    private final List<RuledLines.Line> lines;

    private FieldRoom(FileText file, List<RuledLines.Line> lines) {
        this.file = file;
        this.lines = lines;
    }

    /**
     * Where the fields of a reading stand.
     *
     * @param fields by their names
     * @param lines that the pages draw: those of a table are kept to
     * @param tagged places for which the file has tags, by their fields
     * @return by field; empty where there is a place in the text but no room beside it
     */
    public static Map<String, Optional<Spots.Box>> of(
            Reading reading,
            FileText file,
            Map<String, SigningField> fields,
            List<RuledLines.Line> lines,
            Map<String, Spots.Box> tagged) {
        FieldRoom room = new FieldRoom(file, lines);
        Map<String, Optional<Spots.Box>> found = new LinkedHashMap<>();
        tagged.forEach((name, box) -> {
            if (!fields.containsKey(name)) return;
            room.taken.add(box);
            found.put(name, Optional.of(box));
        });
        for (Reading.Place place : reading.places()) {
            SigningField field = fields.get(place.field());
            if (field == null || !place.held() || found.containsKey(place.field())) continue;
            Optional<Spots.Box> box = room.box(place, field.type().size());
            box.ifPresent(room.taken::add);
            found.put(place.field(), box);
        }
        return found;
    }

    private Optional<Spots.Box> box(Reading.Place place, BoxSize size) {
        double width = size.widthMm() * 72 / 25.4;
        double height = size.heightMm() * 72 / 25.4;
        for (Spots.Box one : candidates(place, width, height)) if (isFree(one, place)) return Optional.of(one);
        return Optional.empty();
    }

    private List<Spots.Box> candidates(Reading.Place place, double width, double height) {
        List<FileText.Seen> words = file.words();
        List<Spots.Box> all = new ArrayList<>();
        if (place.to() > place.from() && keepsRoom(place)) {
            FileText.Seen line = words.get(place.from());
            add(all, line.page(), line.x(), line.y() - 1, width, height);
        }
        FileText.Seen before = place.from() > 0 ? words.get(place.from() - 1) : null;
        if (before != null) {
            inNextCell(all, before, width, height);
            double behind = before.x() + before.width() + APART;
            add(all, before.page(), behind, before.y() - 2, width, height);
            add(all, before.page(), start(place.from() - 1), before.y() - APART - height, width, height);
        }
        if (place.to() < words.size()) {
            FileText.Seen after = words.get(place.to());
            add(all, after.page(), after.x(), after.y() + after.height() + APART, width, height);
        }
        if (before != null)
            add(all, before.page(), start(place.from() - 1), before.y() + before.height() + APART, width, height);
        return all;
    }

    /** Places one beneath another in the table's cell to the right of some words. */
    private void inNextCell(List<Spots.Box> all, FileText.Seen words, double width, double height) {
        double middle = words.y() + words.height() / 2;
        List<RuledLines.Line> here =
                lines.stream().filter(line -> line.page() == words.page()).toList();
        OptionalDouble wall = here.stream()
                .filter(line -> line.upright() && covers(line.y1(), line.y2(), middle))
                .mapToDouble(RuledLines.Line::x1)
                .filter(x -> x > words.x() + words.width())
                .min();
        if (wall.isEmpty()) return;
        double inside = wall.getAsDouble() + APART;
        double[] levels = here.stream()
                .filter(line -> !line.upright() && covers(line.x1(), line.x2(), inside + 1))
                .mapToDouble(RuledLines.Line::y1)
                .toArray();
        OptionalDouble top = Arrays.stream(levels).filter(y -> y > middle).min();
        OptionalDouble bottom = Arrays.stream(levels).filter(y -> y < middle).max();
        if (top.isEmpty() || bottom.isEmpty()) return;
        for (double y = top.getAsDouble() - 2 - height; y >= bottom.getAsDouble(); y -= 4)
            add(all, words.page(), inside, y, width, height);
    }

    private static boolean covers(double one, double other, double at) {
        return Math.min(one, other) <= at && at <= Math.max(one, other);
    }

    /** Whether a line is drawn through a box, and not along its edge. */
    private static boolean crosses(RuledLines.Line line, Spots.Box box) {
        return line.page() == box.page()
                && Math.max(line.x1(), line.x2()) > box.x() + 2
                && Math.min(line.x1(), line.x2()) < box.x() + box.width() - 2
                && Math.max(line.y1(), line.y2()) > box.y() + 2
                && Math.min(line.y1(), line.y2()) < box.y() + box.height() - 2;
    }

    /** Whether what stands in the place is drawn for signing on: a line of underscores or dots. */
    private boolean keepsRoom(Reading.Place place) {
        return file.text(place.from(), place.to())
                        .replaceAll("[^_.\\u2026]", "")
                        .length()
                > 2;
    }

    /** The left edge of the words of one line before a place. */
    private double start(int at) {
        FileText.Seen last = file.words().get(at);
        double x = last.x();
        for (int i = at; i >= 0 && file.words().get(i).onLineWith(last); i--) {
            if (file.words().get(i).x() > x + 1) break;
            x = file.words().get(i).x();
            if (file.words().get(i).gap() != FileText.Gap.BLANK) break;
        }
        return x;
    }

    private static void add(List<Spots.Box> all, int page, double x, double y, double width, double height) {
        all.add(new Spots.Box(page, x, y, width, height));
    }

    private boolean isFree(Spots.Box box, Reading.Place place) {
        Pages.Size page = file.sizes().get(box.page() - 1);
        if (box.x() < 0
                || box.y() < 0
                || box.x() + box.width() > page.width()
                || box.y() + box.height() > page.height()) return false;
        if (lines.stream().anyMatch(line -> crosses(line, box))) return false;
        if (taken.stream().anyMatch(other -> meet(box, other))) return false;
        for (PageWords.Word word : file.everything()) {
            if (word.page() != box.page() || isFiller(word, place)) continue;
            if (meet(box, new Spots.Box(word.page(), word.x(), word.y(), word.width(), word.height()))) return false;
        }
        return true;
    }

    private boolean isFiller(PageWords.Word word, Reading.Place place) {
        return file.words().subList(place.from(), place.to()).stream()
                .anyMatch(one -> one.page() == word.page()
                        && Math.abs(one.y() - word.y()) < 0.1
                        && one.x() >= word.x() - 0.1
                        && one.x() <= word.x() + word.width() + 0.1);
    }

    private static boolean meet(Spots.Box one, Spots.Box other) {
        return one.page() == other.page()
                && one.x() < other.x() + other.width()
                && other.x() < one.x() + one.width()
                && one.y() < other.y() + other.height()
                && other.y() < one.y() + one.height();
    }
}
