package org.jalousie.server.jobs;

import java.util.Optional;
import java.util.UUID;

/**
 * Work that takes long, as it stands now.
 *
 * @param kind what is made, for example a proof
 * @param subject of what, for example a template
 * @param basis names the state that it is made from; another state makes it worthless
 * @param done how much of {@code total} is done
 * @param result as JSON, when it is done
 * @param reason why it failed, for the person who asked
 */
public record LongWork(
        UUID id,
        String kind,
        UUID subject,
        String basis,
        State state,
        int done,
        int total,
        Optional<String> result,
        String reason,
        String askedBy) {
    /** How far it is. */
    public enum State {
        WAITING,
        RUNNING,
        DONE,
        FAILED;

        /** Whether nothing more will come of it. */
        public boolean ended() {
            return this == DONE || this == FAILED;
        }
    }
}
