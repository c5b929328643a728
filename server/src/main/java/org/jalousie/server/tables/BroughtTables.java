package org.jalousie.server.tables;

import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

interface BroughtTables extends JpaRepository<BroughtTable, UUID> {
    Page<BroughtTable> findByPurposeAndSubject(TableUse.Purpose purpose, String subject, Pageable page);
}
