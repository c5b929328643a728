package org.jalousie.core.template;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;

/** Data that every agreement has without anybody typing it. */
public final class BuiltIn {
    /** The fields that wordings and rules may use without a question in the form. */
    public static final List<Field> FIELDS = List.of(
            new Field(new FieldName("generated_on"), FieldType.DATE, "Day of generation", true, "", List.of()),
            new Field(new FieldName("agreement_number"), FieldType.TEXT, "Agreement number", true, "", List.of()));

    /** The name under which a wording finds the agreement's file name; no tag and no form can have it. */
    public static final String FILE_NAME = ":file_name";

    private BuiltIn() {}

    static boolean isName(String name) {
        return FIELDS.stream().anyMatch(field -> field.isCalled(name));
    }

    /** A form's fields and these, unless the form has its own of the same name. */
    public static List<Field> and(List<Field> fields) {
        List<Field> all = new ArrayList<>(fields);
        FIELDS.stream()
                .filter(one -> fields.stream().noneMatch(field -> field.name().equals(one.name())))
                .forEach(all::add);
        return all;
    }

    /** The values with these beside them; a form's own field of the same name wins. */
    public static Map<String, Value> and(Map<String, Value> values, LocalDate generatedOn, String number) {
        Map<String, Value> all = new LinkedHashMap<>();
        all.put("generated_on", new Value.Day(generatedOn));
        all.put("agreement_number", new Value.Text(number));
        all.putAll(values);
        return all;
    }
}
