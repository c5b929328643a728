package org.jalousie.core.wording.tags;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;

/** Matches the sections' ends to their beginnings within one part; what does not match is reported. */
public final class SectionPairs {
    public record Pair(Occurrence open, Occurrence close) {}

    private SectionPairs() {}

    public static List<Pair> match(Part part, List<Diagnostic> diagnostics) {
        List<Pair> pairs = new ArrayList<>();
        Deque<Occurrence> open = new ArrayDeque<>();
        for (Occurrence tag : part.tags) {
            if (tag.tag instanceof Tag.Open) {
                open.push(tag);
            } else if (tag.tag instanceof Tag.Close close) {
                if (open.isEmpty()) {
                    diagnostics.add(part.diagnostic(
                            tag,
                            "section-not-open",
                            Message.of("wording.section-not-open", "name", close.name()),
                            Message.of("wording.section-not-open.cure", "name", close.name())));
                } else if (!name(open.peek()).equals(close.name())) {
                    String inner = name(open.peek());
                    diagnostics.add(part.diagnostic(
                            tag,
                            "section-crossed",
                            Message.of("wording.section-crossed", "name", close.name(), "inner", inner),
                            Message.of("wording.section-crossed.cure", "inner", inner)));
                    open.removeIf(one -> name(one).equals(close.name()));
                } else {
                    pairs.add(new Pair(open.pop(), tag));
                }
            }
        }
        for (Occurrence left : open) {
            diagnostics.add(part.diagnostic(
                    left,
                    "section-unclosed",
                    Message.of("wording.section-unclosed", "name", name(left)),
                    Message.of("wording.section-unclosed.cure", "name", name(left))));
        }
        pairs.sort((a, b) -> Integer.compare(a.open.index, b.open.index));
        return pairs;
    }

    private static String name(Occurrence open) {
        return ((Tag.Open) open.tag).name();
    }
}
