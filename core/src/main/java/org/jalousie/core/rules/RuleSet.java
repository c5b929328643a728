package org.jalousie.core.rules;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;

/** The rules and choices of a template, understood once and worked out for any data. Safe between threads. */
public final class RuleSet {
    private final List<Field> fields;
    private final List<Step> steps;
    private final List<Choice> choices;
    private final List<RuleFault> faults;
    private final List<Object> constants;

    private RuleSet(
            List<Field> fields,
            List<Step> steps,
            List<Choice> choices,
            List<RuleFault> faults,
            List<Object> constants) {
        this.fields = fields;
        this.steps = steps;
        this.choices = choices;
        this.faults = List.copyOf(faults);
        this.constants = List.copyOf(constants);
    }

    /** What working out came to: the data with everything that follows from it, and the rules that failed on it. */
    public record Outcome(Map<String, Value> values, List<RuleFault> faults) {}

    /** Reads all expressions; what can't be understood is among {@link #faults()} and is left out. */
    public static RuleSet compile(List<Field> fields, List<Rule> rules, List<Choice> choices) {
        RuleReader reader = new RuleReader(fields, rules, choices);
        List<Step> steps = reader.read();
        RuleSet set = new RuleSet(List.copyOf(fields), steps, List.copyOf(choices), reader.faults, reader.constants);
        if (!steps.isEmpty()) {
            List<RuleFault> onSample = set.apply(Samples.typical(fields)).faults();
            List<RuleFault> all = new ArrayList<>(reader.faults);
            all.addAll(onSample);
            return new RuleSet(set.fields, steps, set.choices, all, reader.constants);
        }
        return set;
    }

    /** Rules that can't be worked out at all, each with its place; empty when all can. */
    public List<RuleFault> faults() {
        return faults;
    }

    /** Every name that an expression speaks of. */
    public Set<String> mentioned() {
        Set<String> all = new HashSet<>();
        steps.forEach(step -> all.addAll(step.mentioned()));
        return all;
    }

    List<Field> fields() {
        return fields;
    }

    /** Numbers, texts and dates that expressions compare with. */
    List<Object> constants() {
        return constants;
    }

    /**
     * Works out every rule.
     *
     * @param values by field name; blanks absent
     */
    public Outcome apply(Map<String, Value> values) {
        Map<String, Value> all = new LinkedHashMap<>(values);
        List<RuleFault> failed = new ArrayList<>();
        Map<String, Object> context = Conversion.context(fields, all);
        for (Step step : steps) {
            if (step.within().isEmpty()) {
                step.evaluate(context, all, failed)
                        .ifPresentOrElse(value -> all.put(step.name(), value), () -> all.remove(step.name()));
            } else if (all.get(step.within()) instanceof Value.Items items) {
                all.put(step.within(), each(step, items, context, all, failed));
            }
            context = Conversion.context(fields, all);
        }
        return new Outcome(all, failed);
    }

    private Value.Items each(
            Step step, Value.Items items, Map<String, Object> context, Map<String, Value> all, List<RuleFault> failed) {
        List<Field> itemFields = fields.stream()
                .filter(field -> field.name().equals(step.within()))
                .findFirst()
                .map(Field::items)
                .orElse(List.of());
        List<Map<String, Value>> worked = new ArrayList<>();
        for (Map<String, Value> item : items.items()) {
            Map<String, Object> inner = new LinkedHashMap<>(context);
            inner.putAll(Conversion.context(itemFields, item));
            Map<String, Value> scope = new LinkedHashMap<>(all);
            scope.remove(step.within());
            scope.putAll(item);
            Map<String, Value> result = new LinkedHashMap<>(item);
            Optional<Value> value = step.evaluate(inner, scope, failed);
            value.ifPresent(one -> result.put(step.name(), one));
            worked.add(result);
        }
        return new Value.Items(worked);
    }

    /** Every case that data can bring about: a condition that holds or doesn't, a choice's cases, a list without or with items. */
    public List<RuleCase> cases() {
        List<RuleCase> cases = new ArrayList<>();
        for (Field field : fields) {
            if (field.type() == FieldType.YES_NO) cases.addAll(RuleCase.bothOf("", field.name(), field.label()));
            if (field.type() == FieldType.CHOICE) {
                for (String choice : field.choices())
                    cases.add(RuleCase.ofChoice(field.name(), Field.caseKey(choice), field.label() + ": " + choice));
            }
            if (field.type() == FieldType.ITEMS) cases.addAll(RuleCase.lengthsOf(field));
        }
        for (Step step : steps) {
            if (step.choice() != null) {
                step.choice()
                        .cases()
                        .forEach(one -> cases.add(RuleCase.ofChoice(
                                step.name(), one.key(), step.choice().label() + ": " + one.label())));
            } else if (step.gives() == FieldType.YES_NO) {
                cases.addAll(RuleCase.bothOf(step.within(), step.name(), step.label()));
            }
        }
        return cases;
    }

    /** Which of {@link #cases()} this data brings about, rules worked out first. */
    public Set<RuleCase> reached(Map<String, Value> values) {
        Map<String, Value> all = apply(values).values();
        Set<RuleCase> reached = new HashSet<>();
        for (RuleCase one : cases()) {
            if (one.holdsIn(all)) reached.add(one);
        }
        return reached;
    }
}
