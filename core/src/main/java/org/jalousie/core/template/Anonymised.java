package org.jalousie.core.template;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.rules.Samples;

/** A real request's data with everything about persons replaced by samples. */
public final class Anonymised {
    private static final Set<FieldType> PERSONAL =
            EnumSet.of(FieldType.NAME, FieldType.ADDRESS, FieldType.MAIL_ADDRESS, FieldType.PHONE, FieldType.PICTURE);
    private static final List<String> PERSONAL_NAMES = List.of("name", "address", "mail", "phone", "birth", "signer");

    private Anonymised() {}

    /** @param data raw values by field name */
    public static Map<String, String> of(TemplateContent content, Map<String, String> data) {
        Set<String> people = Proposal.forPeople(content.parties());
        Map<String, Value> values = Intake.stored(content.fields(), data);
        Map<String, String> kept = new LinkedHashMap<>();
        replaced(content.fields(), values, people).forEach((name, value) -> kept.put(name, value.raw()));
        return kept;
    }

    private static Map<String, Value> replaced(List<Field> fields, Map<String, Value> values, Set<String> people) {
        Map<String, Value> kept = new LinkedHashMap<>();
        Map<String, Value> samples = Samples.typical(fields);
        for (Field field : fields) {
            Value value = values.get(field.name());
            if (value == null) continue;
            if (value instanceof Value.Items items && field.type() == FieldType.ITEMS) {
                kept.put(
                        field.name(),
                        new Value.Items(items.items().stream()
                                .map(item -> replaced(field.items(), item, people))
                                .toList()));
            } else if (people.contains(field.name()) || isPersonal(field)) {
                Value sample = samples.get(field.name());
                if (sample != null) kept.put(field.name(), sample);
            } else {
                kept.put(field.name(), value);
            }
        }
        return kept;
    }

    private static boolean isPersonal(Field field) {
        if (PERSONAL.contains(field.type())) return true;
        boolean text = field.type() == FieldType.TEXT || field.type() == FieldType.LONG_TEXT;
        return text && List.of(field.name().split("_")).stream().anyMatch(PERSONAL_NAMES::contains);
    }
}
