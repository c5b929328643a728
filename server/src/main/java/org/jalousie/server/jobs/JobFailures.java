package org.jalousie.server.jobs;

import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

interface JobFailures extends JpaRepository<JobFailure, UUID> {
    List<JobFailure> findByAgreementId(UUID agreementId);

    Page<JobFailure> findAllByOrderByFailedAtDesc(Pageable page);

    void deleteByTaskAndInstance(String task, String instance);
}
