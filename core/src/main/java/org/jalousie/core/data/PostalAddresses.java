package org.jalousie.core.data;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jalousie.core.json.Json;
import tools.jackson.core.type.TypeReference;

/**
 * What is known of postal addresses, country by country (ISO 3166-1): the order of their parts, and how their codes look. The data
 * are those of the packages {@code localized-address-format} (Google's address data service) and {@code postcode-validator};
 * {@code web/scripts/addresses.mjs} writes them.
 */
public final class PostalAddresses {
    /** Where nothing is known of a country. (common practice, no source) */
    private static final String USUAL = "%A%n%Z %C%n%S";

    private static final Set<String> COUNTRIES = Set.of(Locale.getISOCountries());
    private static final Map<String, Country> KNOWN = read();

    /** @param local in the country's own writing, where that is another order; {@code code} what its postal codes match */
    private record Country(String format, String local, String code) {}

    private PostalAddresses() {}

    private static Map<String, Country> read() {
        try (InputStream in = PostalAddresses.class.getResourceAsStream("addresses.json")) {
            return Json.MAPPER.readValue(in, new TypeReference<HashMap<String, Country>>() {});
        } catch (IOException e) {
            throw new UncheckedIOException("the data of addresses are missing", e);
        }
    }

    /** The codes of all countries. */
    public static Set<String> countries() {
        return COUNTRIES;
    }

    /** The pattern that a country's postal codes match; empty where none is known. */
    public static Optional<Pattern> code(String country) {
        return Optional.ofNullable(KNOWN.get(country))
                .flatMap(known -> Optional.ofNullable(known.code()))
                .map(Pattern::compile);
    }

    /**
     * The lines of an address without its country, as that country's post wants them.
     *
     * @param language in which it is printed: one of the country's own writing gets its order
     */
    static List<String> lines(Value.Address address, String language) {
        Country known = KNOWN.get(address.country());
        String format = known == null ? USUAL : known.format();
        if (known != null && known.local() != null && Set.of("zh", "ja", "ko").contains(language))
            format = known.local();
        List<String> lines = new ArrayList<>();
        for (String line : format.split("%n")) {
            // the country has its own line, so its letters needn't stand before the code
            String printed = line(line.replaceAll("^[A-Z]{2}[- ]?(?=%Z)", ""), address);
            if (!printed.isBlank()) lines.add(printed);
            // a part that the country's form has no place for is not lost
            if (line.contains("%A") && !address.locality().isEmpty() && !format.contains("%C"))
                lines.add(address.locality());
            if (line.contains("%C") && !address.region().isEmpty() && !format.contains("%S"))
                lines.add(address.region());
        }
        if (!address.code().isEmpty() && !format.contains("%Z")) lines.add(address.code());
        return lines;
    }

    /** What stands before a part is there with it, and with something before that; a line without any part is none. */
    private static String line(String format, Value.Address address) {
        StringBuilder line = new StringBuilder();
        StringBuilder between = new StringBuilder();
        boolean any = false;
        for (int i = 0; i < format.length(); i++) {
            if (format.charAt(i) != '%' || i + 1 == format.length()) {
                between.append(format.charAt(i));
                continue;
            }
            String part = part(format.charAt(++i), address);
            if (!part.isEmpty()) {
                boolean opens = !any
                        && !between.toString().isBlank()
                        && !between.toString().matches("[-, ]+");
                if (any || opens) line.append(any && between.isEmpty() ? " " : between);
                line.append(part);
                any = true;
            }
            between.setLength(0);
        }
        return line.toString();
    }

    private static String part(char letter, Value.Address address) {
        return switch (letter) {
            case 'A' -> address.street();
            case 'C' -> address.locality();
            case 'S' -> address.region();
            case 'Z' -> address.code();
            default -> "";
        };
    }
}
