package org.jalousie.core.data;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.Collections;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** A datum that has been read and understood. {@link #raw()} is the form in which it is stored and read again. */
public sealed interface Value {

    /** The locale-independent text that {@link ValueReader} reads back to an equal value. */
    String raw();

    record Text(String text) implements Value {
        @Override
        public String raw() {
            return text;
        }
    }

    /** Formatted text as sanitised HTML: see {@link RichText} for what may stand in it. */
    record Rich(String html) implements Value {
        @Override
        public String raw() {
            return html;
        }
    }

    record Amount(BigDecimal number) implements Value {
        @Override
        public String raw() {
            return number.toPlainString();
        }
    }

    /** Money as an exact decimal with its ISO 4217 currency. */
    record Money(Currency currency, BigDecimal amount) implements Value {
        @Override
        public String raw() {
            return currency.getCurrencyCode() + " " + amount.toPlainString();
        }
    }

    /** A day without a time, ISO 8601. */
    record Day(LocalDate date) implements Value {
        @Override
        public String raw() {
            return date.toString();
        }
    }

    /** A day with a time in a named time zone, stored as {@code 2027-03-15T09:00 Europe/London}. */
    record Moment(ZonedDateTime time) implements Value {
        @Override
        public String raw() {
            return time.toLocalDateTime() + " " + time.getZone().getId();
        }
    }

    record YesNo(boolean yes) implements Value {
        @Override
        public String raw() {
            return yes ? "yes" : "no";
        }
    }

    /** A person's name in its parts, stored as vCard's N property writes it (RFC 6350 §6.2.2). */
    record PersonName(String prefix, String given, String additional, String family, String suffix) implements Value {
        @Override
        public String raw() {
            return Components.join(List.of(family, given, additional, prefix, suffix));
        }
    }

    /**
     * A postal address, stored as vCard's ADR property writes it (RFC 6350 §6.3.1).
     *
     * @param country a two-letter code (ISO 3166-1) or a name as typed
     */
    record Address(String street, String locality, String region, String code, String country) implements Value {
        @Override
        public String raw() {
            return Components.join(List.of("", "", street, locality, region, code, country));
        }
    }

    /** A picture, named by the SHA-256 of its file. */
    record Picture(String file) implements Value {
        @Override
        public String raw() {
            return file;
        }
    }

    /** A file that was given with the form. */
    record Attached(AttachedFile file) implements Value {
        @Override
        public String raw() {
            return file.answer();
        }
    }

    /**
     * Items of a list, each with values by name, stored as a JSON array of objects.
     *
     * @param names what every item may have, blank or not: within an item they hide names of the same spelling around it
     */
    record Items(List<Map<String, Value>> items, Set<String> names) implements Value {
        /** The name under which an item of a plain list stands, after Mustache's implicit iterator. */
        public static final String ITSELF = ".";

        public Items {
            items = List.copyOf(items);
            Set<String> all = new LinkedHashSet<>(names);
            items.forEach(item -> all.addAll(item.keySet()));
            names = Collections.unmodifiableSet(all);
        }

        /** Items that have the names that one of them has. */
        public Items(List<Map<String, Value>> items) {
            this(items, Set.of());
        }

        @Override
        public String raw() {
            return RawItems.write(items.stream()
                    .map(item -> {
                        Map<String, String> raw = new LinkedHashMap<>();
                        item.forEach((name, value) -> raw.put(name, value.raw()));
                        return raw;
                    })
                    .toList());
        }
    }
}
