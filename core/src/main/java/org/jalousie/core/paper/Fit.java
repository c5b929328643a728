package org.jalousie.core.paper;

import java.util.List;

/**
 * Where a point of one page lies on another: the six numbers of an affine map, as {@link java.awt.geom.AffineTransform} has them
 * in rows.
 */
record Fit(double xx, double xy, double x0, double yx, double yy, double y0) {
    static final Fit SAME = new Fit(1, 0, 0, 0, 1, 0);

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

    /** Stretches one page over another. */
    static Fit over(Grey from, Grey to) {
        return new Fit((double) to.width() / from.width(), 0, 0, 0, (double) to.height() / from.height(), 0);
    }

    /** Turned, moved and made larger alike in all directions, as near as can be to the pairs (least squares). */
    static Fit similar(List<Pair> pairs) {
        double n = pairs.size();
        double mx = 0;
        double my = 0;
        double nx = 0;
        double ny = 0;
        for (Pair one : pairs) {
            mx += one.x / n;
            my += one.y / n;
            nx += one.toX / n;
            ny += one.toY / n;
        }
        double a = 0;
        double b = 0;
        double size = 0;
        for (Pair one : pairs) {
            double dx = one.x - mx;
            double dy = one.y - my;
            double ex = one.toX - nx;
            double ey = one.toY - ny;
            a += dx * ex + dy * ey;
            b += dx * ey - dy * ex;
            size += dx * dx + dy * dy;
        }
        a /= Math.max(1e-9, size);
        b /= Math.max(1e-9, size);
        return new Fit(a, -b, nx - a * mx + b * my, b, a, ny - b * mx - a * my);
    }

    /** As near as can be to the pairs (least squares by the normal equations, about their middle). */
    static Fit affine(List<Pair> pairs) {
        double n = pairs.size();
        double mx = pairs.stream().mapToDouble(Pair::x).sum() / n;
        double my = pairs.stream().mapToDouble(Pair::y).sum() / n;
        double nx = pairs.stream().mapToDouble(Pair::toX).sum() / n;
        double ny = pairs.stream().mapToDouble(Pair::toY).sum() / n;
        double sxx = 0;
        double sxy = 0;
        double syy = 0;
        double ax = 0;
        double bx = 0;
        double ay = 0;
        double by = 0;
        for (Pair one : pairs) {
            double dx = one.x - mx;
            double dy = one.y - my;
            sxx += dx * dx;
            sxy += dx * dy;
            syy += dy * dy;
            ax += dx * (one.toX - nx);
            bx += dy * (one.toX - nx);
            ay += dx * (one.toY - ny);
            by += dy * (one.toY - ny);
        }
        double determinant = sxx * syy - sxy * sxy;
        // points on one line say nothing of what lies beside it
        if (pairs.size() < 6 || determinant < 1e-3 * (sxx + syy) * (sxx + syy)) return similar(pairs);
        double xx = (ax * syy - bx * sxy) / determinant;
        double xy = (bx * sxx - ax * sxy) / determinant;
        double yx = (ay * syy - by * sxy) / determinant;
        double yy = (by * sxx - ay * sxy) / determinant;
        return new Fit(xx, xy, nx - xx * mx - xy * my, yx, yy, ny - yx * mx - yy * my);
    }
}
