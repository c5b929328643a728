package org.jalousie.server.intake;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import org.jalousie.server.Settings;
import org.springframework.stereotype.Component;

/** The day that it is where the office is. */
@Component
class OfficeDay {
    private final Clock clock;
    private final Settings settings;

    OfficeDay(Clock clock, Settings settings) {
        this.clock = clock;
        this.settings = settings;
    }

    ZoneId zone() {
        return settings.office().zone();
    }

    LocalDate today() {
        return LocalDate.now(clock.withZone(settings.office().zone()));
    }
}
