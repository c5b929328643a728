package org.jalousie.server.agreement;

import org.jalousie.core.agreement.Document;
import org.jalousie.core.placement.Pages;

/** A document as the interface to the outside shows it. @param hasWord whether there is a Word file of it */
public record DocumentView(String id, String title, Document.Kind kind, boolean hasWord, Pages pages) {
    public static DocumentView of(Document document) {
        return of(document, document.pages());
    }

    /** As somebody who takes part sees it: without the data that stand ready for the fields of others. */
    public static DocumentView forParticipants(Document document) {
        return of(document, document.pages().withoutSources());
    }

    private static DocumentView of(Document document, Pages pages) {
        return new DocumentView(
                document.id().value(),
                document.title(),
                document.kind(),
                document.word().isPresent(),
                pages);
    }
}
