package org.jalousie.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Section;
import org.jalousie.core.intake.FormLayout.Visibility;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;

class FormLayoutTest {
    private static List<Field> fields(String... names) {
        return List.of(names).stream()
                .map(name -> new Field(new FieldName(name), FieldType.TEXT, name, true, "", List.of()))
                .toList();
    }

    private static Question asks(String field) {
        return new Question(new FieldName(field), "", Visibility.SHOWN);
    }

    private static final FormLayout TWO = new FormLayout(List.of(
            new Section("Who", "The lender.", List.of(asks("lender_name"), asks("lender_mail"))),
            new Section(
                    "What", "", List.of(new Question(new FieldName("objects"), "One a line.", Visibility.HIDDEN)))));

    @Test
    void withoutAnArrangementAllFieldsStandInTheirOrderInOneSection() {
        assertThat(FormLayout.NONE.arranged(fields("b", "a")))
                .isEqualTo(new FormLayout(List.of(new Section("", "", List.of(asks("b"), asks("a"))))));
        assertThat(FormLayout.NONE.arranged(List.of()).sections()).hasSize(1);
    }

    @Test
    void aNewFieldComesLastAndOneThatIsGoneLeaves() {
        FormLayout arranged = TWO.arranged(fields("fee", "objects", "lender_name"));
        assertThat(arranged.sections().get(0).questions()).containsExactly(asks("lender_name"));
        assertThat(arranged.sections().get(1).questions())
                .containsExactly(new Question(new FieldName("objects"), "One a line.", Visibility.HIDDEN), asks("fee"));
        assertThat(arranged.arranged(fields("fee", "objects", "lender_name"))).isEqualTo(arranged);
    }

    @Test
    void aFieldIsAskedForOnce() {
        FormLayout twice = new FormLayout(
                List.of(new Section("A", "", List.of(asks("x"), asks("x"))), new Section("B", "", List.of(asks("x")))));
        assertThat(twice.arranged(fields("x")).sections())
                .extracting(section -> section.questions().size())
                .containsExactly(1, 0);
    }

    @Test
    void aRenamedFieldKeepsItsPlaceAndItsHelp() {
        FormLayout renamed = TWO.renamed(name -> name.value().equals("objects") ? new FieldName("instruments") : name);
        assertThat(renamed.sections().get(1).questions())
                .containsExactly(new Question(new FieldName("instruments"), "One a line.", Visibility.HIDDEN));
        assertThat(renamed.shows(new FieldName("instruments"))).isFalse();
        assertThat(renamed.shows(new FieldName("lender_name"))).isTrue();
    }

    @Test
    void whatIsLeftOutInWhatIsStoredIsUsual() {
        FormLayout read = Json.MAPPER.readValue(
                "{\"sections\":[{\"title\":\"A\",\"questions\":[{\"field\":\"x\"}]}]}", FormLayout.class);
        assertThat(read).isEqualTo(new FormLayout(List.of(new Section("A", "", List.of(asks("x"))))));
    }
}
