package org.jalousie.core.wording;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

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

    private Leftovers() {}

    static void report(Part part, List<Diagnostic> diagnostics) {
        int changes = 0;
        Element first = null;
        for (Element element : Word.all(part.document, "*")) {
            if (!CHANGES.contains(Word.local(element))) continue;
            changes++;
            if (first == null) first = element;
        }
        if (first == null) return;
        diagnostics.add(new Diagnostic(
                "tracked-changes",
                part.title(),
                around(first),
                changes == 1 ? "A tracked change is still open." : changes + " tracked changes are still open.",
                "Accept or reject them in your word processor, or let the program accept all of them.",
                true));
    }

    static void comments(Map<String, byte[]> parts, List<Diagnostic> diagnostics) {
        byte[] xml = parts.get("word/comments.xml");
        if (xml == null) return;
        Document document = SafeXml.parse("word/comments.xml", xml);
        List<Element> comments = Word.all(document, "comment");
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
