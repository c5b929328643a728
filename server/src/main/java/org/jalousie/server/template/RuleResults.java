package org.jalousie.server.template;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.TemplateContent;

/** What every rule gives for every specimen, in words. */
final class RuleResults {
    /** Specimens are of no day; this one stands for it. */
    static final LocalDate DAY = LocalDate.of(2027, 3, 1);

    static final AgreementNumber NUMBER = new AgreementNumber("A-0000-0000");

    private RuleResults() {}

    static List<TemplateViews.RuleTrial> of(TemplateContent content, RuleSet rules) {
        Printer printer = Printer.in(Locale.forLanguageTag(content.language()));
        Map<String, List<String>> given = new LinkedHashMap<>();
        content.rules().forEach(rule -> given.put(rule.name(), new ArrayList<>()));
        content.choices().forEach(choice -> given.put(choice.name(), new ArrayList<>()));
        for (Specimen specimen : content.specimens()) {
            RuleSet.Outcome outcome = values(content, rules, specimen.data());
            for (Rule rule : content.rules()) given.get(rule.name()).add(printed(rule, outcome, printer));
            for (CaseChoice choice : content.choices())
                given.get(choice.name()).add(text(outcome.values().get(choice.name()), printer));
        }
        return given.entrySet().stream()
                .map(one -> new TemplateViews.RuleTrial(one.getKey(), one.getValue()))
                .toList();
    }

    /** Everything that a specimen's data comes to. */
    static RuleSet.Outcome values(TemplateContent content, RuleSet rules, Map<FieldName, String> data) {
        return rules.apply(BuiltIn.and(Intake.stored(content.fields(), data), DAY, NUMBER.value()));
    }

    private static String printed(Rule rule, RuleSet.Outcome outcome, Printer printer) {
        var fault = outcome.faults().stream()
                .filter(one -> one.rule().equals(rule.name()))
                .findFirst();
        if (fault.isPresent()) return fault.get().message().toString();
        if (rule.within().isEmpty()) return text(outcome.values().get(rule.name()), printer);
        return outcome.values().get(rule.within()) instanceof Value.Items items
                ? items.items().stream()
                        .map(item -> text(item.get(rule.name()), printer))
                        .collect(Collectors.joining(", "))
                : "";
    }

    private static String text(Value value, Printer printer) {
        return value == null ? "nothing" : printer.print(value, "");
    }
}
