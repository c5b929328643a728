package org.jalousie.core.registers;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.junit.jupiter.api.Test;

class RegisterTermsTest {
    private static RegisterColumn column(String name, FieldType type, String related) {
        return new RegisterColumn(
                new Field(new FieldName(name), type, "Label of " + name, false, "", List.of()), false, related);
    }

    private static RegisterTerms terms(String key, RegisterColumn... columns) {
        return new RegisterTerms("Lenders", List.of(columns), new FieldName(key), List.of());
    }

    @Test
    void theKeyIsRequiredAndThereOnceWhateverItsColumnSays() {
        RegisterTerms terms = terms("code", column("code", FieldType.TEXT, ""), column("town", FieldType.TEXT, ""));

        assertThat(terms.faults()).isEmpty();
        assertThat(terms.fields()).extracting(Field::required).containsExactly(true, false);
        assertThat(terms.isUnique(new FieldName("code"))).isTrue();
        assertThat(terms.isUnique(new FieldName("town"))).isFalse();
    }

    @Test
    void aRowIsCalledByItsKeyWhereNothingElseIsChosenOrLeft() {
        RegisterTerms gone = new RegisterTerms(
                "Lenders",
                List.of(column("code", FieldType.TEXT, "")),
                new FieldName("code"),
                List.of(new FieldName("gone")));

        assertThat(gone.naming()).containsExactly(new FieldName("code"));
    }

    @Test
    void eachFaultIsToldAtItsPlace() {
        assertThat(terms("code", column("code", FieldType.PICTURE, "")).faults())
                .containsOnlyKeys("key");
        assertThat(terms("other", column("code", FieldType.TEXT, "")).faults()).containsOnlyKeys("key");
        assertThat(terms("code", column("code", FieldType.TEXT, "lenders")).faults())
                .containsOnlyKeys("key");
        assertThat(terms("code").faults()).containsOnlyKeys("columns");
        assertThat(terms("code", column("code", FieldType.TEXT, ""), column("code", FieldType.TEXT, ""))
                        .faults())
                .containsOnlyKeys("columns[1].name");
        assertThat(terms("code", column("code", FieldType.TEXT, ""), column("a b", FieldType.TEXT, ""))
                        .faults())
                .hasSize(1);
        assertThat(terms("code", column("code", FieldType.TEXT, ""), column("kind", FieldType.CHOICE, ""))
                        .faults())
                .hasSize(1);
        assertThat(terms("code", column("code", FieldType.TEXT, ""), column("of", FieldType.DATE, "lenders"))
                        .faults())
                .hasSize(1);
        List<RegisterColumn> many = new ArrayList<>();
        for (int i = 0; i <= RegisterTerms.MOST_COLUMNS; i++) many.add(column("c" + i, FieldType.TEXT, ""));
        assertThat(terms("c0", many.toArray(RegisterColumn[]::new)).faults()).containsKey("columns");
    }

    @Test
    void aChangeIsWhatIsAnotherOneInEitherState() {
        FieldName town = new FieldName("town");
        FieldName name = new FieldName("name");

        assertThat(RowChange.between(Map.of(town, "Delft", name, "Ida"), Map.of(name, "Ida Marsh")))
                .containsExactlyInAnyOrder(new RowChange(town, "Delft", ""), new RowChange(name, "Ida", "Ida Marsh"));
        assertThat(RowChange.between(Map.of(town, "Delft"), Map.of(town, "Delft")))
                .isEmpty();
    }
}
