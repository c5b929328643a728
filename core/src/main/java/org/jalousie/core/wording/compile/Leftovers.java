package org.jalousie.core.wording.compile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Reports what the drafting of a file left behind and must not reach a signer: tracked changes and comments. */
final class Leftovers {
    // ISO/IEC 29500-1 §17.13.5
    private static final Set<String> CHANGES = Set.of(
            "ins",
            "del",
            "moveFrom",
            "moveTo",
            "rPrChange",
            "pPrChange",
            "sectPrChange",
            "tblPrChange",
            "trPrChange",
            "tcPrChange",
            "tblGridChange",
            "cellIns",
            "cellDel",
            "cellMerge",
            "numberingChange");

    private static final int DEEPEST_TABLE = 12;

    private Leftovers() {}

    static void report(Part part, List<Diagnostic> diagnostics) {
        Map<String, List<Element>> changes = new LinkedHashMap<>();
        for (Element element : Word.all(part.document, "*")) {
            if (CHANGES.contains(Word.local(element)) && Word.isOfWord(element))
                changes.computeIfAbsent(part.titleAt(element), title -> new ArrayList<>())
                        .add(element);
        }
        changes.forEach((title, found) -> diagnostics.add(new Diagnostic(
                "tracked-changes",
                title,
                around(found.get(0)),
                Message.of("wording.changes", "count", found.size()),
                title.startsWith("clause ") ? Message.of("wording.changes.clause") : Message.of("wording.changes.cure"),
                true)));
    }

    /** Tables within tables beyond what any page shows; the converter's work doubles with each. */
    static void deepTables(List<Part> parts, List<Diagnostic> diagnostics) {
        for (Part part : parts) {
            for (Element table : Word.all(part.document, "tbl")) {
                int depth = 0;
                for (Node up = table; up != null; up = up.getParentNode())
                    if (Word.local(up).equals("tbl")) depth++;
                if (depth <= DEEPEST_TABLE) continue;
                diagnostics.add(new Diagnostic(
                        "tables-nested",
                        part.titleAt(table),
                        shortened(table.getTextContent()),
                        Message.of("wording.tables-deep", "most", DEEPEST_TABLE),
                        Message.of("wording.tables-deep.cure"),
                        true));
                break;
            }
        }
    }

    /** A word processor's field of which one end is missing (ISO/IEC 29500-1 §17.16.18): nobody can tell where it ends. */
    static void halfFields(Part part, List<Diagnostic> diagnostics) {
        Deque<Element> open = new ArrayDeque<>();
        Element half = null;
        for (Element mark : Word.all(part.document, "fldChar")) {
            String type = Word.attribute(mark, "fldCharType");
            if (type.equals("begin")) open.push(mark);
            else if (type.equals("end") && open.poll() == null) half = mark;
        }
        if (half == null) half = open.poll();
        if (half == null) return;
        diagnostics.add(new Diagnostic(
                "field-half",
                part.titleAt(half),
                Part.around(half),
                Message.of("wording.half-field"),
                Message.of("wording.half-field.cure"),
                true));
    }

    static Diagnostic signature() {
        return new Diagnostic(
                "package-signature",
                "settings",
                "",
                Message.of("wording.own-signature"),
                Message.of("wording.no-matter"),
                false);
    }

    static void comments(PackageParts pack, List<Diagnostic> diagnostics) {
        String part = pack.related(WordFile.MAIN, "comments");
        if (part.isEmpty()) return;
        List<Element> comments = Word.all(pack.document(part), "comment");
        if (comments.isEmpty()) return;
        diagnostics.add(new Diagnostic(
                "comments",
                "comments",
                shortened(comments.get(0).getTextContent()),
                Message.of("wording.comments", "count", comments.size()),
                Message.of("wording.comments.cure"),
                true));
    }

    private static String around(Element change) {
        Element paragraph = Word.ancestor(change, "p");
        return shortened((paragraph == null ? change : paragraph).getTextContent());
    }

    private static String shortened(String text) {
        String line = text.strip().replaceAll("\\s+", " ");
        return line.length() > 90 ? line.substring(0, 90) + "\u2026" : line;
    }
}
