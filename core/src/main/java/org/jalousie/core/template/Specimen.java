package org.jalousie.core.template;

import java.util.Map;
import org.jalousie.core.data.FieldName;

/**
 * A named set of test data that is kept with a template.
 *
 * @param origin how it came about
 * @param data raw values by field name, as a request has them
 */
public record Specimen(String name, Origin origin, Map<FieldName, String> data) {
    /** How a specimen came about. */
    public enum Origin {
        TYPED,
        FROM_REQUEST,
        DRAWN_UP,
        SHORTEST,
        LONGEST
    }

    public Specimen {
        data = Map.copyOf(data);
    }
}
