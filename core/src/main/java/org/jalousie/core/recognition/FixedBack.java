package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.placement.DataPlace;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;

/** Data read back from the places that a fixed document has for them: what stands there and is none of its own words. */
final class FixedBack {
    /** What is surely meant as a mark; anything else in such a place is looked at. */
    private static final Set<String> CROSSES =
            Set.of("x", "X", "\u2717", "\u2718", "\u2713", "\u2714", "\u2611", "\u2612", "\u00d7");

    private final FileText file;
    private final FileText pages;
    private final TemplateContent content;
    private final Map<DataPlace, Spots.Box> rooms = new LinkedHashMap<>();

    /** @param spots of the file; {@code pages} the document's own */
    FixedBack(FileText file, Spots spots, FileText pages, TemplateDocument document, TemplateContent content) {
        this.file = file;
        this.pages = pages;
        this.content = content;
        for (DataPlace place : document.data())
            spots.find(place.spot(), place.size()).ifPresent(box -> rooms.put(place, box));
    }

    /** Where data stand. */
    List<Spots.Box> rooms() {
        return List.copyOf(rooms.values());
    }

    List<DataBack.Datum> data() {
        List<DataBack.Datum> data = new ArrayList<>();
        for (Field field : content.fields()) datum(field).ifPresent(data::add);
        return data;
    }

    private Optional<DataBack.Datum> datum(Field field) {
        Map<String, Boolean> readings = new LinkedHashMap<>();
        Set<String> words = new LinkedHashSet<>();
        rooms.forEach((place, box) -> {
            if (!field.isCalled(place.name())) return;
            String text = written(box);
            if (text.isEmpty()) return;
            if (!place.marks().isEmpty()) {
                readings.put(place.marks(), CROSSES.contains(text));
                words.add(text);
                return;
            }
            words.add(text);
            ValueBack.of(field, place.print(), text, Locale.forLanguageTag(content.language()))
                    .ifPresent(found -> readings.merge(found.raw(), found.certain(), Boolean::logicalOr));
        });
        if (words.isEmpty()) return Optional.empty();
        boolean sure = readings.size() == 1 && readings.values().iterator().next();
        FieldName name = field.name();
        String raw = readings.keySet().stream().findFirst().orElse("");
        return Optional.of(new DataBack.Datum(name, raw, List.copyOf(words), sure));
    }

    /** What stands in a box besides the document's own words. */
    private String written(Spots.Box box) {
        List<Token> all = new ArrayList<>(file.within(box));
        for (Token own : pages.within(box)) {
            for (int at = 0; at < all.size(); at++) {
                if (!all.get(at).plain().equals(own.plain())) continue;
                all.remove(at);
                break;
            }
        }
        return Token.text(all);
    }
}
