package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Renews, at the start, what lists show of agreements that an earlier version of the program kept less of. */
@Component
class Projections {
    private final AgreementRows rows;
    private final AgreementLog log;

    Projections(AgreementRows rows, AgreementLog log) {
        this.rows = rows;
        this.log = log;
    }

    @EventListener(ApplicationReadyEvent.class)
    void renew() {
        List<UUID> found = rows.withoutFacts();
        while (!found.isEmpty()) {
            found.forEach(log::projectAgain);
            found = rows.withoutFacts();
        }
    }
}
