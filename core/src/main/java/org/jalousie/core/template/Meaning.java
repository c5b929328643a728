package org.jalousie.core.template;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.wording.Mention;

/**
 * What a tag means to those who have settled the template: a field, a rule or a choice.
 *
 * @param list the list whose items have it; empty for what stands outside of lists
 * @param name without case and print
 * @param label what a coordinator calls it, with the case of a passage that stands for one
 */
public record Meaning(String list, String name, String label) {
    /** Within a list its items' own come first, then those of the lists around it. */
    public static Optional<Meaning> of(TemplateContent content, Mention mention) {
        int dot = mention.name().indexOf('.');
        String name = dot < 0 ? mention.name() : mention.name().substring(0, dot);
        String key = dot < 0 ? "" : mention.name().substring(dot + 1);
        for (String section : mention.within()) {
            Optional<Meaning> own = lists(content.fields())
                    .filter(list -> list.name().value().equals(section))
                    .flatMap(list -> list.items().stream())
                    .filter(item -> item.name().value().equals(name))
                    .findFirst()
                    .map(item -> of(section, item, key));
            if (own.isPresent()) return own;
            Optional<Meaning> rule = rule(content, section, name);
            if (rule.isPresent()) return rule;
        }
        return BuiltIn.and(content.fields()).stream()
                .filter(field -> field.name().value().equals(name))
                .findFirst()
                .map(field -> of("", field, key))
                .or(() -> rule(content, "", name))
                .or(() -> content.choices().stream()
                        .filter(choice -> choice.name().equals(name))
                        .findFirst()
                        .map(choice -> new Meaning("", name, withCase(choice.label(), caseOf(choice, key)))));
    }

    private static Stream<Field> lists(List<Field> fields) {
        return fields.stream()
                .filter(field -> field.type() == FieldType.ITEMS)
                .flatMap(list -> Stream.concat(Stream.of(list), lists(list.items())));
    }

    private static Optional<Meaning> rule(TemplateContent content, String within, String name) {
        return content.rules().stream()
                .filter(rule -> rule.within().equals(within) && rule.name().equals(name))
                .findFirst()
                .map(Rule::label)
                .map(label -> new Meaning(within, name, label));
    }

    private static Meaning of(String list, Field field, String key) {
        Optional<String> found = field.choices().stream()
                .filter(one -> Field.caseKey(one).equals(key))
                .findFirst();
        return new Meaning(list, field.name().value(), withCase(field.label(), found));
    }

    private static Optional<String> caseOf(CaseChoice choice, String key) {
        return choice.cases().stream()
                .filter(one -> one.key().equals(key))
                .findFirst()
                .map(CaseChoice.Case::label);
    }

    private static String withCase(String label, Optional<String> found) {
        return found.map(one -> label + ": " + one).orElse(label);
    }
}
