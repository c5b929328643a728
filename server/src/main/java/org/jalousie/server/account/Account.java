package org.jalousie.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** A person who signs in: a coordinator, or a reader who only looks things up. */
@Entity
@Table(name = "account")
class Account {
    @Id
    private UUID id;

    private String mail;
    private String name;
    private String passwordHash;
    private String role;

    protected Account() {}

    Account(String mail, String name, String passwordHash, String role) {
        this.id = UUID.randomUUID();
        this.mail = mail;
        this.name = name;
        this.passwordHash = passwordHash;
        this.role = role;
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
