package org.jalousie.core.wording.compile;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.tags.Part;

/** Looks over every part that nobody filled for braces that were meant as tags. */
final class LastLook {
    private static final long MOST = 20_000_000;

    private LastLook() {}

    static void over(Map<String, byte[]> parts, Map<String, List<Segment>> compiled, List<Diagnostic> diagnostics) {
        parts.forEach((name, bytes) -> {
            if (compiled.containsKey(name) || name.startsWith("word/glossary/")) return;
            boolean hidden = name.contains("/embeddings/");
            String found = bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' ? inside(bytes) : braces(bytes);
            if (found.isEmpty()) return;
            diagnostics.add(new Diagnostic(
                    "tag-left",
                    hidden ? "embedded object" : name.endsWith(".rels") ? "addresses" : "inserted document",
                    found,
                    Message.of("wording.tag-left"),
                    hidden ? Message.of("wording.tag-left.hidden") : Message.of("wording.tag-left.cure"),
                    !hidden));
        });
    }

    private static String braces(byte[] bytes) {
        String text = new String(bytes, StandardCharsets.UTF_8);
        if (text.indexOf('\0') >= 0 && text.startsWith("\ufffd")) return "";
        int at = text.indexOf("{{");
        if (at < 0) at = text.toLowerCase(java.util.Locale.ROOT).indexOf("%7b%7b");
        // the older text format doubles its own signs
        if (at < 0 && text.startsWith("{\\rtf")) at = text.indexOf("\\{\\{");
        if (at < 0 || text.indexOf('}', at) < 0) return "";
        return Part.place(text, at, Math.min(text.length(), at + 20))
                .replaceAll("<[^>]*>?", " ")
                .strip();
    }

    private static String inside(byte[] bytes) {
        long read = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                byte[] content = zip.readNBytes((int) (MOST - read));
                read += content.length;
                if (read >= MOST) return "";
                if (!entry.getName().endsWith(".xml")) continue;
                String found = braces(content);
                if (!found.isEmpty()) return found;
            }
        } catch (IOException | IllegalArgumentException e) {
            // no package after all: nothing in it can print
            return "";
        }
        return "";
    }
}
