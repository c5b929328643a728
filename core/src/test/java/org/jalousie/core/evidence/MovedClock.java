package org.jalousie.core.evidence;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** A clock that stands until it is put forward. */
public final class MovedClock extends Clock {
    private Instant now = Instant.now();

    public void forward(Duration time) {
        now = now.plus(time);
    }

    public void years(int years) {
        forward(Duration.ofDays(365L * years));
    }

    @Override
    public Instant instant() {
        return now;
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        throw new UnsupportedOperationException("one zone is enough");
    }
}
