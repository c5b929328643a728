package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PhoneNumberTest {
    // numbers that Ofcom keeps free for drama, and ITU-T E.164 §6: a country's code and at most 15 digits
    @ParameterizedTest
    @CsvSource({"+44 7700 900123, +447700900123", "+44 (0)7700-900123, +447700900123", "+1 (212) 555-0123, +12125550123"
    })
    void isReadWithItsCountry(String typed, String number) {
        assertThat(PhoneNumber.international(typed)).contains(number);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "07700 900123",
                "0044 7700 900123",
                "+44 77",
                "+44 7700 900123 ext. 5",
                "+999 123456789",
                "ask Ida"
            })
    void noCountryIsGuessed(String typed) {
        assertThat(PhoneNumber.international(typed)).isEmpty();
    }

    @Test
    void digitsOfOtherScriptsAreDigits() {
        assertThat(PhoneNumber.international("+٤٤٧٧٠٠٩٠٠١٢٣")).contains("+447700900123");
    }
}
