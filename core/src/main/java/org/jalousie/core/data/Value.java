package org.jalousie.core.data;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Currency;

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

    record YesNo(boolean yes) implements Value {
        @Override
        public String raw() {
            return yes ? "yes" : "no";
        }
    }
}
