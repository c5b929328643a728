package org.jalousie.core.paper;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Lays a scanned page over the page that was printed: first by their marks, or by each way that it can have been put on the
 * scanner; then by where its blocks are found again, coarse and then fine. Both are ink, as {@link Grey#ink} gives it.
 *
 * @param fit from dots of the printed page to dots of the scan
 * @param alike how alike their blocks are then, from 0 to 1
 */
record Registration(Fit fit, double alike) {
    /** Below it two pages aren't the same. */
    static final double SAME = 0.45;

    private static final int[] SHRUNK = {8, 4, 2};
    private static final int[] REACH = {9, 4, 2};
    private static final int[] REACH_WITHOUT_MARK = {16, 5, 3};
    private static final int BLOCK = 32;
    private static final int ENOUGH_INK = 255 * 12;

    /** @param printed points of the mark as it was printed, {@code scanned} as it was found; none where it wasn't */
    static Registration of(Grey page, Grey scan, List<double[]> printed, List<double[]> scanned) {
        Optional<Fit> byMark = marked(printed, scanned);
        if (byMark.isPresent()) {
            Registration found = refined(page, scan, byMark.get(), REACH);
            if (found.alike >= SAME) return found;
        }
        return List.of(0, 1, 2, 3).stream()
                .map(quarters -> refined(page, scan, laid(page, scan, quarters), REACH_WITHOUT_MARK))
                .max(Comparator.comparingDouble(Registration::alike))
                .orElseThrow();
    }

    private static Optional<Fit> marked(List<double[]> printed, List<double[]> scanned) {
        int count = Math.min(printed.size(), scanned.size());
        if (count < 3) return Optional.empty();
        List<Fit.Pair> pairs = new ArrayList<>();
        for (int i = 0; i < count; i++)
            pairs.add(new Fit.Pair(printed.get(i)[0], printed.get(i)[1], scanned.get(i)[0], scanned.get(i)[1]));
        return Optional.of(Fit.similar(pairs));
    }

    /** As if it had been laid on the scanner edge to edge, turned by quarters with the hands of a clock. */
    private static Fit laid(Grey page, Grey scan, int quarters) {
        double wide = page.width();
        double high = page.height();
        double w = scan.width();
        double h = scan.height();
        return switch (quarters) {
            case 0 -> new Fit(w / wide, 0, 0, 0, h / high, 0);
            case 1 -> new Fit(0, -w / high, w, h / wide, 0, 0);
            case 2 -> new Fit(-w / wide, 0, w, 0, -h / high, h);
            default -> new Fit(0, w / high, 0, -h / wide, 0, h);
        };
    }

    private static Registration refined(Grey page, Grey scan, Fit first, int[] reach) {
        Fit fit = first;
        double alike = 0;
        for (int step = 0; step < SHRUNK.length; step++) {
            int times = SHRUNK[step];
            Grey small = page.smaller(times);
            Grey smallScan = scan.smaller(times);
            Fit scaled = fit.scaled(1.0 / times);
            for (int again = 0; again < 2; again++) {
                List<Found> found = blocks(small, smallScan, scaled, again == 0 ? reach[step] : 2);
                if (found.size() < 3) return new Registration(fit, 0);
                alike = found.stream().mapToDouble(Found::alike).average().orElse(0);
                scaled = robust(found, scaled);
            }
            fit = scaled.scaled(times);
            if (alike < 0.2) break;
        }
        return new Registration(fit, alike);
    }

    /** Where a block was found. */
    private record Found(Fit.Pair pair, double alike) {}

    private static List<Found> blocks(Grey page, Grey scan, Fit fit, int reach) {
        List<Found> found = new ArrayList<>();
        for (int top = 0; top < page.height(); top += BLOCK) {
            for (int left = 0; left < page.width(); left += BLOCK) {
                int wide = Math.min(BLOCK, page.width() - left);
                int high = Math.min(BLOCK, page.height() - top);
                Window window = new Window(page, left, top, wide, high);
                if (window.ink() < ENOUGH_INK) continue;
                Window.Shift best = window.search(scan, fit, reach);
                double x = left + wide / 2.0;
                double y = top + high / 2.0;
                found.add(new Found(
                        new Fit.Pair(x, y, fit.x(x + best.x(), y + best.y()), fit.y(x + best.x(), y + best.y())),
                        best.alike()));
            }
        }
        return found;
    }

    /** What doesn't go with the others says nothing: it may have been written over, or be another one. */
    private static Fit robust(List<Found> found, Fit before) {
        List<Fit.Pair> pairs =
                found.stream().filter(one -> one.alike() > 0.3).map(Found::pair).toList();
        Fit fit = before;
        for (int round = 0; round < 4 && pairs.size() >= 3; round++) {
            fit = Fit.affine(pairs);
            Fit now = fit;
            double[] off = pairs.stream().mapToDouble(now::off).sorted().toArray();
            double most = Math.max(1, off[off.length / 2] * 2.5);
            List<Fit.Pair> kept =
                    pairs.stream().filter(one -> now.off(one) <= most).toList();
            if (kept.size() == pairs.size()) break;
            pairs = kept;
        }
        return fit;
    }
}
