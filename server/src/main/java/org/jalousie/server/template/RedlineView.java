package org.jalousie.server.template;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.template.Meaning;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Mention;
import org.jalousie.core.wording.Redline;

/** One paragraph of two versions against each other, over HTTP. @param part body, header, footer or notes */
@Schema(name = "RedlineLine")
record RedlineView(String part, List<Piece> pieces) {
    enum Tag {
        WORDS,
        VALUE,
        OPEN,
        UNLESS,
        CLOSE,
        CLAUSE,
        CHOSEN_CLAUSE
    }

    /**
     * Words with one fate, or one tag.
     *
     * @param tag what the tag does; WORDS for words
     * @param list the list whose items have what the tag means
     * @param name of the field, rule or choice that the tag means; what stands in the tag where it means none of them
     * @param label what a coordinator calls it; empty where it is none of them
     */
    @Schema(name = "RedlinePiece")
    record Piece(Redline.Fate fate, String text, Tag tag, String list, String name, String label) {
        private static Piece of(Redline.Piece piece, TemplateContent content) {
            if (piece.mention().isEmpty()) return new Piece(piece.fate(), piece.text(), Tag.WORDS, "", "", "");
            Mention mention = piece.mention().get();
            Meaning unknown = new Meaning("", mention.name(), "");
            Meaning meaning = mention.kind() == Mention.Kind.CLAUSE
                    ? unknown
                    : Meaning.of(content, mention).orElse(unknown);
            Tag tag = Tag.valueOf(mention.kind().name());
            return new Piece(piece.fate(), piece.text(), tag, meaning.list(), meaning.name(), meaning.label());
        }
    }

    /** What went is called as in the version before, everything else as in the one after. */
    static List<RedlineView> of(List<Redline.Line> lines, TemplateContent before, TemplateContent after) {
        return lines.stream()
                .map(line -> new RedlineView(
                        line.part(),
                        line.pieces().stream()
                                .map(piece -> Piece.of(piece, piece.fate() == Redline.Fate.WENT ? before : after))
                                .toList()))
                .toList();
    }
}
