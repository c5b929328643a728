package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Long and nested texts in every kind of field: answered at once, one way or the other. */
class HostileTextTest {
    /** Long beside what any of them takes, since other tests run meanwhile; nothing beside what tries all ways would take. */
    private static final Duration AT_ONCE = Duration.ofSeconds(10);

    static Stream<String> texts() {
        int many = 200_000;
        return Stream.of(
                "a" + " ".repeat(19_990) + "b",
                "a" + "\n ".repeat(9_000) + "b",
                " ".repeat(many) + "x",
                "a" + "_".repeat(many) + "b",
                "a".repeat(18_000) + "@example.org",
                "a@" + "b.".repeat(9_000) + "org",
                "1".repeat(20_000),
                "EUR " + "9".repeat(15_000) + ".00",
                "1" + ",000".repeat(5_000),
                "1" + " 000".repeat(5_000) + "x",
                "<b>".repeat(6_000) + "x",
                "<ul><li>".repeat(2_000),
                "[".repeat(15_000),
                "[{\"a\":".repeat(3_000),
                ";".repeat(19_000),
                "\\\\".repeat(9_000),
                "+" + "(".repeat(19_000),
                "https://" + "a.".repeat(9_000) + "example",
                "2027-03-15T09:00 " + "A/".repeat(9_000),
                "\u0301".repeat(19_000),
                "{{".repeat(9_000),
                "%7B".repeat(6_000));
    }

    @ParameterizedTest
    @MethodSource("texts")
    void isReadOrRefusedAtOnce(String text) {
        for (FieldType type : FieldType.values()) {
            Field field = new Field(new FieldName("a"), type, "A", true, "", List.of("x", "y"), List.of());
            for (Typing typing : List.of(Typing.PLAIN, Typing.in(Locale.GERMANY), Typing.in(Locale.FRANCE)))
                assertTimeoutPreemptively(AT_ONCE, () -> read(field, text, typing), type + " " + text.substring(0, 9));
        }
        assertTimeoutPreemptively(AT_ONCE, () -> {
            Names.from(text);
            Names.stripped(text);
            Names.isDotted(text);
            Names.spaced(text);
            Field.caseKey(text);
            return RichText.plain(text);
        });
    }

    private static boolean read(Field field, String text, Typing typing) {
        try {
            return ValueReader.read(field, text, typing).isPresent();
        } catch (ValueReader.Unreadable e) {
            assertThat(e.getMessage()).isNotBlank();
            return false;
        }
    }
}
