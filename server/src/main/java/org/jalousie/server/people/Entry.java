package org.jalousie.server.people;

import java.io.Serializable;
import java.time.Instant;

/**
 * How a session began. It stands in it under {@link #NAME}.
 *
 * @param from the network address
 * @param agent what the browser says of itself
 */
record Entry(String from, String agent, Way way, Instant at) implements Serializable {
    static final String NAME = "jalousie.entry";

    /** By what somebody showed who they are. */
    enum Way {
        PASSWORD,
        CODE,
        RECOVERY,
        PASSKEY,
        PROVIDER;

        /** Whether it was more than a password. */
        boolean strong() {
            return this != PASSWORD;
        }
    }
}
