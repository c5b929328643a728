package org.jalousie.core.picture;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;

/**
 * A picture as it can stand in a document: PNG or JPEG, told by its content.
 *
 * @param extension {@code png} or {@code jpeg}
 * @param width in pixels
 * @param height in pixels
 */
public record PictureFile(byte[] bytes, String extension, int width, int height) {
    private static final long MOST_PIXELS = 60_000_000;
    private static final double DOTS_PER_MM = 220 / 25.4;

    /** Why a file can't be taken as a picture; the message is for the person who gave it. */
    public static final class Unacceptable extends NotPossible {
        Unacceptable(Message said) {
            super(said);
        }
    }

    /** @throws Unacceptable when it is no PNG or JPEG file, is damaged or has more than 60 million pixels */
    public static PictureFile read(byte[] bytes) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            String format = readers.hasNext() ? readers.next().getFormatName().toLowerCase(java.util.Locale.ROOT) : "";
            if (!format.equals("png") && !format.equals("jpeg")) throw new Unacceptable(Message.of("picture.kind"));
            ImageReader reader = ImageIO.getImageReadersByFormatName(format).next();
            reader.setInput(in);
            int width = reader.getWidth(0);
            int height = reader.getHeight(0);
            if ((long) width * height > MOST_PIXELS) throw new Unacceptable(Message.of("picture.pixels"));
            reader.dispose();
            return new PictureFile(bytes, format, width, height);
        } catch (IOException | IndexOutOfBoundsException | NegativeArraySizeException e) {
            throw new Unacceptable(Message.of("picture.damaged"));
        }
    }

    /**
     * Takes a picture in: reads all of it once, at a small size, so that one that can't be shown is refused now and not when
     * an agreement is made.
     *
     * @throws Unacceptable as {@link #read}, or when what it shows can't be read
     */
    public static PictureFile takeIn(byte[] bytes) {
        PictureFile picture = read(bytes);
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            ImageReader reader =
                    ImageIO.getImageReadersByFormatName(picture.extension).next();
            reader.setInput(in);
            ImageReadParam small = reader.getDefaultReadParam();
            int step = Math.max(1, (int) Math.sqrt((double) picture.width * picture.height / 250_000));
            small.setSourceSubsampling(step, step, 0, 0);
            reader.read(0, small);
            reader.dispose();
            if (picture.extension.equals("jpeg") && !ends(bytes)) throw new IOException("it breaks off");
            return picture;
        } catch (IOException | RuntimeException e) {
            throw new Unacceptable(Message.of("picture.damaged"));
        }
    }

    /** Whether a JPEG has its end mark (ITU-T T.81 Table B.1, EOI); readers make do without it. */
    private static boolean ends(byte[] jpeg) {
        for (int i = jpeg.length - 2; i > 0; i--) {
            if ((jpeg[i] & 0xff) == 0xff && (jpeg[i + 1] & 0xff) == 0xd9) return true;
        }
        return false;
    }

    /** The SHA-256 of its content, by which the same picture is known again. */
    public String digest() {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /**
     * The same picture in a box of other proportions: as large as fits, in the middle, clear around it.
     *
     * @param widthMm the box's width in millimetres
     * @param heightMm the box's height in millimetres
     */
    public PictureFile boxed(double widthMm, double heightMm) {
        double box = widthMm / heightMm;
        double own = (double) width / height;
        if (Math.abs(box - own) / box < 0.01) return this;
        double dots = Math.min(DOTS_PER_MM, Math.max(width / widthMm, height / heightMm));
        int w = Math.max(1, (int) Math.round(widthMm * dots));
        int h = Math.max(1, (int) Math.round(heightMm * dots));
        double scale = Math.min((double) w / width, (double) h / height);
        int drawnWidth = Math.max(1, (int) Math.round(width * scale));
        int drawnHeight = Math.max(1, (int) Math.round(height * scale));
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = out.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(decoded(), (w - drawnWidth) / 2, (h - drawnHeight) / 2, drawnWidth, drawnHeight, null);
        graphics.dispose();
        return png(out);
    }

    private BufferedImage decoded() {
        try {
            return ImageIO.read(new ByteArrayInputStream(bytes));
        } catch (IOException e) {
            throw new Unacceptable(Message.of("picture.damaged"));
        }
    }

    static PictureFile png(BufferedImage image) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(image, "png", out);
            return new PictureFile(out.toByteArray(), "png", image.getWidth(), image.getHeight());
        } catch (IOException e) {
            throw new IllegalStateException("writing to memory failed", e);
        }
    }
}
