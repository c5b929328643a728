package org.jalousie.core.placement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleFault;
import org.jalousie.core.rules.RuleSet;

/** What signing fields show that nobody types: copies, and what is worked out by FEEL from answers. */
public final class DerivedValues {
    /** What stands between the names of a formula. */
    private static final String NO_NAME = "[^\\p{L}\\p{M}\\p{N}_]+";

    private final Map<String, SigningField> fields = new LinkedHashMap<>();
    private final Map<String, String> answers;

    private DerivedValues(List<SigningField> all, Map<String, String> answers) {
        all.forEach(field -> fields.putIfAbsent(field.name(), field));
        this.answers = answers;
    }

    /**
     * What the derived fields of a party come to; those that come to nothing are not among them.
     *
     * @param own fields of the party that acts
     * @param all fields of the agreement
     * @param answers by field name, as they are kept: the party's and those of earlier ones
     * @param language of the document, in which copies of answers print
     */
    public static Map<String, String> of(
            List<SigningField> own, List<SigningField> all, Map<String, String> answers, Locale language) {
        return new DerivedValues(all, answers).of(own, language);
    }

    private Map<String, String> of(List<SigningField> own, Locale language) {
        Map<String, String> values = new LinkedHashMap<>();
        for (SigningField field : own) {
            if (field.type() instanceof CopyPlace) values.put(field.name(), copied(field, language));
        }
        List<SigningField> formulas = own.stream()
                .filter(field -> field.type() instanceof WorkedOutPlace)
                .toList();
        if (!formulas.isEmpty()) {
            Map<String, Value> outcome = rules(List.copyOf(fields.values()), leftOut())
                    .apply(known())
                    .values();
            for (SigningField field : formulas) {
                Value value = outcome.get(field.name());
                if (value != null) values.put(field.name(), value.raw());
            }
        }
        values.values().removeIf(String::isEmpty);
        return values;
    }

    /** The value that a field begins with or shows, as it is kept; empty when there is none yet. */
    public static String begins(SigningField field, Map<String, String> answers) {
        return switch (field.from().kind()) {
            case NOTHING -> "";
            case DATUM -> field.from().raw();
            case ANSWER -> answers.getOrDefault(field.from().name(), "");
        };
    }

    private String copied(SigningField field, Locale language) {
        ValueFrom from = field.from();
        if (from.kind() != ValueFrom.Kind.ANSWER) return from.printed();
        SigningField other = fields.get(from.name());
        String answer = answers.getOrDefault(from.name(), "");
        if (other == null) return "";
        return other.type().printed(new PartyAct(answer, "", "", language)) instanceof Printed.Words words
                ? words.text()
                : "";
    }

    private Map<String, Value> known() {
        Map<String, Value> known = new HashMap<>();
        fields.values().forEach(field -> {
            if (field.type() instanceof AskedPlace asked)
                AskedValue.value(asked.gives(), asked.worth(answers.getOrDefault(field.name(), "")))
                        .ifPresent(value -> known.put(field.name(), value));
        });
        return known;
    }

    /** Fields that formulas speak of and that stand in a passage which this agreement goes without: they are blank. */
    private Set<String> leftOut() {
        Set<String> parties = new HashSet<>();
        fields.values().forEach(field -> parties.add(field.party() + "_"));
        Set<String> names = new HashSet<>();
        for (SigningField field : fields.values()) {
            if (!(field.type() instanceof WorkedOutPlace worked)) continue;
            for (String name : worked.formula().split(NO_NAME))
                if (!fields.containsKey(name) && parties.stream().anyMatch(name::startsWith)) names.add(name);
        }
        return names;
    }

    /** Everything that formulas may speak of, and the formulas as rules. */
    private static RuleSet rules(List<SigningField> all, Set<String> leftOut) {
        List<Field> fields = new ArrayList<>();
        List<Rule> rules = new ArrayList<>();
        leftOut.forEach(name -> fields.add(new Field(new FieldName(name), FieldType.TEXT, name, false, "", List.of())));
        for (SigningField field : all) {
            if (field.type() instanceof WorkedOutPlace worked) {
                rules.add(new Rule(field.name(), field.label(), "", worked.formula(), worked.gives()));
            } else if (field.type() instanceof AskedPlace asked) {
                fields.add(new Field(new FieldName(field.name()), asked.gives(), field.label(), false, "", List.of()));
            }
        }
        return RuleSet.compile(fields, rules, List.of());
    }

    /** What is wrong with the formulas of a template's fields, by field name. */
    public static Map<String, Message> faults(List<SigningField> all) {
        Map<String, Message> faults = new LinkedHashMap<>();
        for (RuleFault fault : rules(all, Set.of()).faults()) faults.putIfAbsent(fault.rule(), fault.sentence());
        for (SigningField field : all) {
            if (field.type() instanceof WorkedOutPlace worked
                    && worked.formula().isEmpty()) faults.put(field.name(), Message.of("field.no-formula"));
        }
        return faults;
    }

    /** Whether a formula speaks of a field. */
    public static boolean speaksOf(String formula, String field) {
        return List.of(formula.split(NO_NAME)).contains(field);
    }
}
