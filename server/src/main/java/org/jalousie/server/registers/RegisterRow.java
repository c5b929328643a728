package org.jalousie.server.registers;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;

/**
 * A row of a register.
 *
 * @param values as they are stored; what names a row of a register has its id
 * @param label what it is called where it stands alone
 * @param gone whether it was taken out
 */
record RegisterRow(
        UUID id,
        UUID register,
        Map<FieldName, String> values,
        String label,
        int revision,
        boolean gone,
        Instant createdAt,
        Instant changedAt) {}
