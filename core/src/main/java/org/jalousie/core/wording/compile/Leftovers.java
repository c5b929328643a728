package org.jalousie.core.wording.compile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
                found.size() == 1
                        ? "A tracked change is still open."
                        : found.size() + " tracked changes are still open.",
                title.startsWith("clause ")
                        ? "Open the clause under Templates, Clauses, and let the program accept them there, or bring it anew without them."
                        : "Accept or reject them in your word processor, or let the program accept all of them.",
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
                        "Tables stand within tables more than " + DEEPEST_TABLE + " deep, which can't be laid out.",
                        "Take the inner tables out of the outer ones in your word processor.",
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
                "One end of a field of the word processor (a page number, a reference, a contents list) is missing here.",
                "Delete the field in your word processor and insert it anew.",
                true));
    }

    static Diagnostic signature() {
        return new Diagnostic(
                "package-signature",
                "settings",
                "",
                "The Word file carried a signature of its own. It holds for that file and for no agreement made from it, so it is left out.",
                "Nothing prints differently for it.",
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
                comments.size() == 1
                        ? "A comment of the drafting is still in the file."
                        : comments.size() + " comments of the drafting are still in the file.",
                "Delete them in your word processor, or let the program delete all of them.",
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
