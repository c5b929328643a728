package org.jalousie.core.wording;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.wording.tags.Tag;
import org.jalousie.core.wording.tags.TagReader;

/** Cuts the paragraphs of one part into words and tags, and knows in which sections each tag stands. */
final class TaggedWords {
    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}_]+|\\s+|.", Pattern.DOTALL);

    private final TagReader tags = new TagReader();
    private final Deque<String> open = new ArrayDeque<>();

    /** A word, a mark or a blank, or one whole tag. */
    record Token(String text, Optional<Mention> mention) {}

    /** The next paragraph: delimiters and sections go on from the one before. */
    List<Token> of(String paragraph) {
        List<Token> tokens = new ArrayList<>();
        int at = 0;
        for (TagReader.Found found : tags.read(paragraph)) {
            plain(paragraph.substring(at, found.start()), tokens);
            tokens.add(new Token(paragraph.substring(found.start(), found.end()), mention(found.tag())));
            at = found.end();
        }
        plain(paragraph.substring(at), tokens);
        return tokens;
    }

    private static void plain(String text, List<Token> tokens) {
        for (Matcher word = WORD.matcher(text); word.find(); ) tokens.add(new Token(word.group(), Optional.empty()));
    }

    private Optional<Mention> mention(Tag tag) {
        if (tag instanceof Tag.Value value) return said(Mention.Kind.VALUE, value.name());
        if (tag instanceof Tag.Dotted dotted) return said(Mention.Kind.VALUE, dotted.first() + "." + dotted.second());
        if (tag instanceof Tag.Clause clause)
            return said(clause.dynamic() ? Mention.Kind.CHOSEN_CLAUSE : Mention.Kind.CLAUSE, clause.name());
        if (tag instanceof Tag.Open section) {
            Optional<Mention> mention =
                    said(section.inverted() ? Mention.Kind.UNLESS : Mention.Kind.OPEN, section.name());
            open.push(section.name());
            return mention;
        }
        if (tag instanceof Tag.Close close) {
            // an end that fits nothing leaves the others open
            open.removeFirstOccurrence(close.name());
            return said(Mention.Kind.CLOSE, close.name());
        }
        return Optional.empty();
    }

    private Optional<Mention> said(Mention.Kind kind, String name) {
        return Optional.of(new Mention(kind, name, List.copyOf(open)));
    }
}
