package org.jalousie.server.files;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import org.jalousie.core.picture.PictureFile;

/** Files that everybody can open: PDF and pictures. What a file is, is told by its content and not by its name. */
public final class OpenFiles {
    /** The largest that is taken in, in bytes. */
    public static final int LARGEST = 5_000_000;

    private static final byte[] PDF = "%PDF-".getBytes(StandardCharsets.US_ASCII);

    private OpenFiles() {}

    /** The file as it is kept, a picture without what its camera told of it; empty for what is neither a PDF nor a picture. */
    public static Optional<byte[]> taken(byte[] bytes) {
        if (isPdf(bytes)) return Optional.of(bytes);
        try {
            return Optional.of(PictureFile.takeIn(bytes).bytes());
        } catch (PictureFile.Unacceptable e) {
            return Optional.empty();
        }
    }

    /** The media type of a file that was taken in. */
    public static String typeOf(byte[] bytes) {
        if (isPdf(bytes)) return "application/pdf";
        return PictureFile.read(bytes).extension().equals("png") ? "image/png" : "image/jpeg";
    }

    /** A name without what no file system or mail takes. @param longest in letters */
    public static String plain(String name, int longest) {
        String plain = name.replaceAll("[\\p{Cntrl}\\\\/:*?\"<>|]", " ").strip();
        int letters = Math.min(longest, plain.codePointCount(0, plain.length()));
        return plain.substring(0, plain.offsetByCodePoints(0, letters)).strip();
    }

    /** ISO 32000-1, §7.5.2. */
    private static boolean isPdf(byte[] bytes) {
        return bytes.length > PDF.length && Arrays.equals(Arrays.copyOf(bytes, PDF.length), PDF);
    }
}
