package org.jalousie.core.intake;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Value;

/** Sums over a list's items, as a form shows them under the list. */
public final class Totals {
    private Totals() {}

    /**
     * The sum of one field over all items: of money one for each currency, in the order in which they are met, since money of two
     * currencies has no sum. Nothing where no item has it.
     */
    public static List<Value> of(Value.Items list, FieldName field) {
        Map<Currency, BigDecimal> money = new LinkedHashMap<>();
        BigDecimal numbers = BigDecimal.ZERO;
        boolean numbered = false;
        for (Map<String, Value> item : list.items()) {
            Value value = item.get(field.value());
            if (value instanceof Value.Money one) money.merge(one.currency(), one.amount(), BigDecimal::add);
            if (value instanceof Value.Amount one) {
                numbers = numbers.add(one.number());
                numbered = true;
            }
        }
        List<Value> totals = new ArrayList<>();
        money.forEach((currency, amount) -> totals.add(new Value.Money(currency, amount)));
        if (numbered) totals.add(new Value.Amount(numbers));
        return totals;
    }
}
