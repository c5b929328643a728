package org.jalousie.core.intake;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.PostalAddresses;
import org.jalousie.core.data.Typing;

/**
 * How answers look, as regular expressions that JSON Schema can carry: ECMA-262, read with the flag {@code u}, and read by Java just
 * so. They say what the program's own reading of an answer says.
 */
final class AnswerPatterns {
    /** White space that is passed over around an answer; a no-break space is none. */
    static final String W = "[\\t-\\r\\x1c-\\x20\\u1680\\u2000-\\u2006\\u2008-\\u200a\\u2028\\u2029\\u205f\\u3000]*";

    static final String BLANK = "^" + W + "$";

    /** XML 1.0 (fifth edition) §2.2: characters that cannot stand in a document at all. */
    static final String UNPRINTABLE = "[\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\ufffe\\uffff]";

    /** One of the parts of an answer that semicolons part, escaped as RFC 6350 §3.4 says. */
    private static final String PART = "(?:[^;\\\\]|\\\\[\\s\\S])*";

    private static final String SOMETHING = W + "(?:[^;\\\\\\s]|\\\\)";

    private AnswerPatterns() {}

    /** The whole answer, with white space around it. */
    static String whole(String pattern) {
        return "^" + W + "(?:" + pattern + ")" + W + "$";
    }

    static String number(Typing typing) {
        return whole("(?=.{1,40}" + W + "$)[-+\\u2212]?" + typing.written("\\p{Nd}", "\\p{Nd}+"));
    }

    /** A currency before its amount or behind it, with as many decimals as that has. */
    static String money(Typing typing) {
        Map<Integer, TreeSet<String>> byDigits = new TreeMap<>();
        for (Currency one : Currency.getAvailableCurrencies())
            byDigits.computeIfAbsent(Math.max(one.getDefaultFractionDigits(), 0), digits -> new TreeSet<>())
                    .add(one.getCurrencyCode());
        List<String> all = new ArrayList<>();
        byDigits.forEach((digits, codes) -> {
            String code = "(?:" + codes.stream().map(AnswerPatterns::anyCase).collect(Collectors.joining("|")) + ")";
            String broken = digits == 0 ? "0+" : "\\p{Nd}{1," + digits + "}0*";
            String amount = "[-+\\u2212]?" + typing.written("\\p{Nd}", broken);
            String space = "[\\s\\u00a0\\u202f]*";
            all.add(code + space + amount + "|" + amount + space + code);
        });
        return whole("(?=.{1,60}$)(?:" + String.join("|", all) + ")");
    }

    private static String anyCase(String letters) {
        return letters.chars()
                .mapToObj(c -> "[" + (char) c + Character.toLowerCase((char) c) + "]")
                .collect(Collectors.joining());
    }

    /** A day of the calendar, ISO 8601: the 29th of February in leap years only. */
    static String day() {
        String usual = "[0-9]{4}-(?:(?:0[13578]|1[02])-(?:0[1-9]|[12][0-9]|3[01])|(?:0[469]|11)-(?:0[1-9]|[12][0-9]|30)"
                + "|02-(?:0[1-9]|1[0-9]|2[0-8]))";
        String leap = "(?:[0-9]{2}(?:0[48]|[2468][048]|[13579][26])|(?:[02468][048]|[13579][26])00)-02-29";
        return "(?:" + usual + "|" + leap + ")";
    }

    static String moment() {
        String zones = ZoneId.getAvailableZoneIds().stream()
                .sorted()
                .map(AnswerPatterns::quoted)
                .collect(Collectors.joining("|"));
        String offset = "(?:UTC|GMT|UT)?[+-](?:0?[0-9]|1[0-7])(?::?[0-5][0-9])?|Z";
        return whole(day() + "[T ](?:[01][0-9]|2[0-3]):[0-5][0-9](?::[0-5][0-9])?\\s+(?:" + zones + "|" + offset + ")");
    }

    /** HTML Living Standard, "valid email address", narrowed to domains that have a dot; RFC 5321 §4.5.3.1.3 for its length. */
    static String mail() {
        return whole(
                "(?=\\S{1,254}" + W + "$)[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]+@[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?"
                        + "(?:\\.[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?)+");
    }

    /** ITU-T E.123: digits, spaces and a leading plus; brackets and hyphens are usual in national notation. */
    static String phone() {
        return whole("(?=(?:[^0-9]*[0-9]){5,15}[^0-9]*$)\\+?[0-9 ()./-]+");
    }

