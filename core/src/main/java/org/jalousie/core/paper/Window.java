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
        int steps = 2 * reach + 1;
        double[] alike = new double[steps * steps];
        int best = -1;
        for (int i = 0; i < alike.length; i++) {
            int dx = i % steps;
            int dy = i / steps;
            // of two that are as good, the nearer one
            alike[i] = alike(around, wide, dx, dy) - 0.0005 * (Math.abs(dx - reach) + Math.abs(dy - reach));
            if (best < 0 || alike[i] > alike[best]) best = i;
        }
        int dx = best % steps;
        int dy = best / steps;
        double right = dx == 0 || dx == steps - 1 ? 0 : top(alike[best - 1], alike[best], alike[best + 1]);
        double below = dy == 0 || dy == steps - 1 ? 0 : top(alike[best - steps], alike[best], alike[best + steps]);
        return new Shift(dx - reach + right, dy - reach + below, Math.max(0, alike[best]));
    }

    /** Where between three steps the highest point is, by a parabola through them. */
    private static double top(double before, double at, double after) {
        double bend = before - 2 * at + after;
        return bend >= -1e-9 ? 0 : Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend)));
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
