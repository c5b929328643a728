package org.jalousie.core.data;

import com.ibm.icu.text.PersonName;
import com.ibm.icu.text.PersonNameFormatter;
import com.ibm.icu.text.SimplePersonName;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** How names and addresses print in one language. Names follow CLDR's person name formats (UTS #35 part 8). */
final class People {
    private final ULocale language;
    private final PersonNameFormatter sorting;
    private final PersonNameFormatter brief;

    People(ULocale language) {
        this.language = language;
        Locale locale = language.toLocale();
        this.sorting = PersonNameFormatter.builder()
                .setLocale(locale)
                .setDisplayOrder(PersonNameFormatter.DisplayOrder.SORTING)
                .setLength(PersonNameFormatter.Length.LONG)
                .setFormality(PersonNameFormatter.Formality.FORMAL)
                .build();
        this.brief = PersonNameFormatter.builder()
                .setLocale(locale)
                .setLength(PersonNameFormatter.Length.SHORT)
                .setFormality(PersonNameFormatter.Formality.FORMAL)
                .build();
    }

    String name(Value.PersonName name, String print) {
        return switch (print) {
            case "given" -> name.given();
            case "family" -> name.family();
            case "last_first" -> sorting.formatToString(forFormat(name));
            case "short" -> brief.formatToString(forFormat(name));
            // an agreement prints the name as it was given, with every part
            default -> joined(" ", name.prefix(), name.given(), name.additional(), name.family(), name.suffix());
        };
    }

    private PersonName forFormat(Value.PersonName name) {
        SimplePersonName.Builder builder = SimplePersonName.builder().setLocale(language.toLocale());
        add(builder, PersonName.NameField.GIVEN, name.given());
        add(builder, PersonName.NameField.GIVEN2, name.additional());
        add(builder, PersonName.NameField.SURNAME, name.family());
        return builder.build();
    }

    private static void add(SimplePersonName.Builder builder, PersonName.NameField field, String text) {
        if (!text.isEmpty()) builder.addField(field, List.<PersonName.FieldModifier>of(), text);
    }

    String address(Value.Address address, String print) {
        List<String> lines = new ArrayList<>();
        lines.addAll(PostalAddresses.lines(address, language.getLanguage()));
        lines.add(countryName(address.country()));
        lines.removeIf(String::isBlank);
        return String.join(print.equals("block") ? "\n" : ", ", lines);
    }

    private String countryName(String country) {
        if (!country.matches("[A-Za-z]{2}")) return country;
        return new ULocale("und", country.toUpperCase(Locale.ROOT)).getDisplayCountry(language);
    }

    private static String joined(String with, String... parts) {
        List<String> kept = new ArrayList<>(List.of(parts));
        kept.removeIf(String::isBlank);
        return String.join(with, kept);
    }
}
