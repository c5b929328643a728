package org.jalousie.server.intake;

import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

interface BegunForms extends JpaRepository<BegunForm, UUID> {
    Page<BegunForm> findByOwnerOrderByChangedAtDescIdAsc(String owner, Pageable page);

    long countByOwner(String owner);
}
