package org.jalousie.core.wording;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/** Changes parts of a package without looking at what they mean, as a file from outside may have been changed. */
public final class Zips {
    private Zips() {}

    public static Map<String, byte[]> parts(byte[] file) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                parts.put(entry.getName(), zip.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return parts;
    }

    public static byte[] of(Map<String, byte[]> parts) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    public static byte[] changed(byte[] file, String part, UnaryOperator<String> change) {
        Map<String, byte[]> parts = parts(file);
        parts.computeIfPresent(
                part,
                (name, bytes) ->
                        change.apply(new String(bytes, StandardCharsets.UTF_8)).getBytes(StandardCharsets.UTF_8));
        return of(parts);
    }

    public static byte[] added(byte[] file, String part, String content) {
        Map<String, byte[]> parts = parts(file);
        parts.put(part, content.getBytes(StandardCharsets.UTF_8));
        return of(parts);
    }

    /** A part and its relationships under another name, wherever the package speaks of it. */
    public static byte[] renamed(byte[] file, String from, String to) {
        Map<String, byte[]> renamed = new LinkedHashMap<>();
        String fromName = from.substring(from.lastIndexOf('/') + 1);
        String toName = to.substring(to.lastIndexOf('/') + 1);
        parts(file).forEach((name, bytes) -> {
            byte[] content = name.endsWith(".rels") || name.startsWith("[")
                    ? new String(bytes, StandardCharsets.UTF_8)
                            .replace(fromName, toName)
                            .getBytes(StandardCharsets.UTF_8)
                    : bytes;
            String other =
                    name.equals(from) ? to : name.replace("_rels/" + fromName + ".rels", "_rels/" + toName + ".rels");
            renamed.put(other, content);
        });
        return of(renamed);
    }
}
