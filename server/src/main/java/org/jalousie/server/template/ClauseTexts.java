package org.jalousie.server.template;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Redline;
import org.jalousie.core.wording.WordFile;
import org.jalousie.server.Refusal;
import org.jalousie.server.clause.ClauseLibrary;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;

/** What the clauses say that a template draws in: in a draft the library's newest, in a published version the one it holds. */
@Service
class ClauseTexts {
    private final Drafts drafts;
    private final Preparations preparations;
    private final ClauseLibrary library;
    private final FileStore files;

    ClauseTexts(Drafts drafts, Preparations preparations, ClauseLibrary library, FileStore files) {
        this.drafts = drafts;
        this.preparations = preparations;
        this.library = library;
        this.files = files;
    }

    TemplateViews.ClauseText of(UUID template, String name) {
        TemplateContent content = drafts.newest(template).content();
        Sha256 file = Optional.ofNullable(preparations.clauseFiles(content).get(name))
                .orElseThrow(() -> Refusal.notFound(Message.of("clause.none")));
        ClauseLibrary.Version version =
                library.version(name, file).orElseThrow(() -> Refusal.notFound(Message.of("clause.none")));
        List<RedlineView> lines = RedlineView.of(Redline.of(WordFile.open(files.get(file))), content, content);
        return new TemplateViews.ClauseText(
                version.clause(),
                version.number(),
                version.newest(),
                version.note(),
                version.by(),
                version.at(),
                lines);
    }
}
