package org.jalousie.core.wording.compile;

import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.Tag;

/**
 * Whether everything that stood in a part is in its segments: each letter of its own words, each picture, symbol, break, note,
 * equation, object, field mark, bookmark and table. What is missing is a fault of the program and stops the template.
 */
final class Losses {
    private Losses() {}

    /** What a part holds before it is cut, without its tags. */
    static Tally tally(Part part) {
        Tally tally = Tally.of(SafeXml.write(part.document));
        int tags = 0;
        for (Occurrence tag : part.tags)
            tags += letters(tag.in.original().substring(tag.found.start(), tag.found.end()));
        tally.without(Tally.LETTERS, tags);
        return tally;
    }

    static int letters(String text) {
        int letters = 0;
        for (int i = 0; i < text.length(); i++) if (Tally.isLetter(text.charAt(i))) letters++;
        return letters;
    }

    /** @param taken letters of tags that were found among the words beside the paragraphs */
    static void report(Part part, Tally before, int taken, List<Segment> segments, List<Diagnostic> diagnostics) {
        Tally after = new Tally();
        add(segments, after);
        before.without(Tally.LETTERS, taken);
        // paragraphs of tags go, and each signing field brings a drawing
        long boxes =
                part.tags.stream().filter(tag -> tag.tag instanceof Tag.Dotted).count();
        after.without(Tally.DRAWINGS, (int) boxes);
        List<Message> differences = after.differences(before, Tally.PARAGRAPHS);
        if (differences.isEmpty()) return;
        diagnostics.add(new Diagnostic(
                "not-whole",
                part.title(),
                "",
                Message.of("wording.losses", "differences", Message.list(differences)),
                Message.of("wording.losses.cure")));
    }

    private static void add(List<Segment> segments, Tally tally) {
        for (Segment segment : segments) {
            if (segment instanceof Segment.Literal literal) tally.add(literal.holds());
            else add(segment.inside(), tally);
        }
    }
}
