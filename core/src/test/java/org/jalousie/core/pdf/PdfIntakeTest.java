package org.jalousie.core.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.management.ThreadMXBean;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceCMYK;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationSquare;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.jalousie.core.messages.Message;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PdfIntakeTest {
    /** A page as it was drawn by hand: words, a frame, and a square that an annotation draws. */
    private static PDDocument drawn(int rotation, float left, float low, float unit) throws IOException {
        PDDocument document = new PDDocument();
        PDPage page = new PDPage(new PDRectangle(-50, -80, 700, 900));
        page.setCropBox(new PDRectangle(left, low, 500, 640));
        page.setRotation(rotation);
        page.setUserUnit(unit);
        document.addPage(page);
        try (PDPageContentStream out = new PDPageContentStream(document, page)) {
            out.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 14);
            out.beginText();
            out.newLineAtOffset(left + 60, low + 500);
            out.showText("The lender’s signature, Frankfurt (Oder) 12 €");
            out.endText();
            out.addRect(left + 40, low + 60, 120, 50);
            out.stroke();
        }
        PDAnnotationSquare square = new PDAnnotationSquare();
        square.setRectangle(new PDRectangle(left + 300, low + 100, 60, 30));
        square.setColor(
                new PDColor(new float[] {1, 0, 0}, org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB.INSTANCE));
        square.setPrinted(true);
        page.setAnnotations(List.of(square));
        square.constructAppearances(document);
        return document;
    }

    private static byte[] bytes(PDDocument document) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        document.close();
        return out.toByteArray();
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0, 0, 1",
        "90, 0, 0, 1",
        "180, 0, 0, 1",
        "270, 0, 0, 1",
        "0, 30, -40, 1",
        "90, 30, -40, 1",
        "180, -20, 15, 1",
        "270, 30, 60, 1",
        "0, 0, 0, 2",
        "90, 10, 20, 0.5"
    })
    void pagesLookAsTheyDidAndStandUpright(int rotation, float left, float low, float unit) throws IOException {
        byte[] original = bytes(drawn(rotation, left, low, unit));
        PdfIntake.TakenIn taken = PdfIntake.take(original, "A form", false);
        assertThat(taken.archival()).isTrue();
        try (PDDocument before = Loader.loadPDF(original);
                PDDocument after = Loader.loadPDF(taken.pdf())) {
            PDPage page = after.getPage(0);
            assertThat(page.getRotation()).isZero();
            assertThat(page.getUserUnit()).isEqualTo(1);
            assertThat(page.getMediaBox().getLowerLeftX()).isZero();
            assertThat(page.getMediaBox().getLowerLeftY()).isZero();
            assertThat(page.getAnnotations()).isEmpty();
            boolean turned = rotation % 180 != 0;
            assertThat(taken.sizes().get(0).width()).isEqualTo((turned ? 640 : 500) * unit);
            assertThat(taken.sizes().get(0).height()).isEqualTo((turned ? 500 : 640) * unit);
            // the renderer takes no notice of a page's unit
            BufferedImage was = new PDFRenderer(before).renderImage(0, 2);
            BufferedImage is = new PDFRenderer(after).renderImage(0, 2 / unit);
            assertThat(difference(was, is)).isLessThan(0.01);
        }
    }

    /** The share of points that are dark in one picture and light in the other, also in the points around. */
    private static double difference(BufferedImage one, BufferedImage other) {
        assertThat(Math.abs(one.getWidth() - other.getWidth())).isLessThanOrEqualTo(1);
        assertThat(Math.abs(one.getHeight() - other.getHeight())).isLessThanOrEqualTo(1);
        int dark = 0;
        int lost = 0;
        for (int y = 2; y < Math.min(one.getHeight(), other.getHeight()) - 2; y++) {
            for (int x = 2; x < Math.min(one.getWidth(), other.getWidth()) - 2; x++) {
                if (light(one, x, y) > 90) continue;
                dark++;
                boolean found = false;
                for (int dy = -2; dy <= 2; dy++)
                    for (int dx = -2; dx <= 2; dx++) found |= light(other, x + dx, y + dy) < 160;
                if (!found) lost++;
            }
        }
        assertThat(dark).isGreaterThan(300);
        return (double) lost / dark;
    }

    private static int light(BufferedImage picture, int x, int y) {
        int rgb = picture.getRGB(x, y);
        return ((rgb >> 16 & 255) + (rgb >> 8 & 255) + (rgb & 255)) / 3;
    }

    @Test
    void aFontThatIsOnlyNamedIsReplacedByOneOfItsMeasures() throws IOException {
        PdfIntake.TakenIn taken = PdfIntake.take(bytes(drawn(0, 0, 0, 1)), "A form", false);
        assertThat(taken.notes())
                .containsExactly(Message.of("pdf.font-replaced", "font", "Helvetica", "by", "LiberationSans"));
        assertThat(PageWords.of(taken.pdf()).text()).isEqualTo("The lender’s signature, Frankfurt (Oder) 12 €");
    }

    @Test
    void whatCantBeTakenSaysWhy() throws IOException {
        assertThatThrownBy(() -> PdfIntake.take("no pdf".getBytes(StandardCharsets.US_ASCII), "x", true))
                .isInstanceOfSatisfying(
                        PdfRefused.class,
                        refused -> assertThat(refused.reason()).isEqualTo(PdfRefused.Reason.UNREADABLE));
        PDDocument locked = drawn(0, 0, 0, 1);
        locked.protect(new StandardProtectionPolicy("owner", "", new AccessPermission()));
        refused(bytes(locked), PdfRefused.Reason.PROTECTED);
        PDDocument secret = drawn(0, 0, 0, 1);
        secret.protect(new StandardProtectionPolicy("owner", "reader", new AccessPermission()));
        refused(bytes(secret), PdfRefused.Reason.PROTECTED);
        PDDocument dynamic = drawn(0, 0, 0, 1);
        COSDictionary form = new COSDictionary();
        form.setItem(COSName.FIELDS, new COSArray());
        form.setItem(COSName.getPDFName("XFA"), new COSString("<xdp/>"));
        dynamic.getDocumentCatalog().getCOSObject().setItem(COSName.ACRO_FORM, form);
        refused(bytes(dynamic), PdfRefused.Reason.DYNAMIC);
        PDDocument signed = drawn(0, 0, 0, 1);
        COSDictionary signature = new COSDictionary();
        signature.setItem(COSName.BYTERANGE, COSArray.ofCOSIntegers(List.of(0, 1, 2, 3)));
        signature.setItem(COSName.CONTENTS, new COSString("x"));
        signed.getDocumentCatalog().getCOSObject().setItem(COSName.getPDFName("Held"), signature);
        refused(bytes(signed), PdfRefused.Reason.SIGNED);
        PDDocument none = new PDDocument();
        refused(bytes(none), PdfRefused.Reason.UNREADABLE);
        PDDocument many = new PDDocument();
        for (int i = 0; i < 201; i++) many.addPage(new PDPage());
        refused(bytes(many), PdfRefused.Reason.TOO_LONG);
    }

    private static void refused(byte[] pdf, PdfRefused.Reason reason) {
        assertThatThrownBy(() -> PdfIntake.take(pdf, "x", true))
                .isInstanceOfSatisfying(
                        PdfRefused.class,
                        refused -> assertThat(refused.reason())
                                .as(refused.getMessage())
                                .isEqualTo(reason));
    }

    @Test
    void aDamagedFileIsMendedAndThatIsSaid() throws IOException {
        byte[] whole = bytes(drawn(0, 0, 0, 1));
        byte[] cut = Arrays.copyOf(whole, whole.length - 60);
        PdfIntake.TakenIn taken = PdfIntake.take(cut, "A form", false);
        assertThat(taken.notes()).extracting(Message::code).contains("pdf.mended");
        assertThat(PageWords.of(taken.pdf()).text()).contains("signature");
    }

    @Test
    void whatCantBeKeptForeverIsTakenAsPlainPdfOnlyWhenThatIsWished() throws IOException {
        PDDocument document = new PDDocument();
        PDPage page = new PDPage();
        document.addPage(page);
        try (PDPageContentStream out = new PDPageContentStream(document, page)) {
            out.setNonStrokingColor(new PDColor(new float[] {0, 1, 1, 0}, PDDeviceCMYK.INSTANCE));
            out.addRect(10, 10, 100, 100);
            out.fill();
        }
        byte[] pdf = bytes(document);
        assertThatThrownBy(() -> PdfIntake.take(pdf, "x", false)).isInstanceOfSatisfying(PdfRefused.class, refused -> {
            assertThat(refused.reason()).isEqualTo(PdfRefused.Reason.NOT_ARCHIVABLE);
            assertThat(refused.getMessage()).contains("CMYK");
        });
        PdfIntake.TakenIn taken = PdfIntake.take(pdf, "x", true);
        assertThat(taken.archival()).isFalse();
        assertThat(taken.notes()).extracting(Message::code).containsExactly("pdf.plain");
        assertThat(new String(taken.pdf(), StandardCharsets.ISO_8859_1)).doesNotContain("pdfaid");
    }

    @Test
    void nothingGoesOutThatActsByItselfOrTellsWhoWroteIt() throws IOException {
        PDDocument document = drawn(0, 0, 0, 1);
        document.getDocumentInformation().setAuthor("Somebody");
        COSDictionary script = new COSDictionary();
        script.setItem(COSName.S, COSName.getPDFName("JavaScript"));
        script.setString(COSName.JS, "app.alert(1)");
        document.getDocumentCatalog().getCOSObject().setItem(COSName.OPEN_ACTION, script);
        PDAnnotationText comment = new PDAnnotationText();
        comment.setRectangle(new PDRectangle(10, 10, 20, 20));
        comment.setContents("is this right?");
        document.getPage(0).setAnnotations(List.of(comment));
        PdfIntake.TakenIn taken = PdfIntake.take(bytes(document), "A form", false);
        assertThat(taken.notes()).contains(Message.of("pdf.comments-gone", "count", 1));
        try (PDDocument after = Loader.loadPDF(taken.pdf())) {
            assertThat(after.getDocumentInformation().getAuthor()).isNull();
            assertThat(after.getDocumentInformation().getTitle()).isEqualTo("A form");
            assertThat(after.getDocumentCatalog().getOpenAction()).isNull();
            assertThat(after.getPage(0).getAnnotations()).isEmpty();
        }
        assertThat(new String(taken.pdf(), StandardCharsets.ISO_8859_1)).doesNotContain("app.alert", "is this right");
    }

    @Test
    void aDrawingThatLeavesItsStateChangedDoesntMoveWhatIsPutThereLater() throws IOException {
        PDDocument document = new PDDocument();
        PDPage page = new PDPage(new PDRectangle(300, 300));
        document.addPage(page);
        try (PDPageContentStream out =
                new PDPageContentStream(document, page, PDPageContentStream.AppendMode.OVERWRITE, false)) {
            out.appendRawCommands("Q q 2 0 0 2 50 50 cm q 1 0 0 1 9 9 cm 0 0 10 10 re f ");
        }
        PdfIntake.TakenIn taken = PdfIntake.take(bytes(document), "x", false);
        assertThat(taken.archival()).isTrue();
        try (PDDocument after = Loader.loadPDF(taken.pdf())) {
            String drawing = new String(after.getPage(0).getContents().readAllBytes(), StandardCharsets.US_ASCII);
            assertThat(drawing.split("\\bq\\b", -1)).hasSameSizeAs(drawing.split("\\bQ\\b", -1));
        }
    }

    /** Bytes changed by chance: a file is taken or refused with a reason, and nothing else happens. */
    @Test
    void whateverIsBrokenInAFileItIsTakenOrRefused() throws IOException {
        byte[] whole = PdfSample.form();
        Random random = new Random(27);
        int taken = 0;
        for (int i = 0; i < 120; i++) {
            byte[] broken = whole.clone();
            for (int k = 0; k <= i / 8; k++) broken[random.nextInt(broken.length)] = (byte) random.nextInt(256);
            try {
                assertThat(PdfIntake.take(broken, "x", true).sizes()).isNotEmpty();
                taken++;
            } catch (PdfRefused refused) {
                assertThat(refused.getMessage()).isNotBlank();
            }
        }
        assertThat(taken).isBetween(1, 119);
    }

    @Test
    void aFontStaysWhateverItsPageCallsIt() throws IOException {
        PDDocument document = new PDDocument();
        PDPage page = new PDPage();
        document.addPage(page);
        PDResources resources = new PDResources();
        resources.put(COSName.getPDFName("TR"), new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN));
        page.setResources(resources);
        try (PDPageContentStream out =
                new PDPageContentStream(document, page, PDPageContentStream.AppendMode.OVERWRITE, false)) {
            out.appendRawCommands("BT /TR 12 Tf 50 500 Td (Set in a font of that name) Tj ET\n");
        }
        PdfIntake.TakenIn taken = PdfIntake.take(bytes(document), "x", false);
        assertThat(PageWords.of(taken.pdf()).text()).isEqualTo("Set in a font of that name");
    }

    @Test
    void aLargeFileIsHeldOnceAsItCameAndOnceAsItBecomes() throws IOException {
        byte[] small = noise(1);
        byte[] large = noise(10);
        PdfIntake.take(small, "Scan", false);
        long more = allocatedFor(large) - allocatedFor(small);
        // what it becomes, once, and what looking through it takes, which does not grow with the pictures
        assertThat(more).isBetween((large.length - small.length) * 9L / 10, (large.length - small.length) * 3L / 2);
    }

    /** Bytes that taking a file in asks for in all, given back or not. */
    private static long allocatedFor(byte[] pdf) {
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        PdfIntake.take(pdf, "Scan", false);
        return threads.getCurrentThreadAllocatedBytes() - before;
    }

    /** Pages of a scanner: pictures that can't be made smaller. */
    private static byte[] noise(int pages) throws IOException {
        Random random = new Random(7);
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            for (int i = 0; i < pages; i++) {
                BufferedImage picture = new BufferedImage(1500, 1200, BufferedImage.TYPE_BYTE_GRAY);
                random.nextBytes(((DataBufferByte) picture.getRaster().getDataBuffer()).getData());
                PDPage page = new PDPage();
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    content.drawImage(LosslessFactory.createFromImage(document, picture), 0, 0, 612, 792);
                }
            }
            document.save(out);
            return out.toByteArray();
        }
    }
}
