package org.jalousie.core.wording.compile;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.wording.Passage;
import org.jalousie.core.wording.tags.Copies;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.Tag;

/** The passages of a wording, numbered through all its parts. Both copies of a text box hold the same ones. */
final class Passages {
    private final List<Passage> all = new ArrayList<>();
    private final Map<String, Integer> numbers = new HashMap<>();
    private final Copies copies;

    Passages(Copies copies) {
        this.copies = copies;
    }

    List<Passage> all() {
        return all;
    }

    /** The section that begins with this tag, under its passage's number and still without its body. */
    Segment.Section section(Part part, Occurrence opens) {
        Tag.Open open = (Tag.Open) opens.tag;
        String copy = copies.key(opens, part);
        Integer known = copy.isEmpty() ? null : numbers.get(copy);
        int number = known == null
                ? add(open, part.titleAt(opens.in.paragraph()), part.place(opens), part.wordsAfter(opens))
                : known;
        if (!copy.isEmpty()) numbers.put(copy, number);
        return new Segment.Section(number, open.name(), open.inverted(), List.of());
    }

    /** A section within a text that has no layout, as in a file property. */
    Segment.Section plain(Tag.Open open, String part, String place) {
        return new Segment.Section(add(open, part, place, ""), open.name(), open.inverted(), List.of());
    }

    private int add(Tag.Open open, String part, String place, String begins) {
        all.add(new Passage(all.size(), open.name(), open.inverted(), part, place, begins));
        return all.size() - 1;
    }
}
