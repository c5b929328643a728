package org.jalousie.core.wording;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.write.WordDraft;
import org.w3c.dom.Element;

/** Reads the words back out of a merged file. */
public final class DocxText {
    private DocxText() {}

    /** The paragraphs of the body, one a line. */
    public static String body(byte[] docx) {
        return part(docx, "word/document.xml");
    }

    public static String part(byte[] docx, String part) {
        List<Element> paragraphs =
                Word.paragraphs(SafeXml.parse(part, WordFile.open(docx).parts().get(part)));
        return paragraphs.stream()
                .map(paragraph -> new ParagraphText(paragraph).original())
                .collect(Collectors.joining("\n"));
    }

    public static String xml(byte[] docx, String part) {
        return new String(WordFile.open(docx).parts().get(part), java.nio.charset.StandardCharsets.UTF_8);
    }

    /** A file with something else in one of its parts, wherever that stands. */
    public static WordFile replaced(WordFile file, String part, String from, String to) {
        java.util.Map<String, byte[]> parts = new java.util.LinkedHashMap<>(file.parts());
        String text = new String(parts.get(part), java.nio.charset.StandardCharsets.UTF_8);
        parts.put(part, text.replace(from, to).getBytes(java.nio.charset.StandardCharsets.UTF_8));
        return WordFile.of(parts);
    }

    /** A body paragraph of runs cut at the given places. */
    static WordDraft cutIntoRuns(String text, int... at) {
        List<WordDraft.Run> runs = new java.util.ArrayList<>();
        int from = 0;
        for (int to : Arrays.stream(at)
                .filter(i -> i > 0 && i < text.length())
                .sorted()
                .distinct()
                .toArray()) {
            runs.add(new WordDraft.Run("", text.substring(from, to)));
            from = to;
        }
        runs.add(new WordDraft.Run("", text.substring(from)));
        return new WordDraft().runs(runs);
    }
}
