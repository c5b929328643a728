package org.jalousie.core.data;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jalousie.core.messages.Message;

/** Reads names and addresses: in their parts as vCard writes them (RFC 6350), or as a person types them. */
final class PeopleReader {
    private PeopleReader() {}

    /** {@code Marsh;Ida;;Dr;}, {@code Marsh, Ida} or {@code Ida Marsh}, whose last word is then the family name. */
    static Value.PersonName name(String text) throws ValueReader.Unreadable {
        Value.PersonName name;
        if (text.contains(";")) {
            List<String> parts = Components.split(text, 5);
            name = new Value.PersonName(parts.get(3), parts.get(1), parts.get(2), parts.get(0), parts.get(4));
        } else if (text.contains(",")) {
            int comma = text.indexOf(',');
            name = new Value.PersonName(
                    "",
                    text.substring(comma + 1).strip(),
                    "",
                    text.substring(0, comma).strip(),
                    "");
        } else {
            String line = text.replaceAll("\\s+", " ");
            int space = line.lastIndexOf(' ');
            name = space < 0
                    ? new Value.PersonName("", "", "", line, "")
                    : new Value.PersonName("", line.substring(0, space), "", line.substring(space + 1), "");
        }
        if (name.given().isEmpty() && name.family().isEmpty())
            throw new ValueReader.Unreadable(Message.of("value.name"));
        return name;
    }

    /** Parted by line breaks and commas; a comma at the end of a line parts no more than the line break does. */
    private static String[] lines(String text) {
        List<String> lines = new ArrayList<>();
        for (String line : text.split("\\R")) {
            String bare = line.strip();
            if (bare.isEmpty()) continue;
            if (bare.endsWith(",")) bare = bare.substring(0, bare.length() - 1);
            for (String part : bare.split(",", -1)) lines.add(part.strip());
        }
        while (!lines.isEmpty() && lines.get(lines.size() - 1).isEmpty()) lines.remove(lines.size() - 1);
        return lines.toArray(String[]::new);
    }

    /** {@code ;;Mill Rise 3;Oudehaven;;4811 AB;NL}, or lines: street, then code and town, then country. */
    /** @param stored whether it was read before: what is known of countries may have been less then */
    static Value.Address address(String text, boolean stored) throws ValueReader.Unreadable {
        if (text.contains(";")) {
            List<String> parts = Components.split(text, 7);
            Value.Address address =
                    new Value.Address(parts.get(2), parts.get(3), parts.get(4), parts.get(5), country(parts.get(6)));
            if (address.street().isEmpty() && address.locality().isEmpty())
                throw new ValueReader.Unreadable(Message.of("value.address"));
            if (!stored) check(address);
            return address;
        }
        String[] lines = lines(text);
        Value.Address address = switch (lines.length) {
            case 1 -> new Value.Address(lines[0], "", "", "", "");
            case 2 -> new Value.Address(lines[0], lines[1], "", "", "");
            case 3 -> new Value.Address(lines[0], lines[1], "", "", country(lines[2]));
            case 4 -> new Value.Address(lines[0], lines[1], "", lines[2], country(lines[3]));
            default -> throw new ValueReader.Unreadable(Message.of("value.address-lines"));
        };
        if (!stored) check(address);
        return address;
    }

    private static String country(String typed) {
        return typed.matches("[A-Za-z]{2}") ? typed.toUpperCase(Locale.ROOT) : typed;
    }

    /** A country that is named by its code is one, and has codes of that look; one that is named in words is taken as it is. */
    private static void check(Value.Address address) throws ValueReader.Unreadable {
        String country = address.country();
        if (!country.matches("[A-Z]{2}")) return;
        if (!PostalAddresses.countries().contains(country))
            throw new ValueReader.Unreadable(Message.of("value.country", "country", country));
        boolean fits = address.code().isEmpty()
                || PostalAddresses.code(country)
                        .map(pattern -> pattern.matcher(address.code()).matches())
                        .orElse(true);
        if (!fits)
            throw new ValueReader.Unreadable(
                    Message.of("value.postal-code", "code", address.code(), "country", country));
    }
}
