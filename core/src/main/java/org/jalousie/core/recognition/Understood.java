package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.placement.DocumentPlace;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.Wording;

/**
 * What a finished file says when it is taken for one of a template's documents.
 *
 * @param reading against the template's words
 * @param data that were read back
 * @param places of the template's signing fields in the file; open where one belongs but there is no room for it
 * @param without parties that need a place in the document and have none
 */
public record Understood(Reading reading, List<DataBack.Datum> data, List<GivenPlace> places, List<PartyKey> without) {

    /** A file taken for a template's wording. @param tagged places for which the file has tags, by their fields; {@code lines} that its pages draw */
    public static Understood asWording(
            FileText file,
            TemplateText text,
            Wording wording,
            TemplateContent content,
            Map<String, Spots.Box> tagged,
            List<RuledLines.Line> lines) {
        Reading reading = Recogniser.read(file, text);
        Map<String, SigningField> fields = byName(content);
        Spots spots = new Spots(file.sizes(), () -> {
            throw new IllegalStateException("nothing hangs on words here");
        });
        List<GivenPlace> places = new ArrayList<>();
        Map<String, Optional<Spots.Box>> rooms = new LinkedHashMap<>(FieldRoom.of(reading, file, fields, lines));
        tagged.forEach((name, box) -> {
            if (fields.containsKey(name)) rooms.put(name, Optional.of(box));
        });
        rooms.forEach((name, box) -> places.add(
                new GivenPlace(fields.get(name), box.map(spots::fixed).orElseGet(Spot.Open::new))));
        return new Understood(reading, DataBack.of(reading, wording, content), places, without(content, places));
    }

    /**
     * A file taken for a fixed document.
     *
     * @param words of the file, in which what hangs on words is found
     * @param pages the document's own
     */
    public static Understood asFixed(
            FileText file,
            Supplier<PageWords> words,
            FileText pages,
            TemplateDocument document,
            TemplateContent content) {
        Spots spots = new Spots(file.sizes(), words);
        FixedBack back = new FixedBack(file, spots, pages, document, content);
        Reading reading = Recogniser.read(file.without(back.rooms()), TemplateText.of(pages.without(back.rooms())));
        Map<String, SigningField> fields = byName(content);
        List<GivenPlace> places = new ArrayList<>();
        for (DocumentPlace place : document.places()) {
            SigningField field = fields.get(place.field());
            if (field == null) continue;
            Optional<Spots.Box> box = spots.find(place.spot(), field.type().size());
            places.add(new GivenPlace(field, box.map(spots::fixed).orElseGet(Spot.Open::new)));
        }
        return new Understood(reading, back.data(), places, without(content, places));
    }

    private static Map<String, SigningField> byName(TemplateContent content) {
        Map<String, SigningField> fields = new LinkedHashMap<>();
        content.signingFields().forEach(field -> fields.put(field.name(), field));
        return fields;
    }

    /** What the template puts on other documents is there. */
    private static List<PartyKey> without(TemplateContent content, List<GivenPlace> places) {
        Set<PartyKey> placed = new HashSet<>();
        places.forEach(one -> placed.add(one.field().party()));
        Set<String> elsewhere = new HashSet<>();
        if (content.documents().size() > 1)
            content.documents().forEach(document -> document.places().forEach(one -> elsewhere.add(one.field())));
        content.signingFields().stream()
                .filter(field -> elsewhere.contains(field.name()))
                .forEach(field -> placed.add(field.party()));
        return content.parties().stream()
                .filter(party -> party.duty() == Duty.SIGNS || party.duty() == Duty.COMPLETES)
                .map(Party::key)
                .filter(key -> !placed.contains(key))
                .toList();
    }

    /** All data as they are stored, by name. */
    public Map<String, String> raw() {
        Map<String, String> raw = new LinkedHashMap<>();
        data.forEach(one -> {
            if (!one.raw().isEmpty()) raw.put(one.field().value(), one.raw());
        });
        return raw;
    }

    /** The sizes of a file's pages, as a document of it has them. */
    public static List<Pages.Size> sizes(FileText file) {
        return file.sizes();
    }
}
