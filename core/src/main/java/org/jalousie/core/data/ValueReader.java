package org.jalousie.core.data;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.net.URI;
import java.net.URISyntaxException;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.messages.Message;

/** Reads what was typed or sent for a field, and says in a sentence what is wrong with it. */
public final class ValueReader {
    /** Longest accepted text, in characters. */
    public static final int LONGEST_TEXT = 20_000;

    private static final int LONGEST_MONEY = 60;

    /** Most items in one list. */
    public static final int MOST_ITEMS = 10_000;

    // RFC 5321 §4.5.3.1.3, with the erratum 1690
    private static final int LONGEST_MAIL = 254;

    private static final Pattern MONEY = Pattern.compile("([A-Za-z]{3})[\\s\\u00a0\\u202f]*([^A-Za-z]+)");
    private static final Pattern MONEY_BEHIND = Pattern.compile("([^A-Za-z]+?)[\\s\\u00a0\\u202f]*([A-Za-z]{3})");
    // HTML Living Standard, "valid email address", narrowed to domains that have a dot
    private static final Pattern MAIL =
            Pattern.compile("[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]+@[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?"
                    + "(?:\\.[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?)+");

    private static final Pattern MOMENT =
            Pattern.compile("(\\d{4}-\\d\\d-\\d\\d[T ]\\d\\d:\\d\\d(?::\\d\\d)?)\\s+([A-Za-z0-9_+/:-]+)");
    private static final Pattern PHONE = Pattern.compile("\\+?[0-9 ()./-]+");
    private static final Pattern FILE = Pattern.compile("[0-9a-f]{64}");

    private ValueReader() {}

    /** What is wrong within an item. @param place such as {@code [0].value}: which item, from 0, and which of its fields */
    public record ItemFault(String place, Message said) {}

    /** What was wrong with one input; the message is for the person at the form. */
    public static final class Unreadable extends Exception {
        private final transient Message said;
        private final transient List<ItemFault> items;

        public Unreadable(Message said) {
            this(said, List.of());
        }

        Unreadable(Message said, List<ItemFault> items) {
            this.said = said;
            this.items = List.copyOf(items);
        }

        /** What was wrong within items, each at its place; nothing for what is no list. */
        public List<ItemFault> items() {
            return items;
        }

        /** What was wrong, in no language yet. */
        public Message said() {
            return said;
        }

        @Override
        public String getMessage() {
            return said.toString();
        }
    }

    /**
     * Reads one input. White space around it is dropped.
     *
     * @return empty for an empty input, whether or not the field is required
     * @throws Unreadable with a sentence that says what is expected
     */
    public static Optional<Value> read(Field field, String input) throws Unreadable {
        return read(field, input, Typing.PLAIN);
    }

    /**
     * Reads one input whose numbers are typed in a language.
     *
     * @see #read(Field, String)
     */
    public static Optional<Value> read(Field field, String input, Typing typing) throws Unreadable {
        return read(field, input, typing, false);
    }

    /** @param stored whether it was read before, so that it is taken by what held then */
    static Optional<Value> read(Field field, String input, Typing typing, boolean stored) throws Unreadable {
        String text = input == null ? "" : input.strip();
        if (text.isEmpty()) return Optional.empty();
        refuseUnprintable(text);
        if (text.length() > LONGEST_TEXT && field.type() != FieldType.ITEMS) {
            throw new Unreadable(Message.of("value.too-long", "most", LONGEST_TEXT, "count", text.length()));
        }
        return Optional.of(
                switch (field.type()) {
                    case TEXT -> new Value.Text(Texts.oneLine(text));
                    case LONG_TEXT -> new Value.Text(text.replaceAll("\\R", "\n"));
                    case NUMBER -> new Value.Amount(typing.number(text));
                    case MONEY -> money(text, typing);
                    case DATE -> new Value.Day(date(text));
                    case YES_NO -> new Value.YesNo(yesNo(text));
                    case CHOICE -> new Value.Text(choice(field, text));
                    case MAIL_ADDRESS -> new Value.Text(mail(text));
                    case RICH_TEXT -> rich(text);
                    case DATE_TIME -> moment(text);
                    case WEB_ADDRESS -> new Value.Text(webAddress(text));
                    case PHONE -> new Value.Text(phone(text));
                    case NAME -> PeopleReader.name(text);
                    case ADDRESS -> PeopleReader.address(text, stored);
                    case PICTURE -> picture(text);
                    case FILE -> file(text);
                    case ITEMS -> ItemsReader.items(field, text, typing, stored);
                });
    }

