package org.jalousie.core.filing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Several files in one, for who wants them together (ZIP, ISO/IEC 21320-1). */
public final class OneArchive {
    private OneArchive() {}

    /** @param files by their names in it, each read when its turn comes */
    public static byte[] of(Map<String, Supplier<byte[]>> files) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, Supplier<byte[]>> file : files.entrySet()) {
                ZipEntry entry = new ZipEntry(file.getKey());
                // the day of the archive says nothing, and two of the same files are the same
                entry.setTime(0);
                zip.putNextEntry(entry);
                zip.write(file.getValue().get());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the archive can't be written", e);
        }
        return out.toByteArray();
    }

    /** A name that somebody else has chosen, without what would lead out of an archive. */
    public static String plain(String name) {
        String plain = name.replaceAll("[\\\\/\\p{Cntrl}]", "_");
        return plain.matches("\\.{0,2}") ? "_" : plain;
    }

    /** A name that none of the others has: with a number before its ending where one has it. */
    public static String free(String name, Set<String> taken) {
        int dot = name.lastIndexOf('.');
        String stem = dot < 0 ? name : name.substring(0, dot);
        String ending = dot < 0 ? "" : name.substring(dot);
        String free = name;
        for (int i = 2; taken.contains(free); i++) free = stem + " (" + i + ")" + ending;
        return free;
    }
}
