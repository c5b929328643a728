package org.jalousie.core.records;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jalousie.core.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.LongNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/**
 * What is written into a record at a step.
 *
 * @param values by the places that they are written to
 */
public record RecordChange(Map<String, String> values) {
    /** Of a document that says what changes and nothing else (RFC 7396 §6.1). */
    public static final String TYPE = "application/merge-patch+json";

    /**
     * @param number the agreement's; empty while there is none, and so {@code link}
     * @param said what has to be mended, or why it came to nothing; empty for nothing
     */
    public static RecordChange of(RecordTerms terms, RecordStep step, String number, String link, String said) {
        Map<String, String> values = new LinkedHashMap<>();
        put(values, terms.back().number(), number);
        put(values, terms.back().link(), link);
        if (!terms.back().said().isEmpty()) values.put(terms.back().said(), said);
        put(values, terms.place().status(), terms.back().status(step));
        return new RecordChange(values);
    }

    private static void put(Map<String, String> values, String place, String value) {
        if (!place.isEmpty() && !value.isEmpty()) values.put(place, value);
    }

    /** Whether a record says all of it already. */
    public boolean isIn(JsonNode record) {
        return values.entrySet().stream()
                .allMatch(one -> Pointers.text(record, one.getKey()).equals(one.getValue()));
    }

    /**
     * As it is sent (RFC 7396).
     *
     * @param now the record as it is; what is a number there stays one
     */
    public String patch(JsonNode now) {
        ObjectNode patch = Json.MAPPER.createObjectNode();
        values.forEach((place, value) -> Pointers.put(patch, place, valued(Pointers.at(now, place), value)));
        return patch.toString();
    }

    private static JsonNode valued(JsonNode now, String value) {
        return now.isNumber() && value.matches("-?(0|[1-9][0-9]{0,17})")
                ? LongNode.valueOf(Long.parseLong(value))
                : StringNode.valueOf(value);
    }
}
