package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.ValueFrom;

/**
 * Signing fields whose tags say the same are named by the order in which they stand ({@code lender_initials},
 * {@code lender_initials_2}, …). When one is moved past another, the settings of each go along under its new name.
 */
public final class SigningFieldOrder {
    private SigningFieldOrder() {}

    /**
     * @param base the name of the first of them
     * @param from which of them was moved, {@code to} which it is now, from 0
     */
    public static List<SigningField> moved(List<SigningField> fields, String base, int from, int to) {
        if (from == to) return fields;
        List<String> names = new ArrayList<>();
        for (int i = 0; i <= Math.max(from, to); i++) names.add(i == 0 ? base : base + "_" + (i + 1));
        boolean known = names.stream()
                .allMatch(name -> fields.stream().anyMatch(one -> one.name().equals(name)));
        if (!known) return fields;
        List<String> stands = new ArrayList<>(names);
        stands.add(to, stands.remove(from));
        Map<String, String> called = new HashMap<>();
        for (int i = 0; i < names.size(); i++) called.put(stands.get(i), names.get(i));
        return fields.stream().map(field -> renamed(field, called)).toList();
    }

    private static SigningField renamed(SigningField field, Map<String, String> called) {
        ValueFrom from = field.from();
        boolean answer = from.kind() == ValueFrom.Kind.ANSWER;
        return field.referring(name -> called.getOrDefault(name, name))
                .from(answer ? from.called(called.getOrDefault(from.name(), from.name())) : from);
    }
}
