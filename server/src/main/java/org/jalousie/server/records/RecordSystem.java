package org.jalousie.server.records;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.json.Json;
import org.jalousie.core.records.RecordTerms;

/** Another system whose records agreements are made of. What is done with it is written by {@link FollowedRecords}. */
@Entity
@Table(name = "record_system")
@DynamicUpdate
class RecordSystem {
    @Id
    private UUID id;

    private String title;

    @JdbcTypeCode(SqlTypes.JSON)
    private String terms;

    private String credential;
    private boolean paused;
    private int revision;
    private String createdBy;
    private Instant createdAt;
    private Instant changedAt;
    private Instant endedAt;
    private Instant lookAt = Instant.EPOCH;
    private Instant lookedAt;
    private int failures;
    private String fault = "";
    private Instant waitsUntil = Instant.EPOCH;

    protected RecordSystem() {}

    RecordSystem(RecordTerms terms, String credential, String by, Instant now) {
        this.id = UUID.randomUUID();
        this.createdBy = by;
        this.createdAt = now;
        settle(terms, credential, now);
    }

    void settle(RecordTerms settled, String with, Instant now) {
        terms = Json.canonical(settled);
        title = settled.title();
        credential = with;
        revision++;
        changedAt = now;
    }

    /** Neither is it looked at nor written to while it is paused. */
    void pause(boolean now, Instant at) {
        paused = now;
        changedAt = at;
    }

    /** Nothing is done with it any more. What was done stays known. */
    void end(Instant now) {
        if (endedAt == null) endedAt = now;
        credential = "";
        revision++;
        changedAt = now;
    }

    UUID id() {
        return id;
    }

    RecordTerms terms() {
        return Json.MAPPER.readValue(terms, RecordTerms.class);
    }

    String credential() {
        return credential;
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

    Instant lookAt() {
        return lookAt;
    }

    /** When its list was looked through last. */
    Optional<Instant> lookedAt() {
        return Optional.ofNullable(lookedAt);
    }

    /** Why it did not answer as it should; empty when it does. */
    String fault() {
        return failures > 0 ? fault : "";
    }

    Instant waitsUntil() {
        return waitsUntil;
    }

    boolean isOn() {
        return !paused && endedAt == null;
    }
}
