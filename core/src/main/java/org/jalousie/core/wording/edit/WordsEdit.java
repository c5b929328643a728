package org.jalousie.core.wording.edit;

import java.util.Map;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Tag;
import org.jalousie.core.wording.tags.TagReader;
import org.w3c.dom.Element;

/** Words of the wording itself become other words. Its tags stay what they are: none comes, and none goes but a value's. */
public final class WordsEdit {
    /** The most that is put in at once, in characters. */
    private static final int LONGEST = 10_000;

    /** Behind these a word begins without a blank. */
    private static final String OPENING = "([{\u201c\u2018\u00ab\u201e\"'/\u00a0";

    private final WordingEdit edit;
    private final Set<String> parties;

    private WordsEdit(WordingEdit edit, Set<String> parties) {
        this.edit = edit;
        this.parties = parties;
    }

    /**
     * Other words take the place of the chosen ones, in the look of their first character; a line break stays one.
     *
     * @param instead none to strike the chosen words out
     * @param parties keys of those whose signing fields the tags may be
     * @param shown what the pages show for a value's tag: by its name, or by its name and print
     * @throws EditRefused when the words can't be found, or stand for more than words
     */
    public static WordFile replace(
            WordFile file, Selection words, String instead, Set<String> parties, Map<String, String> shown) {
        WordsEdit edit = new WordsEdit(new WordingEdit(file, shown), parties);
        return edit.replaced(words, clean(instead));
    }

    /**
     * Words are put where the cursor stands.
     *
     * @param paragraph whether they are a paragraph of their own, like the one in which the cursor stands, after it
     */
    public static WordFile insert(
            WordFile file, Selection cursor, String words, boolean paragraph, Map<String, String> shown) {
        WordsEdit edit = new WordsEdit(new WordingEdit(file, shown), Set.of());
        String clean = clean(words);
        if (clean.isBlank()) throw new EditRefused(Message.of("edit.no-words"));
        return edit.inserted(cursor, clean, paragraph);
    }

    /**
     * How well words stand in a file as they stand on the page: how many letters beside them are the same; -1 when they don't.
     */
    public static int fit(WordFile file, Selection words, Map<String, String> shown) {
        return new WordingEdit(file, shown).text().fit(words);
    }

    private WordFile replaced(Selection words, String instead) {
        ShownText text = edit.text();
        int before = tags(text);
        ShownText.Range range = text.find(words);
        int from = text.lines().indexOf(range.from().line());
        int to = text.lines().indexOf(range.to().line());
        int gone = 0;
        for (int i = from; i <= to; i++) {
            ShownText.Line line = text.lines().get(i);
            int start = i == from ? range.from().offset() : 0;
            int end = i == to ? range.to().offset() : line.text().original().length();
            gone += goingWith(line, start, end);
        }
        // from the end, so that a paragraph that goes takes nothing along that is still to be found
        for (int i = to; i >= from; i--) {
            ShownText.Line line = text.lines().get(i);
            int start = i == from ? range.from().offset() : 0;
            int end = i == to ? range.to().offset() : line.text().original().length();
            put(line, start, end, i == from ? instead : "");
        }
        return done(before - gone);
    }

    private WordFile inserted(Selection cursor, String words, boolean paragraph) {
        ShownText text = edit.text();
        int before = tags(text);
        ShownText.Place place = text.find(cursor).from();
        if (paragraph) {
            Element beside = place.line().paragraph();
            beside.getParentNode().insertBefore(paragraphLike(beside, words), beside.getNextSibling());
        } else {
            String line = place.line().text().original();
            edit.insert(place.line().text(), place.offset(), spaced(line, place.offset(), words));
        }
        return done(before);
    }

