package org.jalousie.server.registers;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.CellReader;
import org.jalousie.server.Settings;
import org.jalousie.server.tables.TableSettings;
import org.jalousie.server.tables.TableUse;
import org.springframework.stereotype.Component;

/** Rows of registers from tables: a row whose key is known changes that one, any other is new. */
@Component
class RegisterImport implements TableUse {
    private static final int DONE_AT_ONCE = 200;

    private final RegisterService registers;
    private final RowStore store;
    private final RowWriting writing;
    private final NamingRows naming;
    private final RowReading reading;
    private final Settings settings;

    RegisterImport(
            RegisterService registers,
            RowStore store,
            RowWriting writing,
            NamingRows naming,
            RowReading reading,
            Settings settings) {
        this.registers = registers;
        this.store = store;
        this.writing = writing;
        this.naming = naming;
        this.reading = reading;
        this.settings = settings;
    }

    /**
     * What is to be done with a row.
     *
     * @param row that is there already; null for a new one
     * @param revision of that one when it was looked at
     * @param instead what it says now, by the columns that would say something else
     */
    record Plan(UUID row, int revision, Map<FieldName, String> instead) {
        Plan {
            instead = instead == null ? Map.of() : instead;
        }
    }

    @Override
    public Purpose purpose() {
        return Purpose.REGISTER;
    }

    @Override
    public int atOnce() {
        return DONE_AT_ONCE;
    }

    @Override
    public List<Field> fields(String subject) {
        return registers.register(subject).terms().fields();
    }

    @Override
    public Map<FieldName, String> instead(String plan) {
        return Json.MAPPER.readValue(plan, Plan.class).instead();
    }

    @Override
    public List<Checked> check(Taken table, List<TakenRow> rows) {
        Register register = registers.register(table.subject());
        return planned(register, table.settings(), rows).stream()
                .map(Planned::checked)
                .toList();
    }

    @Override
    public List<Checked> carryOut(Taken table, List<TakenRow> rows) {
        Register register = registers.held(table.subject());
        List<Checked> done = new ArrayList<>();
        List<RowWriting.Written> written = new ArrayList<>();
        Map<Integer, Plan> seen = new HashMap<>();
        rows.forEach(row -> seen.put(row.number(), Json.MAPPER.readValue(row.plan(), Plan.class)));
        for (Planned one : planned(register, table.settings(), rows)) {
            Plan was = seen.get(one.number());
            boolean overtaken = one.outcome() == Outcome.CHANGED
                            && (was.row() == null
                                    || was.revision() != one.plan().revision())
                    || one.outcome() == Outcome.NEW && was.row() != null;
            if (overtaken) {
                // what a person has agreed to was another change
                done.add(one.faulty(Message.of("table.overtaken")));
            } else if (one.outcome() == Outcome.NEW || one.outcome() == Outcome.CHANGED) {
                written.add(
                        one.before() == null
                                ? RowWriting.Written.fresh(one.read())
                                : new RowWriting.Written(one.before().id(), one.before(), one.read()));
                done.add(one.as(Outcome.DONE));
            } else {
                done.add(one.checked());
            }
        }
        writing.write(register, written, RowWriting.How.IMPORTED, table.by().name());
        naming.after(register, written);
        return done;
    }

    /** What would come of a row, as things are. */
    private record Planned(
            int number,
            Outcome outcome,
            Optional<String> toldApart,
            Plan plan,
            Map<FieldName, Message> faults,
            RowRead read,
            RegisterRow before) {
        Checked checked() {
            return as(outcome);
        }

        Checked as(Outcome other) {
            return new Checked(number, other, toldApart, plan, faults);
        }

        Checked faulty(Message said) {
            return new Checked(number, Outcome.FAULTY, toldApart, plan, Map.of(new FieldName(""), said));
        }
    }

