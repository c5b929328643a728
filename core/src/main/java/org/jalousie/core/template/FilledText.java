package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.wording.Origin;
import org.jalousie.core.wording.PrintedText;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;

/** A filled wording as text, for a screen that has no room for pages: paragraph by paragraph, with what each answer printed. */
public final class FilledText {
    private FilledText() {}

    /**
     * Words of one kind.
     *
     * @param name of the datum that printed them; empty for the template's own words
     * @param list the innermost list whose item has the datum; empty outside of lists
     * @param items which item of each list around it, from the outside in, from 1
     */
    public record Run(String words, String name, String list, List<Integer> items) {}

    /** A paragraph, or a cell of a table. */
    public record Paragraph(List<Run> runs) {}

    /** The body's paragraphs that say something; headers, footers and notes are left to the pages. */
    public static List<Paragraph> of(Wording.Merged merged) {
        List<Paragraph> paragraphs = new ArrayList<>();
        List<Run> runs = new ArrayList<>();
        for (Wording.PrintedPart part : merged.printed()) {
            if (!part.name().equals(WordFile.MAIN)) continue;
            for (PrintedText.Piece piece : PrintedText.of(part)) {
                if (piece instanceof PrintedText.Words words) {
                    runs.add(new Run(words.text(), "", "", List.of()));
                } else if (piece instanceof PrintedText.Datum datum) {
                    Origin.Datum of = datum.datum();
                    runs.add(new Run(datum.text(), of.name(), of.list(), of.items()));
                } else if (piece instanceof PrintedText.Break) {
                    end(runs, paragraphs);
                }
            }
            end(runs, paragraphs);
        }
        return paragraphs;
    }

    private static void end(List<Run> runs, List<Paragraph> into) {
        if (runs.stream().anyMatch(run -> !run.words().isBlank())) into.add(new Paragraph(List.copyOf(runs)));
        runs.clear();
    }
}
