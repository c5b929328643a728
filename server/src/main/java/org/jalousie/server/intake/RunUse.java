package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.tables.TableUse;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Agreements from the rows of a table: each row is a form of the template filled in, read and taken as any other. */
@Component
class RunUse implements TableUse {
    private static final Pattern IN_ITEM = Pattern.compile("(\\w+)\\[(\\d+)\\]\\.(.+)");

    private final UsableTemplates templates;
    private final JointForms joints;
    private final FilledForms filled;
    private final FormLookups lookups;
    private final IntakeService intake;
    private final Settings settings;

    RunUse(
            UsableTemplates templates,
            JointForms joints,
            FilledForms filled,
            FormLookups lookups,
            IntakeService intake,
            Settings settings) {
        this.templates = templates;
        this.joints = joints;
        this.filled = filled;
        this.lookups = lookups;
        this.intake = intake;
        this.settings = settings;
    }

    @Override
    public Purpose purpose() {
        return Purpose.RUN;
    }

    @Override
    public int atOnce() {
        // each agreement is a transaction of its own: what can't be made keeps none of the others
        return 1;
    }

    private JointForm form(String subject) {
        return joints.of(templates.published(UUID.fromString(subject)));
    }

    @Override
    public List<Field> fields(String subject) {
        return RunRow.fields(form(subject));
    }

    @Override
    public Made made(String plan) {
        Made made = Json.MAPPER.readValue(plan, Made.class);
        return made.request() == null ? Made.NOTHING : made;
    }

    @Override
    public List<Checked> check(Taken table, List<TakenRow> rows) {
        JointForm form = form(table.subject());
        return rows.stream().map(row -> checked(form, table, row)).toList();
    }

    private Checked checked(JointForm form, Taken table, TakenRow row) {
        RunRow read = RunRow.read(
                form,
                table.settings().style(),
                settings.office().zone(),
                row,
                table.by().name());
        Faults faults = new Faults(read);
        try {
            FormLookups.Filled looked = lookups.filled(form, read.sent(), read.lookedUp());
            joints.read(form, looked.sent(), (one, of) -> filled.read(one, filled.fresh(one, of), Set.of(), true));
        } catch (Refusal refused) {
            faults.add(refused);
        }
        return new Checked(
                row.number(),
                faults.none() ? Outcome.NEW : Outcome.FAULTY,
                Optional.empty(),
                Map.of(),
                faults.own,
                faults.parts);
    }

    @Override
    public List<Checked> carryOut(Taken table, List<TakenRow> rows) {
        List<Checked> done = new ArrayList<>();
        JointForm form = form(table.subject());
        for (TakenRow row : rows) {
            RunRow read = RunRow.read(
                    form,
                    table.settings().style(),
                    settings.office().zone(),
                    row,
                    table.by().name());
            Faults faults = new Faults(read);
            if (!faults.none()) throw Refusal.invalid(Message.of("form.faults", "count", 1));
            Actor.Office by = SignedIn.actor(table.by().mail(), table.by().name());
            // one row is one request, however often it is tried
            UUID key = UUID.nameUUIDFromBytes(
                    (table.table() + " " + row.number()).getBytes(java.nio.charset.StandardCharsets.UTF_8));
            String request = intake.take(UUID.fromString(table.subject()), key, read.sent(), read.lookedUp(), by)
                    .row()
                    .number();
            AgreementNumber agreement = intake.generate(request, by);
            done.add(new Checked(
                    row.number(), Outcome.DONE, Optional.empty(), new Made(request, agreement.value()), Map.of()));
        }
        return done;
    }

    /** What is wrong with a row, at its cells and at those of the rows that go with it. */
    private static final class Faults {
        private final RunRow read;
        private final Map<FieldName, Message> own = new LinkedHashMap<>();
        private final Map<Integer, Map<FieldName, Message>> parts = new HashMap<>();

        Faults(RunRow read) {
            this.read = read;
            read.faults().forEach((place, fault) -> at(place.row(), place.field(), fault));
        }

        boolean none() {
            return own.isEmpty() && parts.isEmpty();
        }

        void add(Refusal refused) {
            boolean known = !none();
            refused.faults().forEach((name, fault) -> {
                Matcher item = IN_ITEM.matcher(name);
                if (item.matches()) {
                    FieldName field = new FieldName(item.group(1) + "." + item.group(3));
                    at(read.rowOf(new FieldName(item.group(1)), Integer.parseInt(item.group(2))), field, fault);
                } else if (refused.faults().keySet().stream().noneMatch(other -> other.startsWith(name + "["))) {
                    at(read.number(), new FieldName(name), fault);
                }
            });
            if (refused.faults().isEmpty() && !known) own.put(new FieldName(""), refused.said());
        }

        private void at(int row, FieldName field, Message fault) {
            if (row == read.number()) own.putIfAbsent(field, fault);
            else parts.computeIfAbsent(row, number -> new LinkedHashMap<>()).putIfAbsent(field, fault);
        }
    }
}
