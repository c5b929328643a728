package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Typing;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class FormSoFarTest {
    private static final Wording WORDING = Wording.compile(
            WordFile.open(new WordDraft()
                    .paragraph("{{lender}} lends {{objects.list}} until {{ends.long}}, worth {{total.words}}.")
                    .paragraph("{{#abroad}}It crosses a border.{{/abroad}}{{^abroad}}It stays.{{/abroad}}")
                    .paragraph("{{remarks}}")
                    .table(List.of(List.of("{{#objects}}{{title}}", "{{value}}{{/objects}}")), true)
                    .bytes()),
            Set.of());

    private static Field field(String name, FieldType type, boolean required, Field... items) {
        return new Field(new FieldName(name), type, Field.labelFor(name), required, "", List.of(), List.of(items));
    }

    private static final TemplateContent CONTENT = Proposal.first(WORDING.found())
            .with(
                    List.of(
                            field("lender", FieldType.TEXT, true),
                            field("ends", FieldType.DATE, true),
                            field("abroad", FieldType.YES_NO, true),
                            field("remarks", FieldType.LONG_TEXT, false),
                            field(
                                    "objects",
                                    FieldType.ITEMS,
                                    true,
                                    field("title", FieldType.TEXT, true),
                                    field("value", FieldType.MONEY, true))),
                    List.of(),
                    List.of())
            .withRules(List.of(new Rule("total", "Value of all", "", "sum(objects.value)", FieldType.MONEY)));

    private static final RuleSet RULES =
            RuleSet.compile(BuiltIn.and(CONTENT.fields()), CONTENT.rules(), CONTENT.choices());

    private static List<String> printed(Map<String, String> typed) {
        return FilledText.of(merged(typed)).stream()
                .map(paragraph ->
                        paragraph.runs().stream().map(FilledText.Run::words).collect(Collectors.joining()))
                .toList();
    }

    private static Wording.Merged merged(Map<String, String> typed) {
        Map<FieldName, String> inputs = new LinkedHashMap<>();
        typed.forEach((name, text) -> inputs.put(new FieldName(name), text));
        return WORDING.merge(
                FormSoFar.of(CONTENT, RULES, inputs, Typing.of("de").orElseThrow(), LocalDate.of(2027, 3, 1)),
                Locale.UK,
                file -> new byte[0]);
    }

    @Test
    void anEmptyFormShowsWhereItsAnswersWillStand() {
        assertThat(printed(Map.of()))
                .containsExactly(
                        "[Lender] lends [Title] until [Ends], worth [Value of all].",
                        "It stays.",
                        "[Title]",
                        "[Value]");
    }

    @Test
    void whatCanBeReadIsPrintedAndWhatCantIsStillMissing() {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("lender", "Ida Marsh");
        typed.put("ends", "2027-13-45");
        typed.put("abroad", "yes");
        typed.put("remarks", "Keep it dry");
        typed.put(
                "objects",
                "[{\"title\":\"Viola\",\"value\":\"EUR 1.200,50\"},{\"title\":\"\",\"value\":\"EUR 12x\"},{\"value\":\"EUR 0,50\"}]");
        assertThat(printed(typed))
                .startsWith("Ida Marsh lends Viola, [Title] and [Title] until [Ends], worth [Value of all].")
                .contains("It crosses a border.", "Keep it dry", "\u20ac1,200.50", "[Value]", "\u20ac0.50");
        typed.put("ends", "2027-12-31");
        typed.put("objects", "[{\"title\":\"Viola\",\"value\":\"EUR 1.200,50\"}]");
        assertThat(printed(typed).get(0))
                .startsWith("Ida Marsh lends Viola until 31 December 2027, worth")
                .doesNotContain("[");
    }

    @Test
    void whatIsNoListAndNoFieldOfTheFormPrintsNothing() {
        assertThat(printed(Map.of("objects", "no list", "unknown", "x", "lender", "\u0001"))
                        .get(0))
                .isEqualTo("[Lender] lends [Title] until [Ends], worth [Value of all].");
    }

    @Test
    void theTextSaysWhichAnswerPrintedWhat() {
        List<FilledText.Paragraph> text = FilledText.of(merged(Map.of(
                "lender",
                "Ida Marsh",
                "objects",
                "[{\"title\":\"Viola\",\"value\":\"EUR 1,00\"},{\"title\":\"Bow\",\"value\":\"EUR 2,00\"}]")));
        assertThat(text.get(0).runs().get(0)).isEqualTo(new FilledText.Run("Ida Marsh", "lender", "", List.of()));
        assertThat(text.stream().flatMap(one -> one.runs().stream()))
                .contains(new FilledText.Run("Bow", "title", "objects", List.of(2)));
    }
}
