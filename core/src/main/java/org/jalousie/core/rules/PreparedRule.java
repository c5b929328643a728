package org.jalousie.core.rules;

import java.util.Currency;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.camunda.feel.syntaxtree.ParsedExpression;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;

/**
 * One rule or choice, read and ready to be worked out.
 *
 * @param parts the expression of a rule, or the conditions of a choice's cases but the last
 * @param choice null for a rule
 * @param mentioned names that this step speaks of in any of its parts
 */
record PreparedRule(
        String name,
        String label,
        String within,
        FieldType gives,
        List<Part> parts,
        CaseChoice choice,
        Set<String> mentioned) {
    PreparedRule(String name, String label, String within, FieldType gives, List<Part> parts, CaseChoice choice) {
        this(
                name,
                label,
                within,
                gives,
                parts,
                choice,
                parts.stream()
                        .flatMap(part -> part.mentioned().stream())
                        .collect(Collectors.toCollection(LinkedHashSet::new)));
    }

    /** @param mentioned every name and path that the expression speaks of */
    record Part(String place, ParsedExpression expression, Set<String> mentioned) {}

    /** @param scope the values that the context was made of */
    Optional<Value> evaluate(Map<String, Object> context, Map<String, Value> scope, List<RuleFault> failed) {
        if (choice == null) return one(parts.get(0), gives, context, scope, failed);
        for (int i = 0; i < parts.size(); i++) {
            Optional<Value> holds = one(parts.get(i), FieldType.YES_NO, context, scope, failed);
            if (holds.filter(new Value.YesNo(true)::equals).isPresent())
                return Optional.of(new Value.Text(choice.cases().get(i).label()));
        }
        return Optional.of(
                new Value.Text(choice.cases().get(choice.cases().size() - 1).label()));
    }

    private Optional<Value> one(
            Part part,
            FieldType wanted,
            Map<String, Object> context,
            Map<String, Value> scope,
            List<RuleFault> failed) {
        Set<Currency> currencies = new LinkedHashSet<>();
        Conversion.currencies(scope, part.mentioned, currencies);
        if (currencies.size() > 1) {
            String codes = currencies.stream().map(Currency::getCurrencyCode).collect(Collectors.joining(" and "));
            failed.add(fault(
                    part,
                    "rule-currencies",
                    Message.of("rule.currencies", "codes", codes),
                    Message.of("rule.currencies.cure")));
            return Optional.empty();
        }
        Feel.Result result = Feel.evaluate(part.expression, context);
        boolean blank =
                part.mentioned.stream().anyMatch(name -> context.containsKey(name) && context.get(name) == null);
        if (!result.failures().isEmpty() && !blank && result.value() == null) {
            failed.add(fault(
                    part,
                    "rule-fails",
                    Message.of("rule.fails", "cause", result.failures().get(0)),
                    Message.of("rule.fails.cure")));
            return Optional.empty();
        }
        try {
            Optional<Value> value =
                    Conversion.value(result.value(), wanted, currencies.stream().findFirst());
            // FEEL's null is neither true nor false; a passage for a condition that isn't met does not print
            return value.isEmpty() && wanted == FieldType.YES_NO ? Optional.of(new Value.YesNo(false)) : value;
        } catch (Conversion.WrongKind e) {
            failed.add(
                    fault(part, "rule-type", Message.of("rule.type", "cause", e.said()), Message.of("rule.type.cure")));
            return Optional.empty();
        }
    }

    private RuleFault fault(Part part, String code, Message message, Message cure) {
        return new RuleFault(name, part.place, code, message, cure);
    }

    /** Names of the values that the result depends on: of money also by its currency. */
    Set<String> standsOn() {
        Set<String> names = new LinkedHashSet<>(mentioned);
        for (String name : mentioned) {
            if (name.endsWith("_currency")) names.add(name.substring(0, name.length() - "_currency".length()));
        }
        return names;
    }
}
