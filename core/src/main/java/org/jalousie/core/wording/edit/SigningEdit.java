package org.jalousie.core.wording.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.TagReader;
import org.w3c.dom.Element;

/** The tag of a signing field, moved to another place or kept with the words before it. */
public final class SigningEdit {
    /** A tag that stands a second time is another field, with a number behind its name. */
    private static final Pattern NUMBERED = Pattern.compile("(.+)_(\\d{1,3})");

    private SigningEdit() {}

    /**
     * What a move came to.
     *
     * @param word what the tag says after its party
     * @param from which of the tags that say the same it was in the order of the text, {@code to} which it is now, from 0
     */
    public record Moved(WordingEdit.Edited edited, String word, int from, int to) {}

    /**
     * A tag is taken from where it stands and put elsewhere, in its own look; a paragraph that is left empty goes.
     *
     * @param occurrence which of several tags that say the same, from 0 in the order of the text
     * @throws EditRefused when the tag isn't there, or the new place is within a tag
     */
    public static Moved move(
            WordFile file, String party, String word, int occurrence, Selection to, Map<String, String> shown) {
        WordingEdit edit = new WordingEdit(file, shown);
        ShownText text = edit.text();
        List<ShownText.Place> found = places(text, party + "." + word);
        if (found.isEmpty()) {
            Matcher numbered = NUMBERED.matcher(word);
            if (numbered.matches())
                return move(file, party, numbered.group(1), Integer.parseInt(numbered.group(2)) - 1, to, shown);
        }
        if (occurrence < 0 || occurrence >= found.size())
            throw new EditRefused(Message.of("edit.tag-not-found", "tag", party + "." + word));
        ShownText.Place from = found.get(occurrence);
        // a text box stands twice in a file, for old and new programs (ISO/IEC 29500-3 §10.2)
        if (Word.ancestor(from.line().paragraph(), "AlternateContent") != null)
            throw new EditRefused(Message.of("edit.in-a-box", "tag", party + "." + word));
        ShownText.Place target = text.find(to).from();
        TagReader.Found tag = from.line().tags().stream()
                .filter(one -> one.start() == from.offset())
                .findFirst()
                .orElseThrow();
        ShownText.Line line = from.line();
        boolean sameLine = target.line().paragraph() == line.paragraph();
        int end = withBlank(line.text().original(), tag);
        if (sameLine && target.offset() >= tag.start() && target.offset() <= end)
            return new Moved(edit.done(0), word, occurrence, occurrence);
        int before = (int) found.stream()
                .filter(one -> one != from && isBefore(text, one, target))
                .count();
        String said = spaced(line.text().original().substring(tag.start(), tag.end()), target);
        // on one line the later place is changed first, so that the other still stands where it was found
        if (sameLine && target.offset() > tag.start()) {
            Element run = insertMarked(edit, target, said);
            look(line.text().isolate(tag.start(), end), run);
        } else {
            Element old = line.text().isolate(tag.start(), end);
            look(old, insertMarked(edit, target, said));
        }
        if (!sameLine) dropIfEmpty(line.paragraph());
        return new Moved(edit.done(1), word, occurrence, before);
    }

    /** The paragraph of a field's tag stays with the words before it, and its line and its row may grow with it. */
    public static WordingEdit.Edited keep(WordFile file, String party, String word) {
        WordingEdit edit = new WordingEdit(file, Map.of());
        int places = 0;
        List<ShownText.Place> found = places(edit.text(), party + "." + word);
        Matcher numbered = NUMBERED.matcher(word);
        if (found.isEmpty() && numbered.matches()) return keep(file, party, numbered.group(1));
        for (ShownText.Place place : found) {
            Element paragraph = place.line().paragraph();
            Element row = Word.ancestor(paragraph, "tr");
            places += Keeping.wordsBefore(paragraph) + Keeping.linesGrow(paragraph);
            if (row != null) places += Keeping.rowGrows(row) + Keeping.rowsBefore(row);
        }
        return edit.done(places);
    }

    private static List<ShownText.Place> places(ShownText text, String said) {
        List<ShownText.Place> found = new ArrayList<>();
        for (ShownText.Line line : text.lines())
            for (TagReader.Found tag : line.tags())
                if (tag.content().strip().equals(said)) found.add(new ShownText.Place(line, tag.start()));
        return found;
    }

    private static boolean isBefore(ShownText text, ShownText.Place one, ShownText.Place other) {
        int lines =
                Integer.compare(text.lines().indexOf(one.line()), text.lines().indexOf(other.line()));
        return lines < 0 || lines == 0 && one.offset() < other.offset();
    }

    /** Where what goes with a tag ends: of two blanks that it leaves beside each other one goes too. */
    private static int withBlank(String text, TagReader.Found tag) {
        boolean blankBefore = tag.start() == 0 || Character.isWhitespace(text.charAt(tag.start() - 1));
        // a tab or a line's end that follows is no blank between words
        boolean blankAfter = tag.end() < text.length() && text.charAt(tag.end()) == ' ';
        return blankBefore && blankAfter ? tag.end() + 1 : tag.end();
    }

    /** A tag with the blanks that set it apart from the words at its new place. */
    private static String spaced(String tag, ShownText.Place at) {
        String text = at.line().text().original();
        boolean wordBefore = at.offset() > 0 && !Character.isWhitespace(text.charAt(at.offset() - 1));
        boolean wordAfter = at.offset() < text.length() && Character.isLetterOrDigit(text.charAt(at.offset()));
        return (wordBefore ? " " : "") + tag + (wordAfter ? " " : "");
    }

    private static Element insertMarked(WordingEdit edit, ShownText.Place at, String said) {
        List<Element> before = Word.all(at.line().paragraph(), "r");
        edit.insert(at.line().text(), at.offset(), said);
        return Word.all(at.line().paragraph(), "r").stream()
                .filter(run -> !before.contains(run) && Word.first(run, "t") != null)
                .filter(run -> Word.first(run, "t").getTextContent().equals(said))
                .findFirst()
                .orElseThrow();
    }

    /** The run that was isolated gives its look to the new one, and goes. */
    private static void look(Element from, Element to) {
        Element properties = Word.child(from, "rPr");
        Word.remove(Word.child(to, "rPr"));
        if (properties != null) to.insertBefore(properties.cloneNode(true), to.getFirstChild());
        Word.remove(from);
    }

    private static void dropIfEmpty(Element paragraph) {
        boolean alone = Word.children(paragraph.getParentNode()).stream()
                        .filter(Word::isParagraph)
                        .count()
                < 2;
        if (Keeping.isEmpty(paragraph) && !alone) Word.remove(paragraph);
    }
}
