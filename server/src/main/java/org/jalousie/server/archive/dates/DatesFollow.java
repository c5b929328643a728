package org.jalousie.server.archive.dates;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.intake.AfterRequests;
import org.springframework.stereotype.Component;

/** Watches the days of agreements as they are completed, and whoever takes care of them. */
@Component
class DatesFollow implements AfterEvents, AfterRequests {
    private final WatchedDates dates;
    private final DateStore store;

    DatesFollow(WatchedDates dates, DateStore store) {
        this.dates = dates;
        this.store = store;
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        if (happened.stream().noneMatch(one -> one.event() instanceof Event.Completed)) return;
        dates.follow(id, history);
        dates.renewed(agreement);
    }

    @Override
    public void owned(String request, String mail, String name) {
        store.owned(request, mail, name);
    }
}
