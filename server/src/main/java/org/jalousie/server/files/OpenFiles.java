package org.jalousie.server.files;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Arrays;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Texts;
import org.jalousie.core.picture.PictureFile;

/** Files that everybody can open: PDF and pictures. What a file is, is told by its content and not by its name. */
public final class OpenFiles {
    /** The largest that is taken in, in bytes. */
    public static final int LARGEST = 5_000_000;

    private static final Pattern ENDING = Pattern.compile("\\.[A-Za-z0-9]{1,5}$");
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

    /** A name without what no file system or mail takes, composed; one that is too long loses the end of its stem. @param longest in letters */
    public static String plain(String name, int longest) {
        String plain = Texts.bare(
                Normalizer.normalize(name, Normalizer.Form.NFC).replaceAll("[\\p{Cntrl}\\\\/:*?\"<>|]", " "));
        int letters = plain.codePointCount(0, plain.length());
        if (letters <= longest) return plain;
        Matcher ending = ENDING.matcher(plain);
        String kept = ending.find() ? ending.group() : "";
        return Texts.bare(plain.substring(0, plain.offsetByCodePoints(0, longest - kept.length()))) + kept;
    }

    /** ISO 32000-1, §7.5.2. */
    public static boolean isPdf(byte[] bytes) {
        return bytes.length > PDF.length && Arrays.equals(Arrays.copyOf(bytes, PDF.length), PDF);
    }
}
