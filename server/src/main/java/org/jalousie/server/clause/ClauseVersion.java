package org.jalousie.server.clause;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jalousie.core.data.Sha256;

/** One version of a clause; it never changes. */
@Entity
@Table(name = "clause_version")
class ClauseVersion {
    @Id
    private UUID id;

    private UUID clauseId;
    private int number;
    private String wordFile;
    private String note;
    private String createdBy;
    private Instant createdAt;

    protected ClauseVersion() {}

    ClauseVersion(UUID clauseId, int number, Sha256 wordFile, String note, String by, Instant now) {
        this.id = UUID.randomUUID();
        this.clauseId = clauseId;
        this.number = number;
        this.wordFile = wordFile.hex();
        this.note = note;
        this.createdBy = by;
        this.createdAt = now;
    }

    UUID clauseId() {
        return clauseId;
    }

    int number() {
        return number;
    }

    Sha256 wordFile() {
        return new Sha256(wordFile);
    }

    String note() {
        return note;
    }

    String createdBy() {
        return createdBy;
    }

    Instant createdAt() {
        return createdAt;
    }
}
