package org.jalousie.server.intake;

import org.jalousie.core.agreement.State;

/** How far a request has come. */
public enum RequestStage {
    /** No agreement was made of it yet. */
    WAITING,
    /** Its agreement is being made, or waits to be looked at. */
    CHECK,
    OUT,
    DONE,
    /** Its agreement came to nothing; another one can be made. */
    ENDED;

    static RequestStage of(State state) {
        return switch (state) {
            case GENERATING, CHECK -> CHECK;
            case OUT, SEALING -> OUT;
            case COMPLETED -> DONE;
            default -> ENDED;
        };
    }
}
