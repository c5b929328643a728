package org.jalousie.core.wording.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.merge.Aside;
import org.jalousie.core.wording.tags.Tag;
import org.jalousie.core.wording.tags.TagReader;
import org.w3c.dom.Element;

/** The text of a Word file as its pages show it, with the way back from each letter to its place in the file. */
final class ShownText {
    private final StringBuilder all = new StringBuilder();
    private final List<Letter> letters = new ArrayList<>();
    private final List<Line> lines = new ArrayList<>();

    /** A paragraph with the tags in it. */
    record Line(String part, Element paragraph, ParagraphText text, List<TagReader.Found> tags) {}

    /** Where a shown letter comes from. @param end behind it, or behind the tag that it was shown for */
    record Letter(Line line, int start, int end) {}

    /** A place in the file. */
    record Place(Line line, int offset) {}

    /** A stretch of the file; both ends may be in different paragraphs. */
    record Range(Place from, Place to) {
        boolean inOneParagraph() {
            return from.line() == to.line();
        }
    }

    /**
     * @param parts in the order in which places are looked for
     * @param shown what the pages show for a value's tag, by field name, or by name and print with a dot between them
     */
    ShownText(PackageParts pack, List<String> parts, Map<String, String> shown) {
        for (String part : parts) {
            TagReader reader = new TagReader();
            for (Element paragraph : Word.paragraphs(pack.document(part))) {
                ParagraphText text = new ParagraphText(paragraph);
                Line line = new Line(part, paragraph, text, reader.read(text.original()));
                lines.add(line);
                add(line, shown);
            }
        }
    }

    private void add(Line line, Map<String, String> shown) {
        String text = line.text.original();
        int at = 0;
        for (TagReader.Found tag : line.tags) {
            letters(line, at, tag.start());
            for (char c : shownFor(tag.tag(), shown).toCharArray()) {
                if (!isPassedOver(c)) add(c, new Letter(line, tag.start(), tag.end()));
            }
            at = tag.end();
        }
        letters(line, at, text.length());
    }

    /** What stands on the pages for a tag: as its print has it where that is known, else as its name has it. */
    private static String shownFor(Tag tag, Map<String, String> shown) {
        String name = "";
        String print = "";
        if (tag instanceof Tag.Value value) {
            name = value.name();
            print = value.print();
        } else if (tag instanceof Tag.Dotted dotted) {
            name = dotted.first();
            print = dotted.second();
        }
        String printed = print.isEmpty() ? null : shown.get(name + "." + print);
        return printed == null ? shown.getOrDefault(name, "") : printed;
    }

    private void letters(Line line, int from, int to) {
        for (int i = from; i < to; i++) {
            char c = line.text.original().charAt(i);
            if (!isPassedOver(c)) add(c, new Letter(line, i, i + 1));
        }
    }

    private void add(char c, Letter letter) {
        all.append(c);
        letters.add(letter);
    }

    List<Line> lines() {
        return lines;
    }

    /** @throws EditRefused when the words are not found, or found in several places alike */
    Range find(Selection selection) {
        String wanted = bare(selection.text());
        if (wanted.isEmpty()) {
            Place place = placeBetween(bare(selection.before()), bare(selection.after()));
            return new Range(place, place);
        }
        int start = best(wanted, bare(selection.before()), bare(selection.after()), 0);
        int end = start + wanted.length();
        if (start < 0 && wanted.length() > 40) {
            // numbers of lists and the like are on the page and not in the text: the ends are looked for by themselves
            start = best(wanted.substring(0, 20), bare(selection.before()), "", 0);
            int tail = best(wanted.substring(wanted.length() - 20), "", bare(selection.after()), Math.max(start, 0));
            end = tail < 0 ? -1 : tail + 20;
        }
        if (start < 0 || end <= start) throw new EditRefused(Message.of("edit.words-not-found"));
        return new Range(
                new Place(letters.get(start).line(), letters.get(start).start()),
                new Place(letters.get(end - 1).line(), letters.get(end - 1).end()));
    }

    /** How many letters beside the words are those of the selection; -1 when they are nowhere. */
    int fit(Selection selection) {
        String wanted = bare(selection.text());
        String before = bare(selection.before());
        String after = bare(selection.after());
        int most = -1;
        for (int at = all.indexOf(wanted); at >= 0; at = all.indexOf(wanted, at + 1)) {
            most = Math.max(most, commonSuffix(at, before) + commonPrefix(at + wanted.length(), after));
            if (at == all.length()) break;
        }
        return wanted.isEmpty() && most == 0 ? -1 : most;
    }

    private Place placeBetween(String before, String after) {
        int best = -1;
        int score = 0;
        boolean tie = false;
        for (int i = 0; i <= all.length(); i++) {
            int here = Math.min(before.length(), commonSuffix(i, before))
                    + Math.min(after.length(), commonPrefix(i, after));
            if (here > score) {
                best = i;
                score = here;
                tie = false;
            } else if (here == score) tie = true;
        }
        // a place is known by what stands before it, or by much of what stands after it
        boolean known = best >= 0
                && score > 0
                && (commonSuffix(best, before) >= Math.min(6, Math.max(1, before.length()))
                        || commonPrefix(best, after) >= Math.min(16, Math.max(1, after.length())));
        if (!known) {
            throw new EditRefused(Message.of("edit.place-not-found"));
        }
        if (tie) throw severalAlike();
        if (best > 0 && commonSuffix(best, before) > 0) {
            Letter left = letters.get(best - 1);
            boolean sameLine = best < letters.size() && letters.get(best).line() == left.line();
            boolean spaceAfter = sameLine && left.end() < letters.get(best).start();
            return new Place(left.line(), spaceAfter ? left.end() + 1 : left.end());
        }
        Letter right = letters.get(best);
        return new Place(right.line(), right.start());
    }

    /** The place of these words whose surroundings fit best; -1 when they are nowhere. */
    private int best(String wanted, String before, String after, int from) {
        int best = -1;
        int score = -1;
        boolean tie = false;
        for (int at = all.indexOf(wanted, from); at >= 0; at = all.indexOf(wanted, at + 1)) {
            int here = commonSuffix(at, before) + commonPrefix(at + wanted.length(), after);
            if (here > score) {
                best = at;
                score = here;
                tie = false;
            } else if (here == score) tie = true;
        }
        if (tie) throw severalAlike();
        return best;
    }

    private static EditRefused severalAlike() {
        return new EditRefused(Message.of("edit.several-alike"));
    }

    private int commonSuffix(int at, String before) {
        int n = 0;
        while (n < before.length() && n < at && all.charAt(at - 1 - n) == before.charAt(before.length() - 1 - n)) n++;
        return n;
    }

    private int commonPrefix(int at, String after) {
        int n = 0;
        while (n < after.length() && at + n < all.length() && all.charAt(at + n) == after.charAt(n)) n++;
        return n;
    }

    private static String bare(String text) {
        StringBuilder bare = new StringBuilder();
        text.chars().filter(c -> !isPassedOver((char) c)).forEach(c -> bare.append((char) c));
        return bare.toString();
    }

    /** Blanks differ between a file and its pages, and marks about passages stand on the pages alone. */
    private static boolean isPassedOver(char c) {
        return Character.isWhitespace(c) || c == '\u00a0' || c == Aside.OPEN || c == Aside.CLOSE;
    }
}
