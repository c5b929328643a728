package org.jalousie.server.store;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.jalousie.core.data.Sha256;

/** 256 random bits in letters that an address and a cookie can carry (RFC 4648 §5). */
public final class Secret {
    private Secret() {}

    /** A new one. */
    public static String random(SecureRandom random) {
        byte[] secret = new byte[32];
        random.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }

    /** Whether a text can be a secret of ours. */
    public static boolean isOne(String text) {
        return text.matches("[A-Za-z0-9_-]{43}");
    }

    /** By what it is kept. */
    public static Sha256 hash(String secret) {
        return Sha256.of(secret.getBytes(StandardCharsets.US_ASCII));
    }
}
