package org.jalousie.server.intake;

import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BegunForms extends JpaRepository<BegunForm, UUID> {
    /** Those that are not handed in: one that was being kept at that moment may have come to stay. */
    @Query("select form from BegunForm form where form.owner = :owner"
            + " and not exists (select request from IntakeRequest request where request.formKey = form.id)"
            + " order by form.changedAt desc, form.id")
    Page<BegunForm> notHandedIn(String owner, Pageable page);

    long countByOwner(String owner);
}
