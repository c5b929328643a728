package org.jalousie.core.parties;

import java.time.LocalDate;
import java.time.MonthDay;

/**
 * A day on which the office doesn't work.
 *
 * @param everyYear whether it comes back on the same day of every year; 29 February then comes in leap years only
 */
public record Holiday(LocalDate day, String name, boolean everyYear) {
    boolean isOn(LocalDate other) {
        return everyYear ? MonthDay.from(other).equals(MonthDay.from(day)) : other.equals(day);
    }
}
