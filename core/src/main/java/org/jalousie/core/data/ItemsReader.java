package org.jalousie.core.data;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jalousie.core.messages.Message;

/** Reads the items of a list, each field of each of them, and tells all that is wrong with where it is. */
final class ItemsReader {
    private ItemsReader() {}

    static Value items(Field list, String text, Typing typing, boolean stored) throws ValueReader.Unreadable {
        List<Map<String, Value>> items = new ArrayList<>();
        List<ValueReader.ItemFault> faults = new ArrayList<>();
        Message first = null;
        for (Map<String, String> raw : RawItems.read(text)) {
            if (items.size() == ValueReader.MOST_ITEMS)
                throw new ValueReader.Unreadable(Message.of("value.too-many-items", "most", ValueReader.MOST_ITEMS));
            ItemReading item = item(list, raw, items.size() + 1, typing, stored);
            items.add(item.values());
            faults.addAll(item.faults());
            if (first == null) first = item.said();
        }
        if (first != null) throw new ValueReader.Unreadable(first, faults);
        return new Value.Items(
                items,
                list.items().stream()
                        .map(field -> field.name().value())
                        .collect(Collectors.toCollection(LinkedHashSet::new)));
    }

    /** @param said what is wrong first, with the item and the field that it is about; null for nothing */
    private record ItemReading(Map<String, Value> values, List<ValueReader.ItemFault> faults, Message said) {}

    private static ItemReading item(Field list, Map<String, String> raw, int position, Typing typing, boolean stored)
            throws ValueReader.Unreadable {
        Map<String, Value> values = new LinkedHashMap<>();
        for (String name : raw.keySet()) {
            if (list.items().stream().noneMatch(field -> field.isCalled(name)))
                throw new ValueReader.Unreadable(
                        Message.of("value.item-no-field", "position", position, "field", name));
        }
        List<ValueReader.ItemFault> faults = new ArrayList<>();
        Message first = null;
        for (Field field : list.items()) {
            try {
                Optional<Value> value =
                        ValueReader.read(field, raw.get(field.name().value()), typing, stored);
                value.ifPresent(v -> values.put(field.name().value(), v));
                if (value.isEmpty() && field.required())
                    throw new ValueReader.Unreadable(Message.of("field.required", "field", field.label()));
            } catch (ValueReader.Unreadable e) {
                String place = "[" + (position - 1) + "]." + field.name();
                faults.add(new ValueReader.ItemFault(place, e.said()));
                e.items().forEach(inner -> faults.add(new ValueReader.ItemFault(place + inner.place(), inner.said())));
                if (first == null)
                    first = Message.of(
                            "value.in-item", "position", position, "field", field.label(), "fault", e.said());
            }
        }
        return new ItemReading(values, faults, first);
    }
}
