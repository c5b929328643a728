package org.jalousie.server.template;

import java.util.UUID;
import java.util.function.UnaryOperator;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.edit.WordingEdit;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** The Word file of a draft: opened, and taken over when it was changed, with the settings that follow from it. */
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

    WordFile open(TemplateVersion draft) {
        return WordFile.open(files.get(draft.wordFile()));
    }

    /** A change of the wording, which can be taken back. @param kept the settings that go on with it */
    TemplateViews.TemplateDetail take(
            UUID id, TemplateVersion draft, WordingEdit.Edited edited, TemplateContent kept, Message what, String by) {
        return take(id, draft, files.keep(edited.file().bytes()), kept, what, by, UnaryOperator.identity());
    }

    /** @param settled what is settled about what the wording has brought */
    TemplateViews.TemplateDetail take(
            UUID id,
            TemplateVersion draft,
            Sha256 file,
            TemplateContent kept,
            Message what,
            String by,
            UnaryOperator<TemplateContent> settled) {
        history.remember(draft, what, by);
        draft.change(
                file,
                settled.apply(Proposal.renewed(preparations.wording(file, kept).found(), kept)));
        return drafts.changed(id, draft);
    }
}
