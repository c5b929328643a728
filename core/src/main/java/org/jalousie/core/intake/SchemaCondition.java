package org.jalousie.core.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Section;
import org.jalousie.core.rules.Rule;

/**
 * Conditions of a form as JSON Schema says them: an answer that is yes, and rules that compare an answer with a text, joined by
 * {@code and} or {@code or}. Nothing comes of any other.
 */
final class SchemaCondition {
    private static final Pattern COMPARED =
            Pattern.compile("\\s*([\\p{L}_][\\p{L}\\p{N}_]*)\\s*(!?=)\\s*\"([^\"\\\\]*)\"\\s*");
    private static final Pattern NAMED = Pattern.compile("\\s*([\\p{L}_][\\p{L}\\p{N}_]*)\\s*");
    private static final Map<String, Object> ALWAYS = Map.of();

    private final FormLayout layout;
    private final List<Field> fields;
    private final List<Rule> rules;

    SchemaCondition(FormLayout layout, List<Field> fields, List<Rule> rules) {
        this.layout = layout;
        this.fields = fields;
        this.rules = rules;
    }

    /** What holds exactly when a rule or an answer does; empty where that can't be said. @param when empty for always */
    Optional<Map<String, Object>> holding(String when) {
        return holding(when, Set.of());
    }

    private Optional<Map<String, Object>> holding(String when, Set<String> within) {
        if (when.isEmpty()) return Optional.of(ALWAYS);
        if (within.contains(when)) return Optional.empty();
        Set<String> inside = new HashSet<>(within);
        inside.add(when);
        Optional<Field> field = field(when).filter(one -> one.type() == FieldType.YES_NO);
        if (field.isPresent())
            return answered(
                    field.get(),
                    Map.of(
                            "anyOf",
                            List.of(Map.of("const", true), Map.of("type", "string", "pattern", AnswerPatterns.yes()))),
                    inside);
        return rules.stream()
                .filter(rule -> rule.name().equals(when) && rule.within().isEmpty())
                .findFirst()
                .flatMap(rule -> read(rule.expression(), inside));
    }

    private Optional<Map<String, Object>> read(String expression, Set<String> within) {
        if (expression.contains("(") || expression.contains(" then ")) return Optional.empty();
        List<Object> any = new ArrayList<>();
        for (String one : expression.split("\\bor\\b")) {
            List<Object> all = new ArrayList<>();
            for (String part : one.split("\\band\\b")) {
                Optional<Map<String, Object>> read = compared(part, within);
                if (read.isEmpty()) return Optional.empty();
                all.add(read.get());
            }
            any.add(Map.of("allOf", all));
        }
        return Optional.of(Map.of("anyOf", any));
    }

    private Optional<Map<String, Object>> compared(String part, Set<String> within) {
        Matcher named = NAMED.matcher(part);
        if (named.matches()) return holding(named.group(1), within);
        Matcher compared = COMPARED.matcher(part);
        if (!compared.matches()) return Optional.empty();
        Optional<Field> field =
                field(compared.group(1)).filter(one -> one.type() == FieldType.CHOICE || one.type() == FieldType.TEXT);
        Optional<Map<String, Object>> same = field.flatMap(one -> answered(
                one, Map.of("type", "string", "pattern", AnswerPatterns.oneOf(List.of(compared.group(3)))), within));
        // what is missing is another text, too
        return compared.group(2).equals("=") ? same : same.map(one -> Map.of("not", one));
    }

    /** An answer counts as long as its question is asked, and only one that is typed is among the answers. */
    private Optional<Map<String, Object>> answered(Field field, Map<String, Object> answer, Set<String> within) {
        String name = field.name().value();
        Map<String, Object> own = Map.of("required", List.of(name), "properties", Map.of(name, answer));
        for (Section section : layout.sections())
            for (Question question : section.questions()) {
                if (!question.field().equals(field.name())) continue;
                if (!question.typed()) return Optional.empty();
                return holding(section.when(), within)
                        .flatMap(first -> holding(question.when(), within)
                                .map(second -> Map.of("allOf", List.of(first, second, own))));
            }
        return Optional.of(own);
    }

    private Optional<Field> field(String name) {
        return fields.stream()
                .filter(one -> one.name().equals(new FieldName(name)))
                .findFirst();
    }
}
