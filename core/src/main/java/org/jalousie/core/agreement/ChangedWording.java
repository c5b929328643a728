package org.jalousie.core.agreement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Sha256;

/**
 * The wording of one document where it differs, in one agreement, from that of its template.
 *
 * @param file the Word file that the document is made from, with its tags
 * @param clauses the files of those clauses whose words differ, by name
 * @param paragraphs those that differ, in the order of reading
 */
public record ChangedWording(Sha256 file, Map<String, Sha256> clauses, List<ChangedParagraph> paragraphs) {
    /** What became of some words of the template. */
    public enum Fate {
        KEPT,
        STRUCK,
        PUT_IN
    }

    /** Words with one fate; what a tag stands for is told in brackets. */
    public record ChangedPiece(Fate fate, String text) {}

    /** One paragraph. */
    public record ChangedParagraph(List<ChangedPiece> pieces) {
        public ChangedParagraph {
            pieces = List.copyOf(pieces);
        }

        /** Changes with nothing but a blank between them are read as one. */
        public static ChangedParagraph of(List<ChangedPiece> pieces) {
            List<ChangedPiece> all = new ArrayList<>();
            StringBuilder struck = new StringBuilder();
            StringBuilder put = new StringBuilder();
            for (int i = 0; i < pieces.size(); i++) {
                ChangedPiece one = pieces.get(i);
                boolean within = one.fate() == Fate.KEPT
                        && one.text().isBlank()
                        && !(struck.isEmpty() && put.isEmpty())
                        && i + 1 < pieces.size();
                if (one.fate() != Fate.PUT_IN && (within || one.fate() == Fate.STRUCK)) struck.append(one.text());
                if (one.fate() != Fate.STRUCK && (within || one.fate() == Fate.PUT_IN)) put.append(one.text());
                if (within || one.fate() != Fate.KEPT) continue;
                change(all, struck, put);
                all.add(one);
            }
            change(all, struck, put);
            return new ChangedParagraph(all);
        }

        private static void change(List<ChangedPiece> all, StringBuilder struck, StringBuilder put) {
            String before = struck.toString();
            String now = put.toString();
            int end = 0;
            // a blank that both end with was between the last change and what was kept
            if (before.endsWith(" ") && now.endsWith(" ")) end = 1;
            if (before.length() > end)
                all.add(new ChangedPiece(Fate.STRUCK, before.substring(0, before.length() - end)));
            if (now.length() > end) all.add(new ChangedPiece(Fate.PUT_IN, now.substring(0, now.length() - end)));
            if (end > 0) all.add(new ChangedPiece(Fate.KEPT, " "));
            struck.setLength(0);
            put.setLength(0);
        }
    }

    public ChangedWording {
        clauses = Map.copyOf(clauses);
        paragraphs = List.copyOf(paragraphs);
    }

    /** Whether anything differs. */
    public boolean differs() {
        return !paragraphs.isEmpty();
    }
}
