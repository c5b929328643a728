package org.jalousie.core.wording;

import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import com.github.difflib.patch.DeltaType;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Element;

/** The words of two files against each other: what stayed, what came, what went. */
public final class Redline {
    private static final Pattern WORD = Pattern.compile("\\{\\{[^}]*}}|[\\p{L}\\p{N}_]+|\\s+|.", Pattern.DOTALL);

    private Redline() {}

    /** What became of some words. */
    public enum Fate {
        SAME,
        CAME,
        WENT
    }

    public record Piece(Fate fate, String text) {}

    /** One paragraph. @param part body, header, footer or notes */
    public record Line(String part, List<Piece> pieces) {
        /** Whether anything in it changed. */
        public boolean changed() {
            return pieces.stream().anyMatch(piece -> piece.fate() != Fate.SAME);
        }
    }

    /** All paragraphs of both files in the order of reading. */
    public static List<Line> between(WordFile before, WordFile after) {
        List<Line> lines = new ArrayList<>();
        List<String> names = new ArrayList<>(after.textParts());
        before.textParts().stream().filter(name -> !names.contains(name)).forEach(names::add);
        for (String name : names) {
            List<String> old = paragraphs(before, name);
            List<String> now = paragraphs(after, name);
            String title = Part.title(name);
            int at = 0;
            for (AbstractDelta<String> delta : DiffUtils.diff(old, now).getDeltas()) {
                for (; at < delta.getSource().getPosition(); at++) lines.add(line(title, Fate.SAME, old.get(at)));
                changed(title, delta, lines);
                at = delta.getSource().getPosition() + delta.getSource().size();
            }
            for (; at < old.size(); at++) lines.add(line(title, Fate.SAME, old.get(at)));
        }
        return lines;
    }

    /** Paragraphs that took each other's place are compared word by word, in their order. */
    private static void changed(String part, AbstractDelta<String> delta, List<Line> lines) {
        List<String> old = delta.getSource().getLines();
        List<String> now = delta.getTarget().getLines();
        int both = delta.getType() == DeltaType.CHANGE ? Math.min(old.size(), now.size()) : 0;
        for (int i = 0; i < both; i++) lines.add(new Line(part, pieces(old.get(i), now.get(i))));
        for (int i = both; i < old.size(); i++) lines.add(line(part, Fate.WENT, old.get(i)));
        for (int i = both; i < now.size(); i++) lines.add(line(part, Fate.CAME, now.get(i)));
    }

    private static List<Piece> pieces(String old, String now) {
        List<String> before = words(old);
        List<String> after = words(now);
        List<Piece> pieces = new ArrayList<>();
        int at = 0;
        for (AbstractDelta<String> delta : DiffUtils.diff(before, after).getDeltas()) {
            add(pieces, Fate.SAME, before.subList(at, delta.getSource().getPosition()));
            add(pieces, Fate.WENT, delta.getSource().getLines());
            add(pieces, Fate.CAME, delta.getTarget().getLines());
            at = delta.getSource().getPosition() + delta.getSource().size();
        }
        add(pieces, Fate.SAME, before.subList(at, before.size()));
        return pieces;
    }

    private static void add(List<Piece> pieces, Fate fate, List<String> words) {
        if (!words.isEmpty()) pieces.add(new Piece(fate, String.join("", words)));
    }

    private static Line line(String part, Fate fate, String text) {
        return new Line(part, List.of(new Piece(fate, text)));
    }

    private static List<String> words(String text) {
        List<String> words = new ArrayList<>();
        for (Matcher matcher = WORD.matcher(text); matcher.find(); ) words.add(matcher.group());
        return words;
    }

    private static List<String> paragraphs(WordFile file, String part) {
        List<String> paragraphs = new ArrayList<>();
        byte[] xml = file.parts().get(part);
        if (xml == null) return paragraphs;
        for (Element paragraph : Word.paragraphs(SafeXml.parse(part, xml))) {
            String text = new ParagraphText(paragraph).original();
            if (!text.isBlank()) paragraphs.add(text);
        }
        return paragraphs;
    }
}
