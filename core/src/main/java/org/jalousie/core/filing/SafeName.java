package org.jalousie.core.filing;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** One name of a folder or a file that every usual file system takes and that means nothing but itself. */
final class SafeName {
    private static final Pattern REFUSED = Pattern.compile("[\\p{Cntrl}\\p{Cf}\\\\/:*?\"<>|]");

    /** Names that Windows keeps for devices, also with an ending (Microsoft, "Naming Files, Paths, and Namespaces"). */
    private static final Pattern DEVICE = Pattern.compile(
            "(con|prn|aux|nul|com[0-9\u00b9\u00b2\u00b3]|lpt[0-9\u00b9\u00b2\u00b3])(\\..*)?",
            Pattern.CASE_INSENSITIVE);

    private SafeName() {}

    /** The text as a name; empty where nothing is left of it. @param longest in bytes: a name has 255 at most (POSIX NAME_MAX) */
    static String of(String text, int longest) {
        String plain = REFUSED.matcher(Normalizer.normalize(text, Normalizer.Form.NFC))
                .replaceAll(" ")
                .replaceAll("\\s+", " ");
        String name = ends(shortened(ends(plain), longest));
        return DEVICE.matcher(name).matches() ? "_" + name : name;
    }

    /** No space or full stop at its end, which Windows takes away, and none but letters at its beginning, which hide a file. */
    private static String ends(String text) {
        return text.replaceAll("^[\\s.~]+|[\\s.]+$", "");
    }

    private static String shortened(String text, int longest) {
        int end = text.length();
        while (text.substring(0, end).getBytes(StandardCharsets.UTF_8).length > longest)
            end = text.offsetByCodePoints(end, -1);
        return text.substring(0, end);
    }

    /** By what two names are the same on file systems that make no difference between capitals, or between two ways to write a letter. */
    static String key(String path) {
        return Normalizer.normalize(path, Normalizer.Form.NFC)
                .toUpperCase(Locale.ROOT)
                .toLowerCase(Locale.ROOT);
    }
}
