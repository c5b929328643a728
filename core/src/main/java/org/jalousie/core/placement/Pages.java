package org.jalousie.core.placement;

import java.util.ArrayList;
import java.util.List;

/** The finished pages with the fields on them. */
public record Pages(List<Size> sizes, List<PlacedField> fields) {
    /** A page's size in PDF points. */
    public record Size(double width, double height) {}

    /** What is wrong with where the fields landed, a sentence each. */
    public List<String> faults() {
        List<String> faults = new ArrayList<>();
        for (int i = 0; i < fields.size(); i++) {
            PlacedField one = fields.get(i);
            Size page = sizes.get(one.page() - 1);
            if (one.x() < 0
                    || one.y() < 0
                    || one.x() + one.width() > page.width()
                    || one.y() + one.height() > page.height()) {
                faults.add("%s hangs off page %d. Give it more room in the wording."
                        .formatted(one.field().title(), one.page()));
            }
            for (int k = i + 1; k < fields.size(); k++) {
                PlacedField other = fields.get(k);
                if (one.overlaps(other)) {
                    faults.add("%s and %s overlap on page %d. Put them further apart in the wording."
                            .formatted(one.field().title(), other.field().title(), one.page()));
                }
            }
        }
        return faults;
    }
}
