package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.Glyphs;
import org.jalousie.core.rules.Choice;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.Use;
import org.jalousie.core.wording.Wording;

/** What stands in the way of publishing a template, a sentence each. */
public final class PublishCheck {
    private PublishCheck() {}

    public static List<String> obstacles(Wording wording, TemplateContent content, RuleSet rules) {
        List<String> obstacles = new ArrayList<>();
        for (Diagnostic diagnostic : wording.diagnostics()) {
            if (diagnostic.blocks())
                obstacles.add("In the " + diagnostic.part() + ", near \u201c" + diagnostic.place() + "\u201d: "
                        + diagnostic.message() + " " + diagnostic.cure());
        }
        obstacles.addAll(ofSettings(wording, content, rules));
        return obstacles;
    }

    /** What stands in the way besides the diagnostics of the wording, which are told with their places. */
    public static List<String> ofSettings(Wording wording, TemplateContent content, RuleSet rules) {
        List<String> obstacles = new ArrayList<>();
        rules.faults().forEach(fault -> obstacles.add(fault.sentence()));
        wording.found().comparisons().stream()
                .filter(one ->
                        content.rules().stream().noneMatch(rule -> rule.name().equals(one.rule())))
                .forEach(one -> obstacles.add("The wording has a condition of the word processor, "
                        + one.label() + ", and there is no rule called " + one.rule()
                        + " for it. Add it under Rules: " + one.expression()));
        fields(content.fields(), wording, obstacles);
        content.fields().stream()
                .filter(field -> field.required() && !content.layout().shows(field.name()))
                .forEach(field -> obstacles.add(
                        field.label() + " is required, and the form doesn't show it. Show it, or let it stay empty."));
        cases(wording.found().uses(), content, obstacles);
        wording.found()
                .pictures()
                .forEach(
                        name -> content.fields().stream()
                                .filter(field -> field.isCalled(name) && field.type() != FieldType.PICTURE)
                                .forEach(
                                        field -> obstacles.add(
                                                "A placeholder picture names {{" + name + "}}, but " + field.label()
                                                        + " is no picture. Change its type, or the picture's description in the Word file.")));
        if (content.parties().stream().noneMatch(party -> party.duty() == Duty.SIGNS)) {
            obstacles.add("Nobody signs. Put a signature tag into the wording, for example {{lender.signature}}.");
        }
        content.parties().forEach(party -> party(party, content, obstacles));
        order(content.parties(), obstacles);
        if (content.sending().expiryDays() < 1 || content.sending().expiryDays() > 365)
            obstacles.add("The agreement has to expire after 1 to 365 days.");
        if (!isDays(content.sending().firstReminderDays())
                || !isDays(content.sending().everyDays()))
            obstacles.add("Reminders come after 1 to 365 days, or never when it says 0.");
        return obstacles;
    }

    private static boolean isDays(int days) {
        return days >= 0 && days <= 365;
    }

    /** Every case that the wording names has to be one of its choice. */
    private static void cases(List<Use> uses, TemplateContent content, List<String> obstacles) {
        for (Use use : uses) {
            if (use.section() && !use.print().isEmpty()) {
                List<String> known = keys(use.name(), content);
                if (!known.isEmpty() && !known.contains(use.print())) {
                    obstacles.add("{{#" + use.name() + "." + use.print() + "}} names a case that " + use.name()
                            + " doesn't have. It has: " + String.join(", ", known) + ".");
                }
            }
            cases(use.inside(), content, obstacles);
        }
    }

    private static List<String> keys(String name, TemplateContent content) {
        for (Choice choice : content.choices()) {
            if (choice.name().equals(name))
                return choice.cases().stream().map(Choice.Case::key).toList();
        }
        for (Field field : content.fields()) {
            if (field.isCalled(name) && field.type() == FieldType.CHOICE)
                return field.choices().stream().map(Field::caseKey).toList();
        }
        return List.of();
    }

