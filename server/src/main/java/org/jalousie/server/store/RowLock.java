package org.jalousie.server.store;

import jakarta.persistence.EntityManager;
import jakarta.persistence.EntityNotFoundException;
import jakarta.persistence.LockModeType;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Lets one at a time change a row. */
@Component
public class RowLock {
    private final EntityManager entities;

    RowLock(EntityManager entities) {
        this.entities = entities;
    }

    /**
     * Keeps a row from being changed by others until the end of the transaction. It is read anew with the lock: a query with a
     * lock would hand out what this transaction has read before somebody else's change, and write that back.
     *
     * @param row as found; what was changed in it by this transaction stays
     * @return the same row, as it is now
     * @throws Refusal when it has gone since it was found
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public <T> T on(T row) {
        entities.flush();
        try {
            entities.refresh(row, LockModeType.PESSIMISTIC_WRITE);
        } catch (EntityNotFoundException e) {
            throw Refusal.of(Refusal.Kind.GONE, Message.of("row.gone"));
        }
        return row;
    }
}
