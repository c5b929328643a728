package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.TextCheck;
import org.jalousie.core.placement.TextPlace;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class DiagnosticsTest {
    private static List<Diagnostic> of(String... paragraphs) {
        WordDraft draft = new WordDraft();
        for (String paragraph : paragraphs) draft.paragraph(paragraph);
        return Wording.compile(WordFile.open(draft.bytes()), Set.of()).diagnostics();
    }

    private static List<String> codes(String... paragraphs) {
        return of(paragraphs).stream().map(Diagnostic::code).toList();
    }

    @Test
    void eachTagThatCannotBeReadIsReportedWithItsPlaceAndACure() {
        Diagnostic one = of("We, {{lender name}}, agree.").get(0);
        assertThat(one.code()).isEqualTo("tag-unreadable");
        assertThat(one.place()).isEqualTo("We, {{lender name}}, agree.");
        assertThat(one.part()).isEqualTo("body");
        assertThat(one.cure().toString()).isNotBlank();
    }

    @Test
    void faultsHaveStableCodes() {
        assertThat(codes("{{lender")).containsExactly("tag-unclosed");
        assertThat(codes("lender}}")).containsExactly("tag-stray-end");
        assertThat(codes("{{}}")).containsExactly("tag-unreadable");
        assertThat(codes("{{>clause}}")).containsExactly("clause-unknown");
        assertThat(codes("{{#abroad}} x")).containsExactly("section-unclosed");
        assertThat(codes("x {{/abroad}}")).containsExactly("section-not-open");
        assertThat(codes("{{#a}}{{#b}}x{{/a}}{{/b}}")).contains("section-crossed");
        assertThat(codes("a {{#a}} x", "y {{/a}} z")).containsExactly("section-crosses");
        assertThat(codes("{{=|=}}")).containsExactly("tag-delimiters");
    }

    @Test
    void anUnknownPartyIsReportedUntilItIsDeclared() {
        byte[] file = new WordDraft().paragraph("{{conservator.condition}}").bytes();
        assertThat(Wording.compile(WordFile.open(file), Set.of()).diagnostics())
                .extracting(Diagnostic::code)
                .containsExactly("party-unknown");
        Wording known = Wording.compile(WordFile.open(file), Set.of(new PartyKey("conservator")));
        assertThat(known.diagnostics()).isEmpty();
        assertThat(known.found().signingFields())
                .extracting(field -> field.name())
                .containsExactly("conservator_condition");
    }

    @Test
    void roomIsKeptInTheSizeThatIsSettled() {
        WordFile file = WordFile.open(new WordDraft()
                .paragraph("{{lender.signature}} {{lender.vat_number}}")
                .bytes());
        SigningField wide = new SigningField(
                "lender_vat_number",
                new PartyKey("lender"),
                "VAT number",
                new TextPlace(false, "", new BoxSize(90, 9), TextCheck.ANY, ""));
        Wording wording = Wording.compile(file, Set.of(), Set.of(), List.of(wide), Clauses.NONE);
        assertThat(wording.boxes().values()).contains(wide);
        // 90 mm in English Metric Units (ECMA-376 Part 1, §20.1.2.1)
        String merged = new String(
                WordFile.open(wording.merge(Map.of(), Locale.UK)).parts().get("word/document.xml"),
                StandardCharsets.UTF_8);
        assertThat(merged).contains("cx=\"3240000\"").contains("cx=\"2160000\"");
    }

    @Test
    void aSizeThatIsHalfTypedIsNotTriedOnThePage() {
        WordFile file =
                WordFile.open(new WordDraft().paragraph("{{lender.vat_number}}").bytes());
        for (double width : new double[] {0, -3, 1, 1e300}) {
            SigningField typed = new SigningField(
                    "lender_vat_number",
                    new PartyKey("lender"),
                    "VAT number",
                    new TextPlace(true, "", new BoxSize(width, 6), TextCheck.ANY, ""));
            Wording wording =
                    Wording.compile(file, Set.of(new PartyKey("lender")), Set.of(), List.of(typed), Clauses.NONE);
            assertThat(wording.boxes().values())
                    .extracting(box -> box.type().size())
                    .containsExactly(TextPlace.USUAL.size());
        }
    }

    @Test
    void severalFieldsOfOneKindGetNamesOfTheirOwn() {
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft()
                        .paragraph("{{lender.initials}} {{lender.initials}} {{lender.signature}}")
                        .bytes()),
                Set.of());
        assertThat(wording.found().signingFields())
                .extracting(field -> field.name())
                .containsExactly("lender_initials", "lender_initials_2", "lender_signature");
        assertThat(wording.found().parties()).containsExactly(new PartyKey("lender"));
    }
}
