package org.jalousie.server.clause;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A clause of the library over all its versions. Templates include it by its name. */
@Entity
@Table(name = "clause")
class Clause {
    @Id
    private UUID id;

    private String name;
    private Instant changedAt;

    protected Clause() {}

    Clause(String name, Instant now) {
        this.id = UUID.randomUUID();
        this.name = name;
        this.changedAt = now;
    }

    void changed(Instant now) {
        changedAt = now;
    }

    UUID id() {
        return id;
    }

    String name() {
        return name;
    }

    Instant changedAt() {
        return changedAt;
    }
}
