package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Set;
import org.jalousie.server.adapters.FontFinder;
import org.junit.jupiter.api.Test;

class FontsTest {
    @Test
    void aFontThatThisMachineLacksIsNamedWithWhatWouldBeUsed() {
        assertThat(new FontFinder().replaced(Set.of("Old Museum Hand", "Carlito", "Calibri", "Liberation Serif")))
                .containsOnlyKeys("Old Museum Hand")
                .hasValueSatisfying(new org.assertj.core.api.Condition<>(used -> !used.isBlank(), "a font"));
    }

    @Test
    void aScriptWithoutAnyFontIsTold() {
        // the last code for private use is in no font
        assertThat(new FontFinder().unprintable(Map.of("Latin", "abc", "Nobody_s", "\udbff\udffd")))
                .containsExactly("Nobody_s");
    }
}
