package org.jalousie.core.template;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.LookAlike;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.rules.RuleCase;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.Wording;

/** What looks like a slip in a template and does not stand in the way of publishing. */
public final class Advice {
    private Advice() {}

    /**
     * @param replacedFonts fonts of the file that this machine lacks, each with what would be used for it
     */
    public static List<Diagnostic> of(
            Wording wording, TemplateContent content, RuleSet rules, Map<String, String> replacedFonts) {
        List<Diagnostic> advice = new ArrayList<>();
        unused(wording, content, rules, advice);
        alike(content, advice);
        constant(content, rules, advice);
        replacedFonts.forEach((font, instead) -> advice.add(of(
                "font-missing",
                font,
                "The font " + font + " is not on this machine; " + instead
                        + " would be used, and lines may break elsewhere.",
                "Install the font on the server, or use " + instead + " in the Word file.")));
        return advice;
    }

    private static void unused(Wording wording, TemplateContent content, RuleSet rules, List<Diagnostic> advice) {
        Set<String> used = new HashSet<>(wording.found().fields());
        used.addAll(rules.mentioned());
        Proposal.forPeople(content.parties()).forEach(name -> used.add(name.value()));
        for (Field field : content.fields()) {
            if (used.contains(field.name().value())) continue;
            advice.add(of(
                    "field-unused",
                    field.name().value(),
                    field.label() + " is asked for in the form and used nowhere.",
                    "Put {{" + field.name() + "}} into the wording, or remove the field."));
        }
        content.rules().stream()
                .map(rule -> rule.name())
                .filter(name -> !used.contains(name))
                .forEach(name -> advice.add(of(
                        "rule-unused",
                        name,
                        "The rule " + name + " is used nowhere.",
                        "Use it in the wording as {{#" + name + "}}, or remove it.")));
    }

    /** Specimens that were drawn up to reach every case, and a case that none of them reaches. */
    private static void constant(TemplateContent content, RuleSet rules, List<Diagnostic> advice) {
        if (content.specimens().stream().noneMatch(one -> one.origin() == Specimen.Origin.DRAWN_UP)) return;
        Set<RuleCase> left = new LinkedHashSet<>(rules.cases());
        for (Specimen specimen : content.specimens()) {
            left.removeAll(rules.reached(BuiltIn.and(
                    Intake.stored(content.fields(), specimen.data()), LocalDate.of(2027, 3, 1), "A-0000-0000")));
        }
        for (RuleCase one : left) {
            advice.add(of(
                    "condition-constant",
                    one.name(),
                    "No specimen brings about \u201c" + one.label() + "\u201d; it may never or always be so.",
                    "Draw up specimens anew; if it stays, look at the condition."));
        }
    }

    private static void alike(TemplateContent content, List<Diagnostic> advice) {
        List<String> names = new ArrayList<>();
        names(content.fields(), names);
        content.rules().forEach(rule -> names.add(rule.name()));
        Set<String> said = new HashSet<>();
        for (String name : names) {
            LookAlike.of(name, names).ifPresent(other -> {
                if (!said.add(name) || said.contains(other)) return;
                Diagnostic alike = of(
                        "names-alike",
                        name,
                        "The names " + name + " and " + other + " look alike; one may be a slip of the other.",
                        "If they mean the same, use one of them everywhere.");
                advice.add(new Diagnostic(
                        alike.code(),
                        alike.part(),
                        alike.place(),
                        alike.message(),
                        alike.cure(),
                        alike.blocks(),
                        List.of(name, other)));
            });
        }
    }

    private static void names(List<Field> fields, List<String> into) {
        for (Field field : fields) {
            into.add(field.name().value());
            if (field.type() == FieldType.ITEMS) names(field.items(), into);
        }
    }

    private static Diagnostic of(String code, String place, String message, String cure) {
        return new Diagnostic(code, "settings", place, message, cure, false);
    }
}
