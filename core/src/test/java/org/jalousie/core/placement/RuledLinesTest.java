package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;

class RuledLinesTest {
    private interface Drawing {
        void on(PDPageContentStream page) throws Exception;
    }

    private static List<RuledLines.Line> lines(PDRectangle crop, Drawing drawing) throws Exception {
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            page.setCropBox(crop);
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                drawing.on(content);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return RuledLines.of(out.toByteArray());
        }
    }

    private static RuledLines.Line line(double x1, double y1, double x2, double y2) {
        return new RuledLines.Line(1, x1, y1, x2, y2);
    }

    @Test
    void aStrokeAThinBoxAndTheSidesOfABoxAreLines() throws Exception {
        assertThat(lines(PDRectangle.A4, page -> {
                    page.moveTo(72, 700);
                    page.lineTo(300, 700);
                    page.stroke();
                    page.addRect(72, 600, 0.5f, 50);
                    page.fill();
                    page.addRect(100, 400, 80, 20);
                    page.stroke();
                }))
                .containsExactlyInAnyOrder(
                        line(72, 700, 300, 700),
                        line(72.3, 600, 72.3, 650),
                        line(100, 400, 100, 420),
                        line(180, 400, 180, 420),
                        line(100, 400, 180, 400),
                        line(100, 420, 180, 420));
    }

    @Test
    void linesAreWhereTheyAreSeenAndSlantedOrTinyOnesAreNone() throws Exception {
        assertThat(lines(new PDRectangle(20, 30, 400, 600), page -> {
                    page.transform(Matrix.getTranslateInstance(10, 10));
                    page.moveTo(100, 100);
                    page.lineTo(100, 200);
                    page.stroke();
                    page.moveTo(100, 100);
                    page.lineTo(200, 220);
                    page.stroke();
                    page.addRect(50, 50, 1, 1);
                    page.fill();
                }))
                .containsExactly(line(90, 80, 90, 180));
    }

    @Test
    void whatIsOnlyUsedToCutOffIsNoLineAndAPictureOfLinesIsNone() throws Exception {
        assertThat(lines(PDRectangle.A4, page -> {
                    page.addRect(100, 100, 200, 200);
                    page.clip();
                }))
                .isEmpty();
        assertThat(lines(PDRectangle.A4, page -> {
                    for (int i = 0; i < 1100; i++) {
                        page.moveTo(10, 1 + i * 0.7f);
                        page.lineTo(500, 1 + i * 0.7f);
                        page.stroke();
                    }
                }))
                .isEmpty();
    }
}
