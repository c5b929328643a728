package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.wording.AwkwardFiles.control;
import static org.jalousie.core.wording.AwkwardFiles.field;
import static org.jalousie.core.wording.AwkwardFiles.p;
import static org.jalousie.core.wording.AwkwardFiles.t;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleFault;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.wording.edit.TagEdit;
import org.jalousie.core.wording.edit.WordingEdit;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

/** A field gets another name wherever the file speaks of it, all at once. */
class RenamingInTheFileTest {
    private static WordingEdit.Edited renamed(byte[] file, Map<String, String> names) {
        return TagEdit.rename(WordFile.open(file), names);
    }

    @Test
    void namesThatChangePlacesAreChangedOnce() {
        WordingEdit.Edited edited = renamed(
                new WordDraft().paragraph("{{a}} {{# b }}{{c.upper}}{{/b}}").bytes(),
                Map.of("a", "b", "b", "c", "c", "a"));
        assertThat(DocxText.body(edited.file().bytes())).isEqualTo("{{b}} {{# c }}{{a.upper}}{{/c}}");
        assertThat(edited.places()).isEqualTo(4);
    }

    @Test
    void mergeFieldsControlsTooltipsAndPropertiesFollow() {
        byte[] file = new WordDraft()
                .fileTitle("Loan by {{lender}}")
                .raw(p(field("MERGEFIELD lender \\* Upper", "x"))
                        + p(control("<w:tag w:val=\"lender\"/><w:showingPlcHdr/>", t("Click")))
                        + p("<w:hyperlink w:anchor=\"q\" w:tooltip=\"of {{lender.upper}} and {{lenders}}\">" + t("a")
                                + "</w:hyperlink>"))
                .bytes();
        WordingEdit.Edited edited = renamed(file, Map.of("lender", "giver"));
        String xml = DocxText.xml(edited.file().bytes(), "word/document.xml");
        assertThat(xml)
                .contains("MERGEFIELD giver \\* Upper", "w:val=\"giver\"", "of {{giver.upper}} and {{lenders}}")
                .doesNotContain("\"lender\"");
        assertThat(DocxText.xml(edited.file().bytes(), "docProps/core.xml")).contains("{{giver}}");
        assertThat(Wording.compile(edited.file(), Set.of()).found().fields())
                .contains("giver")
                .doesNotContain("lender");
    }

    @Test
    void oneFindingInThreeHeadersIsOne() {
        byte[] file = new WordDraft()
                .header("{{ghost.gown}}")
                .footer("{{ghost.gown}}")
                .paragraph("{{ghost.gown}}")
                .bytes();
        assertThat(Wording.compile(WordFile.open(file), Set.of()).diagnostics())
                .extracting(Diagnostic::code)
                .containsExactly("party-unknown");
    }

    @Test
    void aNumberWithACommaIsNoExpression() {
        List<Field> fields = List.of(new Field(new FieldName("fee"), FieldType.MONEY, "Fee", true, "", List.of()));
        assertThat(RuleSet.compile(fields, List.of(Rule.condition("r", "fee > 12,50")), List.of())
                        .faults())
                .extracting(RuleFault::code)
                .contains("rule-syntax");
    }
}
