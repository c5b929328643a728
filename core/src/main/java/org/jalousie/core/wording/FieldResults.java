package org.jalousie.core.wording;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.jalousie.core.wording.docx.ContentsLines;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.docx.WordFields;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * The results of a word processor's fields in a merged Word file. Until the pages are made they are those that the author saw
 * last; each such field is marked by a bookmark, so that what the pages show can be put in its place, and Word file and PDF
 * say the same.
 */
public final class FieldResults {
    private static final String MARK = "jal_result_";
    private static final Set<String> WORKED_OUT = Set.of(
            "REF",
            "PAGEREF",
            "NOTEREF",
            "SEQ",
            "NUMPAGES",
            "STYLEREF",
            "DOCPROPERTY",
            "TITLE",
            "SUBJECT",
            "KEYWORDS",
            "COMMENTS",
            "INFO",
            "=");
    private static final Set<String> LISTS = Set.of("TOC", "INDEX");

    private FieldResults() {}

    /** Whether a bookmark is such a mark. */
    public static boolean isMark(String bookmark) {
        return bookmark.startsWith(MARK);
    }

    /** Marks the fields of a part, all that will be worked out anew. */
    public static void mark(Document document) {
        int[] number = {0};
        for (WordFields.WordField field : WordFields.of(document)) mark(field, number);
    }

    private static void mark(WordFields.WordField field, int[] number) {
        if (LISTS.contains(field.type())) return;
        String type = field.type().startsWith("=") ? "=" : field.type();
        Element begin = (Element) field.leaves.get(0).getParentNode();
        Element end = (Element) field.leaves.get(field.leaves.size() - 1).getParentNode();
        if (WORKED_OUT.contains(type) && field.separate != null && begin.getParentNode() == end.getParentNode()) {
            begin = ParagraphText.splitBefore(field.leaves.get(0));
            ParagraphText.splitAfter(field.leaves.get(field.leaves.size() - 1));
            end = (Element) field.leaves.get(field.leaves.size() - 1).getParentNode();
            Element start = Word.element(begin, "bookmarkStart");
            Word.setAttribute(start, "id", "jal" + ++number[0]);
            Word.setAttribute(start, "name", MARK + number[0]);
            Element stop = Word.element(begin, "bookmarkEnd");
            Word.setAttribute(stop, "id", "jal" + number[0]);
            begin.getParentNode().insertBefore(start, begin);
            end.getParentNode().insertBefore(stop, end.getNextSibling());
            return;
        }
        field.inside.forEach(inner -> mark(inner, number));
    }

    /**
     * The file with the results that the pages show, and without the marks.
     *
     * @param results by the name of the mark
     * @param lists the lines of each contents list, in the order of the document
     */
    public static byte[] put(byte[] file, Map<String, String> results, List<List<String>> lists) {
        if (results.isEmpty() && lists.isEmpty() && !hasMarks(file)) return file;
        WordFile opened = WordFile.open(file);
        PackageParts pack = new PackageParts(opened.parts());
        Document document = pack.document(WordFile.MAIN);
        boolean any = false;
        for (Element start : Word.all(document, "bookmarkStart")) {
            if (!isMark(Word.attribute(start, "name"))) continue;
            any = true;
            String result = results.get(Word.attribute(start, "name"));
            Element end = endOf(document, Word.attribute(start, "id"));
            if (result != null && end != null) replace(document, start, end, result);
            Word.remove(start);
            Word.remove(end);
        }
        int number = 0;
        for (WordFields.WordField field : WordFields.of(document)) {
            if (!LISTS.contains(field.type())) continue;
            if (number < lists.size()) any |= ContentsLines.put(field, lists.get(number));
            number++;
        }
        return any ? WordFile.of(pack.finish()).bytes() : file;
    }

    /** Looks into the body only, which is far less work than opening the file. */
    private static boolean hasMarks(byte[] file) {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().equals(WordFile.MAIN))
                    return new String(zip.readAllBytes(), StandardCharsets.UTF_8).contains(MARK);
            }
            return false;
        } catch (IOException e) {
            throw new UncheckedIOException("a merged file can't be read", e);
        }
    }

    private static Element endOf(Document document, String id) {
        for (Element end : Word.all(document, "bookmarkEnd"))
            if (Word.attribute(end, "id").equals(id)) return end;
        return null;
    }

    /** The first words of the result become the whole of it, in their look. */
    private static void replace(Document document, Element start, Element end, String result) {
        for (WordFields.WordField field : fieldsIn(document)) {
            Element first = (Element) field.leaves.get(0).getParentNode();
            if (first.getPreviousSibling() != start || field.separate == null) continue;
            if (field.shown().equals(result)) return;
            Element words = null;
            for (Element leaf :
                    field.leaves.subList(field.leaves.indexOf(field.separate) + 1, field.leaves.size() - 1)) {
                if (words == null && Word.local(leaf).equals("t")) words = leaf;
                else Word.remove(leaf);
            }
            if (words == null) {
                Element run = (Element) field.separate.getParentNode();
                words = Word.element(run, "t");
                ParagraphText.splitAfter(field.separate);
                run.appendChild(words);
            }
            Word.setText(words, result);
            return;
        }
    }

    private static List<WordFields.WordField> fieldsIn(Document document) {
        List<WordFields.WordField> all = new ArrayList<>();
        WordFields.of(document).forEach(field -> collect(field, all));
        return all;
    }

    private static void collect(WordFields.WordField field, List<WordFields.WordField> all) {
        all.add(field);
        field.inside.forEach(inner -> collect(inner, all));
    }
}
