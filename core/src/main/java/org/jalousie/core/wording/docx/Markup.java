package org.jalousie.core.wording.docx;

import java.util.Locale;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.UnacceptableFile;

/** What the parts of a package become when they are read: a file of a few kilobytes may hold millions of elements. */
public final class Markup {
    /** Ten times what a book of 500 pages has. (measured on a book of 120 pages: 46,000) */
    private static final int MOST_MARKS = 1_200_000;

    private static final int LARGEST_XML = 60 * 1024 * 1024;

    private Markup() {}

    /** Whether a part is XML, by its name or by how it begins, in any encoding. */
    public static boolean isXml(String name, byte[] bytes) {
        String lower = name.toLowerCase(Locale.ROOT);
        if (lower.endsWith(".xml") || lower.endsWith(".rels") || lower.endsWith(".vml")) return true;
        for (int i = 0; i < Math.min(bytes.length, 64); i++) {
            int b = bytes[i] & 0xff;
            boolean beforeMarkup = b == 0 || b == 0xef || b == 0xbb || b == 0xbf || b == 0xfe || b == 0xff || b <= 0x20;
            if (!beforeMarkup) return b == '<';
        }
        return false;
    }

    /** @throws UnacceptableFile when reading the file would take more memory than a document needs */
    public static void weigh(Map<String, byte[]> parts) {
        long size = 0;
        int marks = 0;
        for (Map.Entry<String, byte[]> part : parts.entrySet()) {
            if (!isXml(part.getKey(), part.getValue())) continue;
            size += part.getValue().length;
            for (byte b : part.getValue()) if (b == '<') marks++;
            if (size > LARGEST_XML || marks > MOST_MARKS) throw new UnacceptableFile(Message.of("file.too-many-pages"));
        }
    }
}
