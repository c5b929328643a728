package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Passage;
import org.jalousie.core.wording.Wording;

/** The data of an agreement, read back out of its finished file as far as the template's words around them allow it. */
public final class DataBack {
    private final Reading reading;
    private final Map<Integer, Passage> passages;
    private final Locale language;

    private DataBack(Reading reading, Wording wording, TemplateContent content) {
        this.reading = reading;
        this.passages =
                wording.passages().stream().collect(Collectors.toMap(Passage::number, one -> one, (one, same) -> one));
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

    /** Data as a form takes them; none for those that can't be read. */
    public static Map<FieldName, String> values(List<Datum> data) {
        Map<FieldName, String> values = new LinkedHashMap<>();
        data.forEach(one -> {
            if (!one.raw().isEmpty()) values.put(one.field(), one.raw());
        });
        return values;
    }

    /** @return in the order of the form; none for what the file doesn't say */
    public static List<Datum> of(Reading reading, Wording wording, TemplateContent content) {
        DataBack back = new DataBack(reading, wording, content);
        Map<FieldName, Datum> found = new LinkedHashMap<>();
        for (Field field : content.fields())
            back.read(field, "", List.of()).ifPresent(one -> found.put(field.name(), one));
        return List.copyOf(found.values());
    }

    /**
     * @param list the name of the list whose item's field it is; empty for one of the agreement
     * @param item which item of each list around, from the outside in
     */
    private Optional<Datum> read(Field field, String list, List<Integer> item) {
        if (field.type() == FieldType.ITEMS) return items(field, item);
        List<Reading.Captured> places = reading.values().stream()
                .filter(one -> one.datum().list().equals(list)
                        && field.isCalled(one.datum().name())
                        && isOf(item, one.items()))
                .toList();
        return datum(field, places).or(() -> byPassages(field, item));
    }

    private static boolean isOf(List<Integer> item, List<Integer> items) {
        return items.size() >= item.size() && items.subList(0, item.size()).equals(item);
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
    private Optional<Datum> items(Field list, List<Integer> of) {
        Set<Integer> numbers = new TreeSet<>();
        for (Reading.Captured one : reading.values())
            if (isOfList(list, one.datum().list())
                    && isOf(of, one.items())
                    && one.items().size() > of.size()) numbers.add(one.items().get(of.size()));
        if (numbers.isEmpty()) return Optional.empty();
        boolean sure = true;
        List<Map<String, Value>> values = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (int number : numbers) {
            List<Integer> item = new ArrayList<>(of);
            item.add(number);
            Map<String, Value> read = new LinkedHashMap<>();
            for (Field inner : list.items()) {
                Optional<Datum> datum = read(inner, list.name().value(), item);
                datum.filter(one -> !one.raw().isEmpty())
                        .ifPresent(one -> read.put(inner.name().value(), new Value.Text(one.raw())));
                datum.ifPresent(one -> words.addAll(one.words()));
                sure &= datum.map(Datum::sure).orElse(!inner.required());
            }
            values.add(read);
        }
        return Optional.of(new Datum(list.name(), sure ? new Value.Items(values).raw() : "", words, sure));
    }

    /** Whether a value is of a list's items, or of a list within them. */
    private static boolean isOfList(Field list, String name) {
        return list.isCalled(name) || list.items().stream().anyMatch(inner -> isOfList(inner, name));
    }

    /** What a yes/no question or a choice was answered follows from the passages that are there. */
    private Optional<Datum> byPassages(Field field, List<Integer> item) {
        if (field.type() != FieldType.YES_NO && field.type() != FieldType.CHOICE) return Optional.empty();
        Set<String> answers = new LinkedHashSet<>();
        List<String> words = new ArrayList<>();
        for (Reading.Passed passed : reading.passages()) {
            Passage passage = passages.get(passed.number());
            if (passage == null || !isOf(item, passed.items())) continue;
            if (field.type() == FieldType.YES_NO && field.isCalled(passage.name())) {
                answers.add(passed.printed() != passage.inverted() ? "yes" : "no");
            } else if (field.type() == FieldType.CHOICE && passed.printed()) {
                field.choices().stream()
                        .filter(choice -> passage.name().equals(field.name() + "." + Field.caseKey(choice)))
                        .forEach(answers::add);
            } else {
                continue;
            }
            if (passed.printed()) words.add(passage.begins());
        }
        return answers.size() == 1
                ? Optional.of(new Datum(field.name(), answers.iterator().next(), words, true))
                : Optional.empty();
    }
}
