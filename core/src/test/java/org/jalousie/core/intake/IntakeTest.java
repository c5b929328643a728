package org.jalousie.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.junit.jupiter.api.Test;

class IntakeTest {
    private static final List<Field> FORM = List.of(
            new Field("name", FieldType.TEXT, "Name", true, "", List.of()),
            new Field("fee", FieldType.MONEY, "Fee", true, "", List.of()),
            new Field("note", FieldType.LONG_TEXT, "Note", false, "", List.of()));

    @Test
    void allFaultsAreToldAtOnceEachAtItsField() {
        Intake.Reading reading = Intake.read(FORM, Map.of("name", " ", "fee", "12", "colour", "red"));
        assertThat(reading.faults()).containsOnlyKeys("name", "fee", "colour");
        assertThat(reading.faults().get("name")).isEqualTo("Name is required.");
    }

    @Test
    void whatWasReadIsStoredInOneFormAndReadBackTheSame() {
        Intake.Reading reading = Intake.read(FORM, Map.of("name", " Ida ", "fee", "eur 1200"));
        assertThat(reading.faults()).isEmpty();
        assertThat(reading.raw()).containsOnly(Map.entry("name", "Ida"), Map.entry("fee", "EUR 1200.00"));
        assertThat(Intake.stored(FORM, reading.raw())).isEqualTo(reading.values());
    }
}
