package org.jalousie.core.data;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * The SHA-256 of a file, which is also its name in the store (FIPS 180-4).
 *
 * @param hex 64 lower-case hexadecimal digits
 */
public record Sha256(@JsonValue String hex) {
    private static final Pattern FORM = Pattern.compile("[0-9a-f]{64}");

    /** @throws IllegalArgumentException for anything else than 64 lower-case hexadecimal digits */
    @JsonCreator
    public Sha256 {
        if (hex == null || !FORM.matcher(hex).matches()) throw new IllegalArgumentException("no SHA-256: " + hex);
    }

    /** Of these bytes. */
    public static Sha256 of(byte[] bytes) {
        try {
            return new Sha256(HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(bytes)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }

    /** What a text from outside names; empty when it can't be a SHA-256. */
    public static Optional<Sha256> read(String text) {
        return text != null && FORM.matcher(text).matches() ? Optional.of(new Sha256(text)) : Optional.empty();
    }

    @Override
    public String toString() {
        return hex;
    }
}
