package org.jalousie.core.tables;

import java.math.BigDecimal;
import org.jalousie.core.json.Json;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.cfg.JsonNodeFeature;
import tools.jackson.databind.json.JsonMapper;

/** What stands in JSON, as cells of a table. */
public final class JsonCells {
    /** Numbers keep the digits that they are written with. */
    public static final JsonMapper EXACT = Json.MAPPER
            .rebuild()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .disable(JsonNodeFeature.STRIP_TRAILING_BIGDECIMAL_ZEROES)
            .build();

    private static final int MOST_DIGITS = 300;

    private JsonCells() {}

    /** @param value null for one that isn't there */
    public static Cell of(JsonNode value) {
        if (value == null || value.isNull() || value.isMissingNode()) return Cell.EMPTY;
        if (value.isString()) return Cell.typed(value.stringValue());
        if (value.isBoolean()) return Cell.known(value.booleanValue() ? "yes" : "no");
        if (value.isNumber()) return number(value.decimalValue());
        return Cell.known(value.toString());
    }

    private static Cell number(BigDecimal number) {
        // a few letters may stand for a thousand million digits
        if (Math.abs(number.scale()) > MOST_DIGITS) return Cell.failed(number.toString());
        return Cell.known(number.toPlainString());
    }
}
