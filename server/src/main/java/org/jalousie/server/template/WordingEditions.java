package org.jalousie.server.template;

import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.ChangedWording;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.wording.Wording;

/** Wordings of a template's version as single agreements have them. */
public interface WordingEditions {
    /** The files that a wording is read from. @param clauses of the clauses that it includes, by name */
    record Edition(Sha256 file, Map<String, Sha256> clauses) {
        /** As an agreement has changed it. */
        public static Edition of(ChangedWording changed) {
            return new Edition(changed.file(), changed.clauses());
        }
    }

    /** As the version has it; empty for a document that is made from no wording. */
    Optional<Edition> ofTemplate(UsableTemplate template, DocumentId document);

    /** The wording that files make, with all else as the version has it; compiled once. */
    Wording wording(UsableTemplate template, Edition edition);
}
