package org.jalousie.server.documents;

import java.util.Optional;
import java.util.Set;
import org.jalousie.core.agreement.Absence;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.ErrorTexts;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.HiddenFields;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.proof.FinishedPages;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.FieldResults;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.CannotBeDone;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;

/** Makes an agreement's document of one of its template's wordings: merge, conversion, signing fields. */
@Component
class WordingDocument {
    private final Converter converter;
    private final FileStore files;
    private final DocumentMerge merge;
    private final AgreedWordings wordings;

    WordingDocument(Converter converter, FileStore files, DocumentMerge merge, AgreedWordings wordings) {
        this.converter = converter;
        this.files = files;
        this.merge = merge;
        this.wordings = wordings;
    }

    /** @param of one of the template's wordings */
    DocumentBundle.Made make(Agreement agreement, Entry created, UsableTemplate template, TemplateDocument of) {
        Wording wording = wordings.of(agreement, template, of.id()).orElseThrow();
        // a version that was published before the program knew what stands in it wrongly
        wording.diagnostics().stream().filter(Diagnostic::blocks).findFirst().ifPresent(fault -> {
            throw new CannotBeDone(Message.of("template.not-usable", "fault", fault.message(), "cure", fault.cure()));
        });
        Wording.Merged merged;
        try {
            merged = merge.merged(agreement, created, template, wording);
        } catch (NotPossible e) {
            throw new CannotBeDone(e.said());
        } catch (IllegalArgumentException e) {
            throw new CannotBeDone(Message.of("job.failed", "kind", String.valueOf(e.getMessage())));
        }
        Converter.Made made = converter.convert(merged.file());
        try (FinishedPages finished = FinishedPages.open(made.pdf())) {
            String text = finished.text();
            ErrorTexts.in(text).ifPresent(error -> {
                throw new CannotBeDone(error);
            });
            Set<PartyKey> without = Absence.before(agreement.participants()).keySet();
            FieldPlacer.Placed placed =
                    finished.place(wording.boxes(), wording.onEachPage(), without, agreement.participants());
            HiddenFields.among(merged.fields(), wording.boxes(), without, placed.pages())
                    .ifPresent(hidden -> {
                        throw new CannotBeDone(hidden);
                    });
            Pages pages = merge.holding(placed.pages(), agreement, created, template);
            Document document = new Document(
                    of.id(),
                    of.titleIn(template.name()),
                    Document.Kind.GENERATED,
                    Optional.of(files.keep(FieldResults.put(merged.file(), made.results(), made.lists()))),
                    files.keep(placed.pdf()),
                    pages);
            return new DocumentBundle.Made(document, text, finished.risks(pages));
        }
    }
}
