package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;

/** A room that does something after events of agreements: asks for jobs, queues mail, ends links. */
public interface AfterEvents {
    /**
     * Called in the transaction of the events, which is where what follows has to be asked for.
     *
     * @param agreement after the events
     * @param history all of it, the new events last
     * @param happened the new ones
     */
    void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened);
}
