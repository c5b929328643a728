package org.jalousie.core.paper;

import java.awt.Rectangle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jalousie.core.pdf.PageWords;

/**
 * What a scanned page shows otherwise than the page that was printed: printed words and lines that are gone or others, and what was
 * written by hand. Measures are dots of the printed page, drawn at {@link ScanFile#DOTS_PER_INCH}.
 */
final class PageComparison {
    /** Ink that isn't where it was printed may lie this near to it: dots at the edges of letters. */
    private static final int NEAR = 1;

    private static final int REACH = 4;
    private static final int DARK = 110;

    /** As little is left of a hairline when a scanner has seen it. */
    private static final int FAINT = 35;

    /** Of so few words nothing can be said by their number. */
    private static final int FEW = 12;

    /**
     * How far a letter may be off before it is another one. Measured with digits of 11 points: those that are the same come to
     * 0.06 at most on a poor scan and 0.04 on a good one, those that are others to 0.09 at least.
     */
    private static final double LEAST_OFF = 0.045;

    private static final double MOST_OFF = 0.085;

    /** When half of all words are further off, thin strokes were lost, and letters can't be told apart. */
    private static final double MOST_MIDDLE = 0.04;

    private final Grey page;
    private final Grey scan;
    private final Fit fit;
    private final List<Piece> windows;
    private final List<Rectangle> captions;
    private final byte[] found;
    private double gain = 1;
    private boolean unclear;

    private PageComparison(Grey page, Grey scan, Fit fit, List<Piece> windows, List<Rectangle> captions) {
        this.captions = captions;
        this.windows = windows;
        this.found = new byte[page.width() * page.height()];
        this.page = page;
        this.scan = scan;
        this.fit = fit;
    }

    /** @param unclear whether letters can't be told apart; {@code others} the share of words that are others; {@code changed} printed ink that is another one or gone; {@code written} ink that wasn't printed */
    record Result(List<Rectangle> changed, List<Rectangle> written, double others, boolean unclear) {}

    /**
     * @param page the ink that was printed, {@code scan} the ink that came back
     * @param words where words were printed
     * @param captions where people write over what was printed
     */
    static Result of(Grey page, Grey scan, Fit fit, List<PageWords.Word> words, List<Rectangle> captions) {
        PageComparison comparison = new PageComparison(page, scan, fit, pieces(page, words, captions), captions);
        comparison.gain = comparison.gain();
        comparison.find();
        List<Rectangle> changed = comparison.changed();
        double others = comparison.windows.size() < FEW ? 0 : (double) changed.size() / comparison.windows.size();
        return new Result(changed, comparison.written(), others, comparison.unclear);
    }

    /** How much fainter the scan is than the print, by what lies under the darkest of it. */
    private double gain() {
        int[] counts = new int[256];
        int all = 0;
        for (int y = 0; y < page.height(); y += 2) {
            for (int x = 0; x < page.width(); x += 2) {
                if (page.at(x, y) < 230 || outside(x, y)) continue;
                counts[(int) Math.round(most((double) x, y))]++;
                all++;
            }
        }
        int seen = 0;
        for (int value = 0; value < 256; value++) {
            seen += counts[value];
            if (seen * 2 > all) return Math.min(3, 225.0 / Math.max(75, value));
        }
        return 1;
    }

    /** What ink there is, as it lies over the printed page. */
    private void find() {
        for (int y = 0; y < page.height(); y++)
            for (int x = 0; x < page.width(); x++) found[y * page.width() + x] = (byte) ink(x, y);
    }

    /** What wasn't on the scanner can't be missed on the scan. */
    private boolean within(double x, double y) {
        double sx = fit.x(x, y);
        double sy = fit.y(x, y);
        return sx >= 2 && sy >= 2 && sx <= scan.width() - 3 && sy <= scan.height() - 3;
    }

    private boolean outside(int x, int y) {
        return x < 0 || y < 0 || x >= page.width() || y >= page.height();
    }