    /** With the blanks that words need beside others, and none within a word. */
    private static String spaced(String line, int at, String words) {
        int before = at == 0 ? ' ' : line.charAt(at - 1);
        int after = at == line.length() ? ' ' : line.charAt(at);
        if (Character.isLetterOrDigit(before) && Character.isLetterOrDigit(after)) return words;
        boolean first = !Character.isWhitespace(before)
                && OPENING.indexOf(before) < 0
                && Character.isLetterOrDigit(words.codePointAt(0));
        return (first ? " " : "") + words + (Character.isLetterOrDigit(after) ? " " : "");
    }

    /** How many tags go with a stretch. */
    private int goingWith(ShownText.Line line, int start, int end) {
        int gone = 0;
        for (TagReader.Found tag : line.tags()) {
            if (tag.end() <= start || tag.start() >= end) continue;
            if (tag.start() < start || tag.end() > end) throw new EditRefused(Message.of("edit.inside-field"));
            if (!isValue(tag.tag())) throw new EditRefused(Message.of("edit.more-than-words"));
            gone++;
        }
        return gone;
    }

    private boolean isValue(Tag tag) {
        return tag instanceof Tag.Value || tag instanceof Tag.Dotted dotted && !parties.contains(dotted.first());
    }

    private void put(ShownText.Line line, int start, int end, String words) {
        ParagraphText text = line.text();
        String original = text.original();
        int until = end;
        if (words.isEmpty()) {
            // of the two blanks around struck words one goes too
            boolean blankBefore = start == 0 || Character.isWhitespace(original.charAt(start - 1));
            if (blankBefore && end < original.length() && original.charAt(end) == ' ') until++;
        }
        if (start < until) {
            Element run = text.isolate(start, until);
            if (words.isEmpty()) Word.remove(run);
            else WordingEdit.addWords(run, words);
        }
        if (words.isEmpty()) removeEmptied(line.paragraph());
    }

    /** A paragraph without anything left in it goes, where a file can do without it. */
    private static void removeEmptied(Element paragraph) {
        boolean holds = !new ParagraphText(paragraph).original().isBlank()
                || !new ParagraphText(paragraph).anchors().isEmpty()
                || Word.endsSection(paragraph);
        boolean alone = Word.children(paragraph.getParentNode()).stream()
                .noneMatch(other -> other != paragraph && Word.isParagraph(other));
        if (!holds && !alone) Word.remove(paragraph);
    }

    private static Element paragraphLike(Element like, String words) {
        Element paragraph = Word.element(like, "p");
        Element properties = Word.child(like, "pPr");
        if (properties != null) {
            Element copy = (Element) properties.cloneNode(true);
            for (String own : new String[] {"sectPr", "pageBreakBefore"}) {
                Element child = Word.child(copy, own);
                if (child != null) copy.removeChild(child);
            }
            paragraph.appendChild(copy);
        }
        Element run = Word.element(like, "r");
        Element neighbour = new ParagraphText(like).runAt(0);
        Element look = neighbour == null ? null : Word.child(neighbour, "rPr");
        if (look != null) run.appendChild(look.cloneNode(true));
        WordingEdit.addWords(run, words);
        paragraph.appendChild(run);
        return paragraph;
    }

    /** @param expected how many tags the wording has to have now: what was put in must be words, whatever the delimiters are */
    private WordFile done(int expected) {
        if (tags(edit.text()) != expected) throw new EditRefused(Message.of("edit.words-are-tags"));
        return edit.done(1).file();
    }

    private static int tags(ShownText text) {
        return text.lines().stream().mapToInt(line -> line.tags().size()).sum();
    }

    /** Without what no page can show. */
    private static String clean(String words) {
        StringBuilder clean = new StringBuilder();
        words.replace("\r\n", "\n").replace('\r', '\n').codePoints().forEach(c -> {
            if (c == '\n' || !Character.isISOControl(c)) clean.appendCodePoint(c == '\t' ? ' ' : c);
        });
        if (clean.length() > LONGEST) throw new EditRefused(Message.of("edit.too-long", "most", LONGEST));
        return clean.toString().strip();
    }
}
