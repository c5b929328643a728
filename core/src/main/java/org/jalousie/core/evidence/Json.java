package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HexFormat;
import org.erdtman.jcs.JsonCanonicalizer;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON for what is kept as evidence: written canonically (RFC 8785), so that its hash can be recomputed by anybody. */
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

    /** SHA-256 in lower-case hexadecimal. */
    public static String sha256(byte[] bytes) {
        try {
            return HexFormat.of()
                    .formatHex(
                            java.security.MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (java.security.NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }
}
