package org.jalousie.core.evidence;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.GregorianCalendar;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TimeZone;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.evidence.law.LawAnswer;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Catalogue;

/** What is attached to a signing record, so that it can be checked by anybody with a shell (PDF/A-3, ISO 19005-3 §6.8). */
final class RecordFiles {
    private static final String RECOMPUTE = script();

    private RecordFiles() {}

    /** @param type of media; {@code bytes} its content */
    private record Attached(String type, byte[] bytes) {}

    /** @param links of the events that the record tells of */
    static void attach(
            PDDocument document, List<Entry> history, List<EventChain.Link> links, List<LawAnswer> law, Catalogue words)
            throws IOException {
        Instant at = history.get(history.size() - 1).at();
        Map<String, Attached> files = new LinkedHashMap<>();
        files.put(
                "events.jsonl",
                lines(
                        "application/jsonl",
                        links.stream().map(EventChain.Link::json).toList()));
        files.put(
                "chain.txt",
                lines("text/plain", links.stream().map(EventChain.Link::hash).toList()));
        files.put("law.json", new Attached("application/json", utf8(Json.canonical(told(law, words)))));
        files.put("recompute.sh", new Attached("text/x-shellscript", utf8(RECOMPUTE)));
        Map<String, PDComplexFileSpecification> named = new TreeMap<>();
        COSArray associated = new COSArray();
        for (Map.Entry<String, Attached> one : files.entrySet()) {
            PDComplexFileSpecification file = file(document, one.getKey(), one.getValue(), at);
            named.put(one.getKey(), file);
            associated.add(file.getCOSObject());
        }
        PDEmbeddedFilesNameTreeNode tree = new PDEmbeddedFilesNameTreeNode();
        tree.setNames(named);
        PDDocumentNameDictionary names = new PDDocumentNameDictionary(document.getDocumentCatalog());
        names.setEmbeddedFiles(tree);
        document.getDocumentCatalog().setNames(names);
        document.getDocumentCatalog().getCOSObject().setItem(COSName.AF, associated);
    }

    private static PDComplexFileSpecification file(PDDocument document, String name, Attached attached, Instant at)
            throws IOException {
        PDEmbeddedFile embedded =
                new PDEmbeddedFile(document, new ByteArrayInputStream(attached.bytes()), COSName.FLATE_DECODE);
        embedded.setSubtype(attached.type());
        embedded.setSize(attached.bytes().length);
        GregorianCalendar time = new GregorianCalendar(TimeZone.getTimeZone("UTC"));
        time.setTimeInMillis(at.toEpochMilli());
        embedded.setModDate(time);
        PDComplexFileSpecification file = new PDComplexFileSpecification();
        file.setFile(name);
        file.setFileUnicode(name);
        file.setEmbeddedFile(embedded);
        file.setEmbeddedFileUnicode(embedded);
        file.getCOSObject().setItem(COSName.AF_RELATIONSHIP, COSName.getPDFName("Data"));
        return file;
    }

    /** An answer for other programs. */
    private record Told(String section, String asks, String standing, List<Integer> events, String because) {}

    private static List<Told> told(List<LawAnswer> law, Catalogue words) {
        return law.stream()
                .map(one -> new Told(
                        one.element().section(),
                        words.say(one.element().asks()),
                        one.standing().name(),
                        one.events(),
                        words.say(one.because())))
                .toList();
    }

    private static Attached lines(String type, List<String> lines) {
        return new Attached(type, utf8(lines.stream().map(line -> line + "\n").collect(Collectors.joining())));
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String script() {
        try (InputStream in = RecordFiles.class.getResourceAsStream("/record/recompute.sh")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException("the script for the chain is missing", e);
        }
    }
}
