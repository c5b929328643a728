package org.jalousie.server.recognition;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface FinishedFiles extends JpaRepository<FinishedFile, UUID> {
    /** To be changed in this transaction, by nobody else meanwhile; read here for the first time in it. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select f from FinishedFile f where f.id = :id")
    Optional<FinishedFile> locked(UUID id);
}
