package org.jalousie.server.documents;

import java.util.List;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.server.web.PrintedView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What stands where on an agreement's pages, over HTTP. */
@RestController
class PrintedController {
    private final PrintedPlaces places;

    PrintedController(PrintedPlaces places) {
        this.places = places;
    }

    /** @param things what the lines are of, each once */
    record PrintedPages(List<PrintedView> lines, List<PrintedThing> things) {}

    /** What stands where on a document's pages: value, page, rectangle in points. */
    @GetMapping("/api/v1/agreements/{number}/documents/{document}/printed")
    PrintedPages printed(@PathVariable AgreementNumber number, @PathVariable String document) {
        PrintedPlaces.Found found = places.of(number, document);
        return new PrintedPages(PrintedView.of(found.places()), found.things());
    }
}
