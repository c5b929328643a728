package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.Obstacle.Subject;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.Use;

/** What stands in the way of publishing a template, a sentence each. */
public final class PublishCheck {
    private PublishCheck() {}

    public static List<Obstacle> obstacles(Wordings wordings, TemplateContent content, RuleSet rules) {
        List<Obstacle> obstacles = new ArrayList<>();
        for (Diagnostic diagnostic : wordings.diagnostics()) {
            if (diagnostic.blocks())
                obstacles.add(Obstacle.wording(Message.of(
                        "publish.wording",
                        "part",
                        diagnostic.part(),
                        "place",
                        diagnostic.place(),
                        "message",
                        diagnostic.message(),
                        "cure",
                        diagnostic.cure())));
        }
        obstacles.addAll(ofSettings(wordings, content, rules));
        return obstacles;
    }

    /** What stands in the way besides the diagnostics of the wordings, which are told with their places. */
    public static List<Obstacle> ofSettings(Wordings wordings, TemplateContent content, RuleSet rules) {
        List<Obstacle> obstacles = new ArrayList<>();
        rules.faults()
                .forEach(fault -> obstacles.add(Obstacle.at(
                        content.choices().stream()
                                        .anyMatch(choice -> choice.name().equals(fault.rule()))
                                ? Subject.CHOICE
                                : Subject.RULE,
                        fault.rule(),
                        fault.sentence())));
        FoundTags found = wordings.found();
        found.comparisons().stream()
                .filter(one ->
                        content.rules().stream().noneMatch(rule -> rule.name().equals(one.rule())))
                .forEach(one -> obstacles.add(Obstacle.wording(Message.of(
                        "publish.condition",
                        "condition",
                        one.label(),
                        "rule",
                        one.rule(),
                        "expression",
                        one.expression()))));
        fields(content.fields(), found, obstacles);
        initials(content.fields(), obstacles);
        obstacles.addAll(FormCheck.of(content, rules));
        cases(found.uses(), content, obstacles);
        found.pictures()
                .forEach(name -> content.fields().stream()
                        .filter(field -> field.isCalled(name) && field.type() != FieldType.PICTURE)
                        .forEach(field -> obstacles.add(Obstacle.at(
                                Subject.FIELD,
                                name,
                                Message.of("publish.no-picture", "name", name, "field", field.label())))));
        if (content.parties().stream().noneMatch(party -> party.duty() == Duty.SIGNS)) {
            obstacles.add(Obstacle.at(Subject.PARTY, "", Message.of("publish.nobody-signs")));
        }
        obstacles.addAll(PartyCheck.of(content));
        obstacles.addAll(SigningFieldCheck.of(content));
        obstacles.addAll(SendingCheck.of(content));
        return obstacles;
    }

    /** What a form begins with has to be an answer that it would take. */
    private static void initials(List<Field> fields, List<Obstacle> obstacles) {
        for (Field field : fields) {
            initials(field.items(), obstacles);
            try {
                ValueReader.read(field, field.initial());
            } catch (ValueReader.Unreadable e) {
                obstacles.add(Obstacle.at(
                        Subject.FIELD,
                        field.name(),
                        Message.of("publish.initial", "field", field.label(), "cause", e.said())));
            }
        }
    }

    /** Every case that the wording names has to be one of its choice. */
    private static void cases(List<Use> uses, TemplateContent content, List<Obstacle> obstacles) {
        for (Use use : uses) {
            if (use.section() && !use.print().isEmpty()) {
                List<String> known = keys(use.name(), content);
                if (!known.isEmpty() && !known.contains(use.print())) {
                    obstacles.add(Obstacle.at(
                            content.choices().stream()
                                            .anyMatch(choice -> choice.name().equals(use.name()))
                                    ? Subject.CHOICE
                                    : Subject.FIELD,
                            use.name(),
                            Message.of(
                                    "publish.no-case",
                                    "name",
                                    use.name(),
                                    "case",
                                    use.print(),
                                    "cases",
                                    String.join(", ", known))));
                }
            }
            cases(use.inside(), content, obstacles);
        }
    }

    private static List<String> keys(String name, TemplateContent content) {
        for (CaseChoice choice : content.choices()) {
            if (choice.name().equals(name))
                return choice.cases().stream().map(CaseChoice.Case::key).toList();
        }
        for (Field field : content.fields()) {
            if (field.isCalled(name) && field.type() == FieldType.CHOICE)
                return field.choices().stream().map(Field::caseKey).toList();
        }
        return List.of();
    }

    private static void fields(List<Field> fields, FoundTags found, List<Obstacle> obstacles) {
        Set<FieldName> names = new HashSet<>();
        for (Field field : fields) {
            if (field.type() == FieldType.ITEMS) {
                if (field.items().isEmpty())
                    obstacles.add(Obstacle.at(
                            Subject.FIELD, field.name(), Message.of("publish.empty-list", "field", field.label())));
                fields(field.items(), found, obstacles);
            }
            if (!names.add(field.name()))
                obstacles.add(Obstacle.at(
                        Subject.FIELD, field.name(), Message.of("publish.field-twice", "field", field.name())));
            if (field.label().isBlank())
                obstacles.add(Obstacle.at(
                        Subject.FIELD, field.name(), Message.of("publish.no-label", "field", field.name())));
            if (field.type() == FieldType.CHOICE && field.choices().size() < 2)
                obstacles.add(Obstacle.at(
                        Subject.FIELD, field.name(), Message.of("publish.choices", "field", field.label())));
            for (String print : found.prints().getOrDefault(field.name().value(), Set.of())) {
                if (!field.type().hasPrint(print)) {
                    obstacles.add(Obstacle.at(
                            Subject.FIELD,
                            field.name(),
                            field.type().prints().isEmpty()
                                    ? Message.of("publish.no-print-at-all", "field", field.name(), "print", print)
                                    : Message.of(
                                            "publish.no-print",
                                            "field",
                                            field.name(),
                                            "print",
                                            print,
                                            "prints",
                                            field.type().prints().stream()
                                                    .map(PublishCheck::shown)
                                                    .collect(Collectors.joining(", ")))));
                }
            }
        }
    }

    private static String shown(String print) {
        return print.endsWith("_") ? print + "30" : print;
    }
}
