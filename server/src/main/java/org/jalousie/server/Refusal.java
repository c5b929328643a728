package org.jalousie.server;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jalousie.core.messages.Message;

/** Something that can't be done; the message is for the person who wanted it. What it is over HTTP is said in {@code web}. */
public final class Refusal extends RuntimeException {
    /** Why something can't be done. */
    public enum Kind {
        NOT_FOUND,
        /** Not in the present state. */
        CONFLICT,
        /** Something in it has to be mended by a person. */
        INVALID,
        /** It was there and is over. */
        GONE,
        TOO_MANY,
        /** The request itself is wrong: a program made it, not a person. */
        MALFORMED,
        NOT_SIGNED_IN
    }

    private final Kind kind;
    private final transient Map<String, String> faults;
    private final transient Optional<Duration> retryAfter;
    private final transient Optional<Message> said;
    private final transient Map<String, Message> saidFaults;

    private Refusal(Kind kind, String message, Map<String, String> faults) {
        this(kind, message, faults, Optional.empty());
    }

    private Refusal(Kind kind, Message said, Map<String, Message> saidFaults, Optional<Duration> retryAfter) {
        super(said.toString());
        this.kind = kind;
        this.retryAfter = retryAfter;
        this.said = Optional.of(said);
        this.saidFaults = Map.copyOf(saidFaults);
        Map<String, String> english = new TreeMap<>();
        saidFaults.forEach((name, fault) -> english.put(name, fault.toString()));
        this.faults = english;
    }

    /** Something for which the catalogues have words in several languages. */
    public static Refusal of(Kind kind, Message said) {
        return new Refusal(kind, said, Map.of(), Optional.empty());
    }

    /** @param faults what is wrong with each input, by its name */
    public static Refusal invalid(Message said, Map<String, Message> faults) {
        return new Refusal(Kind.INVALID, said, faults, Optional.empty());
    }

    private Refusal(Kind kind, String message, Map<String, String> faults, Optional<Duration> retryAfter) {
        super(message);
        this.retryAfter = retryAfter;
        this.kind = kind;
        this.faults = faults;
        this.said = Optional.empty();
        this.saidFaults = Map.of();
    }

    public static Refusal notFound(String what) {
        return new Refusal(Kind.NOT_FOUND, what, Map.of());
    }

    /** It can't be done in the present state. */
    public static Refusal conflict(String why) {
        return new Refusal(Kind.CONFLICT, why, Map.of());
    }

    public static Refusal invalid(String why) {
        return new Refusal(Kind.INVALID, why, Map.of());
    }

    /** @param faults a sentence for each input that is wrong, by its name */
    public static Refusal invalid(String why, Map<String, String> faults) {
        return new Refusal(Kind.INVALID, why, faults);
    }

    public static Refusal gone(String why) {
        return new Refusal(Kind.GONE, why, Map.of());
    }

    public static Refusal tooMany(String why, Duration retryAfter) {
        return new Refusal(Kind.TOO_MANY, why, Map.of(), Optional.of(retryAfter));
    }

    public static Refusal tooMany(Message why, Duration retryAfter) {
        return new Refusal(Kind.TOO_MANY, why, Map.of(), Optional.of(retryAfter));
    }

    /** The request itself is wrong: a program made it, not a person. */
    public static Refusal malformed(String why) {
        return new Refusal(Kind.MALFORMED, why, Map.of());
    }

    public static Refusal unauthorized(String why) {
        return new Refusal(Kind.NOT_SIGNED_IN, why, Map.of());
    }

    public Optional<Duration> retryAfter() {
        return retryAfter;
    }

    public Kind kind() {
        return kind;
    }

    public Map<String, String> faults() {
        return faults;
    }

    /** The message by its code, for who says it in another language; empty for what is said in English only. */
    public Optional<Message> said() {
        return said;
    }

    public Map<String, Message> saidFaults() {
        return saidFaults;
    }
}
