package org.jalousie.server.signing;

import java.security.SecureRandom;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.store.Secret;

/** The secret of a participant's link: 256 random bits. It is stored nowhere but as a hash, and never printed by accident. */
record LinkToken(String value) {
    /** A new secret. */
    static LinkToken random(SecureRandom random) {
        return new LinkToken(Secret.random(random));
    }

    /** What stands in an address; empty when it can be no secret of ours. */
    static Optional<LinkToken> read(String text) {
        return Secret.isOne(text) ? Optional.of(new LinkToken(text)) : Optional.empty();
    }

    /** By what it is kept. */
    Sha256 hash() {
        return Secret.hash(value);
    }

    @Override
    public String toString() {
        return "a link's secret";
    }
}
