package org.jalousie.server.tables;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.CellReader;
import org.jalousie.core.tables.Joins;
import org.jalousie.core.tables.NotATable;
import org.jalousie.core.tables.Recognised;
import org.jalousie.core.tables.TableFile;
import org.jalousie.core.tables.TableStyle;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.springframework.stereotype.Component;

/** The first look at a table's file: its columns, and what they seem to be. */
@Component
class TableLook {
    private static final int SAMPLE = 200;

    private final Settings settings;

    TableLook(Settings settings) {
        this.settings = settings;
    }

    /** What a first look at a file shows. */
    record Seen(Recognised recognised, List<String> heads, List<FieldName> joins) {}

    /** What columns could be by their names, or were before. */
    List<FieldName> joins(List<String> heads, List<Field> fields, Map<String, FieldName> before) {
        TableStyle plain = new TableStyle(
                TableStyle.Format.JSON,
                "",
                "",
                "",
                1,
                false,
                TableStyle.DateOrder.YEAR_FIRST,
                TableStyle.NumberMarks.POINT);
        return Joins.proposed(
                heads,
                fields,
                before,
                List.of(),
                new CellReader(plain, settings.office().zone()));
    }

    Seen seen(TableFile file, Recognised recognised, List<Field> fields, Map<String, FieldName> before) {
        TableStyle style = recognised.style();
        List<String> heads = file.heads(style);
        if (heads.isEmpty()) throw Refusal.invalid(Message.of("table.no-heads"));
        List<List<Cell>> first = new ArrayList<>();
        try {
            file.rows(style, (number, cells) -> {
                first.add(cells);
                return first.size() < SAMPLE;
            });
        } catch (NotATable e) {
            // the job tells it; here it is seen as far as it can be, so that it can be taken otherwise
        }
        CellReader reader = new CellReader(style, settings.office().zone());
        return new Seen(recognised, heads, Joins.proposed(heads, fields, before, first, reader));
    }
}
