package org.jalousie.server.intake;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.json.Json;

/** Answers as a program sends them: texts as they are typed, or numbers, truths and lists as JSON has them. */
final class AnswersJson {
    private AnswersJson() {}

    /** @param typing how numbers are typed in the texts beside them */
    static Map<FieldName, String> texts(Map<FieldName, Object> answers, Typing typing) {
        Map<FieldName, String> texts = new LinkedHashMap<>();
        if (answers != null) answers.forEach((name, answer) -> texts.put(name, text(answer, typing)));
        return texts;
    }

    private static String text(Object answer, Typing typing) {
        if (answer instanceof Boolean yes) return yes ? "yes" : "no";
        if (answer instanceof Number number) return number(number.toString(), typing);
        if (answer instanceof List<?> items)
            return Json.MAPPER.writeValueAsString(
                    items.stream().map(one -> item(one, typing)).toList());
        return answer instanceof Map<?, ?> other ? Json.MAPPER.writeValueAsString(other) : answer.toString();
    }

    /** What is too large for any number is told as what it is. */
    private static String number(String number, Typing typing) {
        try {
            return typing.shown(new BigDecimal(number));
        } catch (NumberFormatException e) {
            return number;
        }
    }

    private static Object item(Object one, Typing typing) {
        if (!(one instanceof Map<?, ?> members)) return one;
        Map<String, String> item = new LinkedHashMap<>();
        members.forEach((name, value) -> item.put(name.toString(), text(value, typing)));
        return item;
    }
}
