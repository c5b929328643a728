package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.rules.Rule;
import org.junit.jupiter.api.Test;

class ChangedSettingsTest {
    private static Field field(String name, String label) {
        return new Field(new FieldName(name), FieldType.TEXT, label, true, "", List.of());
    }

    private static TemplateContent with(Field... fields) {
        return new TemplateContent("en-GB", List.of(fields), List.of(), List.of(), SendingSettings.USUAL);
    }

    private static String said(TemplateContent before, TemplateContent after) {
        return ChangedSettings.between(before, after).toString();
    }

    @Test
    void oneThingIsNamedByTheLabelThatItHad() {
        assertThat(said(with(field("a", "Lender")), with(field("a", "Who lends"))))
                .isEqualTo("the settings of Lender");
        assertThat(said(with(), with(field("a", "Lender")))).isEqualTo("the settings of Lender");
        assertThat(said(with(field("a", "Lender")), with())).isEqualTo("the settings of Lender");
    }

    @Test
    void severalThingsAreSettings() {
        assertThat(said(with(field("a", "A"), field("b", "B")), with(field("a", "C"), field("b", "D"))))
                .isEqualTo("several settings");
        // the order alone is of no one thing
        assertThat(said(with(field("a", "A"), field("b", "B")), with(field("b", "B"), field("a", "A"))))
                .isEqualTo("several settings");
    }

    @Test
    void specimensAndRulesAreNamed() {
        TemplateContent none = with(field("a", "A"));
        assertThat(said(
                        none,
                        none.withSpecimens(List.of(new Specimen("One", Specimen.Origin.TYPED, java.util.Map.of())))))
                .isEqualTo("the specimens");
        TemplateContent ruled = new TemplateContent(
                "en-GB",
                none.fields(),
                List.of(),
                List.of(),
                SendingSettings.USUAL,
                List.of(new Rule("dear", "It is dear", "", "a = \"x\"", FieldType.YES_NO)),
                List.of(),
                List.of(),
                java.util.Map.of(),
                org.jalousie.core.intake.FormLayout.NONE);
        assertThat(said(none, ruled)).isEqualTo("the settings of It is dear");
    }
}
