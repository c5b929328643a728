package org.jalousie.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;

/** A person who signs in: a coordinator, or a reader who only looks things up. */
@Entity
@Table(name = "account")
class Account {
    private static final int MOST_ATTEMPTS = 5;
    private static final Duration LOCK = Duration.ofMinutes(10);

    @Id
    private UUID id;

    private String mail;
    private String name;
    private String passwordHash;
    private String role;
    private int failedAttempts;
    private Instant lockedUntil;

    protected Account() {}

    Account(String mail, String name, String passwordHash, String role) {
        this.id = UUID.randomUUID();
        this.mail = mail;
        this.name = name;
        this.passwordHash = passwordHash;
        this.role = role;
    }

    boolean lockedAt(Instant now) {
        return lockedUntil != null && now.isBefore(lockedUntil);
    }

    /** Counts a wrong password; after five the account is locked for ten minutes. */
    void failedAt(Instant now) {
        failedAttempts++;
        if (failedAttempts >= MOST_ATTEMPTS) {
            lockedUntil = now.plus(LOCK);
            failedAttempts = 0;
        }
    }

    void succeeded() {
        failedAttempts = 0;
        lockedUntil = null;
    }

    String mail() {
        return mail;
    }

    String name() {
        return name;
    }

    String passwordHash() {
        return passwordHash;
    }

    String role() {
        return role;
    }
}
