package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Section;
import org.jalousie.core.intake.FormLayout.Start;
import org.jalousie.core.intake.FormLayout.Visibility;
import org.jalousie.core.intake.Series;
import org.jalousie.core.messages.Message;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.Obstacle.Subject;

/** What stands in the way in a template's form. */
final class FormCheck {
    private static final Set<FieldType> DAYS = EnumSet.of(FieldType.DATE);
    private static final Set<FieldType> NAMES = EnumSet.of(FieldType.TEXT, FieldType.NAME);
    private static final Set<FieldType> NUMBERED = EnumSet.of(FieldType.TEXT);
    private static final Set<FieldType> SUMMED = EnumSet.of(FieldType.NUMBER, FieldType.MONEY);

    private final TemplateContent content;
    private final RuleSet rules;
    private final List<Obstacle> obstacles = new ArrayList<>();
    private final Set<FieldName> lookedUp = new HashSet<>();

    private FormCheck(TemplateContent content, RuleSet rules) {
        this.content = content;
        this.rules = rules;
        content.layout().questions().map(Question::lookup).forEach(lookup -> {
            lookup.fills().forEach(fill -> lookedUp.add(fill.field()));
            lookup.rows().forEach(rows -> lookedUp.add(rows.list()));
        });
    }

    static List<Obstacle> of(TemplateContent content, RuleSet rules) {
        FormCheck check = new FormCheck(content, rules);
        for (Section section : content.layout().sections()) {
            check.condition(section.when(), "", section.title());
            section.questions()
                    .forEach(question ->
                            check.field(question.field()).ifPresent(field -> check.question(question, field)));
        }
        content.layout().further().stream()
                .filter(one -> !check.holdsOnSomething(one.when()))
                .forEach(one -> check.add("", "publish.further-when", "rule", one.when()));
        check.circles();
        return check.obstacles;
    }

    private Optional<Field> field(FieldName name) {
        return content.fields().stream()
                .filter(field -> field.name().equals(name))
                .findFirst();
    }

    private void add(Object question, String code, Object... arguments) {
        obstacles.add(Obstacle.at(Subject.FORM, question, Message.of(code, arguments)));
    }

    private void question(Question one, Field field) {
        condition(one.when(), field.name(), field.label());
        start(one, field);
        boolean answered =
                one.start().kind() != Start.Kind.FIXED || !field.initial().isEmpty() || lookedUp.contains(field.name());
        if (field.required() && one.visibility() == Visibility.HIDDEN && !answered)
            add(field.name(), "publish.required-hidden", "field", field.label());
        if (field.required() && one.visibility() == Visibility.READ_ONLY && !answered)
            add(field.name(), "publish.required-read-only", "field", field.label());
        if (one.tick() && field.type() != FieldType.YES_NO)
            add(field.name(), "publish.form-tick", "field", field.label());
        for (FieldName total : one.totals()) {
            boolean summed =
                    field.items().stream().anyMatch(item -> item.name().equals(total) && SUMMED.contains(item.type()));
            if (!summed) add(field.name(), "publish.form-total", "field", field.label(), "total", total);
        }
    }

    private void start(Question one, Field field) {
        String of = one.start().of();
        switch (one.start().kind()) {
            case TODAY -> begins(DAYS, field, "publish.form-today");
            case PERSON -> begins(NAMES, field, "publish.form-person");
            case SERIES -> {
                begins(NUMBERED, field, "publish.form-series-text");
                if (!new Series(of).writable()) add(field.name(), "publish.form-series", "field", field.label());
            }
            case RULE -> {
                boolean known = content.rules().stream()
                        .anyMatch(
                                rule -> rule.name().equals(of) && rule.within().isEmpty());
                if (!known) add(field.name(), "publish.form-computed", "field", field.label());
            }
            default -> {
                // what a field begins with is looked at with the field
            }
        }
    }

    private void begins(Set<FieldType> types, Field field, String code) {
        if (!types.contains(field.type())) add(field.name(), code, "field", field.label());
    }

    /** @param question the name of the question that it is about; empty for a section's */
    private void condition(String when, Object question, String label) {
        if (!holdsOnSomething(when)) add(question, "publish.form-when", "label", label, "rule", when);
    }

    private boolean holdsOnSomething(String when) {
        if (when.isEmpty()) return true;
        boolean rule = content.rules().stream().anyMatch(one -> one.name().equals(when) && isCondition(one));
        boolean answer =
                content.fields().stream().anyMatch(one -> one.isCalled(when) && one.type() == FieldType.YES_NO);
        return rule || answer;
    }

    private static boolean isCondition(Rule rule) {
        return rule.gives() == FieldType.YES_NO && rule.within().isEmpty();
    }

    /** A question that is asked only on its own answer would never be sure. */
    private void circles() {
        Map<String, Set<String>> stands = new HashMap<>();
        for (Section section : content.layout().sections()) {
            for (Question one : section.questions()) {
                Set<String> on = new HashSet<>();
                if (!section.when().isEmpty()) on.add(section.when());
                if (!one.when().isEmpty()) on.add(one.when());
                if (!one.typed() && one.start().kind() == Start.Kind.RULE)
                    on.add(one.start().of());
                if (!on.isEmpty()) stands.put(one.field().value(), on);
            }
        }
        for (String name : stands.keySet()) {
            if (!reaches(name, name, stands, new HashSet<>())) continue;
            String label = field(new FieldName(name)).map(Field::label).orElse(name);
            add(name, "publish.form-circle", "field", label);
        }
    }

    private boolean reaches(String from, String to, Map<String, Set<String>> stands, Set<String> seen) {
        Set<String> next = new HashSet<>(stands.getOrDefault(from, Set.of()));
        next.addAll(rules.mentionedBy(from));
        for (String one : next) {
            if (one.equals(to)) return true;
            if (seen.add(one) && reaches(one, to, stands, seen)) return true;
        }
        return false;
    }
}
