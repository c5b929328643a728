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

    @GetMapping("/api/v1/agreements/{number}/documents/{document}/printed")
    List<PrintedView> printed(@PathVariable AgreementNumber number, @PathVariable String document) {
        return PrintedView.of(places.of(number, document));
    }
}
