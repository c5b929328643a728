package org.jalousie.server.template;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.template.StoredContent;
import org.jalousie.core.template.TemplateContent;

/** One version of a template: a wording and its settings. A published version never changes. */
@Entity
@Table(name = "template_version")
class TemplateVersion {
    static final String DRAFT = "DRAFT";
    static final String PUBLISHED = "PUBLISHED";

    @Id
    private UUID id;

    private UUID templateId;
    private int number;
    private String state;
    private String wordFile;

    @JdbcTypeCode(SqlTypes.JSON)
    private String content;

    /** Counts changes of the draft, so that two people don't overwrite each other. */
    private int revision;

    private Instant publishedAt;
    private String publishedBy;

    protected TemplateVersion() {}

    TemplateVersion(UUID templateId, int number, Sha256 wordFile, TemplateContent content) {
        this.id = UUID.randomUUID();
        this.templateId = templateId;
        this.number = number;
        this.state = DRAFT;
        this.wordFile = wordFile.hex();
        this.content = StoredContent.write(content);
    }

    void change(Sha256 newWordFile, TemplateContent newContent) {
        wordFile = newWordFile.hex();
        content = StoredContent.write(newContent);
        revision++;
    }

    /** @param held the files of the clauses that it includes from now on */
    void publish(Map<String, Sha256> held, String by, Instant now) {
        content = StoredContent.write(content().holding(held));
        state = PUBLISHED;
        publishedBy = by;
        publishedAt = now;
        revision++;
    }

    Optional<Instant> publishedAt() {
        return Optional.ofNullable(publishedAt);
    }

    String publishedBy() {
        return publishedBy == null ? "" : publishedBy;
    }

    UUID id() {
        return id;
    }

    UUID templateId() {
        return templateId;
    }

    int number() {
        return number;
    }

    boolean published() {
        return state.equals(PUBLISHED);
    }

    Sha256 wordFile() {
        return new Sha256(wordFile);
    }

    TemplateContent content() {
        return StoredContent.read(content);
    }

    int revision() {
        return revision;
    }
}
