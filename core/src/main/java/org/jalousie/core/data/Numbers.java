package org.jalousie.core.data;

import com.ibm.icu.number.IntegerWidth;
import com.ibm.icu.number.LocalizedNumberFormatter;
import com.ibm.icu.number.NumberFormatter;
import com.ibm.icu.number.Precision;
import com.ibm.icu.text.ListFormatter;
import com.ibm.icu.text.PluralRules;
import com.ibm.icu.text.RuleBasedNumberFormat;
import com.ibm.icu.util.Currency;
import com.ibm.icu.util.MeasureUnit;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.List;
import java.util.Set;

/** How numbers and money print in one language. */
final class Numbers {
    private static final List<String> ORDINALS = List.of(
            "%spellout-ordinal",
            "%spellout-ordinal-masculine",
            "%spellout-ordinal-masculine-singular",
            "%spellout-ordinal-maskulinum",
            "%spellout-ordinal-common");

    /** Currencies whose names are feminine in French, Spanish, Italian and Portuguese (from memory). */
    private static final Set<String> FEMININE = Set.of("GBP", "DKK", "SEK", "NOK", "CZK", "ISK", "TRY");

    private static final Set<String> FEMININE_IN = Set.of("fr", "es", "it", "pt");

    private final ULocale language;
    private final PluralRules plurals;
    private final ListFormatter and;
    private final LocalizedNumberFormatter grouped;
    private final RuleBasedNumberFormat spelled;

    Numbers(ULocale language, PluralRules plurals, ListFormatter and) {
        this.language = language;
        this.plurals = plurals;
        this.and = and;
        this.grouped = NumberFormatter.withLocale(language);
        this.spelled = new RuleBasedNumberFormat(language, RuleBasedNumberFormat.SPELLOUT);
    }

    String number(BigDecimal number, String print) {
        if (print.startsWith("#")) return picture(number, print.substring(1));
        return switch (print) {
            case "plain" -> number.toPlainString();
            case "words" -> words(number, "");
            case "ordinal" -> ordinal(number);
            case "ordinal_words" -> words(number, "ordinal");
            case "percent" ->
                grouped.unit(MeasureUnit.PERCENT)
                        .precision(scale(number))
                        .format(number)
                        .toString();
            case "hours" -> unit(number, MeasureUnit.HOUR);
            case "days" -> unit(number, MeasureUnit.DAY);
            case "weeks" -> unit(number, MeasureUnit.WEEK);
            case "months" -> unit(number, MeasureUnit.MONTH);
            case "years" -> unit(number, MeasureUnit.YEAR);
            default -> grouped(number);
        };
    }

    /**
     * A number in a word processor's picture (ISO/IEC 29500-1 §17.16.4.2): 0 and # are digits, words stand in quotes, parts for
     * positive, negative and zero are kept apart by semicolons. The marks between digits are those of the language.
     */
    private String picture(BigDecimal number, String picture) {
        String[] parts = picture.split(";", 3);
        String part = number.signum() < 0 && parts.length > 1 && !parts[1].isBlank()
                ? parts[1]
                : number.signum() == 0 && parts.length > 2 ? parts[2] : parts[0];
        int first = firstDigit(part);
        if (first < 0) return part.replace("'", "");
        int last = first;
        while (last < part.length() && "0#,.x".indexOf(part.charAt(last)) >= 0) last++;
        String digits = part.substring(first, last).replace('x', '#');
        int point = digits.indexOf('.');
        int most = point < 0 ? 0 : digits.length() - point - 1;
        int least = point < 0
                ? 0
                : (int) digits.substring(point).chars().filter(c -> c == '0').count();
        int whole = (int) (point < 0 ? digits : digits.substring(0, point))
                .chars()
                .filter(c -> c == '0')
                .count();
        String printed = grouped.precision(Precision.minMaxFraction(least, most))
                .roundingMode(RoundingMode.HALF_UP)
                .grouping(
                        digits.contains(",")
                                ? NumberFormatter.GroupingStrategy.AUTO
                                : NumberFormatter.GroupingStrategy.OFF)
                .integerWidth(IntegerWidth.zeroFillTo(whole))
                .format(number.signum() < 0 && part == parts[0] && parts.length == 1 ? number : number.abs())
                .toString();
        return part.substring(0, first).replace("'", "")
                + printed
                + part.substring(last).replace("'", "");
    }

