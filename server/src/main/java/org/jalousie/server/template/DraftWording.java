package org.jalousie.server.template;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.edit.WordingEdit;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** The Word files of a draft: opened, and taken over when they were changed, with the settings that follow from them. */
@Component
class DraftWording {
    private final Drafts drafts;
    private final DraftHistory history;
    private final Preparations preparations;
    private final FileStore files;

    DraftWording(Drafts drafts, DraftHistory history, Preparations preparations, FileStore files) {
        this.drafts = drafts;
        this.history = history;
        this.preparations = preparations;
        this.files = files;
    }

    /** The document that an address names. */
    static DocumentId id(String document) {
        try {
            return new DocumentId(document);
        } catch (IllegalArgumentException e) {
            throw Refusal.notFound(Message.of("document.none"));
        }
    }

    /** Wordings of a draft after an edit. @param places how many it found in all */
    record Edited(Map<DocumentId, Sha256> files, int places) {}

    /** The Word file of one of the draft's wordings. */
    Sha256 file(TemplateVersion draft, DocumentId document) {
        if (document.equals(DocumentId.WORDING)) return draft.wordFile();
        return draft.content()
                .document(document)
                .filter(TemplateDocument::furtherWording)
                .flatMap(TemplateDocument::file)
                .orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
    }

    /** The Word file of the wording that an address names; empty for a document that is none. */
    Optional<Sha256> named(TemplateVersion version, String name) {
        if (name.equals(DocumentId.WORDING.value())) return Optional.of(version.wordFile());
        return Optional.of(DocumentService.document(version.content(), name))
                .filter(TemplateDocument::furtherWording)
                .flatMap(TemplateDocument::file);
    }

    WordFile open(TemplateVersion draft, DocumentId document) {
        return WordFile.open(files.get(file(draft, document)));
    }

    /** One wording after an edit. */
    Edited edited(DocumentId document, WordingEdit.Edited edit) {
        return new Edited(Map.of(document, files.keep(edit.file().bytes())), edit.places());
    }

    /** All wordings of the draft, each after the same edit; those in which it found nothing stay as they are. */
    Edited everywhere(TemplateVersion draft, Function<WordFile, WordingEdit.Edited> edit) {
        Map<DocumentId, Sha256> edited = new LinkedHashMap<>();
        int places = 0;
        for (DocumentId document : wordings(draft)) {
            WordingEdit.Edited one = edit.apply(open(draft, document));
            if (one.places() == 0) continue;
            edited.put(document, files.keep(one.file().bytes()));
            places += one.places();
        }
        return new Edited(edited, places);
    }

    private static List<DocumentId> wordings(TemplateVersion draft) {
        return Stream.concat(
                        Stream.of(DocumentId.WORDING),
                        draft.content().documents().stream()
                                .filter(TemplateDocument::furtherWording)
                                .map(TemplateDocument::id))
                .toList();
    }

    /** A change of wordings, which can be taken back. @param kept the settings that go on with it */
    TemplateViews.TemplateDetail take(
            UUID id, TemplateVersion draft, Edited edited, TemplateContent kept, Message what, String by) {
        return take(id, draft, edited, kept, what, by, UnaryOperator.identity());
    }

    /** @param settled what is settled about what the wordings have brought */
    TemplateViews.TemplateDetail take(
            UUID id,
            TemplateVersion draft,
            Edited edited,
            TemplateContent kept,
            Message what,
            String by,
            UnaryOperator<TemplateContent> settled) {
        history.remember(draft, what, by);
        Sha256 own = edited.files().getOrDefault(DocumentId.WORDING, draft.wordFile());
        TemplateContent with = kept.withDocuments(kept.documents().stream()
                .map(one -> one.furtherWording() && edited.files().containsKey(one.id())
                        ? one.madeFrom(edited.files().get(one.id()))
                        : one)
                .toList());
        draft.change(own, settled.apply(preparations.renewed(own, with)));
        return drafts.changed(id, draft);
    }
}
