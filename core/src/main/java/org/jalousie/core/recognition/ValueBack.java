package org.jalousie.core.recognition;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.util.TimeZone;
import com.ibm.icu.util.ULocale;
import java.text.Normalizer;
import java.text.ParsePosition;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Currency;
import java.util.Date;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;

/**
 * Reads back what was printed: every value that the words may mean is printed again, and is certain when the same words come out.
 * Nothing is guessed: what could be two values is none.
 */
final class ValueBack {
    private static final Pattern NUMBER =
            Pattern.compile("[-\\u2212]?\\p{Nd}[\\p{Nd}.,'\\u2019\\u00a0\\u202f ]*\\p{Nd}|[-\\u2212]?\\p{Nd}");
    private static final Field ANY_NUMBER =
            new Field(new FieldName("number"), FieldType.NUMBER, "", false, "", List.of());
    private static final Pattern ISO_DAY = Pattern.compile("\\d{4}-\\d\\d-\\d\\d");
    private static final List<String> USUAL_CURRENCIES =
            List.of("EUR", "USD", "GBP", "CHF", "JPY", "SEK", "NOK", "DKK", "CAD", "AUD", "PLN", "CZK");

    private final Field field;
    private final String print;
    private final Locale language;

    private ValueBack(Field field, String print, Locale language) {
        this.field = field;
        this.print = print;
        this.language = language;
    }

    /** @param raw as it is stored; {@code certain} whether it prints as what stands there */
    record Found(String raw, boolean certain) {}

    /** @param text what stands where the value is printed */
    static Optional<Found> of(Field field, String print, String text, Locale language) {
        return new ValueBack(field, print, language).read(text);
    }

    private Optional<Found> read(String text) {
        Set<String> same = new LinkedHashSet<>();
        Set<String> other = new LinkedHashSet<>();
        for (String raw : meanings(text)) {
            try {
                Optional<Value> value = ValueReader.read(field, raw);
                if (value.isEmpty()) continue;
                boolean prints = Stream.concat(Stream.of(print), ways())
                        .anyMatch(way -> plain(Printer.in(language).print(value.get(), way))
                                .equals(plain(text)));
                (prints ? same : other).add(value.get().raw());
            } catch (ValueReader.Unreadable | IllegalArgumentException e) {
                // it means nothing of this kind
            }
        }
        if (same.size() == 1) return Optional.of(new Found(same.iterator().next(), !losesLetters()));
        if (same.isEmpty() && other.size() == 1)
            return Optional.of(new Found(other.iterator().next(), false));
        return Optional.empty();
    }

    /** Other ways to write the same, which can be taken for nothing else; a short date can. */
    private Stream<String> ways() {
        return switch (field.type()) {
            case MONEY -> Stream.of("", "code");
            case DATE -> Stream.of("long", "full", "iso");
            default -> Stream.of();
        };
    }

    /** Whether different values print as the same words. */
    private boolean losesLetters() {
        return switch (field.type()) {
            case TEXT, LONG_TEXT -> !print.isEmpty();
            case NAME, ADDRESS -> true;
            default -> false;
        };
    }

    private List<String> meanings(String text) {
        return switch (field.type()) {
            case TEXT, LONG_TEXT, MAIL_ADDRESS, WEB_ADDRESS, PHONE, NAME, ADDRESS -> List.of(text);
            case RICH_TEXT -> List.of(escaped(text));
            case NUMBER -> numbers(text);
            case MONEY -> money(text);
            case DATE -> days(text);
            case YES_NO -> List.of("yes", "no");
            case CHOICE -> field.choices();
            case DATE_TIME, PICTURE, FILE, ITEMS -> List.of();
        };
    }

    private static String escaped(String text) {
        return "<p>" + text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;") + "</p>";
    }

    /** Numbers as the template's language writes them. */
    private List<String> numbers(String text) {
        List<String> all = new ArrayList<>();
        Typing typing = Typing.in(language);
        for (Matcher found = NUMBER.matcher(text); found.find(); ) {
            try {
                ValueReader.read(ANY_NUMBER, found.group(), typing).ifPresent(value -> all.add(value.raw()));
            } catch (ValueReader.Unreadable e) {
                // not written as this language does
            }
        }
        return all;
    }

    private List<String> money(String text) {
        Set<String> currencies = new LinkedHashSet<>();
        Matcher code = Pattern.compile("\\b[A-Z]{3}\\b").matcher(text);
        while (code.find()) currencies.add(code.group());
        if (currencies.isEmpty()) {
            for (String usual : USUAL_CURRENCIES) {
                String symbol = com.ibm.icu.util.Currency.getInstance(usual).getSymbol(ULocale.forLocale(language));
                if (text.contains(symbol)) currencies.add(usual);
            }
        }
        List<String> all = new ArrayList<>();
        for (String currency : currencies) {
            if (Currency.getAvailableCurrencies().stream()
                    .anyMatch(known -> known.getCurrencyCode().equals(currency)))
                numbers(text).forEach(number -> all.add(currency + " " + number));
        }
        return all;
    }

    /** Days as the template's language writes them, and as ISO 8601 does. */
    private List<String> days(String text) {
        List<String> all = new ArrayList<>();
        Matcher iso = ISO_DAY.matcher(text);
        while (iso.find()) all.add(iso.group());
        ULocale locale = ULocale.forLocale(language);
        for (int style : new int[] {DateFormat.FULL, DateFormat.LONG, DateFormat.MEDIUM, DateFormat.SHORT}) {
            DateFormat format = DateFormat.getDateInstance(style, locale);
            format.setTimeZone(TimeZone.GMT_ZONE);
            format.setLenient(false);
            ParsePosition at = new ParsePosition(0);
            Date day = format.parse(text.strip(), at);
            if (day != null && at.getIndex() == text.strip().length())
                all.add(day.toInstant().atZone(ZoneOffset.UTC).toLocalDate().toString());
        }
        return all.stream().distinct().toList();
    }

    /** Words without what a word processor or a file changes of them: kinds of blanks, quotes and dashes. */
    private static String plain(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFKC)
                .replaceAll("[\\s\\u00a0\\u202f]+", "")
                .replaceAll("[\\u2018\\u2019]", "'")
                .replaceAll("[\\u2010-\\u2015\\u2212]", "-");
    }
}
