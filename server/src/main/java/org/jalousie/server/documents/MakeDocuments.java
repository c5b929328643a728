package org.jalousie.server.documents;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Entry;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes the documents of an agreement, and gives them to it. */
@Component
class MakeDocuments {
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final DocumentBundle bundle;
    private final TransactionTemplate transaction;

    MakeDocuments(
            Agreements agreements, UsableTemplates templates, DocumentBundle bundle, TransactionTemplate transaction) {
        this.agreements = agreements;
        this.templates = templates;
        this.bundle = bundle;
        this.transaction = transaction;
    }

    /** @return the history after it */
    List<Entry> make(UUID id, List<Entry> history) {
        Agreement agreement = Agreement.of(history);
        UsableTemplate template = templates.version(agreements.templateVersion(id));
        DocumentBundle.Bundled bundled = bundle.of(agreement, history.get(0), template);
        bundled.made().forEach(made -> agreements.lookedThrough(made.document(), made.risks()));
        Command generate = new Command.Generate(agreement.revision(), bundled.documents(), bundled.awaited());
        return transaction.execute(status -> {
            Agreements.Outcome outcome = agreements.carryOut(id, Actor.PROGRAM, generate);
            if (!outcome.events().isEmpty()) agreements.foundBy(id, bundled.words());
            return outcome.history();
        });
    }
}
