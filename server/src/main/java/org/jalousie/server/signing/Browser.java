package org.jalousie.server.signing;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Optional;
import org.jalousie.core.data.Sha256;

/** A secret that one browser keeps for us, by which it is known again. It is stored nowhere but as a hash. */
record Browser(String secret) {
    /** A browser that comes for the first time. */
    static Browser unknown(SecureRandom random) {
        byte[] secret = new byte[32];
        random.nextBytes(secret);
        return new Browser(Base64.getUrlEncoder().withoutPadding().encodeToString(secret));
    }

    /** What a browser brings; empty when it can be no secret of ours. */
    static Optional<Browser> read(String text) {
        return text.matches("[A-Za-z0-9_-]{43}") ? Optional.of(new Browser(text)) : Optional.empty();
    }

    String hash() {
        return Sha256.of(secret.getBytes(StandardCharsets.US_ASCII)).hex();
    }

    @Override
    public String toString() {
        return "a browser's secret";
    }
}
