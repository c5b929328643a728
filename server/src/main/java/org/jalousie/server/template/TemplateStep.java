package org.jalousie.server.template;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.template.StoredContent;
import org.jalousie.core.template.TemplateContent;

/** A draft on the other side of one change: as it was before it, or, once it is taken back, as it was after it. */
@Entity
@Table(name = "template_step")
@IdClass(TemplateStep.Key.class)
class TemplateStep {
    record Key(UUID versionId, int number) implements Serializable {}

    @Id
    private UUID versionId;

    @Id
    private int number;

    private String wordFile;

    @JdbcTypeCode(SqlTypes.JSON)
    private String content;

    private String what;
    private String doneBy;
    private Instant doneAt;
    private boolean takenBack;
    private boolean typed;

    protected TemplateStep() {}

    TemplateStep(TemplateVersion before, int number, String what, boolean typed, String by, Instant now) {
        this.versionId = before.id();
        this.number = number;
        this.wordFile = before.wordFile().hex();
        this.content = StoredContent.write(before.content());
        this.what = what;
        this.typed = typed;
        this.doneBy = by;
        this.doneAt = now;
    }

    /** Puts the draft on this step's side, and keeps what it was. */
    void cross(TemplateVersion draft) {
        Sha256 file = draft.wordFile();
        String was = StoredContent.write(draft.content());
        draft.change(new Sha256(wordFile), StoredContent.read(content));
        wordFile = file.hex();
        content = was;
        takenBack = !takenBack;
        typed = false;
    }

    /** Whether it came from this person's typing, and lately. */
    boolean typedSince(String by, Instant since) {
        return typed && doneBy.equals(by) && doneAt.isAfter(since);
    }

    void goOn(Instant now) {
        doneAt = now;
    }

    int number() {
        return number;
    }

    TemplateContent content() {
        return StoredContent.read(content);
    }

    String what() {
        return what;
    }
}
