package org.jalousie.core.data;

import com.ibm.icu.text.DecimalFormat;
import com.ibm.icu.text.DecimalFormatSymbols;
import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jalousie.core.messages.Message;

/**
 * How numbers are typed: in a person's language, by the marks that CLDR gives it, or plainly as programs write them
 * ({@code 12500.00}). Groups have to be whole and there is one decimal mark; what does not fit is never guessed at but refused
 * with what it could mean.
 */
public final class Typing {
    /** As programs send them: digits, a full stop before decimals. */
    public static final Typing PLAIN = new Typing(Optional.empty());

    private static final Map<Locale, Typing> BY_LANGUAGE = new ConcurrentHashMap<>();
    private static final Pattern SPACE = Pattern.compile("[\\s\\u00a0\\u2007\\u2009\\u202f]");
    private static final int LONGEST = 40;
    private static final Set<String> LANGUAGES = Arrays.stream(ULocale.getAvailableLocales())
            .map(ULocale::getLanguage)
            .collect(Collectors.toUnmodifiableSet());

    private final boolean plain;
    private final DecimalFormat format;
    private final Pattern accepted;
    private final String decimal;
    private final String group;

    private Typing(Optional<Locale> language) {
        ULocale locale = ULocale.forLocale(language.orElse(Locale.ENGLISH));
        this.plain = language.isEmpty();
        this.format = (DecimalFormat) NumberFormat.getNumberInstance(locale);
        format.setParseBigDecimal(true);
        format.setMaximumFractionDigits(LONGEST);
        DecimalFormatSymbols symbols = format.getDecimalFormatSymbols();
        this.decimal = symbols.getDecimalSeparatorString();
        this.group = symbols.getGroupingSeparatorString();
        this.accepted = plain
                ? Pattern.compile("[-+]?(\\d+(\\.\\d+)?|\\d{1,3}(,\\d{3})+\\.\\d+|\\d{1,3}(,\\d{3}){2,})")
                : pattern();
    }

    /** @param language of the form, must not be null */
    public static Typing in(Locale language) {
        // only a language and its country make a difference, so that few are ever kept
        Locale plain = new Locale.Builder()
                .setLanguage(language.getLanguage())
                .setRegion(language.getCountry().matches("[A-Z]{2}") ? language.getCountry() : "")
                .build();
        return BY_LANGUAGE.computeIfAbsent(plain, key -> new Typing(Optional.of(key)));
    }

    /** By a BCP 47 tag; plain for an empty one; nothing for a language that CLDR doesn't have. */
    public static Optional<Typing> of(String tag) {
        if (tag == null || tag.isBlank()) return Optional.of(PLAIN);
        Locale language = Locale.forLanguageTag(tag);
        return LANGUAGES.contains(language.getLanguage()) ? Optional.of(in(language)) : Optional.empty();
    }

    private Pattern pattern() {
        int first = Math.max(format.getGroupingSize(), 1);
        int further = format.getSecondaryGroupingSize() > 0 ? format.getSecondaryGroupingSize() : first;
        String mark = groupMark();
        String grouped = "\\d{1," + further + "}(" + mark + "\\d{" + further + "})*" + mark + "\\d{" + first + "}";
        return Pattern.compile("[-+]?(\\d+|" + grouped + ")(" + Pattern.quote(decimal) + "\\d+)?");
    }

    /**
     * How a number without its sign is typed here, as a regular expression of ECMA-262.
     *
     * @param digit what a digit matches, {@code broken} what the decimals match
     */
    public String written(String digit, String broken) {
        String d = digit;
        if (plain)
            return "(?:" + d + "+(?:\\." + broken + ")?|" + d + "{1,3}(?:," + d + "{3})+\\." + broken + "|" + d
                    + "{1,3}(?:," + d + "{3}){2,})";
        int first = Math.max(format.getGroupingSize(), 1);
        int further = format.getSecondaryGroupingSize() > 0 ? format.getSecondaryGroupingSize() : first;
        String mark =
                SPACE.matcher(group).matches() || List.of("'", "\u2019").contains(group) ? groupMark() : escaped(group);
        String grouped = d + "{1," + further + "}(?:" + mark + d + "{" + further + "})*" + mark + d + "{" + first + "}";
        return "(?:" + d + "+|" + grouped + ")(?:" + escaped(decimal) + broken + ")?";
    }

    private static String escaped(String mark) {
        return mark.equals(".") ? "\\." : mark;
    }

