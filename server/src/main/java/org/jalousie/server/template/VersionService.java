package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.SettingsDifference;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.Redline;
import org.jalousie.core.wording.WordFile;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The versions of a template: looked at, compared, gone back to. */
@Service
class VersionService {
    private final TemplateVersions versions;
    private final Drafts drafts;
    private final DraftWording wordings;
    private final DraftHistory history;
    private final FileStore files;

    VersionService(
            TemplateVersions versions, Drafts drafts, DraftWording wordings, DraftHistory history, FileStore files) {
        this.versions = versions;
        this.drafts = drafts;
        this.wordings = wordings;
        this.history = history;
        this.files = files;
    }

    @Transactional(readOnly = true)
    List<TemplateViews.VersionItem> history(UUID id) {
        drafts.template(id);
        return versions.findByTemplateIdOrderByNumberDesc(id).stream()
                .map(TemplateViews::version)
                .toList();
    }

    /** Puts the wording and settings of an earlier version into the draft, which can be taken back. */
    @Transactional
    TemplateViews.TemplateDetail returnTo(UUID id, int number, int revision, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        TemplateVersion earlier = drafts.version(id, number);
        history.remember(draft, Message.of("step.return", "number", number), by);
        draft.change(earlier.wordFile(), earlier.content().holding(Map.of()));
        return drafts.changed(id, draft);
    }

    /** The Word file of one of a version's wordings. @param number 0 for the newest version */
    @Transactional(readOnly = true)
    byte[] wordFile(UUID id, int number, String document) {
        TemplateVersion version = number == 0 ? drafts.newest(id) : drafts.version(id, number);
        return files.get(
                wordings.named(version, document).orElseThrow(() -> Refusal.notFound(Message.of("document.none"))));
    }

    /** What the Word file of a wording is called when somebody takes it along. */
    @Transactional(readOnly = true)
    String wordFileName(UUID id, String document) {
        return drafts.newest(id)
                        .content()
                        .document(DraftWording.id(document))
                        .filter(TemplateDocument::furtherWording)
                        .map(TemplateDocument::title)
                        .orElseGet(() -> drafts.template(id).name())
                + ".docx";
    }

    /** What changed from one version to another: the words of wordings that both have, and the settings. */
    @Transactional(readOnly = true)
    TemplateViews.VersionDifference difference(UUID id, int from, int to) {
        TemplateVersion before = drafts.version(id, from);
        TemplateVersion after = drafts.version(id, to);
        List<RedlineView> lines = new ArrayList<>(lines(before, after, DocumentId.WORDING, ""));
        for (TemplateDocument document : after.content().documents()) {
            Optional<TemplateDocument> was = before.content().document(document.id());
            if (document.furtherWording()
                    && was.filter(TemplateDocument::furtherWording).isPresent())
                lines.addAll(lines(before, after, document.id(), document.title()));
        }
        return new TemplateViews.VersionDifference(
                lines,
                SettingsDifference.between(before.content(), after.content()).stream()
                        .map(Message::toString)
                        .toList());
    }

    private List<RedlineView> lines(TemplateVersion before, TemplateVersion after, DocumentId document, String title) {
        Sha256 was = wordings.file(before, document);
        Sha256 is = wordings.file(after, document);
        // a further wording that is the same is not spoken of
        if (!title.isEmpty() && was.equals(is)) return List.of();
        List<Redline.Line> lines = Redline.between(WordFile.open(files.get(was)), WordFile.open(files.get(is)));
        return RedlineView.of(lines, before.content(), after.content()).stream()
                .map(line -> title.isEmpty() ? line : new RedlineView(title + ", " + line.part(), line.pieces()))
                .toList();
    }
}
