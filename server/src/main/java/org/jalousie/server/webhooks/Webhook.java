package org.jalousie.server.webhooks;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.json.Json;
import org.jalousie.core.programs.WebhookTerms;

/** Another program that is told what happens. */
@Entity
@Table(name = "webhook")
class Webhook {
    @Id
    private UUID id;

    private String title;

    @JdbcTypeCode(SqlTypes.JSON)
    private String terms;

    private boolean paused;
    private int revision;
    private String createdBy;
    private Instant createdAt;
    private Instant changedAt;
    private Instant endedAt;

    protected Webhook() {}

    Webhook(WebhookTerms terms, String by, Instant now) {
        this.id = UUID.randomUUID();
        this.createdBy = by;
        this.createdAt = now;
        settle(terms, now);
    }

    void settle(WebhookTerms settled, Instant now) {
        terms = Json.canonical(settled);
        title = settled.title();
        changed(now);
    }

    /** Notices wait while it is paused. */
    void pause(boolean now, Instant at) {
        paused = now;
        changed(at);
    }

    /** It is told nothing any more. What it was told stays known. */
    void end(Instant now) {
        if (endedAt == null) endedAt = now;
        changed(now);
    }

    private void changed(Instant now) {
        revision++;
        changedAt = now;
    }

    UUID id() {
        return id;
    }

    WebhookTerms terms() {
        return Json.MAPPER.readValue(terms, WebhookTerms.class);
    }

    boolean paused() {
        return paused;
    }

    int revision() {
        return revision;
    }

    String createdBy() {
        return createdBy;
    }

    Instant createdAt() {
        return createdAt;
    }

    Optional<Instant> endedAt() {
        return Optional.ofNullable(endedAt);
    }
}
