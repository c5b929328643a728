package org.jalousie.core.agreement;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;
import java.util.Optional;

/** By what people know an agreement, for example {@code A-2026-0042}. */
public record AgreementNumber(@JsonValue String value) {
    /** @throws IllegalArgumentException for nothing but spaces */
    @JsonCreator
    public AgreementNumber {
        if (value == null || value.isBlank()) throw new IllegalArgumentException("no number of an agreement");
    }

    /** The number of an agreement that is made now. @param count of all agreements so far, with this one */
    public static AgreementNumber of(int year, long count) {
        return new AgreementNumber(String.format(Locale.ROOT, "A-%d-%04d", year, count));
    }

    /** What somebody typed or left out. */
    public static Optional<AgreementNumber> read(String text) {
        return text == null || text.isBlank() ? Optional.empty() : Optional.of(new AgreementNumber(text.strip()));
    }

    @Override
    public String toString() {
        return value;
    }
}
