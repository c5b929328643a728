package org.jalousie.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RequestAgeTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Amsterdam");
    private static final LocalDate TODAY = LocalDate.of(2027, 3, 29);

    /** The clocks went forward on the 28th. */
    @ParameterizedTest
    @CsvSource({
        "2027-03-28T22:00:00Z, TODAY",
        "2027-03-28T21:59:59Z, WEEK",
        "2027-03-22T23:00:00Z, WEEK",
        "2027-03-22T22:59:59Z, MONTH",
        "2027-02-27T23:00:00Z, MONTH",
        "2027-02-27T22:59:59Z, OLDER"
    })
    void daysAreThoseOfTheOffice(Instant created, RequestAge age) {
        assertThat(RequestAge.of(created, TODAY, ZONE)).isEqualTo(age);
        assertThat(created).isBetween(age.from(TODAY, ZONE), age.until(TODAY, ZONE));
        assertThat(created).isNotEqualTo(age.until(TODAY, ZONE));
    }
}