    private double ink(double x, double y) {
        double sx = fit.x(x, y);
        double sy = fit.y(x, y);
        boolean inside = sx >= 0 && sy >= 0 && sx <= scan.width() - 1 && sy <= scan.height() - 1;
        return inside ? Math.min(255, scan.between(sx, sy) * gain) : 0;
    }

    /** How a word comes back, letter by letter. @param worst of its letters, 0 for the same */
    private record WordLook(Rectangle at, double worst) {}

    private List<Rectangle> changed() {
        List<WordLook> looks = windows.stream().map(this::look).toList();
        double[] sorted = looks.stream().mapToDouble(WordLook::worst).sorted().toArray();
        double usual = sorted.length == 0 ? 0 : sorted[sorted.length * 9 / 10];
        // by the one in the middle: many that were changed don't make the others unclear
        double middle = sorted.length == 0 ? 0 : sorted[sorted.length / 2];
        unclear = middle > MOST_MIDDLE;
        double most = unclear ? Math.max(MOST_OFF, 4 * middle) : Math.min(MOST_OFF, LEAST_OFF + 2 * usual);
        List<Rectangle> changed = new ArrayList<>();
        for (WordLook one : looks) if (one.worst() > most) changed.add(one.at());
        changed.addAll(lost());
        return changed;
    }

    /** A part of the page that is looked at by itself. @param letter about as wide as one letter of it */
    private record Piece(Window window, int letter) {
        Rectangle box() {
            return new Rectangle(window.left(), window.top(), window.width(), window.height());
        }
    }

    /** Words, and what looks like words where the file doesn't know any. */
    private static List<Piece> pieces(Grey page, List<PageWords.Word> words, List<Rectangle> captions) {
        List<Piece> pieces = new ArrayList<>();
        boolean[] rest = dots(page.values(), 128);
        double dots = ScanFile.DOTS_PER_INCH / 72.0;
        for (PageWords.Word word : words) {
            double high = Math.max(4, word.height());
            int left = (int) Math.floor(word.x() * dots) - 1;
            int top = page.height() - (int) Math.ceil((word.y() + high * 1.25) * dots);
            int wide = (int) Math.ceil(word.width() * dots) + 2;
            int tall = (int) Math.ceil(high * 1.6 * dots);
            if (left < 0 || top < 0 || left + wide > page.width() || top + tall > page.height()) continue;
            pieces.add(new Piece(new Window(page, left, top, wide, tall), (int) Math.ceil(high * 0.75 * dots)));
            for (int y = top; y < top + tall; y++)
                Arrays.fill(rest, y * page.width() + left, y * page.width() + left + wide, false);
        }
        for (Rectangle blob : Blobs.of(rest, page.width(), page.height(), 8, 20)) {
            if (blob.height < 8 || blob.height > 70) continue;
            Rectangle box = new Rectangle(blob.x - 2, blob.y - 2, blob.width + 4, blob.height + 4)
                    .intersection(new Rectangle(page.width(), page.height()));
            pieces.add(
                    new Piece(new Window(page, box.x, box.y, box.width, box.height), Math.max(6, blob.height * 3 / 5)));
        }
        pieces.removeIf(piece -> mostlyIn(piece.box(), captions));
        return pieces;
    }

    private static boolean mostlyIn(Rectangle box, List<Rectangle> captions) {
        return captions.stream()
                .map(one -> one.intersection(box))
                .anyMatch(both ->
                        !both.isEmpty() && (long) both.width * both.height * 2 >= (long) box.width * box.height);
    }

    /** Printed lines and drawings that nothing is left of. */
    private List<Rectangle> lost() {
        boolean[] there = spread(dots(found, FAINT), page.width(), 5);
        boolean[] lost = dots(page.values(), 128);
        for (int y = 0; y < page.height(); y++) {
            for (int x = 0; x < page.width(); x++) {
                int at = y * page.width() + x;
                lost[at] = lost[at] && !there[at] && within(x, y);
            }
        }
        for (Piece one : windows)
            for (int y = one.window().top();
                    y < one.window().top() + one.window().height();
                    y++)
                Arrays.fill(
                        lost,
                        y * page.width() + one.window().left(),
                        y * page.width() + one.window().left() + one.window().width(),
                        false);
        return Blobs.of(lost, page.width(), page.height(), 10, 60).stream()
                .filter(one -> !mostlyIn(one, captions))
                .toList();
    }

