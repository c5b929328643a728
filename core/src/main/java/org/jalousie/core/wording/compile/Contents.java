package org.jalousie.core.wording.compile;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Styles;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.docx.WordFields;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Element;

/**
 * Contents lists (ISO/IEC 29500-1 §17.16.5.68). The converter makes them anew from the headings; a list that it would find
 * no heading for keeps its entries as plain words.
 */
final class Contents {
    private Contents() {}

    static void settle(PackageParts pack, List<Diagnostic> diagnostics) {
        for (WordFields.WordField field : WordFields.of(pack.document(WordFile.MAIN))) {
            String code = field.instruction();
            if (!field.type().equals("TOC") || code.matches("(?s).*\\\\[tcfabTCFAB]\\b.*")) continue;
            if (hasHeading(pack, field)) continue;
            Element paragraph = Word.ancestor(field.leaves.get(0), "p");
            Part.Origin origin = Part.origin(paragraph);
            diagnostics.add(new Diagnostic(
                    "contents-empty",
                    origin == null ? "body" : "clause " + origin.clause(),
                    Part.around(paragraph),
                    Message.of("wording.no-headings"),
                    Message.of("wording.no-headings.cure"),
                    false));
            keepAsWords(field);
        }
    }

    private static boolean hasHeading(PackageParts pack, WordFields.WordField contents) {
        Set<Element> own = new HashSet<>();
        contents.leaves.forEach(leaf -> own.add(Word.ancestor(leaf, "p")));
        for (Element paragraph : Word.paragraphs(pack.document(WordFile.MAIN))) {
            if (!own.contains(paragraph) && isHeading(paragraph, pack)) return true;
        }
        return false;
    }

    static boolean isHeading(Element paragraph, PackageParts pack) {
        Element properties = Word.child(paragraph, "pPr");
        if (properties == null) return false;
        String level = value(properties, "outlineLvl");
        if (!level.isEmpty()) return !level.equals("9");
        return isHeadingStyle(value(properties, "pStyle"), pack);
    }

    private static boolean isHeadingStyle(String id, PackageParts pack) {
        String styles = pack.related(WordFile.MAIN, "styles");
        Set<String> seen = new HashSet<>();
        for (String at = id; !at.isEmpty() && !styles.isEmpty() && seen.add(at); ) {
            Element style = Styles.byId(pack.document(styles), at);
            if (style == null) return false;
            Element properties = Word.child(style, "pPr");
            String level = properties == null ? "" : value(properties, "outlineLvl");
            if (!level.isEmpty()) return !level.equals("9");
            // the built-in headings have their level by name (ISO/IEC 29500-1 §17.7.4.9, latent styles)
            if (value(style, "name").toLowerCase(Locale.ROOT).matches("heading [1-9]")) return true;
            at = value(style, "basedOn");
        }
        return false;
    }

    /** The marks and the code go, the entries stay. */
    private static void keepAsWords(WordFields.WordField field) {
        Element list = Word.ancestor(field.leaves.get(0), "sdt");
        int separate = field.separate == null ? 0 : field.leaves.indexOf(field.separate);
        for (int i = 0; i <= separate; i++) takeOut(field.leaves.get(i));
        takeOut(field.leaves.get(field.leaves.size() - 1));
        Element content = list == null ? null : Word.child(list, "sdtContent");
        if (content == null) return;
        Word.unwrap(content);
        Word.remove(Word.child(list, "sdtPr"));
        Word.remove(Word.child(list, "sdtEndPr"));
        Word.unwrap(list);
    }

    private static void takeOut(Element leaf) {
        Element run = (Element) leaf.getParentNode();
        Word.remove(leaf);
        if (run != null && !Word.hasContent(run)) Word.remove(run);
    }

    private static String value(Element parent, String child) {
        Element element = Word.child(parent, child);
        return element == null ? "" : Word.attribute(element, "val");
    }
}
