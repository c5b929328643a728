package org.jalousie.core.pdf;

import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.util.Matrix;

/**
 * How a page is seen: cut to its crop box, turned, and in units of its own (ISO 32000-1 §7.7.3.3, Table 30; §14.11.2).
 *
 * @param toSeen from the page's own space to points from the lower left corner of what is seen
 */
record PageTurn(Matrix toSeen, float width, float height) {
    static PageTurn of(PDPage page) {
        PDRectangle crop = page.getCropBox();
        float wide = crop.getWidth();
        float high = crop.getHeight();
        float unit = Math.max(0.01f, page.getUserUnit());
        Matrix turned = switch (page.getRotation()) {
            case 90 -> new Matrix(0, -1, 1, 0, 0, wide);
            case 180 -> new Matrix(-1, 0, 0, -1, wide, high);
            case 270 -> new Matrix(0, 1, -1, 0, high, 0);
            default -> new Matrix();
        };
        Matrix all = Matrix.concatenate(
                Matrix.getScaleInstance(unit, unit),
                Matrix.concatenate(turned, Matrix.getTranslateInstance(-crop.getLowerLeftX(), -crop.getLowerLeftY())));
        boolean upright = page.getRotation() % 180 == 0;
        return new PageTurn(all, (upright ? wide : high) * unit, (upright ? high : wide) * unit);
    }

    /** Whether the page is seen as it is drawn. */
    boolean straight() {
        return near(toSeen.getScaleX(), 1)
                && near(toSeen.getScaleY(), 1)
                && near(toSeen.getShearX(), 0)
                && near(toSeen.getShearY(), 0)
                && near(toSeen.getTranslateX(), 0)
                && near(toSeen.getTranslateY(), 0);
    }

    private static boolean near(float one, float other) {
        return Math.abs(one - other) < 0.001f;
    }

    /** A rectangle of the page's own space as it is seen. */
    PDRectangle seen(PDRectangle at) {
        var a = toSeen.transformPoint(at.getLowerLeftX(), at.getLowerLeftY());
        var b = toSeen.transformPoint(at.getUpperRightX(), at.getUpperRightY());
        float left = Math.min(a.x, b.x);
        float low = Math.min(a.y, b.y);
        return new PDRectangle(left, low, Math.max(a.x, b.x) - left, Math.max(a.y, b.y) - low);
    }

    /** What a drawing in a rectangle is turned by, so that it fits the rectangle as it is seen. */
    Matrix turnOnly() {
        float scale = (float) Math.hypot(toSeen.getScaleX(), toSeen.getShearY());
        return new Matrix(
                toSeen.getScaleX() / scale,
                toSeen.getShearY() / scale,
                toSeen.getShearX() / scale,
                toSeen.getScaleY() / scale,
                0,
                0);
    }
}
