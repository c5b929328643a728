package org.jalousie.server.archive.reports;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the office can learn from the agreements that it made: where the time goes, what is stuck, what came to nothing. */
@Service
@Transactional(readOnly = true)
class Reports {
    private final Times times;
    private final OutNow outNow;
    private final Endings endings;
    private final AskedByMonth askedByMonth;

    Reports(Times times, OutNow outNow, Endings endings, AskedByMonth askedByMonth) {
        this.times = times;
        this.outNow = outNow;
        this.endings = endings;
        this.askedByMonth = askedByMonth;
    }

    List<ReportViews.SpentRow> times(Asked asked) {
        return times.of(asked);
    }

    List<ReportViews.OutRow> outNow(Asked asked) {
        return outNow.of(asked.template(), asked.hidden());
    }

    List<ReportViews.EndedRow> endings(Asked asked) {
        return endings.counts(asked);
    }

    ReportViews.AskedReport asked(Asked asked) {
        return askedByMonth.of(asked);
    }

    /** A page of those that came to nothing, the newest first unless it is asked for otherwise. */
    KeyedPage<ReportViews.EndedInVain> inVain(Asked asked, ListPlace place) {
        if (!List.of("", "at", "-at").contains(place.sort()))
            throw Refusal.malformed(Message.of("list.sorted-by", "columns", "at"));
        boolean up = place.sort().equals("at");
        return KeyedPage.of(
                endings.inVain(asked, up != place.back(), place.row().map(Reports::at), Page.SIZE + 1),
                place,
                endings.countInVain(asked, KeyedPage.MOST_COUNTED + 1),
                rows -> rows.stream().map(Endings.Row::shown).toList(),
                (row, at) ->
                        new ListPlace.Row(at, row.id(), "at", row.shown().at().toString()));
    }

    /** The next of all of them, for a file. */
    List<Endings.Row> inVain(Asked asked, Optional<Endings.At> after, int most) {
        return endings.inVain(asked, false, after, most);
    }

    private static Endings.At at(ListPlace.Row row) {
        try {
            Instant at = Instant.parse(row.value());
            // what a database keeps
            if (at.isAfter(Instant.parse("0001-01-01T00:00:00Z")) && at.isBefore(Instant.parse("9999-12-31T00:00:00Z")))
                return new Endings.At(at, row.id());
        } catch (DateTimeException e) {
            throw Refusal.malformed(Message.of("list.no-key"));
        }
        throw Refusal.malformed(Message.of("list.no-key"));
    }
}
