package org.jalousie.core.wording.compile;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Goes through a part whose sections are framed, telling for each element which sections it stands in. */
final class SectionWalk {
    private SectionWalk() {}

    /** @param visit an element and the sections round it, the outermost first; the list is a copy only when it is kept by {@code List.copyOf} */
    static void through(Part part, SectionMarkers markers, BiConsumer<Element, List<Segment.Section>> visit) {
        List<Element> all = new ArrayList<>();
        List<List<Segment.Section>> around = new ArrayList<>();
        collect(part.document, markers, new ArrayList<>(), all, around);
        for (int i = 0; i < all.size(); i++) visit.accept(all.get(i), around.get(i));
    }

    private static void collect(
            Node node,
            SectionMarkers markers,
            List<Segment.Section> open,
            List<Element> all,
            List<List<Segment.Section>> around) {
        List<Segment.Section> now = List.copyOf(open);
        for (Node child = node.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element) {
                all.add(element);
                around.add(now);
                collect(element, markers, open, all, around);
            } else if (markers.beginsAt(child) instanceof Segment.Section section) {
                open.add(section);
                now = List.copyOf(open);
            } else if (markers.endsAt(child) instanceof Segment.Section section) {
                open.removeIf(one -> one == section);
                now = List.copyOf(open);
            }
        }
    }

    static List<Integer> numbers(List<Segment.Section> sections) {
        return sections.stream().map(Segment.Section::passage).toList();
    }
}
