package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.write.WordDraft;

/**
 * What {@code {{answers.block}}} stands for in a wording: a table of all answers, a row each, in the form's order. It is made of
 * tags like any others, so what it prints is provided and traced as everything else is; a row without an answer is left out.
 */
public final class AnswersTable {
    /** For a wording whose form isn't known yet. */
    public static final Clauses NOTHING_ASKED = new Clauses(Map.of(Clauses.ANSWERS, of(List.of())), Map.of());

    private AnswersTable() {}

    /** Empty where the word means one of the template's own data or parties. */
    public static Optional<WordFile> of(TemplateContent content) {
        boolean taken = content.fields().stream().anyMatch(field -> field.isCalled(Clauses.ANSWERS_TAG))
                || content.parties().stream()
                        .anyMatch(party -> party.key().value().equals(Clauses.ANSWERS_TAG));
        List<List<String>> rows = new ArrayList<>();
        content.layout()
                .arranged(content.fields())
                .questions()
                .filter(question -> question.visibility() != FormLayout.Visibility.HIDDEN)
                .forEach(question -> content.fields().stream()
                        .filter(field -> field.name().equals(question.field()))
                        .forEach(field -> add(field, "", rows)));
        return taken ? Optional.empty() : Optional.of(of(rows));
    }

    private static WordFile of(List<List<String>> rows) {
        WordDraft draft = new WordDraft();
        return WordFile.open((rows.isEmpty() ? draft.paragraph("") : draft.table(rows, true)).bytes());
    }

    private static void add(Field field, String indent, List<List<String>> rows) {
        String name = field.name().value();
        if (field.type() == FieldType.ITEMS) {
            rows.add(List.of("{{#" + name + "}}", ""));
            rows.add(List.of(indent + plain(field.label()) + " {{position}}", ""));
            for (Field inner : field.items()) add(inner, indent + "\u2003", rows);
            rows.add(List.of("{{/" + name + "}}", ""));
            return;
        }
        String print = field.type() == FieldType.ADDRESS ? ".block" : "";
        String value = "{{" + name + print + "}}";
        // a no is an answer, and a section would leave it out
        if (field.type() == FieldType.YES_NO) rows.add(List.of(indent + plain(field.label()), value));
        else rows.add(List.of("{{#" + name + "}}" + indent + plain(field.label()), value + "{{/" + name + "}}"));
    }

    /** A label is words, whatever stands in it. */
    private static String plain(String label) {
        return label.replace("{{", "{ {").replace("}}", "} }");
    }
}
