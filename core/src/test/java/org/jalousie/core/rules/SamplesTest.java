package org.jalousie.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.junit.jupiter.api.Test;

class SamplesTest {
    /** A form with one field of every type, and all of them again in a list. */
    private static List<Field> everything() {
        List<Field> fields = new ArrayList<>();
        for (FieldType type : FieldType.values()) {
            if (type == FieldType.ITEMS) continue;
            fields.add(new Field(
                    new FieldName(type.name().toLowerCase()),
                    type,
                    type.name(),
                    true,
                    "",
                    List.of("One", "The other")));
        }
        fields.add(Field.list(new FieldName("items"), List.copyOf(fields)));
        return fields;
    }

    @Test
    void everySampleIsOneThatTheFormWouldTake() throws Exception {
        for (Map<String, Value> samples :
                List.of(Samples.typical(everything()), Samples.shortest(everything()), Samples.longest(everything()))) {
            for (Field field : everything()) {
                Value value = samples.get(field.name().value());
                // a picture can't be made up, and a list of items that need one neither
                if (value == null || field.type() == FieldType.ITEMS) continue;
                assertThat(ValueReader.read(field, value.raw()))
                        .as(field.name().value())
                        .contains(value);
            }
        }
    }

    @Test
    void theShortestIsShorterThanTheLongest() {
        Map<String, Value> least = Samples.shortest(everything());
        Map<String, Value> most = Samples.longest(everything());
        for (String name :
                List.of("text", "long_text", "rich_text", "name", "address", "mail_address", "choice", "items"))
            assertThat(least.get(name).raw().length())
                    .as(name)
                    .isLessThan(most.get(name).raw().length());
    }

    @Test
    void datesOfAFormFollowEachOther() {
        List<Field> dates = List.of(
                new Field(new FieldName("start"), FieldType.DATE, "S", true, "", List.of()),
                new Field(new FieldName("end"), FieldType.DATE, "E", true, "", List.of()));
        for (Map<String, Value> samples :
                List.of(Samples.typical(dates), Samples.shortest(dates), Samples.longest(dates)))
            assertThat(((Value.Day) samples.get("start")).date()).isBefore(((Value.Day) samples.get("end")).date());
    }
}
