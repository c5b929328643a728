package org.jalousie.core.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Start;
import org.jalousie.core.messages.Message;

/** Reads a filled form: every input against its field, all faults at once. */
public final class Intake {
    private Intake() {}

    /**
     * What a filled form came to.
     *
     * @param values by field name, in the form's order; blanks are absent
     * @param faults by field name, what is wrong with each; empty when the form can be taken
     * @param within by the name of a list, what is wrong in its items
     */
    public record Reading(
            Map<FieldName, Value> values,
            Map<FieldName, Message> faults,
            Map<FieldName, List<ValueReader.ItemFault>> within) {
        /** All faults, by where they are: a field, or a field of one of a list's items. */
        public Map<String, Message> places() {
            Map<String, Message> places = new LinkedHashMap<>();
            faults.forEach((name, fault) -> {
                places.put(name.value(), fault);
                within.getOrDefault(name, List.of())
                        .forEach(inner -> places.put(name.value() + inner.place(), inner.said()));
            });
            return places;
        }

        /** The values in the form in which they are stored. */
        public Map<FieldName, String> raw() {
            Map<FieldName, String> raw = new LinkedHashMap<>();
            values.forEach((name, value) -> raw.put(name, value.raw()));
            return raw;
        }
    }

    /**
     * Reads a filled form as it asks: what it doesn't ask for (any more) is not read, and what follows from other answers and can't be
     * typed is as it follows.
     */
    public static Reading read(
            FormLayout layout, List<Field> fields, Map<FieldName, String> inputs, Typing typing, Asked asked) {
        List<Field> read = new ArrayList<>();
        Map<FieldName, String> given = new LinkedHashMap<>(inputs);
        asked.left().forEach(given::remove);
        for (Field field : fields) {
            if (asked.left().contains(field.name())) continue;
            Optional<Question> question = layout.question(field.name());
            boolean later = question.filter(one -> one.start().kind() == Start.Kind.SERIES)
                    .isPresent();
            boolean follows = question.filter(one -> !one.typed() && one.start().kind() == Start.Kind.RULE)
                    .isPresent();
            if (follows) given.remove(field.name());
            read.add(later || follows ? field.optional() : field);
        }
        Reading typed = read(read, given, typing);
        Map<FieldName, Value> values = new LinkedHashMap<>();
        Map<FieldName, Message> faults = new LinkedHashMap<>(typed.faults());
        for (Field field : fields) {
            Optional<Question> question = layout.question(field.name());
            Optional<Value> value = Optional.ofNullable(typed.values().get(field.name()))
                    .or(() -> question.filter(one -> !one.typed())
                            .map(one -> asked.followed().get(one.field())));
            value.ifPresent(one -> values.put(field.name(), one));
            if (question.filter(Question::tick).isPresent()
                    && field.required()
                    && !asked.left().contains(field.name())
                    && !(value.orElse(null) instanceof Value.YesNo yes && yes.yes()))
                faults.put(field.name(), Message.of("form.to-tick", "field", field.label()));
        }
        return new Reading(values, faults, typed.within());
    }

    /** Reads all inputs; inputs for names that are no field of the form are faults too, so nothing is dropped unseen. */
    public static Reading read(List<Field> fields, Map<FieldName, String> inputs) {
        return read(fields, inputs, Typing.PLAIN);
    }

    /**
     * Reads inputs whose numbers are typed in a language.
     *
     * @see #read(List, Map)
     */
    public static Reading read(List<Field> fields, Map<FieldName, String> inputs, Typing typing) {
        Map<FieldName, Value> values = new LinkedHashMap<>();
        Map<FieldName, Message> faults = new LinkedHashMap<>();
        Map<FieldName, List<ValueReader.ItemFault>> within = new LinkedHashMap<>();
        for (Field field : fields) {
            try {
                Optional<Value> value = ValueReader.read(field, inputs.get(field.name()), typing);
                value.ifPresent(v -> values.put(field.name(), v));
                if (value.isEmpty() && field.required()) {
                    faults.put(field.name(), Message.of("field.required", "field", field.label()));
                }
            } catch (ValueReader.Unreadable e) {
                faults.put(field.name(), e.said());
                if (!e.items().isEmpty()) within.put(field.name(), e.items());
            }
        }
        for (FieldName name : inputs.keySet()) {
            if (fields.stream().noneMatch(field -> field.name().equals(name))) {
                faults.put(name, Message.of("form.no-field", "field", name));
            }
        }
        return new Reading(values, faults, within);
    }

    /** Reads stored values back, by the names that tags and rules have for them. */
    public static Map<String, Value> stored(List<Field> fields, Map<FieldName, String> raw) {
        Map<String, Value> values = new LinkedHashMap<>();
        for (Field field : fields) {
            ValueReader.stored(field, raw.getOrDefault(field.name(), ""))
                    .ifPresent(v -> values.put(field.name().value(), v));
        }
        return values;
    }
}