    private WordLook look(Piece piece) {
        Window word = piece.window();
        int letter = piece.letter();
        Window.Shift shift = word.search(scan, fit, REACH);
        double[] off = new double[word.width()];
        double[] all = new double[word.width()];
        for (int x = 0; x < word.width(); x++) {
            for (int y = 0; y < word.height(); y++) {
                int px = word.left() + x;
                int py = word.top() + y;
                double printed = soft(px, py);
                double found = ink(px + shift.x(), py + shift.y());
                off[x] += Math.max(0, printed - most(px + shift.x(), py + shift.y()) - 40)
                        + Math.max(0, found - most(px, py) - 40);
                all[x] += Math.max(printed, found);
            }
        }
        double worst = 0;
        for (int from = 0; from <= Math.max(0, word.width() - letter); from++) {
            double sum = 0;
            double ink = 0;
            for (int x = from; x < Math.min(word.width(), from + letter); x++) {
                sum += off[x];
                ink += all[x];
            }
            worst = Math.max(worst, sum / Math.max(ink, 255.0 * letter));
        }
        return new WordLook(new Rectangle(word.left(), word.top(), word.width(), word.height()), worst);
    }

    /** As a scanner would see what was printed. */
    private double soft(int x, int y) {
        return (dark(x, y) * 4.0 + dark(x - 1, y) + dark(x + 1, y) + dark(x, y - 1) + dark(x, y + 1)) / 8;
    }

    private int dark(int x, int y) {
        return outside(x, y) ? 0 : page.at(x, y);
    }

    private double most(int x, int y) {
        int most = 0;
        for (int dy = -NEAR; dy <= NEAR; dy++)
            for (int dx = -NEAR; dx <= NEAR; dx++) most = Math.max(most, dark(x + dx, y + dy));
        return most;
    }

    private double most(double x, double y) {
        double most = 0;
        for (int dy = -NEAR; dy <= NEAR; dy++)
            for (int dx = -NEAR; dx <= NEAR; dx++) most = Math.max(most, ink(x + dx, y + dy));
        return most;
    }

    /** What isn't near anything that was printed, put together to strokes. */
    private List<Rectangle> written() {
        int edge = ScanFile.DOTS_PER_INCH / 8;
        int near = 5;
        boolean[] printed = spread(dots(page.values(), 60), page.width(), near);
        boolean[] written = new boolean[found.length];
        for (int y = edge; y < page.height() - edge; y++)
            for (int x = edge; x < page.width() - edge; x++)
                written[y * page.width() + x] =
                        (found[y * page.width() + x] & 0xFF) > DARK && !printed[y * page.width() + x];
        return Blobs.of(written, page.width(), page.height(), 12, 45);
    }

    private static boolean[] dots(byte[] ink, int threshold) {
        boolean[] dots = new boolean[ink.length];
        for (int i = 0; i < dots.length; i++) dots[i] = (ink[i] & 0xFF) > threshold;
        return dots;
    }

    /** All that lies so near to a dot, first along rows and then along columns. */
    static boolean[] spread(boolean[] dots, int width, int near) {
        boolean[] rows = new boolean[dots.length];
        int height = dots.length / width;
        for (int y = 0; y < height; y++) {
            int until = -1;
            for (int x = 0; x < width; x++) {
                if (dots[y * width + x]) {
                    Arrays.fill(
                            rows,
                            y * width + Math.max(until + 1, x - near),
                            y * width + Math.min(width, x + near + 1),
                            true);
                    until = Math.min(width - 1, x + near);
                }
            }
        }
        boolean[] all = new boolean[dots.length];
        for (int x = 0; x < width; x++) {
            int until = -1;
            for (int y = 0; y < height; y++) {
                if (!rows[y * width + x]) continue;
                for (int k = Math.max(until + 1, y - near); k <= Math.min(height - 1, y + near); k++)
                    all[k * width + x] = true;
                until = Math.min(height - 1, y + near);
            }
        }
        return all;
    }
}
