package org.jalousie.core.agreement;

import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;

/** What the rules say to a command. */
public sealed interface Decision {
    /** It happens. @param events may be none when there was nothing left to do */
    record Accepted(List<Event> events) implements Decision {}

    /**
     * It can't happen now.
     *
     * @param reason for the person who tried, naming what to do instead
     * @param faults what has to be mended, by signing field name
     */
    record Refused(Message reason, Map<String, Message> faults) implements Decision {
        Refused(Message reason) {
            this(reason, Map.of());
        }
    }

    /** The program brought what was made for a state that has passed. Nothing has failed, and nothing happens. */
    record Overtaken() implements Decision {}
}
