package org.jalousie.core.rules;

import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Value;

/**
 * One thing that data can bring about and that decides words.
 *
 * @param within the list whose items it is about, or empty
 * @param key {@code yes} or {@code no} of a condition; a case of a choice; {@code 0}, {@code 1} or {@code 2} and more items
 * @param label as people read it
 */
public record RuleCase(Of of, String within, String name, String key, String label) {
    /** What kind of thing has the case. */
    public enum Of {
        CONDITION,
        CHOICE,
        LENGTH
    }

    static List<RuleCase> bothOf(String within, String name, String label) {
        return List.of(
                new RuleCase(Of.CONDITION, within, name, "yes", label + ": yes"),
                new RuleCase(Of.CONDITION, within, name, "no", label + ": no"));
    }

    static RuleCase ofChoice(String name, String key, String label) {
        return new RuleCase(Of.CHOICE, "", name, key, label);
    }

    static List<RuleCase> lengthsOf(Field list) {
        RuleCase none = new RuleCase(Of.LENGTH, "", list.name().value(), "0", list.label() + ": no item");
        RuleCase one = new RuleCase(Of.LENGTH, "", list.name().value(), "1", list.label() + ": one item");
        RuleCase several = new RuleCase(Of.LENGTH, "", list.name().value(), "2", list.label() + ": several items");
        return list.required() ? List.of(one, several) : List.of(none, one, several);
    }

    boolean holdsIn(Map<String, Value> values) {
        if (!within.isEmpty()) {
            return values.get(within) instanceof Value.Items items
                    && items.items().stream().anyMatch(item -> holds(item.get(name)));
        }
        return holds(values.get(name));
    }

    private boolean holds(Value value) {
        return switch (of) {
            case CONDITION -> (value instanceof Value.YesNo yesNo && yesNo.yes()) == key.equals("yes");
            case CHOICE ->
                value instanceof Value.Text text && Field.caseKey(text.text()).equals(key);
            case LENGTH -> {
                int length = value instanceof Value.Items items ? items.items().size() : 0;
                yield Math.min(length, 2) == Integer.parseInt(key);
            }
        };
    }
}
