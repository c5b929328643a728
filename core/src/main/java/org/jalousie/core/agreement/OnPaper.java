package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;

/**
 * That an agreement is signed on paper, or was.
 *
 * @param printed the documents as they were printed, with what others had put into them on the screen before
 * @param signed what came back; empty as long as nothing has
 */
public record OnPaper(List<Revision> printed, Instant since, Optional<Event.SignedOnPaper> signed) {
    /** The state in which a document was printed. */
    public Optional<Sha256> printedAs(DocumentId document) {
        return printed.stream()
                .filter(one -> one.document().equals(document))
                .findFirst()
                .map(Revision::pdf);
    }

    OnPaper with(Event.SignedOnPaper event) {
        return new OnPaper(printed, since, Optional.of(event));
    }
}
