package org.jalousie.core.paper;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.CubicCurve2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.BiConsumer;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Paper that is written on and laid on a scanner: askew, a little larger or smaller, faint, with dust and noise, as JPEG.
 *
 * @param askew in degrees
 * @param size 1 for as it was printed
 * @param faint from 0 for black to 1 for nothing
 * @param noise how far brightness strays, in steps of 255
 * @param quarters how it was turned, with the hands of a clock
 */
public record Scanner(double askew, double size, double faint, int noise, int dpi, int quarters, long seed) {
    public static final Scanner GOOD = new Scanner(0.4, 1.0, 0.1, 6, 300, 0, 1);
    public static final Scanner POOR = new Scanner(-1.6, 0.97, 0.4, 14, 150, 0, 2);

    public Scanner turned(int by) {
        return new Scanner(askew, size, faint, noise, dpi, by, seed);
    }

    /** @param pen writes on a page, by its number from 0, in PDF points from above left */
    public List<BufferedImage> scan(byte[] pdf, BiConsumer<Integer, Graphics2D> pen) {
        return scan(pdf, 0, Integer.MAX_VALUE, pen);
    }

    /** One page of it. @param page from 1 */
    public BufferedImage scan(byte[] pdf, int page, BiConsumer<Integer, Graphics2D> pen) {
        return scan(pdf, page - 1, page, pen).get(0);
    }

    private List<BufferedImage> scan(byte[] pdf, int from, int until, BiConsumer<Integer, Graphics2D> pen) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<BufferedImage> pages = new ArrayList<>();
            for (int i = from; i < Math.min(until, document.getNumberOfPages()); i++) {
                BufferedImage page = new PDFRenderer(document).renderImageWithDPI(i, 300, ImageType.GRAY);
                Graphics2D graphics = page.createGraphics();
                graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
                graphics.scale(300 / 72.0, 300 / 72.0);
                graphics.setColor(new Color(30, 30, 30));
                graphics.setStroke(new BasicStroke(1.1f));
                pen.accept(i, graphics);
                graphics.dispose();
                pages.add(laid(page, i));
            }
            return pages;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public byte[] pdf(byte[] pdf, BiConsumer<Integer, Graphics2D> pen) {
        return asPdf(scan(pdf, pen), dpi);
    }

    /** Pictures as a scanner's program puts them together. */
    public static byte[] asPdf(List<BufferedImage> pages, int dpi) {
        try (PDDocument document = new PDDocument()) {
            for (BufferedImage one : pages) {
                PDPage page = new PDPage(new PDRectangle(one.getWidth() * 72f / dpi, one.getHeight() * 72f / dpi));
                document.addPage(page);
                try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                    out.drawImage(
                            JPEGFactory.createFromImage(document, one, 0.7f),
                            0,
                            0,
                            page.getMediaBox().getWidth(),
                            page.getMediaBox().getHeight());
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A signature, about as large as people write. */
    public static void sign(Graphics2D pen, double x, double y) {
        pen.draw(new CubicCurve2D.Double(x, y, x + 20, y - 40, x + 25, y + 30, x + 45, y - 8));
        pen.draw(new CubicCurve2D.Double(x + 45, y - 8, x + 60, y - 30, x + 62, y + 14, x + 95, y - 4));
    }

    private BufferedImage laid(BufferedImage page, int number) throws IOException {
        int wide = (int) Math.round(page.getWidth() * dpi / 300.0);
        int high = (int) Math.round(page.getHeight() * dpi / 300.0);
        BufferedImage laid = new BufferedImage(wide, high, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = laid.createGraphics();
        graphics.setColor(new Color(244, 244, 244));
        graphics.fillRect(0, 0, wide, high);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        AffineTransform at = new AffineTransform();
        at.translate(wide / 2.0 + 3, high / 2.0 - 4);
        at.rotate(Math.toRadians(askew));
        at.scale(size * dpi / 300, size * dpi / 300);
        at.translate(-page.getWidth() / 2.0, -page.getHeight() / 2.0);
        graphics.drawImage(halved(page), at, null);
        graphics.dispose();
        Random random = new Random(seed + number);
        byte[] dots = ((java.awt.image.DataBufferByte) laid.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < dots.length; i++) {
            double value = dots[i] & 0xFF;
            value = value + (240 - value) * faint + random.nextGaussian() * noise;
            dots[i] = (byte) Math.max(0, Math.min(255, value));
        }
        for (int i = 0; i < 30; i++) {
            int dust = random.nextInt(wide * (high - 3));
            dots[dust] = 60;
            dots[dust + wide] = 80;
        }
        return compressed(turn(laid));
    }

    /** Softened, since a scanner averages what it sees. */
    private static BufferedImage halved(BufferedImage page) {
        float[] kernel = {1 / 16f, 2 / 16f, 1 / 16f, 2 / 16f, 4 / 16f, 2 / 16f, 1 / 16f, 2 / 16f, 1 / 16f};
        return new java.awt.image.ConvolveOp(
                        new java.awt.image.Kernel(3, 3, kernel), java.awt.image.ConvolveOp.EDGE_NO_OP, null)
                .filter(page, null);
    }

    private BufferedImage turn(BufferedImage page) {
        BufferedImage turned = page;
        for (int i = 0; i < quarters; i++) {
            BufferedImage next = new BufferedImage(turned.getHeight(), turned.getWidth(), BufferedImage.TYPE_BYTE_GRAY);
            Graphics2D graphics = next.createGraphics();
            graphics.translate(turned.getHeight(), 0);
            graphics.rotate(Math.PI / 2);
            graphics.drawImage(turned, 0, 0, null);
            graphics.dispose();
            turned = next;
        }
        return turned;
    }

    private static BufferedImage compressed(BufferedImage page) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam param = writer.getDefaultWriteParam();
        param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        param.setCompressionQuality(0.6f);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        writer.setOutput(ImageIO.createImageOutputStream(out));
        writer.write(null, new IIOImage(page, null, null), param);
        writer.dispose();
        return ImageIO.read(new ByteArrayInputStream(out.toByteArray()));
    }
}
