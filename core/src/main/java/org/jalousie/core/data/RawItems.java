package org.jalousie.core.data;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;

/** Items of a list as JSON text: an array of objects whose members are raw values. */
final class RawItems {
    private RawItems() {}

    static String write(List<Map<String, String>> items) {
        return Json.MAPPER.writeValueAsString(items);
    }

    /**
     * Reads items; a member that is no text (a number, a list inside an item) is taken as its JSON text, null as empty.
     *
     * @throws ValueReader.Unreadable when the text is no JSON array of objects
     */
    static List<Map<String, String>> read(String text) throws ValueReader.Unreadable {
        try {
            List<Map<String, JsonNode>> items = Json.MAPPER.readValue(text, new TypeReference<>() {});
            return items.stream().map(RawItems::raw).toList();
        } catch (JacksonException | IllegalArgumentException e) {
            throw new ValueReader.Unreadable(Message.of("value.items-json"));
        }
    }

    private static Map<String, String> raw(Map<String, JsonNode> item) {
        Map<String, String> raw = new LinkedHashMap<>();
        item.forEach((name, node) ->
                raw.put(name, node.isNull() ? "" : node.isString() ? node.stringValue() : node.toString()));
        return raw;
    }
}
