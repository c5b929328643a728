package org.jalousie.core.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceGray;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.jalousie.core.messages.NotPossible;
import org.junit.jupiter.api.Test;

/** Files as scanners make them, packed in the ways that they pack them. */
class ScanFileTest {
    private static final PaperPrint.Printed PRINTED = PaperSample.printed(PaperSample.document());

    private static BufferedImage scan() {
        return Scanner.GOOD.scan(PRINTED.pdf(), 1, (page, pen) -> {});
    }

    /** Black and white, as office scanners are set. */
    private static BufferedImage bilevel() {
        return bilevel(scan(), 190);
    }

    private static BufferedImage bilevel(BufferedImage grey, int white) {
        BufferedImage bilevel = new BufferedImage(grey.getWidth(), grey.getHeight(), BufferedImage.TYPE_BYTE_BINARY);
        for (int y = 0; y < grey.getHeight(); y++)
            for (int x = 0; x < grey.getWidth(); x++)
                bilevel.setRGB(x, y, (grey.getRGB(x, y) & 0xFF) > white ? 0xFFFFFFFF : 0xFF000000);
        return bilevel;
    }

    private static byte[] tiff(List<BufferedImage> pages, String packed) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        try (var out = ImageIO.createImageOutputStream(bytes)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionType(packed);
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (BufferedImage one : pages) writer.writeToSequence(new IIOImage(one, null, null), how);
            writer.endWriteSequence();
        }
        return bytes.toByteArray();
    }

    private static byte[] pdf(COSName filter, byte[] packed, int wide, int high, int bits) throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(wide * 72f / 300, high * 72f / 300));
            document.addPage(page);
            PDImageXObject image = new PDImageXObject(
                    document, new ByteArrayInputStream(packed), filter, wide, high, bits, PDDeviceGray.INSTANCE);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                out.drawImage(
                        image,
                        0,
                        0,
                        page.getMediaBox().getWidth(),
                        page.getMediaBox().getHeight());
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static void assertRead(byte[] file, int pages) {
        try (ScanFile scan = ScanFile.open(file)) {
            assertThat(scan.pages()).isEqualTo(pages);
            ScannedPage page = new ScannedPage(scan.picture(pages), scan.words(pages));
            assertThat(page.marks())
                    .singleElement()
                    .satisfies(mark -> assertThat(mark.page()).isEqualTo(1));
            assertThat(page.against(PrintedPage.of(PRINTED, 1)).findings()).isEmpty();
        }
    }

    @Test
    void picturesOfScannersAreReadHoweverTheyArePacked() throws IOException {
        assertRead(tiff(List.of(bilevel(), bilevel()), "CCITT T.6"), 2);
        assertRead(tiff(List.of(scan()), "LZW"), 1);
        assertRead(tiff(List.of(scan()), "JPEG"), 1);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(scan(), "png", png);
        assertRead(png.toByteArray(), 1);
        assertRead(PagePicture.jpeg(scan(), 0), 1);
    }

    /** Where thin strokes are lost one line says so, and not each word. */
    @Test
    void aPageThatIsTooCoarseToBeComparedIsToldAsSuch() {
        ScannedPage page = new ScannedPage(bilevel(scan(), 140), List.of());
        List<Finding> findings = page.against(PrintedPage.of(PRINTED, 1)).findings();
        assertThat(findings.get(0).kind()).isEqualTo(Finding.Kind.UNCLEAR);
        assertThat(findings.size()).isLessThan(25);
    }

    /** A page as JBIG2 (ITU-T T.88 §7.2 segments, §7.4.6 generic region, §6.2.6 coded by MMR) as PDF embeds it. */
    @Test
    void pagesThatArePackedAsJbig2AreNotEmpty() throws IOException {
        BufferedImage page = bilevel();
        byte[] mmr = group4(page);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(bytes);
        out.writeInt(0);
        out.writeByte(48); // page information
        out.writeByte(0);
        out.writeByte(1);
        out.writeInt(19);
        out.writeInt(page.getWidth());
        out.writeInt(page.getHeight());
        out.writeInt(0);
        out.writeInt(0);
        out.writeByte(0);
        out.writeShort(0);
        out.writeInt(1);
        out.writeByte(38); // immediate generic region
        out.writeByte(0);
        out.writeByte(1);
        out.writeInt(18 + mmr.length);
        out.writeInt(page.getWidth());
        out.writeInt(page.getHeight());
        out.writeInt(0);
        out.writeInt(0);
        out.writeByte(0);
        out.writeByte(1); // MMR
        out.write(mmr);
        byte[] jbig2 = bytes.toByteArray();
        assertRead(pdf(COSName.JBIG2_DECODE, jbig2, page.getWidth(), page.getHeight(), 1), 1);
    }

    /** The strip of a TIFF file with one (TIFF 6.0, tags 273 and 279). */
    private static byte[] group4(BufferedImage page) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        try (var out = ImageIO.createImageOutputStream(bytes)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionType("CCITT T.6");
            IIOMetadata metadata =
                    writer.getDefaultImageMetadata(ImageTypeSpecifier.createFromRenderedImage(page), how);
            var directory = javax.imageio.plugins.tiff.TIFFDirectory.createFromMetadata(metadata);
            var tags = javax.imageio.plugins.tiff.BaselineTIFFTagSet.getInstance();
            directory.addTIFFField(new javax.imageio.plugins.tiff.TIFFField(tags.getTag(278), page.getHeight()));
            writer.setOutput(out);
            writer.write(null, new IIOImage(page, null, directory.getAsMetadata()), how);
        }
        byte[] tiff = bytes.toByteArray();
        try (var in = ImageIO.createImageInputStream(new ByteArrayInputStream(tiff))) {
            var reader = ImageIO.getImageReadersByFormatName("tiff").next();
            reader.setInput(in);
            var directory = javax.imageio.plugins.tiff.TIFFDirectory.createFromMetadata(reader.getImageMetadata(0));
            assertThat(directory.getTIFFField(273).getCount()).isEqualTo(1);
            int from = (int) directory.getTIFFField(273).getAsLong(0);
            return java.util.Arrays.copyOfRange(
                    tiff, from, from + (int) directory.getTIFFField(279).getAsLong(0));
        }
    }

    @Test
    void whatCantBeReadIsToldAndIsNoEmptyPage() throws IOException {
        byte[] jpeg2000 = pdf(COSName.JPX_DECODE, new byte[] {0, 0, 0, 12}, 100, 140, 8);
        try (ScanFile scan = ScanFile.open(jpeg2000)) {
            assertThatThrownBy(() -> scan.picture(1))
                    .isInstanceOf(NotPossible.class)
                    .hasMessageContaining("JPEG 2000");
        }
        ByteArrayOutputStream locked = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage());
            document.protect(new StandardProtectionPolicy("owner", "reader", new AccessPermission()));
            document.save(locked);
        }
        assertThatThrownBy(() -> ScanFile.open(locked.toByteArray())).hasMessageContaining("password");
        for (byte[] file : List.of(
                new byte[0],
                "GIF89a and more".getBytes(StandardCharsets.US_ASCII),
                "%PDF-1.4 and nothing".getBytes(StandardCharsets.US_ASCII),
                new byte[] {'I', 'I', 42, 0, 8, 0, 0, 0}))
            assertThatThrownBy(() -> {
                        try (ScanFile scan = ScanFile.open(file)) {
                            scan.picture(1);
                        }
                    })
                    .isInstanceOf(NotPossible.class);
        ByteArrayOutputStream many = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i <= ScanFile.MOST_PAGES; i++) document.addPage(new PDPage());
            document.save(many);
        }
        assertThatThrownBy(() -> ScanFile.open(many.toByteArray())).hasMessageContaining("300 pages at most");
    }
}
