package org.jalousie.server;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** Something that can't be done, said to the person who wanted it. What it is over HTTP is said in {@code web}. */
public final class Refusal extends Told {
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
        NOT_SIGNED_IN,
        /** Whoever asked may do other things, but not that. */
        NOT_ALLOWED
    }

    private final Kind kind;
    private final transient Map<String, Message> faults;
    private final transient Optional<Duration> retryAfter;

    private Refusal(Kind kind, Message said, Map<String, Message> faults, Optional<Duration> retryAfter) {
        super(said);
        this.kind = kind;
        this.faults = Map.copyOf(faults);
        this.retryAfter = retryAfter;
    }

    public static Refusal of(Kind kind, Message said) {
        return new Refusal(kind, said, Map.of(), Optional.empty());
    }

    public static Refusal notFound(Message said) {
        return of(Kind.NOT_FOUND, said);
    }

    /** It can't be done in the present state. */
    public static Refusal conflict(Message said) {
        return of(Kind.CONFLICT, said);
    }

    public static Refusal invalid(Message said) {
        return of(Kind.INVALID, said);
    }

    /** @param faults what is wrong with each input, by its name */
    public static Refusal invalid(Message said, Map<String, Message> faults) {
        return new Refusal(Kind.INVALID, said, faults, Optional.empty());
    }

    public static Refusal tooMany(Message said, Duration retryAfter) {
        return new Refusal(Kind.TOO_MANY, said, Map.of(), Optional.of(retryAfter));
    }

    /** It can't be done just now, but soon. @param retryAfter how soon */
    public static Refusal again(Message said, Duration retryAfter) {
        return new Refusal(Kind.CONFLICT, said, Map.of(), Optional.of(retryAfter));
    }

    /** The request itself is wrong: a program made it, not a person. */
    public static Refusal malformed(Message said) {
        return of(Kind.MALFORMED, said);
    }

    public static Refusal unauthorized(Message said) {
        return of(Kind.NOT_SIGNED_IN, said);
    }

    public Kind kind() {
        return kind;
    }

    public Map<String, Message> faults() {
        return faults;
    }

    public Optional<Duration> retryAfter() {
        return retryAfter;
    }
}
