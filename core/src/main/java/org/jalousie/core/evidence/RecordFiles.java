package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.evidence.law.LawAnswer;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.pdf.AttachedFiles;

/** What is attached to a signing record, so that it can be checked by anybody with a shell (PDF/A-3, ISO 19005-3 §6.8). */
final class RecordFiles {
    private static final String RECOMPUTE = script();

    private RecordFiles() {}

    /** @param links of the events that the record tells of */
    static void attach(
            PDDocument document, List<Entry> history, List<EventChain.Link> links, List<LawAnswer> law, Catalogue words)
            throws IOException {
        Instant at = history.get(history.size() - 1).at();
        Map<String, AttachedFiles.Attached> files = new LinkedHashMap<>();
        files.put(
                "events.jsonl",
                lines(
                        "application/jsonl",
                        links.stream().map(EventChain.Link::json).toList()));
        files.put(
                "chain.txt",
                lines("text/plain", links.stream().map(EventChain.Link::hash).toList()));
        files.put("law.json", new AttachedFiles.Attached("application/json", utf8(Json.canonical(told(law, words)))));
        files.put("recompute.sh", new AttachedFiles.Attached("text/x-shellscript", utf8(RECOMPUTE)));
        AttachedFiles.attach(document, files, "Data", at);
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

    private static AttachedFiles.Attached lines(String type, List<String> lines) {
        return new AttachedFiles.Attached(
                type, utf8(lines.stream().map(line -> line + "\n").collect(Collectors.joining())));
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
