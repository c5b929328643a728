package org.jalousie.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Named;
import org.junit.jupiter.api.Test;

class IntakeTest {
    private static final List<Field> FORM = List.of(
            new Field(new FieldName("name"), FieldType.TEXT, "Name", true, "", List.of()),
            new Field(new FieldName("fee"), FieldType.MONEY, "Fee", true, "", List.of()),
            new Field(new FieldName("note"), FieldType.LONG_TEXT, "Note", false, "", List.of()));

    @Test
    void allFaultsAreToldAtOnceEachAtItsField() {
        Intake.Reading reading = Intake.read(FORM, Named.by(Map.of("name", " ", "fee", "12", "colour", "red")));
        assertThat(reading.faults()).containsOnlyKeys(Named.all("name", "fee", "colour"));
        assertThat(reading.faults().get(new FieldName("name"))).hasToString("Name is required.");
    }

    @Test
    void whatWasReadIsStoredInOneFormAndReadBackTheSame() {
        Intake.Reading reading = Intake.read(FORM, Named.by(Map.of("name", " Ida ", "fee", "eur 1200")));
        assertThat(reading.faults()).isEmpty();
        assertThat(reading.raw()).isEqualTo(Named.by(Map.of("name", "Ida", "fee", "EUR 1200.00")));
        assertThat(Named.by(Intake.stored(FORM, reading.raw()))).isEqualTo(reading.values());
    }

    /** Each at its item, and the first of them at the list. */
    @Test
    void whatIsWrongInItemsIsToldAtEach() {
        Field parts = Field.list(
                new FieldName("parts"),
                List.of(new Field(new FieldName("weight"), FieldType.NUMBER, "Weight", false, "", List.of())));
        Field objects = Field.list(
                new FieldName("objects"),
                List.of(
                        new Field(new FieldName("title"), FieldType.TEXT, "Title", true, "", List.of()),
                        new Field(new FieldName("value"), FieldType.MONEY, "Value", false, "", List.of()),
                        parts));
        String typed = "[{\"title\":\"Viola\",\"parts\":[]},{\"title\":\"\",\"value\":\"12x\",\"parts\":[]},"
                + "{\"title\":\"Bow\",\"parts\":[{\"weight\":\"1\"},{\"weight\":\"far\"}]}]";
        Intake.Reading reading = Intake.read(List.of(objects), Map.of(new FieldName("objects"), typed));
        assertThat(reading.places().keySet())
                .containsExactly(
                        "objects",
                        "objects[1].title",
                        "objects[1].value",
                        "objects[2].parts",
                        "objects[2].parts[1].weight");
        assertThat(reading.places().get("objects"))
                .hasToString("Item 2, Title: Title is required.")
                .isEqualTo(reading.faults().get(new FieldName("objects")));
        assertThat(Intake.read(List.of(objects), Map.of(new FieldName("objects"), "[]"))
                        .places())
                .isEmpty();
    }
}
