package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Passage;
import org.jalousie.core.wording.Wording;

/** The data of an agreement, read back out of its finished file as far as the template's words around them allow it. */
public final class DataBack {
    private final TemplateContent content;
    private final Locale language;

    private DataBack(TemplateContent content) {
        this.content = content;
        this.language = Locale.forLanguageTag(content.language());
    }

    /**
     * A datum that was read back.
     *
     * @param raw as it is stored; empty where the words can't be read as one of its kind
     * @param words what stands in the file, once for each different reading
     * @param sure whether it is read the same everywhere, and the template's words stand around it somewhere
     */
    public record Datum(FieldName field, String raw, List<String> words, boolean sure) {}

    /** @return in the order of the form; none for what the file doesn't say */
    public static List<Datum> of(Reading reading, Wording wording, TemplateContent content) {
        DataBack back = new DataBack(content);
        Map<FieldName, Datum> found = new LinkedHashMap<>();
        for (Field field : content.fields()) {
            Optional<Datum> datum =
                    field.type() == FieldType.ITEMS ? back.items(field, reading) : back.single(field, reading);
            datum.or(() -> back.byPassages(field, reading, wording)).ifPresent(one -> found.put(field.name(), one));
        }
        return List.copyOf(found.values());
    }

    private Optional<Datum> single(Field field, Reading reading) {
        return datum(
                field,
                reading.values().stream()
                        .filter(one -> one.datum().list().isEmpty()
                                && field.isCalled(one.datum().name()))
                        .toList());
    }

    private Optional<Datum> datum(Field field, List<Reading.Captured> places) {
        if (places.isEmpty()) return Optional.empty();
        Map<String, Boolean> readings = new LinkedHashMap<>();
        Set<String> words = new LinkedHashSet<>();
        for (Reading.Captured one : places) {
            words.add(one.text());
            ValueBack.of(field, one.datum().print(), one.text(), language)
                    .ifPresent(found -> readings.merge(found.raw(), found.certain() && one.held(), Boolean::logicalOr));
        }
        List<String> sure = readings.entrySet().stream()
                .filter(Map.Entry::getValue)
                .map(Map.Entry::getKey)
                .toList();
        boolean agreed = sure.size() == 1 && readings.size() == 1;
        // a print in capitals, or of a part, is no other value where another place says the whole
        if (sure.size() == 1 && !agreed)
            agreed = readings.keySet().stream()
                    .allMatch(raw -> raw.equals(sure.get(0)) || raw.equalsIgnoreCase(sure.get(0)));
        String raw = !sure.isEmpty()
                ? sure.get(0)
                : readings.keySet().stream().findFirst().orElse("");
        return Optional.of(new Datum(field.name(), raw, List.copyOf(words), agreed));
    }

    /** The items of a list, all of them for sure or none: each by the printing of the list's passage that its values stand in. */
    private Optional<Datum> items(Field list, Reading reading) {
        Map<Integer, Map<String, List<Reading.Captured>>> items = new TreeMap<>();
        for (Reading.Captured one : reading.values())
            if (list.isCalled(one.datum().list()) && !one.items().isEmpty())
                items.computeIfAbsent(one.items().get(0), any -> new LinkedHashMap<>())
                        .computeIfAbsent(one.datum().name(), any -> new ArrayList<>())
                        .add(one);
        if (items.isEmpty()) return Optional.empty();
        boolean sure = true;
        List<Map<String, Value>> values = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (Map<String, List<Reading.Captured>> item : items.values()) {
            Map<String, Value> read = new LinkedHashMap<>();
            for (Field inner : list.items()) {
                Optional<Datum> datum =
                        datum(inner, item.getOrDefault(inner.name().value(), List.of()));
                datum.filter(one -> !one.raw().isEmpty())
                        .ifPresent(one -> read.put(inner.name().value(), new Value.Text(one.raw())));
                datum.ifPresent(one -> words.addAll(one.words()));
                sure &= datum.map(Datum::sure).orElse(!inner.required());
            }
            values.add(read);
        }
        return Optional.of(new Datum(list.name(), sure ? new Value.Items(values).raw() : "", words, sure));
    }

    /** What a yes/no question or a choice was answered follows from the passages that are there. */
    private Optional<Datum> byPassages(Field field, Reading reading, Wording wording) {
        if (field.type() != FieldType.YES_NO && field.type() != FieldType.CHOICE) return Optional.empty();
        Set<String> answers = new LinkedHashSet<>();
        List<String> words = new ArrayList<>();
        for (Passage passage : wording.passages()) {
            boolean printed = reading.printed().contains(passage.number());
            if (!printed && !reading.leftOut().contains(passage.number())) continue;
            if (field.type() == FieldType.YES_NO && field.isCalled(passage.name())) {
                answers.add(printed != passage.inverted() ? "yes" : "no");
                if (printed) words.add(passage.begins());
            } else if (field.type() == FieldType.CHOICE && printed) {
                field.choices().stream()
                        .filter(choice -> passage.name().equals(field.name() + "." + Field.caseKey(choice)))
                        .forEach(answers::add);
                words.add(passage.begins());
            }
        }
        return answers.size() == 1
                ? Optional.of(new Datum(field.name(), answers.iterator().next(), words, true))
                : Optional.empty();
    }
}
