package org.jalousie.core.agreement;

import java.util.Optional;

/** Why an agreement that is out waits for the office and not for those on its route; the first that applies. */
public enum Attention {
    /** Somebody gave too many wrong answers to who they are. */
    KEPT_OUT,
    /** A mail that asked for a part came back. */
    UNDELIVERED,
    /** Somebody waits for an answer. */
    ASKED,
    /** It is signed on paper, and the paper is to come back. */
    ON_PAPER;

    /** Empty for one that doesn't wait for the office. */
    public static Optional<Attention> of(Agreement agreement) {
        if (!agreement.locked().isEmpty()) return Optional.of(KEPT_OUT);
        if (agreement.state() != State.OUT) return Optional.empty();
        if (!agreement.undelivered().isEmpty()) return Optional.of(UNDELIVERED);
        if (agreement.questions().stream().anyMatch(one -> one.answer().isEmpty())) return Optional.of(ASKED);
        return agreement.onPaper() ? Optional.of(ON_PAPER) : Optional.empty();
    }
}
