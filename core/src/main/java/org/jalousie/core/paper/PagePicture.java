package org.jalousie.core.paper;

import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;

/** Pictures of scanned pages as they are kept: upright, as JPEG. */
public final class PagePicture {
    private static final float QUALITY = 0.8f;

    /** How far red, green and blue of white paper stray. */
    private static final int COLOURED = 40;

    private PagePicture() {}

    /** @param quarters how often it is turned, with the hands of a clock */
    public static byte[] jpeg(BufferedImage picture, int quarters) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(QUALITY);
            writer.setOutput(out);
            writer.write(null, new IIOImage(turned(picture, quarters), null, null), how);
            out.flush();
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("the picture can't be written", e);
        } finally {
            writer.dispose();
        }
    }

    private static BufferedImage turned(BufferedImage picture, int quarters) {
        boolean across = quarters % 2 == 1;
        int wide = across ? picture.getHeight() : picture.getWidth();
        int high = across ? picture.getWidth() : picture.getHeight();
        BufferedImage turned = new BufferedImage(
                wide, high, grey(picture) ? BufferedImage.TYPE_BYTE_GRAY : BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = turned.createGraphics();
        graphics.setColor(java.awt.Color.WHITE);
        graphics.fillRect(0, 0, wide, high);
        graphics.translate(wide / 2.0, high / 2.0);
        graphics.rotate(quarters * Math.PI / 2);
        graphics.drawImage(picture, -picture.getWidth() / 2, -picture.getHeight() / 2, null);
        graphics.dispose();
        return turned;
    }

    /** Whether nothing on it has a colour, like blue ink. */
    private static boolean grey(BufferedImage picture) {
        if (picture.getColorModel().getNumColorComponents() == 1) return true;
        for (int y = 0; y < picture.getHeight(); y += 2) {
            for (int x = 0; x < picture.getWidth(); x += 2) {
                int rgb = picture.getRGB(x, y);
                int red = rgb >> 16 & 0xFF;
                int green = rgb >> 8 & 0xFF;
                int blue = rgb & 0xFF;
                if (Math.max(red, Math.max(green, blue)) - Math.min(red, Math.min(green, blue)) > COLOURED)
                    return false;
            }
        }
        return true;
    }
}
