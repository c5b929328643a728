package org.jalousie.core.placement;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;

/** Signing fields that stand in the document and are on none of its pages: in a box too small, or hidden. */
public final class HiddenFields {
    private HiddenFields() {}

    /**
     * @param printed how often each box stands in the body
     * @param boxes by their number
     * @param without parties that take no part, and need no place
     */
    public static Optional<Message> among(
            Map<Integer, Integer> printed, Map<Integer, SigningField> boxes, Set<PartyKey> without, Pages pages) {
        for (Map.Entry<Integer, Integer> one : printed.entrySet()) {
            SigningField box = boxes.get(one.getKey());
            if (without.contains(box.party())) continue;
            long seen = pages.fields().stream()
                    .filter(placed -> isOf(placed.field(), box))
                    .count();
            if (seen < one.getValue()) return Optional.of(Message.of("place.hidden", "field", box.title()));
        }
        return Optional.empty();
    }

    private static boolean isOf(SigningField placed, SigningField box) {
        if (!placed.party().equals(box.party())
                || !placed.type().kind().equals(box.type().kind())) return false;
        return placed.name().equals(box.name())
                || placed.name().startsWith(box.name() + "_")
                        && placed.name().substring(box.name().length() + 1).matches("\\d+");
    }
}
