package org.jalousie.core.wording.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Styles;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Several signing fields put into the Word file in one act: the usual set of a party, or blocks for all who sign. */
public final class SigningBlocks {
    /** The usual set at a signature, in the order in which it is written (common practice, no source). */
    private static final List<String> USUAL_SET = List.of("signature", "full_name", "date_signed");

    private static final String BODY = "word/document.xml";

    private SigningBlocks() {}

    /** A party that signs, by its key and what it is called. */
    public record Signing(String party, String label) {}

    /**
     * The usual set for a party, each tag in a paragraph of its own that stays with the next: in place of an empty paragraph, or
     * after the one in which the cursor stands, which stays with them.
     */
    public static WordingEdit.Edited set(WordFile file, Selection cursor, String party, Map<String, String> shown) {
        WordingEdit edit = new WordingEdit(file, shown);
        Element paragraph = edit.text().find(cursor).from().line().paragraph();
        List<Element> made = new ArrayList<>();
        for (String word : USUAL_SET) made.add(plain(edit.pack, paragraph, tag(party, word)));
        putAfter(paragraph, made);
        keepTogether(made, false);
        return edit.done(1);
    }

    /**
     * A table without rules with a block for each party, two beside each other: what it is called, and the usual set. It stands on
     * one page, with the paragraph before it.
     *
     * @throws EditRefused in a table, a header or a footer
     */
    public static WordingEdit.Edited blocks(
            WordFile file, Selection cursor, List<Signing> parties, Map<String, String> shown) {
        WordingEdit edit = new WordingEdit(file, shown);
        ShownText.Line line = edit.text().find(cursor).from().line();
        Element paragraph = line.paragraph();
        boolean inBody = line.part().equals(BODY)
                && Word.local(paragraph.getParentNode()).equals("body");
        if (!inBody) throw new EditRefused(Message.of("edit.blocks-place"));
        int columns = Math.min(2, parties.size());
        int width = textWidth(paragraph) / columns;
        Element table = table(paragraph, columns, width);
        for (int from = 0; from < parties.size(); from += columns) {
            boolean last = from + columns >= parties.size();
            table.appendChild(row(edit.pack, paragraph, parties, from, columns, width, last));
        }
        Keeping.withNext(paragraph);
        Keeping.wordsBefore(paragraph);
        // a table at the end of a text needs a paragraph behind it (ISO/IEC 29500-1 §17.4.66)
        Node next = paragraph.getNextSibling();
        paragraph.getParentNode().insertBefore(table, next);
        boolean ends = Word.endsSection(paragraph);
        if (ends || !(next instanceof Element) || !Word.isParagraph(next)) {
            Element behind = Word.element(paragraph, "p");
            table.getParentNode().insertBefore(behind, next);
            if (ends) endSectionWith(behind, paragraph);
        }
        return edit.done(parties.size());
    }

    private static Element table(Element like, int columns, int width) {
        Element table = Word.element(like, "tbl");
        Element properties = below(table, "tblPr");
        measure(below(properties, "tblW"), width * columns);
        Word.setAttribute(below(properties, "tblLayout"), "type", "fixed");
        Element grid = below(table, "tblGrid");
        for (int i = 0; i < columns; i++) Word.setAttribute(below(grid, "gridCol"), "w", String.valueOf(width));
        return table;
    }

    private static Element row(
            PackageParts pack, Element like, List<Signing> parties, int from, int columns, int width, boolean last) {
        Element row = Word.element(like, "tr");
        below(below(row, "trPr"), "cantSplit");
        for (int i = from; i < from + columns; i++) {
            Element cell = below(row, "tc");
            measure(below(below(cell, "tcPr"), "tcW"), width);
            List<Element> made = new ArrayList<>();
            if (i < parties.size()) {
                Signing party = parties.get(i);
                made.add(plain(pack, like, party.label()));
                for (String word : USUAL_SET) made.add(plain(pack, like, tag(party.party(), word)));
            } else {
                made.add(plain(pack, like, ""));
            }
            made.forEach(cell::appendChild);
            // rows stay together when their paragraphs stay with the next (ISO/IEC 29500-1 §17.3.1.15)
            keepTogether(made, !last);
        }
        return row;
    }

    /** A paragraph like another one, but no heading, no item of a list and no end of a section. */
    private static Element plain(PackageParts pack, Element like, String words) {
        Element paragraph = WordingEdit.tagParagraph(like, words);
        Element properties = Word.child(paragraph, "pPr");
        Element style = properties == null ? null : Word.child(properties, "pStyle");
        if (style != null && isHeading(pack, Word.attribute(style, "val"))) Word.remove(style);
        if (properties != null) Word.remove(Word.child(properties, "outlineLvl"));
        return paragraph;
    }

    private static boolean isHeading(PackageParts pack, String id) {
        String part = "word/styles.xml";
        Element style = pack.has(part) ? Styles.byId(pack.document(part), id) : null;
        Element properties = style == null ? null : Word.child(style, "pPr");
        return properties != null && Word.child(properties, "outlineLvl") != null || id.equalsIgnoreCase("title");
    }

    /** What was put behind the last paragraph of a section is the last of it. */
    private static void endSectionWith(Element last, Element before) {
        Element section = Word.child(Word.child(before, "pPr"), "sectPr");
        Element properties = Word.child(last, "pPr");
        if (properties == null) {
            properties = Word.element(last, "pPr");
            last.insertBefore(properties, last.getFirstChild());
        }
        properties.appendChild(section);
    }

    private static void putAfter(Element paragraph, List<Element> made) {
        Node next = paragraph.getNextSibling();
        for (Element one : made) paragraph.getParentNode().insertBefore(one, next);
        if (Word.endsSection(paragraph)) endSectionWith(made.get(made.size() - 1), paragraph);
        if (Keeping.isEmpty(paragraph)) Word.remove(paragraph);
        Keeping.wordsBefore(made.get(0));
    }

    private static void keepTogether(List<Element> paragraphs, boolean lastToo) {
        int count = lastToo ? paragraphs.size() : paragraphs.size() - 1;
        paragraphs.subList(0, count).forEach(Keeping::withNext);
    }

    /** The width of the text where a paragraph stands, in twentieths of a point (ISO/IEC 29500-1 §17.6.13, §17.6.11). */
    private static int textWidth(Element paragraph) {
        Element section = null;
        for (Node node = paragraph; node != null && section == null; node = node.getNextSibling()) {
            if (!(node instanceof Element element)) continue;
            Element properties = Word.child(element, "pPr");
            section = Word.local(element).equals("sectPr")
                    ? element
                    : properties == null ? null : Word.child(properties, "sectPr");
        }
        Element page = section == null ? null : Word.child(section, "pgSz");
        Element margins = section == null ? null : Word.child(section, "pgMar");
        if (page == null || margins == null) return 9000;
        int width = number(page, "w") - number(margins, "left") - number(margins, "right");
        Element columns = Word.child(section, "cols");
        int count = columns == null ? 1 : Math.max(1, number(columns, "num"));
        return Math.max(2000, width / count);
    }

    private static int number(Element element, String attribute) {
        String value = Word.attribute(element, attribute);
        return value.matches("-?\\d{1,7}") ? Integer.parseInt(value) : 0;
    }

    private static Element below(Element parent, String name) {
        Element made = Word.element(parent, name);
        parent.appendChild(made);
        return made;
    }

    private static void measure(Element element, int twentieths) {
        Word.setAttribute(element, "w", String.valueOf(twentieths));
        Word.setAttribute(element, "type", "dxa");
    }

    private static String tag(String party, String word) {
        return "{{" + party + "." + word + "}}";
    }
}
