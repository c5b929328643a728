package org.jalousie.server.recognition;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface FinishedFiles extends JpaRepository<FinishedFile, UUID> {
    /** Those that are taken for nothing of some templates. @param hidden these */
    @Query("select f from FinishedFile f where (f.templateId is null or f.templateId not in :hidden)"
            + " and (f.templateVersionId is null or f.templateVersionId not in"
            + " (select v.id from TemplateVersion v where v.templateId in :hidden))")
    Page<FinishedFile> seen(Collection<UUID> hidden, Pageable page);

    /** To be changed in this transaction, by nobody else meanwhile; read here for the first time in it. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select f from FinishedFile f where f.id = :id")
    Optional<FinishedFile> locked(UUID id);
}
