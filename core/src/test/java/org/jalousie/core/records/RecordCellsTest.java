package org.jalousie.core.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.CellReader;
import org.jalousie.core.tables.JsonCells;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class RecordCellsTest {
    private static final JsonNode RECORD = JsonCells.EXACT.readTree("""
            {"id": "L-1", "lender": {"name": "Ida Marsh", "post": "ida@lender.example.org"}, "from": "2027-03-15",
             "fee": 12500.50, "insured": true, "parts": [{"what": "a case"}, {"what": "a bow"}]}
            """);

    private static RecordCells.Seen seen() {
        JsonNode objects = JsonCells.EXACT.readTree("[{\"title\": \"viol\", \"value\": 1.10}, {\"title\": \"lute\"}]");
        Map<String, List<JsonNode>> related = new LinkedHashMap<>();
        related.put("objects", rows(objects));
        related.put("parts", rows(RECORD.get("parts")));
        return new RecordCells.Seen(RECORD, related);
    }

    private static List<JsonNode> rows(JsonNode all) {
        return StreamSupport.stream(all.spliterator(), false).toList();
    }

    @Test
    void aRecordIsARowAndWhatGoesWithItIsMore() {
        RecordCells cells = RecordCells.of(RecordTermsTest.terms(), seen());
        assertThat(cells.own())
                .containsEntry(new FieldName("lender_name"), new Cell("Ida Marsh", Cell.Kind.TYPED))
                .containsEntry(new FieldName("kind"), new Cell("loan", Cell.Kind.TYPED));
        assertThat(cells.parts()).hasSize(2);
        RecordCells.Part first = cells.parts().get(0);
        assertThat(first.number()).isEqualTo(2);
        assertThat(first.rows()).isEqualTo("objects");
        assertThat(first.at()).isEqualTo(1);
        // the digits stay as they were written
        assertThat(first.cells()).containsEntry(new FieldName("objects.value"), new Cell("1.10", Cell.Kind.KNOWN));
        assertThat(cells.parts().get(1).cells().get(new FieldName("objects.value")))
                .isEqualTo(Cell.EMPTY);
    }

    private static Field field(String name, FieldType type, String label) {
        return new Field(new FieldName(name), type, label, false, "", List.of());
    }

    @Test
    void whatCouldBeTakenIsProposedByNamesAndByWhatIsThere() {
        List<Field> fields = List.of(
                field("lender_name", FieldType.TEXT, "Who lends"),
                field("lender_mail", FieldType.MAIL_ADDRESS, "Mail"),
                field("start", FieldType.DATE, "From"),
                field("objects", FieldType.ITEMS, "Objects"),
                field("objects.title", FieldType.TEXT, "Objects: what"),
                field("objects.value", FieldType.TEXT, "Objects: value"),
                field("nothing", FieldType.TEXT, "Nothing like it"));
        assertThat(RecordCells.proposed(
                        fields, seen(), new CellReader(RecordTermsTest.terms().style(), ZoneId.of("UTC"))))
                .containsExactlyInAnyOrder(
                        new TakenFrom(new FieldName("lender_name"), "", "/lender/name", ""),
                        new TakenFrom(new FieldName("lender_mail"), "", "/lender/post", ""),
                        new TakenFrom(new FieldName("start"), "", "/from", ""),
                        new TakenFrom(new FieldName("objects.title"), "objects", "/title", ""),
                        new TakenFrom(new FieldName("objects.value"), "objects", "/value", ""));
    }
}