    /** RFC 3986, as far as a host by name or number and what follows it. */
    static String webAddress() {
        String label = "[A-Za-z0-9](?:[A-Za-z0-9-]*[A-Za-z0-9])?";
        String host = "(?:(?:" + label + "\\.)*[A-Za-z](?:[A-Za-z0-9-]*[A-Za-z0-9])?\\.?"
                + "|(?:(?:25[0-5]|2[0-4][0-9]|1?[0-9]{1,2})\\.){3}(?:25[0-5]|2[0-4][0-9]|1?[0-9]{1,2})"
                + "|\\[[0-9A-Fa-f:.]+\\])";
        String user = "(?:[^\\s/?#@\\[\\]\\\\\"<>^`{|}%]*@)?";
        String rest = "(?:%[0-9A-Fa-f]{2}|[^\\s\"<>\\\\^`{|}%#\\[\\]])*";
        return whole("https?://" + user + host + "(?::[0-9]*)?(?:[/?]" + rest + ")?(?:#" + rest + ")?");
    }

    static String oneOf(List<String> choices) {
        return whole(choices.stream().map(AnswerPatterns::quoted).collect(Collectors.joining("|")));
    }

    static String yes() {
        return whole(anyCase("YES") + "|" + anyCase("TRUE"));
    }

    static String yesOrNo() {
        return whole(Stream.of("YES", "NO", "TRUE", "FALSE")
                .map(AnswerPatterns::anyCase)
                .collect(Collectors.joining("|")));
    }

    static String picture() {
        return whole("[0-9a-f]{64}");
    }

    static String file() {
        return whole("[0-9a-f]{64} \\S.{0," + (AttachedFile.LONGEST_NAME - 1) + "}");
    }

    /** {@code family;given;…}, one of them at least, or a name as it is said. */
    static String name() {
        return "^(?:(?![\\s,]*$)[^;]*|(?=" + W + "(?:;" + W + ")?(?:[^;\\\\\\s]|\\\\))" + PART + ";[\\s\\S]*)$";
    }

    /** {@code ;;street;town;region;code;country}, or up to four lines; a country by its code has codes of its look. */
    static String address() {
        String parts = "(?=(?:" + PART + ";){2,3}" + SOMETHING + ")(?:(?:" + PART + ";){5}" + codeAndCountry(";", PART)
                + "(?:;[\\s\\S]*)?|" + PART + "(?:;" + PART + "){1,5})";
        String line = "[^;,\\r\\n]*";
        String end = "(?:,|,?[ \\t]*(?:\\r?\\n[ \\t]*)+)";
        String country = countryIn("(?:" + String.join("|", countryCodes()) + ")", line);
        String lines = "(?:" + line + "(?:" + end + line + ")?"
                + "|" + line + end + line + end + country
                + "|" + line + end + line + end + codeAndCountry(end, line) + ")(?:,?\\s*)?";
        return "^(?:" + parts + "|" + lines + ")$";
    }

    private static List<String> countryCodes() {
        return PostalAddresses.countries().stream()
                .sorted()
                .map(AnswerPatterns::anyCase)
                .toList();
    }

    /** One of some countries, or one that is named in words. */
    private static String countryIn(String codes, String any) {
        return "(?:" + W + codes + W + "|(?!" + W + "[A-Za-z]{2}" + W + "(?:[;,\\r\\n]|$))" + any + ")";
    }

    private static String codeAndCountry(String between, String any) {
        List<String> all = new ArrayList<>();
        List<String> others = new ArrayList<>();
        for (String country : new TreeSet<>(PostalAddresses.countries())) {
            Optional<String> code = PostalAddresses.code(country)
                    .map(pattern -> pattern.pattern().replaceAll("^\\^|\\$$", ""));
            if (code.isEmpty()) others.add(anyCase(country));
            else all.add("(?:" + code.get() + ")?" + W + between + W + anyCase(country) + W);
        }
        String known = W + "(?:" + String.join("|", all) + ")";
        return "(?:" + known + "|" + any + between + countryIn("(?:" + String.join("|", others) + ")", any) + ")";
    }

    /** Characters that mean something in an expression, taken as they are; nothing else may be escaped with {@code u}. */
    static String quoted(String text) {
        return text.replaceAll("[\\\\^$.|?*+()\\[\\]{}/]", "\\\\$0");
    }
}
