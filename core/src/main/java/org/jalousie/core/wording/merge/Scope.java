package org.jalousie.core.wording.merge;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;

/**
 * The values that a name may mean at one place: those of the item, then those around it (Mustache specification, context
 * stack). A name of the item hides one of the same spelling around it, also when it is blank.
 *
 * @param list the name of the list that the item is of; empty outside of lists
 * @param names what every item of the list may have, blank or not
 * @param position of the item in its list from 1; 0 outside of lists
 */
public record Scope(String list, Map<String, Value> values, Set<String> names, int position, Scope outer) {
    public Scope(Map<String, Value> values) {
        this("", values, Set.of(), 0, null);
    }

    Scope outermost() {
        return outer == null ? this : outer.outermost();
    }

    /** Which item of each list around a place, from the outside in. */
    List<Integer> positions() {
        if (outer == null) return List.of();
        if (position == 0) return outer.positions();
        List<Integer> all = new ArrayList<>(outer.positions());
        all.add(position);
        return List.copyOf(all);
    }

    Optional<Value> find(String name) {
        Scope holder = holder(name);
        if (name.equals(Value.Items.ITSELF)) {
            Value itself = values.get(name);
            return Optional.ofNullable(itself).or(() -> values.values().stream().findFirst());
        }
        Value value = holder.values.get(name);
        boolean counts =
                value == null && holder.position > 0 && name.equals("position") && !holder.names.contains(name);
        return counts ? Optional.of(new Value.Amount(BigDecimal.valueOf(holder.position))) : Optional.ofNullable(value);
    }

    /** The one that a name means something in: this, or one around it; the outermost for a name that nothing has. */
    Scope holder(String name) {
        if (name.equals(Value.Items.ITSELF)) return this;
        Scope scope = this;
        while (scope.outer != null
                && !scope.values.containsKey(name)
                && !scope.names.contains(name)
                && !(scope.position > 0 && name.equals("position"))) scope = scope.outer;
        return scope;
    }

    /** A yes/no field holds when it is yes; a case when it is the one chosen; any other when it is not empty. */
    boolean holds(String name, Printer printer) {
        int dot = name.indexOf('.');
        if (dot > 0) return isCase(find(name.substring(0, dot)), name.substring(dot + 1), printer);
        return find(name).filter(Scope::present).isPresent();
    }

    private static boolean isCase(Optional<Value> value, String key, Printer printer) {
        if (value.isEmpty()) return false;
        if (value.get() instanceof Value.Amount amount)
            return printer.pluralOf(amount.number()).equals(key);
        if (value.get() instanceof Value.Items items)
            return printer.pluralOf(BigDecimal.valueOf(items.items().size())).equals(key);
        if (value.get() instanceof Value.YesNo yesNo) return key.equals(yesNo.yes() ? "yes" : "no");
        return value.get() instanceof Value.Text text
                && Field.caseKey(text.text()).equals(key);
    }

    static boolean present(Value value) {
        if (value instanceof Value.YesNo yesNo) return yesNo.yes();
        return prints(value);
    }

    /** Whether a value has anything to print; "no" has. */
    static boolean prints(Value value) {
        if (value instanceof Value.Items items) return !items.items().isEmpty();
        if (value instanceof Value.Text text) return !text.text().isEmpty();
        return !(value instanceof Value.Rich rich) || !rich.html().isBlank();
    }
}
