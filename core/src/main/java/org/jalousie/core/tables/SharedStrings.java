package org.jalousie.core.tables;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import javax.xml.stream.XMLStreamException;

/** Texts that cells of a workbook share (ISO/IEC 29500-1 §18.4), kept on the disk: there may be as many as there are cells. */
final class SharedStrings {
    private ByteBuffer all = ByteBuffer.allocate(0);
    private int[] ends = new int[1024];
    private int count;

    /** Reads them. @throws NotATable when they have more than two gigabytes */
    static SharedStrings of(Workbook book) throws IOException, XMLStreamException {
        SharedStrings strings = new SharedStrings();
        var part = book.strings();
        if (part.isEmpty()) return strings;
        Path kept = Files.createTempFile("table", ".strings");
        try {
            try (Workbook.Part in = part.get();
                    OutputStream out = new BufferedOutputStream(Files.newOutputStream(kept))) {
                strings.read(in, out);
            }
            try (FileChannel channel = FileChannel.open(kept)) {
                strings.all = channel.map(FileChannel.MapMode.READ_ONLY, 0, channel.size());
            }
        } finally {
            Files.delete(kept);
        }
        return strings;
    }

    private void read(Workbook.Part in, OutputStream out) throws IOException, XMLStreamException {
        int end = 0;
        while (in.next()) {
            if (!in.begins("si")) continue;
            byte[] text = text(in, "si").getBytes(StandardCharsets.UTF_8);
            out.write(text);
            end = Math.addExact(end, text.length);
            if (count == ends.length) ends = Arrays.copyOf(ends, count * 2);
            ends[count++] = end;
        }
    }

    /** What the element says that begins here: its texts and runs, without what tells how they are pronounced. */
    static String text(Workbook.Part in, String element) throws XMLStreamException {
        StringBuilder text = new StringBuilder();
        while (in.next() && !in.ends(element)) {
            if (in.begins("rPh")) while (in.next() && !in.ends("rPh")) continue;
            else if (in.begins("t")) text.append(in.text());
        }
        return unescaped(text.toString());
    }

    // ISO/IEC 29500-1 §22.9.2.19: what XML can't hold is written as _xHHHH_
    private static String unescaped(String text) {
        if (!text.contains("_x")) return text;
        return java.util.regex.Pattern.compile("_x([0-9A-Fa-f]{4})_")
                .matcher(text)
                .replaceAll(found -> java.util.regex.Matcher.quoteReplacement(
                        String.valueOf((char) Integer.parseInt(found.group(1), 16))));
    }

    /** @param index as a cell names it; empty for one that there isn't */
    String get(int index) {
        if (index < 0 || index >= count) return "";
        int from = index == 0 ? 0 : ends[index - 1];
        byte[] text = new byte[ends[index] - from];
        all.get(from, text);
        return new String(text, StandardCharsets.UTF_8);
    }
}
