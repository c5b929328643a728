package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Names;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.AnswersBlock;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.messages.Message;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.wording.Clauses;

/**
 * Words of a mail with values of the data in them, marked by the same tags as in a wording. Only values can stand there: a
 * mail has no passages.
 */
public final class Letter {
    private static final Pattern TAG = Pattern.compile("\\{\\{([^{}]*)}}");

    /** All answers as one block, as {@code {{answers.block}}} prints them; no datum can be called so. */
    private static final String ANSWERS = ":answers";

    private final String text;

    public Letter(String text) {
        this.text = text;
    }

    /** What can't be said, a sentence each. */
    public List<Message> faults(TemplateContent content) {
        List<Message> faults = new ArrayList<>();
        Map<String, FieldType> known = known(content);
        Matcher tags = TAG.matcher(text);
        while (tags.find()) {
            String inside = Names.stripped(tags.group(1));
            if (!Names.isDotted(inside)) {
                faults.add(Message.of("letter.no-value", "tag", tags.group()));
                continue;
            }
            if (isAnswers(inside) && !known.containsKey(Clauses.ANSWERS_TAG)) continue;
            FieldType type = known.get(nameIn(inside));
            String print = printIn(inside);
            if (type == null) faults.add(Message.of("letter.unknown", "name", nameIn(inside)));
            else if (type == FieldType.PICTURE) faults.add(Message.of("letter.picture", "name", nameIn(inside)));
            else if (!print.isEmpty() && (!type.hasPrint(print) || isDrawn(print)))
                faults.add(Message.of("letter.no-print", "name", nameIn(inside), "print", print));
        }
        String without = tags.replaceAll("");
        if (without.contains("{{") || without.contains("}}")) faults.add(Message.of("letter.unclosed"));
        return faults;
    }

    /** What is no tag, or none that ends; empty when all can be read, whatever data there are. */
    public Optional<Message> unreadable() {
        Matcher tags = TAG.matcher(text);
        while (tags.find())
            if (!Names.isDotted(Names.stripped(tags.group(1))))
                return Optional.of(Message.of("letter.no-value", "tag", tags.group()));
        String without = tags.replaceAll("");
        return without.contains("{{") || without.contains("}}")
                ? Optional.of(Message.of("letter.unclosed"))
                : Optional.empty();
    }

    /** The words as they go out. What isn't known, which publishing refuses, is left out. */
    public String filled(Map<String, Value> values, Printer printer) {
        return TAG.matcher(text).replaceAll(tag -> {
            String inside = Names.stripped(tag.group(1));
            if (isAnswers(inside) && !values.containsKey(Clauses.ANSWERS_TAG))
                return Matcher.quoteReplacement(
                        values.get(ANSWERS) instanceof Value.Text block
                                ? block.text().strip()
                                : "");
            Optional<Value> value = Optional.ofNullable(values.get(nameIn(inside)));
            return Matcher.quoteReplacement(
                    value.map(one -> printer.print(one, printIn(inside))).orElse(""));
        });
    }

    private static boolean isAnswers(String inside) {
        return inside.equals(Clauses.ANSWERS_TAG + ".block");
    }

    /**
     * Values with all answers among them, where a mail of the template says them: those that people from outside are asked for, since
     * mails go to these.
     *
     * @param raw the answers as they are stored
     */
    public static Map<String, Value> withAnswers(
            Map<String, Value> values, TemplateContent content, Map<FieldName, String> raw) {
        if (!content.sending().named().contains(Clauses.ANSWERS_TAG)) return values;
        Map<String, Value> all = new LinkedHashMap<>(values);
        all.put(
                ANSWERS,
                new Value.Text(AnswersBlock.text(AnswersBlock.of(
                        content.layout(),
                        content.fields(),
                        raw,
                        FormLayout.Question::outside,
                        Locale.forLanguageTag(content.language()),
                        UnaryOperator.identity()))));
        return all;
    }

    /** The same words, with other names in their tags. @param names the new name by the old one */
    Letter renamed(Map<String, String> names) {
        return new Letter(TAG.matcher(text).replaceAll(tag -> {
            String inside = Names.stripped(tag.group(1));
            String name = names.get(nameIn(inside));
            String print = printIn(inside);
            return Matcher.quoteReplacement(
                    name == null ? tag.group() : "{{" + name + (print.isEmpty() ? "" : "." + print) + "}}");
        }));
    }

    /** The names that its tags say. */
    public List<String> names() {
        return TAG.matcher(text)
                .results()
                .map(tag -> nameIn(Names.stripped(tag.group(1))))
                .distinct()
                .toList();
    }

    String text() {
        return text;
    }

    /** What a mail can print of a value has to be letters. */
    private static boolean isDrawn(String print) {
        return print.startsWith("qr_")
                || print.startsWith("code128_")
                || print.startsWith("bars_")
                || print.startsWith("lines_");
    }

    private static String nameIn(String inside) {
        int dot = inside.indexOf('.');
        return dot < 0 ? inside : inside.substring(0, dot);
    }

    private static String printIn(String inside) {
        int dot = inside.indexOf('.');
        return dot < 0 ? "" : inside.substring(dot + 1);
    }

    private static Map<String, FieldType> known(TemplateContent content) {
        Map<String, FieldType> known = new LinkedHashMap<>();
        for (Field field : BuiltIn.and(content.fields())) known.put(field.name().value(), field.type());
        for (Rule rule : content.rules()) if (rule.within().isEmpty()) known.putIfAbsent(rule.name(), rule.gives());
        return known;
    }
}
