package org.jalousie.server.template;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Texts;
import org.jalousie.core.messages.Message;
import org.jalousie.core.pdf.OwnField;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.WordFile;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.FontFinder;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.paper.Papers;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** The documents of a template's draft besides its wording: brought in, replaced, and what their own forms offer. */
@Service
class DocumentService implements SingleUseTemplates {
    /** The most documents of one template. */
    static final int MOST = 30;

    private final Drafts drafts;
    private final DraftHistory history;
    private final Preparations preparations;
    private final Templates templates;
    private final TemplateVersions versions;
    private final Papers papers;
    private final FontFinder fonts;
    private final FileStore files;
    private final TransactionTemplate transaction;
    private final Clock clock;

    DocumentService(
            Drafts drafts,
            DraftHistory history,
            Preparations preparations,
            Templates templates,
            TemplateVersions versions,
            Papers papers,
            FontFinder fonts,
            FileStore files,
            TransactionTemplate transaction,
            Clock clock) {
        this.drafts = drafts;
        this.history = history;
        this.preparations = preparations;
        this.templates = templates;
        this.versions = versions;
        this.papers = papers;
        this.fonts = fonts;
        this.files = files;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * How a file is brought in.
     *
     * @param title empty for its file's name
     * @param plain whether it is taken too when it can't be made fit for keeping
     * @param as what it becomes
     */
    record Bringing(String title, boolean plain, As as) {}

    /** What a file that is brought in becomes. */
    enum As {
        /** A Word file becomes a wording, and anything else pages. */
        USUAL,
        /** Pages that are always the same, of a Word file too. */
        PAGES,
        /** It goes along untouched, with the signatures that it has. */
        UNTOUCHED
    }

    /** A file ready to be a document. */
    private record Ready(TemplateDocument document, List<Message> notes) {}

    /** Takes a file in as one more document. It is read before a transaction is open. */
    TemplateViews.DocumentTaken bring(UUID id, int revision, Bringing bringing, byte[] file, String by) {
        requireDraft(id, revision);
        Ready ready = ready(bringing, file, drafts.newest(id).content());
        return transaction.execute(status -> {
            TemplateVersion draft = drafts.draft(id, revision);
            List<TemplateDocument> documents = new ArrayList<>(draft.content().documents());
            if (documents.size() >= MOST) throw Refusal.conflict(Message.of("documents.most", "most", MOST));
            documents.add(ready.document());
            TemplateViews.TemplateDetail detail = put(
                    id,
                    draft,
                    documents,
                    Message.of("step.document", "title", ready.document().title()),
                    by);
            return new TemplateViews.DocumentTaken(
                    detail, ready.document().id().value(), TemplateViews.said(ready.notes()));
        });
    }

    /** Takes a file that is no wording in as a template of its own. */
    TemplateViews.TemplateDetail newTemplate(String name, Bringing bringing, byte[] file) {
        TemplateService.requireName(name);
        BlankWording blank = BlankWording.of(name.strip(), files);
        Ready ready = ready(bringing, file, blank.content());
        return transaction.execute(
                status -> begin(new Template(name.strip(), clock.instant()), blank, ready.document()));
    }

    /** Makes a template for one agreement out of a file that was taken in. */
    @Override
    public UUID forOneAgreement(String name, Sha256 file, Sha256 brought) {
        String title = Texts.bare(name);
        if (title.isEmpty()) throw Refusal.invalid(Message.of("document.no-title"));
        BlankWording blank = BlankWording.of(title, files);
        TemplateDocument document =
                document(freshId(blank.content().documents()), title, TemplateDocument.Kind.FIXED, file, brought);
        return transaction
                .execute(status -> begin(new Template(title, clock.instant()).forOneAgreement(), blank, document))
                .id();
    }

    private TemplateViews.TemplateDetail begin(Template made, BlankWording blank, TemplateDocument document) {
        Template template = templates.save(made);
        TemplateVersion version = new TemplateVersion(
                template.id(), 1, blank.file(), blank.content().withDocuments(List.of(document)));
        return drafts.detail(template, versions.save(version));
    }

    /** Makes a template that was for one agreement one like any other. */
    TemplateViews.TemplateDetail keep(UUID id) {
        return transaction.execute(status -> {
            drafts.template(id).keep();
            return drafts.changed(id, drafts.newest(id));
        });
    }

    private void requireDraft(UUID id, int revision) {
        TemplateVersion version = drafts.newest(id);
        if (version.published()) throw Refusal.conflict(Message.of("template.published"));
        if (version.revision() != revision) throw Refusal.conflict(Message.of("template.changed-meanwhile"));
    }

    private Ready ready(Bringing bringing, byte[] file, TemplateContent content) {
        String title = Texts.bare(bringing.title());
        if (title.isEmpty())
            throw Refusal.invalid(
                    Message.of("document.no-title"), java.util.Map.of("title", Message.of("document.no-title")));
        DocumentId id = freshId(content.documents());
        if (bringing.as() == As.USUAL && Papers.isWord(file)) {
            WordFile.open(file);
            Sha256 kept = files.keep(file);
            fonts.learn(Wordings.only(preparations.wording(kept, content)));
            return new Ready(
                    new TemplateDocument(
                            id,
                            title,
                            TemplateDocument.Kind.WORDING,
                            "",
                            Optional.of(kept),
                            Optional.empty(),
                            false,
                            List.of(),
                            List.of()),
                    List.of());
        }
        if (bringing.as() == As.UNTOUCHED) {
            Sha256 kept = papers.attach(file);
            return new Ready(document(id, title, TemplateDocument.Kind.ATTACHED, kept, kept), List.of());
        }
        Papers.Paper paper = papers.take(file, title, bringing.plain());
        return new Ready(
                document(id, title, TemplateDocument.Kind.FIXED, paper.file(), paper.brought()), paper.notes());
    }

    private static TemplateDocument document(
            DocumentId id, String title, TemplateDocument.Kind kind, Sha256 file, Sha256 brought) {
        return new TemplateDocument(
                id, title, kind, "", Optional.of(file), Optional.of(brought), false, List.of(), List.of());
    }

    private static DocumentId freshId(List<TemplateDocument> documents) {
        Set<String> taken = documents.stream().map(one -> one.id().value()).collect(Collectors.toSet());
        int number = 1;
        while (taken.contains("document_" + number)) number++;
        return new DocumentId("document_" + number);
    }

    private TemplateViews.TemplateDetail put(
            UUID id, TemplateVersion draft, List<TemplateDocument> documents, Message what, String by) {
        history.remember(draft, what, by);
        TemplateContent with = draft.content().withDocuments(documents);
        draft.change(draft.wordFile(), preparations.renewed(draft.wordFile(), with));
        return drafts.changed(id, draft);
    }

    /**
     * Puts another file in the place of a document's; everything that stands on its pages stays. It is read once more, since
     * anybody could name any file here.
     */
    TemplateViews.DocumentTaken replace(UUID id, int revision, String name, Sha256 brought, boolean plain, String by) {
        requireDraft(id, revision);
        TemplateDocument present = document(drafts.newest(id).content(), name);
        if (present.kind() != TemplateDocument.Kind.FIXED) throw Refusal.notFound(Message.of("document.none"));
        String title = present.title();
        byte[] file = files.asFound(brought).orElseThrow(() -> Refusal.notFound(Message.of("wording.file-gone")));
        Papers.Paper paper = papers.take(file, title, plain);
        return transaction.execute(status -> {
            TemplateVersion draft = drafts.draft(id, revision);
            TemplateDocument before = document(draft.content(), name);
            TemplateDocument other =
                    document(before.id(), before.title(), TemplateDocument.Kind.FIXED, paper.file(), brought);
            List<TemplateDocument> documents = draft.content().documents().stream()
                    .map(one -> one.id().equals(before.id()) ? one.madeFrom(other) : one)
                    .toList();
            TemplateViews.TemplateDetail detail =
                    put(id, draft, documents, Message.of("step.document-edition", "title", before.title()), by);
            return new TemplateViews.DocumentTaken(detail, name, List.of());
        });
    }

    /** What the form of a document's file offers. */
    List<OwnField> form(UUID id, String name) {
        return document(drafts.newest(id).content(), name)
                .brought()
                .map(papers::form)
                .orElse(List.of());
    }

    /** The file as it was brought in. */
    byte[] brought(UUID id, String name) {
        return document(drafts.newest(id).content(), name)
                .brought()
                .map(files::get)
                .orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
    }

    static TemplateDocument document(TemplateContent content, String name) {
        return content.documents().stream()
                .filter(one -> one.id().value().equals(name))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
    }

    /**
     * Documents as somebody has arranged them: files are those that were brought in, whatever a program says they are.
     *
     * @throws Refusal for a document that the draft doesn't have, unless it has no file at all
     */
    static TemplateContent arranged(TemplateContent before, TemplateContent said) {
        List<TemplateDocument> documents = new ArrayList<>();
        for (TemplateDocument one : said.documents()) {
            Optional<TemplateDocument> known = before.document(one.id());
            boolean bare =
                    one.kind() == TemplateDocument.Kind.REQUESTED || one.id().equals(DocumentId.WORDING);
            if (known.isEmpty() && !bare) throw Refusal.notFound(Message.of("document.none"));
            TemplateDocument own = known.orElse(
                    one.id().equals(DocumentId.WORDING)
                            ? TemplateDocument.OWN_WORDING
                            : new TemplateDocument(
                                    one.id(),
                                    one.title(),
                                    TemplateDocument.Kind.REQUESTED,
                                    "",
                                    Optional.empty(),
                                    Optional.empty(),
                                    one.required(),
                                    List.of(),
                                    List.of()));
            TemplateDocument made = one.madeFrom(own);
            boolean byHand =
                    made.kind() == TemplateDocument.Kind.FIXED || made.kind() == TemplateDocument.Kind.REQUESTED;
            // in a wording things stand by their tags, and on a file that stays untouched nothing does
            documents.add(byHand ? made : made.with(List.of(), List.of()));
        }
        long different = documents.stream().map(TemplateDocument::id).distinct().count();
        if (different < documents.size()) throw Refusal.malformed(Message.of("documents.same-id"));
        if (documents.size() > MOST) throw Refusal.invalid(Message.of("documents.most", "most", MOST));
        return said.withDocuments(documents);
    }
}
