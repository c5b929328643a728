package org.jalousie.server.documents;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.agreement.Absence;
import org.jalousie.core.agreement.AddedDocument;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.evidence.ContentsSheet;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.FixedPages;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PagesText;
import org.jalousie.core.proof.LayoutRisk;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.template.DocumentMaking;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.CannotBeDone;
import org.jalousie.server.paper.Papers;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;

/** All documents of an agreement, in their order: which there are, and each made by those who know its kind. */
@Component
class DocumentBundle {
    private final WordingDocument wording;
    private final DocumentMerge merge;
    private final Papers papers;
    private final FileStore files;

    DocumentBundle(WordingDocument wording, DocumentMerge merge, Papers papers, FileStore files) {
        this.wording = wording;
        this.merge = merge;
        this.papers = papers;
        this.files = files;
    }

    /**
     * A document with the words on its pages.
     *
     * @param risks of a document made from a wording; others came as they are
     */
    record Made(Document document, String text, List<LayoutRisk> risks) {
        Made(Document document, String text) {
            this(document, text, List.of());
        }
    }

    /** @param awaited titles of documents that are to come with the agreement and have not */
    record Bundled(List<Made> made, List<String> awaited) {
        List<Document> documents() {
            return made.stream().map(Made::document).toList();
        }

        String words() {
            return String.join("\n", made.stream().map(Made::text).toList());
        }
    }

    Bundled of(Agreement agreement, Entry created, UsableTemplate template) {
        Map<String, Value> values = merge.values(agreement, created, template);
        List<Made> made = new ArrayList<>();
        List<String> awaited = new ArrayList<>();
        for (TemplateDocument one : template.content().documents()) {
            // what somebody has brought is wanted, whatever the rule says
            boolean there = agreement.added().stream().anyMatch(own -> own.id().equals(one.id()));
            if (!there && !one.comesWith(values)) continue;
            String title = one.titleIn(template.name());
            Optional<AddedDocument> brought = agreement.added().stream()
                    .filter(own -> own.id().equals(one.id()))
                    .findFirst();
            // a finished file stands in for what would be made
            if (brought.isPresent()) {
                made.add(added(brought.get(), title, agreement, created, template, values));
                continue;
            }
            switch (one.kind()) {
                case WORDING -> made.add(wording.make(agreement, created, template, one));
                case FIXED -> made.add(fixed(one, title, agreement, created, template, values));
                case ATTACHED -> made.add(untouched(one.id(), title, one.file().orElseThrow()));
                case REQUESTED -> {
                    if (one.required()) awaited.add(title);
                }
            }
        }
        for (AddedDocument own : agreement.added())
            if (template.content().document(own.id()).isEmpty())
                made.add(added(own, own.title(), agreement, created, template, values));
        if (template.content().bundle().contents()) made.add(0, contents(agreement, template, made));
        return new Bundled(made, awaited);
    }

    private Made added(
            AddedDocument own,
            String title,
            Agreement agreement,
            Entry created,
            UsableTemplate template,
            Map<String, Value> values) {
        if (own.kind() == Document.Kind.ATTACHED) return untouched(own.id(), title, own.file());
        TemplateDocument as = new TemplateDocument(
                own.id(),
                title,
                TemplateDocument.Kind.FIXED,
                "",
                Optional.of(own.file()),
                Optional.of(own.brought()),
                false,
                List.of(),
                List.of());
        return fixed(as, title, agreement, created, template, values);
    }

    /** Where data stand on a fixed document of the template; nothing for any other. */
    List<PrintedPlace> printed(DocumentId id, Agreement agreement, Entry created, UsableTemplate template) {
        if (agreement.added().stream().anyMatch(own -> own.id().equals(id))) return List.of();
        Optional<TemplateDocument> one =
                template.content().document(id).filter(document -> document.kind() == TemplateDocument.Kind.FIXED);
        if (one.isEmpty()) return List.of();
        DocumentMaking making = making(one.get(), agreement, template);
        return making.printed(
                making.make(merge.values(agreement, created, template), printer(template), Set.of(), List.of()));
    }

    private DocumentMaking making(TemplateDocument one, Agreement agreement, UsableTemplate template) {
        Sha256 file = one.file().orElseThrow();
        return new DocumentMaking(
                one,
                files.get(file),
                () -> papers.words(file),
                template.content().signingFields(),
                agreement.given().getOrDefault(one.id(), List.of()));
    }

    private static Printer printer(UsableTemplate template) {
        return Printer.in(Locale.forLanguageTag(template.content().language()));
    }

    private Made untouched(DocumentId id, String title, Sha256 file) {
        Pages pages = new Pages(papers.sizes(file), List.of());
        return new Made(
                new Document(id, title, Document.Kind.ATTACHED, Optional.empty(), file, pages),
                PagesText.of(files.get(file)));
    }

    private Made fixed(
            TemplateDocument one,
            String title,
            Agreement agreement,
            Entry created,
            UsableTemplate template,
            Map<String, Value> values) {
        Set<PartyKey> without = Absence.before(agreement.participants()).keySet();
        DocumentMaking making = making(one, agreement, template);
        FixedPages.Made pages = making.make(values, printer(template), without, agreement.participants());
        pages.faults().stream().findFirst().ifPresent(fault -> {
            throw new CannotBeDone(fault);
        });
        Document document = new Document(
                one.id(),
                title,
                Document.Kind.FIXED,
                Optional.empty(),
                files.keep(pages.pdf()),
                merge.holding(pages.pages(), agreement, created, template),
                making.open(pages.pages(), without));
        return new Made(document, PagesText.of(pages.pdf()));
    }

    /** A sheet in front that tells what follows. */
    private Made contents(Agreement agreement, UsableTemplate template, List<Made> made) {
        Catalogue words = Catalogue.of(template.content().language());
        byte[] sheet = ContentsSheet.of(
                words,
                agreement.title(),
                agreement.created().number().value(),
                made.stream()
                        .map(one -> new ContentsSheet.Line(
                                one.document().title(),
                                one.document().pages().sizes().size()))
                        .toList());
        FieldPlacer.Placed placed = FieldPlacer.place(sheet, Map.of(), agreement.participants());
        String title = words.say("contents.title");
        return new Made(
                new Document(
                        DocumentId.CONTENTS,
                        title,
                        Document.Kind.FIXED,
                        Optional.empty(),
                        files.keep(placed.pdf()),
                        placed.pages()),
                PagesText.of(placed.pdf()));
    }
}
