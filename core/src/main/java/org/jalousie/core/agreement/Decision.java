package org.jalousie.core.agreement;

import java.util.List;

/** What comes of a command, decided from history alone: no database, no clock but the one given. */
public sealed interface Decision {
    /** @param events what happened; empty when it had happened already */
    record Accepted(List<Event> events) implements Decision {}

    /** @param reason a sentence for the person who tried, naming what to do instead */
    record Refused(String reason) implements Decision {}
}
