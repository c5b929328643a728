package org.jalousie.core.intake;

import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.jalousie.core.data.Sha256;

/**
 * What whoever fills a public form has to have done before it is taken: a person takes some time, and their machine some work that
 * costs it a moment and a robot with many forms a lot. It is good for one form, named by its key, and nothing of it is kept.
 *
 * @param key of the form
 * @param issued when the form was opened
 */
public record Errand(UUID key, Instant issued) {
    /** Leading zero bits of the SHA-256 over the errand and the number that was found: about 32,000 tries. */
    public static final int BITS = 15;

    /** Nobody reads a form and answers it in less. */
    public static final Duration LEAST = Duration.ofSeconds(3);

    /** One that is older has to be asked for anew, which the page does by itself. */
    public static final Duration MOST = Duration.ofHours(12);

    private static final Pattern WRITTEN = Pattern.compile("([0-9a-f-]{36})\\.(\\d{1,15})\\.([A-Za-z0-9_-]{43})");
    private static final int LONGEST_FOUND = 20;

    /** What is wrong with an errand. */
    public enum Fault {
        /** It is none of ours, or another form's. */
        NOT_OURS,
        TOO_SOON,
        TOO_OLD,
        /** The number doesn't fit it. */
        NOT_DONE
    }

    /** The errand as the page gets it. @param secret that only the server knows */
    public String written(byte[] secret) {
        String body = key + "." + issued.toEpochMilli();
        return body + "." + seal(body, secret);
    }

    /**
     * Looks at what the page brings back; empty when all is well.
     *
     * @param written as it was given out
     * @param found the number that was looked for
     */
    public static Optional<Fault> fault(String written, String found, UUID key, byte[] secret, Instant now) {
        Matcher parts = WRITTEN.matcher(written);
        if (!parts.matches()) return Optional.of(Fault.NOT_OURS);
        String body = parts.group(1) + "." + parts.group(2);
        boolean ours = MessageDigest.isEqual(ascii(seal(body, secret)), ascii(parts.group(3)))
                && parts.group(1).equals(key.toString());
        if (!ours) return Optional.of(Fault.NOT_OURS);
        Instant issued = Instant.ofEpochMilli(Long.parseLong(parts.group(2)));
        if (now.isBefore(issued.plus(LEAST))) return Optional.of(Fault.TOO_SOON);
        if (now.isAfter(issued.plus(MOST))) return Optional.of(Fault.TOO_OLD);
        return isDone(written, found) ? Optional.empty() : Optional.of(Fault.NOT_DONE);
    }

    /** Whether a number fits an errand. */
    public static boolean isDone(String written, String found) {
        if (found.length() > LONGEST_FOUND) return false;
        String hash = Sha256.of(ascii(written + ":" + found)).hex();
        return new BigInteger(hash, 16).bitLength() <= 256 - BITS;
    }

    /** The first number that fits, as the page looks for it. */
    public static String done(String written) {
        for (long number = 0; ; number++) if (isDone(written, Long.toString(number))) return Long.toString(number);
    }

    /** HMAC-SHA-256 (RFC 2104) of a text, in letters that an address can carry (RFC 4648 §5). */
    public static String seal(String text, byte[] secret) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(secret, "HmacSHA256"));
            return Base64.getUrlEncoder()
                    .withoutPadding()
                    .encodeToString(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException | InvalidKeyException e) {
            throw new IllegalStateException("every Java platform has HMAC-SHA-256", e);
        }
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
