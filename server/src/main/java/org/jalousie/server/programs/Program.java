package org.jalousie.server.programs;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.json.Json;
import org.jalousie.core.programs.ProgramTerms;

/** Another program that the office lets in. */
@Entity
@Table(name = "program")
class Program {
    @Id
    private UUID id;

    private String title;

    @JdbcTypeCode(SqlTypes.JSON)
    private String terms;

    private int revision;
    private String createdBy;
    private Instant createdAt;
    private Instant changedAt;
    private Instant endedAt;

    // how often it may ask is counted past the entity
    @Column(updatable = false)
    private double allowance;

    @Column(updatable = false)
    private Instant allowanceAt;

    protected Program() {}

    Program(ProgramTerms terms, String by, Instant now) {
        this.id = UUID.randomUUID();
        this.createdBy = by;
        this.createdAt = now;
        this.allowance = terms.perMinute();
        this.allowanceAt = now;
        settle(terms, now);
    }

    void settle(ProgramTerms settled, Instant now) {
        terms = Json.canonical(settled);
        title = settled.title();
        revision++;
        changedAt = now;
    }

    /** It isn't let in any more. What it did stays known. */
    void end(Instant now) {
        if (endedAt == null) endedAt = now;
        changedAt = now;
        revision++;
    }

    UUID id() {
        return id;
    }

    ProgramTerms terms() {
        return Json.MAPPER.readValue(terms, ProgramTerms.class);
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
