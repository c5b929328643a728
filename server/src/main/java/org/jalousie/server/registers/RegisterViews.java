package org.jalousie.server.registers;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.core.registers.RowChange;

/** Registers as the interface to the outside shows them. */
public final class RegisterViews {
    private RegisterViews() {}

    /** @param rows how many it has, {@code columns} too */
    public record RegisterItem(String name, String title, long rows, int columns, Instant changedAt) {}

    /**
     * @param revision that a change of its terms is based on
     * @param relations columns of other registers that name rows of this one
     */
    public record RegisterDetail(String name, int revision, RegisterTerms terms, long rows, List<Relation> relations) {}

    /** A column that names rows of another register. @param register that it is in, {@code title} what that is called */
    public record Relation(String register, String title, FieldName column, String label) {}

    /**
     * @param label what it is called where it stands alone
     * @param values as they are stored, for forms; {@code printed} as they are read
     * @param related rows that it names, by column
     * @param gone whether it was taken out
     */
    @Schema(name = "RegisterRow")
    public record RowView(
            UUID id,
            String label,
            Map<FieldName, String> values,
            Map<FieldName, String> printed,
            Map<FieldName, RelatedView> related,
            int revision,
            boolean gone,
            Instant changedAt) {}

    /** @param register the name of the register that it is in */
    public record RelatedView(UUID id, String label, String register) {}

    /** A row among which somebody chooses. @param detail what tells it from others of the same label; may be empty */
    public record RowOption(UUID id, String label, String detail) {}

    /** @param history the newest first, at most fifty */
    public record RowDetail(RegisterDetail register, RowView row, List<RowEntry> history, List<NamedBy> namedBy) {}

    /** Rows of another register that name this one. */
    public record NamedBy(Relation relation, long count) {}

    /** One change of a row. @param by who made it */
    public record RowEntry(Instant at, String by, RowWriting.How how, List<RowChange> changes) {}
}
