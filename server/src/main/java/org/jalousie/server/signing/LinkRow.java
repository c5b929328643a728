package org.jalousie.server.signing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jalousie.core.parties.PartyKey;

/** A participant's link; only its hash is kept. */
@Entity
@Table(name = "link")
class LinkRow {
    @Id
    private String tokenHash;

    private UUID agreementId;
    private String party;
    private Instant createdAt;
    private Instant validUntil;
    private boolean byForm;
    private boolean byAccount;
    private int askedBy;

    /** How somebody comes to a link. */
    enum By {
        MAIL,
        /** They have just sent the form in which they said who they are. */
        FORM,
        /** They are signed in to the office's rooms. */
        ACCOUNT
    }

    protected LinkRow() {}

    /** @param validUntil null for one that holds until the agreement ends */
    LinkRow(
            String tokenHash,
            UUID agreementId,
            PartyKey party,
            Instant createdAt,
            Instant validUntil,
            By by,
            int askedBy) {
        this.askedBy = askedBy;
        this.byForm = by == By.FORM;
        this.byAccount = by == By.ACCOUNT;
        this.tokenHash = tokenHash;
        this.agreementId = agreementId;
        this.party = party.value();
        this.createdAt = createdAt;
        this.validUntil = validUntil;
    }

    UUID agreementId() {
        return agreementId;
    }

    PartyKey party() {
        return new PartyKey(party);
    }

    boolean holdsAt(Instant moment) {
        return validUntil == null || moment.isBefore(validUntil);
    }

    /** The number of the event that asked for it; 0 where that wasn't kept. */
    int askedBy() {
        return askedBy;
    }

    By by() {
        if (byAccount) return By.ACCOUNT;
        return byForm ? By.FORM : By.MAIL;
    }

    Instant createdAt() {
        return createdAt;
    }
}
