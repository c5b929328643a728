package org.jalousie.server.intake;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

interface FormLinks extends JpaRepository<FormLink, UUID> {
    Optional<FormLink> findByToken(String token);

    Page<FormLink> findByTemplateId(UUID template, Pageable page);
}
