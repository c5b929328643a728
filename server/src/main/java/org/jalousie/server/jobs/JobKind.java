package org.jalousie.server.jobs;

import java.util.Arrays;

/** The kinds of jobs there are. An instance is an agreement's id, with what else the job needs after a colon. */
public enum JobKind {
    GENERATE,
    SEAL_OFFICE,
    SEAL_PARTY,
    FINISH,
    MAIL;

    String taskName() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    static JobKind ofTask(String name) {
        return Arrays.stream(values())
                .filter(kind -> kind.taskName().equals(name))
                .findFirst()
                .orElseThrow();
    }
}
