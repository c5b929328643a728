package org.jalousie.server.tables;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.core.tables.Recognised;
import tools.jackson.core.type.TypeReference;

/** A table that somebody brought in: how its file is read, what its columns are, how far it has come. */
@Entity
@DynamicUpdate // what changes most is short; its files are looked for only where others change
@Table(name = "brought_table")
class BroughtTable {
    /** How far it has come. */
    enum State {
        /** Its file is read, then its rows are checked. */
        READING,
        CHECKING,
        /** It waits for a person. */
        READY,
        /** What was planned is done, row by row. */
        GOING,
        PAUSED,
        /** Everything that could be done is done. */
        DONE,
        /** A person ended it. */
        STOPPED,
        /** Its file can't be read. */
        REFUSED
    }

    @Id
    private UUID id;

    private String name;
    private String file;

    @Enumerated(EnumType.STRING)
    private TableUse.Purpose purpose;

    private String subject;

    @JdbcTypeCode(SqlTypes.JSON)
    private String settings;

    @JdbcTypeCode(SqlTypes.JSON)
    private String recognised;

    @JdbcTypeCode(SqlTypes.JSON)
    private String heads;

    @JdbcTypeCode(SqlTypes.JSON)
    private String second;

    @Enumerated(EnumType.STRING)
    private State state;

    private String reason = "";
    private int done;
    private int revision;
    private String createdBy;
    private String createdByMail;
    private int number;
    private Instant createdAt;
    private Instant changedAt;

    protected BroughtTable() {}

    BroughtTable(
            int number,
            String name,
            Sha256 file,
            TableUse.Purpose purpose,
            String subject,
            TableUse.By by,
            Instant now) {
        this.number = number;
        this.id = UUID.randomUUID();
        this.name = name;
        this.file = file.hex();
        this.purpose = purpose;
        this.subject = subject;
        this.createdBy = by.name();
        this.createdByMail = by.mail();
        this.createdAt = now;
        this.changedAt = now;
    }

    /** It is read so from now on. What was read before is worthless. */
    void take(Recognised seen, List<String> columns, TableSettings to, State next, Instant now) {
        recognised = Json.canonical(seen);
        heads = Json.canonical(columns);
        settings = Json.canonical(to);
        goesTo(next, now);
        done = 0;
        revision++;
    }

    /** Rows of another table go with its own from now on; empty for none. */
    void goesWith(Optional<SecondTable> other) {
        second = other.map(Json::canonical).orElse(null);
    }

    void goesTo(State next, Instant now) {
        state = next;
        reason = "";
        changedAt = now;
    }

    /** Its rows are checked from the first one on. */
    void checksAgain() {
        done = 0;
    }

    /** @param said why, for a person */
    void refused(String said, Instant now) {
        state = State.REFUSED;
        reason = said;
        changedAt = now;
    }

    /** The work on it failed for good: what was done stays, and can be gone on with. @param said why, for a person */
    void givenUp(String said, Instant now) {
        if (state == State.GOING) {
            goesTo(State.PAUSED, now);
            reason = said;
        } else if (state == State.READING || state == State.CHECKING) {
            refused(said, now);
        }
    }

    /** Whether a person may mend it, or have it carried out. */
    boolean waits() {
        return state == State.READY || state == State.PAUSED || state == State.DONE;
    }

    /** @param rows that have been worked through */
    void comesTo(int rows, Instant now) {
        done = rows;
        changedAt = now;
    }

    UUID id() {
        return id;
    }

    String name() {
        return name;
    }

    /** Its files as they were brought are kept no more: what was in one of their rows is gone. */
    void dropFiles() {
        file = "";
        second = second().map(one -> Json.canonical(one.withoutFile())).orElse(null);
    }

    Sha256 file() {
        return new Sha256(file);
    }

    TableUse.Purpose purpose() {
        return purpose;
    }

    String subject() {
        return subject;
    }

    TableSettings settings() {
        return Json.MAPPER.readValue(settings, TableSettings.class);
    }

    Recognised recognised() {
        return Json.MAPPER.readValue(recognised, Recognised.class);
    }

    /** The table whose rows go with its own. */
    Optional<SecondTable> second() {
        return Optional.ofNullable(second).map(one -> Json.MAPPER.readValue(one, SecondTable.class));
    }

    /** What the columns of its own file are called. */
    List<String> ownHeads() {
        return second().map(one -> heads().subList(0, one.columns())).orElse(heads());
    }

    List<String> heads() {
        return Json.MAPPER.readValue(heads, new TypeReference<>() {});
    }

    State state() {
        return state;
    }

    String reason() {
        return reason;
    }

    int done() {
        return done;
    }

    int revision() {
        return revision;
    }

    /** By which people know it. */
    int number() {
        return number;
    }

    String createdBy() {
        return createdBy;
    }

    /** When a row was worked through last, or a person did something. */
    Instant changedAt() {
        return changedAt;
    }

    Instant createdAt() {
        return createdAt;
    }

    TableUse.Taken taken() {
        return new TableUse.Taken(id, subject, settings(), new TableUse.By(createdBy, createdByMail));
    }
}
