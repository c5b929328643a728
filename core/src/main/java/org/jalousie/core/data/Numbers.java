package org.jalousie.core.data;

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
