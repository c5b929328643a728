package org.jalousie.core.placement;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;

/** The finished pages with the fields on them. */
public record Pages(List<Size> sizes, List<PlacedField> fields) {
    /** A page's size in PDF points. */
    public record Size(double width, double height) {}

    /** The places that one party fills in. */
    public List<PlacedField> fieldsOf(PartyKey party) {
        return fields.stream()
                .filter(placed -> placed.field().party().equals(party))
                .toList();
    }

    /** The same places, without what is known of where their content comes from. */
    public Pages withoutSources() {
        return new Pages(
                sizes,
                fields.stream()
                        .map(placed -> placed.of(placed.field().from(ValueFrom.NOTHING)))
                        .toList());
    }

    /** What is wrong with where the fields landed. */
    public List<Message> faults() {
        List<Message> faults = new ArrayList<>();
        for (int i = 0; i < fields.size(); i++) {
            PlacedField one = fields.get(i);
            Size page = sizes.get(one.page() - 1);
            if (one.x() < 0
                    || one.y() < 0
                    || one.x() + one.width() > page.width()
                    || one.y() + one.height() > page.height()) {
                faults.add(Message.of("place.off-page", "field", one.field().title(), "page", one.page()));
            }
            for (int k = i + 1; k < fields.size(); k++) {
                PlacedField other = fields.get(k);
                if (one.overlaps(other)) {
                    faults.add(Message.of(
                            "place.overlap",
                            "field",
                            one.field().title(),
                            "other",
                            other.field().title(),
                            "page",
                            one.page()));
                }
            }
        }
        return faults;
    }
}
