package org.jalousie.core.data;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.util.Locale;

/** A value as a text whose order, letter by letter, is the order of the values. So a database sorts and compares any of them by one index. */
public final class SortKey {
    private static final int LONGEST = 120;
    private static final int DIGITS = 42;

    private SortKey() {}

    public static String of(Value value) {
        if (value instanceof Value.Amount amount) return number(amount.number());
        if (value instanceof Value.Money money)
            return number(money.amount()) + " " + money.currency().getCurrencyCode();
        if (value instanceof Value.Moment moment)
            return moment.time().toInstant().toString();
        if (value instanceof Value.PersonName name) return text(name.family() + " " + name.given());
        return text(value.raw());
    }

    /** Letters as they are looked for: without marks and capitals. */
    public static String text(String text) {
        String folded = folded(text.strip());
        return folded.length() > LONGEST ? folded.substring(0, LONGEST) : folded;
    }

    /** A text without marks and capitals. */
    public static String folded(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{Mn}+", "")
                .toLowerCase(Locale.ROOT);
    }

    /** Negative numbers come first, and the greater of two is the less there. */
    private static String number(BigDecimal number) {
        String plain = number.abs().stripTrailingZeros().toPlainString();
        int point = plain.indexOf('.') < 0 ? plain.length() : plain.indexOf('.');
        String padded = "0".repeat(Math.max(0, DIGITS - point)) + plain;
        if (number.signum() >= 0) return "1" + padded;
        StringBuilder turned = new StringBuilder("0");
        for (char digit : padded.toCharArray())
            turned.append(Character.isDigit(digit) ? (char) ('9' - digit + '0') : digit);
        // what has more decimals comes before what has fewer
        return turned.append('~').toString();
    }

    /** What a unique column has only once: capitals make no difference. */
    public static String taken(Value value) {
        String raw =
                Normalizer.normalize(value.raw().strip(), Normalizer.Form.NFC).toLowerCase(Locale.ROOT);
        return value instanceof Value.Amount amount
                ? amount.number().stripTrailingZeros().toPlainString()
                : raw;
    }
}
