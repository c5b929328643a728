package org.jalousie.server.signing;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Optional;
import org.jalousie.core.data.Sha256;

/** The secret of a participant's link: 256 random bits. It is stored nowhere but as a hash, and never printed by accident. */
record LinkToken(String value) {
    /** A new secret. */
    static LinkToken random(SecureRandom random) {
        byte[] secret = new byte[32];
        random.nextBytes(secret);
        return new LinkToken(Base64.getUrlEncoder().withoutPadding().encodeToString(secret));
    }

    /** What stands in an address; empty when it can be no secret of ours. */
    static Optional<LinkToken> read(String text) {
        return text.matches("[A-Za-z0-9_-]{43}") ? Optional.of(new LinkToken(text)) : Optional.empty();
    }

    /** By what it is kept. */
    Sha256 hash() {
        return Sha256.of(value.getBytes(StandardCharsets.US_ASCII));
    }

    @Override
    public String toString() {
        return "a link's secret";
    }
}
