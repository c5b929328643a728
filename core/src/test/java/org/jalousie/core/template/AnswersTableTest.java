package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class AnswersTableTest {
    private static final List<Field> FIELDS = List.of(
            field("lender", FieldType.TEXT, "Lender {{name}}"),
            field("company", FieldType.TEXT, "Company"),
            field("abroad", FieldType.YES_NO, "They cross a border"),
            field("objects", FieldType.ITEMS, "Object")
                    .withItems(List.of(
                            field("title", FieldType.TEXT, "What it is"), field("value", FieldType.MONEY, "Value"))));

    private static Field field(String name, FieldType type, String label) {
        return new Field(new FieldName(name), type, label, false, "", List.of());
    }

    private static TemplateContent content(List<Field> fields, List<Party> parties) {
        return new TemplateContent("en-GB", fields, parties, List.of(), SendingSettings.USUAL);
    }

    private static Wording wording(TemplateContent content, String... paragraphs) {
        WordDraft draft = new WordDraft();
        for (String one : paragraphs) draft.paragraph(one);
        Map<String, WordFile> library = AnswersTable.of(content)
                .map(table -> Map.of(Clauses.ANSWERS, table))
                .orElse(Map.of());
        return Wording.compile(
                WordFile.open(draft.bytes()), Set.of(), Set.of(), List.of(), new Clauses(library, Map.of()));
    }

    private static String printed(Wording wording, Map<FieldName, String> values) {
        byte[] made = wording.merge(Intake.stored(FIELDS, values), Locale.UK, file -> new byte[0])
                .file();
        return DocxText.body(made);
    }

    @Test
    void eachAnswerIsARowAndEachItemHasItsOwn() {
        Wording wording = wording(content(FIELDS, List.of()), "All that was said:", "{{answers.block}}", "The end.");
        assertThat(wording.diagnostics()).isEmpty();
        String text = printed(
                wording,
                Map.of(
                        new FieldName("lender"),
                        "Ida Marsh",
                        new FieldName("abroad"),
                        "no",
                        new FieldName("objects"),
                        "[{\"title\":\"Viola\",\"value\":\"EUR 1200.00\"},{\"title\":\"Bow\"}]"));
        List<String> lines = new ArrayList<>(text.lines().map(String::strip).toList());
        lines.removeIf(String::isEmpty);
        assertThat(lines)
                .containsExactly(
                        "All that was said:",
                        "Lender { {name} }",
                        "Ida Marsh",
                        "They cross a border",
                        "no",
                        "Object 1",
                        "What it is",
                        "Viola",
                        "Value",
                        "\u20ac1,200.00",
                        "Object 2",
                        "What it is",
                        "Bow",
                        "The end.");
        assertThat(printed(wording, Map.of())).doesNotContain("Object").contains("The end.");
        assertThat(wording.found().clauses()).as("a clause of the library").isEmpty();
    }

    @Test
    void withinALineItIsPointedOut() {
        assertThat(wording(content(FIELDS, List.of()), "All: {{answers.block}}").diagnostics())
                .singleElement()
                .satisfies(one -> assertThat(one.message().toString()).contains("answers.block"));
    }

    /** The word may be one of the template's own. */
    @Test
    void whatIsCalledAnswersItselfKeepsItsTag() {
        Party answers = new Party(
                new PartyKey("answers"),
                "Who answers",
                Duty.SIGNS,
                1,
                new PersonSource.FromFields(new FieldName("lender"), new FieldName("company")));
        assertThat(AnswersTable.of(content(FIELDS, List.of(answers)))).isEmpty();
        assertThat(AnswersTable.of(content(List.of(field("answers", FieldType.ADDRESS, "Answers")), List.of())))
                .isEmpty();
        assertThat(wording(content(List.of(), List.of()), "{{answers.block}}")
                        .found()
                        .fields())
                .as("a datum of its own")
                .isEmpty();
    }
}
