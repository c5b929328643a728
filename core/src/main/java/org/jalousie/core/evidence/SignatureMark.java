package org.jalousie.core.evidence;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;

/** The picture of a signature as it was typed or drawn: a PNG with a transparent ground. */
public final class SignatureMark {
    /** Largest accepted file, in bytes. */
    public static final int LARGEST = 400_000;

    private SignatureMark() {}

    /** What is wrong with a mark, for the signer. */
    public static final class Unusable extends NotPossible {
        Unusable(String code) {
            super(Message.of(code));
        }
    }

    /** @throws Unusable unless it is a PNG of a usable size with ink on it */
    public static BufferedImage read(byte[] png) {
        if (png.length > LARGEST) throw new Unusable("mark.too-large");
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(png))) {
            Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("png");
            ImageReader reader = readers.next();
            reader.setInput(in);
            if (reader.getWidth(0) > 2400 || reader.getHeight(0) > 1200) throw new Unusable("mark.too-large");
            BufferedImage image = reader.read(0);
            if (blank(image)) throw new Unusable("mark.empty");
            return image;
        } catch (IOException | RuntimeException e) {
            if (e instanceof Unusable unusable) throw unusable;
            throw new Unusable("mark.unreadable");
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
