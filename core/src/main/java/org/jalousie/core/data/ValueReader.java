package org.jalousie.core.data;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Currency;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads what was typed or sent for a field, and says in a sentence what is wrong with it. */
public final class ValueReader {
    /** Longest accepted text, in characters. */
    public static final int LONGEST_TEXT = 20_000;

    private static final Pattern MONEY = Pattern.compile("([A-Z]{3})\\s*([-+]?[0-9][0-9,]*(?:\\.[0-9]+)?)");
    private static final Pattern NUMBER = Pattern.compile("[-+]?[0-9][0-9,]*(?:\\.[0-9]+)?");
    // HTML Living Standard, "valid email address", narrowed to domains that have a dot
    private static final Pattern MAIL =
            Pattern.compile("[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]+@[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?"
                    + "(?:\\.[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?)+");

    private ValueReader() {}

    /** What was wrong with one input; the message is for the person at the form. */
    public static final class Unreadable extends Exception {
        public Unreadable(String message) {
            super(message);
        }
    }

    /**
     * Reads one input. White space around it is dropped.
     *
     * @return empty for an empty input, whether or not the field is required
     * @throws Unreadable with a sentence that says what is expected
     */
    public static Optional<Value> read(Field field, String input) throws Unreadable {
        String text = input == null ? "" : input.strip();
        if (text.isEmpty()) return Optional.empty();
        refuseUnprintable(text);
        if (text.length() > LONGEST_TEXT) {
            throw new Unreadable(
                    "At most %,d characters fit here; this has %,d.".formatted(LONGEST_TEXT, text.length()));
        }
        return Optional.of(
                switch (field.type()) {
                    case TEXT -> new Value.Text(text.replaceAll("\\s*\\R\\s*", " "));
                    case LONG_TEXT -> new Value.Text(text.replaceAll("\\R", "\n"));
                    case NUMBER -> new Value.Amount(number(text));
                    case MONEY -> money(text);
                    case DATE -> new Value.Day(date(text));
                    case YES_NO -> new Value.YesNo(yesNo(text));
                    case CHOICE -> new Value.Text(choice(field, text));
                    case MAIL_ADDRESS -> new Value.Text(mail(text));
                });
    }

    /** Reads a value that was stored by {@link Value#raw()}; anything unreadable is taken as it stands. */
    public static Optional<Value> stored(Field field, String raw) {
        try {
            return read(field, raw);
        } catch (Unreadable e) {
            return Optional.of(new Value.Text(raw));
        }
    }

    // XML 1.0 (fifth edition) §2.2: these characters cannot stand in a document at all
    private static void refuseUnprintable(String text) throws Unreadable {
        int bad = firstUnprintable(text);
        if (bad >= 0) {
            throw new Unreadable("Character %d can't be printed (code U+%04X). Remove it and try again."
                    .formatted(bad + 1, (int) text.charAt(bad)));
        }
    }

    /** Index of the first character that XML 1.0 §2.2 does not allow, or -1. */
    public static int firstUnprintable(String text) {
        for (int i = 0; i < text.length(); ) {
            int c = text.codePointAt(i);
            boolean allowed = c == 0x9
                    || c == 0xA
                    || c == 0xD
                    || c >= 0x20 && c <= 0xD7FF
                    || c >= 0xE000 && c <= 0xFFFD
                    || c >= 0x10000;
            if (!allowed) return i;
            i += Character.charCount(c);
        }
        return -1;
    }

    private static BigDecimal number(String text) throws Unreadable {
        if (!NUMBER.matcher(text).matches()) {
            throw new Unreadable("A number is expected, for example 1250 or 12.5.");
        }
        return new BigDecimal(text.replace(",", ""));
    }

    private static Value money(String text) throws Unreadable {
        Matcher matcher = MONEY.matcher(text.toUpperCase(Locale.ROOT));
        if (!matcher.matches()) {
            throw new Unreadable("Money is expected with its currency code, for example EUR 12500.00.");
        }
        Currency currency;
        try {
            currency = Currency.getInstance(matcher.group(1));
        } catch (IllegalArgumentException e) {
            throw new Unreadable(matcher.group(1) + " is not an ISO 4217 currency code; EUR, GBP or USD are.");
        }
        BigDecimal amount = new BigDecimal(matcher.group(2).replace(",", ""));
        int digits = Math.max(currency.getDefaultFractionDigits(), 0);
        try {
            return new Value.Money(currency, amount.setScale(digits, RoundingMode.UNNECESSARY));
        } catch (ArithmeticException e) {
            throw new Unreadable("%s has %d decimal places; %s has more."
                    .formatted(currency.getCurrencyCode(), digits, matcher.group(2)));
        }
    }

    private static LocalDate date(String text) throws Unreadable {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw new Unreadable("A date is expected as year-month-day, for example 2027-03-15.");
        }
    }

    private static boolean yesNo(String text) throws Unreadable {
        return switch (text.toLowerCase(Locale.ROOT)) {
            case "yes", "true" -> true;
            case "no", "false" -> false;
            default -> throw new Unreadable("Answer yes or no.");
        };
    }

    private static String choice(Field field, String text) throws Unreadable {
        if (!field.choices().contains(text)) {
            throw new Unreadable("Choose one of: " + String.join(", ", field.choices()) + ".");
        }
        return text;
    }

    /** @throws Unreadable unless the text is one mail address */
    public static String mail(String text) throws Unreadable {
        if (!MAIL.matcher(text).matches() || text.length() > 254) {
            throw new Unreadable("A mail address is expected, for example ida.marsh@example.org.");
        }
        return text;
    }
}
