package org.jalousie.core.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Supplier;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Section;
import org.jalousie.core.intake.FormLayout.Start;
import org.jalousie.core.rules.Rule;

/**
 * The answers that a form takes, as JSON Schema 2020-12: for programs that fill it. It judges as the form itself does. What is asked
 * on a rule that JSON Schema can't say ({@link SchemaCondition}) it leaves to the form.
 */
public final class AnswersSchema {
    /** @see <a href="https://json-schema.org/draft/2020-12/schema">the dialect</a> */
    public static final String DIALECT = "https://json-schema.org/draft/2020-12/schema";

    private final List<Field> fields;
    private final FormLayout layout;
    private final SchemaCondition conditions;
    private final Typing typing;
    private final Map<String, Object> definitions = new LinkedHashMap<>();

    private AnswersSchema(FormLayout layout, List<Field> fields, List<Rule> rules, Typing typing) {
        this.fields = fields;
        this.layout = layout.arranged(fields);
        this.conditions = new SchemaCondition(this.layout, fields, rules);
        this.typing = typing;
    }

    /** What one template asks for. @param when the condition on which it is filled at all; nothing for always */
    public record Part(FormLayout layout, List<Field> fields, List<Rule> rules, String when) {}

    /**
     * @param parts the form's own first, then what it asks for templates that it feeds besides
     * @param typing how numbers are written in the answers
     */
    public static Map<String, Object> of(String id, String title, List<Part> parts, Typing typing) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("$schema", DIALECT);
        schema.put("$id", id);
        schema.put("title", title);
        schema.put("type", "object");
        TreeSet<String> names = new TreeSet<>();
        List<Object> all = new ArrayList<>();
        Map<String, Object> definitions = new LinkedHashMap<>();
        Part own = parts.get(0);
        SchemaCondition conditions =
                new SchemaCondition(own.layout().arranged(own.fields()), own.fields(), own.rules());
        for (Part part : parts) {
            part.fields().forEach(field -> names.add(field.name().value()));
            AnswersSchema one = new AnswersSchema(part.layout(), part.fields(), part.rules(), typing);
            Map<String, Object> asked = one.asked();
            definitions.putAll(one.definitions);
            if (part == own) {
                // what the form's own template asks for is said at the top, where a reader looks first
                all.addAll((List<?>) asked.getOrDefault("allOf", List.of()));
                asked.remove("allOf");
                schema.putAll(asked);
            } else if (part.when().isEmpty()) {
                all.add(asked);
            } else {
                conditions.holding(part.when()).ifPresent(when -> all.add(Map.of("if", when, "then", asked)));
            }
        }
        schema.put("propertyNames", Map.of("enum", List.copyOf(names)));
        if (!all.isEmpty()) schema.put("allOf", all);
        if (!definitions.isEmpty()) schema.put("$defs", definitions);
        return schema;
    }

    private Map<String, Object> asked() {
        Map<String, Object> properties = new LinkedHashMap<>();
        List<String> required = new ArrayList<>();
        List<Object> conditional = new ArrayList<>();
        for (Section section : layout.sections())
            for (Question question : section.questions()) {
                Field field = field(question.field());
                String name = field.name().value();
                boolean follows = !question.typed() && question.start().kind() == Start.Kind.RULE;
                boolean needed =
                        field.required() && question.typed() && question.start().kind() != Start.Kind.SERIES;
                Map<String, Object> told = told(field, question);
                if (follows) {
                    // it is worked out, whatever is sent
                    properties.put(name, told);
                    continue;
                }
                Map<String, Object> answer = answer(field, question, needed);
                if (section.when().isEmpty() && question.when().isEmpty()) {
                    told.putAll(answer);
                    properties.put(name, told);
                    if (needed) required.add(name);
                    continue;
                }
                properties.put(name, told);
                Map<String, Object> then = new LinkedHashMap<>();
                then.put("properties", Map.of(name, answer));
                if (needed) then.put("required", List.of(name));
                conditions
                        .holding(section.when())
                        .flatMap(first -> conditions.holding(question.when()).map(second -> List.of(first, second)))
                        .ifPresentOrElse(
                                both -> conditional.add(Map.of("if", Map.of("allOf", both), "then", then)),
                                () -> told.put("$comment", "Asked on a rule that the form itself looks at."));
            }
        Map<String, Object> asked = new LinkedHashMap<>();
        asked.put("properties", properties);
        if (!required.isEmpty()) asked.put("required", required);
        if (!conditional.isEmpty()) asked.put("allOf", conditional);
        return asked;
    }

    private Field field(FieldName name) {
        return fields.stream()
                .filter(field -> field.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static Map<String, Object> told(Field field, Question question) {
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("title", field.label());
        String help = question.help().isEmpty() ? field.hint() : question.help();
        if (!help.isEmpty()) told.put("description", help);
        if (!question.typed()) told.put("readOnly", true);
        return told;
    }

    private Map<String, Object> answer(Field field, Question question, boolean needed) {
        if (question.tick() && field.required()) return yes();
        return needed ? of(field) : orBlank(of(field));
    }

    private static Map<String, Object> yes() {
        return Map.of(
                "anyOf", List.of(Map.of("const", true), Map.of("type", "string", "pattern", AnswerPatterns.yes())));
    }

    private static Map<String, Object> orBlank(Map<String, Object> answer) {
        return Map.of("anyOf", List.of(Map.of("type", "string", "pattern", AnswerPatterns.BLANK), answer));
    }

    /** An answer that is there. */
    private Map<String, Object> of(Field field) {
        return switch (field.type()) {
            case TEXT, LONG_TEXT, RICH_TEXT -> text("\\S");
            case NUMBER -> anyOf(Map.of("type", "number"), text(AnswerPatterns.number(typing)));
            case MONEY -> defined("money", () -> text(AnswerPatterns.money(typing)));
            case DATE -> text(AnswerPatterns.whole(AnswerPatterns.day()));
            case DATE_TIME -> defined("moment", () -> text(AnswerPatterns.moment()));
            case YES_NO -> anyOf(Map.of("type", "boolean"), text(AnswerPatterns.yesOrNo()));
            case CHOICE -> field.ownAnswer() ? text("\\S") : text(AnswerPatterns.oneOf(field.choices()));
            case MAIL_ADDRESS -> text(AnswerPatterns.mail());
            case WEB_ADDRESS -> text(AnswerPatterns.webAddress());
            case PHONE -> text(AnswerPatterns.phone());
            case NAME -> text(AnswerPatterns.name());
            case ADDRESS -> defined("address", () -> text(AnswerPatterns.address()));
            case PICTURE -> text(AnswerPatterns.picture());
            case FILE -> text(AnswerPatterns.file());
            case ITEMS -> items(field);
        };
    }

    private Map<String, Object> items(Field list) {
        Map<String, Object> properties = new LinkedHashMap<>();
        List<String> required = new ArrayList<>();
        for (Field field : list.items()) {
            Map<String, Object> told = new LinkedHashMap<>();
            told.put("title", field.label());
            told.putAll(field.required() ? of(field) : orBlank(of(field)));
            properties.put(field.name().value(), told);
            if (field.required()) required.add(field.name().value());
        }
        Map<String, Object> item = new LinkedHashMap<>();
        item.put("type", "object");
        item.put("properties", properties);
        if (!required.isEmpty()) item.put("required", required);
        item.put("additionalProperties", false);
        return Map.of("type", "array", "items", item, "maxItems", ValueReader.MOST_ITEMS);
    }

    private static Map<String, Object> anyOf(Map<String, Object> one, Map<String, Object> other) {
        return Map.of("anyOf", List.of(one, other));
    }

    private static Map<String, Object> text(String pattern) {
        Map<String, Object> text = new LinkedHashMap<>();
        text.put("type", "string");
        text.put("pattern", pattern);
        text.put("maxLength", ValueReader.LONGEST_TEXT);
        text.put("not", Map.of("pattern", AnswerPatterns.UNPRINTABLE));
        return text;
    }

    /** What is long to say is said once. */
    private Map<String, Object> defined(String name, Supplier<Map<String, Object>> schema) {
        definitions.computeIfAbsent(name, key -> schema.get());
        return Map.of("$ref", "#/$defs/" + name);
    }
}
