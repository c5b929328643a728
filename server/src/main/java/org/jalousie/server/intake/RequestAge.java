package org.jalousie.server.intake;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;

/** How long a request has been there, by days of the office. */
public enum RequestAge {
    TODAY(0, -1),
    /** Up to a week, without today. */
    WEEK(6, 0),
    /** Up to thirty days, without the week. */
    MONTH(29, 6),
    OLDER(Integer.MAX_VALUE, 29);

    private final int most;
    private final int more;

    /** @param most the most days ago; {@code more} it is more than so many days ago */
    RequestAge(int most, int more) {
        this.most = most;
        this.more = more;
    }

    /** The first moment of it. */
    Instant from(LocalDate today, ZoneId zone) {
        return most == Integer.MAX_VALUE
                ? Instant.EPOCH
                : today.minusDays(most).atStartOfDay(zone).toInstant();
    }

    /** The first moment after it. */
    Instant until(LocalDate today, ZoneId zone) {
        return today.minusDays(more).atStartOfDay(zone).toInstant();
    }

    static RequestAge of(Instant created, LocalDate today, ZoneId zone) {
        for (RequestAge age : values()) if (!created.isBefore(age.from(today, zone))) return age;
        return OLDER;
    }
}
