package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.placement.DataPlace;
import org.jalousie.core.placement.DocumentPlace;
import org.jalousie.core.placement.FixedPages;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.wording.Origin;

/**
 * Makes a fixed document for one agreement.
 *
 * @param document with what its template has put on it
 * @param fields all signing fields that may stand on it
 * @param given places that the agreement itself has given; they stand in for the template's of the same field
 */
public record DocumentMaking(
        TemplateDocument document,
        byte[] pdf,
        Supplier<PageWords> words,
        List<SigningField> fields,
        List<GivenPlace> given) {

    /**
     * @param printer in the template's language
     * @param without parties that take no part
     */
    public FixedPages.Made make(
            Map<String, Value> values, Printer printer, Set<PartyKey> without, List<Participant> participants) {
        return FixedPages.make(
                new FixedPages.Sheet(pdf, words, places(), document.data()),
                byName(),
                place -> text(place, values, printer),
                without,
                participants);
    }

    private List<DocumentPlace> places() {
        Set<String> own = new HashSet<>();
        given.forEach(one -> own.add(one.field().name()));
        List<DocumentPlace> places = new ArrayList<>(document.places());
        places.removeIf(place -> own.contains(place.field()));
        given.forEach(one -> places.add(new DocumentPlace(one.field().name(), one.spot())));
        return places;
    }

    private Map<String, SigningField> byName() {
        Map<String, SigningField> named = new LinkedHashMap<>();
        fields.forEach(field -> named.put(field.name(), field));
        given.forEach(one -> named.put(one.field().name(), one.field()));
        return named;
    }

    /** The fields that have no place on it, of parties that take part. */
    public List<SigningField> open(Pages pages, Set<PartyKey> without) {
        Spots spots = new Spots(pages.sizes(), words);
        Map<String, SigningField> named = byName();
        return places().stream()
                .filter(place -> named.containsKey(place.field()))
                .filter(place -> place.spot() instanceof Spot.Open
                        || spots.find(
                                        place.spot(),
                                        named.get(place.field()).type().size())
                                .isEmpty())
                .map(place -> named.get(place.field()))
                .filter(field -> !without.contains(field.party()))
                .distinct()
                .toList();
    }

    private static String text(DataPlace place, Map<String, Value> values, Printer printer) {
        Value value = values.get(place.name());
        if (value == null) return "";
        if (place.marks().isEmpty()) return printer.print(value, place.print());
        return isMarked(place, value) ? "x" : "";
    }

    /** Whether a place that is crossed for one answer is crossed for this one. */
    private static boolean isMarked(DataPlace place, Value value) {
        return value.raw().strip().equalsIgnoreCase(place.marks().strip());
    }

    /** What stands where on the pages that were made, as pages of a wording tell it. */
    public List<PrintedPlace> printed(FixedPages.Made made) {
        return made.prints().stream()
                .map(print -> printed(print, document.data().get(print.number())))
                .toList();
    }

    private static PrintedPlace printed(FixedPages.Print print, DataPlace place) {
        return new PrintedPlace(
                new Origin.Datum(place.name(), place.print(), "", List.of()),
                print.page(),
                print.x(),
                print.y(),
                print.width(),
                print.height());
    }
}
