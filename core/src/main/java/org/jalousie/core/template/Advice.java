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
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.rules.RuleCase;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.wording.Diagnostic;

/** What looks like a slip in a template and does not stand in the way of publishing. */
public final class Advice {
    private Advice() {}

    /**
     * @param replacedFonts fonts of the file that this machine lacks, each with what would be used for it
     */
    public static List<Diagnostic> of(
            Wordings wordings, TemplateContent content, RuleSet rules, Map<String, String> replacedFonts) {
        List<Diagnostic> advice = new ArrayList<>();
        unused(wordings, content, rules, advice);
        idle(content, advice);
        alike(content, advice);
        constant(content, rules, advice);
        advice.addAll(DocumentCheck.open(content));
        replacedFonts.forEach((font, instead) -> advice.add(of(
                "font-missing",
                font,
                Message.of("advice.font-missing", "font", font, "instead", instead),
                Message.of("advice.font-missing.cure", "instead", instead))));
        return advice;
    }

    private static void unused(Wordings wordings, TemplateContent content, RuleSet rules, List<Diagnostic> advice) {
        Set<String> used = used(wordings, content, rules);
        unprinted(wordings, content, rules)
                .forEach(field -> advice.add(of(
                        "field-unused",
                        field.name().value(),
                        Message.of("advice.field-unused", "field", field.label()),
                        Message.of("advice.field-unused.cure", "name", field.name()))));
        content.rules().stream()
                .map(rule -> rule.name())
                .filter(name -> !used.contains(name))
                .forEach(name -> advice.add(of(
                        "rule-unused",
                        name,
                        Message.of("advice.rule-unused", "name", name),
                        Message.of("advice.rule-unused.cure", "name", name))));
    }

    /** Fields that print nowhere and decide nothing: whatever is answered, no document is another one. */
    public static List<Field> unprinted(Wordings wordings, TemplateContent content, RuleSet rules) {
        Set<String> used = used(wordings, content, rules);
        return content.fields().stream()
                // a file goes with the request, whether or not its name prints
                .filter(field -> field.type() != FieldType.FILE)
                .filter(field -> !used.contains(field.name().value()))
                .toList();
    }

    private static Set<String> used(Wordings wordings, TemplateContent content, RuleSet rules) {
        Set<String> used = new HashSet<>(wordings.found().fields());
        used.addAll(rules.mentioned());
        Proposal.forPeople(content.parties()).forEach(name -> used.add(name.value()));
        content.parties().forEach(party -> used.add(party.neededWhen()));
        content.documents().forEach(document -> {
            used.add(document.when());
            document.data().forEach(place -> used.add(place.name()));
        });
        used.addAll(content.sending().named());
        content.layout().sections().forEach(section -> {
            used.add(section.when());
            section.questions().forEach(question -> {
                used.add(question.when());
                used.add(question.start().of());
                // what somebody confirms is there to be confirmed
                if (question.tick()) used.add(question.field().value());
            });
        });
        return used;
    }

    /** Who completes details needs something to complete, or drops out of every agreement. */
    private static void idle(TemplateContent content, List<Diagnostic> advice) {
        content.parties().stream()
                .filter(party -> party.duty() == Duty.COMPLETES)
                .filter(party -> content.signingFields().stream()
                        .noneMatch(field -> field.party().equals(party.key())))
                .forEach(party -> advice.add(of(
                        "party-idle",
                        party.key().value(),
                        Message.of("advice.party-idle", "party", party.label()),
                        Message.of("advice.party-idle.cure", "key", party.key()))));
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
                    Message.of("advice.rule-constant", "rule", one.label()),
                    Message.of("advice.rule-constant.cure")));
        }
    }

    private static void alike(TemplateContent content, List<Diagnostic> advice) {
        List<String> names = new ArrayList<>();
        names(content.fields(), names);
        content.rules().forEach(rule -> names.add(rule.name()));
        LookAlike alikes = LookAlike.among(names);
        Set<String> said = new HashSet<>();
        for (String name : names) {
            alikes.to(name).ifPresent(other -> {
                if (!said.add(name) || said.contains(other)) return;
                Diagnostic alike = of(
                        "names-alike",
                        name,
                        Message.of("advice.names-alike", "name", name, "other", other),
                        Message.of("advice.names-alike.cure"));
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

    private static Diagnostic of(String code, String place, Message message, Message cure) {
        return new Diagnostic(code, "settings", place, message, cure, false);
    }
}
