package org.jalousie.core.rules;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;

/** The rules and choices of a template, understood once and worked out for any data. Safe between threads. */
public final class RuleSet {
    private final List<Field> fields;
    private final List<PreparedRule> steps;
    private final List<CaseChoice> choices;
    private final List<RuleFault> faults;
    private final List<Object> constants;
    private final List<RuleCase> cases;

    private RuleSet(
            List<Field> fields,
            List<PreparedRule> steps,
            List<CaseChoice> choices,
            List<RuleFault> faults,
            List<Object> constants) {
        this.fields = fields;
        this.steps = steps;
        this.choices = choices;
        this.faults = List.copyOf(faults);
        this.constants = List.copyOf(constants);
        this.cases = List.copyOf(findCases());
    }

    /** What working out came to: the data with everything that follows from it, and the rules that failed on it. */
    public record Outcome(Map<String, Value> values, List<RuleFault> faults) {}

    /** Reads all expressions; what can't be understood is among {@link #faults()} and is left out. */
    public static RuleSet compile(List<Field> fields, List<Rule> rules, List<CaseChoice> choices) {
        RuleReader reader = new RuleReader(fields, rules, choices);
        List<PreparedRule> steps = reader.read();
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

    /** The names that a rule or choice speaks of; none for a name that is none. */
    public Set<String> mentionedBy(String name) {
        return steps.stream()
                .filter(step -> step.name().equals(name))
                .findFirst()
                .map(PreparedRule::standsOn)
                .orElse(Set.of());
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
        return apply(values, new Memory(false));
    }

    private Outcome apply(Map<String, Value> values, Memory memory) {
        Map<String, Value> all = new LinkedHashMap<>(values);
        List<RuleFault> failed = new ArrayList<>();
        Map<String, Object> context = Conversion.context(fields, all);
        for (PreparedRule step : steps) {
            if (step.within().isEmpty()) {
                Optional<Value> value =
                        memory.recall(step, all, failed, () -> step.evaluate(narrowed(context, step), all, failed));
                value.ifPresentOrElse(one -> all.put(step.name(), one), () -> all.remove(step.name()));
                Conversion.replace(context, step.name(), null, value.orElse(null));
            } else if (all.get(step.within()) instanceof Value.Items items) {
                Value.Items worked = each(step, items, context, all, failed, memory);
                all.put(step.within(), worked);
                Conversion.replace(context, step.within(), list(step.within()), worked);
            }
        }
        return new Outcome(all, failed);
    }

    private Field list(String name) {
        return fields.stream().filter(field -> field.isCalled(name)).findFirst().orElse(null);
    }

    /** What a step speaks of, and no more: the engine turns all that it is given into values of its own. */
    private static Map<String, Object> narrowed(Map<String, Object> context, PreparedRule step) {
        Map<String, Object> narrowed = new LinkedHashMap<>();
        for (String name : step.mentioned()) if (context.containsKey(name)) narrowed.put(name, context.get(name));
        return narrowed;
    }

    private Value.Items each(
            PreparedRule step,
            Value.Items items,
            Map<String, Object> context,
            Map<String, Value> all,
            List<RuleFault> failed,
            Memory memory) {
        Field list = list(step.within());
        List<Field> itemFields = list == null ? List.of() : list.items();
        Map<String, Object> around = narrowed(context, step);
        Map<String, Value> outer = new LinkedHashMap<>();
        for (String name : step.standsOn()) {
            if (all.containsKey(name) && !name.equals(step.within())) outer.put(name, all.get(name));
        }
        List<Map<String, Value>> worked = new ArrayList<>();
        for (Map<String, Value> item : items.items()) {
            Map<String, Value> scope = new LinkedHashMap<>(outer);
            itemFields.forEach(field -> scope.remove(field.name().value()));
            scope.putAll(item);
            Map<String, Value> result = new LinkedHashMap<>(item);
            memory.recall(step, scope, failed, () -> {
                        Map<String, Object> inner = new LinkedHashMap<>(around);
                        inner.putAll(narrowed(Conversion.context(itemFields, item), step));
                        return step.evaluate(inner, scope, failed);
                    })
                    .ifPresent(one -> result.put(step.name(), one));
            worked.add(result);
        }
        Set<String> names = new LinkedHashSet<>(items.names());
        names.add(step.name());
        return new Value.Items(worked, names);
    }

    /** Results by what they were worked out from: of many sets of data alike, most rules see the same again. */
    static final class Memory {
        private static final int MOST = 20_000;

        private final boolean keeps;
        private final Map<PreparedRule, Map<List<Object>, Optional<Value>>> known = new IdentityHashMap<>();

        /** @param keeps whether it remembers at all */
        Memory(boolean keeps) {
            this.keeps = keeps;
        }

        private Optional<Value> recall(
                PreparedRule step, Map<String, Value> scope, List<RuleFault> failed, Supplier<Optional<Value>> work) {
            if (!keeps) return work.get();
            Map<List<Object>, Optional<Value>> of = known.computeIfAbsent(step, key -> new HashMap<>());
            List<Object> from = new ArrayList<>();
            for (String name : step.standsOn()) from.add(scope.get(name));
            Optional<Value> before = of.get(from);
            if (before != null) return before;
            int faults = failed.size();
            Optional<Value> value = work.get();
            if (failed.size() == faults && of.size() < MOST) of.put(from, value);
            return value;
        }
    }

    /** Every case that data can bring about: a condition that holds or doesn't, a choice's cases, a list without or with items. */
    public List<RuleCase> cases() {
        return cases;
    }

    private List<RuleCase> findCases() {
        List<RuleCase> cases = new ArrayList<>();
        for (Field field : fields) {
            if (field.type() == FieldType.YES_NO)
                cases.addAll(RuleCase.bothOf("", field.name().value(), field.label()));
            if (field.type() == FieldType.CHOICE) {
                for (String choice : field.choices())
                    cases.add(RuleCase.ofChoice(
                            field.name().value(), Field.caseKey(choice), field.label() + ": " + choice));
            }
            if (field.type() == FieldType.ITEMS) cases.addAll(RuleCase.lengthsOf(field));
        }
        for (PreparedRule step : steps) {
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
        return reached(values, new Memory(false));
    }

    Set<RuleCase> reached(Map<String, Value> values, Memory memory) {
        Map<String, Value> all = apply(values, memory).values();
        Set<RuleCase> reached = new HashSet<>();
        for (RuleCase one : cases) {
            if (one.holdsIn(all)) reached.add(one);
        }
        return reached;
    }
}
