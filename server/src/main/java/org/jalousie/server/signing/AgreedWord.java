package org.jalousie.server.signing;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Locale;
import org.jalousie.core.data.Sha256;

/** A word as it is compared: how it is written in capitals, spaced or composed makes no difference, since it was told by word of mouth. */
record AgreedWord(String plain) {
    static final int LEAST = 6;
    static final int MOST = 60;

    static AgreedWord of(String typed) {
        return new AgreedWord(Normalizer.normalize(typed, Normalizer.Form.NFKC)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{M}\\p{N}]", ""));
    }

    /** What its slow hash is made of: such hashes look at the first 72 bytes only, and refuse more. */
    String digest() {
        return Sha256.of(plain.getBytes(StandardCharsets.UTF_8)).hex();
    }

    boolean isTooShort() {
        return plain.codePointCount(0, plain.length()) < LEAST;
    }

    boolean isTooLong() {
        return plain.codePointCount(0, plain.length()) > MOST;
    }

    @Override
    public String toString() {
        return "an agreed word";
    }
}