    private String groupMark() {
        if (SPACE.matcher(group).matches()) return SPACE.pattern();
        return List.of("'", "\u2019").contains(group) ? "['\u2019]" : Pattern.quote(group);
    }

    /** @throws ValueReader.Unreadable naming what the text could mean, or what is expected */
    BigDecimal number(String typed) throws ValueReader.Unreadable {
        String text = digits(typed.strip());
        if (text.length() > LONGEST)
            throw new ValueReader.Unreadable(Message.of("value.number-too-long", "most", LONGEST));
        if (accepted.matcher(text).matches()) return value(text);
        Set<BigDecimal> readings = readings(text);
        if (readings.isEmpty())
            throw new ValueReader.Unreadable(Message.of(
                    "value.number", "whole", shown(new BigDecimal("1250")), "broken", shown(new BigDecimal("12.5"))));
        List<String> all = readings.stream().map(this::shown).toList();
        throw new ValueReader.Unreadable(
                all.size() == 1
                        ? Message.of("value.number-other-way", "typed", typed.strip(), "meant", all.get(0))
                        : Message.of(
                                "value.number-two-readings",
                                "typed",
                                typed.strip(),
                                "first",
                                all.get(0),
                                "second",
                                all.get(1)));
    }

    private BigDecimal value(String text) {
        String whole = SPACE.matcher(text).replaceAll("");
        String number = plain
                ? whole.replace(",", "")
                : whole.replace(group, "")
                        .replace("'", "")
                        .replace("\u2019", "")
                        .replace(decimal, ".");
        return new BigDecimal(number);
    }

    /** What a person may have meant: the last mark before decimals, or every mark between groups of three. */
    private static Set<BigDecimal> readings(String text) {
        Set<BigDecimal> readings = new LinkedHashSet<>();
        String bare = SPACE.matcher(text).replaceAll(" ");
        if (!bare.matches("[-+]?\\d+([.,'\u2019 ]\\d+)+")) return readings;
        int last = -1;
        for (int i = 0; i < bare.length(); i++) if (".,'\u2019 ".indexOf(bare.charAt(i)) >= 0) last = i;
        char mark = bare.charAt(last);
        String before = bare.substring(0, last);
        boolean once = before.indexOf(mark) < 0;
        if (once && (mark == '.' || mark == ','))
            readings.add(new BigDecimal(before.replaceAll("[^-+\\d]", "") + "." + bare.substring(last + 1)));
        if (oneKindOfMark(bare)) readings.add(new BigDecimal(bare.replaceAll("[^-+\\d]", "")));
        return readings;
    }

    private static boolean oneKindOfMark(String text) {
        return text.chars().filter(c -> ".,'\u2019 ".indexOf(c) >= 0).distinct().count() == 1;
    }

    /** Digits of other scripts, and the true minus sign, as the usual ones. */
    private static String digits(String text) {
        StringBuilder out = new StringBuilder(text.length());
        text.codePoints().forEach(c -> {
            int digit = Character.digit(c, 10);
            if (digit >= 0) out.append(digit);
            else if (c == 0x2212) out.append('-');
            else if (c == 0x200e || c == 0x200f || c == 0x61c) return;
            else out.appendCodePoint(c);
        });
        return out.toString();
    }

    /** A number as a person types it in this language, with as many decimals as it has. */
    public String shown(BigDecimal number) {
        if (plain) return number.toPlainString();
        DecimalFormat own = (DecimalFormat) format.clone();
        own.setMinimumFractionDigits(Math.max(number.scale(), 0));
        own.setMaximumFractionDigits(Math.max(number.scale(), 0));
        return digits(own.format(number));
    }

    /** A value as the form shows it to be typed over: numbers and money in the language, anything else as it is stored. */
    public String shown(Value value) {
        if (value instanceof Value.Amount amount) return shown(amount.number());
        if (value instanceof Value.Money money) return money.currency().getCurrencyCode() + " " + shown(money.amount());
        if (!(value instanceof Value.Items items)) return value.raw();
        List<Map<String, String>> all = new ArrayList<>();
        for (Map<String, Value> item : items.items()) {
            Map<String, String> shown = new java.util.LinkedHashMap<>();
            item.forEach((name, one) -> shown.put(name, shown(one)));
            all.add(shown);
        }
        return RawItems.write(all);
    }

    /** An example of money, as it is typed here. */
    String money() {
        return "EUR " + shown(new BigDecimal("12500.00"));
    }
}
