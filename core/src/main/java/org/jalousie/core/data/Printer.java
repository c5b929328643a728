package org.jalousie.core.data;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.text.ListFormatter;
import com.ibm.icu.text.PluralRules;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** Prints a value in a language, following Unicode CLDR as ICU carries it. Safe between threads. */
public final class Printer {
    private static final Map<Locale, Printer> BY_LOCALE = new ConcurrentHashMap<>();

    private final Locale locale;
    private final Numbers numbers;
    private final Days days;
    private final People people;
    private final ListFormatter and;
    private final ListFormatter or;
    private final PluralRules plurals;

    private Printer(Locale locale) {
        ULocale language = ULocale.forLocale(locale);
        this.locale = locale;
        this.and = ListFormatter.getInstance(language, ListFormatter.Type.AND, ListFormatter.Width.WIDE);
        this.or = ListFormatter.getInstance(language, ListFormatter.Type.OR, ListFormatter.Width.WIDE);
        this.plurals = PluralRules.forLocale(language);
        this.numbers = new Numbers(language, plurals, and);
        this.days = new Days(language);
        this.people = new People(language);
    }

    /** @param locale the language of the template, must not be null */
    public static Printer in(Locale locale) {
        return BY_LOCALE.computeIfAbsent(locale, Printer::new);
    }

    /**
     * The words that stand in the document. A picture has none.
     *
     * @param print one of the type's {@link FieldType#prints()}, or empty for the usual print
     */
    public String print(Value value, String print) {
        if (value instanceof Value.Day day) return days.day(day.date(), print);
        if (value instanceof Value.Moment moment) return days.moment(moment.time(), print);
        if (value instanceof Value.Money money) return numbers.money(money, print);
        if (value instanceof Value.Amount amount) return numbers.number(amount.number(), print);
        if (value instanceof Value.YesNo yesNo) {
            if (print.equals("tick")) return yesNo.yes() ? "\u2612" : "\u2610";
            return YesNoWords.of(locale, yesNo.yes());
        }
        if (value instanceof Value.PersonName name) return people.name(name, print);
        if (value instanceof Value.Address address) return people.address(address, print);
        if (value instanceof Value.Rich rich) return RichText.plain(rich.html());
        if (value instanceof Value.Picture) return "";
        if (value instanceof Value.Attached attached) return attached.file().name();
        if (value instanceof Value.Items items) return items(items, print);
        String text = value.raw();
        return switch (print) {
            case "upper" -> text.toUpperCase(locale);
            case "lower" -> text.toLowerCase(locale);
            case "*caps" -> UCharacter.toTitleCase(locale, text, null, UCharacter.TITLECASE_NO_LOWERCASE);
            case "*firstcap" ->
                text.isEmpty()
                        ? text
                        : text.substring(0, text.offsetByCodePoints(0, 1)).toUpperCase(locale)
                                + text.substring(text.offsetByCodePoints(0, 1));
            default -> text;
        };
    }

    /** "A, B and C" of each item's first value; or their number. */
    private String items(Value.Items items, String print) {
        if (print.equals("count"))
            return numbers.number(BigDecimal.valueOf(items.items().size()), "");
        List<String> first = items.items().stream()
                .map(item -> item.values().stream()
                        .findFirst()
                        .map(value -> print(value, ""))
                        .orElse(""))
                .filter(text -> !text.isEmpty())
                .toList();
        return (print.equals("list_or") ? or : and).format(first);
    }

    /** The plural category of a number in this language: {@code one}, {@code other} and so on (CLDR plural rules). */
    public String pluralOf(BigDecimal number) {
        return plurals.select(number.doubleValue());
    }
}
