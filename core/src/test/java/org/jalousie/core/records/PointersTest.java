package org.jalousie.core.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

class PointersTest {
    /** The document of RFC 6901 §5. */
    private static final JsonNode STANDARD = Json.MAPPER.readTree("""
            {"foo": ["bar", "baz"], "": 0, "a/b": 1, "c%d": 2, "e^f": 3, "g|h": 4, "i\\\\j": 5, "k\\"l": 6, " ": 7, "m~n": 8}
            """);

    /** The examples of RFC 6901 §5. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "/foo/0;bar",
                "/;0",
                "/a~1b;1",
                "/c%d;2",
                "/e^f;3",
                "/g|h;4",
                "/i\\j;5",
                "/k\"l;6",
                "`/ `;7",
                "/m~0n;8"
            })
    void placesAreFoundAsTheStandardSays(String pointer, String expected) {
        assertThat(Pointers.isOne(pointer)).isTrue();
        assertThat(Pointers.text(STANDARD, pointer)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"foo", "/a~2b", "/~", "a/b"})
    void whatIsNoneIsKnown(String pointer) {
        assertThat(Pointers.isOne(pointer)).isFalse();
    }

    @Test
    void allPlacesWithAValueAreFound() {
        JsonNode record = Json.MAPPER.readTree("""
                {"id": "L-1", "lender": {"name": "Ida", "a/b": {"~": null}}, "objects": [{"x": 1}, {"x": 2}], "tags": ["a"], "none": []}
                """);
        assertThat(Pointers.values(record).keySet()).containsExactly("/id", "/lender/name", "/lender/a~1b/~0");
        assertThat(Pointers.lists(record).keySet()).containsExactly("/objects", "/none");
        for (String place : Pointers.values(record).keySet())
            assertThat(Pointers.at(record, place).isMissingNode()).as(place).isFalse();
    }

    @Test
    void whatIsNoTextIsNone() {
        for (String place : List.of("/foo", "/nowhere", ""))
            assertThat(Pointers.text(STANDARD, place)).isEmpty();
    }

    @Test
    void valuesArePutIntoObjectsMadeForThem() {
        ObjectNode into = Json.MAPPER.createObjectNode();
        Pointers.put(into, "/a/b~1c/d", StringNode.valueOf("1"));
        Pointers.put(into, "/a/e", StringNode.valueOf("2"));
        Pointers.put(into, "/f", StringNode.valueOf("3"));
        assertThat(into.toString()).isEqualTo("{\"a\":{\"b/c\":{\"d\":\"1\"},\"e\":\"2\"},\"f\":\"3\"}");
    }
}
