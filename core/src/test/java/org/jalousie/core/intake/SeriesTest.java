package org.jalousie.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class SeriesTest {
    @Test
    void theYearAndTheNumberStandInTheirPlaces() {
        assertThat(new Series("LN-yyyy-####").written(2027, 7)).isEqualTo("LN-2027-0007");
        assertThat(new Series("##/yyyy").written(2027, 12)).isEqualTo("12/2027");
        assertThat(new Series("$1#").written(2027, 3)).isEqualTo("$13");
    }

    @Test
    void aNumberThatOutgrowsItsDigitsIsWrittenWhole() {
        assertThat(new Series("A-##").written(2027, 100)).isEqualTo("A-100");
    }

    @Test
    void onePlaceIsNeededForTheNumber() {
        assertThat(new Series("LN-yyyy").writable()).isFalse();
        assertThat(new Series("#-#").writable()).isFalse();
        assertThat(new Series("#".repeat(61)).writable()).isFalse();
        assertThat(new Series("N ###").writable()).isTrue();
    }
}
