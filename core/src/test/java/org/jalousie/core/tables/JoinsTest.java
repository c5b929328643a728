package org.jalousie.core.tables;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.junit.jupiter.api.Test;

class JoinsTest {
    private static final CellReader READER = new CellReader(
            new TableStyle(
                    TableStyle.Format.CSV,
                    "UTF-8",
                    ",",
                    "",
                    1,
                    false,
                    TableStyle.DateOrder.DAY_FIRST,
                    TableStyle.NumberMarks.COMMA),
            ZoneId.of("UTC"));

    private static Field field(String name, String label, FieldType type) {
        return new Field(new FieldName(name), type, label, false, "", List.of());
    }

    private static List<Cell> row(String... cells) {
        return Arrays.stream(cells).map(Cell::typed).toList();
    }

    private static List<String> proposed(
            List<String> heads, List<Field> fields, Map<String, FieldName> before, List<List<Cell>> rows) {
        return Joins.proposed(heads, fields, before, rows, READER).stream()
                .map(FieldName::value)
                .toList();
    }

    @Test
    void columnsAreJoinedByLabelOrNameWhateverStandsBetweenTheLetters() {
        List<Field> fields = List.of(
                field("lender_name", "Lender’s name", FieldType.TEXT), field("start_date", "Begins", FieldType.DATE));

        assertThat(proposed(List.of("LENDERS NAME", "start-date", "Other"), fields, Map.of(), List.of()))
                .containsExactly("lender_name", "start_date", "");
    }

    @Test
    void aFieldIsGivenToOneColumnOnly() {
        List<Field> fields = List.of(field("name", "Name", FieldType.TEXT));

        assertThat(proposed(List.of("Name", "name"), fields, Map.of(), List.of()))
                .containsExactly("name", "");
    }

    @Test
    void whatColumnsWereTheLastTimeComesFirstAlsoThatOneWasNothing() {
        List<Field> fields = List.of(field("name", "Name", FieldType.TEXT), field("town", "Town", FieldType.TEXT));
        Map<String, FieldName> before = Map.of("Town", new FieldName("name"), "Name", new FieldName(""));

        assertThat(proposed(List.of("Name", "Town"), fields, before, List.of())).containsExactly("", "name");
    }

    @Test
    void oneColumnOfMailAddressesIsTheOneFieldForThem() {
        List<Field> fields =
                List.of(field("contact", "Contact", FieldType.MAIL_ADDRESS), field("begins", "Begins", FieldType.DATE));
        List<List<Cell>> rows = List.of(
                row("Ida", "ida@people.example.org", "3.4.2027"), row("Pim", "pim@people.example.org", "31.12.2027"));

        assertThat(proposed(List.of("Wie", "Post", "Ab"), fields, Map.of(), rows))
                .containsExactly("", "contact", "begins");
    }

    @Test
    void whereTwoColumnsLookAlikeNoneIsChosen() {
        List<Field> fields = List.of(field("begins", "Begins", FieldType.DATE));
        List<List<Cell>> rows = List.of(row("3.4.2027", "5.6.2027"));

        assertThat(proposed(List.of("Von", "Bis"), fields, Map.of(), rows)).containsExactly("", "");
    }
}
