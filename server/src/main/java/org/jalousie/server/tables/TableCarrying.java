package org.jalousie.server.tables;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.jobs.NotYet;
import org.springframework.stereotype.Component;

/** Does what was planned with the rows of tables. What was done with a row is written down in the transaction that does it, so it is done once. */
@Component
class TableCarrying {
    private static final Set<TableUse.Outcome> TO_DO = EnumSet.of(TableUse.Outcome.NEW, TableUse.Outcome.CHANGED);

    private final BroughtRows rows;
    private final TableSteps steps;
    private final Clock clock;

    TableCarrying(BroughtRows rows, TableSteps steps, Clock clock) {
        this.rows = rows;
        this.steps = steps;
        this.clock = clock;
    }

    /** Goes on until nothing is left, or something else is wanted. */
    void carryOut(BroughtTable table) {
        TableUse use = steps.use(table);
        int together = table.settings().perMinute() > 0 && use.eachForItself() ? 1 : use.atOnce();
        try {
            int last = Integer.MIN_VALUE;
            // rows before it are done or faulty, so nobody looks through them once more
            for (OptionalInt done = some(table, use, last, together);
                    done.isPresent();
                    done = some(table, use, last, together)) last = done.getAsInt();
        } catch (TableSteps.Overtaken e) {
            // whoever has the work looks what is wanted now
        }
    }

    /** Does the next rows after one, so many at most. @return the last of them; nothing when all is done */
    private OptionalInt some(BroughtTable table, TableUse use, int after, int most) {
        List<BroughtRows.BroughtRow> batch = new ArrayList<>();
        try {
            steps.still(table, now -> {
                batch.addAll(rows.after(now.id(), after, TO_DO, most));
                if (batch.isEmpty()) {
                    now.goesTo(BroughtTable.State.DONE, clock.instant());
                    return;
                }
                waitForTurn(now);
                steps.keep(now, use.carryOut(now.taken(), steps.taken(now, batch)));
                now.comesTo(now.done() + batch.size(), clock.instant());
            });
        } catch (ServiceAway away) {
            throw away;
        } catch (Told told) {
            if (!use.eachForItself() || batch.isEmpty()) throw told;
            if (batch.size() > 1) return oneByOne(table, use, after, numberOfLast(batch));
            steps.still(
                    table,
                    now -> steps.keep(now, List.of(faulty(now, batch.get(0).number(), told))));
        }
        return batch.isEmpty() ? OptionalInt.empty() : OptionalInt.of(numberOfLast(batch));
    }

    /** Nothing can be made of one of them: the others are made, and it is told there. */
    private OptionalInt oneByOne(BroughtTable table, TableUse use, int after, int last) {
        OptionalInt done = OptionalInt.of(after);
        while (done.isPresent() && done.getAsInt() < last) done = some(table, use, done.getAsInt(), 1);
        return done;
    }

    private static int numberOfLast(List<BroughtRows.BroughtRow> batch) {
        return batch.get(batch.size() - 1).number();
    }

    /** So many a minute and no more, so that what goes out isn't too much for a mail server. */
    private void waitForTurn(BroughtTable table) {
        int most = table.settings().perMinute();
        if (most == 0 || table.done() == 0) return;
        Instant next = table.changedAt().plusMillis(60_000L / most);
        if (next.isAfter(clock.instant())) throw new NotYet(next);
    }

    private TableUse.Checked faulty(BroughtTable table, int number, Told told) {
        Map<FieldName, Message> faults = new LinkedHashMap<>();
        if (told instanceof Refusal refused)
            refused.faults().forEach((name, fault) -> faults.put(new FieldName(name), fault));
        if (faults.isEmpty()) faults.put(new FieldName(""), told.said());
        BroughtRows.BroughtRow row = rows.row(table.id(), number).orElseThrow();
        return new TableUse.Checked(
                number, TableUse.Outcome.FAULTY, row.toldApart(), Json.MAPPER.readTree(row.plan()), faults);
    }
}
