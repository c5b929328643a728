package org.jalousie.core.wording;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.docx.Markup;
import org.jalousie.core.wording.docx.Outward;
import org.jalousie.core.wording.docx.OwnLinks;
import org.jalousie.core.wording.docx.PackageOrder;
import org.jalousie.core.wording.docx.SafeXml;

/** The parts of a Word file (ECMA-376 part 2, Open Packaging Conventions), opened safely. */
public final class WordFile {
    /** Largest file taken in, in bytes. */
    public static final int LARGEST_FILE = 25 * 1024 * 1024;

    /** The part that holds the body, whatever it was called in the file that came. */
    public static final String MAIN = "word/document.xml";

    private static final long LARGEST_UNPACKED = 100L * 1024 * 1024;
    private static final int MOST_PARTS = 3_000;
    private static final String MAIN_TYPE =
            "application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml";

    private final Map<String, byte[]> parts;
    private final boolean signed;

    private WordFile(Map<String, byte[]> parts, boolean signed) {
        this.parts = parts;
        this.signed = signed;
    }

    /** Whether the file that came carried signatures of the package, which hold for no file made from it and are left out. */
    public boolean wasSigned() {
        return signed;
    }

    /**
     * Opens a file from outside. Relationships that would fetch something are cut; links that a reader may follow stay.
     *
     * @throws UnacceptableFile when it is no Word file, is too large, carries macros or declares a document type
     */
    public static WordFile open(byte[] file) {
        if (file.length > LARGEST_FILE) {
            throw new UnacceptableFile(Message.of("file.too-large", "size", Math.ceil(file.length / 104_857.6) / 10));
        }
        if (file.length > 8 && (file[0] & 0xff) == 0xD0 && (file[1] & 0xff) == 0xCF) {
            throw new UnacceptableFile(Message.of("file.protected"));
        }
        if (file.length < 4 || file[0] != 'P' || file[1] != 'K') {
            throw new UnacceptableFile(Message.of("file.no-word"));
        }
        Map<String, byte[]> unpacked = unpack(file);
        Markup.weigh(unpacked);
        Map<String, byte[]> parts = PackageOrder.settled(unpacked);
        requireWord(parts);
        parts.forEach((name, bytes) -> {
            if (Markup.isXml(name, bytes)) SafeXml.parse(name, bytes);
        });
        Outward.cut(parts);
        OwnLinks.cut(parts);
        return new WordFile(parts, PackageOrder.isSigned(unpacked));
    }

    /** A file of parts that the program made itself. */
    public static WordFile of(Map<String, byte[]> parts) {
        return new WordFile(new LinkedHashMap<>(parts), false);
    }

    private static Map<String, byte[]> unpack(byte[] file) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        long total = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.isDirectory()) continue;
                if (parts.size() >= MOST_PARTS) {
                    throw new UnacceptableFile(Message.of("file.too-many-parts"));
                }
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                byte[] buffer = new byte[16_384];
                for (int n = zip.read(buffer); n >= 0; n = zip.read(buffer)) {
                    total += n;
                    if (total > LARGEST_UNPACKED) {
                        throw new UnacceptableFile(Message.of("file.unpacks-too-large"));
                    }
                    out.write(buffer, 0, n);
                }
                if (parts.putIfAbsent(entry.getName(), out.toByteArray()) != null) {
                    throw new UnacceptableFile(Message.of("file.part-twice", "part", entry.getName()));
                }
            }
        } catch (ZipException | IllegalArgumentException e) {
            throw new UnacceptableFile(Message.of("file.damaged"));
        } catch (IOException e) {
            throw new UnacceptableFile(Message.of("file.breaks-off"));
        }
        return parts;
    }

    private static void requireWord(Map<String, byte[]> parts) {
        byte[] types = parts.get("[Content_Types].xml");
        if (types == null || !parts.containsKey(MAIN)) {
            throw new UnacceptableFile(Message.of("file.no-word"));
        }
        SafeXml.parse("[Content_Types].xml", types);
        String text = new String(types, StandardCharsets.UTF_8);
        String lower = text.toLowerCase(Locale.ROOT);
        boolean macros = lower.contains("macroenabled")
                || lower.contains("vbaproject")
                || parts.keySet().stream()
                        .map(name -> name.toLowerCase(Locale.ROOT))
                        .anyMatch(name ->
                                name.contains("vbaproject") || name.contains("vbadata") || name.contains("/activex/"));
        if (macros) {
            throw new UnacceptableFile(Message.of("file.macros"));
        }
        if (!text.contains(MAIN_TYPE)) {
            throw new UnacceptableFile(Message.of("file.word-template"));
        }
    }

    /** The parts by name, in the order of the file. */
    public Map<String, byte[]> parts() {
        return parts;
    }

    /** The names of the parts that hold words a reader sees, the body first: told by their types, not by their names. */
    public List<String> textParts() {
        return PackageOrder.textParts(parts);
    }

    /** The file as it can be saved and opened. */
    public byte[] bytes() {
        return zip(parts);
    }

    public static byte[] zip(Map<String, byte[]> parts) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(64 * 1024);
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.setLevel(1);
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                ZipEntry entry = new ZipEntry(part.getKey());
                entry.setTime(315_619_200_000L); // 1980-01-02: the same input gives the same bytes
                zip.putNextEntry(entry);
                zip.write(part.getValue());
            }
        } catch (IOException e) {
            throw new IllegalStateException("writing to memory failed", e);
        }
        return out.toByteArray();
    }
}
