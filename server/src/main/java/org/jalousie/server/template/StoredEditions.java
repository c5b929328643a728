package org.jalousie.server.template;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.Wording;
import org.springframework.stereotype.Component;

/** Reads wordings of published versions from their files. */
@Component
class StoredEditions implements WordingEditions {
    private final TemplateVersions versions;
    private final Preparations preparations;

    StoredEditions(TemplateVersions versions, Preparations preparations) {
        this.versions = versions;
        this.preparations = preparations;
    }

    @Override
    public Optional<Edition> ofTemplate(UsableTemplate template, DocumentId document) {
        return template.wordings()
                .of(document)
                .map(wording -> new Edition(file(template, document), included(template, wording)));
    }

    private Sha256 file(UsableTemplate template, DocumentId document) {
        if (document.equals(DocumentId.WORDING))
            return versions.findById(template.versionId()).orElseThrow().wordFile();
        return template.content()
                .document(document)
                .flatMap(TemplateDocument::file)
                .orElseThrow();
    }

    private Map<String, Sha256> included(UsableTemplate template, Wording wording) {
        Map<String, Sha256> all = new HashMap<>(preparations.clauseFiles(template.content()));
        all.keySet().retainAll(wording.found().clauses());
        return all;
    }

    @Override
    public Wording wording(UsableTemplate template, Edition edition) {
        Map<String, Sha256> clauses = new HashMap<>(preparations.clauseFiles(template.content()));
        clauses.putAll(edition.clauses());
        return preparations.wording(edition.file(), template.content().holding(clauses));
    }
}
