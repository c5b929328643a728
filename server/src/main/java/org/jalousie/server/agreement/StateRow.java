package org.jalousie.server.agreement;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Revision;
import org.springframework.data.domain.Persistable;

/** A state of an agreement's document, found by its hash. */
@Entity
@Table(name = "document_state")
class StateRow implements Persistable<StateRow.Key> {
    @Embeddable
    record Key(String sha256, UUID agreementId, int sequence) implements Serializable {}

    @EmbeddedId
    private Key key;

    protected StateRow() {}

    private StateRow(String sha256, UUID agreementId, int sequence) {
        this.key = new Key(sha256, agreementId, sequence);
    }

    /** The states that an event brought; two documents of an agreement that are alike have one. */
    static List<StateRow> of(UUID agreementId, Entry entry) {
        return entry.event().brought().stream()
                .map(Revision::pdf)
                .distinct()
                .map(pdf -> new StateRow(pdf.hex(), agreementId, entry.sequence()))
                .toList();
    }

    @Override
    public Key getId() {
        return key;
    }

    @Override
    public boolean isNew() {
        return true; // states are only ever added
    }
}
