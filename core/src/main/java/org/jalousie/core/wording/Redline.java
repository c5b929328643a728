package org.jalousie.core.wording;

import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import com.github.difflib.patch.Chunk;
import com.github.difflib.patch.DeltaType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.wording.TaggedWords.Token;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Element;

/** The words of two files against each other: what stayed, what came, what went. */
public final class Redline {
    private Redline() {}

    /** What became of some words. */
    public enum Fate {
        SAME,
        CAME,
        WENT
    }

    /** Words with one fate, or one tag. @param mention what the tag does; empty for words */
    public record Piece(Fate fate, String text, Optional<Mention> mention) {}

    /** One paragraph. @param part body, header, footer or notes */
    public record Line(String part, List<Piece> pieces) {
        /** Whether anything in it changed. */
        public boolean changed() {
            return pieces.stream().anyMatch(piece -> piece.fate() != Fate.SAME);
        }
    }

    /** The words of one file, all of them the same. */
    public static List<Line> of(WordFile file) {
        List<Line> lines = new ArrayList<>();
        for (String name : file.textParts())
            for (List<Token> paragraph : paragraphs(file, name))
                lines.add(line(Part.title(name), Fate.SAME, paragraph));
        return lines;
    }

    /** All paragraphs of both files in the order of reading. */
    public static List<Line> between(WordFile before, WordFile after) {
        List<Line> lines = new ArrayList<>();
        List<String> names = new ArrayList<>(after.textParts());
        before.textParts().stream().filter(name -> !names.contains(name)).forEach(names::add);
        for (String name : names) {
            List<List<Token>> old = paragraphs(before, name);
            List<List<Token>> now = paragraphs(after, name);
            String title = Part.title(name);
            // what stayed is read in the newer file, whose sections are those that stand now
            int at = 0;
            for (AbstractDelta<String> delta :
                    DiffUtils.diff(texts(old), texts(now)).getDeltas()) {
                for (List<Token> same : now.subList(at, delta.getTarget().getPosition()))
                    lines.add(line(title, Fate.SAME, same));
                changed(title, delta, of(delta.getSource(), old), of(delta.getTarget(), now), lines);
                at = delta.getTarget().getPosition() + delta.getTarget().size();
            }
            for (List<Token> same : now.subList(at, now.size())) lines.add(line(title, Fate.SAME, same));
        }
        return lines;
    }

    /** Paragraphs that took each other's place are compared word by word, in their order. */
    private static void changed(
            String part, AbstractDelta<String> delta, List<List<Token>> old, List<List<Token>> now, List<Line> lines) {
        int both = delta.getType() == DeltaType.CHANGE ? Math.min(old.size(), now.size()) : 0;
        for (int i = 0; i < both; i++) lines.add(new Line(part, pieces(old.get(i), now.get(i))));
        for (int i = both; i < old.size(); i++) lines.add(line(part, Fate.WENT, old.get(i)));
        for (int i = both; i < now.size(); i++) lines.add(line(part, Fate.CAME, now.get(i)));
    }

    private static List<Piece> pieces(List<Token> before, List<Token> after) {
        List<Piece> pieces = new ArrayList<>();
        int at = 0;
        for (AbstractDelta<String> delta :
                DiffUtils.diff(words(before), words(after)).getDeltas()) {
            add(pieces, Fate.SAME, after.subList(at, delta.getTarget().getPosition()));
            add(pieces, Fate.WENT, of(delta.getSource(), before));
            add(pieces, Fate.CAME, of(delta.getTarget(), after));
            at = delta.getTarget().getPosition() + delta.getTarget().size();
        }
        add(pieces, Fate.SAME, after.subList(at, after.size()));
        return pieces;
    }

    private static <T> List<T> of(Chunk<String> chunk, List<T> all) {
        return all.subList(chunk.getPosition(), chunk.getPosition() + chunk.size());
    }

    /** Words that follow one another are one piece, a tag is one of its own. */
    private static void add(List<Piece> pieces, Fate fate, List<Token> tokens) {
        StringBuilder words = new StringBuilder();
        for (Token token : tokens) {
            if (token.mention().isPresent()) {
                plain(pieces, fate, words);
                pieces.add(new Piece(fate, token.text(), token.mention()));
            } else {
                words.append(token.text());
            }
        }
        plain(pieces, fate, words);
    }

    private static void plain(List<Piece> pieces, Fate fate, StringBuilder words) {
        if (!words.isEmpty()) pieces.add(new Piece(fate, words.toString(), Optional.empty()));
        words.setLength(0);
    }

    private static Line line(String part, Fate fate, List<Token> tokens) {
        List<Piece> pieces = new ArrayList<>();
        add(pieces, fate, tokens);
        return new Line(part, pieces);
    }

    private static List<String> words(List<Token> tokens) {
        return tokens.stream().map(Token::text).toList();
    }

    private static List<String> texts(List<List<Token>> paragraphs) {
        return paragraphs.stream().map(one -> String.join("", words(one))).toList();
    }

    private static List<List<Token>> paragraphs(WordFile file, String part) {
        List<List<Token>> paragraphs = new ArrayList<>();
        byte[] xml = file.parts().get(part);
        if (xml == null) return paragraphs;
        TaggedWords words = new TaggedWords();
        for (Element paragraph : Word.paragraphs(SafeXml.parse(part, xml))) {
            String text = new ParagraphText(paragraph).original();
            if (!text.isBlank()) paragraphs.add(words.of(text));
        }
        return paragraphs;
    }
}
