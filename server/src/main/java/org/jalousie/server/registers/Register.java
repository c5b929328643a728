package org.jalousie.server.registers;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.json.Json;
import org.jalousie.core.registers.RegisterTerms;

/** One of the office's own tables. */
@Entity
@Table(name = "register")
class Register {
    @Id
    private UUID id;

    private String name;
    private String title;

    @JdbcTypeCode(SqlTypes.JSON)
    private String terms;

    private int revision;
    private Instant createdAt;
    private Instant changedAt;

    protected Register() {}

    Register(String name, RegisterTerms terms, Instant now) {
        this.id = UUID.randomUUID();
        this.name = name;
        this.createdAt = now;
        settle(terms, now);
    }

    void settle(RegisterTerms settled, Instant now) {
        terms = Json.canonical(settled);
        title = settled.title();
        revision++;
        changedAt = now;
    }

    UUID id() {
        return id;
    }

    /** By which templates and addresses know it; it stays as it is. */
    String name() {
        return name;
    }

    String title() {
        return title;
    }

    RegisterTerms terms() {
        return Json.MAPPER.readValue(terms, RegisterTerms.class);
    }

    int revision() {
        return revision;
    }

    Instant changedAt() {
        return changedAt;
    }
}
