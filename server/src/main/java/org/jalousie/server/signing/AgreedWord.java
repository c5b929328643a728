package org.jalousie.server.signing;

import java.text.Normalizer;
import java.util.Locale;

/** A word as it is compared: how it is written in capitals, spaced or composed makes no difference, since it was told by word of mouth. */
record AgreedWord(String plain) {
    static final int LEAST = 6;
    static final int MOST = 60;

    static AgreedWord of(String typed) {
        return new AgreedWord(Normalizer.normalize(typed, Normalizer.Form.NFKC)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{M}\\p{N}]", ""));
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