    private static void fields(List<Field> fields, Wording wording, List<String> obstacles) {
        Set<FieldName> names = new HashSet<>();
        for (Field field : fields) {
            if (field.type() == FieldType.ITEMS) {
                if (field.items().isEmpty())
                    obstacles.add(field.label() + " is a list and its items have no fields. Add one at least.");
                fields(field.items(), wording, obstacles);
            }
            if (!names.add(field.name())) obstacles.add("The field " + field.name() + " stands twice in the list.");
            if (field.label().isBlank()) obstacles.add("The field " + field.name() + " has no label.");
            if (field.type() == FieldType.CHOICE && field.choices().size() < 2)
                obstacles.add(field.label() + " is a choice and needs two choices at least.");
            for (String print :
                    wording.found().prints().getOrDefault(field.name().value(), Set.of())) {
                if (!field.type().hasPrint(print)) {
                    obstacles.add("{{" + field.name() + "." + print
                            + "}} asks for a print that this type doesn't have. "
                            + (field.type().prints().isEmpty()
                                    ? "Use {{" + field.name() + "}}."
                                    : "It has: "
                                            + String.join(
                                                    ", ",
                                                    field.type().prints().stream()
                                                            .map(PublishCheck::shown)
                                                            .toList())
                                            + "."));
                }
            }
        }
    }

    private static String shown(String print) {
        return print.endsWith("_") ? print + "30" : print;
    }

    /** Who signs has to see all details: nothing is completed beside or after a signature. */
    private static void order(List<Party> parties, List<String> obstacles) {
        int firstSignature = parties.stream()
                .filter(party -> party.duty() == Duty.SIGNS)
                .mapToInt(Party::stage)
                .min()
                .orElse(Integer.MAX_VALUE);
        parties.stream()
                .filter(party -> party.duty() == Duty.COMPLETES && party.stage() >= firstSignature)
                .forEach(
                        party -> obstacles.add(
                                party.label()
                                        + " completes details, which has to be done before anybody signs. Give it a place in the order before all who sign."));
    }

    private static void party(Party party, TemplateContent content, List<String> obstacles) {
        Glyphs.unprintable(Message.of("print.label-of", "party", party.label()), party.label())
                .map(Message::toString)
                .ifPresent(obstacles::add);
        if (party.stage() < 1) obstacles.add(party.label() + " needs a place in the order, from 1.");
        boolean signature = content.signingFields().stream()
                .anyMatch(field ->
                        field.party().equals(party.key()) && field.type().signs());
        boolean mark = content.signingFields().stream()
                .anyMatch(field ->
                        field.party().equals(party.key()) && !field.type().asked());
        if (party.duty() == Duty.SIGNS && !signature) {
            obstacles.add(party.label() + " signs, but the wording keeps no place for it. Put {{" + party.key()
                    + ".signature}} into the wording.");
        }
        if (party.duty() != Duty.SIGNS && mark) {
            obstacles.add(
                    party.label()
                            + " doesn't sign, but the wording keeps a place for a signature, initials, a date or a name. Let the party sign, or remove the tag.");
        }
        boolean fields =
                content.signingFields().stream().anyMatch(field -> field.party().equals(party.key()));
        if (fields && !mark && (party.duty() == Duty.APPROVES || party.duty() == Duty.RECEIVES_COPY)) {
            obstacles.add(
                    party.label()
                            + " is not asked to complete anything, but the wording keeps a field for it. Let the party complete details, or remove the tag.");
        }
        if (party.who() instanceof PersonSource.FromFields from) {
            requireField(party, from.nameField(), "name", content, obstacles);
            requireField(party, from.mailField(), "mail address", content, obstacles);
        } else if (party.who() instanceof PersonSource.Fixed fixed) {
            if (fixed.name().isBlank()) obstacles.add(party.label() + " is a fixed person without a name.");
            try {
                ValueReader.mail(fixed.mail());
            } catch (ValueReader.Unreadable e) {
                obstacles.add(party.label() + ": " + e.getMessage());
            }
        }
    }

    private static void requireField(
            Party party, FieldName name, String what, TemplateContent content, List<String> obstacles) {
        if (content.fields().stream().noneMatch(field -> field.name().equals(name))) {
            obstacles.add("The " + what + " of " + party.label()
                    + " comes from a field that doesn't exist. Choose the field.");
        }
    }
}
