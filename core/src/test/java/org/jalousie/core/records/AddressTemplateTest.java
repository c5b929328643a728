package org.jalousie.core.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AddressTemplateTest {
    /** Values of RFC 6570 §1.2 and §3.2.1. */
    private static final Map<String, String> VALUES = Map.of(
            "var", "value",
            "hello", "Hello World!",
            "half", "50%",
            "who", "fred",
            "path", "/foo/bar",
            "empty", "",
            "x", "1024",
            "y", "768",
            "v", "6");

    /** The examples of RFC 6570 §3.2.2 with one name in braces. */
    @ParameterizedTest
    @CsvSource({
        "{var}, value",
        "{hello}, Hello%20World%21",
        "{half}, 50%25",
        "O{empty}X, OX",
        "O{undef}X, OX",
        "map?{x}{y}, map?1024768",
        "up{path}, up%2Ffoo%2Fbar"
    })
    void placesAreFilledAsTheStandardSays(String template, String expected) {
        assertThat(new AddressTemplate(template).expanded(VALUES)).isEqualTo(expected);
    }

    @Test
    void lettersOfAnyScriptAreEncodedAsUtf8() {
        assertThat(new AddressTemplate("l/{id}").expanded(Map.of("id", "\u00fc \u4e00/..?#")))
                .isEqualTo("l/%C3%BC%20%E4%B8%80%2F..%3F%23");
    }

    @Test
    void oneLetsFoldersStand() {
        AddressTemplate template = new AddressTemplate("loans/{id}/files/{name}");
        assertThat(template.expanded(Map.of("id", "a/b", "name", "signed/2027/x y.pdf"), "name"))
                .isEqualTo("loans/a%2Fb/files/signed/2027/x%20y.pdf");
        assertThat(template.names()).containsExactly("id", "name");
    }

    @ParameterizedTest
    @CsvSource({"a{b, false", "a}b, false", "{a b}, false", "{a}{b}, true", "ab, true"})
    void bracesBelongToPlaces(String template, boolean whole) {
        assertThat(new AddressTemplate(template).isWhole()).isEqualTo(whole);
    }
}
