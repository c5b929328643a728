package org.jalousie.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.junit.jupiter.api.Test;

class AnswersBlockTest {
    private static Field field(String name, FieldType type, Field... items) {
        return new Field(
                new FieldName(name), type, Field.labelFor(name), false, "", List.of("By road"), List.of(items));
    }

    private static final List<Field> FIELDS = List.of(
            field("fee", FieldType.MONEY),
            field("home", FieldType.ADDRESS),
            field("how", FieldType.CHOICE),
            field("empty", FieldType.TEXT),
            field("objects", FieldType.ITEMS, field("title", FieldType.TEXT), field("value", FieldType.MONEY)));

    private static final Map<FieldName, String> VALUES = Map.of(
            new FieldName("fee"), "EUR 1250.50",
            new FieldName("home"), ";;Mill Rise 3;Oudehaven;;4811;NL",
            new FieldName("how"), "By road",
            new FieldName("objects"), "[{\"title\":\"viol\",\"value\":\"EUR 1.00\"},{\"title\":\"lute\"}]");

    @Test
    void everyAnswerStandsUnderItsQuestionInTheFormsOrder() {
        String text = AnswersBlock.text(
                AnswersBlock.of(FormLayout.NONE, FIELDS, VALUES, question -> true, Locale.UK, words -> words));
        assertThat(text).startsWith("Fee: \u20ac1,250.50\nHome: Mill Rise 3\n").contains("How: By road\n");
        assertThat(text).endsWith("Objects 1:\n    Title: viol\n    Value: \u20ac1.00\nObjects 2:\n    Title: lute\n");
        assertThat(text).doesNotContain("Empty");
    }

    @Test
    void itSpeaksTheLanguageOfWhoReadsIt() {
        String text = AnswersBlock.text(AnswersBlock.of(
                FormLayout.NONE,
                FIELDS,
                VALUES,
                question -> true,
                Locale.forLanguageTag("nl"),
                words -> Map.of("Fee", "Vergoeding", "By road", "Over de weg").getOrDefault(words, words)));
        assertThat(text).startsWith("Vergoeding: \u20ac\u00a01.250,50\n").contains("How: Over de weg\n");
    }

    @Test
    void whoIsToldOnlyWhatTheyWereAskedIsToldNothingElse() {
        FormLayout hides = new FormLayout(List.of(new FormLayout.Section(
                "",
                "",
                List.of(
                        new FormLayout.Question(new FieldName("fee"), "", FormLayout.Visibility.HIDDEN),
                        new FormLayout.Question(new FieldName("home"), "", FormLayout.Visibility.OFFICE)))));
        String text = AnswersBlock.text(
                AnswersBlock.of(hides, FIELDS, VALUES, FormLayout.Question::outside, Locale.UK, words -> words));
        assertThat(text).startsWith("How: By road").doesNotContain("Fee", "Home", "1,250");
    }
}
