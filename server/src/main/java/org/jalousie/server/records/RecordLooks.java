package org.jalousie.server.records;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.DataParts;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;
import org.jalousie.core.records.Pointers;
import org.jalousie.core.records.RecordCells;
import org.jalousie.core.records.RecordTerms;
import org.jalousie.core.tables.CellReader;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.intake.RowIntake;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** Shows a real record as it would be taken in. Takes and changes nothing. */
@Component
class RecordLooks {
    private static final int MOST_KEYS = 50;
    private static final int LONGEST_VALUE = 200;

    private final RecordClient client;
    private final RecordTaking taking;
    private final RowIntake intake;
    private final Settings settings;

    RecordLooks(RecordClient client, RecordTaking taking, RowIntake intake, Settings settings) {
        this.client = client;
        this.taking = taking;
        this.intake = intake;
        this.settings = settings;
    }

    /**
     * @param key of the record; empty for the first that has the status
     * @throws Refusal when it can't be read, with the fault's place where that is known
     */
    RecordViews.RealRecord look(RecordClient.Access access, String key) {
        RecordTerms terms = access.terms();
        List<Field> fields = intake.fields(terms.form());
        Set<String> keys = new LinkedHashSet<>();
        try {
            client.list(access, page -> {
                keys.addAll(page);
                if (keys.size() >= MOST_KEYS) throw new Enough();
            });
        } catch (Enough enough) {
            // as many as anybody looks at
        } catch (RecordsUnread unread) {
            throw refused("place.list", unread);
        }
        String chosen = key.isBlank() ? keys.stream().findFirst().orElse("") : key;
        if (chosen.isEmpty()) return nothing(fields);
        if (!RecordClient.isKey(chosen)) throw none(chosen);
        RecordClient.Fetched found = fetched(access, chosen);
        RecordCells.Seen seen;
        try {
            seen = client.whole(access, chosen, found.record());
        } catch (RecordsUnread unread) {
            throw refused("related", unread);
        }
        CellReader reader = new CellReader(terms.style(), settings.office().zone());
        RowIntake.Faults faults =
                intake.check(terms.form(), terms.style(), RecordTaking.row(terms, seen), terms.title());
        return new RecordViews.RealRecord(
                chosen,
                keys.size(),
                List.copyOf(keys),
                values(List.of(seen.itself())),
                seen.related().entrySet().stream()
                        .map(one -> new RecordViews.RelatedValues(
                                one.getKey(), one.getValue().size(), values(one.getValue())))
                        .toList(),
                List.copyOf(Pointers.lists(seen.itself()).keySet()),
                RecordCells.proposed(fields, seen, reader),
                fillable(fields),
                taking.told(terms, faults),
                Pointers.text(found.record(), terms.place().status()));
    }

    private RecordClient.Fetched fetched(RecordClient.Access access, String key) {
        try {
            Optional<RecordClient.Fetched> found = client.one(access, key);
            return found.orElseThrow(() -> none(key));
        } catch (RecordsUnread unread) {
            throw refused("place.one", unread);
        }
    }

    private static Refusal none(String key) {
        Message none = Message.of("records.none", "key", key);
        return Refusal.invalid(none, Map.of("place.one", none));
    }

    private static Refusal refused(String place, RecordsUnread unread) {
        return Refusal.invalid(unread.said(), Map.of(place, unread.said()));
    }

    private static RecordViews.RealRecord nothing(List<Field> fields) {
        return new RecordViews.RealRecord(
                "", 0, List.of(), List.of(), List.of(), List.of(), List.of(), fillable(fields), List.of(), "");
    }

    private static List<RecordViews.RecordValue> values(List<JsonNode> rows) {
        Map<String, String> values = new LinkedHashMap<>();
        for (JsonNode row : rows)
            Pointers.values(row).forEach((pointer, value) -> values.putIfAbsent(pointer, shown(value)));
        List<RecordViews.RecordValue> all = new ArrayList<>();
        values.forEach((pointer, value) -> all.add(new RecordViews.RecordValue(pointer, value)));
        return all;
    }

    private static String shown(JsonNode value) {
        String text = value.isNull() ? "" : value.asString();
        return text.length() > LONGEST_VALUE ? text.substring(0, LONGEST_VALUE) : text;
    }

    private static List<RecordViews.FillableField> fillable(List<Field> fields) {
        Map<String, FieldType> types = new LinkedHashMap<>();
        fields.forEach(field -> types.put(field.name().value(), field.type()));
        return fields.stream().map(field -> fillable(field, types)).toList();
    }

    private static RecordViews.FillableField fillable(Field field, Map<String, FieldType> types) {
        String name = field.name().value();
        int dot = name.indexOf('.');
        String whole = dot < 0 ? "" : name.substring(0, dot);
        FieldType type = types.getOrDefault(whole, FieldType.TEXT);
        String part = DataParts.of(type).stream()
                .filter(one -> name.equals(whole + "." + one.name()))
                .map(DataParts.Part::label)
                .findFirst()
                .orElse("");
        return new RecordViews.FillableField(
                name, field.label(), field.type().name(), field.required(), type == FieldType.ITEMS ? whole : "", part);
    }

    /** Ends a look through a long list. */
    private static final class Enough extends RuntimeException {
        Enough() {
            super(null, null, false, false);
        }
    }
}
