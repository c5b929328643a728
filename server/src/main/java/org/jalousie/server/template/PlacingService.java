package org.jalousie.server.template;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.template.SigningFieldOrder;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.edit.EditRefused;
import org.jalousie.core.wording.edit.Selection;
import org.jalousie.core.wording.edit.SigningEdit;
import org.jalousie.core.wording.edit.WordingEdit;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where the signing fields of a draft stand in its wording. */
@Service
class PlacingService {
    private final Drafts drafts;
    private final DraftWording wordings;

    PlacingService(Drafts drafts, DraftWording wordings) {
        this.drafts = drafts;
        this.wordings = wordings;
    }

    /** A place of a field. @param occurrence which of its places in that wording, from 0 */
    record Place(DocumentId document, String field, int occurrence) {}

    /** Moves a field to another place between words of the same wording. */
    @Transactional
    TemplateViews.TemplateDetail move(UUID id, int revision, Place from, Selection to, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        SigningField field = field(draft, from.field());
        if (from.occurrence() < 0) throw Refusal.notFound(Message.of("field.none", "name", from.field()));
        try {
            SigningEdit.Moved moved = SigningEdit.move(
                    wordings.open(draft, from.document()),
                    field.party().value(),
                    word(field),
                    from.occurrence(),
                    to,
                    WordingService.shown(draft.content()));
            if (moved.edited().places() == 0) return drafts.detail(drafts.template(id), draft);
            TemplateContent content = draft.content();
            List<SigningField> fields = SigningFieldOrder.moved(
                    content.signingFields(), field.party() + "_" + moved.word(), moved.from(), moved.to());
            return wordings.take(
                    id,
                    draft,
                    wordings.edited(from.document(), moved.edited()),
                    content.with(content.fields(), content.parties(), fields),
                    Message.of("step.move", "field", field.title()),
                    by);
        } catch (EditRefused e) {
            throw Refusal.invalid(e.said());
        }
    }

    /**
     * A field stays on one page with the words before it, and a row or line of exact height may grow with it.
     *
     * @param name blank for all signatures
     */
    @Transactional
    TemplateViews.TemplateDetail keep(UUID id, int revision, String name, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        List<SigningField> fields = name == null || name.isBlank()
                ? draft.content().signingFields().stream()
                        .filter(one -> one.type().signs())
                        .toList()
                : List.of(field(draft, name));
        DraftWording.Edited edited = wordings.everywhere(draft, file -> kept(file, fields));
        Message what = fields.size() == 1
                ? Message.of("step.keep", "field", fields.get(0).title())
                : Message.of("step.keep-all");
        if (edited.places() == 0) throw Refusal.conflict(Message.of("edit.kept-already"));
        return wordings.take(id, draft, edited, draft.content(), what, by);
    }

    private static WordingEdit.Edited kept(WordFile file, List<SigningField> fields) {
        WordingEdit.Edited all = new WordingEdit.Edited(file, 0);
        for (SigningField field : fields) {
            WordingEdit.Edited one = SigningEdit.keep(all.file(), field.party().value(), word(field));
            all = new WordingEdit.Edited(one.file(), all.places() + one.places());
        }
        return all;
    }

    private static SigningField field(TemplateVersion draft, String name) {
        return draft.content().signingFields().stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("field.none", "name", name == null ? "" : name)));
    }

    /** What follows the party in the field's tag. */
    private static String word(SigningField field) {
        return field.name().substring(field.party().value().length() + 1);
    }
}
