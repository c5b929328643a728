package org.jalousie.core.intake;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Section;
import org.jalousie.core.intake.FormLayout.Start;

/**
 * What a form asks for, as far as it is answered: which questions stand by their rules, and which answers follow from others. An
 * answer to what isn't asked (any more) is as if it were missing, for other rules too.
 *
 * @param left fields that are not asked for
 * @param sectionsLeft positions of sections that are not there, from 0
 * @param followed what rules work out for questions that begin with one, where it is an answer that their fields take
 * @param values everything that these answers come to: those that count, and what follows by rule
 */
public record Asked(
        Set<FieldName> left, Set<Integer> sectionsLeft, Map<FieldName, Value> followed, Map<String, Value> values) {

    /**
     * @param answers by field name, those that could be read
     * @param rules everything that follows from some answers
     */
    public static Asked of(
            FormLayout layout,
            List<Field> fields,
            Map<String, Value> answers,
            Function<Map<String, Value>, Map<String, Value>> rules) {
        Asked asked = new Asked(Set.of(), Set.of(), Map.of(), rules.apply(answers));
        if (!depends(layout)) return asked;
        // one question may stand on another one's answer, and that on a third's; a circle is told before publishing
        long most = layout.questions().count() + layout.sections().size() + 1;
        for (int i = 0; i < most; i++) {
            Asked next = asked.next(layout, fields, answers, rules);
            if (next.equals(asked)) return next;
            asked = next;
        }
        return asked;
    }

    /** Whether anything about the form stands on its answers. */
    public static boolean depends(FormLayout layout) {
        return layout.sections().stream().anyMatch(section -> !section.when().isEmpty())
                || layout.questions()
                        .anyMatch(one -> !one.when().isEmpty() || one.start().kind() == Start.Kind.RULE);
    }

    private Asked next(
            FormLayout layout,
            List<Field> fields,
            Map<String, Value> answers,
            Function<Map<String, Value>, Map<String, Value>> rules) {
        Map<String, Value> counted = new LinkedHashMap<>(answers);
        left.forEach(name -> counted.remove(name.value()));
        layout.questions()
                .filter(one -> !one.typed() && one.start().kind() == Start.Kind.RULE)
                .filter(one -> !left.contains(one.field()))
                .forEach(one -> {
                    Value value = followed.get(one.field());
                    if (value == null) counted.remove(one.field().value());
                    else counted.put(one.field().value(), value);
                });
        Map<String, Value> all = rules.apply(counted);
        Set<FieldName> not = new HashSet<>();
        Set<Integer> notThere = new HashSet<>();
        Map<FieldName, Value> follow = new LinkedHashMap<>();
        for (int i = 0; i < layout.sections().size(); i++) {
            Section section = layout.sections().get(i);
            boolean there = holds(section.when(), all);
            if (!there) notThere.add(i);
            for (Question one : section.questions()) {
                if (!there || !holds(one.when(), all)) not.add(one.field());
                else if (one.start().kind() == Start.Kind.RULE)
                    answer(one, fields, all).ifPresent(value -> follow.put(one.field(), value));
            }
        }
        return new Asked(not, notThere, follow, all);
    }

    /** Whether something is there with these answers. @param when the rule or answer on which it is; empty for always */
    public boolean holds(String when) {
        return holds(when, values);
    }

    private static boolean holds(String when, Map<String, Value> values) {
        return when.isEmpty() || values.get(when) instanceof Value.YesNo answer && answer.yes();
    }

    /** What a rule gives, as an answer to a question; empty where that is none. */
    private static Optional<Value> answer(Question question, List<Field> fields, Map<String, Value> all) {
        Value given = all.get(question.start().of());
        if (given == null) return Optional.empty();
        for (Field field : fields) {
            if (!field.name().equals(question.field())) continue;
            try {
                return ValueReader.read(field, given.raw());
            } catch (ValueReader.Unreadable e) {
                return Optional.empty();
            }
        }
        return Optional.empty();
    }
}
