package org.jalousie.core.records;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.TableStyle;

/**
 * How agreements are made of another system's records, and what is written back there.
 *
 * @param title what people call the system
 * @param form template whose form is filled
 * @param related rows that go with a record
 * @param dates how texts in records write days, {@code numbers} and numbers; what isn't a text in JSON says it itself
 * @param taken what goes where
 */
public record RecordTerms(
        String title,
        UUID form,
        RecordPlace place,
        List<RelatedRows> related,
        TableStyle.DateOrder dates,
        TableStyle.NumberMarks numbers,
        List<TakenFrom> taken,
        WrittenBack back) {
    private static final int LONGEST_TITLE = 100;
    private static final int LONGEST_TEXT = 10_000;
    private static final int MOST_RELATED = 10;
    private static final int MOST_TAKEN = 500;

    public RecordTerms {
        title = RecordPlace.stripped(title);
        related = related == null ? List.of() : List.copyOf(related);
        dates = dates == null ? TableStyle.DateOrder.YEAR_FIRST : dates;
        numbers = numbers == null ? TableStyle.NumberMarks.POINT : numbers;
        taken = taken == null ? List.of() : List.copyOf(taken);
    }

    /** How texts in records are read. */
    public TableStyle style() {
        return new TableStyle(TableStyle.Format.JSON, "", "", "", 1, false, dates, numbers);
    }

    public Optional<RelatedRows> related(String name) {
        return related.stream().filter(one -> one.name().equals(name)).findFirst();
    }

    /** What has to be mended, by the place of each fault; nothing when all is well. */
    public Map<String, Message> faults() {
        Map<String, Message> faults = new LinkedHashMap<>();
        if (title.isEmpty() || title.length() > LONGEST_TITLE)
            faults.put("title", Message.of("webhook.title", "most", LONGEST_TITLE));
        place.faults(faults);
        Set<String> names = new HashSet<>();
        for (int i = 0; i < related.size(); i++) related(i, related.get(i), names, faults);
        if (related.size() > MOST_RELATED)
            faults.put("related", Message.of("record.related-many", "most", MOST_RELATED));
        taken(names, faults);
        back.faults(place, faults);
        return faults;
    }

    private void related(int i, RelatedRows rows, Set<String> names, Map<String, Message> faults) {
        String at = "related." + i + ".";
        if (rows.name().isEmpty() || rows.name().length() > LONGEST_TITLE || !names.add(rows.name()))
            faults.put(at + "name", Message.of("record.related-name"));
        RecordPlace.pointed(at + "rows", rows.rows(), faults);
        if (!rows.within()) place.addressed(at + "address", rows.address(), List.of("id"), faults);
        else if (rows.rows().isEmpty()) faults.put(at + "rows", Message.of("record.related-nowhere"));
    }

    private void taken(Set<String> names, Map<String, Message> faults) {
        if (taken.size() > MOST_TAKEN) faults.put("taken", Message.of("record.taken-many", "most", MOST_TAKEN));
        Set<FieldName> fields = new HashSet<>();
        Map<String, String> ofList = new HashMap<>();
        for (TakenFrom one : taken) {
            String at = "taken." + one.field();
            if (!fields.add(one.field()) || one.text().length() > LONGEST_TEXT)
                faults.put(at, Message.of("record.taken-twice"));
            RecordPlace.pointed(at, one.from(), faults);
            if (!one.rows().isEmpty() && !names.contains(one.rows()))
                faults.put(at, Message.of("record.no-related", "name", one.rows()));
            int dot = one.field().value().indexOf('.');
            String list = dot < 0 ? "" : one.field().value().substring(0, dot);
            // the items of one list come from one place
            if (!one.rows().isEmpty()
                    && !ofList.computeIfAbsent(list, any -> one.rows()).equals(one.rows()))
                faults.put(at, Message.of("record.two-related", "name", ofList.get(list)));
        }
    }
}
