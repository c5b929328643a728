package org.jalousie.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.junit.jupiter.api.Test;

class TotalsTest {
    private static final Field LIST = new Field(
            new FieldName("objects"),
            FieldType.ITEMS,
            "Objects",
            true,
            "",
            List.of(),
            List.of(field("value", FieldType.MONEY), field("strings", FieldType.NUMBER)));

    private static Field field(String name, FieldType type) {
        return new Field(new FieldName(name), type, name, false, "", List.of());
    }

    private static List<String> totals(String items, String of) {
        Value.Items list = (Value.Items)
                Intake.stored(List.of(LIST), Map.of(LIST.name(), items)).get("objects");
        return Totals.of(list, new FieldName(of)).stream().map(Value::raw).toList();
    }

    @Test
    void moneyIsSummedToTheCentForEachCurrency() {
        assertThat(totals("[{\"value\":\"EUR 0.10\"},{\"value\":\"EUR 0.20\"}]", "value"))
                .containsExactly("EUR 0.30");
        assertThat(totals("[{\"value\":\"EUR 1.00\"},{\"value\":\"GBP 2.00\"},{\"value\":\"EUR 3.50\"}]", "value"))
                .containsExactly("EUR 4.50", "GBP 2.00");
    }

    @Test
    void anItemWithoutItCountsForNothingAndNoItemSumsUpToNothing() {
        assertThat(totals("[{\"strings\":\"6\"},{\"value\":\"EUR 1.00\"},{\"strings\":\"0.5\"}]", "strings"))
                .containsExactly("6.5");
        assertThat(totals("[{\"value\":\"EUR 1.00\"}]", "strings")).isEmpty();
    }
}
