package org.jalousie.core.records;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Places in JSON (RFC 6901). */
public final class Pointers {
    private static final Pattern ONE = Pattern.compile("(/([^/~]|~[01])*)*");
    private static final int MOST_PLACES = 2_000;
    private static final int LONGEST = 300;

    private Pointers() {}

    /** Whether a text points somewhere; an empty one at the whole. */
    public static boolean isOne(String text) {
        return text.length() <= LONGEST && ONE.matcher(text).matches();
    }

    /** What stands there; a missing node where nothing does. */
    public static JsonNode at(JsonNode in, String pointer) {
        return in.at(JsonPointer.compile(pointer));
    }

    /** Text, number or truth that stands there, as letters; empty where none does. */
    public static String text(JsonNode in, String pointer) {
        JsonNode found = at(in, pointer);
        return found.isValueNode() && !found.isNull() ? found.asString() : "";
    }

    /** All places with a value in an object, and within objects in it; lists are other rows, and left out. */
    public static Map<String, JsonNode> values(JsonNode in) {
        Map<String, JsonNode> found = new LinkedHashMap<>();
        values(in, "", found);
        return found;
    }

    private static void values(JsonNode in, String at, Map<String, JsonNode> found) {
        if (in.isObject()) {
            in.properties().forEach(one -> values(one.getValue(), at + "/" + escaped(one.getKey()), found));
        } else if (!in.isArray() && at.length() <= LONGEST && found.size() < MOST_PLACES) {
            found.put(at, in);
        }
    }

    /** Where lists of objects stand in an object, and within objects in it. */
    public static Map<String, JsonNode> lists(JsonNode in) {
        Map<String, JsonNode> found = new LinkedHashMap<>();
        lists(in, "", found);
        return found;
    }

    private static void lists(JsonNode in, String at, Map<String, JsonNode> found) {
        if (in.isObject()) {
            in.properties().forEach(one -> lists(one.getValue(), at + "/" + escaped(one.getKey()), found));
        } else if (in.isArray() && at.length() <= LONGEST && found.size() < MOST_PLACES) {
            boolean rows = true;
            for (JsonNode row : in) rows &= row.isObject();
            if (rows) found.put(at, in);
        }
    }

    private static String escaped(String name) {
        return name.replace("~", "~0").replace("/", "~1");
    }

    /** Puts a value where a pointer says, in objects that are made for it. */
    static void put(ObjectNode into, String pointer, JsonNode value) {
        JsonPointer at = JsonPointer.compile(pointer);
        ObjectNode object = into;
        for (; !at.tail().matches(); at = at.tail()) {
            JsonNode inner = object.get(at.getMatchingProperty());
            object = inner instanceof ObjectNode known ? known : object.putObject(at.getMatchingProperty());
        }
        object.set(at.getMatchingProperty(), value);
    }
}
