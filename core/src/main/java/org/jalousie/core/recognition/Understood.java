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
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.DocumentPlace;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.template.Wordings;

/**
 * What a finished file says when it is taken for one of a template's documents.
 *
 * @param reading against the template's words
 * @param data that were read back
 * @param places of the template's signing fields in the file; open where one belongs but there is no room for it
 * @param gone names of fields for which it has no place, of parties that have others in it
 * @param without parties that need a place and have none
 */
public record Understood(
        Reading reading,
        List<DataBack.Datum> data,
        List<GivenPlace> places,
        List<String> gone,
        List<PartyKey> without) {

    /** A file taken for a template's wording. @param tagged places for which the file has tags, by their fields; {@code lines} that its pages draw */
    public static Understood asWording(
            FileText file,
            TemplateText text,
            TemplateDocument document,
            Wordings wordings,
            TemplateContent content,
            Map<String, Spots.Box> tagged,
            List<RuledLines.Line> lines) {
        Reading reading = Recogniser.read(file, text);
        Map<String, SigningField> fields = byName(content);
        Spots spots = new Spots(file.sizes(), () -> {
            throw new IllegalStateException("nothing hangs on words here");
        });
        List<GivenPlace> places = new ArrayList<>();
        FieldRoom.of(reading, file, fields, lines, tagged)
                .forEach((name, box) -> places.add(
                        new GivenPlace(fields.get(name), box.map(spots::fixed).orElseGet(Spot.Open::new))));
        return new Understood(
                reading,
                DataBack.of(reading, wordings.of(document.id()).orElseThrow(), content),
                places,
                gone(content, document.id(), places, wordings),
                without(content, document.id(), places, wordings));
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
            Wordings wordings,
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
        return new Understood(
                reading,
                back.data(),
                places,
                gone(content, document.id(), places, wordings),
                without(content, document.id(), places, wordings));
    }

    private static Map<String, SigningField> byName(TemplateContent content) {
        Map<String, SigningField> fields = new LinkedHashMap<>();
        content.signingFields().forEach(field -> fields.put(field.name(), field));
        return fields;
    }

    /** Parties that need a place and have none, neither here nor on the template's other documents. */
    private static List<PartyKey> without(
            TemplateContent content, DocumentId of, List<GivenPlace> places, Wordings wordings) {
        Set<PartyKey> placed = new HashSet<>();
        places.forEach(one -> placed.add(one.field().party()));
        content.signingFields().stream()
                .filter(field -> content.documents().stream()
                        .anyMatch(document -> !document.id().equals(of) && stands(field, document, wordings)))
                .forEach(field -> placed.add(field.party()));
        return content.parties().stream()
                .filter(party -> party.duty() == Duty.SIGNS || party.duty() == Duty.COMPLETES)
                .map(Party::key)
                .filter(key -> !placed.contains(key))
                .toList();
    }

    /** Whether a field belongs on a document: by its tag in a wording, or put there by hand. */
    private static boolean stands(SigningField field, TemplateDocument document, Wordings wordings) {
        return document.kind() == TemplateDocument.Kind.WORDING
                ? wordings.of(document.id()).stream()
                        .flatMap(one -> one.found().signingFields().stream())
                        .anyMatch(one -> one.name().equals(field.name()))
                : document.places().stream().anyMatch(place -> place.field().equals(field.name()));
    }

    /** Fields of a document for which the file has no place, of parties that have others there. */
    private static List<String> gone(
            TemplateContent content, DocumentId of, List<GivenPlace> places, Wordings wordings) {
        Set<String> found = new HashSet<>();
        Set<PartyKey> here = new HashSet<>();
        places.forEach(one -> {
            found.add(one.field().name());
            here.add(one.field().party());
        });
        TemplateDocument document = content.document(of).orElseThrow();
        return content.signingFields().stream()
                .filter(field -> here.contains(field.party()) && !found.contains(field.name()))
                .filter(field -> stands(field, document, wordings))
                .map(SigningField::name)
                .toList();
    }
}
