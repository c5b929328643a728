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

/** A draft as it was before one change of its wording. */
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

    protected TemplateStep() {}

    TemplateStep(TemplateVersion before, int number, String what, String by, Instant now) {
        this.versionId = before.id();
        this.number = number;
        this.wordFile = before.wordFile().hex();
        this.content = StoredContent.write(before.content());
        this.what = what;
        this.doneBy = by;
        this.doneAt = now;
    }

    int number() {
        return number;
    }

    Sha256 wordFile() {
        return new Sha256(wordFile);
    }

    TemplateContent content() {
        return StoredContent.read(content);
    }

    String what() {
        return what;
    }
}
