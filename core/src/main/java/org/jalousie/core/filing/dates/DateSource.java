package org.jalousie.core.filing.dates;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.template.BuiltIn;

/** A day that every agreement of a template may have, by which others can go. @param label as people know it */
public record DateSource(String name, String label) {
    /** The day on which the last had acted; data of this name win. */
    public static final String COMPLETED = "completed_on";

    /** Names that every agreement has a day by. */
    public static final List<String> ALWAYS = List.of(COMPLETED, "generated_on");

    /** Those of a template: its data and rules that say a day, and what every agreement has. */
    public static List<DateSource> of(List<Field> fields, List<Rule> rules) {
        Map<String, DateSource> all = new LinkedHashMap<>();
        for (Field field : fields)
            if (isDay(field.type())) put(all, field.name().value(), field.label());
        for (Rule rule : rules) if (rule.within().isEmpty() && isDay(rule.gives())) put(all, rule.name(), rule.label());
        put(all, COMPLETED, Message.of("dates.completed").toString());
        BuiltIn.FIELDS.stream()
                .filter(field -> isDay(field.type()))
                .forEach(field -> put(all, field.name().value(), field.label()));
        return new ArrayList<>(all.values());
    }

    private static void put(Map<String, DateSource> all, String name, String label) {
        all.putIfAbsent(name, new DateSource(name, label.isBlank() ? name : label));
    }

    /** Whether data of a type say a day. */
    public static boolean isDay(FieldType type) {
        return type == FieldType.DATE || type == FieldType.DATE_TIME;
    }

    /** What an agreement's data come to, and when it was complete. */
    public static Map<String, Value> values(Map<String, Value> data, LocalDate completed) {
        Map<String, Value> all = new LinkedHashMap<>();
        all.put(COMPLETED, new Value.Day(completed));
        all.putAll(data);
        return all;
    }
}
