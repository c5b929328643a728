package org.jalousie.server.testbed;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;

/** The real time, put forward by as much as a test wants. */
public final class TestClock extends Clock {
    private volatile Duration ahead = Duration.ZERO;

    /** Makes the application use it. */
    @Configuration
    public static class Setup {
        @Bean
        @Primary
        TestClock testClock() {
            return new TestClock();
        }
    }

    public void ahead(Duration duration) {
        ahead = duration;
    }

    @Override
    public Instant instant() {
        return Instant.now().plus(ahead);
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.offset(Clock.system(zone), ahead);
    }
}
