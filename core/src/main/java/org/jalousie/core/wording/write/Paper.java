package org.jalousie.core.wording.write;

/** A size of paper. Width and height in twentieths of a point, as Office Open XML has them (ISO/IEC 29500-1 §17.6.13). */
public enum Paper {
    /** 210 × 297 mm (ISO 216). */
    A4(11906, 16838),
    /** 8.5 × 11 inches (ANSI/ASME Y14.1). */
    LETTER(12240, 15840);

    static final double TWIPS_PER_MM = 1440 / 25.4;

    private final int width;
    private final int height;

    Paper(int width, int height) {
        this.width = width;
        this.height = height;
    }

    int width() {
        return width;
    }

    /** The room between the margins. */
    int between(int marginMm) {
        return width - 2 * twips(marginMm);
    }

    static int twips(double mm) {
        return (int) Math.round(mm * TWIPS_PER_MM);
    }

    /** The settings of a section on this paper, with one margin on all sides; headers and footers stand halfway in it. */
    String section(int marginMm) {
        int margin = twips(marginMm);
        return "<w:pgSz w:w=\"" + width + "\" w:h=\"" + height + "\"/><w:pgMar w:top=\"" + margin + "\" w:right=\""
                + margin
                + "\" w:bottom=\"" + margin + "\" w:left=\"" + margin + "\" w:header=\"" + margin / 2 + "\" w:footer=\""
                + margin / 2 + "\" w:gutter=\"0\"/>";
    }
}
