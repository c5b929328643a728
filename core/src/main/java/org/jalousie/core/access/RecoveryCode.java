package org.jalousie.core.access;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jalousie.core.data.Sha256;

/**
 * A code that stands in for a lost second factor, once: twelve letters and digits, of which none looks like another.
 *
 * @param text in groups of four
 */
public record RecoveryCode(String text) {
    /** How many a person has. */
    public static final int MANY = 10;

    private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
    private static final int LENGTH = 12;

    /** A new one. */
    public static RecoveryCode random(SecureRandom random) {
        String letters = IntStream.range(0, LENGTH)
                .mapToObj(i -> "" + LETTERS.charAt(random.nextInt(LETTERS.length())))
                .reduce("", String::concat);
        return new RecoveryCode(grouped(letters));
    }

    /** As somebody typed it: case, spaces and hyphens don't count. Empty for what can be none. */
    public static Optional<RecoveryCode> read(String typed) {
        String letters = typed.toLowerCase(Locale.ROOT).replaceAll("[\\s-]", "");
        return letters.matches("[" + LETTERS + "]{" + LENGTH + "}")
                ? Optional.of(new RecoveryCode(grouped(letters)))
                : Optional.empty();
    }

    private static String grouped(String letters) {
        return letters.replaceAll("(.{4})(?!$)", "$1-");
    }

    /** By what it is kept: it is random, so that a plain hash is enough. */
    public Sha256 hash() {
        return Sha256.of(text.getBytes(StandardCharsets.US_ASCII));
    }
}
