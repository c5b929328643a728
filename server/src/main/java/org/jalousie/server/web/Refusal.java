package org.jalousie.server.web;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;

/** A request that can't be carried out; the message is for the person who made it. */
public final class Refusal extends RuntimeException {
    private final HttpStatus status;
    private final transient Map<String, String> faults;
    private final transient Optional<Duration> retryAfter;

    private Refusal(HttpStatus status, String message, Map<String, String> faults) {
        this(status, message, faults, Optional.empty());
    }

    private Refusal(HttpStatus status, String message, Map<String, String> faults, Optional<Duration> retryAfter) {
        super(message);
        this.retryAfter = retryAfter;
        this.status = status;
        this.faults = faults;
    }

    public static Refusal notFound(String what) {
        return new Refusal(HttpStatus.NOT_FOUND, what, Map.of());
    }

    /** It can't be done in the present state. */
    public static Refusal conflict(String why) {
        return new Refusal(HttpStatus.CONFLICT, why, Map.of());
    }

    public static Refusal invalid(String why) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, why, Map.of());
    }

    /** @param faults a sentence for each input that is wrong, by its name */
    public static Refusal invalid(String why, Map<String, String> faults) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, why, faults);
    }

    public static Refusal gone(String why) {
        return new Refusal(HttpStatus.GONE, why, Map.of());
    }

    public static Refusal tooMany(String why, Duration retryAfter) {
        return new Refusal(HttpStatus.TOO_MANY_REQUESTS, why, Map.of(), Optional.of(retryAfter));
    }

    /** The request itself is wrong: a program made it, not a person. */
    public static Refusal malformed(String why) {
        return new Refusal(HttpStatus.BAD_REQUEST, why, Map.of());
    }

    public static Refusal unauthorized(String why) {
        return new Refusal(HttpStatus.UNAUTHORIZED, why, Map.of());
    }

    Optional<Duration> retryAfter() {
        return retryAfter;
    }

    HttpStatus status() {
        return status;
    }

    Map<String, String> faults() {
        return faults;
    }
}
