package org.jalousie.core.agreement;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * How far somebody has come with showing who they are.
 *
 * @param wordAgreed whether the office has agreed on a word with them
 * @param codes how many codes were sent since they last showed who they are
 * @param lastCode when the newest code was asked for
 * @param wrong how many wrong answers there were since the office last let them go on
 * @param reopened how many times the office has let them go on
 * @param proven when they last showed who they are
 */
public record Proving(
        boolean wordAgreed, int codes, Optional<Instant> lastCode, int wrong, int reopened, Optional<Instant> proven) {
    /** Wrong answers until no further one is looked at. */
    public static final int MOST_WRONG = 5;

    private static final int DIGITS = 6;
    private static final int DIGITS_AFTER_LOCK = 8;

    /** How long to wait for the second code, the third and so on; for all further ones as long as for the last. */
    private static final List<Duration> PAUSES = List.of(
            Duration.ofSeconds(30),
            Duration.ofMinutes(1),
            Duration.ofMinutes(5),
            Duration.ofMinutes(15),
            Duration.ofHours(1));

    static final Proving BEGUN = new Proving(false, 0, Optional.empty(), 0, 0, Optional.empty());

    /** Whether no answer is looked at any more until the office lets them go on. */
    public boolean locked() {
        return wrong >= MOST_WRONG;
    }

    /**
     * How many digits a code has. Five tries at six digits, and after each time that the office lets somebody go on five at eight:
     * a guess comes true less often than once in 100,000 for up to a hundred such times.
     */
    public int digits() {
        return reopened == 0 ? DIGITS : DIGITS_AFTER_LOCK;
    }

    /** The first moment at which another code is sent; empty for at once. */
    public Optional<Instant> nextCode() {
        return lastCode.map(last -> last.plus(PAUSES.get(Math.min(codes, PAUSES.size()) - 1)));
    }

    /**
     * Somebody else has the part, or is reached elsewhere: nothing is shown yet. When the office has changed it, they may try as if
     * the office had let them go on; who hands over gives what tries are left.
     */
    Proving startingAgain(Event.PersonChanged.Change how) {
        // a word was agreed on with a human being, however their address is written
        boolean word = wordAgreed && how == Event.PersonChanged.Change.CORRECTED;
        boolean tries = wrong > 0 && how != Event.PersonChanged.Change.HANDED_OVER;
        return new Proving(
                word, 0, Optional.empty(), tries ? 0 : wrong, tries ? reopened + 1 : reopened, Optional.empty());
    }

    Proving codeSent(Instant at) {
        return new Proving(wordAgreed, codes + 1, Optional.of(at), wrong, reopened, proven);
    }

    Proving wrongAnswer() {
        return new Proving(wordAgreed, codes, lastCode, wrong + 1, reopened, proven);
    }

    Proving provenAt(Instant at) {
        return new Proving(wordAgreed, 0, Optional.empty(), wrong, reopened, Optional.of(at));
    }

    Proving goesOn() {
        return new Proving(wordAgreed, 0, Optional.empty(), 0, reopened + 1, proven);
    }

    /** A new word is a new secret, which nobody has guessed at yet. */
    Proving word() {
        return new Proving(true, 0, Optional.empty(), 0, reopened, proven);
    }
}