    private List<Planned> planned(Register register, TableSettings how, List<TakenRow> rows) {
        RegisterTerms terms = register.terms();
        CellReader reader = new CellReader(how.style(), settings.office().zone());
        Map<Integer, Map<FieldName, Value>> values = new HashMap<>();
        Map<Integer, Map<FieldName, Message>> faults = new HashMap<>();
        for (TakenRow row : rows) {
            values.put(row.number(), new LinkedHashMap<>());
            faults.put(row.number(), new LinkedHashMap<>());
            read(terms, reader, row, values.get(row.number()), faults.get(row.number()));
        }
        Map<String, RegisterRow> known = known(register, values.values());
        List<RowReading.Draft> drafts = new ArrayList<>();
        for (TakenRow row : rows) {
            RegisterRow before = known.get(key(terms, values.get(row.number())));
            drafts.add(draft(terms, how, row, values.get(row.number()), faults.get(row.number()), before));
        }
        List<RowRead> read = reading.finished(register, drafts);
        List<Planned> planned = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++)
            planned.add(planned(
                    terms,
                    rows.get(i),
                    read.get(i),
                    known.get(key(terms, values.get(rows.get(i).number())))));
        return planned;
    }

    private static void read(
            RegisterTerms terms,
            CellReader reader,
            TakenRow row,
            Map<FieldName, Value> values,
            Map<FieldName, Message> faults) {
        for (Field field : terms.fields()) {
            Cell cell = row.cells().get(field.name());
            if (cell == null) continue;
            try {
                reader.read(field, cell).ifPresent(value -> values.put(field.name(), value));
            } catch (ValueReader.Unreadable e) {
                faults.put(field.name(), e.said());
            }
        }
    }

    private static String key(RegisterTerms terms, Map<FieldName, Value> values) {
        Value key = values.get(terms.key());
        return key == null ? "" : SortKey.taken(key);
    }

    private Map<String, RegisterRow> known(Register register, java.util.Collection<Map<FieldName, Value>> all) {
        RegisterTerms terms = register.terms();
        List<String> keys = all.stream()
                .map(one -> key(terms, one))
                .filter(key -> !key.isEmpty())
                .distinct()
                .toList();
        Map<String, UUID> ids = store.having(store.columns(register.id()).get(terms.key()), keys);
        Map<UUID, RegisterRow> rows =
                store.rows(register.id(), ids.values()).stream().collect(Collectors.toMap(RegisterRow::id, row -> row));
        Map<String, RegisterRow> known = new HashMap<>();
        ids.forEach((key, id) -> known.put(key, rows.get(id)));
        return known;
    }

    /** A row with what the one that is there says in columns that the table hasn't, or leaves empty. */
    private static RowReading.Draft draft(
            RegisterTerms terms,
            TableSettings how,
            TakenRow row,
            Map<FieldName, Value> values,
            Map<FieldName, Message> faults,
            RegisterRow before) {
        Map<FieldName, Value> all = new LinkedHashMap<>(values);
        if (before != null) {
            Map<String, Value> stored = Intake.stored(terms.fields(), before.values());
            for (Field field : terms.fields()) {
                boolean cleared = how.clears() && row.cells().containsKey(field.name());
                Value was = stored.get(field.name().value());
                if (was != null && !cleared && !faults.containsKey(field.name())) all.putIfAbsent(field.name(), was);
            }
        }
        for (Field field : terms.fields())
            if (field.required() && !all.containsKey(field.name()) && !faults.containsKey(field.name()))
                faults.put(field.name(), Message.of("field.required", "field", field.label()));
        return new RowReading.Draft(all, faults, Optional.ofNullable(before).map(RegisterRow::id));
    }

    private static Planned planned(RegisterTerms terms, TakenRow row, RowRead read, RegisterRow before) {
        Optional<String> key = Optional.of(key(terms, read.values())).filter(one -> !one.isEmpty());
        Map<FieldName, String> instead = new LinkedHashMap<>();
        if (before != null)
            for (Field field : terms.fields()) {
                String was = before.values().getOrDefault(field.name(), "");
                Value is = read.values().get(field.name());
                if (!was.equals(is == null ? "" : is.raw()) && !read.faults().containsKey(field.name()))
                    instead.put(
                            field.name(),
                            ValueReader.stored(field, was)
                                    .map(RowWords::printed)
                                    .orElse(""));
            }
        Outcome outcome = !read.faults().isEmpty()
                ? Outcome.FAULTY
                : before == null ? Outcome.NEW : instead.isEmpty() ? Outcome.SAME : Outcome.CHANGED;
        Plan plan = before == null ? new Plan(null, 0, Map.of()) : new Plan(before.id(), before.revision(), instead);
        return new Planned(row.number(), outcome, key, plan, read.faults(), read, before);
    }
}
