package org.jalousie.core.template;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ReadSoFar;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleSet;

/**
 * What a form prints that is still being filled: the answers that can be read, what follows from them, and labels in the places
 * of answers that are still missing. What may stay empty prints nothing, as it will in the end.
 */
public final class FormSoFar {
    private FormSoFar() {}

    /**
     * @param inputs as they are being typed; what can't be read is as if it were missing
     * @param today the day on which it would be made
     */
    public static Map<String, Value> of(
            TemplateContent content, RuleSet rules, Map<FieldName, String> inputs, Typing typing, LocalDate today) {
        Asked asked = asked(content, rules, inputs, typing, today);
        // labels come after the rules have been worked out: none of them is about a label
        Map<String, Value> values = new LinkedHashMap<>(asked.values());
        values.put("agreement_number", OutlineNames.label("Agreement number"));
        label(
                content.fields().stream()
                        .filter(field -> !asked.left().contains(field.name()))
                        .toList(),
                values);
        for (Rule rule : content.rules())
            if (rule.within().isEmpty() && rule.gives() != FieldType.YES_NO)
                values.putIfAbsent(rule.name(), OutlineNames.label(rule.label()));
        return values;
    }

    /**
     * What the form asks for with these answers.
     *
     * @param inputs as they are being typed
     * @param today the day on which it would be made
     */
    public static Asked asked(
            TemplateContent content, RuleSet rules, Map<FieldName, String> inputs, Typing typing, LocalDate today) {
        return Asked.of(
                content.layout(),
                content.fields(),
                ReadSoFar.of(content.fields(), inputs, typing),
                read -> rules.apply(BuiltIn.and(read, today, "")).values());
    }

    private static void label(List<Field> fields, Map<String, Value> values) {
        for (Field field : fields) {
            String name = field.name().value();
            Value value = values.get(name);
            if (field.type() == FieldType.ITEMS) {
                items(field, value).ifPresent(items -> values.put(name, items));
            } else if (value == null && field.required() && prints(field)) {
                values.put(name, OutlineNames.label(field.label()));
            }
        }
    }

    private static boolean prints(Field field) {
        return field.type() != FieldType.YES_NO && field.type() != FieldType.PICTURE;
    }

    /** The items with labels; one of labels alone for a list that has to have some and has none yet. */
    private static Optional<Value> items(Field list, Value value) {
        List<Map<String, Value>> items = new ArrayList<>();
        if (value instanceof Value.Items some) items.addAll(some.items());
        if (items.isEmpty() && list.required()) items.add(Map.of());
        if (items.isEmpty()) return Optional.empty();
        return Optional.of(new Value.Items(
                items.stream().map(item -> labelled(list.items(), item)).toList()));
    }

    /** In the order of the fields: what names an item is its first one. */
    private static Map<String, Value> labelled(List<Field> fields, Map<String, Value> item) {
        Map<String, Value> all = new LinkedHashMap<>(item);
        label(fields, all);
        Map<String, Value> ordered = new LinkedHashMap<>();
        fields.stream()
                .map(field -> field.name().value())
                .filter(all::containsKey)
                .forEach(name -> ordered.put(name, all.get(name)));
        all.forEach(ordered::putIfAbsent);
        return ordered;
    }
}
