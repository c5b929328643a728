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

    protected LinkRow() {}

    LinkRow(String tokenHash, UUID agreementId, PartyKey party, Instant createdAt) {
        this.tokenHash = tokenHash;
        this.agreementId = agreementId;
        this.party = party.value();
        this.createdAt = createdAt;
    }

    UUID agreementId() {
        return agreementId;
    }

    PartyKey party() {
        return new PartyKey(party);
    }

    Instant createdAt() {
        return createdAt;
    }
}
