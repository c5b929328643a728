package org.jalousie.server.jobs;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface JobFailures extends JpaRepository<JobFailure, UUID> {
    List<JobFailure> findByAgreementId(UUID agreementId);

    Page<JobFailure> findAllByOrderByFailedAtDesc(Pageable page);

    /** The same but for agreements of some templates. @param hidden these */
    @Query("select f from JobFailure f where f.agreementId not in"
            + " (select a.id from AgreementRow a where a.templateId in :hidden) order by f.failedAt desc")
    Page<JobFailure> findSeen(Collection<UUID> hidden, Pageable page);

    void deleteByTaskAndInstance(String task, String instance);
}
