package org.jalousie.server.signing;

import java.security.SecureRandom;
import java.util.Optional;
import org.jalousie.server.store.Secret;

/** A secret that one browser keeps for us, by which it is known again. It is stored nowhere but as a hash. */
record Browser(String secret) {
    /** A browser that comes for the first time. */
    static Browser unknown(SecureRandom random) {
        return new Browser(Secret.random(random));
    }

    /** What a browser brings; empty when it can be no secret of ours. */
    static Optional<Browser> read(String text) {
        return Secret.isOne(text) ? Optional.of(new Browser(text)) : Optional.empty();
    }

    String hash() {
        return Secret.hash(secret).hex();
    }

    @Override
    public String toString() {
        return "a browser's secret";
    }
}
