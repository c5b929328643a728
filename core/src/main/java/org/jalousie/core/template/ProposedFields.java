package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.Use;

/** Proposes a field for each name that a wording uses and nobody has settled, at the place in the data where it belongs. */
final class ProposedFields {
    // Unicode CLDR, plural rules: the categories
    private static final Set<String> PLURALS = Set.of("zero", "one", "two", "few", "many", "other");

    private final FoundTags found;
    private final Set<String> derived;
    private final Set<String> usedOutside = new HashSet<>();

    /** @param derived names of rules and choices, which are no fields */
    ProposedFields(FoundTags found, Set<String> derived) {
        this.found = found;
        this.derived = derived;
    }

    /** The settled fields, completed by proposals, lists by their items' fields. */
    List<Field> completed(List<Field> settled) {
        outside(found.uses(), settled);
        return completed(settled, found.uses(), Set.of());
    }

    private void outside(List<Use> uses, List<Field> settled) {
        for (Use use : uses) {
            if (!use.section()) usedOutside.add(use.name());
            else if (!isList(use, settled)) outside(use.inside(), settled);
        }
    }

    private static boolean isList(Use use, List<Field> settled) {
        for (Field field : settled) {
            if (field.isCalled(use.name())) return field.type() == FieldType.ITEMS;
        }
        return looksLikeList(use);
    }

    /** Only what is inside tells: a counter, the item itself, or a plural name with values inside. */
    private static boolean looksLikeList(Use use) {
        if (!use.print().isEmpty()) return false;
        boolean values = false;
        for (Use inner : use.inside()) {
            if (inner.name().equals("position") || inner.name().equals(".")) return true;
            values |= !inner.section();
        }
        return values && use.name().endsWith("s") && !use.name().startsWith("is_");
    }

    private List<Field> completed(List<Field> settled, List<Use> uses, Set<String> around) {
        List<Field> own = new ArrayList<>(settled);
        for (Use use : uses) {
            if (use.name().equals(".") || use.name().equals("position") && !around.isEmpty()) continue;
            int at = indexOf(own, use.name());
            if (at < 0 && !isElsewhere(use.name(), around)) {
                own.add(proposed(use));
                at = own.size() - 1;
            }
            if (!use.section()) continue;
            if (at >= 0 && own.get(at).type() == FieldType.ITEMS) {
                Set<String> outer = new HashSet<>(around);
                own.forEach(field -> outer.add(field.name().value()));
                outer.addAll(usedOutside);
                Field list = own.get(at);
                own.set(at, list.withItems(completed(list.items(), use.inside(), outer)));
            } else {
                own = completed(own, use.inside(), around);
            }
        }
        return own;
    }

    private boolean isElsewhere(String name, Set<String> around) {
        return around.contains(name) || derived.contains(name) || BuiltIn.isName(name);
    }

    private Field proposed(Use use) {
        String name = use.name();
        if (use.section() && looksLikeList(use)) return Field.list(new FieldName(name), List.of());
        if (found.pictures().contains(name)) return of(name, FieldType.PICTURE, List.of());
        if (use.section() && !use.print().isEmpty()) {
            if (PLURALS.contains(use.print())) return of(name, FieldType.NUMBER, List.of());
            List<String> cases = new ArrayList<>();
            cases(found.uses(), name, cases);
            return of(name, FieldType.CHOICE, cases);
        }
        return found.prints().getOrDefault(name, Set.of()).stream()
                .flatMap(print -> ofPrint(print).stream())
                .findFirst()
                .map(type -> of(name, type, List.of()))
                .orElseGet(() -> Field.proposedFor(
                        new FieldName(name), found.conditions().contains(name)));
    }

    /** The type whose print it is, when only one type has it. */
    private static List<FieldType> ofPrint(String print) {
        if (print.startsWith("@")) return List.of(FieldType.DATE);
        List<FieldType> having = new ArrayList<>();
        for (FieldType type : FieldType.values()) {
            if (type.hasPrint(print)) having.add(type);
        }
        return having.size() == 1 ? having : List.of();
    }

    private static Field of(String name, FieldType type, List<String> choices) {
        return new Field(new FieldName(name), type, Field.labelFor(name), type != FieldType.PICTURE, "", choices);
    }

    private static void cases(List<Use> uses, String name, List<String> into) {
        for (Use use : uses) {
            String label = Field.labelFor(use.print());
            if (use.section() && use.name().equals(name) && !use.print().isEmpty() && !into.contains(label))
                into.add(label);
            cases(use.inside(), name, into);
        }
    }

    private static int indexOf(List<Field> fields, String name) {
        for (int i = 0; i < fields.size(); i++) {
            if (fields.get(i).isCalled(name)) return i;
        }
        return -1;
    }
}
