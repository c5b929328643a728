package org.jalousie.core.data;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.Phonenumber;
import java.util.Optional;

/** A telephone number that can be reached from anywhere (ITU-T E.164). */
public final class PhoneNumber {
    private static final PhoneNumberUtil NUMBERS = PhoneNumberUtil.getInstance();

    private PhoneNumber() {}

    /**
     * The number as networks take it, a plus and digits; empty for what has no country's code before it, or not as many digits as
     * that country's numbers have. Which country is meant is never guessed.
     */
    public static Optional<String> international(String text) {
        if (!text.strip().startsWith("+")) return Optional.empty();
        try {
            Phonenumber.PhoneNumber number = NUMBERS.parse(text, null);
            // not isValidNumber: new ranges are in use before the library knows of them
            return NUMBERS.isPossibleNumber(number) && !number.hasExtension()
                    ? Optional.of(NUMBERS.format(number, PhoneNumberUtil.PhoneNumberFormat.E164))
                    : Optional.empty();
        } catch (NumberParseException e) {
            return Optional.empty();
        }
    }
}
