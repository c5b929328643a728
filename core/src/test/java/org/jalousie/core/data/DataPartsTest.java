package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class DataPartsTest {
    private static Value read(FieldType type, Map<String, String> parts) throws ValueReader.Unreadable {
        Field field = new Field(new FieldName("x"), type, "X", false, "", List.of());
        return ValueReader.read(field, DataParts.joined(type, parts)).orElseThrow();
    }

    @Test
    void partsAreReadAsTheWholeWouldBe() throws ValueReader.Unreadable {
        assertThat(read(
                        FieldType.ADDRESS,
                        Map.of("street", "Rope Walk 12; rear", "town", "Greyford", "postal_code", "GF2 4AB")))
                .isEqualTo(new Value.Address("Rope Walk 12; rear", "Greyford", "", "GF2 4AB", ""));
        assertThat(read(FieldType.NAME, Map.of("given", "Rosamund", "family", "Penhallow", "prefix", "Dr")))
                .isEqualTo(new Value.PersonName("Dr", "Rosamund", "", "Penhallow", ""));
        assertThat(DataParts.of(FieldType.TEXT)).isEmpty();
    }
}
