package org.jalousie.server.intake;

import java.util.Collection;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

interface FormLinks extends JpaRepository<FormLink, UUID> {
    Optional<FormLink> findByToken(String token);

    /** @param hidden templates of which none is found, one at least */
    Page<FormLink> findByTemplateIdNotIn(Collection<UUID> hidden, Pageable page);

    Page<FormLink> findByTemplateIdAndTemplateIdNotIn(UUID template, Collection<UUID> hidden, Pageable page);
}
