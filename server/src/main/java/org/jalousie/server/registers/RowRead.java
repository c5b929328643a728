package org.jalousie.server.registers;

import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;

/**
 * A row as it was typed or sent, read.
 *
 * @param values those that could be read; what names a row of a register has its id
 * @param targets the rows that it names, by column
 * @param faults what is wrong, by column
 */
record RowRead(Map<FieldName, Value> values, Map<FieldName, RelatedRow> targets, Map<FieldName, Message> faults) {
    /** A row that another one names. */
    record RelatedRow(UUID id, String label) {}
}
