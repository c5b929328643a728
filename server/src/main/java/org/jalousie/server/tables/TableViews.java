package org.jalousie.server.tables;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.tables.Recognised;
import org.jalousie.core.tables.TableStyle;

/** Tables that were brought in, as the interface to the outside shows them. */
public final class TableViews {
    private TableViews() {}

    public record TableItem(
            UUID id,
            int number,
            String subject,
            String name,
            BroughtTable.State state,
            String createdBy,
            Instant createdAt,
            long rows) {}

    /** How many rows came to something. */
    public record OutcomeCount(TableUse.Outcome outcome, long count) {}

    /**
     * A second table whose rows go with those of the first.
     *
     * @param heads what its columns are called
     * @param key its column, from 1, whose value says with which row each goes; {@code to} that of the first table
     * @param columns how many columns the first table has
     * @param dates how it writes days, {@code numbers} and numbers; which of them could be read otherwise isn't sure
     */
    public record SecondView(
            String name,
            List<String> heads,
            int key,
            int to,
            int columns,
            TableStyle.DateOrder dates,
            boolean datesSure,
            TableStyle.NumberMarks numbers,
            boolean numbersSure) {
        static SecondView of(SecondTable one) {
            return new SecondView(
                    one.name(),
                    one.heads(),
                    one.key(),
                    one.to(),
                    one.columns(),
                    one.style().dates(),
                    one.datesSure(),
                    one.style().numbers(),
                    one.numbersSure());
        }
    }

    /**
     * @param number by which people know it
     * @param subject what it is for, within its purpose
     * @param heads what its columns are called, those of a second table behind them
     * @param second the table whose rows go with its own; null for none
     * @param fields what columns can be joined to
     * @param done how many rows have been worked through of {@code rows}
     * @param reason why its file can't be read; else empty
     */
    public record TableDetail(
            UUID id,
            int revision,
            int number,
            String name,
            TableUse.Purpose purpose,
            String subject,
            BroughtTable.State state,
            String reason,
            String createdBy,
            Instant createdAt,
            TableSettings settings,
            Recognised recognised,
            List<String> heads,
            @Schema(types = {"object", "null"}) SecondView second,
            List<Field> fields,
            List<OutcomeCount> outcomes,
            long rows,
            long done) {}

    /**
     * @param number in its file; after ten million in that of a second table
     * @param cells texts by column, {@code faults} what is wrong by field, with an empty name what is about no one of them
     * @param instead what is there now, by the fields that would change
     * @param belongsTo the row that it goes with; 0 for none
     */
    public record TableRow(
            int number,
            List<String> cells,
            boolean mended,
            TableUse.Outcome outcome,
            Map<FieldName, String> faults,
            Map<FieldName, String> instead,
            TableUse.Made made,
            int belongsTo) {}
}
