package org.jalousie.core.data;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

/** Names of fields as tests write them. */
public final class Named {
    private Named() {}

    /** Values by the names of their fields. */
    public static <T> Map<FieldName, T> by(Map<String, T> values) {
        Map<FieldName, T> named = new LinkedHashMap<>();
        values.forEach((name, value) -> named.put(new FieldName(name), value));
        return named;
    }

    public static FieldName[] all(String... names) {
        return Arrays.stream(names).map(FieldName::new).toArray(FieldName[]::new);
    }
}
