package org.jalousie.server.template;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;

/** A template over all its versions. */
@Entity
@DynamicUpdate
@Table(name = "template")
class Template {
    @Id
    private UUID id;

    private String name;
    private Instant changedAt;
    private Instant retiredAt;
    private boolean singleUse;

    /** Null for one that stands in none; whoever keeps the groups puts it there. */
    private UUID groupId;

    protected Template() {}

    Template(String name, Instant now) {
        this.id = UUID.randomUUID();
        this.name = name;
        this.changedAt = now;
    }

    void changed(Instant now) {
        changedAt = now;
    }

    void rename(String newName) {
        name = newName;
    }

    /** For one agreement only: no list offers it. */
    Template forOneAgreement() {
        singleUse = true;
        return this;
    }

    /** Who may do what with another may do the same with this one. */
    Template inGroupOf(Template other) {
        groupId = other.groupId;
        return this;
    }

    boolean singleUse() {
        return singleUse;
    }

    /** It is a template like any other from now on. */
    void keep() {
        singleUse = false;
    }

    /** Out of use: it can't be filled any more; agreements made from it go on. */
    void retire(Instant now) {
        retiredAt = now;
    }

    void bringBack() {
        retiredAt = null;
    }

    boolean retired() {
        return retiredAt != null;
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
