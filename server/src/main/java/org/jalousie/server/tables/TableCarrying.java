package org.jalousie.server.tables;

import java.time.Clock;
import java.time.Instant;
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
        try {
            int last = Integer.MIN_VALUE;
            // rows before it are done or faulty, so nobody looks through them once more
            for (OptionalInt done = some(table, last); done.isPresent(); done = some(table, last))
                last = done.getAsInt();
        } catch (TableSteps.Overtaken e) {
            // whoever has the work looks what is wanted now
        }
    }

    /** Does the next rows after one. @return the last of them; nothing when all is done */
    private OptionalInt some(BroughtTable table, int after) {
        TableUse use = steps.use(table);
        int[] first = {0};
        int[] last = {0};
        try {
            steps.still(table, now -> {
                List<BroughtRows.BroughtRow> batch = rows.after(now.id(), after, TO_DO, use.atOnce());
                if (batch.isEmpty()) {
                    now.goesTo(BroughtTable.State.DONE, clock.instant());
                    return;
                }
                waitForTurn(now);
                first[0] = batch.get(0).number();
                last[0] = batch.get(batch.size() - 1).number();
                steps.keep(now, use.carryOut(now.taken(), steps.taken(now, batch)));
                now.comesTo(now.done() + batch.size(), clock.instant());
            });
        } catch (ServiceAway away) {
            throw away;
        } catch (Told told) {
            if (use.atOnce() > 1 || first[0] == 0) throw told;
            steps.still(table, now -> steps.keep(now, List.of(faulty(now, first[0], told))));
        }
        return last[0] == 0 ? OptionalInt.empty() : OptionalInt.of(last[0]);
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
