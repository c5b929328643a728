package org.jalousie.core.data;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads what somebody is still typing: what can be read already, with the rest left out. */
public final class ReadSoFar {
    private ReadSoFar() {}

    /** The answers that can be read, by the names of their fields; of a list those of each item. */
    public static Map<String, Value> of(List<Field> fields, Map<FieldName, String> inputs, Typing typing) {
        Map<String, String> plain = new LinkedHashMap<>();
        inputs.forEach((name, text) -> plain.put(name.value(), text));
        return values(fields, plain, typing);
    }

    private static Map<String, Value> values(List<Field> fields, Map<String, String> inputs, Typing typing) {
        Map<String, Value> values = new LinkedHashMap<>();
        for (Field field : fields)
            value(field, inputs.get(field.name().value()), typing)
                    .ifPresent(value -> values.put(field.name().value(), value));
        return values;
    }

    private static Optional<Value> value(Field field, String input, Typing typing) {
        try {
            if (field.type() != FieldType.ITEMS) return ValueReader.read(field, input, typing);
            if (input == null || input.isBlank()) return Optional.empty();
            List<Map<String, String>> items = RawItems.read(input);
            if (items.size() > ValueReader.MOST_ITEMS) return Optional.empty();
            List<Map<String, Value>> read = new ArrayList<>();
            for (Map<String, String> item : items) read.add(values(field.items(), item, typing));
            return Optional.of(new Value.Items(read));
        } catch (ValueReader.Unreadable e) {
            return Optional.empty();
        }
    }
}
