package org.jalousie.server.archive.dates;

import java.time.Clock;
import java.time.LocalDate;
import java.util.UUID;
import org.jalousie.core.filing.dates.KeyDate;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.template.TemplateDates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the office does about watched days. Each is kept with who did it. */
@Service
class DateActs {
    private static final int LONGEST_NOTE = 2_000;

    private final DateStore store;
    private final WatchedDates dates;
    private final TemplateDates templates;
    private final DateLists lists;
    private final Clock clock;

    DateActs(DateStore store, WatchedDates dates, TemplateDates templates, DateLists lists, Clock clock) {
        this.store = store;
        this.dates = dates;
        this.templates = templates;
        this.lists = lists;
        this.clock = clock;
    }

    /**
     * It is dealt with.
     *
     * @param again whether it comes again, where it does
     * @throws Refusal when somebody has dealt with it already
     */
    @Transactional
    DateViews.WatchedDate settle(UUID id, String note, boolean again, String by) {
        DateStore.Row row = open(id);
        did(row, DateViews.Done.SETTLED, note, by);
        store.become(id, DateStore.State.SETTLED, "");
        if (again) dates.next(row);
        return shown(id);
    }

    /** It is dealt with no more. The next one that came by it goes, unless something was done about that. */
    @Transactional
    DateViews.WatchedDate reopen(UUID id, String note, String by) {
        DateStore.Row row = held(id);
        if (row.open()) throw Refusal.conflict(Message.of("dates.not-over"));
        store.heldOf(row.of().agreement()).stream()
                .filter(one -> one.key().equals(row.key()) && one.term() > row.term())
                .forEach(next -> {
                    if (!next.open() || store.touched(next.id()))
                        throw Refusal.conflict(Message.of("dates.next-open", "day", next.day()));
                    store.remove(next.id());
                });
        did(row, DateViews.Done.REOPENED, note, by);
        store.become(id, DateStore.State.OPEN, "");
        return shown(id);
    }

    /**
     * It is another day than the data say.
     *
     * @param was the day that it was when this was decided
     * @param note why
     */
    @Transactional
    DateViews.WatchedDate move(UUID id, LocalDate was, LocalDate day, String note, String by) {
        if (day == null || !DateLists.isSane(day)) throw Refusal.invalid(Message.of("dates.no-day"));
        if (note.isBlank()) throw Refusal.invalid(Message.of("dates.why-moved"));
        DateStore.Row row = open(id);
        if (!row.day().equals(was)) throw Refusal.conflict(Message.of("dates.moved-since", "day", row.day()));
        did(row, DateViews.Done.MOVED, note, by);
        KeyDate date = templates.held(row.of().template()).date(row.key()).orElseThrow(DateActs::none);
        store.settle(row, date, day, DateStore.State.OPEN, true);
        return shown(id);
    }

    private DateViews.WatchedDate shown(UUID id) {
        return lists.view(held(id));
    }

    private DateStore.Row open(UUID id) {
        DateStore.Row row = held(id);
        if (!row.open()) throw Refusal.conflict(Message.of("dates.over", "title", row.what(), "day", row.day()));
        return row;
    }

    private DateStore.Row held(UUID id) {
        // the template before its dates, as everywhere
        templates.held(store.templateOf(id).orElseThrow(DateActs::none));
        return store.held(id).orElseThrow(DateActs::none);
    }

    private static Refusal none() {
        return Refusal.notFound(Message.of("dates.none"));
    }

    private void did(DateStore.Row row, DateViews.Done act, String note, String by) {
        if (note.length() > LONGEST_NOTE) throw Refusal.invalid(Message.of("dates.long-note", "most", LONGEST_NOTE));
        store.did(
                row.id(),
                new DateStore.Act(act.name(), row.day(), note.strip().replace("\0", ""), by, clock.instant()));
    }
}
