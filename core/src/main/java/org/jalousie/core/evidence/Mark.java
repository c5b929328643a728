package org.jalousie.core.evidence;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** The picture of a signature as it was typed or drawn: a PNG with a transparent ground. */
public final class Mark {
    /** Largest accepted file, in bytes. */
    public static final int LARGEST = 400_000;

    private Mark() {}

    /** What is wrong with a mark; the message is for the signer. */
    public static final class Unusable extends RuntimeException {
        public Unusable(String message) {
            super(message);
        }
    }

    /** @throws Unusable unless it is a PNG of a usable size with ink on it */
    public static BufferedImage read(byte[] png) {
        if (png.length > LARGEST)
            throw new Unusable("The picture of the signature is too large. Clear it and sign again.");
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(png))) {
            Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("png");
            ImageReader reader = readers.next();
            reader.setInput(in);
            if (reader.getWidth(0) > 2400 || reader.getHeight(0) > 1200)
                throw new Unusable("The picture of the signature is too large. Clear it and sign again.");
            BufferedImage image = reader.read(0);
            if (blank(image)) throw new Unusable("The signature is empty. Type or draw it first.");
            return image;
        } catch (IOException | RuntimeException e) {
            if (e instanceof Unusable unusable) throw unusable;
            throw new Unusable("The picture of the signature can't be read. Clear it and sign again.");
        }
    }

    private static boolean blank(BufferedImage image) {
        int inked = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                int argb = image.getRGB(x, y);
                boolean ink = (argb >>> 24) > 60 && ((argb >> 16 & 0xff) + (argb >> 8 & 0xff) + (argb & 0xff)) < 600;
                if (ink && ++inked > 20) return false;
            }
        }
        return true;
    }
}
