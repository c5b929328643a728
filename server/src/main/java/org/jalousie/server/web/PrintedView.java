package org.jalousie.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.wording.Origin;

/**
 * One line on a page of what a value, a passage or a clause printed.
 *
 * @param name of the value as the wording has it; empty for anything else
 * @param list the list whose item's value it is; empty for one of the whole agreement, and for anything else
 * @param number of the passage, or of the clause's place in the wording; -1 for a value
 * @param items which item of each list around it, from the outside in, from 1
 * @param page from 1
 * @param x left edge in PDF points from the page's left
 * @param y lower edge in PDF points from the page's bottom
 */
@Schema(name = "Printed")
public record PrintedView(
        Kind kind,
        String name,
        String list,
        int number,
        List<Integer> items,
        int page,
        double x,
        double y,
        double width,
        double height) {
    /** What put it there. */
    @Schema(name = "PrintedKind")
    public enum Kind {
        VALUE,
        PASSAGE,
        CLAUSE
    }

    public static List<PrintedView> of(List<PrintedPlace> places) {
        return places.stream().map(PrintedView::of).toList();
    }

    private static PrintedView of(PrintedPlace place) {
        if (place.origin() instanceof Origin.Datum datum)
            return of(place, Kind.VALUE, datum.name(), datum.list(), -1, datum.items());
        if (place.origin() instanceof Origin.Clause clause)
            return of(place, Kind.CLAUSE, "", "", clause.number(), List.of());
        Origin.Printing printing = (Origin.Printing) place.origin();
        return of(place, Kind.PASSAGE, "", "", printing.number(), printing.items());
    }

    private static PrintedView of(
            PrintedPlace place, Kind kind, String name, String list, int number, List<Integer> items) {
        return new PrintedView(
                kind, name, list, number, items, place.page(), place.x(), place.y(), place.width(), place.height());
    }
}
