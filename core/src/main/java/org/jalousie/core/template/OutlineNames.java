package org.jalousie.core.template;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;

/** Labels in the place of values, so that an outline of a template shows what stands where. */
public final class OutlineNames {
    private OutlineNames() {}

    public static Map<String, Value> of(TemplateContent content) {
        Map<String, Value> names = new LinkedHashMap<>(labels(content.fields()));
        for (Rule rule : content.rules()) {
            Value value = rule.gives() == FieldType.YES_NO ? new Value.YesNo(true) : label(rule.label());
            if (rule.within().isEmpty()) names.put(rule.name(), value);
        }
        for (CaseChoice choice : content.choices()) {
            if (!choice.cases().isEmpty())
                names.put(choice.name(), new Value.Text(choice.cases().get(0).label()));
        }
        names.putIfAbsent("generated_on", label("Day of generation"));
        names.putIfAbsent("agreement_number", label("Agreement number"));
        return names;
    }

    private static Map<String, Value> labels(List<Field> fields) {
        Map<String, Value> labels = new LinkedHashMap<>();
        for (Field field : fields) {
            switch (field.type()) {
                case YES_NO -> labels.put(field.name().value(), new Value.YesNo(true));
                case ITEMS -> labels.put(field.name().value(), new Value.Items(List.of(labels(field.items()))));
                case PICTURE -> {}
                default -> labels.put(field.name().value(), label(field.label()));
            }
        }
        return labels;
    }

    /** A label as it stands in the place of a value. */
    static Value label(String label) {
        return new Value.Text("[" + label + "]");
    }
}
