package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PostalAddressesTest {
    /** What localized-address-format 1.3.3 (npm) prints of the same addresses. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "NL | Mill Rise 3 | Oudehaven |  | 4811 AB | Mill Rise 3/4811 AB Oudehaven",
                "DE | Ufer 2 | Altenhafen |  | 20457 | Ufer 2/20457 Altenhafen",
                "FR | 2 quai Vieux | Vieuxport |  | 13002 | 2 quai Vieux/13002 Vieuxport",
                "GB | 3 Mill Rise | Oldhaven |  | WC2H 7LT | 3 Mill Rise/Oldhaven/WC2H 7LT",
                "US | 3 Mill Rise | Oldhaven | MA | 02110 | 3 Mill Rise/Oldhaven, MA 02110",
                "CA | 3 Mill Rise | Oldhaven | ON | K1A 0B1 | 3 Mill Rise/Oldhaven ON K1A 0B1",
                "BR | Rua 3 | Porto Velho | SP | 01310-100 | Rua 3/Porto Velho-SP/01310-100",
                "IE | 3 Mill Rise | Oldhaven | Co. Cork | T12 X70A | 3 Mill Rise/Oldhaven/Co. Cork/T12 X70A",
                "AU | 3 Mill Rise | Oldhaven | NSW | 2000 | 3 Mill Rise/Oldhaven NSW 2000",
                "BE | Kade 2 | Oudehaven |  | 2000 | Kade 2/2000 Oudehaven",
                "AE | Quay 3 |  | Dubai |  | Quay 3/Dubai",
                "ES | Calle 3 | Puerto | C\u00e1diz | 11001 | Calle 3/11001 Puerto C\u00e1diz",
                "US | 3 Mill Rise |  | MA | 02110 | 3 Mill Rise/MA 02110",
                "US | 3 Mill Rise | Oldhaven |  | 02110 | 3 Mill Rise/Oldhaven 02110",
                "CN | 3 Kita | Minato | Tokyo | 100000 | 3 Kita/Minato/Tokyo, 100000",
                "BB | 1 Bay |  | Saint Michael | BB11000 | 1 Bay/Saint Michael BB11000",
                "BD | Road 3 | Dhaka |  |  | Road 3/Dhaka",
                "BR | Rua 3 |  | SP |  | Rua 3/SP"
            })
    void linesAreThoseOfTheCountrysPost(
            String country, String street, String town, String region, String code, String lines) {
        assertThat(String.join("/", PostalAddresses.lines(address(country, street, town, region, code), "en")))
                .isEqualTo(lines);
    }

    private static Value.Address address(String country, String... parts) {
        String[] all = new String[4];
        for (int i = 0; i < 4; i++) all[i] = parts[i] == null ? "" : parts[i];
        return new Value.Address(all[0], all[1], all[2], all[3], country);
    }

    @Test
    void noPartIsLostForWhichACountryHasNoPlace() {
        assertThat(PostalAddresses.lines(address("GB", "3 Mill Rise", "Oldhaven", "Kent", "WC2H 7LT"), "en"))
                .containsExactly("3 Mill Rise", "Oldhaven", "Kent", "WC2H 7LT");
        assertThat(PostalAddresses.lines(address("JP", "3-2-1 Kita", "Minato", "Tokyo", "105-0001"), "en"))
                .containsExactly("3-2-1 Kita, Tokyo", "Minato", "105-0001");
        assertThat(PostalAddresses.lines(address("JP", "3-2-1 Kita", "Minato", "Tokyo", "105-0001"), "ja"))
                .containsExactly("\u3012105-0001", "Tokyo", "3-2-1 Kita", "Minato");
        assertThat(PostalAddresses.lines(address("CH", "Ufer 2", "Altenhafen", "", "8001"), "de"))
                .containsExactly("Ufer 2", "8001 Altenhafen");
        assertThat(PostalAddresses.lines(address("AE", "Quay 3", "", "Dubai", "12"), "en"))
                .containsExactly("Quay 3", "Dubai", "12");
    }

    private static Optional<Value> read(String text) throws ValueReader.Unreadable {
        return ValueReader.read(
                new Field(new FieldName("home"), FieldType.ADDRESS, "Home", false, "", List.of()), text);
    }

    @Test
    void aCountryThatIsNamedByItsCodeIsOneAndHasCodesOfThatLook() throws Exception {
        assertThat(read(";;Mill Rise 3;Oudehaven;;4811 ab;nl").orElseThrow().raw())
                .isEqualTo(";;Mill Rise 3;Oudehaven;;4811 ab;NL");
        assertThatThrownBy(() -> read(";;Mill Rise 3;Oudehaven;;4811;NL"))
                .hasMessageContaining("4811 is no postal code");
        assertThatThrownBy(() -> read("Mill Rise 3\nOudehaven\n4811\nNL")).hasMessageContaining("postal code");
        assertThatThrownBy(() -> read(";;Mill Rise 3;Oudehaven;;;ZZ")).hasMessageContaining("no country ZZ");
        assertThat(read(";;Mill Rise 3;Oudehaven;;4811;Arcadia")).isPresent();
        assertThat(read(";;Mill Rise 3;Oudehaven;;;NL"))
                .as("a code may be missing")
                .isPresent();
    }

    /** What was taken in before more was known of countries stays what it is. */
    @Test
    void whatIsStoredIsReadAsItWas() {
        Field home = new Field(new FieldName("home"), FieldType.ADDRESS, "Home", false, "", List.of());
        assertThat(ValueReader.stored(home, ";;Mill Rise 3;Oudehaven;;4811;NL"))
                .get()
                .isInstanceOf(Value.Address.class);
        Field list = Field.list(new FieldName("homes"), List.of(home));
        assertThat(ValueReader.stored(list, "[{\"home\":\";;Mill Rise 3;Oudehaven;;4811;NL\"}]"))
                .get()
                .isInstanceOf(Value.Items.class);
    }
}
