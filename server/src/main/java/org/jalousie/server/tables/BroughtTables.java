package org.jalousie.server.tables;

import java.util.Collection;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BroughtTables extends JpaRepository<BroughtTable, UUID> {
    @Query(value = "select nextval('brought_table_number')", nativeQuery = true)
    int nextNumber();

    Page<BroughtTable> findByPurpose(TableUse.Purpose purpose, Pageable page);

    /** @param hidden subjects of which none is found, one at least */
    Page<BroughtTable> findByPurposeAndSubjectNotIn(TableUse.Purpose purpose, Collection<String> hidden, Pageable page);

    Page<BroughtTable> findByPurposeAndSubject(TableUse.Purpose purpose, String subject, Pageable page);
}
