package org.jalousie.server.signing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
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
    private Instant endedAt;

    @Enumerated(EnumType.STRING)
    private By cameBy;

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
        this.cameBy = by;
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
        return endedAt == null && (validUntil == null || moment.isBefore(validUntil));
    }

    /** The number of the event that asked for it; 0 where that wasn't kept. */
    int askedBy() {
        return askedBy;
    }

    By by() {
        return cameBy;
    }

    Instant createdAt() {
        return createdAt;
    }
}
