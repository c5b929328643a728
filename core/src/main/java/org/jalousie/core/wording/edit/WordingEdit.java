package org.jalousie.core.wording.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.TagReader;
import org.w3c.dom.Element;

/** Acts of a person on the pages, carried out in the Word file itself with all its formatting kept. */
public final class WordingEdit {
    final PackageParts pack;
    private final List<String> parts;
    private final Map<String, String> shown;

    WordingEdit(WordFile file, Map<String, String> shown) {
        this.pack = new PackageParts(file.parts());
        this.parts = file.textParts();
        this.shown = shown;
    }

    /** What an act came to. @param places how many places were changed */
    public record Edited(WordFile file, int places) {}

    /**
     * Words become a field, in their own look.
     *
     * @param shown what the pages show for a field's tag, by name
     * @param everywhere whether every further occurrence of the words becomes the field too
     * @throws EditRefused when the words can't be found or already are, or hold, a tag
     */
    public static Edited markField(
            WordFile file, Selection words, String name, boolean everywhere, Map<String, String> shown) {
        WordingEdit edit = new WordingEdit(file, shown);
        ShownText text = edit.text();
        ShownText.Range range = text.find(words);
        if (!range.inOneParagraph()) throw new EditRefused(Message.of("edit.one-paragraph"));
        refuseTags(range);
        String chosen = stretch(range);
        String tag = "{{" + name + "}}";
        edit.replace(
                range.from().line().text(), range.from().offset(), range.to().offset(), tag);
        int places = 1;
        if (everywhere) {
            for (ShownText.Line line : edit.text().lines()) {
                List<int[]> found = occurrences(line, chosen);
                for (int i = found.size() - 1; i >= 0; i--) {
                    edit.replace(line.text(), found.get(i)[0], found.get(i)[1], tag);
                    places++;
                }
            }
        }
        return edit.done(places);
    }

    /** How often the words stand elsewhere in the file, outside of tags. */
    public static int furtherOccurrences(WordFile file, Selection words, Map<String, String> shown) {
        WordingEdit edit = new WordingEdit(file, shown);
        ShownText text = edit.text();
        String chosen = stretch(text.find(words));
        return text.lines().stream()
                        .mapToInt(line -> occurrences(line, chosen).size())
                        .sum()
                - 1;
    }

    /**
     * A passage becomes a section: conditional, or repeated when the name is a list. More than one paragraph is taken by
     * whole paragraphs, cells of one row by the row.
     */
    public static Edited markPassage(
            WordFile file, Selection passage, String name, boolean inverted, Map<String, String> shown) {
        WordingEdit edit = new WordingEdit(file, shown);
        ShownText.Range range = edit.text().find(passage);
        String open = (inverted ? "{{^" : "{{#") + name + "}}";
        String close = "{{/" + name + "}}";
        Element first = range.from().line().paragraph();
        Element last = range.to().line().paragraph();
        Element row = Word.ancestor(first, "tr");
        if (range.inOneParagraph() && !whole(range)) {
            refuseTagCut(range);
            edit.insert(range.to().line().text(), range.to().offset(), close);
            edit.insert(new ParagraphText(first), range.from().offset(), open);
        } else if (first.getParentNode() == last.getParentNode()) {
            first.getParentNode().insertBefore(tagParagraph(first, open), first);
            last.getParentNode().insertBefore(tagParagraph(first, close), last.getNextSibling());
        } else if (row != null && row == Word.ancestor(last, "tr")) {
            edit.insert(
                    range.to().line().text(),
                    range.to().line().text().original().length(),
                    close);
            edit.insert(new ParagraphText(first), 0, open);
        } else {
            throw new EditRefused(Message.of("edit.different-parts"));
        }
        return edit.done(1);
    }

    /** A tag is put where the cursor stands, in the look of the words before it. */
    public static Edited insert(WordFile file, Selection cursor, String tag, Map<String, String> shown) {
        WordingEdit edit = new WordingEdit(file, shown);
        ShownText.Place place = edit.text().find(cursor).from();
        edit.insert(place.line().text(), place.offset(), tag);
        return edit.done(1);
    }

    /** A tag is put into a paragraph of its own after the one in which the cursor stands, as a clause needs it. */
    public static Edited insertParagraph(WordFile file, Selection cursor, String tag, Map<String, String> shown) {
        WordingEdit edit = new WordingEdit(file, shown);
        Element paragraph = edit.text().find(cursor).from().line().paragraph();
        paragraph.getParentNode().insertBefore(tagParagraph(paragraph, tag), paragraph.getNextSibling());
        return edit.done(1);
    }

