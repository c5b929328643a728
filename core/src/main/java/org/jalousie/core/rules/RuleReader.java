package org.jalousie.core.rules;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.LookAlike;
import org.jalousie.core.data.Names;
import org.jalousie.core.messages.Message;

/** Reads rules and choices: syntax, names, cycles; orders them so that each comes after what it stands on. */
final class RuleReader {
    // OMG DMN 1.4 §10.3.1.2, reserved words of FEEL's grammar
    private static final Set<String> RESERVED = Set.of(
            "for",
            "return",
            "if",
            "then",
            "else",
            "some",
            "every",
            "satisfies",
            "instance",
            "of",
            "in",
            "function",
            "external",
            "or",
            "and",
            "between",
            "true",
            "false",
            "null",
            "not",
            "item",
            "partial",
            "position");
    private static final Set<String> NO_CLOCK = Set.of("now", "today");

    final List<RuleFault> faults = new ArrayList<>();
    final List<Object> constants = new ArrayList<>();
    private final List<Field> fields;
    private final List<Rule> rules;
    private final List<CaseChoice> choices;
    private final Set<String> known = new HashSet<>();

    RuleReader(List<Field> fields, List<Rule> rules, List<CaseChoice> choices) {
        this.fields = fields;
        this.rules = rules;
        this.choices = choices;
        collect(fields);
        rules.forEach(rule -> known.add(rule.name()));
        choices.forEach(choice -> known.add(choice.name()));
    }

    private void collect(List<Field> from) {
        for (Field field : from) {
            known.add(field.name().value());
            if (field.type() == FieldType.MONEY) known.add(field.name() + "_currency");
            collect(field.items());
        }
    }

    List<PreparedRule> read() {
        Map<String, PreparedRule> steps = new LinkedHashMap<>();
        for (Rule rule : rules) {
            if (!nameIsFree(rule.name(), steps) || !withinIsList(rule)) continue;
            PreparedRule.Part part = part(rule.name(), "", rule.expression());
            if (part != null)
                steps.put(
                        rule.name(),
                        new PreparedRule(rule.name(), rule.label(), rule.within(), rule.gives(), List.of(part), null));
        }
        for (CaseChoice choice : choices) {
            if (!nameIsFree(choice.name(), steps)) continue;
            if (choice.cases().size() < 2) {
                fault(
                        choice.name(),
                        "",
                        "choice-cases",
                        Message.of("rule.choice-cases"),
                        Message.of("rule.choice-cases.cure"));
                continue;
            }
            List<PreparedRule.Part> parts = new ArrayList<>();
            Set<String> keys = new HashSet<>();
            for (int i = 0; i < choice.cases().size(); i++) {
                CaseChoice.Case one = choice.cases().get(i);
                if (!keys.add(one.key()))
                    fault(
                            choice.name(),
                            one.label(),
                            "choice-alike",
                            Message.of("rule.choice-alike", "key", one.key()),
                            Message.of("rule.choice-alike.cure"));
                if (i < choice.cases().size() - 1) {
                    PreparedRule.Part part = part(choice.name(), one.label(), one.condition());
                    if (part != null) parts.add(part);
                }
            }
            if (parts.size() == choice.cases().size() - 1)
                steps.put(
                        choice.name(),
                        new PreparedRule(choice.name(), choice.label(), "", FieldType.TEXT, parts, choice));
        }
        return ordered(steps);
    }

    private boolean nameIsFree(String name, Map<String, PreparedRule> steps) {
        if (!Names.isName(name) || RESERVED.contains(name)) {
            fault(name, "", "rule-name", Message.of("rule.name"), Message.of("rule.name.cure"));
            return false;
        }
        if (steps.containsKey(name) || fields.stream().anyMatch(field -> field.isCalled(name))) {
            fault(
                    name,
                    "",
                    "rule-name-twice",
                    Message.of("rule.name-twice", "name", name),
                    Message.of("rule.name-twice.cure"));
            return false;
        }
        return true;
    }

    private boolean withinIsList(Rule rule) {
        if (rule.within().isEmpty()) return true;
        boolean list =
                fields.stream().anyMatch(field -> field.isCalled(rule.within()) && field.type() == FieldType.ITEMS);
        if (!list)
            fault(
                    rule.name(),
                    "",
                    "rule-within",
                    Message.of("rule.within", "list", rule.within()),
                    Message.of("rule.within.cure"));
        return list;
    }

    private PreparedRule.Part part(String rule, String place, String expression) {
        if (expression.isBlank()) {
            fault(rule, place, "rule-empty", Message.of("rule.empty"), Message.of("rule.empty.cure"));
            return null;
        }
        Feel.Parsed parsed = Feel.parse(expression);
        if (!parsed.ok()) {
            fault(
                    rule,
                    place,
                    "rule-syntax",
                    Message.of("rule.syntax", "cause", parsed.failure().orElseThrow()),
                    Message.of("rule.syntax.cure"));
            return null;
        }
        Mentions mentions = Mentions.of(parsed.expression());
        constants.addAll(mentions.constants);
        boolean ok = true;
        for (String name : mentions.free()) {
            if (known.contains(name)) continue;
            fault(
                    rule,
                    place,
                    "rule-unknown-name",
                    Message.of("rule.unknown-name", "name", name),
                    LookAlike.of(name, known)
                            .map(like -> Message.of("rule.unknown-name.meant", "name", like))
                            .orElse(Message.of("rule.unknown-name.cure")));
            ok = false;
        }
        for (String function : mentions.functions) {
            if (!NO_CLOCK.contains(function)) continue;
            fault(rule, place, "rule-clock", Message.of("rule.clock"), Message.of("rule.clock.cure"));
            ok = false;
        }
        Set<String> all = new LinkedHashSet<>(mentions.free());
        all.addAll(mentions.paths);
        return ok ? new PreparedRule.Part(place, parsed.expression(), all) : null;
    }

    /** Each step after those it mentions; steps in a cycle are left out and named. */
    private List<PreparedRule> ordered(Map<String, PreparedRule> steps) {
        List<PreparedRule> ordered = new ArrayList<>();
        Set<String> done = new HashSet<>();
        Map<String, PreparedRule> left = new LinkedHashMap<>(steps);
        boolean moved = true;
        while (moved && !left.isEmpty()) {
            moved = false;
            for (PreparedRule step : List.copyOf(left.values())) {
                boolean ready =
                        step.mentioned().stream().noneMatch(name -> steps.containsKey(name) && !done.contains(name));
                if (!ready) continue;
                ordered.add(step);
                done.add(step.name());
                left.remove(step.name());
                moved = true;
            }
        }
        for (PreparedRule step : left.values()) {
            fault(
                    step.name(),
                    "",
                    "rule-cycle",
                    Message.of("rule.cycle", "names", String.join(", ", left.keySet())),
                    Message.of("rule.cycle.cure"));
        }
        return List.copyOf(ordered);
    }

    private void fault(String rule, String place, String code, Message message, Message cure) {
        faults.add(new RuleFault(rule, place, code, message, cure));
    }
}