    /**
     * Reads a value that was stored by {@link Value#raw()}; anything unreadable is taken as it stands. Specimens of earlier
     * versions may have numbers with commas between their groups.
     */
    public static Optional<Value> stored(Field field, String raw) {
        for (Typing typing : List.of(Typing.PLAIN, Typing.in(Locale.UK))) {
            try {
                return read(field, raw, typing, true);
            } catch (Unreadable e) {
                // the next way, or as it stands
            }
        }
        return Optional.of(new Value.Text(raw));
    }

    // XML 1.0 (fifth edition) §2.2: these characters cannot stand in a document at all
    private static void refuseUnprintable(String text) throws Unreadable {
        int bad = firstUnprintable(text);
        if (bad >= 0) {
            throw new Unreadable(
                    Message.of("value.character", "place", bad + 1, "code", "%04X".formatted((int) text.charAt(bad))));
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

    private static Value money(String text, Typing typing) throws Unreadable {
        if (text.length() > LONGEST_MONEY) throw new Unreadable(Message.of("value.money", "example", typing.money()));
        Matcher before = MONEY.matcher(text);
        Matcher behind = MONEY_BEHIND.matcher(text);
        boolean first = before.matches();
        if (!first && !behind.matches()) {
            throw new Unreadable(Message.of("value.money", "example", typing.money()));
        }
        String code = (first ? before.group(1) : behind.group(2)).toUpperCase(Locale.ROOT);
        String number = (first ? before.group(2) : behind.group(1)).strip();
        Currency currency;
        try {
            currency = Currency.getInstance(code);
        } catch (IllegalArgumentException e) {
            throw new Unreadable(Message.of("value.currency", "code", code));
        }
        BigDecimal amount = typing.number(number);
        int digits = Math.max(currency.getDefaultFractionDigits(), 0);
        try {
            return new Value.Money(currency, amount.setScale(digits, RoundingMode.UNNECESSARY));
        } catch (ArithmeticException e) {
            throw new Unreadable(Message.of(
                    "value.decimals", "currency", currency.getCurrencyCode(), "digits", digits, "number", number));
        }
    }

    private static LocalDate date(String text) throws Unreadable {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw new Unreadable(Message.of("value.date"));
        }
    }

    private static Value moment(String text) throws Unreadable {
        Matcher matcher = MOMENT.matcher(text);
        try {
            if (matcher.matches()) {
                LocalDateTime time = LocalDateTime.parse(matcher.group(1).replace(' ', 'T'));
                return new Value.Moment(time.atZone(ZoneId.of(matcher.group(2))));
            }
        } catch (DateTimeException e) {
            // said below
        }
        throw new Unreadable(Message.of("value.moment"));
    }

    private static String webAddress(String text) throws Unreadable {
        try {
            URI address = new URI(text);
            if (List.of("http", "https").contains(String.valueOf(address.getScheme())) && address.getHost() != null)
                return text;
        } catch (URISyntaxException e) {
            // said below
        }
        throw new Unreadable(Message.of("value.web-address"));
    }

    // ITU-T E.123: digits, spaces and a leading plus; brackets and hyphens are usual in national notation
    private static String phone(String text) throws Unreadable {
        long digits = text.chars().filter(Character::isDigit).count();
        if (!PHONE.matcher(text).matches() || digits < 5 || digits > 15)
            throw new Unreadable(Message.of("value.phone"));
        return text;
    }

    private static Value rich(String text) throws Unreadable {
        if (RichText.tooDeep(text)) throw new Unreadable(Message.of("value.nested"));
        return new Value.Rich(RichText.sanitised(text));
    }

    private static Value picture(String text) throws Unreadable {
        if (!FILE.matcher(text).matches()) throw new Unreadable(Message.of("value.picture"));
        return new Value.Picture(text);
    }

    private static Value file(String text) throws Unreadable {
        return AttachedFile.read(text)
                .map(Value.Attached::new)
                .orElseThrow(() -> new Unreadable(Message.of("value.file")));
    }

    private static boolean yesNo(String text) throws Unreadable {
        return switch (text.toLowerCase(Locale.ROOT)) {
            case "yes", "true" -> true;
            case "no", "false" -> false;
            default -> throw new Unreadable(Message.of("value.yes-no"));
        };
    }

    private static String choice(Field field, String text) throws Unreadable {
        if (field.ownAnswer()) return Texts.oneLine(text);
        if (!field.choices().contains(text)) {
            throw new Unreadable(Message.of("value.choice", "choices", String.join(", ", field.choices())));
        }
        return text;
    }

    /** Whether the text is one mail address, and nothing else. */
    public static boolean isMail(String text) {
        return text.length() <= LONGEST_MAIL && MAIL.matcher(text).matches();
    }

    /** @throws Unreadable unless the text is one mail address */
    public static String mail(String text) throws Unreadable {
        if (!isMail(text)) throw new Unreadable(Message.of("value.mail"));
        return text;
    }
}
