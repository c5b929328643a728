package org.jalousie.core.paper;

/** A part of a printed page, looked for on a scan. Both are ink, as {@link Grey#ink} gives it. */
record Window(Grey page, int left, int top, int width, int height) {
    /** How far it lies from where it was expected, in dots of the printed page. @param alike 1 for the same, 0 for nothing in common */
    record Shift(double x, double y, double alike) {}

    int ink() {
        int sum = 0;
        for (int y = top; y < top + height; y++) for (int x = left; x < left + width; x++) sum += dark(x, y);
        return sum;
    }

    private int dark(int x, int y) {
        return x < 0 || y < 0 || x >= page.width() || y >= page.height() ? 0 : page.at(x, y);
    }

    /** Where it is most like the scan, at most {@code reach} dots off. */
    Shift search(Grey scan, Fit fit, int reach) {
        float[] around = around(scan, fit, reach);
        int wide = width + 2 * reach;
        Shift best = new Shift(0, 0, -1);
        for (int dy = -reach; dy <= reach; dy++) {
            for (int dx = -reach; dx <= reach; dx++) {
                double alike = alike(around, wide, dx + reach, dy + reach);
                // of two that are as good, the nearer one
                if (alike - 0.0005 * (Math.abs(dx) + Math.abs(dy)) > best.alike()) best = new Shift(dx, dy, alike);
            }
        }
        return best;
    }

    /** The scan's ink as it lies over this part and so many dots around. */
    float[] around(Grey scan, Fit fit, int reach) {
        int wide = width + 2 * reach;
        int high = height + 2 * reach;
        float[] around = new float[wide * high];
        for (int y = 0; y < high; y++) {
            for (int x = 0; x < wide; x++) {
                double px = left - reach + x;
                double py = top - reach + y;
                double sx = fit.x(px, py);
                double sy = fit.y(px, py);
                boolean inside = sx >= 0 && sy >= 0 && sx <= scan.width() - 1 && sy <= scan.height() - 1;
                around[y * wide + x] = inside ? (float) scan.between(sx, sy) : 0;
            }
        }
        return around;
    }

    /** Their correlation (Pearson's), where both have any ink. */
    private double alike(float[] around, int wide, int dx, int dy) {
        double sumA = 0;
        double sumB = 0;
        double sumAA = 0;
        double sumBB = 0;
        double sumAB = 0;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double a = dark(left + x, top + y);
                double b = around[(y + dy) * wide + x + dx];
                sumA += a;
                sumB += b;
                sumAA += a * a;
                sumBB += b * b;
                sumAB += a * b;
            }
        }
        double n = (double) width * height;
        double a = sumAA - sumA * sumA / n;
        double b = sumBB - sumB * sumB / n;
        return a <= 1e-6 || b <= 1e-6 ? 0 : Math.max(0, (sumAB - sumA * sumB / n) / Math.sqrt(a * b));
    }
}
