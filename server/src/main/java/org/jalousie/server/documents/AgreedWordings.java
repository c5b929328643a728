package org.jalousie.server.documents;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.WordingEditions;
import org.springframework.stereotype.Component;

/** The wordings from which one agreement's documents are made: its template's, or its own where somebody has changed the words. */
@Component
class AgreedWordings {
    private final WordingEditions editions;

    AgreedWordings(WordingEditions editions) {
        this.editions = editions;
    }

    /** The wording of a document; empty for one that is made from none. */
    Optional<Wording> of(Agreement agreement, UsableTemplate template, DocumentId document) {
        Optional<WordingEditions.Edition> own = own(agreement, document);
        return own.isPresent()
                ? own.map(edition -> editions.wording(template, edition))
                : template.wordings().of(document);
    }

    /** The files of a document's wording as this agreement has it. */
    Optional<WordingEditions.Edition> edition(Agreement agreement, UsableTemplate template, DocumentId document) {
        Optional<WordingEditions.Edition> ofTemplate = editions.ofTemplate(template, document);
        return own(agreement, document)
                .map(own -> {
                    // clauses whose words are the template's are held by their version
                    Map<String, Sha256> clauses = new HashMap<>(
                            ofTemplate.map(WordingEditions.Edition::clauses).orElse(Map.of()));
                    clauses.putAll(own.clauses());
                    return new WordingEditions.Edition(own.file(), clauses);
                })
                .or(() -> ofTemplate);
    }

    private static Optional<WordingEditions.Edition> own(Agreement agreement, DocumentId document) {
        return Optional.ofNullable(agreement.changed().get(document)).map(WordingEditions.Edition::of);
    }
}