    private static int firstDigit(String picture) {
        boolean quoted = false;
        for (int i = 0; i < picture.length(); i++) {
            char c = picture.charAt(i);
            if (c == '\'') quoted = !quoted;
            if (!quoted && "0#x".indexOf(c) >= 0) return i;
        }
        return -1;
    }

    // CLDR's long compounds carry hyphenation points, which break a search for the word in the finished file
    private static String withoutSoftHyphens(String words) {
        return words.replace("\u00ad", "");
    }

    /** A number with its unit in the right plural: "1 day", "30 days". */
    private String unit(BigDecimal number, MeasureUnit unit) {
        return grouped.unit(unit)
                .unitWidth(NumberFormatter.UnitWidth.FULL_NAME)
                .precision(scale(number))
                .format(number)
                .toString();
    }

    private String grouped(BigDecimal number) {
        return grouped.precision(scale(number)).format(number).toString();
    }

    private static Precision scale(BigDecimal number) {
        return Precision.fixedFraction(Math.max(number.scale(), 0));
    }

    private String ordinal(BigDecimal number) {
        if (number.stripTrailingZeros().scale() > 0) return grouped(number);
        RuleBasedNumberFormat format = new RuleBasedNumberFormat(language, RuleBasedNumberFormat.ORDINAL);
        return format.format(number.toBigInteger());
    }

    /** @param kind {@code ordinal} for first, second; empty for one, two as one counts; a gender for one, two of something */
    private String words(BigDecimal number, String kind) {
        RuleBasedNumberFormat format = (RuleBasedNumberFormat) spelled.clone();
        BigDecimal plain = number.stripTrailingZeros();
        if (plain.scale() <= 0) {
            if (!kind.isEmpty()) use(format, kind.equals("ordinal") ? ORDINALS : List.of("%spellout-cardinal-" + kind));
            return withoutSoftHyphens(format.format(plain.toBigIntegerExact()));
        }
        return withoutSoftHyphens(
                format.format(com.ibm.icu.math.BigDecimal.valueOf(0).add(new com.ibm.icu.math.BigDecimal(plain))));
    }

    /** The first of the named rule sets that the language has becomes the one used. */
    private static void use(RuleBasedNumberFormat format, List<String> wanted) {
        List<String> names = List.of(format.getRuleSetNames());
        for (String one : wanted) {
            if (names.contains(one)) {
                format.setDefaultRuleSet(one);
                return;
            }
        }
    }

    String money(Value.Money money, String print) {
        BigDecimal amount = money.amount();
        if (print.startsWith("#")) return picture(amount, print.substring(1));
        String code = money.currency().getCurrencyCode();
        return switch (print) {
            case "amount" -> grouped(amount);
            case "code" -> code + "\u00a0" + grouped(amount);
            case "words" -> inWords(money);
            default ->
                grouped.unit(Currency.getInstance(code))
                        .precision(scale(amount))
                        .format(amount)
                        .toString();
        };
    }

    /**
     * "twelve thousand five hundred euros and 50/100": the unit's plural name from CLDR; the rest as a fraction, since CLDR
     * has no names for the parts of a currency (common practice, no source).
     */
    private String inWords(Value.Money money) {
        BigInteger whole = money.amount().toBigInteger();
        String name = Currency.getInstance(money.currency().getCurrencyCode())
                .getName(language, Currency.PLURAL_LONG_NAME, plurals.select(whole.doubleValue()), new boolean[1]);
        boolean feminine = FEMININE_IN.contains(language.getLanguage())
                && FEMININE.contains(money.currency().getCurrencyCode());
        String words = words(new BigDecimal(whole), feminine ? "feminine" : "masculine") + " " + name;
        int digits = Math.max(money.amount().scale(), 0);
        BigInteger parts = money.amount()
                .abs()
                .remainder(BigDecimal.ONE)
                .movePointRight(digits)
                .toBigInteger();
        if (parts.signum() == 0) return words;
        String fraction = String.format("%0" + digits + "d/%d", parts, BigInteger.TEN.pow(digits));
        return and.format(List.of(words, fraction));
    }
}
