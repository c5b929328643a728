package org.jalousie.server.paper;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** Files of office programs, told by their content: what a converter has to know of them. */
enum OfficeFormat {
    DOCX,
    DOC,
    ODT,
    RTF,
    XLSX,
    XLS,
    ODS,
    PPTX,
    PPT,
    ODP;

    /** The most that a packed file may become. */
    private static final long MOST = 400L << 20;

    private static final byte[] COMPOUND = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0};

    /** As endings of file names have it. */
    String ending() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    /** Empty for what is none of them, is damaged, or becomes more than can be held. */
    static Optional<OfficeFormat> of(byte[] file) {
        if (starts(file, "{\\rtf".getBytes(StandardCharsets.US_ASCII))) return Optional.of(RTF);
        if (starts(file, COMPOUND)) return ofCompound(file);
        return packed(file) ? ofPacked(file) : Optional.empty();
    }

    /** Whether a file is packed as office programs of today pack theirs. */
    static boolean packed(byte[] file) {
        return starts(file, new byte[] {'P', 'K', 3, 4});
    }

    private static boolean starts(byte[] file, byte[] with) {
        return file.length > with.length && Arrays.equals(Arrays.copyOf(file, with.length), with);
    }

    /** By the names of its streams, which stand in it as UTF-16 ([MS-CFB] §2.6.1). */
    private static Optional<OfficeFormat> ofCompound(byte[] file) {
        String text = new String(file, StandardCharsets.ISO_8859_1).replace("\0", "");
        if (text.contains("WordDocument")) return Optional.of(DOC);
        if (text.contains("PowerPoint Document")) return Optional.of(PPT);
        return text.contains("Workbook") ? Optional.of(XLS) : Optional.empty();
    }

    /** By the type that it states (ISO 26300-3 §3.3), or by its main part (ISO/IEC 29500-2). */
    private static Optional<OfficeFormat> ofPacked(byte[] file) {
        Set<String> names = new HashSet<>();
        String stated = "";
        long all = 0;
        byte[] buffer = new byte[1 << 16];
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                names.add(entry.getName());
                boolean type = entry.getName().equals("mimetype");
                for (int some = in.read(buffer); some >= 0; some = in.read(buffer)) {
                    if (type && stated.isEmpty()) stated = new String(buffer, 0, some, StandardCharsets.US_ASCII);
                    all += some;
                    if (all > MOST) return Optional.empty();
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            return Optional.empty();
        }
        if (names.contains("word/document.xml")) return Optional.of(DOCX);
        if (names.contains("xl/workbook.xml")) return Optional.of(XLSX);
        if (names.contains("ppt/presentation.xml")) return Optional.of(PPTX);
        return switch (stated.strip()) {
            case "application/vnd.oasis.opendocument.text" -> Optional.of(ODT);
            case "application/vnd.oasis.opendocument.spreadsheet" -> Optional.of(ODS);
            case "application/vnd.oasis.opendocument.presentation" -> Optional.of(ODP);
            default -> Optional.empty();
        };
    }
}