    /** Tags get another content wherever the wording has them, where only characters stand too; their delimiters stay. */
    static Edited tags(WordFile file, UnaryOperator<String> content, Map<String, String> names) {
        WordingEdit edit = new WordingEdit(file, Map.of());
        int places = 0;
        for (ShownText.Line line : edit.text().lines()) {
            for (int i = line.tags().size() - 1; i >= 0; i--) {
                TagReader.Found tag = line.tags().get(i);
                String changed = content.apply(tag.content());
                if (changed.equals(tag.content())) continue;
                String before = line.text().original().substring(tag.start(), tag.end());
                edit.replace(line.text(), tag.start(), tag.end(), before.replace(tag.content(), changed));
                places++;
            }
        }
        places += PlainRenaming.in(edit.pack, content, names);
        return edit.done(places);
    }

    /** All tracked changes are accepted and all comments deleted. */
    public static Edited tidied(WordFile file) {
        WordingEdit edit = new WordingEdit(file, Map.of());
        int places = 0;
        for (String part : edit.parts) places += Tidy.changes(edit.pack.document(part));
        places += Tidy.comments(edit.pack, edit.parts);
        return edit.done(places);
    }

    ShownText text() {
        return new ShownText(pack, parts, shown);
    }

    Edited done(int places) {
        return new Edited(WordFile.of(pack.finish()), places);
    }

    private void replace(ParagraphText text, int start, int end, String tag) {
        Element run = text.isolate(start, end);
        Element words = Word.element(run, "t");
        Word.setText(words, tag);
        run.appendChild(words);
    }

    /** Puts words between others: in a run of their own with the properties of the run before. */
    void insert(ParagraphText text, int offset, String tag) {
        Element neighbour = text.runAt(offset);
        if (neighbour == null) {
            Element run = Word.element(text.paragraph(), "r");
            addWords(run, tag);
            text.paragraph().appendChild(run);
            return;
        }
        Element run = (Element) neighbour.cloneNode(false);
        Element properties = Word.child(neighbour, "rPr");
        if (properties != null) run.appendChild(properties.cloneNode(true));
        addWords(run, tag);
        boolean behind = offset > 0;
        neighbour.getParentNode().insertBefore(run, behind ? neighbour.getNextSibling() : neighbour);
    }

    /** A line break in the words stays one. */
    static void addWords(Element run, String words) {
        String[] lines = words.split("\n", -1);
        for (int i = 0; i < lines.length; i++) {
            if (i > 0) run.appendChild(Word.element(run, "br"));
            Element text = Word.element(run, "t");
            Word.setText(text, lines[i]);
            run.appendChild(text);
        }
    }

    static Element tagParagraph(Element like, String tag) {
        Element paragraph = Word.element(like, "p");
        Element properties = Word.child(like, "pPr");
        if (properties != null) {
            Element copy = (Element) properties.cloneNode(true);
            for (String own : List.of("numPr", "sectPr", "pageBreakBefore")) {
                Element child = Word.child(copy, own);
                if (child != null) copy.removeChild(child);
            }
            paragraph.appendChild(copy);
        }
        Element run = Word.element(like, "r");
        addWords(run, tag);
        paragraph.appendChild(run);
        return paragraph;
    }

    private static String stretch(ShownText.Range range) {
        return range.from()
                .line()
                .text()
                .original()
                .substring(range.from().offset(), range.to().offset());
    }

    private static boolean whole(ShownText.Range range) {
        String text = range.from().line().text().original();
        return text.substring(0, range.from().offset()).isBlank()
                && text.substring(range.to().offset()).isBlank();
    }

    private static void refuseTags(ShownText.Range range) {
        for (TagReader.Found tag : range.from().line().tags()) {
            if (tag.start() < range.to().offset() && range.from().offset() < tag.end())
                throw new EditRefused(Message.of("edit.field-there"));
        }
    }

    private static void refuseTagCut(ShownText.Range range) {
        for (TagReader.Found tag : range.from().line().tags()) {
            boolean cutsFrom =
                    tag.start() < range.from().offset() && range.from().offset() < tag.end();
            boolean cutsTo = tag.start() < range.to().offset() && range.to().offset() < tag.end();
            if (cutsFrom || cutsTo) throw new EditRefused(Message.of("edit.inside-field"));
        }
    }

    /** Whole words only, outside of tags. */
    private static List<int[]> occurrences(ShownText.Line line, String words) {
        List<int[]> found = new ArrayList<>();
        String text = line.text().original();
        for (int at = text.indexOf(words); at >= 0; at = text.indexOf(words, at + words.length())) {
            int from = at;
            int to = at + words.length();
            boolean inTag = line.tags().stream().anyMatch(tag -> tag.start() < to && from < tag.end());
            if (!inTag && !continues(text, from - 1, from) && !continues(text, to - 1, to))
                found.add(new int[] {from, to});
        }
        return found;
    }

    private static boolean continues(String text, int left, int right) {
        return left >= 0
                && right < text.length()
                && Character.isLetterOrDigit(text.charAt(left))
                && Character.isLetterOrDigit(text.charAt(right));
    }
}
