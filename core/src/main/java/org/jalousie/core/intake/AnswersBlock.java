package org.jalousie.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;

/** All answers of a form as one block: each question with what was answered, in the form's order. */
public final class AnswersBlock {
    private AnswersBlock() {}

    /**
     * One answer.
     *
     * @param item which item of a list it is of, from 1; 0 for an answer of the form itself
     */
    public record Line(int item, String label, String answer) {}

    /**
     * @param values as they are stored; what nobody answered isn't there
     * @param told which questions are told to who reads it
     * @param words each text of the form as it is said to who reads the block
     */
    public static List<Line> of(
            FormLayout layout,
            List<Field> fields,
            Map<FieldName, String> values,
            Predicate<FormLayout.Question> told,
            Locale language,
            UnaryOperator<String> words) {
        Map<String, Value> read = Intake.stored(fields, values);
        List<Line> lines = new ArrayList<>();
        layout.arranged(fields)
                .questions()
                .filter(told)
                .forEach(question -> fields.stream()
                        .filter(field -> field.name().equals(question.field()))
                        .forEach(field -> add(0, field, read, Printer.in(language), words, lines)));
        return lines;
    }

    private static void add(
            int item,
            Field field,
            Map<String, Value> values,
            Printer printer,
            UnaryOperator<String> words,
            List<Line> lines) {
        Value value = values.get(field.name().value());
        if (value == null) return;
        if (value instanceof Value.Items items) {
            int number = 0;
            for (Map<String, Value> one : items.items()) {
                number++;
                lines.add(new Line(number, words.apply(field.label()), ""));
                for (Field inner : field.items()) add(number, inner, one, printer, words, lines);
            }
            return;
        }
        String printed = printer.print(value, field.type() == FieldType.ADDRESS ? "block" : "");
        String answer = field.type() == FieldType.CHOICE ? words.apply(printed) : printed;
        if (value instanceof Value.Picture) answer = "\u2713";
        lines.add(new Line(item, words.apply(field.label()), answer));
    }

    /** The block as text, for mails. */
    public static String text(List<Line> lines) {
        StringBuilder text = new StringBuilder();
        for (Line line : lines) {
            boolean heading = line.item() > 0 && line.answer().isEmpty();
            String indent = line.item() > 0 && !heading ? "    " : "";
            String label = heading ? line.label() + " " + line.item() : line.label();
            text.append(indent).append(label).append(':');
            if (!heading) text.append(' ').append(line.answer().replace("\n", "\n    " + indent));
            text.append('\n');
        }
        return text.toString();
    }
}
