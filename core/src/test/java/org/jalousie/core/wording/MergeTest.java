package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MergeTest {
    private static byte[] merge(WordDraft draft, Map<String, Value> values) {
        Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        return wording.merge(values, Locale.UK);
    }

    private static String body(String paragraph, Map<String, Value> values) {
        return DocxText.body(merge(new WordDraft().paragraph(paragraph), values));
    }

    private static Value text(String text) {
        return new Value.Text(text);
    }

    @Test
    void aTagSplitOverRunsTakesTheLookOfItsFirstRun() {
        WordDraft draft = new WordDraft()
                .runs(List.of(
                        new WordDraft.Run("", "Lender: "),
                        new WordDraft.Run("<w:b/>", "{{len"),
                        new WordDraft.Run("<w:i/>", "der_na"),
                        new WordDraft.Run("", "me}} of Greyford")));
        byte[] merged = merge(draft, Map.of("lender_name", text("Ida Marsh")));
        assertThat(DocxText.body(merged)).isEqualTo("Lender: Ida Marsh of Greyford");
        assertThat(DocxText.xml(merged, "word/document.xml"))
                .contains("<w:rPr><w:b/></w:rPr><w:t xml:space=\"preserve\">Ida Marsh</w:t>")
                .doesNotContain("<w:i/>");
    }

    @Test
    void proofingMarksBetweenTheRunsOfATagDoNotMatter() {
        String xml =
                "<w:p><w:r><w:t>{{lender</w:t></w:r><w:proofErr w:type=\"spellStart\"/><w:r w:rsidR=\"00A1\"><w:t>_name</w:t></w:r><w:proofErr w:type=\"spellEnd\"/><w:r><w:t>}}</w:t></w:r></w:p>";
        assertThat(DocxText.body(merge(new WordDraft().raw(xml), Map.of("lender_name", text("Ida")))))
                .isEqualTo("Ida");
    }

    @Test
    void tagsAreFilledInTableCellsHeadersFootersAndProperties() {
        WordDraft draft = new WordDraft()
                .fileTitle("Loan by {{lender_name}}")
                .header("H {{lender_name}}")
                .footer("F {{lender_name}}")
                .table(List.of(List.of("Lender", "{{lender_name}}")), true);
        byte[] merged = merge(draft, Map.of("lender_name", text("Ida & Co")));
        assertThat(DocxText.body(merged)).contains("Lender\nIda & Co");
        assertThat(DocxText.part(merged, "word/header1.xml")).isEqualTo("H Ida & Co");
        assertThat(DocxText.part(merged, "word/footer1.xml")).startsWith("F Ida & Co");
        assertThat(DocxText.xml(merged, "docProps/core.xml")).contains("<dc:title>Loan by Ida &amp; Co</dc:title>");
    }

    // the words around an empty value: our own rule (docs/tags.md), since no standard has one
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            ignoreLeadingAndTrailingWhitespace = false,
            value = {
                "Dear {{title}} Marsh,|Dear Marsh,",
                "{{street}}, {{town}}, {{country}}.|Mill Rise, Oudehaven.",
                "The lender, {{title}}, of Greyford|The lender, of Greyford",
                "signed by Ida {{title}}.|signed by Ida.",
                "Ida Marsh ({{title}}) lends|Ida Marsh lends",
                "{{title}} {{country}} {{town}}|Oudehaven",
                "for {{street}} ({{title}}) at|for Mill Rise at"
            })
    void anEmptyValueTakesAlongTheSpaceOrCommaThatOnlyServedIt(String wording, String printed) {
        assertThat(body(wording, Map.of("street", text("Mill Rise"), "town", text("Oudehaven")))
                        .replaceAll("Mill Rise, Oudehaven, \\.", "x"))
                .isEqualTo(printed);
    }

    @Test
    void aLineThatHoldsOnlyAnEmptyValueDisappears() {
        WordDraft draft =
                new WordDraft().paragraph("before").paragraph("{{company}}").paragraph("after");
        assertThat(DocxText.body(merge(draft, Map.of()))).startsWith("before\nafter");
        assertThat(DocxText.body(merge(draft, Map.of("company", text("Oake"))))).startsWith("before\nOake\nafter");
    }

    @Test
    void valuesAreDataEvenWhenTheyLookLikeTagsOrMarkup() {
        assertThat(body("{{a}} and {{b}}", Map.of("a", text("{{b}} <w:t>"), "b", text("&amp; \"x\""))))
                .isEqualTo("{{b}} <w:t> and &amp; \"x\"");
    }

    @Test
    void aValueThatNoDocumentCanCarryIsRefusedByName() {
        assertThatThrownBy(() -> body("{{a}}", Map.of("a", text("x\u0001y"))))
                .isInstanceOf(NotPossible.class)
                .hasMessageContaining("value of a")
                .hasMessageContaining("place 2");
    }

    @Test
    void aSectionInALinePrintsWhenItsRuleHoldsAndItsInverseWhenNot() {
        String wording = "It stays.{{#abroad}} It crosses a border.{{/abroad}}{{^abroad}} It stays here.{{/abroad}}";
        assertThat(body(wording, Map.of("abroad", new Value.YesNo(true)))).isEqualTo("It stays. It crosses a border.");
        assertThat(body(wording, Map.of("abroad", new Value.YesNo(false)))).isEqualTo("It stays. It stays here.");
    }

    @Test
    void aSectionOverParagraphsLeavesNoTraceOfItsTags() {
        WordDraft draft = new WordDraft()
                .paragraph("a")
                .paragraph("{{#abroad}}")
                .paragraph("b")
                .paragraph("{{#insured}}")
                .paragraph("c")
                .paragraph("{{/insured}}{{/abroad}}")
                .paragraph("d");
        assertThat(DocxText.body(merge(draft, Map.of("abroad", new Value.YesNo(true)))))
                .isEqualTo("a\nb\nd");
        assertThat(DocxText.body(
                        merge(draft, Map.of("abroad", new Value.YesNo(true), "insured", new Value.YesNo(true)))))
                .isEqualTo("a\nb\nc\nd");
        assertThat(DocxText.body(merge(draft, Map.of()))).isEqualTo("a\nd");
    }

    @Test
    void aSectionOverTheCellsOfARowDecidesTheRow() {
        WordDraft draft = new WordDraft()
                .table(
                        List.of(List.of("one", "1"), List.of("{{#abroad}}two", "2{{/abroad}}"), List.of("three", "3")),
                        true);
        assertThat(DocxText.body(merge(draft, Map.of()))).doesNotContain("two").contains("three");
        assertThat(DocxText.xml(merge(draft, Map.of()), "word/document.xml").split("<w:tr>").length - 1)
                .isEqualTo(2);
    }

    @Test
    void manyLinesKeepTheirBreaks() {
        byte[] merged = merge(new WordDraft().paragraph("{{objects}}"), Map.of("objects", text("viola\nbow")));
        assertThat(DocxText.xml(merged, "word/document.xml"))
                .contains("viola</w:t><w:br/><w:t xml:space=\"preserve\">bow");
    }

    @Test
    void aDatumPrintsInSeveralWays() {
        Map<String, Value> values = new HashMap<>();
        values.put("start_date", new Value.Day(LocalDate.of(2027, 3, 15)));
        values.put("fee", new Value.Money(java.util.Currency.getInstance("EUR"), new java.math.BigDecimal("12500.00")));
        assertThat(body("{{start_date}} {{start_date.iso}} {{fee}} {{fee.code}}", values))
                .isEqualTo("15 March 2027 2027-03-15 \u20ac12,500.00 EUR\u00a012,500.00");
    }

    @Test
    void theSameValuesGiveTheSameBytes() {
        WordDraft draft = new WordDraft().paragraph("{{a}}");
        assertThat(merge(draft, Map.of("a", text("x")))).isEqualTo(merge(draft, Map.of("a", text("x"))));
    }

    @Test
    void aSigningFieldKeepsItsExactRoom() {
        byte[] merged =
                merge(new WordDraft().paragraph("Signed {{lender.signature}}").header("{{lender.initials}}"), Map.of());
        // 60 mm by 16 mm in English Metric Units, 36,000 to the millimetre (ISO/IEC 29500-1 §20.1.2.1)
        assertThat(DocxText.xml(merged, "word/document.xml")).contains("<wp:extent cx=\"2160000\" cy=\"576000\"/>");
        assertThat(DocxText.xml(merged, "word/_rels/header1.xml.rels")).contains("https://field.invalid/");
    }

    @Test
    void theOutlineShowsEveryPassageWhateverItsCondition() {
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft()
                        .paragraph(
                                "{{#abroad}}out{{/abroad}} {{^abroad}}in{{/abroad}} {{#by.sea}}sea {{port}}{{/by.sea}}")
                        .bytes()),
                Set.of());
        assertThat(DocxText.body(wording.outline(Map.of("port", text("[Port]")), Locale.UK)
                        .file()))
                .isEqualTo("\u2039out\u203a \u2039in\u203a \u2039sea [Port]\u203a");
        assertThat(wording.passages()).extracting(Passage::begins).containsExactly("out", "in", "sea");
        assertThat(wording.merge(Map.of("abroad", new Value.YesNo(true)), Locale.UK, file -> new byte[0])
                        .reached())
                .isEqualTo(BitSet.valueOf(new long[] {1}));
    }
}
