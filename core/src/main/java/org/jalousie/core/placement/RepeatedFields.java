package org.jalousie.core.placement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Names for fields that stand more than once: one in a list comes once for each item, one in a header once a page, and each
 * needs a name of its own.
 */
final class RepeatedFields {
    private final Map<Integer, SigningField> boxes;
    private final Set<Integer> onEachPage;
    private final Set<String> taken = new HashSet<>();
    private final List<Integer> order = new ArrayList<>();
    private final Map<Integer, List<String>> names = new HashMap<>();

    /**
     * @param boxes the fields by the number their boxes carry
     * @param onEachPage numbers of boxes whose places all show one answer
     */
    RepeatedFields(Map<Integer, SigningField> boxes, Set<Integer> onEachPage) {
        this.boxes = boxes;
        this.onEachPage = onEachPage;
    }

    /** The field of a box that was found once more, under a name that no other has. */
    SigningField next(int box) {
        SigningField field = boxes.get(box);
        String name = field.name();
        for (int number = 2; !taken.add(name); number++) name = field.name() + "_" + number;
        order.add(box);
        names.computeIfAbsent(box, any -> new ArrayList<>()).add(name);
        if (name.equals(field.name())) return field;
        boolean same =
                field.repeats() == Repeats.ONE_ANSWER || field.repeats() == Repeats.USUAL && onEachPage.contains(box);
        String label = same
                ? field.label()
                : field.label() + " (" + name.substring(field.name().length() + 1) + ")";
        return field.again(name, label, same ? field.answeredBy() : field.sameAs());
    }

    /**
     * The fields as they were found, where each that waits for another waits for the one of its own item.
     *
     * @param placed as {@link #next} gave them, in that order
     */
    List<PlacedField> paired(List<PlacedField> placed) {
        Map<Integer, Integer> seen = new HashMap<>();
        List<PlacedField> all = new ArrayList<>();
        for (int i = 0; i < placed.size(); i++) {
            int number = seen.merge(order.get(i), 1, Integer::sum) - 1;
            all.add(pair(placed.get(i), i, number));
        }
        return all;
    }

    private PlacedField pair(PlacedField placed, int at, int number) {
        SigningField field = placed.field();
        return placed.of(field.waitingFor(pair(field.when(), at, number), pair(field.requiredWhen(), at, number)));
    }

    private ShownWhen pair(ShownWhen when, int at, int number) {
        int other = boxCalled(when.field());
        List<String> others = names.getOrDefault(other, List.of());
        if (others.size() < 2) return when;
        boolean asMany = others.size() == names.get(order.get(at)).size();
        return new ShownWhen(asMany ? others.get(number) : others.get(before(at, other)), when.answer());
    }

    /** Which one of a box stands nearest before a place; the first where none does. */
    private int before(int at, int box) {
        int count = 0;
        for (int i = 0; i < at; i++) if (order.get(i) == box) count++;
        return Math.max(0, count - 1);
    }

    private int boxCalled(String name) {
        return boxes.entrySet().stream()
                .filter(one -> one.getValue().name().equals(name))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(0);
    }
}
