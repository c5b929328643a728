package org.jalousie.server.agreement;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;
import org.jalousie.core.evidence.EventChain;
import org.springframework.data.domain.Persistable;

/** One event as it is stored: its canonical JSON and its link in the chain. */
@Entity
@Table(name = "agreement_event")
class EventRow implements Persistable<EventRow.Key> {
    @Embeddable
    record Key(UUID agreementId, int sequence) implements Serializable {}

    @EmbeddedId
    private Key key;

    private String type;
    private String entry;
    private String hash;

    protected EventRow() {}

    EventRow(UUID agreementId, int sequence, String type, EventChain.Link link) {
        this.key = new Key(agreementId, sequence);
        this.type = type;
        this.entry = link.json();
        this.hash = link.hash();
    }

    EventChain.Link link() {
        return new EventChain.Link(entry, hash);
    }

    String type() {
        return type;
    }

    @Override
    public Key getId() {
        return key;
    }

    @Override
    public boolean isNew() {
        return true; // events are only ever added
    }
}
