package org.jalousie.server.documents;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.Absence;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.ErrorTexts;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.HiddenFields;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PagesText;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.FieldResults;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.CannotBeDone;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes the documents of an agreement: merge, conversion, signing fields. */
@Component
class MakeDocuments {
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final Converter converter;
    private final FileStore files;
    private final TransactionTemplate transaction;
    private final DocumentMerge merge;

    MakeDocuments(
            Agreements agreements,
            UsableTemplates templates,
            Converter converter,
            FileStore files,
            TransactionTemplate transaction,
            DocumentMerge merge) {
        this.agreements = agreements;
        this.templates = templates;
        this.converter = converter;
        this.files = files;
        this.transaction = transaction;
        this.merge = merge;
    }

    /** A document with the words on its pages. */
    private record Made(Document document, String text) {}

    void make(UUID id, List<Entry> history) {
        Agreement agreement = Agreement.of(history);
        UsableTemplate template = templates.version(agreements.templateVersion(id));
        List<Made> made = List.of(fromWording(agreement, history.get(0), template));
        List<Document> documents = made.stream().map(Made::document).toList();
        agreements.lookThrough(documents);
        Command generate = new Command.Generate(agreement.revision(), documents);
        String words = String.join("\n", made.stream().map(Made::text).toList());
        transaction.executeWithoutResult(status -> {
            List<Event> events =
                    agreements.carryOut(id, Actor.PROGRAM, generate).events();
            if (!events.isEmpty()) agreements.foundBy(id, words);
        });
    }

    private Made fromWording(Agreement agreement, Entry created, UsableTemplate template) {
        // a version that was published before the program knew what stands in it wrongly
        template.wording().diagnostics().stream()
                .filter(Diagnostic::blocks)
                .findFirst()
                .ifPresent(fault -> {
                    throw new CannotBeDone(
                            Message.of("template.not-usable", "fault", fault.message(), "cure", fault.cure()));
                });
        Wording.Merged merged;
        try {
            merged = merge.merged(agreement, created, template);
        } catch (NotPossible e) {
            throw new CannotBeDone(e.said());
        } catch (IllegalArgumentException e) {
            throw new CannotBeDone(Message.of("job.failed", "kind", String.valueOf(e.getMessage())));
        }
        Converter.Made made = converter.convert(merged.file());
        String text = PagesText.of(made.pdf());
        ErrorTexts.in(text).ifPresent(error -> {
            throw new CannotBeDone(error);
        });
        Set<PartyKey> without = Absence.before(agreement.participants()).keySet();
        FieldPlacer.Placed placed = FieldPlacer.place(
                made.pdf(),
                template.wording().boxes(),
                template.wording().onEachPage(),
                without,
                agreement.participants());
        HiddenFields.among(merged.fields(), template.wording().boxes(), without, placed.pages())
                .ifPresent(hidden -> {
                    throw new CannotBeDone(hidden);
                });
        Pages pages = merge.holding(placed.pages(), agreement, created, template);
        Document document = new Document(
                DocumentId.WORDING,
                template.name(),
                Document.Kind.GENERATED,
                Optional.of(files.keep(FieldResults.put(merged.file(), made.results(), made.lists()))),
                files.keep(placed.pdf()),
                pages);
        return new Made(document, text);
    }
}
