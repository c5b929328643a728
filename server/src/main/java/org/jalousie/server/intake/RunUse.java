package org.jalousie.server.intake;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.data.Field;
import org.jalousie.core.json.Json;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.tables.TableUse;
import org.springframework.stereotype.Component;

/** Agreements from the rows of a table. */
@Component
class RunUse implements TableUse {
    // a pause is heard between them; more would gain nothing that can be measured
    private static final int AT_ONCE = 10;

    private final RowIntake rows;

    RunUse(RowIntake rows) {
        this.rows = rows;
    }

    @Override
    public Purpose purpose() {
        return Purpose.RUN;
    }

    @Override
    public int atOnce() {
        return AT_ONCE;
    }

    @Override
    public boolean eachForItself() {
        return true;
    }

    @Override
    public List<Field> fields(String subject) {
        return rows.fields(UUID.fromString(subject));
    }

    @Override
    public Made made(String plan) {
        Made made = Json.MAPPER.readValue(plan, Made.class);
        return made.request() == null ? Made.NOTHING : made;
    }

    @Override
    public List<Checked> check(Taken table, List<TakenRow> all) {
        JointForm form = rows.form(UUID.fromString(table.subject()));
        List<Checked> checked = new ArrayList<>();
        for (TakenRow row : all) {
            RowIntake.Faults faults =
                    rows.check(form, table.settings().style(), row, table.by().name());
            checked.add(new Checked(
                    row.number(),
                    faults.none() ? Outcome.NEW : Outcome.FAULTY,
                    Optional.empty(),
                    Map.of(),
                    faults.own(),
                    faults.parts()));
        }
        return checked;
    }

    @Override
    public List<Checked> carryOut(Taken table, List<TakenRow> all) {
        JointForm form = rows.form(UUID.fromString(table.subject()));
        List<Checked> done = new ArrayList<>();
        for (TakenRow row : all) {
            Actor.Office by = SignedIn.actor(table.by().mail(), table.by().name());
            // one row is one request, however often it is tried
            UUID key = UUID.nameUUIDFromBytes((table.table() + " " + row.number()).getBytes(StandardCharsets.UTF_8));
            Made made = rows.take(form, key, table.settings().style(), row, by);
            done.add(new Checked(row.number(), Outcome.DONE, Optional.empty(), made, Map.of()));
        }
        return done;
    }
}
