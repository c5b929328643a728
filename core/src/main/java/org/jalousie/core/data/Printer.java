package org.jalousie.core.data;

import java.math.BigDecimal;
import java.text.DecimalFormat;
import java.text.NumberFormat;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;

/** Prints a value in a language, following Unicode CLDR as the Java platform carries it. */
public final class Printer {
    private final Locale locale;

    private Printer(Locale locale) {
        this.locale = locale;
    }

    /** @param locale the language of the template, must not be null */
    public static Printer in(Locale locale) {
        return new Printer(locale);
    }

    /**
     * The words that stand in the document.
     *
     * @param print one of the type's {@link FieldType#prints()}, or empty for the usual print
     */
    public String print(Value value, String print) {
        if (value instanceof Value.Day day) return printDay(day, print);
        if (value instanceof Value.Money money) return printMoney(money, print);
        if (value instanceof Value.Amount amount) {
            return print.equals("plain")
                    ? amount.raw()
                    : grouped(amount.number(), amount.number().scale());
        }
        if (value instanceof Value.YesNo yesNo) return yesNo.yes() ? "yes" : "no";
        String text = value.raw();
        return print.equals("upper") ? text.toUpperCase(locale) : text;
    }

    private String printDay(Value.Day day, String print) {
        return switch (print) {
            case "iso" -> day.raw();
            case "year" -> String.valueOf(day.date().getYear());
            case "short" ->
                day.date()
                        .format(DateTimeFormatter.ofLocalizedDate(FormatStyle.SHORT)
                                .withLocale(locale));
            default ->
                day.date()
                        .format(DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG)
                                .withLocale(locale));
        };
    }

    private String printMoney(Value.Money money, String print) {
        int digits = money.amount().scale();
        return switch (print) {
            case "amount" -> grouped(money.amount(), digits);
            case "code" -> money.currency().getCurrencyCode() + "\u00a0" + grouped(money.amount(), digits);
            default -> {
                DecimalFormat format = (DecimalFormat) NumberFormat.getCurrencyInstance(locale);
                format.setCurrency(money.currency());
                format.setMinimumFractionDigits(digits);
                format.setMaximumFractionDigits(digits);
                yield format.format(money.amount());
            }
        };
    }

    private String grouped(BigDecimal number, int digits) {
        NumberFormat format = NumberFormat.getNumberInstance(locale);
        format.setMinimumFractionDigits(Math.max(digits, 0));
        format.setMaximumFractionDigits(Math.max(digits, 0));
        return format.format(number);
    }
}
