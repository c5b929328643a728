package org.jalousie.core.placement;

import java.awt.geom.Point2D;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;

/**
 * The upright and level lines that pages draw: rules, and the sides of boxes and cells, found in what the page paints (ISO
 * 32000-1 §8.5). A box that is too thin to be one is a line.
 */
public final class RuledLines {
    /** What is thinner is a line and no box, in points. */
    private static final double THIN = 3;

    private static final double SHORTEST = 4;
    /** A page that draws more is a picture. */
    private static final int MOST_A_PAGE = 1000;

    private RuledLines() {}

    /**
     * A line from one point to another, in PDF points from the lower left corner of the page.
     *
     * @param page from 1
     */
    public record Line(int page, double x1, double y1, double x2, double y2) {
        public boolean upright() {
            return x1 == x2;
        }
    }

    /** The lines of a file's pages; none for a page that can't be read or draws a picture out of lines. */
    public static List<Line> of(byte[] pdf) {
        List<Line> lines = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            int number = 0;
            for (PDPage page : document.getPages()) {
                Finder finder = new Finder(page, ++number);
                finder.processPage(page);
                if (finder.found.size() <= MOST_A_PAGE) lines.addAll(finder.found);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the pages can't be read", e);
        }
        return lines;
    }

    private static final class Finder extends PDFGraphicsStreamEngine {
        private final int page;
        private final double left;
        private final double bottom;
        private final Set<Line> found = new LinkedHashSet<>();
        private final List<Line> path = new ArrayList<>();
        private final List<double[]> boxes = new ArrayList<>();
        private Point2D.Double start = new Point2D.Double();
        private Point2D.Double current = new Point2D.Double();

        Finder(PDPage page, int number) {
            super(page);
            this.page = number;
            this.left = page.getCropBox().getLowerLeftX();
            this.bottom = page.getCropBox().getLowerLeftY();
        }

        @Override
        public void appendRectangle(Point2D p0, Point2D p1, Point2D p2, Point2D p3) {
            double x1 = Math.min(p0.getX(), p2.getX());
            double y1 = Math.min(p0.getY(), p2.getY());
            double x2 = Math.max(p0.getX(), p2.getX());
            double y2 = Math.max(p0.getY(), p2.getY());
            boxes.add(new double[] {x1, y1, x2, y2});
        }

        @Override
        public void moveTo(float x, float y) {
            start = new Point2D.Double(x, y);
            current = start;
        }

        @Override
        public void lineTo(float x, float y) {
            Point2D.Double next = new Point2D.Double(x, y);
            straight(current, next);
            current = next;
        }

        @Override
        public void curveTo(float x1, float y1, float x2, float y2, float x3, float y3) {
            current = new Point2D.Double(x3, y3);
        }

        @Override
        public Point2D getCurrentPoint() {
            return new Point2D.Float((float) current.x, (float) current.y);
        }

        @Override
        public void closePath() {
            straight(current, start);
            current = start;
        }

        private void straight(Point2D.Double from, Point2D.Double to) {
            double across = Math.abs(from.x - to.x);
            double up = Math.abs(from.y - to.y);
            if (Math.min(across, up) > 0.2) return;
            path.add(
                    across < up
                            ? new Line(page, from.x, Math.min(from.y, to.y), from.x, Math.max(from.y, to.y))
                            : new Line(page, Math.min(from.x, to.x), from.y, Math.max(from.x, to.x), from.y));
        }

        @Override
        public void strokePath() {
            for (double[] box : boxes) sides(box);
            path.forEach(this::keep);
            endPath();
        }

        @Override
        public void fillPath(int windingRule) {
            for (double[] box : boxes) filled(box);
            if (!path.isEmpty()) filled(hull());
            endPath();
        }

        @Override
        public void fillAndStrokePath(int windingRule) {
            strokePath();
        }

        /** A path of straight lines that is filled is taken for the box around it. */
        private double[] hull() {
            double[] hull = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
            for (Line line : path) {
                hull[0] = Math.min(hull[0], line.x1);
                hull[1] = Math.min(hull[1], line.y1);
                hull[2] = Math.max(hull[2], line.x2);
                hull[3] = Math.max(hull[3], line.y2);
            }
            return hull;
        }

        private void filled(double[] box) {
            double width = box[2] - box[0];
            double height = box[3] - box[1];
            if (width < THIN && height >= SHORTEST) {
                double middle = (box[0] + box[2]) / 2;
                keep(new Line(page, middle, box[1], middle, box[3]));
            } else if (height < THIN && width >= SHORTEST) {
                double middle = (box[1] + box[3]) / 2;
                keep(new Line(page, box[0], middle, box[2], middle));
            } else {
                sides(box);
            }
        }

        private void sides(double[] box) {
            keep(new Line(page, box[0], box[1], box[0], box[3]));
            keep(new Line(page, box[2], box[1], box[2], box[3]));
            keep(new Line(page, box[0], box[1], box[2], box[1]));
            keep(new Line(page, box[0], box[3], box[2], box[3]));
        }

        private void keep(Line line) {
            if (Math.max(line.x2 - line.x1, line.y2 - line.y1) < SHORTEST || found.size() > MOST_A_PAGE) return;
            found.add(new Line(
                    page,
                    tenth(line.x1 - left),
                    tenth(line.y1 - bottom),
                    tenth(line.x2 - left),
                    tenth(line.y2 - bottom)));
        }

        private static double tenth(double points) {
            return Math.round(points * 10) / 10.0;
        }

        @Override
        public void endPath() {
            path.clear();
            boxes.clear();
        }

        @Override
        public void clip(int windingRule) {
            // what is cut off draws nothing more
        }

        @Override
        public void drawImage(PDImage image) {
            // a picture has no lines of the page
        }

        @Override
        public void shadingFill(COSName name) {
            // neither has a shade
        }
    }
}
