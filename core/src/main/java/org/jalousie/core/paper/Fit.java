package org.jalousie.core.paper;

import java.util.List;

/**
 * Where a point of one page lies on another: the six numbers of an affine map, as {@link java.awt.geom.AffineTransform} has them
 * in rows.
 */
record Fit(double xx, double xy, double x0, double yx, double yy, double y0) {
    /** A point here and the same there. */
    record Pair(double x, double y, double toX, double toY) {}

    double x(double x, double y) {
        return xx * x + xy * y + x0;
    }

    double y(double x, double y) {
        return yx * x + yy * y + y0;
    }

    /** How far a pair lies from what this says, in dots of there. */
    double off(Pair pair) {
        return Math.hypot(x(pair.x, pair.y) - pair.toX, y(pair.x, pair.y) - pair.toY);
    }

    /** The same map between pages that have so many times fewer dots. */
    Fit scaled(double by) {
        return new Fit(xx, xy, x0 * by, yx, yy, y0 * by);
    }

    /** How much larger things are there. */
    double scale() {
        return Math.sqrt(Math.abs(xx * yy - xy * yx));
    }

    /** Where the middle of all pairs is, here and there. */
    private record Middle(double x, double y, double toX, double toY) {
        static Middle of(List<Pair> pairs) {
            return new Middle(
                    pairs.stream().mapToDouble(Pair::x).average().orElse(0),
                    pairs.stream().mapToDouble(Pair::y).average().orElse(0),
                    pairs.stream().mapToDouble(Pair::toX).average().orElse(0),
                    pairs.stream().mapToDouble(Pair::toY).average().orElse(0));
        }

        /** The map that takes one middle to the other. */
        Fit through(double xx, double xy, double yx, double yy) {
            return new Fit(xx, xy, toX - xx * x - xy * y, yx, yy, toY - yx * x - yy * y);
        }
    }

    /** Turned, moved and made larger alike in all directions, as near as can be to the pairs (least squares). */
    static Fit similar(List<Pair> pairs) {
        Middle middle = Middle.of(pairs);
        double a = 0;
        double b = 0;
        double size = 0;
        for (Pair one : pairs) {
            double dx = one.x - middle.x;
            double dy = one.y - middle.y;
            double ex = one.toX - middle.toX;
            double ey = one.toY - middle.toY;
            a += dx * ex + dy * ey;
            b += dx * ey - dy * ex;
            size += dx * dx + dy * dy;
        }
        a /= Math.max(1e-9, size);
        b /= Math.max(1e-9, size);
        return middle.through(a, -b, b, a);
    }

    /** As near as can be to the pairs (least squares by the normal equations, about their middle). */
    static Fit affine(List<Pair> pairs) {
        Middle middle = Middle.of(pairs);
        double sxx = 0;
        double sxy = 0;
        double syy = 0;
        double ax = 0;
        double bx = 0;
        double ay = 0;
        double by = 0;
        for (Pair one : pairs) {
            double dx = one.x - middle.x;
            double dy = one.y - middle.y;
            sxx += dx * dx;
            sxy += dx * dy;
            syy += dy * dy;
            ax += dx * (one.toX - middle.toX);
            bx += dy * (one.toX - middle.toX);
            ay += dx * (one.toY - middle.toY);
            by += dy * (one.toY - middle.toY);
        }
        double determinant = sxx * syy - sxy * sxy;
        // points on one line say nothing of what lies beside it
        if (pairs.size() < 6 || determinant < 1e-3 * (sxx + syy) * (sxx + syy)) return similar(pairs);
        return middle.through(
                (ax * syy - bx * sxy) / determinant,
                (bx * sxx - ax * sxy) / determinant,
                (ay * syy - by * sxy) / determinant,
                (by * sxx - ay * sxy) / determinant);
    }
}
