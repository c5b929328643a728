package org.jalousie.core.json;

import java.io.IOException;
import java.io.UncheckedIOException;
import org.erdtman.jcs.JsonCanonicalizer;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON of what is stored, in one place: what is kept as evidence is written canonically (RFC 8785), so that its hash can be recomputed by anybody. */
public final class Json {
    /** The mapper for stored settings and events. */
    public static final JsonMapper MAPPER = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            // what an earlier version of the program didn't know yet
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    private Json() {}

    public static String canonical(Object value) {
        try {
            return new JsonCanonicalizer(MAPPER.writeValueAsString(value)).getEncodedString();
        } catch (IOException e) {
            throw new UncheckedIOException("not representable as JSON", e);
        }
    }
}
