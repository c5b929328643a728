package org.jalousie.core.agreement;

/** Where an agreement stands as a whole. */
public enum State {
    GENERATING,
    /** Made, waiting for the coordinator's check. */
    CHECK,
    /** Sent; somebody has to act. */
    OUT,
    /** Everybody acted; the last seals are being made. */
    SEALING,
    COMPLETED,
    DECLINED,
    WITHDRAWN,
    EXPIRED;

    /** Whether nothing can happen to it any more. */
    public boolean ended() {
        return this == COMPLETED || this == DECLINED || this == WITHDRAWN || this == EXPIRED;
    }
}
