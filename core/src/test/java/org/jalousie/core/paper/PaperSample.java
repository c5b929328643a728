package org.jalousie.core.paper;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;

/** An agreement of two pages that is signed on the second. */
public final class PaperSample {
    public static final AgreementNumber NUMBER = new AgreementNumber("A-2026-0042");

    /** The same each time: a file that is put together anew has another one, and another mark with it. */
    private static final Sha256 STATE = Sha256.of("the harpsichord of 1743".getBytes(StandardCharsets.UTF_8));

    private static final String[] LINES = {
        "The lender lends the museum the harpsichord of 1743 with its stand and its case.",
        "It is insured for 12,500 euro, from nail to nail, against all risks and without excess.",
        "The museum keeps it at 45 to 55 per cent of relative humidity and 18 to 21 degrees.",
        "It is not played, not tuned and not opened without the lender's word in writing.",
        "Light on its lid stays below 50 lux; no photograph of it is taken with a flash.",
        "A courier of the lender goes with it both ways; the museum pays 340 euro a day.",
        "Whoever finds damage tells the other within 3 days, with pictures of where it is."
    };

    private PaperSample() {}

    /** The wording, with one piece of it said otherwise. */
    public static byte[] document(String of, String instead) {
        try (PDDocument document = new PDDocument()) {
            PDType1Font font = new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN);
            for (int number = 1; number <= 2; number++) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                    int y = 760;
                    for (int i = 0; i < (number == 1 ? 40 : 20); i++, y -= 16) {
                        out.beginText();
                        out.setFont(font, 11);
                        out.newLineAtOffset(70, y);
                        String line = (number == 1 ? "" : "2. ") + (i + 1) + ". " + LINES[(i + number) % LINES.length];
                        out.showText(number == 1 && i < 7 ? line.replace(of, instead) : line);
                        out.endText();
                    }
                    out.addRect(70, 100, 455, 0.8f);
                    out.fill();
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A page of something else. */
    static byte[] another() {
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            PDType1Font font = new PDType1Font(Standard14Fonts.FontName.COURIER);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                for (int i = 0; i < 30; i++) {
                    out.beginText();
                    out.setFont(font, 9.5f);
                    out.newLineAtOffset(60 + i % 3 * 25, 780 - i * 21.3f);
                    out.showText("Invoice " + i * 7919 + " for tuning pins, gut strings and felt of grade " + i);
                    out.endText();
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static byte[] document() {
        return document("?", "?");
    }

    static List<PaperPrint.Place> places() {
        List<PaperPrint.Place> places = new ArrayList<>();
        places.add(new PaperPrint.Place(2, 70, 300, 200, 50, "lender", "Signature of Ida Marsh", true));
        places.add(new PaperPrint.Place(2, 320, 300, 200, 50, "museum", "Signature of Tomas Vale", true));
        return places;
    }

    /** As it comes out of the printer; another one's wording may pass itself off as it. */
    static PaperPrint.Printed printed(byte[] document) {
        return PaperPrint.of(NUMBER, new PaperPrint.Sheet(STATE, document, places()));
    }
}
