package org.jalousie.core.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jalousie.core.messages.Message;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PasswordRuleTest {
    private static final List<String> NORA = List.of("Nora Quill", "nora.quill@museum.example.org");

    @ParameterizedTest
    @ValueSource(
            strings = {
                "open-the-slats",
                "correct horse battery staple",
                "a long pass phrase",
                "шесть слонов идут",
                "🎻🎻🪕🎺🥁🎷🎸🎹🎼🎵🎶🪈"
            })
    void lengthIsEnough(String password) {
        assertThat(PasswordRule.fault(password, NORA)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "short", "elevenchars"})
    void whatIsShortIsRefused(String password) {
        assertThat(PasswordRule.fault(password, NORA)).map(Message::code).contains("password.short");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "password1234",
                "aaaaaaaaaaaaaaaaaaaa",
                "123456789012345",
                "qwertyuiopas",
                "noraquill2026",
                "Nora.Quill.Museum"
            })
    void whatIsGuessedIsRefused(String password) {
        assertThat(PasswordRule.fault(password, NORA)).map(Message::code).contains("password.guessed");
    }

    @Test
    void bytesAreCountedSinceNoMoreAreLookedAt() {
        assertThat(PasswordRule.fault("five small violins and a drum ".repeat(3).substring(0, 72), NORA))
                .isEmpty();
        assertThat(PasswordRule.fault("é".repeat(37), NORA)).map(Message::code).contains("password.long");
    }
}
