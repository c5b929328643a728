package org.jalousie.server.agreement;

import java.util.List;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.placement.Pages;

/**
 * A document as the interface to the outside shows it.
 *
 * @param hasWord whether there is a Word file of it
 * @param own whether it came with this agreement, and can be taken out before that is sent
 * @param open titles of fields that have no place on it yet
 */
public record DocumentView(
        String id, String title, Document.Kind kind, boolean hasWord, boolean own, List<String> open, Pages pages) {
    public static DocumentView of(Document document) {
        return of(document, document.pages(), false);
    }

    static DocumentView of(Document document, Agreement agreement) {
        boolean own = agreement.added().stream().anyMatch(one -> one.id().equals(document.id()));
        return of(document, document.pages(), own);
    }

    /** As somebody who takes part sees it: without the data that stand ready for the fields of others. */
    public static DocumentView forParticipants(Document document) {
        return of(document, document.pages().withoutSources(), false);
    }

    private static DocumentView of(Document document, Pages pages, boolean own) {
        return new DocumentView(
                document.id().value(),
                document.title(),
                document.kind(),
                document.word().isPresent(),
                own,
                document.open(),
                pages);
    }
}
